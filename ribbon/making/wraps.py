"""A wrap with plain front pieces: the first stroke, from the body and the plaid to the facts of its one edge.

From its outer edge the strip is: a deep fold inside the edge, the outer front piece, N pleats with N − 1 faces between
them, the inner front piece, its deep fold.  With pleats a pitch P = s + 2d apart, P = m repeats, all of it takes

    fold + front + (N·P − s) + front + fold
"""

from __future__ import annotations

from math import floor
from typing import NamedTuple

from ribbon.cloth import Bolt, Stripe, repeat_of, rooms_at_hand
from ribbon.errors import Problem
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, typed, typed_number
from ribbon.making.asked import Given
from ribbon.making.cannot import nothing_chosen, nought
from ribbon.making.plaid import middle_of, on_from
from ribbon.making.recipes import drop_of, hem_of
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, drop_facts, work_facts
from ribbon.making.wrap_fields import striped
from ribbon.readings import Allowed

KEY = "wrap"
MOST_PLEATS = 200


class Halves(NamedTuple):
    """What each level of the body comes to with its ease: the front piece there, and what the pleats go round."""

    front: Length
    pleated: Length


def halves(given: Given, level: str) -> Halves | None:
    """The two halves at the ``waist`` or the ``hip``; None where that is not measured."""
    body = given.most(level)
    if body is None:
        return None
    whole = body + given.length("ease" if level == "waist" else "hip_ease")
    front = given.least(f"front_{level}") or whole / 2
    return Halves(front, whole - front)


class Wrap(NamedTuple):
    """How the strip is shared out.

    `front` is each front piece, `pleated` what the pleats cover, both at the hip; `first` is what the pleat beside the
    outer piece takes more than the others.  `room` is what the cloth at hand holds, `lacks` what it is short of both folds
    whole; `gave` says what gave way.
    """

    front: Length
    pleated: Length
    many: int
    spacing: Length
    repeats: int
    pitch: Length
    first: Length
    outer: Length
    inner: Length
    room: Length | None
    lacks: Length
    gave: str

    @property
    def take(self) -> Length:
        """What each pleat takes: twice its depth."""
        return self.pitch - self.spacing

    @property
    def pleats(self) -> Length:
        """The flat width from the outer front piece to the inner one."""
        return self.pitch * self.many - self.spacing + self.first

    @property
    def flat(self) -> Length:
        """All of it, folds included."""
        return self.outer + self.front * 2 + self.pleats + self.inner


def stripes_of(given: Given) -> tuple[Stripe, ...]:
    """The stripes of its cloth."""
    cloth: Bolt | None = given.cloths.get("face")
    return cloth.stripes if cloth is not None else ()


def repeat_along(given: Given) -> Length:
    """The repeat that its pleats are laid by, nought for none."""
    cloth = given.cloths.get("face")
    if cloth is None:
        return ZERO
    return repeat_of(cloth.stripes) if cloth.stripes else cloth.across


def outer_first(given: Given) -> bool:
    """Whether the outer front piece is at the start of the strip as one looks at its right side."""
    return given.word("edge_at") == "right"


def fold_wanted(given: Given) -> Length:
    """How deep the inner fold is, its strap included."""
    return given.length("fold_inner") + given.length("strap")


def outer_fold(given: Given, front: Length, centre: int) -> Length:
    """The shallowest outer fold of a hand or more that brings that stripe to the middle of the front piece."""
    least, stripes = given.length("fold"), stripes_of(given)
    if not stripes:
        return least
    middle, begins = middle_of(stripes, centre), given.length("begins")
    # From the cut end one walks up the sequence where the outer piece is at the start, else down.
    away = middle - begins if outer_first(given) else begins - middle
    return on_from(away - given.join - front / 2, least, repeat_of(stripes))


def room_at_hand(given: Given) -> Length | None:
    """How long a strip the cloth at hand makes, a repeat less for each join so that the plaid runs on; None of cloth that is bought."""
    bolt, length = given.cloths.get("face"), given.least("length")
    if bolt is None or bolt.at_hand is None or length is None:
        return None
    drop = drop_of(given, length)
    rooms = rooms_at_hand(bolt, drop, Allowed(given.join, given.join, given.join, None), given.word("lies"))
    room = max(rooms.values(), key=lambda one: one.mm, default=ZERO)
    joins = int(bolt.usable / drop.cut) - 1 if "lengthways" in rooms else 0
    return max(ZERO, room - repeat_along(given) * joins)


