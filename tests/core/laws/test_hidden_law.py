"""Joins hide where they say, reckoned again from the folds alone: a walk of its own, what shows looked up place by place."""

from __future__ import annotations

import re
from dataclasses import replace
from itertools import pairwise
from typing import Any

from hypothesis import assume, event, given
from hypothesis import strategies as st

from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import KINDS, End, Pin, Place, Section
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.readings import Allowed, Strategy, joined, layers, spread
from ribbon.strip import LineKind, Role, Strip, Turn, walk
from tests.core.laws.strategies import LAW, TAPES

Q = Quantity


def spread_out(laid: Strip) -> list[tuple[Fraction, Fraction, Fraction, Fraction, int, Role]]:
    """(flat start, flat end, x start, x end, layer, role) of every span, by walking it with plain fractions."""
    folds = {fold.after: fold.turn for fold in laid.folds}
    flat, x, heading, layer = Fraction(0), laid.begins.mm, laid.heading, 0
    found = []
    for index, span in enumerate(laid.spans):
        length = span.length.mm
        found.append((flat, flat + length, x, x + heading * length * span.draw, layer, span.role))
        flat, x = flat + length, x + heading * length * span.draw
        if index in folds:
            heading, layer = -heading, layer + (1 if folds[index] is Turn.FRONT else -1)
    return found


def over_the_edge(laid: Strip, finished: Fraction) -> list[tuple[Fraction, Fraction, int, int, Fraction]]:
    """(x low, x high, layer, span, times round): on a ring every span of three times round, so that nothing is cut off."""
    spans = spread_out(laid)
    climbs = spans[-1][4] + (0 if laid.closing is None else 1 if laid.closing is Turn.FRONT else -1)
    times = (-1, 0, 1) if laid.ring else (0,)
    return [
        (min(a, b) + k * finished, max(a, b) + k * finished, layer + k * climbs, index, Fraction(k))
        for index, (_, _, a, b, layer, _) in enumerate(spans)
        for k in times
        if a != b
    ]


def shown_cloth(laid: Strip, finished: Fraction) -> list[tuple[Fraction, Fraction]]:
    """The stretches of flat cloth that show from the front."""
    spans = spread_out(laid)
    lying = [one for one in over_the_edge(laid, finished) if spans[one[3]][5] in (Role.FACE, Role.UNDER, Role.PLAIN)]
    edges = sorted({x for low, high, *_ in lying for x in (low, high)})
    if laid.ring:
        edges = sorted({x for x in [*edges, Fraction(0), finished] if 0 <= x <= finished})
    found = []
    for a, b in pairwise(edges):
        middle = (a + b) / 2
        here = [one for one in lying if one[0] < middle < one[1]]
        if not here:
            continue
        top = max(here, key=lambda one: (one[2], -one[3]))
        flat, _, x, _, _, _ = spans[top[3]]
        places = sorted(flat + abs(place - top[4] * finished - x) for place in (a, b))
        found.append((places[0], places[1]))
    found += [(a, b) for a, b, _, _, _, role in spans if role is Role.FINGER]
    return found


