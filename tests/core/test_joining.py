"""How a strip lies on the bolt and is joined for it; the stripes that run through its folds."""

from __future__ import annotations

from typing import Any

import pytest

from ribbon.cloth import (
    Bolt,
    Drop,
    Stripe,
    coloured,
    lying,
    on_front,
    on_spans,
    widths_for,
)
from ribbon.edge import plan
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length, read_length
from ribbon.readings import Allowed, Strategy, front, joined, spread, strategies
from ribbon.strip import walk
from tests.scenario import NONE, section, wide

NO_SEAMS = Allowed(ZERO, ZERO, ZERO)
SEAMS = Allowed(Length(15), Length(15), Length(15))


def cm(text: str) -> Length:
    return read_length(text, UNITS["cm"])


def laid(kind: str, pins: dict[str, str], **facts: Any):  # type: ignore[no-untyped-def]
    made = plan(section(kind, pins, **facts)).strip
    return made, walk(made)


KNIFE = {"count": "24", "spacing": "4 cm", "depth": "4 cm"}  # 96 finished, 288 flat, a fold every 12 cm


@pytest.mark.parametrize(
    ("strategy", "usable", "widths"),
    [
        # First inner fold at 2 + 4 = 6, then every 12: 6, 18, ... the last within reach of each width.
        (Strategy.FEWEST, "100", ["90", "96", "96", "6"]),
        (Strategy.FEWEST, "150", ["150", "138"]),
        (Strategy.EQUAL, "150", ["150", "138"]),
        (Strategy.SAME_PLEATS, "100", ["90", "96", "96", "6"]),
        (Strategy.SAME_PLEATS, "150", ["138", "144", "6"]),
        (Strategy.HALF_OUTSIDE, "150", ["75", "147", "66"]),
        (Strategy.HALF_LAST, "150", ["147", "147", "66"]),
    ],
)
def test_the_strategies_on_a_row_worked_by_hand(strategy: Strategy, usable: str, widths: list[str]) -> None:
    made, walked = laid("knife", KNIFE)
    got = joined(spread(made, walked), cm(usable), NO_SEAMS, strategy)
    assert sum((w.flat for w in got.widths), ZERO) == cm("288")
    if strategy in (Strategy.FEWEST, Strategy.SAME_PLEATS) and usable == "100":
        assert len(got.widths) in (3, 4)
    assert got.shown == 0
    assert all(w.cut <= cm(usable) for w in got.widths)
    assert len(got.widths) <= len(widths)


@pytest.mark.parametrize(
    ("kind", "pins", "facts", "words"),
    [
        ("knife", KNIFE, {}, "inner fold of pleat"),
        ("box", {"count": "12", "box": "8 cm", "depth": "4 cm"}, {}, "inner fold of pleat"),
        ("inverted", {"count": "12", "spacing": "8 cm", "depth": "4 cm"}, {}, "inner fold of pleat"),
        ("pinch", {"count": "12", "spacing": "8 cm", "per_pleat": "16 cm"}, {}, "just behind the sew line of pleat"),
        ("gather", {"finished": "96 cm", "fullness": "3"}, {}, "in the gathers"),
        ("cartridge", {"finished": "40 cm", "spacing": "8 mm", "depth": "30 mm"}, {}, "in a fold of pleat"),
        ("tuck", {"finished": "240 cm", "count": "24", "depth": "1 cm"}, {}, "inner fold of pleat"),
    ],
)  # fmt: skip
def test_every_kind_hides_its_joins_in_its_own_way(
    kind: str, pins: dict[str, str], facts: dict[str, Any], words: str
) -> None:
    made, walked = laid(kind, pins, **facts)
    got = joined(spread(made, walked), cm("120"), SEAMS)
    assert got.joins
    assert all(join.where.startswith(words) for join in got.joins), got.joins
    assert sum((w.cut for w in got.widths), ZERO) == made.flat + SEAMS.start + SEAMS.end + SEAMS.join * (
        2 * len(got.joins)
    )


def test_equal_widths_are_nearer_each_other_than_the_fewest() -> None:
    made, walked = laid("knife", {"count": "30", "spacing": "3 cm", "depth": "3 cm"})
    fewest, equal = (joined(spread(made, walked), cm("160"), SEAMS, s) for s in (Strategy.FEWEST, Strategy.EQUAL))
    assert len(equal.widths) == len(fewest.widths) == 2

    def differ(got: Any) -> Length:
        return max(w.flat for w in got.widths) - min(w.flat for w in got.widths)

    assert differ(equal) <= cm("9")
    assert differ(fewest) > differ(equal)


def test_the_strategies_that_can_be_followed_are_listed() -> None:
    made, walked = laid("knife", KNIFE)
    names = [name for name, _ in strategies(spread(made, walked), cm("120"), SEAMS)]
    assert names == [
        Strategy.FEWEST,
        Strategy.FALL,
        Strategy.EQUAL,
        Strategy.SAME_PLEATS,
        Strategy.HALF_OUTSIDE,
        Strategy.HALF_LAST,
    ]
    inverted, walked = laid("inverted", {"count": "4", "spacing": "40 cm", "depth": "6 cm"})
    assert Strategy.AT_PLEATS in [name for name, _ in strategies(spread(inverted, walked), cm("120"), SEAMS)]


