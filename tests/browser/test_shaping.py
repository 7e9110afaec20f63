"""Edges that are not even, as a stranger meets them: places, levels, a mixed band, what a size means, turning over."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import choose, served
from tests.browser.test_by_hand import field, open_work
from tests.browser.test_cloth import step


@pytest.fixture
def site(tmp_path: Path) -> Iterator[str]:
    """The program with the demo works, its own for each test: what one changes the next must not find."""
    with served(tmp_path, demo=True) as address:
        yield address


def slip(page: Page):  # type: ignore[no-untyped-def]
    return page.get_by_role("region", name="The slip")


def test_pleats_at_stated_places(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Telescope cover")
    page.get_by_text("Pleats at stated places").click()
    expect(slip(page)).to_contain_text("Fold 4 inverted pleats, 2 1⁄2 in deep, each at its place")
    field(page, "Pleat 2 stands at").fill("120 in")
    expect(page.get_by_text("A pleat at 120 in does not stand within a finished width of 114 in")).to_be_visible()
    accessible(page)
    field(page, "Pleat 2 stands at").fill("31 in")
    field(page, "Pleat 2, depth of its own").fill("4 in")
    expect(field(page, "Flat width")).to_have_value("160 in")
    page.get_by_role("button", name="Add a place").click()
    field(page, "Pleat 5 stands at").fill("100")
    expect(slip(page)).to_contain_text("Fold 5 inverted pleats")
    page.get_by_role("button", name="Remove pleat 5").click()
    expect(slip(page)).to_contain_text("Fold 4 inverted pleats")


def test_a_mixed_edge_shares_its_band(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Observing coat")
    expect(slip(page)).to_contain_text("Part 3, from 27 cm: Fold 37 cartridge pleats")
    page.get_by_role("tab", name="2 Knife").click()
    field(page, "Spacing").fill("3")
    expect(slip(page)).to_contain_text("Part 2, from 6 cm: Fold 7 knife pleats, 3 cm deep")
    field(page, "Share, such as 1/4").fill("7/8")
    expect(page.get_by_text("The parts take 106.5 cm of 84 cm")).to_be_visible()
    accessible(page)
    field(page, "Share, such as 1/4").fill("1/4")
    expect(slip(page)).to_contain_text("Part 2, from 6 cm: Fold 7 knife pleats")
    page.get_by_role("tab", name="1 Plain").click()
    page.get_by_role("button", name="Remove this part").click()
    expect(slip(page)).to_contain_text("Part 1, from 0 cm: Fold 7 knife pleats")
    page.get_by_role("button", name="Undo").click()
    expect(slip(page)).to_contain_text("Part 1, from 0 cm: 6 cm stays plain")


def test_a_part_is_minded_and_mended_by_itself(page: Page) -> None:
    open_work(page, "Observing coat")
    page.get_by_role("tab", name="2 Knife").click()
    field(page, "Spacing").fill("3")
    choose(page, "Do they meet?", "They need not")
    field(page, "Depth").fill("9")
    # Seven layers, but nobody has said yet how thick the cloth is.
    expect(slip(page)).to_contain_text("Fold 7 knife pleats, 9 cm deep")
    expect(page.get_by_role("note")).to_have_count(0)
    field(page, "Cloth, thickness").fill("0.9 mm")
    expect(page.get_by_role("note")).to_contain_text("Part 2. 7 layers of this cloth")
    page.get_by_role("button", name="Let the pleats meet: 3 cm deep").click()
    expect(slip(page)).to_contain_text("Part 2, from 6 cm: Fold 7 knife pleats, 3 cm deep")
    expect(page.get_by_role("note")).to_have_count(0)
    # It was shown and never kept: the name of a part's field was refused.
    expect(page.get_by_role("button", name="Undo")).to_have_attribute("title", "Take back: depth of part 2")
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()


def test_hip_and_waist_a_dart_and_a_pattern_piece(page: Page) -> None:
    open_work(page, "Guide’s skirt")
    page.get_by_text("Two levels, hip and waist").click()
    page.get_by_label("The edge narrows (or widens) above").check()
    field(page, "Finished width there").fill("60")
    expect(slip(page)).to_contain_text("20 cm higher the edge finishes 60 cm")
    page.get_by_role("button", name="Add a dart that a pleat swallows").click()
    field(page, "Its width").fill("2")
    expect(slip(page)).to_contain_text("the other lines slant by up to")
    page.get_by_text("Marks at both levels").click()
    expect(page.get_by_role("columnheader", name="20 cm up")).to_be_visible()
    field(page, "Finished width there").fill("3")
    expect(page.get_by_text("The pleats would take all that shows between them")).to_be_visible()
    field(page, "Finished width there").fill("60")
    page.get_by_text("Let into a pattern piece", exact=True).click()
    page.get_by_label("The pleats are let into a pattern piece").check()
    field(page, "Pieces in the garment").fill("2")
    expect(page.get_by_role("row", name="The garment 46 pleats")).to_be_visible()


def test_what_a_size_means_becomes_pins(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Star-party apron")
    page.get_by_role("button", name="which measure is that").click()
    field(page, "They say a pleat of").fill("2 in")
    expect(page.get_by_role("button", name="2 in of cloth goes into each.")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="2 in of cloth goes into each.").click()
    expect(field(page, "Depth")).to_have_value("1 in")
    expect(field(page, "Pleats")).to_have_value("39")  # 118 = 40 + 39 x 2


def test_draped_pleats_are_evened(page: Page) -> None:
    open_work(page, "Star-party apron")
    page.get_by_text("Measured by eye, made even").click()
    field(page, "Pleat 1, depth").fill("1")
    page.get_by_role("button", name="Even them").click()
    expect(page.get_by_text("How far it is from this pleat to the next is not known")).to_be_visible()
    field(page, "To the next").fill("2")
    page.get_by_role("button", name="Add a draped pleat").click()
    field(page, "Pleat 2, depth").fill("1 1/2")
    field(page, "To the next, if there is one").fill("2")
    page.get_by_role("button", name="Even them").click()
    expect(slip(page)).to_contain_text("Fold 2 knife pleats, 1 1⁄4 in deep")


def test_gathers_by_swatch_and_by_attachment(page: Page) -> None:
    open_work(page, "Nightgown cuff")
    page.get_by_text("How it is gathered").click()
    page.get_by_role("button", name="Fullness is pinned firmly").click()
    page.get_by_role("button", name="Fullness is pinned about").click()
    page.get_by_role("button", name="Add a swatch").click()
    field(page, "Swatch 1, flat").fill("30")
    field(page, "Gathered to").fill("20")
    expect(field(page, "Flat width")).to_have_value("33 cm")
    page.get_by_role("button", name="Use a ruffling attachment").click()
    field(page, "Wanted fullness").fill("1.5")
    page.get_by_role("button", name="Find the stitch length").click()
    expect(field(page, "Stitch length, mm")).to_have_value("1.7 mm")


def test_turned_over_and_read_as_a_table(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Guide’s skirt")
    expect(slip(page)).to_contain_text("turned over, they point to your right again, and that is towards its start")
    page.get_by_role("button", name="Right side").click()
    expect(page.get_by_role("button", name="Wrong side")).to_have_attribute("aria-pressed", "true")
    page.get_by_text("The ribbon as a table").click()
    expect(page.get_by_role("row", name="1 outer fold ≈3 cm ≈3 cm 2")).to_be_visible()
    accessible(page)


def test_folds_close_on_the_way_and_at_once_where_motion_is_not_wanted(page: Page) -> None:
    open_work(page, "Dome valance")
    path = page.get_by_test_id("folded").locator("path").first
    meeting = path.get_attribute("d")
    choose(page, "Do they meet?", "They need not")
    expect(field(page, "Flat width")).to_have_value("192 in")
    expect(path).not_to_have_attribute("d", meeting or "")
    apart = path.get_attribute("d")
    page.get_by_role("textbox", name="Depth").fill("1 1/4 in")
    expect(field(page, "Flat width")).to_have_value("216 in")
    expect(path).not_to_have_attribute("d", apart or "")
    page.emulate_media(reduced_motion="no-preference")
    page.evaluate(
        """() => {
            const path = document.querySelector("[data-testid=folded] path");
            const note = () => document.body.setAttribute("data-frames", 1 + Number(document.body.getAttribute("data-frames")));
            new MutationObserver(note).observe(path, {attributes: true});
        }"""
    )
    page.get_by_role("textbox", name="Depth").fill("1 1/2 in")
    expect(field(page, "Flat width")).to_have_value("240 in")
    expect(page.locator("body")).to_have_attribute("data-frames", re.compile(r"^([3-9]|\d\d+)$"))


def test_a_plaid_wrap_from_the_body_to_the_stripe_at_its_centre(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("link", name="Plaid wrap").click()
    slip = page.get_by_role("region", name="The slip")
    expect(slip).to_contain_text("Stripe 4, gold, stands at the centre")
    expect(slip).to_contain_text("The inner fold of ≈7.1 cm is shallower than the 13 cm")
    expect(slip).to_contain_text("Agreed with: the volunteer who wears it.")
    accessible(page)
    page.get_by_role("region", name="What gives").get_by_role("button", name="A pleat or more").click()
    expect(slip).to_contain_text("So that it fits, 1 pleat fewer.")
    page.get_by_role("region", name="The stripe at the centre").get_by_role("button", name="Stripe 3, pine").click()
    expect(slip).to_contain_text("Stripe 3, pine, stands at the centre")
    expect(page.get_by_label("Centre stripe", exact=True)).to_have_value("3")
    page.get_by_text("The cloth", exact=True).click()
    page.get_by_label("Agreed with").fill("the warden of the dome")
    expect(slip).to_contain_text("Agreed with: the warden of the dome.")
    page.get_by_role("button", name="From inside").click()
    expect(page.get_by_text("the inner front piece").first).to_be_visible()
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    step(page, "Cut")
    expect(page.locator("svg text").get_by_text("strip 1 of 3").first).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    step(page, "Measure")
    expect(slip).to_contain_text("Agreed with: the volunteer who wears it.")


def test_a_block_from_the_body_to_its_pattern_spread(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Pattern with pleats").click()
    for name, typed in (("Waist", "68"), ("Hip", "94"), ("Length", "60"), ("Cloth’s width", "140")):
        page.get_by_label(name, exact=True).fill(typed)
    slip = page.get_by_role("region", name="The slip")
    expect(slip).to_contain_text("Front: on the fold, each half 24 cm wider.")
    expect(slip).to_contain_text("The waist comes to 17.5 and 17.5 a quarter, 70 cm in all")
    accessible(page)
    page.get_by_role("button", name="The block").click()
    expect(page.get_by_text("line 1").first).to_be_visible()
    page.get_by_role("button", name="The pattern").click()
    expect(page.get_by_text("its middle at the left a fold of the cloth")).to_be_visible()
    page.get_by_label("At each side", exact=True).fill("9")
    expect(page.get_by_text("this block is 21 cm across").first).to_be_visible()
    page.get_by_label("At each side", exact=True).fill("1")
    page.locator("label").filter(has_text=re.compile("^pleats")).locator("select").select_option("waist")
    expect(slip).to_contain_text("1 small pleat at each side: marked every 5 cm")
    page.get_by_role("button", name="Undo").click()
    expect(slip).to_contain_text("each half 24 cm wider")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    step(page, "Pleat")
    expect(page.get_by_text("Cut and spread")).to_be_attached()
    page.get_by_role("link", name="Papers").first.click()
    page.get_by_role("button", name="Pattern pieces").click()
    expect(page.get_by_role("list", name="Pages").get_by_role("img").first).to_be_visible()
