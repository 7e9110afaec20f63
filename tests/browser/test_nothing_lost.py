"""Words and changes outlive a closed page, a killed browser, a lost answer and another window."""

from __future__ import annotations

import json
import os
import re
import signal
import socket
from pathlib import Path
from urllib.parse import urlsplit

from playwright.sync_api import Browser, Locator, Page, Route, expect

from scripts.chromium import ARGUMENTS, CHROMIUM
from tests.browser.test_cloth import step
from tests.browser.test_keeping import KEPT_HERE, NO_ANSWER, NOTHING_HERE, elsewhere, new_skirt_of_70
from tests.browser.test_skirt import field, new_skirt, saved

API = "**/api/works/**"


def piece(page: Page, name: str) -> Locator:
    return page.get_by_role("navigation", name="Pieces").get_by_role("button", name=re.compile(f"^{name}"))


def words(page: Page, name: str) -> Locator:
    return page.get_by_role("textbox", name=name, exact=True)


def two_pieces_in_two_windows(page: Page) -> Page:
    """A work of two pieces, open here and in another window, which is at the second."""
    new_skirt_of_70(page)
    page.get_by_role("button", name="Add a piece").click()
    expect(piece(page, "Piece 2")).to_be_visible()
    saved(page)
    other = elsewhere(page)
    other.goto(page.url)
    piece(other, "Piece 2").click()
    return other


def test_the_log_is_kept_as_it_is_typed(page: Page) -> None:
    new_skirt(page)
    step(page, "Log")
    words(page, "Notes").press_sequentially("Press before")
    page.reload()  # at once, the field still in hand
    expect(words(page, "Notes")).to_have_value("Press before")
    saved(page)
    words(page, "Hours").fill("3 1/2")
    page.get_by_label("It is finished").check()
    saved(page)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_label("It is finished")).not_to_be_checked()
    page.get_by_role("button", name="Undo").click()
    expect(words(page, "Hours")).to_have_value("")
    expect(words(page, "Notes")).to_have_value("Press before")


def test_the_log_waits_for_a_lost_server_and_says_so(page: Page) -> None:
    new_skirt(page)
    step(page, "Log")
    page.context.set_offline(True)
    words(page, "Faults").fill("Pinned too late")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    page.context.set_offline(False)
    saved(page)
    page.reload()
    expect(words(page, "Faults")).to_have_value("Pinned too late")


def test_two_windows_with_the_same_words_are_asked_and_neither_is_lost(page: Page) -> None:
    new_skirt(page)
    step(page, "Log")
    expect(words(page, "Notes")).to_be_visible()
    other = elsewhere(page)
    other.goto(page.url)
    step(other, "Log")
    words(other, "Notes").fill("From the table")
    saved(other)
    words(page, "Notes").fill("From the desk")
    sheet = page.get_by_role("dialog", name="Changed in two places")
    expect(sheet).to_be_visible()
    expect(sheet.get_by_role("row", name="The log: Notes")).to_contain_text("From the desk")
    expect(sheet.get_by_role("row", name="The log: Notes")).to_contain_text("From the table")
    page.keyboard.press("Escape")
    expect(sheet).to_be_visible()
    sheet.get_by_role("button", name="Take the other version").click()
    expect(words(page, "Notes")).to_have_value("From the table")
    saved(page)
    page.get_by_role("button", name="Undo").click()
    expect(words(page, "Notes")).to_have_value("From the desk")  # one step back in the history
    other.context.close()


def test_two_windows_on_different_pieces_are_not_asked(page: Page) -> None:
    other = two_pieces_in_two_windows(page)
    field(other, "Finished width").fill("90")
    saved(other)
    piece(page, "Skirt length").click()
    field(page, "Finished width").fill("75")
    saved(page)
    expect(page.get_by_role("dialog")).to_have_count(0)
    piece(page, "Piece 2").click()
    expect(field(page, "Finished width")).to_have_value("90 cm")  # seen here too
    other.context.close()


def test_what_was_typed_into_another_piece_offline_is_not_written_over(page: Page) -> None:
    """Two pieces typed with no server: sending the first must not hide that the second was changed elsewhere."""
    other = two_pieces_in_two_windows(page)
    expect(field(other, "Finished width")).to_be_visible()
    page.context.set_offline(True)
    piece(page, "Skirt length").click()
    field(page, "Finished width").fill("75")
    piece(page, "Piece 2").click()
    field(page, "Finished width").fill("60")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    field(other, "Finished width").fill("90")
    saved(other)
    page.context.set_offline(False)
    sheet = page.get_by_role("dialog", name="Changed in two places")
    expect(sheet.get_by_role("row", name="Piece 2: Finished width")).to_contain_text("90")
    sheet.get_by_role("button", name="Keep what I typed").click()
    saved(page)
    expect(field(page, "Finished width")).to_have_value("60 cm")
    page.get_by_role("button", name="Undo").click()
    expect(field(page, "Finished width")).to_have_value("90 cm")
    other.context.close()


def test_a_work_deleted_elsewhere_says_so_and_can_be_put_back(page: Page) -> None:
    new_skirt_of_70(page)
    address = page.url
    other = elsewhere(page)
    other.goto("/")
    other.get_by_role("button", name="More for A ring alone").first.click()
    other.get_by_role("menuitem", name="Delete").click()
    expect(other.get_by_text("A ring alone was deleted.", exact=True)).to_be_visible()
    field(page, "Finished width").fill("72")
    page.get_by_role("button", name="Put it back and keep what I typed").click()
    saved(page)
    page.goto(address)
    expect(field(page, "Flat width")).to_have_value("216 cm")
    other.goto("/")
    expect(other.get_by_role("link", name="A ring alone").first).to_be_visible()
    other.context.close()


