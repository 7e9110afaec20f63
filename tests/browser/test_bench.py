"""What is measured in the page can be measured: a label that changed its shape had stopped it."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Page

from scripts.bench_page import frames, key_press


def test_a_key_press_and_the_frames_are_measured(page: Page, capsys: pytest.CaptureFixture[str]) -> None:
    key_press(page)
    frames(page)
    said = capsys.readouterr().out
    assert re.search(r"60 pleats: [1-9]\d* ms at the median", said)
    assert re.search(r"2,000 pleats panned and zoomed: [1-9]\d* ms a frame at the median, .* of 74 over 50", said)
