"""The demo works on the three sizes of screen that are used."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import served


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with the demo works."""
    with served(tmp_path_factory.mktemp("data"), demo=True) as address:
        yield address


SIZES = [(1280, 800), (820, 1180), (390, 844)]
WORKS = [
    ("Guide’s skirt", "Fold 23 knife pleats, ≈3.04 cm deep"),
    ("Dome valance", "Fold 24 box pleats, 2 in deep"),
    ("Star-party apron", "24 pleats 1 in deep and 16 pleats 15⁄16 in deep"),
    ("Nightgown cuff", "Gather it to 22 cm: 1.8 times as much cloth as edge"),
    ("Reading-room curtain", "Fold 11 pinch pleats, ≈4 13⁄16 in of cloth in each"),
]


@pytest.mark.parametrize("size", SIZES, ids=lambda size: f"{size[0]}x{size[1]}")
def test_every_demo_work_fits_and_says_what_it_should(
    page: Page, size: tuple[int, int], accessible: Callable[[Page], None]
) -> None:
    page.set_viewport_size({"width": size[0], "height": size[1]})
    page.goto("/")
    expect(page.get_by_role("listitem")).to_have_count(15)
    accessible(page)
    for name, says in WORKS:
        page.goto("/")
        page.get_by_role("link", name=name).click()
        steps = page.get_by_role("navigation", name="Steps")
        steps.get_by_role("button", name="Pleat", exact=True).click()
        expect(page.get_by_role("region", name="The slip")).to_contain_text(says)
        assert page.evaluate("document.documentElement.scrollWidth <= innerWidth"), f"{name} is wider than the screen"
    accessible(page)
    page.get_by_role("button", name="Mark", exact=True).click()
    expect(page.get_by_role("region", name="The marks")).to_be_visible()
    accessible(page)


def test_dark_evenings_keep_their_contrast(page: Page, accessible: Callable[[Page], None]) -> None:
    page.emulate_media(color_scheme="dark")
    page.goto("/")
    accessible(page)
    page.get_by_role("link", name="Star-party apron").click()
    expect(page.get_by_role("region", name="The slip")).to_contain_text("Cut ")
    accessible(page)


def test_a_warning_carries_its_mend(page: Page) -> None:
    page.goto("/")
    page.get_by_role("link", name="Star-party apron").click()
    page.get_by_role("button", name="Leave 1 in before the first pleat").click()
    expect(page.get_by_role("region", name="The slip")).not_to_contain_text("sticks out")
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("region", name="The slip")).to_contain_text("sticks out")


def test_the_wheel_looks_closer_and_a_double_click_fits(page: Page) -> None:
    page.goto("/")
    page.get_by_role("link", name="Guide’s skirt").click()
    picture = page.get_by_role("img", name="210 cm flat")
    expect(picture).to_contain_text("200")
    picture.hover()
    page.mouse.wheel(0, -900)
    expect(picture).not_to_contain_text("200")
    picture.dblclick()
    expect(picture).to_contain_text("200")


def test_typing_fast_makes_no_storm_of_requests(page: Page) -> None:
    page.goto("/")
    page.get_by_role("link", name="Guide’s skirt").click()
    expect(page.get_by_label("Flat width", exact=True)).to_have_value("210 cm")
    under_way = {"now": 0, "most": 0}

    def began(_: object) -> None:
        under_way["now"] += 1
        under_way["most"] = max(under_way.values())

    page.on("request", lambda request: began(request) if request.url.endswith("/api/plan") else None)
    page.on(
        "requestfinished",
        lambda request: under_way.update(now=under_way["now"] - 1) if request.url.endswith("/api/plan") else None,
    )
    width = page.get_by_label("Finished width", exact=True)
    width.press("Control+a")
    width.press_sequentially("123.4 cm")
    expect(page.get_by_label("Flat width", exact=True)).to_have_value("370.2 cm")
    assert under_way["most"] == 1


def test_the_api_describes_itself_offline(page: Page) -> None:
    page.goto("/api/docs")
    expect(page.get_by_role("heading", name="Young Ribbon")).to_be_visible(timeout=30_000)  # a large page
    expect(page.get_by_text("/api/plan").first).to_be_visible()
