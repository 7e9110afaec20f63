"""A marking round at the table: by keyboard, through a reload, without the server."""

from __future__ import annotations

from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import choose, served
from tests.browser.test_by_hand import open_work
from tests.browser.test_cloth import step


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with the demo works."""
    with served(tmp_path_factory.mktemp("data"), demo=True) as address:
        yield address


def test_a_whole_round_by_keyboard(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Telescope cover")
    step(page, "Mark")
    expect(page.get_by_text("A gauge does not serve here")).to_be_visible()
    accessible(page)
    page.get_by_role("link", name="To the table").click()
    mark = page.get_by_test_id("mark")
    expect(mark).to_have_text("0 in")
    expect(page.get_by_text("its first mark: bolder")).to_be_visible()
    accessible(page)
    page.keyboard.press("Space")
    expect(mark).to_have_text("2 1⁄2 in")
    page.keyboard.press("ArrowRight")
    page.keyboard.press("ArrowLeft")
    expect(mark).to_have_text("2 1⁄2 in")
    page.reload()
    expect(mark).to_have_text("2 1⁄2 in")
    page.get_by_label("Go to pleat").fill("3")
    expect(mark).to_have_text("72 in")
    for _ in range(13):
        page.keyboard.press("Space")
    expect(page.get_by_text("All 21 marks are made.")).to_be_visible()
    expect(page.get_by_text("21 of 21 made")).to_be_visible()


def test_the_list_from_the_end_and_on_the_wrong_side(page: Page) -> None:
    open_work(page, "Nightgown cuff")
    step(page, "Mark")
    rows = page.get_by_role("region", name="The marks").get_by_role("row")
    expect(rows.last).to_contain_text("39.6 cm")
    choose(page, "Measured", "from the middle, both ways")
    expect(rows.last).to_contain_text("19.8 cm right")
    choose(page, "Chalked on", "the wrong side")
    expect(page.get_by_text("with the wrong side up the start lies to your right").first).to_be_visible()


def test_the_table_goes_on_without_the_server(page: Page) -> None:
    open_work(page, "Dome valance")
    step(page, "Mark")
    page.get_by_role("link", name="To the table").click()
    mark = page.get_by_test_id("mark")
    expect(mark).to_have_text("0 in")
    page.route("**/api/**", lambda route: route.abort())
    page.reload()
    expect(page.get_by_text("The program does not answer; the marks are kept here, go on.")).to_be_visible()
    page.get_by_role("button", name="Next").click()
    expect(mark).to_have_text("2 in")
    page.unroute("**/api/**")
    expect(page.get_by_text("The program does not answer")).to_have_count(0, timeout=15_000)
    expect(mark).to_have_text("2 in")
