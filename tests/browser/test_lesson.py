"""The first lesson, the search over what is written, and what was done last time."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import served
from tests.browser.test_by_hand import open_work


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with the demo works."""
    with served(tmp_path_factory.mktemp("data"), demo=True) as address:
        yield address


def test_three_strips_folded_from_one_sheet(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("link", name="A lesson").click()
    expect(page.get_by_role("img", name="A first lesson: three ways to fold")).to_be_visible()
    knife = page.get_by_role("region", name="Knife pleats")
    expect(knife.get_by_role("listitem")).to_have_count(3)
    accessible(page)
    knife.get_by_label("Folded, it measures").fill("6")
    expect(knife).to_contain_text("It should be 6 cm.")
    inverted = page.get_by_role("region", name="Inverted pleats")
    inverted.get_by_label("Folded, it measures").fill("6.6")
    expect(inverted).to_contain_text("It should be 6 cm.")
    expect(inverted).to_contain_text("too wide")
    with page.expect_download() as got:
        page.get_by_role("button", name="PDF, to print").click()
    assert Path(got.value.path()).read_bytes()[:4] == b"%PDF"
    page.goto("/handbook")
    page.get_by_role("link", name="A first lesson").click()
    expect(page.get_by_role("region", name="Box pleats")).to_be_visible()


def test_a_word_in_a_log_is_found_and_last_time_is_told(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_label("Search").fill("pins box")
    found = page.get_by_role("region", name="Written down")
    expect(found).to_contain_text("Ran short of pins at box 17")
    accessible(page)
    found.get_by_role("link", name="Dome valance").click()
    page.get_by_role("navigation", name="Steps").get_by_role("button", name="Log", exact=True).click()
    last = page.get_by_role("region", name="Last time")
    expect(last).to_contain_text("Gathers")
    open_work(page, "Reading-room curtains")
    page.get_by_role("navigation", name="Steps").get_by_role("button", name="Log", exact=True).click()
    expect(last).to_contain_text("Bunk curtain")
    expect(last).to_contain_text("the same thing")
    expect(last).to_contain_text("Stiffener first, then the pleats.")
    accessible(page)
