"""Makes docs/screenshots anew from the demo works."""

from __future__ import annotations

import tempfile
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

from tests.browser.conftest import ARGUMENTS, ROOT, end, serve

PLACE = ROOT / "docs" / "screenshots"
LAPTOP, PHONE = (1280, 800), (390, 844)


def _open(page: Page, name: str) -> None:
    page.goto("/")
    page.get_by_role("link", name=name).click()
    page.get_by_role("region", name="The slip").wait_for()


def _shoot(page: Page, name: str) -> None:
    page.mouse.move(2, 2)
    page.wait_for_function("document.fonts.ready.then(() => true)")
    page.screenshot(path=PLACE / f"{name}.png")


def main() -> None:
    """Serve the demo works from an empty folder and take every picture."""
    PLACE.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as data, sync_playwright() as playwright:
        running, address = serve(Path(data), "--demo")
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=ARGUMENTS)
        page = browser.new_page(base_url=address, viewport={"width": LAPTOP[0], "height": LAPTOP[1]})
        page.goto("/")
        page.get_by_role("link", name="Guide’s skirt").wait_for()
        _shoot(page, "works")
        for name, work in (
            ("bench-knife", "Guide’s skirt"),
            ("bench-box", "Dome valance"),
            ("bench-pinch", "Reading-room curtain"),
            ("bench-gather", "Nightgown cuff"),
        ):
            _open(page, work)
            _shoot(page, name)
        _open(page, "Star-party apron")
        page.get_by_role("button", name="Mark", exact=True).click()
        _shoot(page, "mark")
        page.set_viewport_size({"width": PHONE[0], "height": PHONE[1]})
        _open(page, "Guide’s skirt")
        _shoot(page, "bench-phone")
        browser.close()
        end(running)


if __name__ == "__main__":
    main()
