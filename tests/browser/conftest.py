"""The real thing: the program as `make serve` starts it, and Chromium in front of it."""

from __future__ import annotations

import atexit
import json
import os
import select
import signal
import socket
import subprocess
import sys
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from functools import cache
from pathlib import Path
from shutil import copytree, rmtree
from tempfile import mkdtemp
from urllib.request import urlopen

import pytest
from playwright.sync_api import Browser, Locator, Page, Response, expect, sync_playwright

from scripts.chromium import ARGUMENTS, CHROMIUM

ROOT = Path(__file__).resolve().parents[2]
AXE = (ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text(encoding="utf-8")
expect.set_options(timeout=20_000)


def _free() -> str:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return str(probe.getsockname()[1])


def serve(data: Path, *more: str) -> tuple[subprocess.Popen[str], str]:
    """The program on a free port with its works in `data`; waits until it says where it is."""
    command = [sys.executable, "-m", "scripts.serve", "--data", str(data), "--port", _free(), *more]
    around = {**os.environ, "PYTHONWARNINGS": "ignore"}
    running = subprocess.Popen(command, cwd=ROOT, env=around, stdout=subprocess.PIPE, text=True)
    assert running.stdout
    said = running.stdout.readline()
    assert said.startswith("Young Ribbon is at"), "the program did not start"
    return running, said.split()[4]


def end(running: subprocess.Popen[str]) -> None:
    """End it as Ctrl-C does."""
    running.send_signal(signal.SIGINT)
    running.communicate(timeout=20)


@cache
def _starter() -> subprocess.Popen[str]:
    """One process for all that a run of tests starts; it goes when the tests do, with its standard input."""
    command = [sys.executable, "-W", "ignore", "-m", "tests.browser.starter"]
    return subprocess.Popen(command, cwd=ROOT, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)


@cache
def demo_works() -> Path:
    """A folder with the demo works and the day's own backup of them, as the program makes it; it is copied, not used."""
    made = Path(mkdtemp(prefix="young-ribbon-demo-"))
    atexit.register(rmtree, made, ignore_errors=True)
    with _started(made, "--demo") as address:
        # Made in the background: the list is asked until it is there.
        while not json.load(urlopen(f"{address}/api/backups"))["backups"]:
            continue
    return made


@contextmanager
def served(data: Path, *, demo: bool = False) -> Iterator[str]:
    """Where the program is, started quickly, with its works in `data`, or the demo works; it is ended afterwards."""
    if demo:
        copytree(demo_works(), data, dirs_exist_ok=True)
    with _started(data) as address:
        yield address


@contextmanager
def _started(data: Path, *more: str) -> Iterator[str]:
    starter = _starter()
    assert starter.stdin
    assert starter.stdout
    starter.stdin.write(json.dumps(["--data", str(data), "--port", _free(), *more]) + "\n")
    starter.stdin.flush()
    pid, address = 0, ""
    while not (pid and address):
        said = starter.stdout.readline()
        assert said[:5] not in ("", "ended"), "the program did not start"
        pid = int(said) if said.strip().isdigit() else pid
        address = said.split()[4] if said.startswith("Young Ribbon is at") else address
    process = os.pidfd_open(pid)
    try:
        yield address
        os.kill(pid, signal.SIGINT)
        assert select.select([process], [], [], 20)[0], "the program did not end"
        assert starter.stdout.readline() == "ended with 0\n"
    finally:
        os.close(process)


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with an empty shelf, its own for each file of tests."""
    with served(tmp_path_factory.mktemp("data")) as address:
        yield address


@pytest.fixture(scope="module")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        chromium = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        yield chromium
        chromium.close()


def _unsaved(answer: Response) -> str:
    """What was done in the page and not kept, for it is kept also where it cannot be worked out."""
    refused = answer.status == 422 and answer.request.method == "PUT" and "/sections/" in answer.url
    return f"not saved: {answer.request.post_data}" if refused else ""


@pytest.fixture
def page(browser: Browser, site: str, request: pytest.FixtureRequest) -> Iterator[Page]:
    """A page of 1280 x 800 whose console stays quiet, unless the test is marked to expect a word there."""
    context = browser.new_context(viewport={"width": 1280, "height": 800}, base_url=site, reduced_motion="reduce")
    page = context.new_page()
    said: list[str] = []
    page.on("console", lambda message: said.append(message.text) if message.type in ("error", "warning") else None)
    page.on("pageerror", lambda error: said.append(str(error)))
    page.on("response", lambda answer: said.append(_unsaved(answer)) if _unsaved(answer) else None)
    yield page
    context.close()
    # A refusal of what was typed is an answer of 422, which Chromium also notes in its console.
    # One of 404 says that a work was deleted for good elsewhere.
    noise = ("422", "409", "404", "net::ERR")
    assert [line for line in said if not any(word in line for word in noise)] == []


@pytest.fixture
def accessible() -> Callable[[Page], None]:
    """Fails where axe finds anything against WCAG 2 AA."""

    def check(page: Page) -> None:
        # In a context of its own: the page's own policy admits no script of ours.
        page.evaluate(AXE)
        tags = ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "best-practice"]
        found = page.evaluate("tags => axe.run(document, {runOnly: tags})", tags)
        assert [(v["id"], [n["target"] for n in v["nodes"]][:3], v["help"]) for v in found["violations"]] == []

    return check


def choose(within: Page | Locator, name: str, word: str) -> None:
    """Take one of the choices that stand under a name: open beside each other where they are few, else in a list."""
    there = within.get_by_role("radiogroup", name=name, exact=True)
    listed = within.get_by_role("combobox", name=name, exact=True)
    expect(there.or_(listed).first).to_be_visible()
    if there.count():
        there.get_by_role("radio", name=word, exact=True).click()
    else:
        listed.select_option(label=word)


def expect_chosen(within: Page | Locator, name: str, word: str) -> None:
    """What stands open under a name has this word chosen."""
    group = within.get_by_role("radiogroup", name=name, exact=True)
    expect(group.get_by_role("radio", name=word, exact=True)).to_be_checked()
