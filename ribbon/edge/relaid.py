"""A row laid again on the same cloth, some of its pleats taking a little more, or less, out of the runs beside them.

By rule the outer fold of a knife, a tuck or a pinch pleat stays and its placement line moves; an inverted pleat takes as
much at each of its sides; what shows of a box gives.  Where that leaves a run with less than nothing, or makes what shows
differ by more than a division, as few pleats as can be move along: of all ways the one with least to change is found by
going along the row once (a mirrored one from where it turns), holding the best way to each place.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from functools import partial
from itertools import pairwise
from math import lcm
from typing import NamedTuple

from ribbon.edge.plan import Plan
from ribbon.edge.rounding import turns_after
from ribbon.fraction import Fraction
from ribbon.pleats import Facing, Quantity, Row, Standing

_NEVER = 10**12
_UNEVEN = 10**6  # a division by which what shows differs too much
_AT_END = 1000  # a division of the cloth at an end
_MOVED = 10  # a pleat that moves along
_MIDDLING, _LONG = 150, 600  # rows of more pleats are looked through less closely, or only by the rule


class _Taken(NamedTuple):
    """What a pleat takes more from the run that lies inwards (before it) and outwards (after it), and by how much it narrows."""

    inward: int
    outward: int
    narrows: int
    cost: int


class _Spans(NamedTuple):
    """How wide the runs between pleats, and what shows of boxes, may be and still be even."""

    runs: tuple[int, int]
    faces: tuple[int, int] | None = None


class _Link(NamedTuple):
    """One pleat, or a mirrored pair: the ways to take its own, what the run inwards of it costs, and what lies past it."""

    pleats: tuple[Standing, ...]
    options: list[_Taken]
    joins: Callable[[int, int], int]
    ends: Callable[[int], int] | None = None
    at_left: bool = False  # the first of them lies to the left of where the row turns: outwards is to its left


def relaid(plan: Plan, laid: Row, more: Mapping[int, Fraction], step: Fraction | None) -> Row | None:
    """`laid`, a row of `plan`, with each pleat taking `more` (mm, by its number); None where it cannot be.

    With a `step` (mm) what shows of an even row stays as even as it was, in steps of it; without one each takes its own
    where it stands.
    """
    if not any(more.values()):
        return laid
    parts = lcm(laid.parts, *(value.denominator * 2 for value in more.values()), step.denominator if step else 1)
    fine = laid.finer(Fraction(1, parts))
    own = {number: int(value * parts) for number, value in more.items()}
    found: tuple[int, dict[int, _Taken]] | None = None
    even = step and not plan.section.places and len(fine.pleats) <= _LONG
    for spans in _spans(plan, fine, own, int(step * parts)) if step and even else [None]:
        way = _Laying(plan, fine, own, int(step * parts) if step else 0, spans).cheapest()
        if way[0] < _NEVER and (found is None or way[0] < found[0]):
            found = way
        if found is not None and found[0] < _UNEVEN:
            break
    made = None if found is None else _moved(plan, fine, own, found[1])
    if made is None or not made.stands:
        return None
    # A pleat keeps some cloth.
    return (
        made if all(new.take > 0 for old, new in zip(fine.pleats, made.pleats, strict=True) if old.take > 0) else None
    )


def _spans(plan: Plan, laid: Row, own: Mapping[int, int], step: int) -> Iterator[_Spans]:
    """What is even once the pleats have taken their own; of boxes, which give two steps at once, either side of the mean."""
    around = laid.around
    runs = [b.left - a.right for a, b in pairwise(around)]
    if laid.ring:
        runs.append(laid.finished - around[-1].right + around[0].left)
    if plan.section.kind.width is Quantity.BOX:
        wide = [pleat.right - pleat.left for pleat in laid.pleats if not pleat.half]
        gaps = (min(runs, default=0), max(runs, default=0))
        # Gaps that are alike may come to differ by a division; where there are none there shall be none.
        spans = [gaps, (gaps[0] - step, gaps[1])] if gaps[0] == gaps[1] > 0 else [gaps]
        if not wide:
            yield from map(_Spans, spans)
            return
        low = _floor(wide, sum(own.get(pleat.pleat, 0) for pleat in laid.pleats if not pleat.half), step)
        for span in spans:
            for least, most in ((low, low + step), (low - step, low + step), (low, low + 2 * step)):
                yield _Spans(span, (least, most))
    elif runs:
        taken = sum(own.values()) * len(runs) // len(laid.pleats)
        low = _floor(runs, taken, step)
        yield _Spans((low, low + step))
        yield _Spans((low - step, low))
    else:
        yield _Spans((0, 0))


def _floor(wide: Sequence[int], taken: int, step: int) -> int:
    """The widest that is not above the mean of `wide` less what is `taken`, in steps from the narrowest of them."""
    least, many = min(wide), len(wide)
    return least + (sum(wide) - taken - least * many) // (many * step) * step


def _usual(plan: Plan, laid: Row, pleat: Standing, own: int) -> int:
    """How much of its own a pleat takes from the run at its left by rule."""
    kind = plan.section.kind
    if kind.width is Quantity.BOX:
        return 0  # what shows of it gives
    if kind.halves:
        return 0 if pleat.half > 0 else own if pleat.half < 0 else own // 2
    behind = True
    if kind.faces:
        behind = pleat.facing is not Facing.LEFT
    elif plan.section.from_centre and plan.section.places:
        behind = 2 * pleat.at >= laid.finished  # a pair stays mirrored
    return 0 if behind else own


class _Laying:
    """Goes along a row and holds, for each way in which a pleat may leave the run after it, the cheapest way so far."""

    def __init__(self, plan: Plan, laid: Row, own: Mapping[int, int], step: int, spans: _Spans | None) -> None:
        self.plan, self.laid, self.own, self.step, self.spans = plan, laid, own, step, spans
        self.box = plan.section.kind.width is Quantity.BOX
        self.shifts = [0]
        self.known: dict[tuple[int, ...], list[_Taken]] = {}

    def cheapest(self) -> tuple[int, dict[int, _Taken]]:
        """The cheapest way, and what it costs; pleats are let move further only where what shows would else be uneven."""
        many, found = len(self.laid.pleats), self._found()
        for far in () if many > _LONG else (2,) if many > _MIDDLING else (2, 4):
            if found[0] < _UNEVEN or not self.step or (self.spans is None and found[0] < _NEVER):
                break
            self.shifts = [n * self.step for n in sorted(range(-far, far + 1), key=abs)]
            found = min(found, self._found(), key=lambda way: way[0])
        return found

    def _found(self) -> tuple[int, dict[int, _Taken]]:
        """The cheapest way, and what it costs: by each pleat's number what it takes, from its left and from its right."""
        turn = turns_after(self.plan, self.laid)
        if turn is not None:
            return _chain(self._outwards(turn))
        links = self._along()
        if not self.laid.ring:
            return _chain(links)
        around = self.laid.around
        # The seam of a ring stays where it is; only behind the pleat in which it closes there is nothing to spare.
        lead, tail = around[0].left, self.laid.finished - around[-1].right
        room = (lead, tail) if not self.laid.closes else (lead + tail, lead + tail)
        best: tuple[int, dict[int, _Taken]] = (_NEVER, {})
        for one in links[0].options:
            first = links[0]._replace(options=[one], joins=_nothing)
            if one.inward > room[0] or one.cost >= best[0]:
                continue
            last = links[-1]._replace(ends=partial(self._closes, lead + tail, room[1], one.inward))
            found = _chain([first, *links[1:-1], last] if len(links) > 1 else [first._replace(ends=last.ends)])
            best = min(best, found, key=lambda way: way[0])
        return best

    def _along(self) -> list[_Link]:
        """The pleats from the first to the last."""
        around, laid = self.laid.around, self.laid
        found = [_Link((around[0],), self._options(around[0]), self._end(around[0], around[0].left, left=True))]
        for before, pleat in pairwise(around):
            found.append(_Link((pleat,), self._options(pleat), partial(self._run, pleat.left - before.right)))
        tail = self._end(around[-1], laid.finished - around[-1].right, left=False)
        found[-1] = found[-1]._replace(ends=partial(tail, 0))
        return found

    def _outwards(self, turn: int) -> list[_Link]:
        """The pairs from where the row turns outwards, each alike; what one side has more goes on alone."""
        laid, pleats = self.laid, self.laid.pleats
        left, right = list(reversed(pleats[:turn])), list(pleats[turn:])
        found: list[_Link] = []
        if self.plan.section.places and len(right) > len(left):
            # A middle pleat of placed pairs stands by itself.
            alone = right.pop(0)
            found.append(_Link((alone,), self._options(alone)[:1], _nothing))
        before = len(found)
        for index in range(max(len(left), len(right))):
            here = [side[index] for side in (left, right) if index < len(side)]
            at_left, outer = index < len(left), here[-1]
            own = self._options(outer)
            if at_left and len(here) == 1:
                own = [one._replace(inward=one.outward, outward=one.inward) for one in own]
            inner = (left if at_left and len(here) == 1 else right)[index - 1] if index else None
            if inner is not None:
                joins = partial(self._run, max(outer.left, inner.left) - min(outer.right, inner.right))
            elif before:
                joins = partial(self._run, outer.left - found[0].pleats[0].right)
            else:
                joins = partial(self._middle, right[0].left - left[0].right)
            found.append(_Link(tuple(here), own, joins, at_left=at_left))
        for side, is_left in ((left, True), (right, False)):
            if side:
                wide = side[-1].left if is_left else laid.finished - side[-1].right
                end = self._end(side[-1], wide, left=is_left)
                link = found[before + len(side) - 1]
                found[before + len(side) - 1] = link._replace(ends=partial(_both, link.ends, partial(end, 0)))
        return found

    def _options(self, pleat: Standing) -> list[_Taken]:
        """The ways in which a pleat can take its own, the usual one first; those of pleats that are alike are found once."""
        own = self.own.get(pleat.pleat, 0)
        usual = _usual(self.plan, self.laid, pleat, own)
        alike = (own, usual, pleat.right - pleat.left, pleat.half, len(self.shifts))
        if alike not in self.known:
            self.known[alike] = self._ways(pleat, own, usual)
        return self.known[alike]

    def _ways(self, pleat: Standing, own: int, usual: int) -> list[_Taken]:
        narrowings = [0]
        if self.box:
            # The whole of its own out of what shows of it; else more or less, out of the gaps beside it or into them.
            narrowings = list(dict.fromkeys(own + n * self.step for n in (0, -1, 1, -2, 2)))
        found: dict[tuple[int, int], _Taken] = {}
        for narrows in narrowings:
            rest = own - narrows
            shifts = self.shifts if not pleat.half else [0]
            if not self.box and not self.plan.section.kind.halves:
                shifts = [*shifts, own - 2 * usual]  # out of the run at its other side
            odd = abs(own - narrows) // self.step if self.box and self.step else 0
            for shift in shifts:
                cost = (_MOVED if shift else 0) + (abs(shift) // self.step if self.step else bool(shift)) + odd * _MOVED
                found.setdefault((usual + shift, narrows), _Taken(usual + shift, rest - usual - shift, narrows, cost))
        if self.box:
            return [one._replace(cost=one.cost + self._face(pleat, one.narrows)) for one in found.values()]
        return list(found.values())

    def _face(self, pleat: Standing, narrows: int) -> int:
        """What it costs that a box narrows by so much."""
        wide = pleat.right - pleat.left - narrows
        if wide <= 0:
            return _NEVER
        if pleat.half or self.spans is None or self.spans.faces is None:
            return 0
        least, most = self.spans.faces
        return max(least - wide, wide - most, 0) * _UNEVEN // self.step

    def _run(self, wide: int, left: int, inward: int) -> int:
        """What it costs that a run `wide` now gives `left` to the pleat before it and `inward` to the one after it."""
        now = wide - left - inward
        if now < 0:
            return _NEVER
        if self.spans is None:
            return 0
        least, most = self.spans.runs
        return max(least - now, now - most, 0) * _UNEVEN // self.step

    def _middle(self, wide: int, _left: int, inward: int) -> int:
        return self._run(wide, inward, inward)

    def _closes(self, wide: int, room: int, first: int, outward: int) -> int:
        return self._run(wide, outward, first) if outward <= room else _NEVER

    def _end(self, pleat: Standing, wide: int, *, left: bool) -> Callable[[int, int], int]:
        """What it costs that the cloth at an end, beside `pleat` at its left or its right, gives so much."""
        own = self.own.get(pleat.pleat, 0)
        usual = 0
        if not self.box:
            at_left = _usual(self.plan, self.laid, pleat, own)
            usual = at_left if left else own - at_left
        return partial(self._gives, wide, usual)

    def _gives(self, wide: int, usual: int, _left: int, gives: int) -> int:
        if wide < gives:
            return _NEVER
        return abs(gives - usual) * _AT_END // self.step if self.step else 0


def _nothing(_left: int, _inward: int) -> int:
    return 0


def _both(one: Callable[[int], int] | None, other: Callable[[int], int], outward: int) -> int:
    return (one(outward) if one else 0) + other(outward)


def _chain(links: Sequence[_Link]) -> tuple[int, dict[int, _Taken]]:
    """The cheapest way through `links`, and what it costs; what each pleat takes, from its left and from its right."""
    costs, trail = {0: 0}, []
    for link in links:
        now: dict[int, tuple[int, _Taken, int]] = {}
        for left, so_far in costs.items():
            for one in link.options if so_far < _NEVER else link.options[:1]:
                cost = so_far + one.cost + link.joins(left, one.inward)
                if link.ends is not None:
                    cost += link.ends(one.outward)
                if one.outward not in now or cost < now[one.outward][0]:
                    now[one.outward] = (cost, one, left)
        costs = {outward: cost for outward, (cost, _, _) in now.items()}
        trail.append(now)
    at = min(costs, key=lambda outward: costs[outward])
    cost, found = costs[at], {}
    for link, states in zip(reversed(links), reversed(trail), strict=True):
        _, one, before = states[at]
        turned = one._replace(inward=one.outward, outward=one.inward)
        for number, pleat in enumerate(link.pleats):
            found[pleat.pleat] = turned if link.at_left and not number else one
        at = before
    return cost, found


def _moved(plan: Plan, laid: Row, own: Mapping[int, int], taken: Mapping[int, _Taken]) -> Row:
    """The row with each pleat taking its own, out of the runs that `taken` says."""
    gone, found = 0, []
    for pleat in laid.pleats:
        number, at, left, right, take, facing, half = pleat
        one = taken[number]
        left, right = left - gone - one.inward, right - gone - one.inward - one.narrows
        if plan.section.kind.width is Quantity.BOX:
            at = left if half > 0 else right if half < 0 else (left + right) // 2
        else:
            at = left + (pleat.at - pleat.left)
        more = own.get(number, 0)
        found.append(Standing(number, at, left, right, take + more, facing, half))
        gone += more
    return laid._replace(finished=laid.finished - gone, pleats=found)
