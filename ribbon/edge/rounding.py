"""Rows on the tape: what shows and what hides rounded apart, each by its running total.

Finished positions go to whole divisions, running take-up to whole steps of a kind's two or four thicknesses.  A mirrored
row is rounded outwards from where it turns, so that its two halves stay alike.
"""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from ribbon.edge.plan import Plan
from ribbon.lengths import ZERO, Length
from ribbon.pleats import Quantity, Row, Standing

Q = Quantity


class Begun(NamedTuple):
    """Where a part of a longer edge begins, exactly and on the tape: on the finished edge and on the flat cloth."""

    finished: Length = ZERO
    taped_finished: Length = ZERO
    flat: Length = ZERO
    taped_flat: Length = ZERO


START = Begun()


def to_tape(value: int, step: int) -> int:
    """The multiple of `step` nearest to `value`; half way goes up."""
    return (2 * value + step) // (2 * step) * step


def on_division(length: Length, tape: Length) -> Length:
    """The whole number of divisions nearest to `length`; half way goes up."""
    divisions = length / tape
    return tape * (to_tape(divisions.numerator, divisions.denominator) // divisions.denominator)


def in_parts(exact: Row, tape: Length) -> int:
    """A division of the tape in the parts of a row that are fine enough for it."""
    return tape.mm.numerator * (exact.parts // tape.mm.denominator)


def finer_for(plan: Plan, tape: Length, begun: Begun) -> Row:
    """The exact row of `plan` in parts fine enough for the tape and for where it begins."""
    return plan.row.finer(tape.mm, begun.finished.mm, (begun.flat - begun.finished).mm)


def rounded(plan: Plan, exact: Row, tape: Length, begun: Begun = START) -> Row:
    """`exact`, the row of `plan`, with every position and take-up on the tape."""
    q = in_parts(exact, tape)
    at, taped_at, flat, taped_flat = (int(length.mm * exact.parts) for length in begun)
    finished = to_tape(exact.finished + at, q) - taped_at
    step = q * plan.section.kind.divisions
    # What the parts before this one took more or less of is made good here, up to half a step.
    owed = max(-(step // 2), min(step // 2, (flat - at) - (taped_flat - taped_at)))
    takes = takes_on_tape(plan, exact, [pleat.take for pleat in exact.pleats], step, owed)
    made = placed_on_tape(plan, exact, takes, finished, q, (at, taped_at))
    return _end_moved(exact, made, q, step) if plan.section.kind.width is Q.SPACING else made


def placed_on_tape(
    plan: Plan, exact: Row, takes: Sequence[int], finished: int, q: int, begun: tuple[int, int] = (0, 0)
) -> Row:
    """The pleats of `exact` at whole divisions within `finished`, taking `takes`; `begun` is where the row does, exactly and taped."""
    places = _places(plan, exact, finished, q, *begun)
    pleats = [
        Standing(p.pleat, *place, take, p.facing, p.half)
        for p, place, take in zip(exact.pleats, places, takes, strict=True)
    ]
    return exact._replace(finished=finished, pleats=pleats)


def _end_moved(exact: Row, made: Row, q: int, step: int) -> Row:
    """Upright folds with the end of the last one a division over, where the flat width would else be too far off.

    They take the cloth in from where the first begins to where the last ends, so that both places are rounded too.
    """

    def flat(row: Row) -> int:
        return row.finished + sum(pleat.take - (pleat.right - pleat.left) for pleat in row.pleats)

    last, off = made.pleats[-1], flat(made) - flat(exact)
    for by in (0, -q, q):
        if 2 * abs(off - by) <= step + q and last.left <= last.right + by <= made.finished:
            return made._replace(pleats=[*made.pleats[:-1], last._replace(right=last.right + by)])
    return made


def turns_after(plan: Plan, exact: Row) -> int | None:
    """How many pleats stand before the point about which the row is mirrored; None where it is not.

    A middle pleat, of pairs placed about the middle, counts to the right.
    """
    section, pleats = plan.section, exact.pleats
    if section.places:
        # With half a pleat on one end alone the two sides are not alike.
        alike = all(a.at + b.at == exact.finished for a, b in zip(pleats, reversed(pleats), strict=True))
        return len(pleats) // 2 if section.from_centre and section.mirror_at is None and alike else None
    return next((i for i, p in enumerate(pleats) if p.facing is not pleats[0].facing), None)


def takes_on_tape(plan: Plan, exact: Row, takes: Sequence[int], step: int, owed: int = 0) -> list[int]:
    """The cloth that each pleat takes in whole steps, by running total: from the middle outwards where the row is mirrored.

    What half a pleat takes goes in steps half as large; the steps of those after it start from there.
    """
    pleats = exact.pleats

    def running(order: Sequence[int], owed: int) -> dict[int, int]:
        total, used, found = owed, 0, {}
        for index in order:
            total += takes[index]
            found[index] = to_tape(total - used, step // 2 if pleats[index].half else step)
            used += found[index]
        return found

    turn = turns_after(plan, exact)
    if turn is None:
        each = running(range(len(pleats)), owed)
    else:
        right = running(range(turn, len(pleats)), 0)
        each = {**running(range(turn - 1, -1, -1), 0), **right}
        if plan.section.places:
            each |= {index: right[len(pleats) - 1 - index] for index in range(turn)}
    return [each[index] for index in range(len(pleats))]


def _places(plan: Plan, exact: Row, finished: int, q: int, at: int, taped_at: int) -> list[tuple[int, int, int]]:
    """(place, left end, right end) of each pleat on the tape."""
    turn = turns_after(plan, exact)
    if turn is None:
        return [
            (
                to_tape(p.at + at, q) - taped_at,
                to_tape(p.left + at, q) - taped_at,
                to_tape(p.right + at, q) - taped_at,
            )
            for p in exact.pleats
        ]
    return _mirrored(exact, turn, finished, q, paired=bool(plan.section.places))


def _mirrored(exact: Row, turn: int, finished: int, q: int, *, paired: bool) -> list[tuple[int, int, int]]:
    """Each place as far from the point where the row turns as its mirror is, that point on a half of a division."""
    pleats = exact.pleats
    # Twice the middle, exactly and on the tape; of pairs about the middle of the edge it is that.
    exact_middle = exact.finished if paired else pleats[turn - 1].at + pleats[turn].at
    middle = finished if 2 * exact_middle == 2 * exact.finished else to_tape(exact_middle, q)
    odd = middle % (2 * q)

    def out(place: int, room: int) -> int:
        """Twice the distance of a place from the middle, so that both it and its mirror are on the tape."""
        twice = 2 * place - exact_middle
        if not twice:
            return odd  # in the middle itself: beside it, where that lies between two divisions
        return min(to_tape(abs(twice) - odd, 2 * q) + odd, room) * (1 if twice > 0 else -1)

    left_room, right_room = middle, 2 * finished - middle
    many = min(turn, len(pleats) - turn)

    def placed(index: int, place: int) -> int:
        mirrored = abs(index - turn + (index < turn)) < many
        room = min(left_room, right_room) if mirrored else (left_room if index < turn else right_room)
        return (middle + out(place, room)) // 2

    return [(placed(i, p.at), placed(i, p.left), placed(i, p.right)) for i, p in enumerate(pleats)]
