"""One unreadable entry leaves every step as it was: its fields stand, it is marked, it is reached from everywhere."""

from __future__ import annotations

import pytest
from playwright.sync_api import Page, expect

from tests.browser.test_skirt import new_skirt
from tests.browser.test_skirt import saved as saved_here
from tests.browser.test_things import SLIP, begin, curtains, step

FAULT = "“o” is not a unit known here"


def _saved(page: Page) -> None:
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()


@pytest.mark.parametrize(
    ("name", "typed"), [("Rail", "6o"), ("Drop", "abc"), ("Cloth’s width", "-3"), ("Fullness", "x")]
)
def test_an_unreadable_measure_locks_nothing(page: Page, name: str, typed: str) -> None:
    curtains(page)
    field = page.get_by_label(name, exact=True)
    was = field.input_value()
    field.fill(typed)
    expect(field).to_have_attribute("aria-invalid", "true")
    _saved(page)
    page.reload()
    expect(field).to_have_value(typed)
    expect(field).to_have_attribute("aria-invalid", "true")
    expect(page.get_by_role("region", name=SLIP)).to_contain_text("buy 7.3 m")  # what was last good stays
    for other in ("Pleat", "Cloth", "Cut", "Mark", "Check", "Log"):
        step(page, other)
        alert = page.get_by_role("alert").filter(has_text=f"“{typed}”")
        # The cloth's width stands under Pleat and Cloth too, and is marked there.
        at_its_field = page.locator("main [aria-invalid=true]").locator("visible=true")
        expect(alert.or_(at_its_field).first).to_be_visible()
        expect(page.get_by_text("Working it out…")).to_have_count(0)
        expect(page.get_by_role("main")).not_to_contain_text("no piece yet")
        if other == "Cut":
            expect(page.get_by_role("img", name="pieces on").first).to_be_visible()
    alert.get_by_role("button").click()  # it leads to its field from the last step, too
    place = page.get_by_label(name, exact=True).or_(page.get_by_label("Usable width", exact=True))
    expect(place).to_be_focused()
    step(page, "Measure")
    field.fill(was)
    expect(field).not_to_have_attribute("aria-invalid", "true")
    expect(page.get_by_role("alert")).to_have_count(0)
    expect(page.get_by_role("region", name=SLIP)).to_contain_text("buy 7.3 m")


def test_a_figure_that_was_never_good_leaves_the_fields_of_a_new_thing(page: Page) -> None:
    begin(page, "Curtains")
    page.get_by_label("Rail", exact=True).fill("6o")
    _saved(page)
    page.reload()
    expect(page.get_by_label("Rail", exact=True)).to_have_attribute("aria-invalid", "true")
    expect(page.get_by_label("Drop", exact=True)).to_be_visible()
    expect(page.get_by_role("figure")).to_be_visible()
    page.get_by_label("Rail", exact=True).fill("152")
    expect(page.get_by_label("Rail", exact=True)).not_to_have_attribute("aria-invalid", "true")


def test_an_unreadable_pin_leads_to_itself_from_cut(page: Page) -> None:
    new_skirt(page)
    saved_here(page)
    page.get_by_label("Spacing", exact=True).fill("6o")
    step(page, "Cut")
    alert = page.get_by_role("alert").filter(has_text=FAULT)
    expect(alert).to_be_visible()
    alert.get_by_role("button", name="Spacing").click()
    expect(page.get_by_label("Spacing", exact=True)).to_be_focused()


def test_what_is_pressed_after_typing_is_taken(page: Page) -> None:
    curtains(page)
    for fold in page.locator("main details").all():
        fold.evaluate("fold => { fold.open = true }")
    typed = page.locator("main [data-path='choices.overlap'], main [data-path='measures.overlap']")
    for toggle in (page.locator("main [role=radio]").first, page.locator("main [role=radio]").last):
        typed.fill(typed.input_value() + "0")
        toggle.scroll_into_view_if_needed()
        place = toggle.bounding_box()
        assert place
        page.mouse.move(place["x"] + place["width"] / 2, place["y"] + place["height"] / 2)
        page.mouse.down()
        page.evaluate("() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))")
        assert toggle.bounding_box() == place
        page.mouse.up()
        expect(toggle).to_be_focused()
        expect(typed).not_to_be_focused()
