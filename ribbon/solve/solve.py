"""Solving a section: what is pinned is followed through the equations until every quantity is known.

The equations do the work (`equations.py`); this file only decides what happens when they leave something
open or disagree: what is assumed, what gives, what is refused.
"""

from __future__ import annotations

from collections.abc import Mapping
from math import ceil, floor

from ribbon.errors import refuse
from ribbon.facts.section import Remainder, Section
from ribbon.fraction import Fraction
from ribbon.gathers import suggested_ratio
from ribbon.lengths.reading import MOST_PLEATS
from ribbon.pleats import Default, Quantity, Relation
from ribbon.pleats.relation import MEET, NOUGHT
from ribbon.solve.equations import REST, end_constants, equations
from ribbon.solve.placed import also_meets, needed, placed_count, shares
from ribbon.solve.refusals import disagreement, too_few
from ribbon.solve.solution import Assumed, Conflict, Gave, Solution, Step

Q = Quantity

# Spacing gives to keep the finished width, depth gives to keep the flat width; the widths give last.
_GIVING = (Q.SPACING, Q.GAP, Q.OPENING, Q.BOX, Q.DEPTH, Q.PER_PLEAT, Q.COUNT, Q.FULLNESS, Q.FLAT, Q.FINISHED)

_WIDTHS = (Q.FLAT, Q.FINISHED)


class _Known:
    """What is known so far, and from which facts each value came."""

    def __init__(self, relations: tuple[Relation, ...], facts: dict[str, Fraction]) -> None:
        self.waiting = list(relations)
        self.values = dict(facts)
        self.sources = {name: frozenset((name,)) for name in facts}
        self.steps: list[Step] = []

    def add(self, name: str, value: Fraction) -> None:
        """One more fact."""
        self.values[name], self.sources[name] = value, frozenset((name,))

    def _behind(self, relation: Relation) -> frozenset[str]:
        extra = frozenset((relation.rests_on,)) if relation.rests_on else frozenset[str]()
        return extra.union(*(self.sources[name] for name in relation.quantities if name in self.sources))

    def follow(self) -> Conflict | None:
        """Solve every equation with one unknown, until none is left; the first that fails is the conflict."""
        values = self.values
        moved = True
        while moved:
            moved, still = False, []
            for relation in self.waiting:
                unknown = [name for name in relation.quantities if name not in values]
                if not unknown:
                    if not relation.derived and relation.residual(values):
                        return Conflict(relation, self._behind(relation))
                    continue
                value = relation.solved_for(unknown[0], values) if len(unknown) == 1 else None
                if value is None:
                    # It may not depend on its one unknown (a single pleat has no spacing), and still fail; only
                    # the fullness of a part that has no width is no failure but no number.
                    alone = len(unknown) == 1 and unknown[0] != Q.FULLNESS and not relation.derived
                    if alone and relation.residual({**values, unknown[0]: NOUGHT}):
                        return Conflict(relation, self._behind(relation))
                    still.append(relation)
                    continue
                self.sources[unknown[0]] = self._behind(relation)
                values[unknown[0]] = value
                self.steps.append(Step(unknown[0], relation))
                moved = True
            self.waiting = still
        return None


def solve(section: Section, count: Fraction | None = None, like: Solution | None = None) -> Solution:
    """Every quantity of `section`, from its pins.

    With `count` the row is solved for that many pleats, other pins giving as they would to a whole count; what
    `like` assumed is assumed here too, so that the two differ by their count alone.
    Raises `Refusal` where the pins are too few, disagree, or cannot be.
    """
    return _Solving(section, count, like).solution()


def _following(section: Section, meet: bool) -> Mapping[str, Fraction]:
    """What follows from the pins of `section` by the equations alone: nothing assumed, nothing given."""
    facts: dict[str, Fraction] = {name: pin.value for name, pin in section.pins.items()}
    hole = section.kind.hole
    shut = hole is not None and facts.get(hole) == 0
    known = _Known(equations(section, meet=meet, shut=shut), {**facts, REST: NOUGHT})
    known.follow()
    return known.values


