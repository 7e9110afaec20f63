"""Placed pleats: each at a stated place, take-up shared over those that state none.

cloth    W = F + G + k·t     G = what the pleats take that say so, k = how many others there are
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from ribbon.errors import Problem
from ribbon.facts.section import Section
from ribbon.fraction import Fraction
from ribbon.pleats import Facing, Quantity, Relation

Q = Quantity
HALF = Fraction(1, 2)


@dataclass(frozen=True, slots=True)
class Placed:
    """One pleat of a placed row: which place it comes from (-1: a fold line), where it stands in mm, its hand, its half."""

    index: int
    at: Fraction
    take: Fraction | None
    facing: Facing
    half: int

    @property
    def weight(self) -> Fraction:
        """What it counts as: one, or a half on a fold line."""
        return HALF if self.half else Fraction(1)


def placed(section: Section, finished: Fraction | None) -> list[Placed]:
    """The pleats of `section` in order along the edge; without a finished width, from the centre, only their sum is right."""
    centre = section.mirror_at.mm if section.mirror_at is not None else finished / 2 if finished is not None else None
    hands = {
        Facing.TO_CENTRE: (Facing.RIGHT, Facing.LEFT),
        Facing.FROM_CENTRE: (Facing.LEFT, Facing.RIGHT),
    }.get(section.facing, (section.facing, section.facing))
    found = []
    for index, place in enumerate(section.places):
        ats = [place.at.mm]
        if section.from_centre:
            middle = centre if centre is not None else Fraction(0)
            ats = [middle - place.at.mm, middle + place.at.mm] if place.at else [middle]
        for side, at in enumerate(ats):
            half = 0
            if not section.closed and section.lead.fold and at == 0:
                half = 1
            elif not section.closed and section.tail.fold and at == finished:
                half = -1
            left = centre is None or at < centre or (section.from_centre and side == 0 and len(ats) > 1)
            facing = place.facing or hands[0 if left else 1]
            # A ring ends where it begins.
            here = Fraction(0) if section.closed and at == finished else at
            found.append(Placed(index, here, place.take.mm if place.take else None, facing, half))
    found += _on_folds(section, found, finished, hands)
    return sorted(found, key=lambda one: one.at)


def _on_folds(
    section: Section, found: list[Placed], finished: Fraction | None, hands: tuple[Facing, Facing]
) -> list[Placed]:
    """The half pleats that stand on fold lines of the cloth, where the places do not name them."""
    if section.closed or not section.kind.halves:
        return []
    # Where the finished width is not known yet the end is beyond every place.
    end = finished if finished is not None else max((one.at for one in found), default=Fraction(0)) + 1
    halves = {one.half for one in found}
    lead = [Placed(-1, Fraction(0), None, hands[0], 1)] if section.lead.fold and 1 not in halves else []
    return lead + ([Placed(-1, end, None, hands[1], -1)] if section.tail.fold and -1 not in halves else [])


def _sums(section: Section) -> tuple[Fraction, Fraction, Fraction]:
    """(G, k, N): cloth taken by the pleats that say so, how many others, how many in all; halves count half."""
    pin = section.pins.get(Q.FINISHED)
    pleats = placed(section, pin.value if pin else None)
    given = sum((one.take * one.weight for one in pleats if one.take is not None), Fraction(0))
    others = sum((one.weight for one in pleats if one.take is None), Fraction(0))
    return given, others, sum((one.weight for one in pleats), Fraction(0))


def placed_count(section: Section) -> Fraction:
    """How many pleats the places make; half a pleat on a fold line counts half."""
    return _sums(section)[2]


def shares(section: Section) -> bool:
    """True where some pleat has no take-up of its own, so that there is one to share."""
    return _sums(section)[1] > 0


def placed_equations(section: Section, *, meet: bool) -> tuple[Relation, ...]:
    """Every equation of placed pleats; the row's has none, since every place is stated."""
    given, others, _ = _sums(section)
    kind = section.kind
    own = [one for one in kind.relations if Q.SPACING not in one.quantities] if others else []
    if meet and kind.meeting is not None and Q.SPACING not in kind.meeting.quantities:
        own.append(kind.meeting)
    said = f" + {section.fine.write_mm(given).text}" if given else ""
    shared = f" + {others} × {{per_pleat}}" if others else ""
    return (
        Relation(
            "cloth",
            f"{{flat}} = {{finished}}{said}{shared}",
            (Q.FLAT, Q.FINISHED, *((Q.PER_PLEAT,) if others else ())),
            lambda v: v[Q.FLAT] - v[Q.FINISHED] - given - (others * v[Q.PER_PLEAT] if others else 0),
        ),
        Relation(
            "fullness",
            "{flat} = {fullness} × {finished}",
            (Q.FLAT, Q.FULLNESS, Q.FINISHED),
            lambda v: v[Q.FLAT] - v[Q.FULLNESS] * v[Q.FINISHED],
        ),
        Relation(
            "cloth and fullness",
            f"({{fullness}} − 1) × {{finished}} ={said.replace(' +', '', 1)}{shared if said else shared.replace(' +', '', 1)}",
            (Q.FULLNESS, Q.FINISHED, *((Q.PER_PLEAT,) if others else ())),
            lambda v: (v[Q.FULLNESS] - 1) * v[Q.FINISHED] - given - (others * v[Q.PER_PLEAT] if others else 0),
            derived=True,
        ),
        *own,
    )