@st.composite
def joinable(draw: Any) -> Section:
    """Sections of every kind, open and closed, even and placed."""
    name = draw(st.sampled_from(["knife", "tuck", "box", "inverted", "pinch", "cartridge", "gather"]))
    kind = PINCH[draw(st.sampled_from([1, 3]))] if name == "pinch" else KINDS[name]
    closed = draw(st.booleans())
    pins = {Q.FINISHED: Pin(Fraction(draw(st.integers(300, 2400))))}
    if kind.folded:
        pins[Q.PER_PLEAT if name == "pinch" else Q.DEPTH] = Pin(Fraction(draw(st.integers(5, 90))))
    else:
        pins[Q.FULLNESS] = Pin(Fraction(draw(st.integers(9, 24)), 8))
    places: tuple[Place, ...] = ()
    if name in ("knife", "inverted", "box") and draw(st.booleans()):
        first = st.just([0]) if closed and name != "box" else st.just([])
        more = st.lists(st.integers(60, 2300), min_size=1, max_size=5)
        places = tuple(Place(Length(at)) for at in sorted({*draw(first), *draw(more)}))
    elif kind.folded:
        pins[Q.SPACING] = Pin(Fraction(draw(st.integers(20, 200))), firm=False)
    if kind.hole is not None and draw(st.booleans()):
        pins[kind.hole] = Pin(Fraction(draw(st.integers(0, 30))))
    ends = [draw(st.sampled_from([End(), End(times=Fraction(1)), End(width=Length(70))])) for _ in range(2)]
    return Section(
        kind,
        pins,
        tape=draw(st.sampled_from(TAPES)),
        meet=False if kind.meeting else None,
        facing=draw(st.sampled_from(list(Facing))),
        closed=closed,
        lead=ends[0],
        tail=ends[1],
        places=places,
    )


@LAW
@given(
    joinable(),
    st.integers(150, 1600),
    st.tuples(*[st.integers(0, 25)] * 3),
    st.sampled_from(list(Strategy)),
    st.booleans(),
)
def test_hidden_is_true_only_where_nothing_that_shows_is_near(
    facts: Section, usable: int, seams: tuple[int, int, int], strategy: Strategy, from_end: bool
) -> None:
    try:
        made = plan(facts)
    except Refusal:
        return
    assume(made.count <= 80)
    laid = made.strip
    laid.check()
    walked = walk(laid)
    seam, start, end = seams
    allowed = Allowed(Length(start), Length(end), Length(seam), facts.tape, from_end)
    try:
        got = joined(spread(laid, walked), Length(usable), allowed, strategy)
    except Refusal:
        return
    event(f"{facts.kind.name} {'ring' if facts.closed else 'open'} {strategy}")
    whole = made.flat.mm
    shown = shown_cloth(laid, made.finished.mm)
    if laid.ring:
        shown += [(a + k * whole, b + k * whole) for a, b in shown for k in (-1, 1)]
    sew = {walked.flat[line.after + 1] for line in laid.lines if line.kind is LineKind.SEW}
    tape = facts.tape.mm if facts.tape else Fraction(0)
    for join in got.joins:
        at = Fraction(join.at) / walked.parts
        near = any(a < at + seam + tape and at - seam - tape < b for a, b in shown)
        # Just behind a sew line: on it, or where the tape comes next within its pinch, from whichever end it was come.
        behind = any(abs(join.at - line) <= tape * walked.parts for line in sew)
        assert join.hidden == (not near or (behind and "sew line" in join.where)), (join, at)
    assert sum((w.flat for w in got.widths), ZERO) == made.flat
    assert all(w.cut <= Length(usable) and w.flat > ZERO for w in got.widths)
    # Every width but the last is cut on the tape, unless its join hides at neither of the divisions beside it.
    if tape and not from_end and strategy in (Strategy.FEWEST, Strategy.FALL, Strategy.EQUAL, Strategy.SAME_PLEATS):
        after = Fraction(0)
        for index, (join, width) in enumerate(zip(got.joins, got.widths, strict=False)):
            at, cut = Fraction(join.at) / walked.parts, width.cut.mm
            if join.hidden and "sew line" not in join.where and cut % tape and cut < usable:
                down = cut // tape * tape - cut
                for by in (down, down + tape):
                    there = at + by
                    shows = any(a < there + seam + tape and there - seam - tape < b for a, b in shown)
                    rest = got.widths[index + 1].cut.mm - by
                    assert shows or cut + by > usable or rest > usable or there <= after, (join, cut, by)
            after = at
    # Where they may fall there are as few widths as the cloth allows.
    if strategy is Strategy.FALL:
        many = (
            next(n for n in range(1, 10_000) if n * usable >= whole + start + end + 2 * seam * (n - 1))
            if usable > 2 * seam
            else 0
        )
        assert len(got.widths) == many == got.least