class _Solving:
    """The facts of one section while they are being solved: some pinned, some assumed, some let go."""

    def __init__(self, section: Section, count: Fraction | None, like: Solution | None) -> None:
        self.section = section
        self.facts: dict[str, Fraction] = {name: pin.value for name, pin in section.pins.items()}
        self.facts[REST] = Fraction(0)
        self.loose = {name for name, pin in section.pins.items() if not pin.firm}
        self.meet = section.meet is True and section.kind.meeting is not None
        self.assumed: dict[str, Assumed] = {}
        self.stated = like.stated if like else {}
        self.let_go: set[str] = set()
        self.whole = count is not None
        """The count was made whole, so that firm pins may give to it."""
        if section.places:
            self.facts[Q.COUNT], self.whole = placed_count(section), True
        elif count is not None:
            self.facts[Q.COUNT] = count
        for one in like.assumed if like else ():
            if one.quantity == MEET:
                self.meet, self.assumed[MEET] = True, one
            elif one.quantity == section.kind.hole and one.value is not None:
                self.facts[one.quantity], self.assumed[one.quantity] = one.value, one

    def solution(self) -> Solution:
        """Follow, give and assume until all is known.  Ends: what has given is never taken up again."""
        known = self._known()
        while True:
            conflict = known.follow()
            if conflict is not None:
                self._give(conflict)
                known = self._known()
            elif self._made_whole(known):
                known = self._known()
            elif self._complete(known):
                return self._solved(known)
            else:
                took = self._assume(known)
                if took is None:
                    raise too_few(self.section)
                self.assumed[took.quantity] = took
                if took.value is not None and took.quantity != self.section.kind.hole:
                    known.add(took.quantity, took.value)
                else:
                    known = self._known()

    def _known(self) -> _Known:
        hole = self.section.kind.hole
        shut = hole is not None and self.facts.get(hole) == 0
        which = (self.meet, shut)
        if which not in self.stated:
            self.stated[which] = equations(self.section, meet=self.meet, shut=shut)
        return _Known(self.stated[which], self.facts)

    def _complete(self, known: _Known) -> bool:
        if self.section.places:
            return needed(self.section) <= known.values.keys()
        missing = self.section.kind.quantities - known.values.keys()
        if missing and missing <= {Q.SPACING, Q.FULLNESS} and known.values.keys() >= {Q.COUNT, REST}:
            # One pleat between two stated widths: there is no space to speak of, and nothing else that is pleated.
            return known.values[Q.COUNT] + end_constants(self.section)[1] == 0
        return not missing and REST in known.values

    def _made_whole(self, known: _Known) -> bool:
        """True when a reckoned count had to be made whole, and is now a fact."""
        found = known.values.get(Q.COUNT)
        if found is None or self.whole or (Q.COUNT in self.facts and Q.COUNT not in self.loose):
            return False
        count = _whole_count(self.section, found, obeyed=self._ranged() is not None)
        if count == found:
            return False
        self.facts[Q.COUNT], self.whole = count, True
        return True

    def _ranged(self) -> Default | None:
        """The usual range of the spacing, where that was assumed and has one: so many pleats stand that it is obeyed."""
        if Q.SPACING not in self.assumed:
            return None
        return next((d for d in self.section.kind.defaults if d.quantity is Q.SPACING and d.least), None)

    def _give(self, conflict: Conflict) -> None:
        """Let the fact go that gives way first; raise `Refusal` where none may."""
        giver = self._giver(conflict.sources)
        if giver is None:
            raise disagreement(self.section, conflict, solve, _following)
        self.let_go.add(giver)
        if giver == MEET:
            self.meet = False
            del self.assumed[MEET]
            if Q.COUNT not in self.section.pins:
                # They do not quite meet, but there are as many as if they did.
                self.assumed[Q.COUNT] = Assumed(Q.COUNT, None, "with so many the pleats come nearest to meeting")
        else:
            del self.facts[giver]

    def _giver(self, sources: frozenset[str]) -> str | None:
        """What is left over gives first, then about-pins; to a whole count then what was assumed, then firm pins."""
        facts = self.facts
        if REST in sources and REST in facts and self.section.remainder is not Remainder.SPACING:
            return REST
        candidates = [name for name in _GIVING if name in sources and name in facts]
        if self.whole:
            candidates = [name for name in candidates if name is not Q.COUNT]
        keeps_finished = Q.FINISHED in sources and Q.FINISHED in facts

        def last(name: str) -> tuple[bool, bool, bool]:
            # A gap or an opening of nought stays shut while anything else can give; and with no finished
            # width to keep, the depth gives before the spacing.
            deep = name in (Q.DEPTH, Q.PER_PLEAT)
            return (facts[name] == 0, name not in self.loose, not keeps_finished and not deep)

        candidates.sort(key=last)
        if candidates and candidates[0] in self.loose:
            return candidates[0]
        if not self.whole or Q.COUNT not in sources:
            return None
        if MEET in sources and MEET in self.assumed:
            return MEET
        # A width that was said firmly never moves, not even for whole pleats.
        return next((name for name in candidates if name not in _WIDTHS), None)

    def _assume(self, known: _Known) -> Assumed | None:
        """The next thing that the kind assumes of what is still unknown, noted as a fact; None if nothing is left."""
        section, kind = self.section, self.section.kind
        if section.places:
            return self._assume_of_places(known)
        ready = [d for d in kind.defaults if d.quantity not in known.values and d.quantity not in self.let_go]
        for default in ready:
            if default.firm:
                self.facts[default.quantity] = default.metric
                return Assumed(default.quantity, default.metric, default.why)
        if kind.meeting is not None and kind.meets and not self.meet and Q.FULLNESS not in known.values:
            if section.meet is None and MEET not in self.let_go:
                self.meet = True
                return Assumed(MEET, None, "pleats meet unless something else settles their depth")
            if Q.DEPTH not in known.values and Q.FULLNESS not in self.let_go:
                self.facts[Q.FULLNESS] = Fraction(2)
                self.loose.add(Q.FULLNESS)
                return Assumed(
                    Q.FULLNESS, Fraction(2), "pleats that need not meet want a depth, a flat width or a fullness"
                )
        suggested = suggested_ratio(section.gathering) if not kind.folded and Q.FULLNESS not in known.values else None
        if suggested is not None and Q.FULLNESS not in self.let_go:
            self.facts[Q.FULLNESS] = suggested[0]
            self.loose.add(Q.FULLNESS)
            return Assumed(Q.FULLNESS, *suggested)
        for default in ready:
            # A spacing alone makes no edge: it needs a width or a count to stand in.
            if default.quantity is Q.SPACING and not known.values.keys() & {Q.FINISHED, Q.FLAT, Q.COUNT}:
                continue
            value = default.value(imperial=section.imperial)
            self.facts[default.quantity] = value
            self.loose.add(default.quantity)
            return Assumed(default.quantity, value, default.reason(imperial=section.imperial))
        return None

    def _assume_of_places(self, known: _Known) -> Assumed | None:
        """What placed pleats assume: a size to share, an opening that is shut, a box whose folds meet behind it."""
        section, kind = self.section, self.section.kind
        metric, imperial = Fraction(25), Fraction(127, 5)
        size = kind.size
        took = None
        if kind.hole is Q.OPENING and Q.OPENING not in known.values:
            took = Assumed(Q.OPENING, Fraction(0), "the folds kiss")
        elif also_meets(section) and not self.meet and Q.BOX not in known.values and shares(section):
            self.meet = True
            return Assumed(MEET, None, "the folds meet behind each box")
        elif kind.width is Q.BOX and Q.BOX not in known.values and (not shares(section) or Q.DEPTH in known.values):
            took = Assumed(Q.BOX, 2 * (imperial if section.imperial else metric), "a middling box to start from")
        elif shares(section) and size not in known.values and size not in self.let_go:
            deep = 1 if size is Q.DEPTH else 4
            took = Assumed(size, deep * (imperial if section.imperial else metric), "a middling pleat to start from")
        if took is not None and took.value is not None:
            self.facts[took.quantity] = took.value
            self.loose.add(Q(took.quantity))
        return took

    def _solved(self, known: _Known) -> Solution:
        section, values = self.section, known.values
        # What was assumed and then gave, with nothing to follow from instead, is no part of the answer.
        assumed = [
            a._replace(value=values.get(a.quantity, a.value))
            for a in self.assumed.values()
            if a.quantity == MEET or a.quantity in values
        ]
        ranged, spacing = self._ranged(), values.get(Q.SPACING)
        if ranged is not None and ranged.least is not None and spacing is not None:
            most = ranged.value(imperial=section.imperial)
            if not most * ranged.least <= spacing <= most:
                near = f"as near as whole pleats come; {ranged.reason(imperial=section.imperial)}"
                assumed = [a._replace(why=near) if a.quantity is Q.SPACING else a for a in assumed]
        values.setdefault(Q.FULLNESS, values[Q.FLAT] / values[Q.FINISHED] if values[Q.FINISHED] else NOUGHT)
        gave = [
            Gave(name, pin.value, values[name], _why(section, name, values))
            for name, pin in section.pins.items()
            if values.get(name, pin.value) != pin.value
        ]
        return Solution(values, tuple(gave), tuple(assumed), tuple(known.steps), self.stated)


