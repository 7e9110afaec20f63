"""Every field of every step of the demo works: something unreadable typed, the page left and opened again, mended."""

from __future__ import annotations

import random
from collections import Counter
from collections.abc import Callable
from pathlib import Path

from playwright.sync_api import Locator, Page, sync_playwright

from scripts.chromium import ARGUMENTS, CHROMIUM
from scripts.soak.program import Program
from tests.browser.conftest import end

STEPS = ("Measure", "Pleat", "Cloth", "Cut", "Mark", "Check", "Log")
UNREADABLE = ("6o", "abc", "-3", "0", "½½", "1,000", "9" * 40)
_FIELDS = "main input:not([type=color]):not([type=file]):not([type=checkbox]):not([type=radio])"


def _step(page: Page, name: str) -> None:
    page.get_by_role("navigation", name="Steps").get_by_role("button", name=name, exact=True).click()
    page.wait_for_function("() => !document.querySelector('main[aria-busy=true]')")
    page.get_by_role("status").filter(has_text="Saved").wait_for()


def _open(page: Page) -> Locator:
    """The fields of the step, every fold open."""
    page.evaluate("() => { for (const fold of document.querySelectorAll('main details')) fold.open = true }")
    return page.locator(_FIELDS)


def _known(page: Page) -> set[str]:
    """The fields of the step that have a place of their own."""
    return set(page.evaluate("() => [...document.querySelectorAll('main [data-path]')].map(one => one.dataset.path)"))


def fields(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Counts the fields that were typed into, and the steps that lost theirs, kept waiting, or stayed wrong once mended."""
    found: Counter[str] = Counter()
    program = Program(data / "fields")
    program.told("POST", "/works/demo")
    works = [one["key"] for one in program.told("GET", "/works?limit=100")["works"]]
    with sync_playwright() as playwright:
        chromium = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        context = chromium.new_context(base_url=program.address, reduced_motion="reduce")
        page = context.new_page()
        page.on("pageerror", lambda _: found.update(faults=1))
        while goes_on():
            page.goto(f"/works/{chance.choice(works)}")
            step = chance.choice(STEPS)
            _step(page, step)
            before, there = _known(page), _open(page)
            if not there.count():
                continue
            field = there.nth(chance.randrange(there.count()))
            path = field.get_attribute("data-path")
            was = field.input_value()
            field.fill(chance.choice(UNREADABLE))
            page.get_by_role("status").filter(has_text="Saved").wait_for()
            page.reload()
            for other in (*STEPS, step):
                _step(page, other)
                found["locked"] += page.get_by_text("Working it out…").count()
            found["fields"] += 1
            # What stands on a picture follows what is drawn; what has a place of its own stays.
            found["locked"] += bool(before - _known(page))
            if path:
                _open(page)
                page.locator(f'main [data-path="{path}"]').first.fill(was)
                _step(page, step)
        context.close()
        chromium.close()
    end(program.running)
    return found