def wrapped(given: Given, centre: int | None = None, short: str | None = None) -> Wrap | None:
    """How the strip is shared out, with another stripe at its centre or another way where cloth is short, if they are said."""
    hip = halves(given, "hip")
    if hip is None or hip.pleated <= ZERO:
        return None
    number = centre or given.count("centre") or 1
    way = short or given.word("short")
    wanted, outer = fold_wanted(given), outer_fold(given, hip.front, number)
    count = max(2, floor(hip.pleated / given.length("size") + Fraction(1, 2)) + 1)
    made = _laid(given, hip, count, number, outer, wanted)
    room = room_at_hand(given)
    if room is None:
        return made
    lacks = max(ZERO, made.flat - room)
    made = made._replace(room=room, lacks=lacks)
    if not lacks or way in ("join", "centre"):
        return made
    if way == "inner":
        inner = max(ZERO, wanted - lacks)
        return made._replace(inner=inner, gave=f"the inner fold is {given.write(inner)} and not {given.write(wanted)}")
    fewer = made
    while fewer.flat > room and fewer.many > 2:
        found = _laid(given, hip, fewer.many - 1, number, outer, wanted)._replace(room=room, lacks=lacks)
        if found.flat >= fewer.flat:
            break
        fewer = found
    gone = made.many - fewer.many
    return fewer._replace(gave=f"{gone} pleat{'' if gone == 1 else 's'} fewer" if gone else "")