def fewest(section: Section) -> Fraction:
    """The least count that the ends of `section` allow."""
    _, c = end_constants(section)
    if section.folds == 1:
        return max(Fraction(1, 2), Fraction(floor(Fraction(1, 2) - c)) + Fraction(1, 2))
    least = max(1, floor(-c) + 1)
    return Fraction(least + least % 2 if section.mirrored and section.mirror_at is None else least)


def _whole_count(section: Section, found: Fraction, *, obeyed: bool = False) -> Fraction:
    """The whole count for a reckoned one: the nearest, the fewer of two as near; even in a mirrored row.

    Where the spacing must not be passed, `obeyed`, the next greater one.  With one end on a fold line the whole pleats stand beside a half: the nearest of ½, 1½, 2½ …
    """
    step = 2 if section.mirrored and section.mirror_at is None else 1
    half = Fraction(section.folds % 2, 2)
    if section.remainder is Remainder.SPACING and obeyed:
        count = step * ceil((found - half) / step) + half
    elif section.remainder is Remainder.SPACING:
        count = step * ceil((found - half) / step - Fraction(1, 2)) + half
    else:
        count = step * floor((found - half) / step) + half
    if count > MOST_PLEATS:
        raise refuse(
            "too_many",
            _blame(section, Q.COUNT, Q.SPACING, Q.DEPTH),
            count,
            f"that makes {count} pleats, more than can be worked here",
            f"use at most {MOST_PLEATS}: a wider spacing or a deeper pleat",
        )
    least = fewest(section)
    if count < least and found * 2 < least:
        blamed = _blame(section, Q.SPACING, Q.BOX, Q.DEPTH, Q.PER_PLEAT, Q.FINISHED)
        pin = section.pins.get(Q(blamed.removeprefix("pins."))) if blamed.startswith("pins.") else None
        raise refuse(
            "no_pleat",
            blamed,
            section.say(Q(blamed.removeprefix("pins.")), pin.value) if pin else "",
            "not one pleat fits between the ends",
            "use a smaller spacing or pleat, a wider finished edge, or less at the ends",
        )
    return max(count, least)


def _blame(section: Section, *order: Quantity) -> str:
    """The path of the first pinned quantity in `order`, else of the pins."""
    return next((f"pins.{name}" for name in order if name in section.pins), "pins")


def _why(section: Section, name: Quantity, values: dict[str, Fraction]) -> str:
    count = values.get(Q.COUNT)
    pleats = "the edge" if count is None else "one whole pleat" if count == 1 else f"{count} whole pleats"
    s = "s" if count is None or count == 1 else ""
    if name in (Q.SPACING, Q.GAP, Q.BOX, Q.OPENING):
        return f"so that {pleats} {f'close{s} the ring' if section.closed else f'fill{s} the finished width'}"
    if name in (Q.DEPTH, Q.PER_PLEAT):
        return f"so that {pleats} take{s} up {section.say(Q.FLAT, values[Q.FLAT])}"
    return (
        f"to agree with what is pinned firmly, for {pleats}"
        if section.kind.folded
        else "to agree with what is pinned firmly"
    )
