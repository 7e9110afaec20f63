"""What is said of curtains: each panel, how they stand drawn back, what they weigh, what to mind."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from ribbon.cloth import weighs
from ribbon.fraction import Fraction
from ribbon.lengths import Length, write_ratio
from ribbon.making.asked import Given
from ribbon.making.curtain_fields import lined
from ribbon.making.curtains_flat import real_fullness
from ribbon.making.panels import Panel, rail_of
from ribbon.making.thing import Mind, Solved
from ribbon.pleats import Quantity


def slip(
    given: Given,
    panels: Sequence[Panel],
    solved: Mapping[str, Solved],
    stack: Mapping[str, Length],
    grams: Fraction | None,
) -> list[str]:
    """What is said of the panels of a window, beside what to buy and to cut."""
    says = []
    alike: dict[str, list[str]] = {}
    for panel in panels:
        alike.setdefault(_panel_says(given, panel, solved[panel.key]), []).append(panel.title.lower())
    for text, names in alike.items():
        who = "Each panel" if len(names) == len(panels) > 1 else " and ".join(names).capitalize()
        says.append(f"{who}: {text}")
    says += [*_spread_says(given), *_unlike_says(given)]
    says += dict.fromkeys(_folds_say(given, solved[panel.key]) for panel in panels)
    if stack:
        says.append(_stack_says(given, panels, stack))
    if grams is not None:
        says.append(_weight_says(given, grams))
    return says


def _spread_says(given: Given) -> list[str]:
    """How much a measure differs that was taken at several places."""
    drops = given.taken("drop")
    if len(drops) < 2 or len(set(drops)) == 1:
        return []
    low, high = min(drops, key=lambda one: one.mm), max(drops, key=lambda one: one.mm)
    return [
        f"The drop differs by {given.write(high - low)} from place to place: the shortest, {given.write(low)}, is what they are cut by."
    ]


def _unlike_says(given: Given) -> list[str]:
    """How far two hemmed panels differ that should be alike."""
    left, right = given.measures.get("panel_left"), given.measures.get("panel_right")
    if given.word("divides") != "pair" or not left or not right or left[0] == right[0]:
        return []
    return [
        f"The two panels differ by {given.write(abs(left[0] - right[0]))}, and should be alike: measure both again, or plan each as it is."
    ]


def _panel_says(given: Given, panel: Panel, one: Solved) -> str:
    from_to = f"{given.write(one.whole.flat)} flat into {given.write(one.whole.finished)}"
    ratio = write_ratio(real_fullness(given, panel, one.whole.flat)).text
    of = "everything" if given.word("fullness_of") == "all" else "the rail"
    return f"{from_to}, {ratio} times {of}."


def _folds_say(given: Given, one: Solved) -> str:
    made = one.whole.only
    if made is None or not made.section.kind.folded:
        return f"Gather {given.write(one.whole.flat)} to {given.write(one.whole.finished)}."
    size, spacing = made.length(Quantity.PER_PLEAT), made.length(Quantity.SPACING)
    of = f" of {made.section.fine.write(size).text} of cloth" if size else ""
    apart = f", {made.section.fine.write(spacing).text} apart" if spacing else ""
    return f"Fold {made.count} {made.section.kind.title}{of} in each{apart}."


def _stack_says(given: Given, panels: Sequence[Panel], stack: Mapping[str, Length]) -> str:
    widest = max(stack.values(), key=lambda one: one.mm)
    guessed = "" if given.length_or_none("stack") is not None else ", by the rule of a third of the window"
    text = f"Open, {'they stand' if len(panels) > 1 else 'it stands'} {given.write(widest)}{' each' if len(panels) > 1 else ''}{guessed}"
    window = given.least("window")
    rail = rail_of(given)[0]
    if window is None or rail is None:
        return f"{text}."
    beyond = (rail - window) / 2 if given.known("rail") and not given.known("beyond_left") else None
    left = beyond if beyond is not None else given.length("beyond_left")
    right = beyond if beyond is not None else given.length("beyond_right")
    room = min(left, right, key=lambda one: one.mm) if len(panels) > 1 else max(left, right, key=lambda one: one.mm)
    if room >= widest:
        return (
            f"{text}, and clear the glass by {given.write(room - widest)}."
            if room > widest
            else f"{text}, and just clear the glass."
        )
    return f"{text}: {given.write(widest - room)} of the glass stays covered. A rail longer by that at each side would clear it."


def _weight_says(given: Given, grams: Fraction) -> str:
    text = f"On the rail of each window: {weighs(grams, imperial=given.imperial)}{' with its lining' if lined(given) else ''}"
    bears = given.ratio("bears")
    if bears is None:
        return f"{text}. See that rail and wall fixings are made for it."
    if bears >= grams:
        return f"{text}, of the {weighs(bears, imperial=given.imperial)} that it bears."
    return f"{text}, and it bears {weighs(bears, imperial=given.imperial)}: too much for it. A stronger rail, lighter cloth or less fullness would do."


def minds(given: Given, grams: Fraction | None) -> list[Mind]:
    """What to be careful of."""
    found = []
    bears = given.ratio("bears")
    if grams is not None and (bears is None or bears < grams):
        found.append(
            Mind(
                "heavy",
                "Heavy curtains: rail and wall fixings must be rated for the load; ladder work wants a second pair of hands.",
            )
        )
    found.append(
        Mind("cords", "Looped cords strangle small children: cordless, or tied out of their reach; local rules apply.")
    )
    if given.word("to") == "breaks":
        found.append(Mind("trips", "Cloth that lies on the floor trips people; keep it off paths and stairs."))
    found.append(
        Mind("flames", "Keep curtains away from flames and heaters; public rooms may ask for flame-retardant cloth.")
    )
    return found
