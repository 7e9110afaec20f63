"""A cover's skirt: its runs in walking order with a pleat where they meet; the first stroke, the facts of its one edge."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.errors import Problem
from ribbon.lengths import ZERO, Length, typed
from ribbon.making.asked import Given
from ribbon.making.cannot import nothing_chosen, nought, too_many
from ribbon.making.cover_fields import (
    MOST_RUNS,
    after_field,
    faced,
    lined,
    ring,
    run_field,
    run_title,
    runs_many,
)
from ribbon.making.recipes import hem_of
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, work_facts

KEY = "cover"


class Run(NamedTuple):
    """A run, or the half of one that has a pleat in its middle: its number, what it is called, how long it is, whether a pleat follows."""

    number: int
    title: str
    length: Length
    pleat: bool


def runs_of(given: Given) -> list[Run]:
    """Its runs in walking order, long ones in two halves where that was asked; empty while one is not measured."""
    many, found = runs_many(given), []
    split = given.length("split") if given.known("split") else None
    for number in range(1, many + 1):
        long = given.least(run_field(number))
        if long is None:
            return []
        pleat = given.word(after_field(number)) != "none" and (ring(given) or number < many)
        title = run_title(given, number)
        if split is not None and long > split:
            found += [
                Run(number, f"{title}, first half", long / 2, True),
                Run(number, f"{title}, second half", long / 2, pleat),
            ]
        else:
            found.append(Run(number, title, long, pleat))
    return found


def from_its_beginning(given: Given, runs: list[Run]) -> list[Run]:
    """The runs in the order in which they are joined: a ring begins after the pleat that it closes in."""
    if not ring(given):
        return runs
    after = given.count("begins") or 0
    pleated = [index for index, one in enumerate(runs) if one.pleat]
    # After all of that run, where it has a pleat within; after the last pleat where none follows it.
    behind = [index for index in pleated if runs[index].number == after and _ends(runs, index)]
    ends = behind or pleated
    return [*runs[ends[-1] + 1 :], *runs[: ends[-1] + 1]] if ends else runs


def _ends(runs: list[Run], index: int) -> bool:
    """Whether a run ends there, and not its first half alone."""
    return index + 1 == len(runs) or runs[index + 1].number != runs[index].number


class CoverLength(NamedTuple):
    """What is cut in one piece: the runs between two pleats; whether it is pleated at its start and its end."""

    title: str
    length: Length
    starts: bool
    ends: bool


def sections_of(given: Given) -> list[CoverLength]:
    """What the skirt is cut in, from its beginning: one piece from pleat to pleat."""
    runs = from_its_beginning(given, runs_of(given))
    found: list[CoverLength] = []
    names: list[str] = []
    long, starts = ZERO, ring(given)
    for one in runs:
        names.append(one.title)
        long += one.length
        if one.pleat:
            found.append(CoverLength(_joined(names), long, starts, True))
            names, long, starts = [], ZERO, True
    if names:
        found.append(CoverLength(_joined(names), long, starts, False))
    return found


def _joined(names: list[str]) -> str:
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1].lower()}"


def face_of(given: Given, height: Length) -> Length:
    """What the face takes below its seam: its height and hem, or folded double, or rolled to the back of a lining.

    Faced with itself it is cut 2·(finished + a) deep; sewn to a lining cut L deep, (face + L − 2a) / 2 − a = finished.
    """
    seam = given.join
    if given.word("made") == "self":
        return height * 2 + seam * 2
    if lined(given):
        return height * 2 + seam * 4 - liner_of(given, height)
    below = hem_of(given)
    return height + seam + (below.depth * 2 if below.turns == 2 else below.takes)


def liner_of(given: Given, height: Length) -> Length:
    """How deep the lining is cut."""
    return given.length("liner") if given.known("liner") else height


def begin(given: Given) -> FirstStroke:
    """The first stroke: the round, where its pleats stand, how deep it is cut."""
    many = runs_many(given)
    lacks = [
        Lack(run_field(number), run_title(given, number).lower())
        for number in range(1, many + 1)
        if given.least(run_field(number)) is None
    ]
    height = given.least("height")
    lacks += [Lack("height", "the height")] if height is None else []
    if given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    names = [run_field(number) for number in range(1, many + 1)]
    problems = [
        *nought(given, ("height", "all_round", *names)),
        *(too_many(given, "runs", MOST_RUNS, "runs") if given.fields["runs"].asked(given) else []),
        *_wrong(given, height),
    ]
    runs = runs_of(given) if not problems else []
    if problems or not runs:
        return FirstStroke({}, (), tuple(lacks), problems=tuple(problems))
    whole = sum((one.length for one in runs), ZERO)
    write, figure = given.write, given.figure
    results = {
        f"{KEY}.finished": Result(whole, f"{' + '.join(figure(one.length) for one in runs)} = {write(whole)}"),
        "deep": Result(given.length("deep"), f"{write(given.length('deep'))} at each side"),
        "side": Result(given.join, "a seam, in the middle of the underlay"),
    }
    if height is not None:
        seam, cut = given.join, face_of(given, height)
        results |= {
            "drop.finished": Result(height, f"height {write(height)}"),
            "drop.heading": Result(seam, f"{write(seam)}, sewn to what is above it"),
            "drop.hem": Result(_below(given, height, cut), f"cut {write(cut)} deep"),
            "lining.shorter": Result(height - liner_of(given, height), f"cut {write(liner_of(given, height))} deep"),
            "nothing": Result(ZERO, "its foot is sewn to the face’s"),
        }
    return FirstStroke(results, (_edge(given, runs),), tuple(lacks))


def _below(given: Given, height: Length, cut: Length) -> Length:
    """What is turned up below, once: half of a double hem."""
    more = cut - height - given.join
    return more / 2 if not faced(given) and hem_of(given).turns == 2 else more


def _edge(given: Given, runs: list[Run]) -> EdgeFacts:
    ordered = from_its_beginning(given, runs)
    places: list[dict[str, str]] = [{"at": typed(ZERO, given.unit)}] if ring(given) else []
    along = ZERO
    for one in ordered[:-1]:
        along += one.length
        if one.pleat:
            places.append({"at": typed(along, given.unit)})
    facts: dict[str, EdgeFact] = {
        "kind": "inverted",
        "unit": given.unit.sign,
        "closed": ring(given),
        "pins.finished": Tie(f"{KEY}.finished"),
        "pins.depth": Tie("deep"),
        "placed": places,
        "allowance.start": Tie("side"),
        "allowance.end": Tie("side"),
        "cutting.strategy": "at_pleats",
        "cutting.names": [one.title for one in sections_of(given)],
        **{f"cutting.drop.{name}": Tie(f"drop.{name}") for name in ("finished", "heading", "hem")},
        "cutting.drop.hem_turns": 2 if not faced(given) and hem_of(given).turns == 2 else 1,
    }
    if lined(given):
        facts |= {
            "cutting.lining.shorter": Tie("lining.shorter"),
            "cutting.lining.hem": Tie("nothing"),
            "cutting.lining.way": given.word("lining_way"),
        }
    return EdgeFacts(KEY, "Skirt of the cover", facts | work_facts(given))


def _wrong(given: Given, height: Length | None) -> list[Problem]:
    found = nothing_chosen(given, (("deep", "say how deep a pleat goes at either side"),))
    runs = runs_of(given)
    if runs and not any(one.pleat for one in runs):
        found.append(
            Problem(
                "no_pleats",
                f"choices.{after_field(1)}",
                "no pleat",
                "no run is followed by a pleat",
                "let at least one corner have its pleat",
            )
        )
    if height is not None and lined(given) and not ZERO < liner_of(given, height) <= height:
        found.append(
            Problem(
                "out_of_range",
                "choices.liner",
                given.write(liner_of(given, height)),
                f"a lining deeper than the {given.write(height)} of the skirt would show below it",
                "cut it as deep as the skirt is finished, or less",
            )
        )
    return found
