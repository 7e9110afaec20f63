"""What the project promises of itself."""

from __future__ import annotations

import re
import subprocess
from pathlib import Path

import pytest

ROOT = Path(__file__).resolve().parents[1]
README = (ROOT / "README.md").read_text(encoding="utf-8")


def test_make_help_lists_every_command_of_the_readme() -> None:
    helped = subprocess.run(["make", "help"], cwd=ROOT, capture_output=True, text=True, check=True).stdout
    listed = set(re.findall(r"^  make (\w+) ", helped, re.MULTILINE))
    assert listed >= {"help", "demo", "serve", "setup", "test", "check", "bench", "shots"}
    assert set(re.findall(r"^    make (\w+)", README, re.MULTILINE)) <= listed


def test_the_readme_shows_every_picture_and_no_other() -> None:
    shown = set(re.findall(r"\(docs/screenshots/([\w-]+\.png)\)", README))
    kept = {picture.name for picture in (ROOT / "docs" / "screenshots").iterdir()}
    assert shown == kept
    assert len(kept) < 20
    for page in re.findall(r"\((docs/[\w-]+\.md)\)", README):
        assert (ROOT / page).is_file()


@pytest.mark.parametrize("lock", ["web/package-lock.json", "requirements/run.txt", "requirements/test.txt"])
def test_what_is_pinned_names_no_address(lock: str) -> None:
    text = (ROOT / lock).read_text(encoding="utf-8")
    assert not re.search(r"https?:|index-url|\"resolved\"", text)
    assert ("sha512-" in text) or ("--hash=sha256:" in text)


def test_what_is_served_asks_for_nothing_from_elsewhere() -> None:
    served = ROOT / "web" / "served"
    page = (served / "index.html").read_text(encoding="utf-8")
    assert set(re.findall(r'(?:src|href)="([^"]+)"', page)) <= {
        f"/static/{p.relative_to(served)}" for p in served.rglob("*")
    }
    for style in (served / "assets").glob("*.css"):
        assert set(re.findall(r"url\(([^)]{0,8})", style.read_text(encoding="utf-8"))) <= {"/static/"}
    assert list((served / "assets").glob("*.woff2"))
    assert not re.search(r"<script(?![^>]*\bsrc=)", page)
