"""Makes docs/screenshots anew from the demo works."""

from __future__ import annotations

import tempfile
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from scripts.chromium import ARGUMENTS, CHROMIUM
from tests.browser.conftest import ROOT, end, serve

PLACE = ROOT / "docs" / "screenshots"
LAPTOP, PHONE = (1280, 800), (390, 844)


def _open(page: Page, name: str) -> None:
    page.goto("/")
    page.get_by_role("link", name=name).click()
    page.get_by_role("navigation", name="Steps").get_by_role("button", name="Pleat", exact=True).click()
    page.locator("main[aria-busy=false]").get_by_role("img", name="finished").wait_for()


def _step(page: Page, work: str, step: str) -> None:
    _open(page, work)
    page.get_by_role("navigation", name="Steps").get_by_role("button", name=step).click()


def _shoot(page: Page, name: str) -> None:
    page.mouse.move(2, 2)
    page.wait_for_function("document.fonts.ready.then(() => true)")
    page.screenshot(path=PLACE / f"{name}.png")


def _home(page: Page) -> None:
    """The works, what can be made, a thing measured, my ways, backups."""
    page.goto("/")
    page.get_by_role("link", name="Guide’s skirt").wait_for()
    _shoot(page, "works")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Curtains").wait_for()
    _shoot(page, "new")
    page.goto("/ways")
    page.get_by_label("Lining", exact=True).wait_for()
    _shoot(page, "ways")
    page.goto("/")
    page.get_by_role("link", name="Reading-room curtains").click()
    page.get_by_role("img", name="Left panel: 47 in along the rail").wait_for()
    _shoot(page, "measure")
    page.goto("/backups")
    page.get_by_role("button", name="Bring back").first.wait_for()
    _shoot(page, "backups")


def _making(page: Page) -> None:
    """Check, Log and Papers."""
    _step(page, "Guide’s skirt", "Check")
    page.get_by_role("textbox", name="Measure", exact=True).fill("71.2")
    page.get_by_test_id("verdict").scroll_into_view_if_needed()
    page.get_by_text("The marks that move").wait_for()
    _shoot(page, "check")
    _step(page, "Bunk curtain", "Log")
    page.get_by_role("button", name="Make this again").scroll_into_view_if_needed()
    _shoot(page, "log")
    _open(page, "Reading-room curtains")
    page.get_by_role("link", name="Papers").first.click()
    page.get_by_role("img", name="work sheet, page 1 of").wait_for()
    _shoot(page, "papers")


def main() -> None:
    """Serve the demo works from an empty folder and take every picture."""
    PLACE.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as data, sync_playwright() as playwright:
        running, address = serve(Path(data), "--demo")
        browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        page = browser.new_page(base_url=address, viewport={"width": LAPTOP[0], "height": LAPTOP[1]})
        _home(page)
        _open(page, "Guide’s skirt")
        _shoot(page, "bench-knife")
        _step(page, "Plaid wrap", "Measure")
        page.get_by_role("img", name="The outer front piece").wait_for()
        _shoot(page, "wrap")
        page.goto("/swatches")
        page.get_by_role("region", name="Petticoat lawn").wait_for()
        _shoot(page, "swatches")
        page.goto("/lesson")
        page.get_by_role("img", name="A first lesson").wait_for()
        page.get_by_role("region", name="Inverted pleats").get_by_role("listitem").first.wait_for()
        _shoot(page, "lesson")
        _open(page, "Star-party apron")
        page.get_by_role("button", name="Mark", exact=True).click()
        _shoot(page, "mark")
        _making(page)
        _step(page, "Reading-room curtains", "Cloth")
        page.get_by_role("img", name="pieces on").wait_for()
        _shoot(page, "cloth")
        _step(page, "Reading-room curtains", "Cut")
        page.get_by_role("img", name="pieces on Reading-room linen").wait_for()
        _shoot(page, "cut")
        page.goto("/handbook#box")
        page.get_by_role("img", name="Box pleats that meet behind").wait_for()
        page.get_by_role("img", name="A join at an inner fold").wait_for()
        page.get_by_role("heading", name="Box pleats").scroll_into_view_if_needed()
        _shoot(page, "handbook")
        page.goto("/cloth")
        page.get_by_text("The supplier’s list").wait_for()
        _shoot(page, "cloth-shelf")
        _open(page, "Star-party apron")
        page.keyboard.press("t")
        page.get_by_test_id("mark").wait_for()
        for _ in range(16):
            page.keyboard.press("Space")
        _shoot(page, "table")
        page.set_viewport_size({"width": PHONE[0], "height": PHONE[1]})
        _step(page, "Guide’s skirt", "Pleat")
        _shoot(page, "bench-phone")
        browser.close()
        end(running)


if __name__ == "__main__":
    main()
