"""Kills of the server and of the browser while every kind of field is typed into."""

from __future__ import annotations

import os
import random
import signal
import time
from collections import Counter
from collections.abc import Callable
from contextlib import suppress
from pathlib import Path
from typing import Any
from urllib.error import URLError

from playwright.sync_api import BrowserContext, Page, Playwright, expect, sync_playwright
from playwright.sync_api import Error as PageError

from scripts.chromium import ARGUMENTS, CHROMIUM
from scripts.soak.program import Program, words


def _width(chance: random.Random) -> str:
    return f"{chance.randint(40, 240)}.{chance.randint(0, 9)}"


# Each kind of field: the step that it stands on, its role or label, what is typed.
FIELDS: dict[str, tuple[str, Callable[[Page], Any], Callable[[random.Random], str]]] = {
    "pin": ("Pleat", lambda page: page.get_by_label("Finished width", exact=True), _width),
    "notes": ("Log", lambda page: page.get_by_role("textbox", name="Notes", exact=True), words),
    "faults": ("Log", lambda page: page.get_by_role("textbox", name="Faults", exact=True), words),
    "hours": ("Log", lambda page: page.get_by_role("textbox", name="Hours", exact=True), _width),
    "measure": ("Check", lambda page: page.get_by_role("textbox", name="Measure", exact=True), _width),
    "cloth": ("Cloth", lambda page: page.get_by_label("Price", exact=True), _width),
}


SKIRT = {"kind": "knife", "unit": "cm", "pins": {"finished": "70"}, "cloth": {"usable": "138"}}


def kills(chance: random.Random, goes_on: Callable[[], bool], data: Path) -> Counter[str]:
    """Types into every kind of field while server and browser are killed; counts what was typed, killed and lost."""
    found: Counter[str] = Counter()
    typed: dict[str, str] = {}
    program = Program(data / "works")
    work = program.told("POST", "/works", {"name": "Skirt", "sections": [{"name": "Length", "spec": SKIRT}]})
    profile = data / "browser"
    with sync_playwright() as playwright:
        context, page = _opened(playwright, profile, program.address, work["key"])
        while goes_on():
            found["typed" if _type(chance, page, typed) else "not typed"] += 1
            harm = chance.random()
            if harm < 0.25:
                program.kill()
                program.start_again()
                found["server killed"] += 1
            if 0.15 < harm < 0.4:
                kill_browser(profile)
                found["browser killed"] += 1
                with suppress(PageError):
                    context.close()
                _until_it_answers(program)
                context, page = _opened(playwright, profile, program.address, work["key"])
                found["lost"] += _missing(page, typed)
        _until_it_answers(program)
        found["lost"] += _missing(page, typed)
        expect(page.get_by_text("Saved", exact=True)).to_be_visible(timeout=30_000)
        context.close()
    kept = program.told("GET", f"/works/{work['key']}")
    stored = {name: kept["log"][name] for name in ("notes", "faults", "hours")}
    stored["pin"] = kept["sections"][0]["spec"]["pins"].get("finished")
    found["lost on disk"] += sum(stored[name] != text for name, text in typed.items() if name in stored)
    program.end()
    return found


def _type(chance: random.Random, page: Page, typed: dict[str, str]) -> bool:
    """Whether something was typed into some field; `typed` knows what."""
    name = chance.choice(list(FIELDS))
    step, place, text = FIELDS[name]
    said = text(chance)
    try:
        page.get_by_role("navigation", name="Steps").get_by_role("button", name=step).click(timeout=10_000)
        typed.pop(name, None)  # until it is known to be there
        place(page).fill(said, timeout=10_000)
        # The moment that the browser takes to keep a keystroke, and no more.
        page.evaluate("() => new Promise(done => setTimeout(done, 60))")
    except PageError:
        return False
    typed[name] = said
    return True


def _until_it_answers(program: Program) -> None:
    over = time.monotonic() + 60
    while time.monotonic() < over:
        with suppress(URLError, OSError):
            if program.ask("GET", "/works")[0] == 200:
                return
        time.sleep(0.1)
    raise AssertionError("the program did not come back")


def _opened(playwright: Playwright, profile: Path, address: str, work: str) -> tuple[BrowserContext, Page]:
    context = playwright.chromium.launch_persistent_context(
        str(profile), executable_path=CHROMIUM, args=ARGUMENTS, base_url=address
    )
    page = context.pages[0]
    page.goto(f"/works/{work}")
    page.get_by_role("navigation", name="Steps").wait_for(timeout=30_000)
    return context, page


def kill_browser(profile: Path) -> None:
    """End every process of the browser that keeps its things in that folder, at once."""
    for place in Path("/proc").iterdir():
        if place.name.isdigit():
            with suppress(OSError):
                if str(profile).encode() in (place / "cmdline").read_bytes():
                    os.kill(int(place.name), signal.SIGKILL)


def _missing(page: Page, typed: dict[str, str]) -> int:
    lost = 0
    for name, text in typed.items():
        step, place, _ = FIELDS[name]
        page.get_by_role("navigation", name="Steps").get_by_role("button", name=step).click()
        try:
            field = place(page)
            field.focus(timeout=10_000)  # a pin says what was typed while it is in hand
            expect(field).to_have_value(text, timeout=10_000)
        except (AssertionError, PageError):
            lost += 1
            print(f"  lost: {name} was {text!r}")
    return lost
