"""Placed pleats, halves on a fold line, two levels and mixed bands keep the same laws as even rows."""

from __future__ import annotations

from typing import Any

from hypothesis import event, given
from hypothesis import strategies as st

from ribbon.edge import edge_plan, plan, taped, taped_edge, tapered
from ribbon.errors import Refusal
from ribbon.facts import KINDS, Edge, End, Pin, Place, Section, Stretch, Taper, beside
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, ZERO, Length
from ribbon.pleats import Facing, Quantity
from ribbon.readings import back, front, lies, marks
from ribbon.strip import Strip, walk
from tests.core.laws.strategies import LAW, TAPES, sections

Q = Quantity
ON_FOLD = End(times=Fraction(0), fold=True)
places = st.builds(
    Place,
    st.integers(0, 900).map(Length),
    st.none() | st.integers(4, 120).map(lambda n: Length(Fraction(n * 127, 160))),
    st.sampled_from([None, Facing.LEFT, Facing.RIGHT]),
)


@st.composite
def uneven(draw: Any) -> Section:
    """A section with pleats at stated places, or even ones between fold lines, mostly one that can be made."""
    kind = KINDS[draw(st.sampled_from(["knife", "box", "inverted", "tuck", "pinch"]))]
    placed = draw(st.booleans())
    pins = {Q.FINISHED: Pin(Fraction(draw(st.integers(300, 1000))))}
    size = Q.PER_PLEAT if kind.name == "pinch" else Q.DEPTH
    pins[size] = Pin(Fraction(draw(st.integers(5, 60))))
    if not placed:
        pins[Q.SPACING] = Pin(Fraction(draw(st.integers(20, 120))), draw(st.booleans()))
    ends = [draw(st.sampled_from([End(), ON_FOLD])) if kind.halves else End() for _ in range(2)]
    return Section(
        kind,
        pins,
        unit=UNITS["cm"],
        tape=draw(st.sampled_from(TAPES)),
        meet=False,
        facing=draw(st.sampled_from(list(Facing))),
        lead=ends[0],
        tail=ends[1],
        places=tuple(draw(st.lists(places, min_size=1, max_size=5))) if placed else (),
        from_centre=draw(st.booleans()),
        taper=draw(st.none() | st.builds(Taper, st.just(Length(200)), st.integers(200, 1100).map(Length))),
    )


def keeps(laid: Strip, finished: Length, flat: Length) -> None:
    laid.check()
    walked = walk(laid)
    assert walked.finished == finished
    assert laid.flat == flat
    found = marks(laid, walked)
    assert [mark.at for mark in found] == sorted(mark.at for mark in found)
    assert len(lies(laid, walked)) == len(found)
    # What shows covers the same stretch of the edge from both sides.
    assert sum(s.end - s.start for s in front(walked)) == sum(s.end - s.start for s in back(walked))


@LAW
@given(uneven())
def test_uneven_rows_walk_to_their_formula_and_stand_on_the_tape(section: Section) -> None:
    try:
        made = plan(section)
    except Refusal as refusal:
        said = refusal.problems
    else:
        said = ()
    if said:
        assert all(p.path and p.message and p.way_out for p in said)
        return
    event(f"{section.kind.name} {'placed' if section.places else 'halved' if section.folds else 'even'}")
    keeps(made.strip, made.finished, made.flat)
    tape = section.tape
    assert tape is not None
    on_tape = taped(made, tape)
    if on_tape is None:
        assert section.kind.name == "cartridge"
        return
    keeps(on_tape.strip, on_tape.finished, on_tape.flat)
    walked = walk(on_tape.strip, tape)
    found = marks(on_tape.strip, walked, tape)
    assert all((walked.length(mark.at) / tape).denominator == 1 for mark in found)
    assert [mark.at for mark in found] == sorted(mark.at for mark in found)
    try:
        upper = tapered(made)
    except Refusal:
        return
    if upper is not None:
        event("tapered")
        keeps(upper.strip, upper.finished, made.flat)  # nothing is cut away at the upper level


@LAW
@given(
    st.lists(st.tuples(sections() | st.none(), st.integers(20, 300).map(Length)), min_size=1, max_size=4),
    st.sampled_from(TAPES),
)
def test_a_mixed_band_is_the_sum_of_its_parts(parts: list[tuple[Section | None, Length]], tape: Length) -> None:
    edge = Edge(
        beside([Stretch(section, width=width) for section, width in parts]),
        UNITS["cm"],
        tape,
        finished=sum((w for _, w in parts), ZERO),
    )
    try:
        whole = edge_plan(edge)
    except Refusal as refusal:
        said = refusal.problems
    else:
        said = ()
    if said:
        assert all(p.path.startswith("parts.") for p in said)
        return
    if whole.pleats > 300:
        return
    event(f"{len(parts)} parts")
    keeps(whole.strip, whole.finished, whole.flat)
    taped_edge(whole, tape).strip.check()
