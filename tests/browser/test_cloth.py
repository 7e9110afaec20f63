"""Cloth and cutting as a stranger meets them: the valance's widths, a plaid, the shelf."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import expect_chosen, served
from tests.browser.test_by_hand import field, open_work


@pytest.fixture
def site(tmp_path: Path) -> Iterator[str]:
    """The program with the demo works, its own for each test: what one changes the next must not find."""
    with served(tmp_path, demo=True) as address:
        yield address


def step(page: Page, name: str) -> None:
    page.get_by_role("navigation", name="Steps").get_by_role("button", name=name).click()


def slip(page: Page) -> Locator:
    return page.get_by_role("region", name="The cloth slip")


def test_the_dome_valance_over_its_widths(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Dome valance")
    step(page, "Cloth")
    expect(slip(page)).to_contain_text("Join 1 falls at")
    expect(slip(page)).to_contain_text("Buy 1.7 m (≈1 7⁄8 yd) of Gallery cotton")
    accessible(page)
    page.get_by_role("radio", name=re.compile("Strips along the cloth")).check()
    expect(slip(page)).to_contain_text("Cut four pieces, 73 in each")
    page.get_by_role("radio", name=re.compile("Strips across the cloth")).check()
    expect(slip(page)).to_contain_text("Cut three pieces")
    page.get_by_role("radio", name=re.compile("same whole pleats")).check()
    expect(slip(page)).to_contain_text("Join 1 falls at 82 in, at the inner fold of pleat 7")
    field(page, "It falls, finished").fill("100 in")
    expect(page.get_by_text("Not this way: the drop is longer than the cloth is wide").first).to_be_visible()
    field(page, "Shrinks by, %").fill("-3")
    expect(page.get_by_text("“-3” is below nought")).to_be_visible()
    field(page, "Shrinks by, %").fill("3")
    expect(page.get_by_text("“-3” is below nought")).to_have_count(0)


def test_a_plaid_through_the_folds(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Plaid wrap")
    step(page, "Cloth")
    expect(page.get_by_role("button", name="Stripe 1 at the fold")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="Stripe 1 mid-face").click()
    expect_chosen(page, "stands", "in the middle of a face")
    expect(slip(page)).to_contain_text("So that the stripes run on")
    page.get_by_role("button", name="2 repeats to a pleat").click()
    expect(slip(page)).to_contain_text("short")
    page.get_by_role("button", name="Greatest fullness").click()
    expect(slip(page)).not_to_contain_text("short")
    expect(slip(page)).to_contain_text("centred on its line")
    page.get_by_text("Front pieces", exact=True).click()
    page.get_by_label("Plain front pieces").uncheck()
    expect(slip(page)).not_to_contain_text("centred on its line")


def test_the_curtain_and_its_lining(page: Page) -> None:
    open_work(page, "Reading-room curtain")
    step(page, "Cloth")
    expect(slip(page)).to_contain_text("just behind the sew line of pleat")
    expect(slip(page)).to_contain_text("Sewn as a tube and turned it measures")
    expect(slip(page)).to_contain_text("13 hooks")
    step(page, "Cut")
    expect(page.get_by_role("img", name="pieces on Curtain lining")).to_be_visible()


def test_the_cutting_plan_with_ties(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Dome valance")
    step(page, "Cut")
    expect(page.get_by_role("img", name="3 pieces on Gallery cotton")).to_be_visible()
    page.get_by_role("button", name="Add a piece to cut").click()
    field(page, "Piece 1").fill("Tie")
    field(page, "Width").fill("4 in")
    field(page, "Length").fill("20 in")
    field(page, "How many").fill("6")
    expect(page.get_by_role("img", name="9 pieces on Gallery cotton")).to_be_visible()
    page.get_by_text("The 9 pieces as a list").click()
    expect(page.get_by_role("rowheader", name="Tie 6")).to_be_visible()
    accessible(page)
    field(page, "Length").fill("125 in")
    field(page, "Width").fill("120 in")
    expect(page.get_by_text("wider than the cloth").first).to_be_visible()
    page.get_by_role("button", name="Remove piece 1").click()
    expect(page.get_by_role("img", name="3 pieces on Gallery cotton")).to_be_visible()
    step(page, "Pleat")


def test_the_shelf(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("link", name="Cloth shelf").click()
    expect(page.get_by_text("320 cm left")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="Add a cloth").click()
    field(page, "Name").fill("Dome felt")
    field(page, "Width").fill("broad")
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_text("“broad” was not understood as a length")).to_be_visible()
    accessible(page)
    field(page, "Width").fill("90")
    field(page, "Length at hand").fill("2 m")
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_text("Dome felt")).to_be_visible()
    page.get_by_role("button", name="Remove Dome felt").click()
    expect(page.get_by_text("Dome felt was taken off the shelf.").first).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("button", name="Change Dome felt")).to_be_visible()
    page.get_by_role("button", name="Put on the shelf: Guide blue wool").click()
    page.get_by_role("button", name="Keep").click()
    expect(page.get_by_role("button", name="Change Guide blue wool")).to_be_visible()
    page.get_by_role("button", name="Take in a table").click()
    page.get_by_label("or paste it here").fill("name,width\nOld canvas,150\nOdd,wide\n")
    page.get_by_role("button", name="Take it in").click()
    expect(page.get_by_text("Nothing was put on the shelf: 1 right, 1 wrong.")).to_be_visible()
    expect(page.get_by_text("Line 3: Width: “wide” was not understood as a length")).to_be_visible()
    page.get_by_role("button", name="Take in the 1 right row").click()
    expect(page.get_by_text("1 cloth put on the shelf.")).to_be_visible()


def test_a_work_takes_cloth_and_gives_it_back(page: Page) -> None:
    open_work(page, "Guide’s skirt")
    step(page, "Cloth")
    page.get_by_role("combobox", name="From the cloth shelf").select_option(label="Curtain lining")
    expect(field(page, "Name of the cloth")).to_have_value("Curtain lining")
    field(page, "Length to move").fill("1.5 m")
    page.get_by_role("button", name="Take for this work").click()
    expect(page.get_by_text("650 cm left on the shelf")).to_be_visible()
    field(page, "Length to move").fill("90 m")
    page.get_by_role("button", name="Take for this work").click()
    expect(page.get_by_text("There is only 650 cm of it").first).to_be_visible()
    field(page, "Length to move").fill("50 cm")
    page.get_by_role("button", name="Give back").click()
    expect(page.get_by_text("700 cm left on the shelf")).to_be_visible()


def test_a_band_of_a_contrast_that_is_known_before_the_cloth_itself(
    page: Page, accessible: Callable[[Page], None]
) -> None:
    open_work(page, "Star-party apron")
    step(page, "Cloth")
    page.get_by_role("button", name="Add a cloth").click()
    page.get_by_role("menuitem", name="contrast").click()
    cloths = page.get_by_role("region", name="The contrast")
    cloths.get_by_role("textbox", name="Name of the cloth").fill("Dome red")
    width = cloths.get_by_role("textbox", name="Width", exact=True)
    width.fill("4t4")
    expect(cloths.get_by_text("“t” is not a unit known here")).to_be_visible()
    expect(width).to_have_attribute("aria-invalid", "true")
    accessible(page)
    width.fill("44")
    expect(width).not_to_have_attribute("aria-invalid", "true")
    step(page, "Cut")
    expect(page.get_by_text("Apron skirt: say how wide its cloth is, under Cloth.")).to_be_visible()
    page.get_by_role("button", name="Add a piece to cut").click()
    page.get_by_role("combobox", name="Cut from").select_option(label="contrast: Dome red")
    expect(page.get_by_role("img", name="1 piece on Dome red, 44 in by 4 in")).to_be_visible()
    expect(page.get_by_role("region", name="The shopping slip")).to_contain_text("of Dome red, 44 in wide")
    page.reload()
    expect(page.get_by_role("img", name="1 piece on Dome red")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("img", name="on Dome red")).to_have_count(0)
    page.get_by_role("button", name="Redo").click()
    expect(page.get_by_role("img", name="1 piece on Dome red")).to_be_visible()


def test_a_piece_is_taken_up_from_the_plan_and_what_falls_away_is_kept(
    page: Page, accessible: Callable[[Page], None]
) -> None:
    open_work(page, "Dome valance")
    step(page, "Cut")
    expect(page.get_by_role("img", name="3 pieces on Gallery cotton")).to_be_visible()
    page.locator("[data-piece]").first.click()
    sheet = page.get_by_role("dialog")
    expect(sheet).to_contain_text("Piece 1 of 3 on Gallery cotton")
    expect(sheet).to_contain_text("Foot: hem")
    accessible(page)
    first = sheet.get_by_role("heading").first.text_content() or ""
    sheet.get_by_role("button", name="The next").click()
    expect(sheet).to_contain_text("Piece 2 of 3")
    page.keyboard.press("Escape")
    page.get_by_text("The 3 pieces as a list").click()
    page.get_by_role("button", name=f"Take up {first}").click()
    expect(sheet).to_contain_text("Piece 1 of 3")
    page.keyboard.press("Escape")
    # Bought by the tenth of a metre, some of it is left at its end.
    page.get_by_text(re.compile("left over to keep")).first.click()
    page.get_by_role("button", name=re.compile("^Keep on the shelf")).first.click()
    expect(page.get_by_role("button", name=re.compile("^Keep on the shelf")).first).to_be_disabled()
    page.get_by_role("link", name="Works").click()
    page.get_by_role("link", name="Cloth shelf").click()
    expect(page.get_by_text("Gallery cotton, left over")).to_be_visible()


def test_the_ribbon_folds_away_where_the_step_has_its_own_matter(page: Page) -> None:
    open_work(page, "Reading-room curtain")
    step(page, "Cut")
    expect(page.get_by_role("button", name="Look closer")).to_have_count(0)
    page.get_by_role("button", name="Open the ribbon").click()
    expect(page.get_by_role("button", name="Look closer")).to_be_visible()
    page.reload()
    expect(page.get_by_role("button", name="Look closer")).to_be_visible()
    page.get_by_role("button", name="Fold it away").click()
    step(page, "Log")
    expect(page.get_by_role("img", name=re.compile("^From the front"))).to_be_visible()
    step(page, "Pleat")
    expect(page.get_by_role("button", name="Look closer")).to_be_visible()


def test_the_whole_cutting_plan_and_the_slip_stand_on_the_screen(page: Page) -> None:
    page.set_viewport_size({"width": 1280, "height": 800})
    open_work(page, "Reading-room curtain")
    step(page, "Cut")
    for cloth in ("Reading-room linen", "Curtain lining"):
        box = page.get_by_role("img", name=f"pieces on {cloth}").bounding_box()
        assert box
        assert box["y"] + box["height"] < 800
    header = page.locator("header").bounding_box()
    assert header
    assert header["height"] < 60
    page.set_viewport_size({"width": 390, "height": 844})
    steps = page.get_by_role("navigation", name="Steps").bounding_box()
    assert steps
    assert steps["y"] + steps["height"] < 115
