"""What is said of an edge beyond its row."""

from __future__ import annotations

from typing import Any

import pytest

from ribbon.edge import gathered, inserted, plan, tapered
from ribbon.facts import End, PatternPiece, Place, Stops, Taper
from ribbon.lengths import UNITS, Length, read_length
from ribbon.pleats import Facing
from ribbon.says.notes import (
    dressing_says,
    facing_says,
    gathers_say,
    insert_says,
    lining_nests_says,
    stops_say,
    taper_says,
)
from tests.scenario import section


def cm(text: str) -> Length:
    return read_length(text, UNITS["cm"])


ROW = {"finished": "40 cm", "count": "8", "depth": "2 cm"}


@pytest.mark.parametrize(
    ("facing", "mirror", "words"),
    [
        (Facing.RIGHT, None, "to your right, towards the end"),
        (Facing.LEFT, None, "to your left, towards the start"),
        (Facing.TO_CENTRE, None, "towards the centre, turning at the middle"),
        (Facing.FROM_CENTRE, None, "away from the centre, turning at the middle"),
        (Facing.TO_CENTRE, "12 cm", "towards the centre, turning at 12 cm"),
    ],
)
def test_facing(facing: Facing, mirror: str | None, words: str) -> None:
    said = facing_says(section("knife", ROW, facing=facing, mirror_at=cm(mirror) if mirror else None))
    assert said is not None
    assert words in said
    assert "turned over" in said


@pytest.mark.parametrize("kind", ["box", "inverted", "pinch", "gather", "cartridge"])
def test_what_has_no_hand_faces_nowhere(kind: str) -> None:
    assert facing_says(section(kind, {"finished": "40 cm"})) is None


@pytest.mark.parametrize(
    ("facts", "words"),
    [
        (
            {"stops": Stops(cm("12"))},
            "from the edge down to 12 cm, and release them there: 12 cm of stitching in each, 96 cm in all",
        ),
        ({"stops": Stops(cm("12"), cm("4"))}, "from 4 cm down to 12 cm: 8 cm of stitching in each, 64 cm in all"),
        ({}, None),
    ],
)
def test_stops(facts: dict[str, Any], words: str | None) -> None:
    made = plan(section("tuck", ROW, **facts))
    said = stops_say(made.section, made.pleats)
    assert (said is None) if words is None else (said is not None and words in said)


def test_a_ring_says_that_its_cut_edge_slants() -> None:
    ring = plan(
        section(
            "knife", {"finished": "96 cm", "count": "24", "depth": "3 cm"}, closed=True, taper=Taper(cm("20"), cm("72"))
        )
    )
    upper = tapered(ring)
    assert upper is not None
    said = taper_says(ring, upper)
    assert "20 cm higher the edge finishes 72 cm: each pleat is 0.5 cm deeper there." in said
    assert "The outer folds stay on the straight grain" in said
    assert "The cut edge of the ring lies on a placement line and slants by 1 cm with it." in said
    row = plan(section("box", {"finished": "96 cm", "count": "8", "depth": "3 cm"}, taper=Taper(cm("20"), cm("88"))))
    upper = tapered(row)
    assert upper is not None
    assert "The middles stay" in taper_says(row, upper)
    assert "cut edge" not in taper_says(row, upper)


def test_pleats_of_several_depths_are_said_from_to() -> None:
    made = plan(section("knife", ROW, taper=Taper(cm("20"), None, ((1, cm("1")), (2, cm("2"))))))
    upper = tapered(made)
    assert upper is not None
    assert "each pleat is 0 cm to 1 cm deeper there" in taper_says(made, upper)


@pytest.mark.parametrize(
    ("fold", "lines", "words"),
    [(True, 2, "The pleat on the fold line takes half"), (False, 2, "In the piece 2 pleats")],
)
def test_a_piece(fold: bool, lines: int, words: str) -> None:
    lead = End(times=cm("0") / cm("1"), fold=True) if fold else End()
    places = (Place(cm("0")), Place(cm("12"))) if fold else (Place(cm("4")), Place(cm("12")))
    made = plan(
        section(
            "inverted", {"finished": "24 cm", "depth": "2 cm"}, lead=lead, places=places, piece=PatternPiece(cm("1"))
        )
    )
    done = inserted(made, None)
    assert done is not None
    assert len(done.lines) == lines
    said = insert_says(made, done)
    assert words in said
    assert "cut the top across" in said


@pytest.mark.parametrize(
    ("kind", "pins", "facts", "words"),
    [
        ("pinch", {"finished": "1 m", "flat": "2 m", "count": "10"}, {}, "leave it single and catch it at the head"),
        ("pinch", {"finished": "1 m", "flat": "2 m", "count": "10"}, {"at_foot": True}, "fan out above"),
        ("pinch", {"finished": "1 m", "flat": "2 m", "count": "10"}, {"goblet": True}, "goblet"),
        ("cartridge", {"finished": "40 cm", "spacing": "8 mm", "depth": "15 mm"}, {"rows": 4}, "each of 4 rows"),
        ("knife", ROW, {}, None),
    ],
)
def test_dressing(kind: str, pins: dict[str, str], facts: dict[str, Any], words: str | None) -> None:
    said = dressing_says(plan(section(kind, pins, **facts)))
    assert (said is None) if words is None else (said is not None and words in said)


def test_gathers_and_linings() -> None:
    made = plan(section("gather", {"finished": "3 m", "fullness": "2"}))
    found = gathered(made)
    assert found is not None
    said = " ".join(gathers_say(made, found))
    assert "Mark both edges in 16 parts" in said
    assert "Stitch 2 rows in 5 sections, so that no thread breaks: 140 cm of thread to a row, 1400 cm in all." in said
    assert gathered(plan(section("knife", ROW))) is None
    assert "its pleats facing left" in lining_nests_says(section("knife", ROW))
    assert "facing" not in lining_nests_says(section("box", ROW))
