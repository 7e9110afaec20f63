"""The ribbon as an instrument: nudged, dragged, pointed at."""

from __future__ import annotations

from collections.abc import Iterator

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import served


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with the demo works."""
    with served(tmp_path_factory.mktemp("data"), demo=True) as address:
        yield address


def field(page: Page, name: str) -> Locator:
    return page.get_by_label(name, exact=True)


def open_work(page: Page, name: str) -> Locator:
    """The picture of that demo work."""
    kept = page.request.get("/api/works?limit=100").json()["works"]
    page.goto(f"/works/{next(work['key'] for work in kept if work['name'].startswith(name))}")
    steps = page.get_by_role("navigation", name="Steps")
    steps.get_by_role("button", name="Pleat", exact=True).click()  # a thing opens where it is measured
    picture = page.get_by_role("img", name="finished")
    expect(picture).to_be_visible()
    return picture


def place(picture: Locator, across: float, down: float) -> tuple[float, float]:
    """A place on the picture: a part of its width from the left, pixels from the top."""
    box = picture.bounding_box()
    assert box is not None
    return box["x"] + across * box["width"], box["y"] + down


def drag(page: Page, start: tuple[float, float], by: float) -> None:
    page.mouse.move(*start)
    page.mouse.down()
    page.mouse.move(start[0] + by / 2, start[1], steps=4)
    page.mouse.move(start[0] + by, start[1], steps=4)
    page.mouse.up()


# The whole strip in sight, with 1.2 % of it to spare at either end.
def across(part: float) -> float:
    return (part + 0.012) / 1.024


FLAT, FRONT = 70, 230


def test_arrows_move_a_pin_by_divisions(page: Page) -> None:
    open_work(page, "Guide’s skirt")
    width = field(page, "Finished width")
    width.focus()
    for _ in range(3):
        page.keyboard.press("ArrowUp")
    expect(width).to_have_value("70.3 cm")
    page.keyboard.press("Shift+ArrowDown")
    expect(width).to_have_value("69.3 cm")
    depth = field(page, "Pleats")
    depth.focus()
    page.keyboard.press("ArrowUp")
    expect(page.get_by_role("button", name="Pleats is pinned firmly")).to_be_visible()
    expect(depth).to_have_value("24")
    expect(field(page, "Flat width")).to_have_value("207.9 cm")  # the answer to it is there
    page.get_by_role("button", name="Undo").dblclick()  # a run of steps on one pin is one to take back
    expect(field(page, "Flat width")).to_have_value("210 cm")


def test_an_outer_fold_is_dragged_and_snaps_to_the_tape(page: Page) -> None:
    picture = open_work(page, "Star-party apron")
    page.get_by_role("button", name="Flat width is pinned firmly").click()
    page.get_by_role("button", name="Flat width is pinned about").click()
    expect(field(page, "Depth")).to_have_value("1 in")  # nothing settles it now but that the pleats meet
    # The tenth pleat's outer fold: half an inch of lead, nine pleats of three inches, out of 120 in.
    outer = across(27.5 / 120)
    pixels_per_inch = (across(1 / 120) - across(0)) * (picture.bounding_box() or {})["width"]
    drag(page, place(picture, outer, FLAT), -0.25 * pixels_per_inch)
    expect(field(page, "Depth")).to_have_value("1 1/4 in")
    expect(page.get_by_role("button", name="Depth is pinned firmly")).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    expect(field(page, "Depth")).to_have_value("1 in")


def test_the_end_is_dragged_to_change_the_finished_width(page: Page) -> None:
    picture = open_work(page, "Nightgown cuff")
    page.get_by_role("button", name="Finished width is pinned firmly").click()
    expect(page.get_by_role("button", name="Finished width is pinned about")).to_be_visible()
    pixels_per_cm = (across(1 / 22) - across(0)) * (picture.bounding_box() or {})["width"]
    drag(page, place(picture, across(1), FRONT - 30), -2 * pixels_per_cm)
    expect(field(page, "Finished width")).to_have_value("20 cm")
    expect(field(page, "Flat width")).to_have_value("36 cm")


def test_a_firm_pin_refuses_to_be_dragged_with_a_word(page: Page) -> None:
    picture = open_work(page, "Guide’s skirt")
    before = field(page, "Finished width").input_value()
    drag(page, place(picture, across(1), FRONT), 60)
    expect(page.get_by_text("Finished width is pinned firmly. Loosen its pin to drag it.", exact=True)).to_be_visible()
    expect(field(page, "Finished width")).to_have_value(before)


def test_a_number_lights_up_its_place_and_a_place_its_number(page: Page) -> None:
    picture = open_work(page, "Dome valance")
    for name, says in (
        ("Box", "4 in"),
        ("Depth", "2 in"),
        ("Flat width", "288 in flat"),
        ("Pleats", "24 pleats, 24 spaces"),
    ):
        field(page, name).focus()
        expect(picture.locator(".measure text")).to_have_text(says)
    field(page, "Fullness").focus()
    expect(picture.locator(".measure")).to_have_count(2)
    page.locator("body").click(position={"x": 5, "y": 5})
    # The first box: its outer folds stand 4 and 8 in along 288 in of cloth.
    page.mouse.move(*place(picture, across(4 / 288), FLAT))
    expect(picture.locator(".measure text")).to_have_text("2 in")
    expect(page.locator("[data-lit]")).to_contain_text("Depth")
    page.mouse.move(5, 5)
    expect(picture.locator(".measure")).to_have_count(0)


def test_how_it_is_worked_out(page: Page) -> None:
    open_work(page, "Dome valance")
    page.get_by_text("How it is worked out").click()
    expect(page.get_by_text("96 in = 24 × 4 in")).to_be_visible()
    expect(page.get_by_text("flat width: flat width = finished width + 2 × finished width")).to_be_visible()
