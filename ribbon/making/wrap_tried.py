"""Every stripe of a wrap's plaid tried as centre, and what gives where its cloth is short, each beside the others."""

from __future__ import annotations

from ribbon.cloth import repeat_of
from ribbon.cloth.ways import lengthways
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, counted, typed_number
from ribbon.making.asked import Given
from ribbon.making.plaid import alike, between, middle_of, stripe_at
from ribbon.making.recipes import drop_of
from ribbon.making.thing import Alternative, Compared
from ribbon.making.wraps import Wrap, fold_wanted, outer_first, stripes_of, wrapped

_MOST_TRIED = 16


def stripe_says(given: Given, number: int) -> str:
    """What a stripe is called: its own name, else its number."""
    stripe = stripes_of(given)[number - 1]
    return f"Stripe {number}, {stripe.name}," if stripe.name else f"Stripe {number}"


def edges_of(given: Given, made: Wrap, centre: int | None = None) -> tuple[int, int]:
    """The stripes at the outer edge and at the inner one, by their numbers."""
    stripes = stripes_of(given)
    middle = middle_of(stripes, centre or given.count("centre") or 1)
    half, along = made.front / 2, made.front / 2 + made.pleats + made.front
    if outer_first(given):
        return stripe_at(stripes, middle - half), stripe_at(stripes, middle + along)
    return stripe_at(stripes, middle + half), stripe_at(stripes, middle - along)


def centres(given: Given) -> list[Compared]:
    """Each stripe as the centre of the outer front piece: its folds, its edges, what is left or gives; small fronts beside."""
    stripes, taken = stripes_of(given), given.count("centre") or 1
    rows = []
    for number in range(1, min(len(stripes), _MOST_TRIED) + 1):
        made = wrapped(given, centre=number)
        if made is None:
            return []
        rows.append(_tried(given, number, made, taken=number == taken))
    if not rows:
        return []
    return [Compared("The stripe at the centre", "what each gives, and what it costs", tuple(rows))]


def _tried(given: Given, number: int, made: Wrap, *, taken: bool) -> Alternative:
    stripes, write = stripes_of(given), given.write
    half, middle = made.front / 2, middle_of(stripes, number)
    front = between(stripes, middle - half, middle + half)
    same = alike(stripes, middle, half)
    outer, inner = edges_of(given, made, number)
    sides = "both halves of the front alike" if same else "its two halves differ"
    meets = (
        "the same stripe at both edges" if outer == inner else f"stripe {outer} at the outer edge, {inner} at the inner"
    )
    still = made.flat - made.room if made.room is not None and made.flat > made.room else ZERO
    short = f"; {write(still)} short" if still else ""
    left = f", {write(made.room - made.flat)} left" if made.room is not None and made.room > made.flat else ""
    more = "" if made.room is not None else f", {write(made.flat)} flat"
    stripe = stripes[number - 1]
    return Alternative(
        ("centre", str(number)),
        f"Stripe {number}, {stripe.name or write(stripe.width)}",
        f"deep folds {write(made.outer)} and {write(made.inner)}, {counted(made.many, 'pleats')}{left}{more}",
        f"{sides}; {meets}{short}",
        _cost(given, made),
        tuple(one.long for one in front),
        taken,
        warns=bool(still) or not made.inner,
        colours=tuple(one.colour for one in front),
    )


def _cost(given: Given, made: Wrap) -> Fraction | None:
    """What so much cloth costs where it is bought, along it in strips side by side or in one; None where that is not known."""
    bolt, length = given.cloths.get("face"), given.least("length")
    if bolt is None or length is None or made.room is not None or given.word("lies") == "across":
        return None
    cut = made.flat + given.join * 2
    strips = lengthways(bolt, drop_of(given, length), cut, given.join)
    if given.word("lies") == "railroaded" or strips.strips < 2:
        return bolt.cost(bolt.bought(cut))
    # A repeat more, so that the plaid can run on where they are joined.
    return bolt.cost(bolt.bought(strips.length + repeat_of(bolt.stripes)))


def when_short(given: Given) -> list[Compared]:
    """What gives where the cloth at hand is short, in the order in which one tries it; nothing while it is enough."""
    asked = wrapped(given, short="join")
    if asked is None or asked.room is None or not asked.lacks:
        return []
    taken, write = given.word("short"), given.write
    rows = [
        _gives(given, "inner", "The inner fold", taken),
        _gives(given, "fewer", "A pleat or more", taken),
        *_other_centre(given, asked.lacks),
    ]
    rows.append(
        Alternative(
            ("short", "join"),
            "Nothing",
            f"{write(asked.lacks)} more cloth is wanted",
            "one join more, if it is not woven on",
            None,
            (),
            taken == "join",
        )
    )
    kept = [row for row in rows if row is not None]
    return [Compared("What gives", f"the cloth is {write(asked.lacks)} short of both folds whole", tuple(kept))]


def _gives(given: Given, way: str, title: str, taken: str) -> Alternative | None:
    made = wrapped(given, short=way)
    if made is None or made.room is None or not made.gave:
        return None
    still = max(ZERO, made.flat - made.room)
    says = f"fold {given.write(made.inner)}, {counted(made.many, 'pleats')}" + (
        f", still {given.write(still)} short" if still else ""
    )
    warns = bool(still) or made.inner < fold_wanted(given)
    return Alternative(("short", way), title, says, made.gave, None, (), taken == way, warns=warns)


def _other_centre(given: Given, lacks: Length) -> list[Alternative]:
    """The stripe whose outer fold is the shallowest, where that gives back some cloth: up to half a repeat or more is moved."""
    stripes = stripes_of(given)
    tried = [(made.outer, n) for n in range(1, len(stripes) + 1) if (made := wrapped(given, n, "join")) is not None]
    now = wrapped(given, short="join")
    if not tried or now is None:
        return []
    outer, number = min(tried, key=lambda one: one[0].mm)
    gained = now.outer - outer
    if gained <= ZERO:
        return []
    part = "half a repeat or more" if gained * 2 >= repeat_of(stripes) else "less than half a repeat"
    still = max(ZERO, lacks - gained)
    says = f"{stripe_says(given, number).rstrip(',')} instead: {given.write(gained)} gained" + (
        f", still {given.write(still)} short" if still else ""
    )
    return [
        Alternative(
            ("centre", typed_number(Fraction(number))),
            "Another centre",
            says,
            f"moved by {part}",
            None,
            (),
            False,
            warns=bool(still),
        )
    ]
