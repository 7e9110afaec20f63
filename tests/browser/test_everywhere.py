"""Every screen, on a tablet and a phone, by day and in the evening: nothing past the edge, nothing axe objects to."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import served
from tests.browser.test_by_hand import open_work
from tests.browser.test_cloth import step


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with the demo works."""
    with served(tmp_path_factory.mktemp("data"), demo=True) as address:
        yield address


def works(page: Page) -> None:
    page.goto("/")
    expect(page.get_by_role("link", name="Plaid wrap")).to_be_visible()


def shelf(page: Page) -> None:
    page.goto("/cloth")
    expect(page.get_by_text("The supplier’s list")).to_be_visible()


def pleat(page: Page) -> None:
    open_work(page, "Observing coat")
    page.get_by_role("tab", name="3 Cartridge").click()
    expect(page.get_by_role("heading", name="Part 3")).to_be_visible()


def shaped(page: Page) -> None:
    open_work(page, "Telescope cover")
    for name in ("Pleats at stated places", "Measured by eye, made even", "Two levels, hip and waist"):
        page.get_by_text(name).click()
    expect(page.get_by_label("Pleat 4 stands at")).to_be_visible()


def measure(page: Page) -> None:
    page.goto("/")
    page.get_by_role("link", name="Reading-room curtains").click()
    expect(page.get_by_role("img", name="Left panel: 47 in along the rail")).to_be_visible()


def new(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    expect(page.get_by_role("button", name="Curtains")).to_be_visible()


def ways(page: Page) -> None:
    page.goto("/ways")
    expect(page.get_by_label("Lining", exact=True)).to_be_visible()


def cloth(page: Page) -> None:
    open_work(page, "Reading-room curtain")
    step(page, "Cloth")
    expect(page.get_by_role("region", name="The cloth slip")).to_contain_text("Buy")


def cut(page: Page) -> None:
    open_work(page, "Reading-room curtain")
    step(page, "Cut")
    expect(page.get_by_role("img", name="pieces on Curtain lining")).to_be_visible()


def mark(page: Page) -> None:
    open_work(page, "Dome valance")
    step(page, "Mark")
    expect(page.get_by_role("region", name="The marks")).to_be_visible()


def table(page: Page) -> None:
    mark(page)
    page.get_by_role("link", name="To the table").click()
    expect(page.get_by_test_id("mark")).to_be_visible()


def fold(page: Page) -> None:
    mark(page)
    page.get_by_role("link", name="To the folding").click()
    expect(page.get_by_role("heading", name="The order of making")).to_be_visible()


def papers(page: Page) -> None:
    open_work(page, "Dome valance")
    if page.viewport_size and page.viewport_size["width"] < 640:
        page.get_by_role("button", name="More", exact=True).click()
        page.get_by_role("menuitem", name="Papers").click()
    else:
        page.get_by_role("link", name="Papers").first.click()
    expect(page.get_by_role("img", name="work sheet, page 1 of")).to_be_visible()
    page.get_by_role("button", name="Template").click()
    expect(page.get_by_role("img", name="template, page 2 of")).to_be_visible()


def check(page: Page) -> None:
    open_work(page, "Narrow-pleated skirt")
    step(page, "Check")
    page.get_by_role("textbox", name="Measure", exact=True).fill("71.3")
    expect(page.get_by_text("The marks that move")).to_be_visible()


def log(page: Page) -> None:
    open_work(page, "Bunk curtain")
    step(page, "Log")
    expect(page.get_by_role("textbox", name="Notes")).to_be_visible()


def digital_tape(page: Page) -> None:
    page.goto("/tape")
    expect(page.get_by_role("button", name="Send")).to_be_visible()


def handbook(page: Page) -> None:
    page.goto("/handbook")
    expect(page.get_by_role("heading", name="Cautions")).to_be_attached()


SCREENS = [
    handbook,
    works,
    shelf,
    new,
    measure,
    ways,
    pleat,
    shaped,
    cloth,
    cut,
    mark,
    table,
    fold,
    papers,
    check,
    log,
    digital_tape,
]


@pytest.mark.parametrize("screen", SCREENS, ids=lambda screen: screen.__name__)
@pytest.mark.parametrize(("width", "height"), [(820, 1180), (390, 844)])
def test_nothing_runs_past_the_edge(page: Page, screen: Callable[[Page], None], width: int, height: int) -> None:
    page.set_viewport_size({"width": width, "height": height})
    screen(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    small = page.evaluate(
        """() => [...document.querySelectorAll("main button, main a, main select, main input:not([type=checkbox]):not([type=radio]):not([type=file])")]
            .filter(e => e.checkVisibility() && e.getBoundingClientRect().height > 0 && e.getBoundingClientRect().height < 35)
            .map(e => e.textContent || e.name)"""
    )
    assert small == []


@pytest.mark.parametrize("screen", SCREENS, ids=lambda screen: screen.__name__)
def test_by_evening_it_is_as_legible(
    page: Page, screen: Callable[[Page], None], accessible: Callable[[Page], None]
) -> None:
    page.emulate_media(color_scheme="dark")
    screen(page)
    accessible(page)