def _laid(given: Given, hip: Halves, count: int, centre: int, outer: Length, inner: Length) -> Wrap:
    spacing, repeat = hip.pleated / (count - 1), repeat_along(given)
    repeats, pitch = 0, spacing * 3
    if repeat:
        at_least = spacing * 2 / repeat
        repeats = given.count("repeats") or max(1, -(-at_least.numerator // at_least.denominator))
        pitch = repeat * repeats
    first = _to_stripe(given, hip.front, spacing, pitch, centre)
    return Wrap(hip.front, hip.pleated, count, spacing, repeats, pitch, first, outer, inner, None, ZERO, "")


def _to_stripe(given: Given, front: Length, spacing: Length, pitch: Length, centre: int) -> Length:
    """What the first pleat takes more, so that each shows the chosen stripe in its middle."""
    stripes = stripes_of(given)
    if not striped(given) or given.word("to") != "stripe":
        return ZERO
    shown, at = middle_of(stripes, given.count("shown") or 1), middle_of(stripes, centre)
    walked = front / 2 + (pitch - spacing) + spacing / 2
    away = shown - at if outer_first(given) else at - shown
    return on_from(away - walked, ZERO, repeat_of(stripes))


def begin(given: Given) -> FirstStroke:
    """The first stroke: the body's halves, the folds, what its pleats begin from."""
    lacks = [Lack(name, f"the {name}") for name in ("waist", "hip", "length") if given.least(name) is None]
    if given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    problems = [*nought(given, ("waist", "hip", "length", "hip_level", "front_waist", "front_hip")), *_wrong(given)]
    if problems:
        return FirstStroke({}, (), tuple(lacks), problems=tuple(problems))
    made = wrapped(given)
    if made is None:
        return FirstStroke({}, (), tuple(lacks))
    results = _results(given, made)
    return FirstStroke(results, (_edge(given, made, tapers="taper" in results),), tuple(lacks))


def _results(given: Given, made: Wrap) -> dict[str, Result]:
    write, figure = given.write, given.figure
    whole = made.front * 2 + made.pleated
    below, waist, hip = hem_of(given), halves(given, "waist"), halves(given, "hip")
    results = {
        f"{KEY}.finished": Result(
            whole, f"{figure(made.front)} + {figure(made.pleated)} + {figure(made.front)} = {write(whole)} at the hip"
        ),
        "front": Result(made.front, f"{write(made.front)} across the front at the hip"),
        "count": Result(made.many, f"{write(made.pleated)} ÷ {write(made.spacing)} + 1 = {made.many}"),
        "take": Result(made.take, _take_says(given, made)),
        "flat": Result(made.front * 2 + made.pleats, "both front pieces and the pleats, without their folds"),
        "fold": Result(made.outer, f"{write(made.outer)}, at least {write(given.length('fold'))}"),
        "inner": Result(made.inner, f"{write(given.length('fold_inner'))} and {write(given.length('strap'))} for the strap"),
        "drop.finished": Result(given.least("length"), f"length {write(given.length('length'))}"),
        "drop.heading": Result(given.join, f"{write(given.join)}, sewn into the band"),
        "drop.hem": Result(below.depth if below.turns == 2 else below.takes, below.says),
        "side": Result(given.join, "turned in at each edge"),
    }  # fmt: skip
    if waist is not None and hip is not None and waist.pleated != hip.pleated:
        level, narrow = given.length("hip_level"), made.front * 2 + waist.pleated
        says = f"{figure(made.front)} + {figure(waist.pleated)} + {figure(made.front)} = {write(narrow)}, the front pieces drawn in beside"
        results |= {
            "taper": Result(level, f"the hip {write(level)} below"),
            "waist": Result(narrow, says),
        }
    return results


def _take_says(given: Given, made: Wrap) -> str:
    if not made.repeats:
        return f"twice {given.write(made.take / 2)}: as deep as they are wide"
    many = "the repeat" if made.repeats == 1 else f"{made.repeats} repeats"
    return f"{many}, {given.write(made.pitch)}, less {given.write(made.spacing)} that shows"


def _edge(given: Given, made: Wrap, *, tapers: bool) -> EdgeFacts:
    first = outer_first(given)
    facts: dict[str, EdgeFact] = {
        "kind": "knife",
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{KEY}.finished"),
        "facing": given.word("facing"),
        "allowance.start": Tie("side"),
        "allowance.end": Tie("side"),
        "cutting.way": given.word("lies"),
        "cutting.front.shows": Tie("front"),
        "cutting.front.fold": Tie("fold"),
        "cutting.front.inner": Tie("inner"),
        "cutting.front.outer": "start" if first else "end",
    }
    facts |= {
        "lead.width": Tie("front"),
        "lead.name": f"{'outer' if first else 'inner'} front piece",
        "tail.width": Tie("front"),
        "tail.name": f"{'inner' if first else 'outer'} front piece",
    }
    if made.first:
        facts |= {"pins.flat": Tie("flat"), "placed": _places(given, made)}
    else:
        facts |= {"pins.count": Tie("count"), "pins.per_pleat": Tie("take")}
    if tapers:
        facts |= {"taper.height": Tie("taper"), "taper.finished": Tie("waist")}
    if striped(given):
        facts |= {
            "cutting.stripe": given.count("centre") or 1,
            "cutting.stripe_at": "middle",
            "cutting.stripe_where": "start" if first else "end",
        }
    facts |= work_facts(given)
    facts |= drop_facts(hem_of(given).turns)
    return EdgeFacts(KEY, "Wrap", facts)


def _places(given: Given, made: Wrap) -> list[dict[str, str]]:
    """Each pleat where it stands, the one beside the outer front piece deeper."""
    deeper = 0 if outer_first(given) else made.many - 1
    found = []
    for number in range(made.many):
        place = {"at": typed(made.front + made.spacing * number, given.unit)}
        if number == deeper:
            place["depth"] = typed((made.take + made.first) / 2, given.unit)
        found.append(place)
    return found


def _wrong(given: Given) -> list[Problem]:
    write = given.write
    found = nothing_chosen(
        given,
        (
            ("size", "say how wide each pleat is seen"),
            ("fold", "a hand keeps it closed"),
            ("fold_inner", "a hand keeps it closed"),
        ),
    )
    for level in ("waist", "hip"):
        got = halves(given, level)
        if got is not None and got.pleated <= ZERO:
            found.append(
                Problem(
                    "too_wide",
                    f"measures.front_{level}",
                    write(got.front),
                    f"a front of {write(got.front)} leaves nothing of the {level} for pleats",
                    "measure across the front only, from side to side",
                )
            )
    many = len(stripes_of(given))
    for name in ("centre", "shown"):
        number = given.count(name)
        if many and number is not None and given.fields[name].asked(given) and not 1 <= number <= many:
            found.append(
                Problem(
                    "no_such_stripe",
                    f"choices.{name}",
                    str(number),
                    f"the cloth has {many} stripes",
                    f"choose one from 1 to {many}",
                )
            )
    hip = halves(given, "hip")
    return found if found or hip is None else _pleats_wrong(given, hip)


def _pleats_wrong(given: Given, hip: Halves) -> list[Problem]:
    write, size = given.write, given.length("size")
    if hip.pleated / size > MOST_PLEATS:
        return [
            Problem(
                "out_of_range",
                "choices.size",
                write(size),
                f"pleats of {write(size)} would be {floor(hip.pleated / size)} of them",
                f"let each be seen for {write(hip.pleated / MOST_PLEATS)} or more",
            )
        ]
    repeats, made = given.count("repeats"), wrapped(given)
    if repeats is None or made is None or not repeat_along(given) or made.pitch > made.spacing:
        return []
    return [
        Problem(
            "too_small",
            "choices.repeats",
            typed_number(Fraction(repeats)),
            f"{write(made.pitch)} of cloth to a pleat leaves nothing to fold behind {write(made.spacing)}",
            "give each pleat more repeats, or let it show less",
        )
    ]
