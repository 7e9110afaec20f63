"""A stranger's way through: an empty shelf, a skirt, and everything kept."""

from __future__ import annotations

import json
import re
from collections.abc import Callable

from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import choose


def field(page: Page, name: str):  # type: ignore[no-untyped-def]
    return page.get_by_label(name, exact=True)


def saved(page: Page) -> None:
    expect(page.get_by_text("Saved", exact=True)).to_be_visible()


def answered(page: Page) -> None:
    """Waits until what is shown is the answer to all that was typed."""
    expect(page.get_by_role("main")).to_have_attribute("aria-busy", "false")


def new_skirt(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="A ring alone").click()
    expect(page.get_by_role("heading", name="Pieces")).to_be_visible()


def test_an_empty_shelf_explains_itself(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    expect(page.get_by_text("The shelf is empty: start a work of your own")).to_be_visible()
    accessible(page)


def test_a_skirt_from_waist_and_pleat_size(page: Page, accessible: Callable[[Page], None]) -> None:
    new_skirt(page)
    expect(page.get_by_text("Pin what you know")).to_be_visible()
    field(page, "Finished width").fill("70")
    field(page, "Spacing").fill("3")
    expect(page.get_by_role("region", name="The slip")).to_contain_text("Cut 213 cm: 210 + 2 × 1.5 = 213 cm")
    expect(page.get_by_role("region", name="The slip")).to_contain_text("The spacing opened from 3 cm to ≈3.04 cm")
    expect(field(page, "Flat width")).to_have_value("210 cm")
    expect(field(page, "Pleats")).to_have_value("23")
    saved(page)
    accessible(page)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("210 cm")
    field(page, "Spacing").focus()
    expect(field(page, "Spacing")).to_have_value("3")  # just as typed

    page.get_by_role("radio", name="inches").click()
    expect(field(page, "Flat width")).to_have_value("≈82 11/16 in")
    field(page, "Finished width").focus()
    expect(field(page, "Finished width")).to_have_value("70 cm")
    page.get_by_role("radio", name="centimetres").click()
    expect(field(page, "Flat width")).to_have_value("210 cm")


def test_nonsense_is_answered_beside_the_field_and_the_last_good_picture_stays(
    page: Page, accessible: Callable[[Page], None]
) -> None:
    new_skirt(page)
    field(page, "Finished width").fill("70")
    picture = page.get_by_role("img", name="210 cm flat, 70 cm finished")
    expect(picture).to_be_visible()
    field(page, "Finished width").fill("seventy")
    expect(page.get_by_text("“seventy” was not understood as a length")).to_be_visible()
    expect(field(page, "Finished width")).to_have_attribute("aria-invalid", "true")
    expect(picture).to_be_visible()
    accessible(page)
    saved(page)
    page.reload()
    expect(field(page, "Finished width")).to_have_value("seventy")  # nothing typed is lost
    field(page, "Finished width").fill("70,5")
    expect(field(page, "Flat width")).to_have_value("211.5 cm")


def test_undo_brings_back_what_was_typed_before_and_a_reload_forgets_nothing(page: Page) -> None:
    new_skirt(page)
    field(page, "Finished width").fill("70")
    saved(page)
    field(page, "Spacing").fill("2.5")
    expect(field(page, "Pleats")).to_have_value("28")
    saved(page)
    page.reload()
    expect(field(page, "Pleats")).to_have_value("28")
    page.keyboard.press("Control+z")
    expect(field(page, "Pleats")).to_have_value("23")
    page.keyboard.press("Control+Shift+z")
    expect(field(page, "Pleats")).to_have_value("28")
    page.get_by_role("button", name="Undo").dblclick()  # the second waits for the first
    expect(page.get_by_text("Pin what you know")).to_be_visible()


def test_pins_go_firm_about_and_free(page: Page) -> None:
    new_skirt(page)
    field(page, "Finished width").fill("70")
    field(page, "Spacing").fill("3")
    page.get_by_role("button", name="Spacing is pinned firmly").click()
    expect(page.get_by_role("button", name="Spacing is pinned about")).to_be_visible()
    expect(page.get_by_text("about 3 cm: it gave")).to_be_visible()
    page.keyboard.press("p")
    expect(page.get_by_role("button", name="Spacing is an answer")).to_be_visible()
    page.get_by_role("button", name="24 pleats").click()
    expect(page.get_by_role("button", name="Pleats is pinned firmly")).to_be_visible()
    expect(page.get_by_text("pinned; 24 spaces")).to_be_visible()
    page.locator("body").press("]")
    expect(field(page, "Pleats")).to_have_value("25")
    field(page, "Spacing").fill("3")
    expect(page.get_by_text("Finished width 70 cm, count 25 and spacing 3 cm do not agree.")).to_have_count(1)
    expect(page.get_by_text("Without this pin it becomes 75 cm.")).to_be_visible()
    expect(page.get_by_text("Without this pin it becomes 23 and the spacing becomes ≈3.04 cm.")).to_be_visible()
    page.get_by_role("button", name="Let it go: Pleats").click()
    expect(field(page, "Pleats")).to_have_value("23")
    expect(page.get_by_role("alert")).to_have_count(0)
    choose(page, "Do they meet?", "They meet")
    field(page, "Flat width").fill("330")
    expect(page.get_by_text("and pleats that meet do not agree")).to_have_count(1)  # not again beside the way out
    expect(page.get_by_text("Let the pleats overlap or leave gaps.")).to_be_visible()


def test_a_deleted_work_comes_back(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Frill or cuff gathers").click()
    field(page, "Finished width").fill("22")
    expect(field(page, "Flat width")).to_have_value("44 cm")
    saved(page)
    page.get_by_role("link", name="‹ Works").click()
    row = page.get_by_role("listitem").filter(has=page.get_by_role("link", name="Frill or cuff"))
    expect(row).to_contain_text("gathers, 44 cm into 22 cm")
    row.get_by_role("button", name="More for Frill or cuff").click()
    page.get_by_role("menuitem", name="Delete").click()
    expect(row).to_have_count(0)
    page.get_by_role("button", name="Undo").click()
    expect(row).to_have_count(1)
    row.get_by_role("button", name="More for Frill or cuff").click()
    page.get_by_role("menuitem", name="Delete").click()
    page.get_by_role("button", name=re.compile("Deleted works")).click()
    page.get_by_role("listitem").filter(has_text="Frill or cuff").get_by_role("button", name="Put back").click()
    page.get_by_role("button", name="Back to the shelf").click()
    expect(row).to_have_count(1)


def test_pieces_are_added_renamed_and_removed(page: Page) -> None:
    new_skirt(page)
    page.get_by_role("button", name="Add a piece").click()
    expect(page.get_by_role("button", name="Piece 2 Knife")).to_have_attribute("aria-current", "true")
    page.get_by_role("button", name="More for Piece 2").click()
    page.get_by_role("menuitem", name="Rename").click()
    page.get_by_label("Name").fill("Waistband")
    page.get_by_role("button", name="Keep").click()
    page.get_by_role("button", name="More for Waistband").click()
    page.get_by_role("menuitem", name="Remove").click()
    expect(page.get_by_role("button", name="Waistband Knife")).to_have_count(0)
    page.get_by_role("button", name="Undo").last.click()
    expect(page.get_by_role("button", name="Waistband Knife")).to_have_count(1)


def test_two_windows_on_one_work_lose_nothing(page: Page) -> None:
    new_skirt(page)
    other = page.context.new_page()
    other.goto(page.url)
    field(page, "Finished width").fill("70")
    saved(page)
    field(other, "Finished width").fill("80")
    expect(other.get_by_role("dialog", name="Changed in two places")).to_be_visible()
    other.get_by_role("button", name="Keep what I typed").click()
    saved(other)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("240 cm")


def test_by_keyboard_alone(page: Page) -> None:
    page.goto("/")
    expect(page.get_by_role("button", name="New work")).to_be_visible()
    page.locator("body").press("n")
    expect(page.get_by_role("dialog", name="What are you making?")).to_be_visible()
    page.get_by_role("button", name="An edge alone").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Pin what you know")).to_be_visible()
    field(page, "Finished width").focus()
    page.keyboard.type("40 in")
    page.keyboard.press("Tab")
    page.keyboard.press("Tab")
    page.keyboard.type("1 in")
    expect(field(page, "Pleats")).to_have_value("40")
    ribbon = page.get_by_role("group", name=re.compile("The ribbon"))
    ribbon.focus()
    for key in ("+", "+", "ArrowRight", "-", "0"):
        page.keyboard.press(key)
    page.keyboard.press("5")
    expect(page.get_by_role("region", name="The marks")).to_contain_text("120 marks")
    page.keyboard.press("?")
    expect(page.get_by_role("dialog", name="Keys")).to_be_visible()
    page.keyboard.press("Escape")
    page.keyboard.press("f")
    expect(page.get_by_role("row").nth(1)).to_contain_text("placement line")


def test_another_kind_keeps_the_pins_that_it_has(page: Page) -> None:
    new_skirt(page)
    field(page, "Finished width").fill("70")
    field(page, "Depth").fill("2")
    page.get_by_label("Kind").select_option("Box")
    expect(field(page, "Box")).to_have_value("≈4.12 cm")
    page.get_by_label("Kind").select_option("Gathers")
    expect(field(page, "Flat width")).to_have_value("140 cm")
    expect(field(page, "Depth")).to_have_count(0)
    choose(page, "The edge", "Has two ends")
    page.get_by_label("Flat, at the start").fill("5")
    expect(field(page, "Flat width")).to_have_value("135 cm")
    page.get_by_label("Flat, at the start").fill("500")
    expect(page.get_by_text("leave nothing to gather").first).to_be_visible()


def test_ends_left_over_allowances_and_cloth(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="An edge alone").click()
    field(page, "Finished width").fill("70")
    field(page, "Spacing").fill("3")
    slip = page.get_by_role("region", name="The slip")
    page.get_by_label("What is left over goes").select_option("After the last")
    expect(slip).to_contain_text("1 cm is left over and goes after the last pleat.")
    page.get_by_label("Before the first pleat").select_option("A width…")
    page.get_by_label("Width", exact=True).fill("4")
    expect(field(page, "Pleats")).to_have_value("22")
    expect(slip).to_contain_text(
        "1.5 cm is left over and goes after the last pleat."
    )  # 70 less 4, 21 spaces of 3, half a one
    page.get_by_label("Allowance at the start").fill("2.5")
    expect(slip).to_contain_text("Cut 206 cm: 202 + 2.5 + 1.5 = 206 cm")
    page.get_by_label("Cloth, usable width").fill("90")
    page.get_by_label("Allowance at a join").fill("1.5")
    expect(slip).to_contain_text("joins hide at the inner fold of pleats")
    page.get_by_label("Allowance at the end").fill("much")
    expect(page.get_by_text("“much” was not understood as a length")).to_be_visible()
    page.get_by_label("Marks to the nearest").select_option("Exact")
    page.get_by_label("Allowance at the end").fill("0")
    expect(slip).not_to_contain_text("On the tape")


def test_works_are_put_in_my_own_order_and_made_again(page: Page) -> None:
    page.goto("/")
    names = page.get_by_role("listitem").get_by_role("link")
    expect(names.first).to_be_visible()
    before = names.all_inner_texts()
    page.get_by_role("button", name="New work").click()
    earlier = page.get_by_label("Earlier works")
    earlier.focus()
    page.keyboard.press("ArrowDown")  # choosing makes nothing yet
    page.get_by_role("button", name="Make it again").click()
    expect(page.get_by_role("heading", level=1)).to_have_text(f"{before[0]} 2")
    page.get_by_role("link", name="‹ Works").click()
    expect(names).to_have_count(len(before) + 1)
    page.get_by_label("In order of").select_option("my own")
    expect(names).to_have_count(len(before) + 1)
    order = names.all_inner_texts()
    page.get_by_role("button", name=f"More for {order[0]}", exact=True).first.click()
    page.get_by_role("menuitem", name="Move down").click()
    expect(names.nth(1)).to_have_text(order[0])
    expect(names.nth(0)).to_have_text(order[1])
    page.get_by_label("Search").fill(f"{before[0]} 2")
    expect(names).to_have_count(1)
    page.get_by_label("Search").fill("no such thing")
    expect(page.get_by_text("No work answers to “no such thing”.")).to_be_visible()


def test_an_answer_that_arrives_while_a_field_is_entered_does_not_slip_in(page: Page) -> None:
    new_skirt(page)
    expect(page.get_by_text("Pin what you know")).to_be_visible()
    held: list[Route] = []

    def hold(route: Route) -> None:
        # The typical edge that stands in for what is not known is asked for beside it.
        if '"about"' in (route.request.post_data or ""):
            route.continue_()
        else:
            held.append(route)

    page.route("**/api/plan", hold)
    with page.expect_request("**/api/plan"):
        field(page, "Finished width").fill("70")
    field(page, "Depth").focus()
    with page.expect_response("**/api/plan"):
        held.pop().continue_()
    expect(field(page, "Pleats")).to_have_value("23")
    with page.expect_request("**/api/plan"):
        page.keyboard.type("2")
    expect(field(page, "Depth")).to_have_value("2")
    held.pop().continue_()
    expect(field(page, "Pleats")).to_have_value("35")


def test_nothing_moves_from_under_a_finger(page: Page) -> None:
    """An answer that came between pressing and letting go moved the pins, and the press was lost."""
    new_skirt(page)
    where = page.get_by_role("button", name="Finished width is").bounding_box()
    assert where is not None
    for name, text in (("Finished width", "70"), ("Spacing", "3")):
        field(page, name).fill(text)
    expect(field(page, "Flat width")).to_have_value("210 cm")
    # The picture came into a place that was kept for it.
    there = page.get_by_role("button", name="Finished width is").bounding_box()
    assert there is not None
    assert abs(there["y"] - where["y"]) < 6

    held: list[Route] = []
    page.route("**/api/plan", lambda route: held.append(route))  # noqa: PLW0108 - Playwright marks its handlers
    with page.expect_request("**/api/plan"):
        field(page, "Pleats").fill("25")
    box = page.get_by_role("button", name="Spacing is pinned firmly").bounding_box()
    assert box is not None
    answer = held[0].fetch()
    page.mouse.move(box["x"] + 10, box["y"] + 4)
    page.mouse.down()
    with page.expect_response("**/api/plan"):
        held[0].fulfill(response=answer)
    page.evaluate("new Promise(drawn => requestAnimationFrame(() => requestAnimationFrame(drawn)))")
    page.mouse.up()
    page.unroute("**/api/plan")
    expect(page.get_by_role("button", name="Spacing is pinned about")).to_be_visible()


def test_a_count_that_was_shown_is_taken_as_it_was_shown(page: Page) -> None:
    """It was refused where a firm fact had given way to the whole count."""
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="An edge alone").click()
    page.get_by_role("heading", name="Pieces").wait_for()
    for name, text in (("Finished width", "29 in"), ("Flat width", "81 1/4 in"), ("Depth", "1 in")):
        field(page, name).fill(text)
    answered(page)
    other = page.get_by_role("group", name="Other counts").get_by_role("button", name="25 pleats")
    shown = other.inner_text()
    other.click()
    expect(field(page, "Pleats")).to_have_value("25")
    expect(other).to_have_attribute("aria-pressed", "true")
    assert other.inner_text() == shown
    # Several presses in quick succession each count.
    page.get_by_role("heading", name="Pieces").click()
    for _ in range(3):
        page.keyboard.press("]")
    expect(field(page, "Pleats")).to_have_value("28")
    expect(page.get_by_role("group", name="Other counts").get_by_role("button", name="28 pleats")).to_have_attribute(
        "aria-pressed", "true"
    )


def test_what_was_asked_is_not_asked_again_once_it_is_kept(page: Page) -> None:
    """Kept facts come back in another order than they were typed in; they are the same facts."""
    new_skirt(page)
    asked: list[str] = []
    page.on("request", lambda one: asked.append(one.post_data or "") if one.url.endswith("/api/plan") else None)
    for name, typed in (("Spacing", "3"), ("Finished width", "70"), ("Depth", "1.5"), ("Spacing", "4"), ("Depth", "2")):
        field(page, name).fill(typed)
        answered(page)
        saved(page)
    said = [json.dumps(json.loads(one), sort_keys=True) for one in asked]
    assert len(said) > 4
    assert [one for number, one in enumerate(said) if one in said[:number]] == []
