"""What is written down, found again; what was done last time."""

from __future__ import annotations

from typing import Any

import pytest

from server.journal.demo import add_demo_works
from server.shelf.demo import add_demo_cloths
from server.swatches.demo import add_demo_swatches
from server.works.models import Work
from tests.conftest import Asked

pytestmark = pytest.mark.django_db


@pytest.fixture(autouse=True)
def demo() -> None:
    add_demo_works()
    add_demo_cloths()
    add_demo_swatches()


@pytest.mark.parametrize(
    ("search", "found"),
    [
        ("pins box", [("faults", "Dome valance")]),
        ("GLUE", [("notes", "Bunk curtain")]),
        ("gallery", [("what it is for", "Dome valance"), ("swatch book", "Gallery cotton"), ("swatch book", "Gallery cotton"), ("cloth shelf", "Gallery cotton")]),
        ("waxed", [("swatch book", "Guide blue wool")]),
        ("refractor", [("what it is for", "Telescope cover")]),
        ("no such word anywhere", []),
        ("   ", []),
        ("%", []),
    ],
)  # fmt: skip
def test_every_word_that_is_kept_is_found(ask: Asked, search: str, found: list[tuple[str, str]]) -> None:
    status, told = ask("GET", f"/written?search={search.replace('%', '%25')}")
    assert status == 200
    assert [(one["where"], one["name"]) for one in told["found"]] == found
    assert all(one["says"] for one in told["found"])


def test_what_a_cloth_and_a_thing_taught_last_time(ask: Asked) -> None:
    cover = Work.objects.get(name="Dome valance")
    made = ask("POST", f"/works/{cover.key}/duplicate", {})
    assert made[0] in (200, 201), made
    key = made[1]["key"]
    told = ask("GET", f"/works/{key}/last")[1]
    first = told["works"][0]
    assert first["name"] == "Dome valance"
    assert first["why"] == ["the same cloth, Gallery cotton", "the same thing"]
    assert any(line.startswith("It took 9 1/2 hours") for line in first["says"])
    assert any("Ran short of pins" in line for line in first["says"])
    # The turn of its cloth by the checks, and what the book says of it.
    assert any("pleats in Gallery cotton came out" in line for line in told["cloths"])
    assert any("Gathers" in line for line in told["cloths"])


def test_a_work_that_shares_nothing_is_told_nothing(ask: Asked) -> None:
    _, work = ask("POST", "/works", {"name": "Alone", "sections": []})
    told: Any = ask("GET", f"/works/{work['key']}/last")[1]
    assert told == {"works": [], "cloths": []}
