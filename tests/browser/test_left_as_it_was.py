"""What a sewist comes back to is as it was left: pins, steps, copies, the seam of the work."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import choose, expect_chosen, served
from tests.browser.test_by_hand import field, open_work
from tests.browser.test_cloth import slip, step


@pytest.fixture
def site(tmp_path: Path) -> Iterator[str]:
    """The program with the demo works, its own for each test: what one changes the next must not find."""
    with served(tmp_path, demo=True) as address:
        yield address


def test_another_kind_and_back_keeps_every_pin(page: Page) -> None:
    open_work(page, "Dome valance")
    expect(field(page, "Box")).to_have_value("4 in")
    page.get_by_label("Kind").select_option("Gathers")
    expect(field(page, "Box")).to_have_count(0)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("192 in")
    page.get_by_label("Kind").select_option("Box")
    expect(field(page, "Box")).to_have_value("4 in")
    expect(page.get_by_role("region", name="The slip")).to_contain_text("Fold 24 box pleats")


def test_bench_goes_back_to_the_step_it_left(page: Page) -> None:
    open_work(page, "Nightgown cuff")
    step(page, "Mark")
    choose(page, "Measured", "from the middle, both ways")
    choose(page, "Chalked on", "the wrong side")
    page.get_by_role("link", name="To the table").click()
    page.get_by_role("link", name="‹ Bench").click()
    expect(page.get_by_role("combobox", name="Measured")).to_have_value("middle")
    expect_chosen(page, "Chalked on", "the wrong side")


def test_the_table_opened_by_its_key_measures_as_the_list_did(page: Page) -> None:
    open_work(page, "Nightgown cuff")
    step(page, "Mark")
    choose(page, "Chalked on", "the wrong side")
    step(page, "Pleat")
    page.keyboard.press("t")
    expect(page.get_by_text("with the wrong side up it lies to your right")).to_be_visible()


def test_a_copy_is_opened_and_numbered(page: Page) -> None:
    open_work(page, "Dome valance")
    pieces = page.get_by_role("navigation", name="Pieces")
    for name in ("Valance 2", "Valance 3"):
        pieces.get_by_role("button", name="More for Valance", exact=True).click()
        page.get_by_role("menuitem", name="Copy").click()
        expect(pieces.locator("[aria-current]")).to_contain_text(name)


def test_one_seam_allowance_for_the_work(page: Page) -> None:
    open_work(page, "Nightgown cuff")
    step(page, "Cloth")
    page.get_by_text("Seam allowances", exact=True).click()
    seam = field(page, "Seam allowance of the work")
    expect(seam).to_have_attribute("placeholder", "1.5 cm, assumed")
    for name in ("Allowance at the start", "Allowance at the end", "Allowance at a join"):
        field(page, name).fill("")
    seam.fill("2")
    expect(slip(page)).to_contain_text("2 × 2")
    expect(field(page, "Allowance at the end")).to_have_attribute("placeholder", "2, as the work")
    field(page, "Allowance at the end").fill("4")
    expect(slip(page)).to_contain_text("+ 2 + 4")
    seam.fill("much")
    wrong = page.get_by_role("region", name="Seam allowances").get_by_text("“much” was not understood as a length")
    expect(wrong).to_be_visible()