def needed(section: Section) -> frozenset[Quantity]:
    """The quantities that a placed row has: no spacing, no gap, no size to share where every pleat states its own."""
    without = {Q.SPACING, Q.GAP} | (set() if shares(section) else {Q.DEPTH, Q.PER_PLEAT})
    return section.kind.quantities - without


def misplaced(section: Section, values: dict[str, Fraction]) -> Iterable[Problem]:
    """The places that lie outside the edge or on top of one another, by their fields."""
    finished = values[Q.FINISHED]
    if values.get(Q.PER_PLEAT, Fraction(1)) <= 0:
        given = _sums(section)[0]
        path = f"pins.{Q.FLAT}" if Q.FLAT in section.pins else "placed"
        yield Problem(
            "no_take_up",
            path,
            section.say(Q.FLAT, values[Q.FLAT]),
            f"the pleats with a depth of their own take {section.scribe.write_mm(given).text}, which leaves the others nothing",
            f"use more than {section.say(Q.FLAT, finished + given)} of cloth, or make those pleats shallower",
        )
        return
    reach = values[section.kind.width] / 2 if section.kind.width else Fraction(0)
    write, end = section.scribe.write_mm, Fraction(0)
    before: Placed | None = None
    last = finished
    for one in placed(section, finished):
        said = write(one.at).text if one.index < 0 else section.scribe.write(section.places[one.index].at).text
        path = f"placed.{one.index}.at" if one.index >= 0 else "lead" if one.half > 0 else "tail"
        left, right = (one.at if one.half > 0 else one.at - reach), (one.at if one.half < 0 else one.at + reach)
        if closes_behind(section, one):
            left, last = Fraction(0), finished - reach  # the other half of it lies at the end
        if left < 0 or right > last:
            yield Problem(
                "outside",
                path,
                said,
                f"a pleat at {said} does not stand within a finished width of {write(finished).text}",
                f"place it between {write(reach).text} and {write(finished - reach).text}",
            )
        elif before is not None and (left < end or one.at == before.at):
            yield Problem(
                "crossing",
                path,
                said,
                f"this pleat stands where the one at {write(before.at).text} does",
                f"move it to {write(end + reach).text} or further, or take one away",
            )
        before, end = one, max(end, right)


def closes_behind(section: Section, one: Placed) -> bool:
    """True for a pleat that stands where a ring closes, the seam behind it; a box would show it."""
    kind = section.kind
    return section.closed and one.at == 0 and (kind.faces or (kind.halves and kind.width is not Q.BOX))


def takes_of(place: Placed, shared: Fraction) -> Fraction:
    """The cloth that this pleat takes here: its own or the shared one, half of it on a fold line."""
    return (place.take if place.take is not None else shared) * place.weight


def also_meets(section: Section) -> bool:
    """True where placed pleats of this kind can be said to meet: a box whose folds meet behind it."""
    meeting = section.kind.meeting
    return meeting is not None and Q.SPACING not in meeting.quantities


def places_that_cannot_be(section: Section) -> Iterable[Problem]:
    """What is wrong with the places before anything is solved."""
    if section.places and (section.kind.width is Q.SPACING or not section.kind.folded):
        yield Problem(
            "not_of_kind",
            "placed",
            str(len(section.places)),
            f"{section.kind.title} cannot be placed one by one",
            "choose another kind, or let the places go",
        )
        return
    if section.places and section.closed and section.folds:
        return
    count = section.pins.get(Q.COUNT)
    if section.places and count is not None and count.value != placed_count(section):
        yield Problem(
            "disagree",
            f"pins.{Q.COUNT}",
            section.say(Q.COUNT, count.value),
            f"there are {section.say(Q.COUNT, placed_count(section))} places",
            "let the count go, or add and take away places",
        )