_HALVES = {Strategy.HALF_OUTSIDE: Strategy.HALF_LAST, Strategy.HALF_LAST: Strategy.HALF_OUTSIDE}
_HANDS = {Facing.RIGHT: Facing.LEFT, Facing.LEFT: Facing.RIGHT}


@LAW
@given(joinable(), st.integers(150, 1600), st.tuples(*[st.integers(0, 25)] * 3), st.sampled_from(list(Strategy)))
def test_widths_laid_from_the_end_are_those_of_the_mirror_laid_from_its_start(
    facts: Section, usable: int, seams: tuple[int, int, int], strategy: Strategy
) -> None:
    """The mirror is planned by itself: its ends changed over, its pleats to the other hand."""
    assume(not facts.places)
    facing = _HANDS.get(facts.facing, facts.facing)
    mirror = replace(facts, lead=facts.tail, tail=facts.lead, facing=facing)
    try:
        count = plan(facts).count
        turned, there = plan(facts).spread.turned, plan(mirror).spread
    except Refusal:
        return
    # A middle pleat of a row that turns in its middle belongs to one side.
    assume(count <= 80 and not (count % 2 and facts.facing not in _HANDS))
    per, other_per = turned.parts, there.parts
    # Where a ring closes is both its start and its end.
    round_ = turned.whole if facts.closed else 2 * turned.whole
    lines = [Fraction(line.at % round_, per) for line in turned.lines]
    assert sorted(lines) == sorted(Fraction(line.at, other_per) % Fraction(round_, per) for line in there.lines)
    # Pleats that lie over each other lie so in the order in which they are folded, from the start in the mirror too.
    assume(
        [(Fraction(a, per), Fraction(b, per)) for a, b in turned.hidden]
        == [(Fraction(a, other_per), Fraction(b, other_per)) for a, b in there.hidden]
    )
    start, end, seam = map(Length, seams)
    got: list[tuple[list[Fraction], list[tuple[bool, str]], list[Length]] | None] = []
    for one, shared, allowed in (
        (facts, strategy, Allowed(start, end, seam, facts.tape, from_end=True)),
        (mirror, _HALVES.get(strategy, strategy), Allowed(end, start, seam, facts.tape)),
    ):
        try:
            made = plan(one)
            joins = joined(made.spread, Length(usable), allowed, shared)
        except Refusal:
            got.append(None)
            continue
        at = [Fraction(join.at) / made.spread.parts for join in joins.joins]
        pleats = made.count + 1 if one is mirror else 0
        where = [
            (join.hidden, re.sub(r"\d+", lambda found, of=pleats: str(abs(of - int(found[0]))), join.where))
            for join in joins.joins
        ]
        got.append((at, where, [width.cut for width in joins.widths]))
        whole = made.flat.mm
    laid, other = got
    assert (laid is None) == (other is None)
    if laid is not None and other is not None:
        event(f"{facts.kind.name} {'ring' if facts.closed else 'open'} {strategy}, {min(2, len(laid[0]))} joins")
        assert laid[0] == [whole - at for at in reversed(other[0])]
        assert (laid[1], laid[2]) == (other[1][::-1], other[2][::-1])


@LAW
@given(joinable())
def test_layers_are_counted_all_round(facts: Section) -> None:
    try:
        made = plan(facts)
    except Refusal:
        return
    assume(made.count <= 60)
    laid = made.strip
    walked = walk(laid)
    finished = made.finished.mm
    assert walked.finished == made.finished
    pieces = over_the_edge(laid, finished)
    for one in layers(walked):
        # Anywhere within: no edge of a span stands at so odd a place.
        place = (one.start + (one.end - one.start) * Fraction(31_415_927, 100_000_003)) / walked.parts
        assert one.layers == sum(low < place < high for low, high, *_ in pieces)
    if facts.closed:
        assert min(one.start for one in layers(walked)) >= 0
        assert max(one.end for one in layers(walked)) <= walked.length(walked.x[-1] - walked.x[0]).mm * walked.parts