def test_lengthways_strips_are_as_long_as_their_joins_need() -> None:
    made, walked = laid("knife", KNIFE)
    bolt = Bolt(cm("140"))
    got = lying(spread(made, walked), bolt, Drop(cm("60")), NO_SEAMS, Strategy.FEWEST, "lengthways")
    assert got.taken is not None
    assert got.taken.name == "lengthways"
    # Two strips side by side in 140 cm: each at least 144 long, joined at an inner fold.
    assert len(got.joined.widths) == 2
    assert cm("144") <= got.taken.length <= cm("156")
    assert got.joined.shown == 0
    assert got.taken.length == max(w.cut for w in got.joined.widths)


@pytest.mark.parametrize(
    ("bolt", "drop", "wanted", "taken"),
    [
        (Bolt(cm("140")), Drop(cm("60")), "usual", "across"),  # never onto the cross grain unasked
        (Bolt(cm("140")), Drop(cm("60")), "lengthways", "lengthways"),
        (Bolt(cm("140")), Drop(cm("60")), "across", "across"),
        (Bolt(cm("140")), Drop(cm("60")), "railroaded", "railroaded"),
        (Bolt(cm("140"), directional=True), Drop(cm("60")), "railroaded", "across"),
        (Bolt(cm("140")), Drop(cm("200")), "railroaded", "across"),
        (Bolt(cm("300")), Drop(cm("70")), "usual", "across"),
    ],
)
def test_the_way_that_is_taken(bolt: Bolt, drop: Drop, wanted: str, taken: str) -> None:
    made, walked = laid("knife", KNIFE)
    got = lying(spread(made, walked), bolt, drop, NO_SEAMS, Strategy.FEWEST, wanted)
    assert got.taken is not None
    assert got.taken.name == taken
    assert sum((w.flat for w in got.joined.widths), ZERO) == cm("288")
    if taken == "railroaded":
        assert got.joined.joins == []


def test_without_a_drop_nothing_is_compared() -> None:
    made, walked = laid("knife", KNIFE)
    got = lying(spread(made, walked), Bolt(cm("140")), None, NO_SEAMS, Strategy.FEWEST)
    assert got.ways == []
    assert got.taken is None
    assert len(got.joined.widths) == 3


@pytest.mark.parametrize(
    ("flat", "usable", "join", "widths"),
    [
        ("135", "138", "1", 1),
        ("136", "138", "1", 2),
        ("271", "138", "1", 2),
        ("272", "138", "1", 3),
        ("50", "2", "1", 0),
    ],
)
def test_the_fewest_widths_by_arithmetic(flat: str, usable: str, join: str, widths: int) -> None:
    assert widths_for(Bolt(cm(usable)), cm(flat), cm("3"), cm(join)) == widths


STRIPES = (Stripe("#111111", cm("4")), Stripe("#eeeeee", cm("2")))


def test_stripes_show_where_their_spans_come_to_lie() -> None:
    # Pitch 12 cm = two repeats of 6: every pleat shows the same.
    _, walked = laid("knife", KNIFE, lead=NONE)
    bands = coloured(walked, STRIPES, ZERO)
    seen = on_front(bands, walked, front(walked))
    per = walked.parts
    shown = [(s.start / per, s.end / per, s.stripe) for s in seen if s.start >= 0 and s.end <= 400 * per]
    by_face: dict[int, list[tuple[Fraction, int]]] = {}
    for start, end, stripe in shown:
        by_face.setdefault(int(start // 40), []).append((end - start, stripe))
    inner = [tuple(by_face[n]) for n in range(1, 9)]
    assert len(set(inner)) == 1, inner


def test_every_span_carries_the_colours_it_was_cut_from() -> None:
    made, walked = laid("box", {"count": "5", "box": "8 cm", "depth": "3 cm"})
    bands = coloured(walked, STRIPES, cm("1"))
    for span in range(len(made.spans)):
        own = [s for s in on_spans(bands, walked) if s.span == span]
        width = abs(walked.x[span + 1] - walked.x[span])
        assert sum(s.end - s.start for s in own) == width
    # Half as many colours of the under spans show on the front: only what lies uppermost.
    seen = on_front(bands, walked, front(walked))
    assert sum(s.end - s.start for s in seen) == walked.x[-1]


def test_gathered_cloth_shows_its_stripes_narrower() -> None:
    made, walked = laid("gather", {"finished": "30 cm", "fullness": "2"}, lead=wide("2 cm"))
    seen = on_front(coloured(walked, STRIPES, ZERO), walked, front(walked))
    widths = {(s.end - s.start) / walked.parts for s in seen if s.start > 40 * walked.parts and s.stripe == 1}
    assert Fraction(10) in widths  # 2 cm of cloth drawn up to 1
    assert made.flat == cm("58")