def test_a_work_deleted_for_good_elsewhere_can_be_kept_as_a_new_one(page: Page) -> None:
    new_skirt_of_70(page)
    address = page.url
    other = elsewhere(page)
    other.goto("/")
    other.get_by_role("button", name="More for A ring alone").first.click()
    other.get_by_role("menuitem", name="Delete").click()
    other.get_by_role("button", name="Deleted works").click()
    other.get_by_role("button", name="Delete for good").first.click()
    sheet = other.get_by_role("dialog", name="Delete A ring alone for good?")
    expect(sheet).to_contain_text(re.compile("With it goe?s? 1 piece"))
    sheet.get_by_role("button", name="Delete for good").click()
    expect(other.get_by_text("A ring alone was deleted for good.", exact=True)).to_be_visible()
    field(page, "Finished width").fill("72")
    page.get_by_role("button", name="Keep it as a new work").click()
    expect(page).not_to_have_url(address)
    expect(field(page, "Flat width")).to_have_value("216 cm")
    other.context.close()


def lost(route: Route) -> None:
    """The program does it, and its answer is lost."""
    route.fetch()
    route.abort()


def test_an_act_whose_answer_was_lost_is_done_once(page: Page) -> None:
    new_skirt_of_70(page)
    page.route("**/api/works/*/sections", lost, times=1)
    page.get_by_role("button", name="Add a piece").click()
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    saved(page)
    expect(piece(page, "Piece 2")).to_be_visible()
    expect(piece(page, "Piece 3")).to_have_count(0)
    page.reload()
    expect(piece(page, "Piece 2")).to_have_count(1)
    piece(page, "Skirt length").click()
    page.get_by_label("Kind").select_option("Box")
    saved(page)
    page.route("**/undo", lost, times=1)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_label("Kind")).to_have_value("knife")
    saved(page)
    expect(piece(page, "Piece 2")).to_have_count(1)  # one step back, not two


def test_an_undo_that_came_too_late_takes_nothing_back_and_asks_nothing(page: Page) -> None:
    new_skirt_of_70(page)
    other = elsewhere(page)
    other.goto(page.url)
    field(other, "Finished width").fill("80")
    saved(other)
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_text("This work was changed elsewhere in the meantime, and that was not done.")).to_be_visible()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(field(page, "Finished width")).to_have_value("80 cm")
    other.context.close()


def _kill(folder: Path) -> None:
    """End every process of the browser that keeps its things in that folder, at once."""
    for place in Path("/proc").iterdir():
        if place.name.isdigit():
            try:
                said = (place / "cmdline").read_bytes()
            except OSError:
                continue
            if str(folder).encode() in said:
                os.kill(int(place.name), signal.SIGKILL)


def test_a_browser_that_is_killed_offline_loses_nothing(site: str, tmp_path: Path, browser: Browser) -> None:
    kept = tmp_path / "profile"

    def opened() -> Page:
        context = browser.browser_type.launch_persistent_context(
            str(kept), executable_path=CHROMIUM, args=ARGUMENTS, base_url=site
        )
        return context.pages[0]

    first = opened()
    new_skirt_of_70(first)
    address = first.url
    first.route(API, lambda route: route.abort())
    field(first, "Finished width").fill("77")
    step(first, "Log")
    words(first, "Notes").fill("By lamplight")
    step(first, "Check")
    words(first, "Measure").fill("77.4")
    first.wait_for_function(KEPT_HERE.replace("return [", "return all.result.length > 1 && ["))
    _kill(kept)
    second = opened()
    second.goto(address)
    expect(field(second, "Finished width")).to_have_value(re.compile("^77"))
    saved(second)
    step(second, "Check")
    expect(words(second, "Measure")).to_have_value("77.4")
    step(second, "Log")
    expect(words(second, "Notes")).to_have_value("By lamplight")
    second.wait_for_function(NOTHING_HERE)
    second.context.close()


def test_a_browser_that_keeps_nothing_says_so(page: Page) -> None:
    page.add_init_script("IDBFactory.prototype.open = () => { throw new DOMException('no', 'SecurityError') }")
    new_skirt(page)
    field(page, "Finished width").fill("70")
    expect(page.get_by_text("This browser keeps nothing: it is full, or told not to.")).to_be_visible()
    saved(page)


def test_a_cloth_that_is_being_typed_is_there_again(page: Page) -> None:
    page.goto("/cloth")
    page.get_by_role("button", name="Add a cloth").click()
    field(page, "Name").fill("Dome blanket wool")
    field(page, "Width").fill("150")
    page.reload()
    page.get_by_role("button", name="Add a cloth").click()
    expect(field(page, "Name")).to_have_value("Dome blanket wool")
    expect(field(page, "Width")).to_have_value("150")
    page.get_by_role("button", name="Leave it as it was").click()
    page.get_by_role("button", name="Add a cloth").click()
    expect(field(page, "Name")).to_have_value("")


def test_a_body_of_another_site_is_not_taken_in(site: str) -> None:
    where = urlsplit(site)
    head = (
        f"POST /api/backup HTTP/1.1\r\nHost: {where.netloc}\r\nSec-Fetch-Site: cross-site\r\n"
        "Content-Type: multipart/form-data; boundary=x\r\nContent-Length: 5000000000\r\n\r\n"
    )
    with socket.create_connection((where.hostname, where.port), timeout=10) as sent:
        sent.sendall(head.encode())
        answer = sent.makefile("rb").read().decode()
    assert answer.startswith("HTTP/1.1 413")
    assert json.loads(answer.partition("\r\n\r\n")[2])["problems"][0]["code"] == "too_large"
