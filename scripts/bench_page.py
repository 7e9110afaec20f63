"""What a hand waits for in the page: a key press answered, a long ribbon panned and zoomed.  Prints, passes nothing."""

from __future__ import annotations

import json
import signal
import socket
import statistics
import subprocess
import sys
import tempfile
import time
import urllib.request

from playwright.sync_api import Page, sync_playwright

from scripts.chromium import ARGUMENTS, CHROMIUM

FRAMES = """async moves => {
    const box = document.querySelector("figure [role=group]");
    const {left, top, width, height} = box.getBoundingClientRect();
    const at = {bubbles: true, cancelable: true, clientX: left + width / 2, clientY: top + height / 2};
    const times = [];
    let last = performance.now();
    for (const [deltaX, deltaY] of moves) {
        box.dispatchEvent(new WheelEvent("wheel", {...at, deltaX, deltaY}));
        await new Promise(done => requestAnimationFrame(done));
        const now = performance.now();
        times.push(now - last);
        last = now;
    }
    return times.slice(2);
}"""
ANSWERED = """async (field, text) => {
    const picture = document.querySelector("svg[role=img]");
    const drawn = new Promise(done => {
        const watch = new MutationObserver(() => { watch.disconnect(); requestAnimationFrame(() => done(performance.now())); });
        watch.observe(picture, {attributes: true, attributeFilter: ["aria-label"]});
    });
    const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
    const begun = performance.now();
    set.call(field, text);
    field.dispatchEvent(new Event("input", {bubbles: true}));
    return await drawn - begun;
}"""


def free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def main() -> None:
    """Print what the page takes."""
    with tempfile.TemporaryDirectory() as data:
        port = free_port()
        command = [sys.executable, "-m", "scripts.serve", "--data", data, "--port", str(port)]
        running = subprocess.Popen(command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        address = f"http://127.0.0.1:{port}"
        try:
            _wait(address)
            with sync_playwright() as playwright:
                browser = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
                page = browser.new_page(
                    viewport={"width": 1280, "height": 800}, base_url=address, reduced_motion="reduce"
                )
                key_press(page)
                thing_press(page)
                frames(page)
                browser.close()
        finally:
            running.send_signal(signal.SIGINT)
            running.wait(20)


def _wait(address: str) -> None:
    for _ in range(200):
        try:
            urllib.request.urlopen(f"{address}/api/works", timeout=5).close()
            return
        except OSError:
            time.sleep(0.1)
    raise SystemExit("the program did not start")


def _open(page: Page, pins: dict[str, str]) -> None:
    spec = {"kind": "knife", "unit": "cm", "pins": pins, "meet": True}
    _open_work(page, {"name": "Bench", "sections": [{"name": "Length", "spec": spec}]})


def _open_work(page: Page, body: dict[str, object]) -> None:
    page.goto("/")
    key = page.evaluate(
        """async body => {
            const token = document.cookie.match(/csrftoken=([^;]+)/)[1];
            const headers = {"Content-Type": "application/json", "X-CSRFToken": token};
            return (await (await fetch("/api/works", {method: "POST", headers, body})).json()).key;
        }""",
        json.dumps(body),
    )
    page.goto(f"/works/{key}")
    page.wait_for_selector("svg[role=img]")


THINGS = (
    (
        "a lined pair",
        {
            "kind": "curtains",
            "measures": {"rail": "152", "window": "118", "drop": "214"},
            "choices": {"fullness": "2.2", "lining": "tube"},
        },
        "Rail",
        "15{}.5",
    ),
    (
        "five tiers on a base",
        {
            "kind": "tiers",
            "measures": {"waist": "70", "hip": "96", "base": "78", "foot": "160"},
            "choices": {"tiers": "5", "spacing": "15", "deep": "18", "fullness": "2.5"},
        },
        "Round its foot",
        "16{}.5",
    ),
)


def thing_press(page: Page) -> None:
    """Print how long a key press on a measure takes to reach the picture of each thing."""
    cloths = {"face": {"usable": "138 cm", "along": "64 cm"}, "lining": {"usable": "136 cm"}}
    for name, thing, measure, typed in THINGS:
        _open_work(page, {"name": name, "cloths": cloths, "thing": {"unit": "cm", **thing}})
        field = page.get_by_label(measure, exact=True)
        took = [field.evaluate(ANSWERED, typed.format(n % 10)) for n in range(1, 22)]
        print(
            f"key press to redrawn thing, {name}: {statistics.median(took):.0f} ms at the median; to reach: under 100"
        )


def key_press(page: Page) -> None:
    """Print how long a key press takes to reach the ribbon."""
    _open(page, {"finished": "180 cm", "count": "60"})
    field = page.get_by_label("Finished width", exact=True)
    took = [field.evaluate(ANSWERED, f"18{n % 10}.5") for n in range(1, 22)]
    print(
        f"key press to redrawn ribbon, 60 pleats: {statistics.median(took):.0f} ms at the median; to reach: under 100"
    )


def frames(page: Page) -> None:
    """Print how long the frames of a long ribbon take while it moves."""
    _open(page, {"finished": "6000 cm", "count": "2000"})
    moves = [[0, -120]] * 12 + [[90, 0]] * 25 + [[0, 100]] * 14 + [[-140, 0]] * 25
    times = sorted(page.evaluate(FRAMES, moves))
    print(
        f"2,000 pleats panned and zoomed: {statistics.median(times):.0f} ms a frame at the median, "
        f"{times[-1]:.0f} ms the longest, {sum(time > 50 for time in times)} of {len(times)} over 50; to reach: none"
    )


if __name__ == "__main__":
    main()
