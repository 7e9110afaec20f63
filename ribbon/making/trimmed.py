"""A trim as a part of another thing: along its hem, its leading edges, its top; a row of its own, folded double."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import replace
from typing import NamedTuple

from ribbon.cloth import Notion, edge_pieces
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Assumption, Field, Given, Sort
from ribbon.making.thing import (
    EdgeFact,
    EdgeFacts,
    FirstStroke,
    Lack,
    Made,
    Making,
    Part,
    Priced,
    Result,
    Solved,
    Thing,
    Tie,
    pleats_say,
    row_facts,
    work_facts,
)

KEY = "frill"
_cm = Assumption.cm


class TrimPlace(NamedTuple):
    """A place that a trim can go: its name, in words, and how long it is there; None where that does not follow."""

    name: str
    says: str
    long: Callable[[Given, FirstStroke], Length | None]


def _on(given: Given) -> bool:
    return given.word(KEY) != "none"


def _fields(places: Sequence[TrimPlace]) -> tuple[Field, ...]:
    options = (("none", "none"), *((one.name, one.says) for one in places))
    return (
        Field(KEY, "A trim", "A strip of its own, pleated or gathered and folded double, sewn on there.", Sort.WORD, group="Trim", options=options, default=Assumption("none", "say if it has one")),
        Field("frill_along", "It goes along", "The edge that it is sewn to, where that is measured: else as it follows.", measure=True, group="Trim", asked=_on),
        Field("frill_wide", "Trim’s width", "How wide it is seen.", group="Trim", default=_cm(5, 2, "seen from across a room"), asked=_on),
        Field("frill_heading", "Trim’s edge", "What it is made into.", Sort.WORD, group="Trim", options=(("gather", "gathers"), ("knife", "knife pleats"), ("box", "box pleats")), default=Assumption("gather", "it goes round corners easily"), asked=_on),
        Field("frill_fullness", "Trim’s fullness", "How many times as much as its edge is long.", Sort.RATIO, group="Trim", default=Assumption(Fraction(2), "1½ to 2½ times"), asked=lambda given: _on(given) and given.word("frill_heading") == "gather"),
        Field("frill_size", "Trim’s gauge", "How wide each of its pleats is seen; they meet.", group="Trim", default=_cm(2, Fraction(3, 4), "as wide as a thumb"), asked=lambda given: _on(given) and given.word("frill_heading") != "gather"),
        Field("frill_of", "Trim’s cloth", "Which cloth of the work it is cut from.", Sort.WORD, group="Trim", options=(("face", "the same"), ("contrast", "a contrast")), default=Assumption("face", "of what is there"), asked=_on),
    )  # fmt: skip


def trimmed(thing: Thing, places: Sequence[TrimPlace]) -> Thing:
    """The thing with a trim offered at those places, beside all that it has of its own."""

    def begin(given: Given) -> FirstStroke:
        begun = thing.begin(given)
        if begun.problems or not begun.results or not _on(given):
            return begun
        place = next(one for one in places if one.name == given.word(KEY))
        long = given.least("frill_along") or place.long(given, begun)
        if long is None or long <= ZERO or given.length("frill_wide") <= ZERO:
            return replace(
                begun, lacks=(*begun.lacks, Lack("frill_along", f"how long it is {place.says}, for the trim"))
            )
        lacks = begun.lacks
        if given.word("frill_of") == "contrast" and given.cloths.get("contrast") is None:
            lacks = (*lacks, Lack("cloths.contrast.usable", "how wide the trim’s cloth is"))
        results = dict(begun.results) | _results(given, long, place.says)
        return replace(begun, results=results, edges=(*begun.edges, _edge(given)), lacks=lacks)

    def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
        made = thing.finish(given, begun, {name: one for name, one in solved.items() if name != KEY})
        one = solved.get(KEY)
        return made if one is None else _with_trim(given, made, one)

    return replace(thing, fields=(*thing.fields, *_fields(places)), begin=begin, finish=finish)


def _results(given: Given, long: Length, says: str) -> dict[str, Result]:
    write, wide, seam = given.write, given.length("frill_wide"), given.join
    found = {
        f"{KEY}.finished": Result(long, f"{write(long)} {says}"),
        f"{KEY}.wide": Result(wide, f"{write(wide)} as it is seen"),
        f"{KEY}.seam": Result(seam, "a seam at each edge"),
        f"{KEY}.under": Result(wide + seam, f"folded double: cut {write((wide + seam) * 2)} wide"),
    }
    if given.word("frill_heading") == "gather":
        times = given.ratio("frill_fullness") or Fraction(2)
        flat = long * times
        found[f"{KEY}.flat"] = Result(flat, f"{write_ratio(times).text} × {given.figure(long)} = {write(flat)}")
    else:
        found[f"{KEY}.size"] = Result(
            given.length("frill_size"), f"about {write(given.length('frill_size'))}", about=True
        )
    return found  # fmt: skip


def _edge(given: Given) -> EdgeFacts:
    kind = given.word("frill_heading")
    facts: dict[str, EdgeFact] = {
        "kind": kind,
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{KEY}.finished"),
        "allowance.start": Tie(f"{KEY}.seam"),
        "allowance.end": Tie(f"{KEY}.seam"),
        "cutting.drop.finished": Tie(f"{KEY}.wide"),
        "cutting.drop.heading": Tie(f"{KEY}.seam"),
        "cutting.drop.hem": Tie(f"{KEY}.under"),
        "cutting.drop.hem_turns": 1,
    }
    facts |= row_facts(kind, f"{KEY}.flat", f"{KEY}.size")
    if given.word("frill_of") == "contrast":
        facts["cloth"] = "contrast"
    return EdgeFacts(KEY, "Trim", facts | work_facts(given))


def _with_trim(given: Given, made: Made, one: Solved) -> Made:
    write = given.write
    cut = edge_pieces(KEY, "Trim", one.whole, one.cutting)
    says = f"{write(one.whole.flat)} into {write(one.whole.finished)}, {pleats_say(one.whole)}"
    thread = [each for each in cut.notions if each.name == "thread"]
    own = [each for each in made.notions if each.notion.name != "thread"]
    spools = [*(each.notion for each in made.notions if each.notion.name == "thread"), *thread]
    whole = sum((each.length for each in spools if each.length is not None), ZERO)
    step = Making(
        "trim",
        f"Join the trim’s strips, fold them double along their length and press; {'pleat' if one.whole.count else 'gather'} {write(one.whole.flat)} into {write(one.whole.finished)}, and sew it on.",
    )
    return replace(
        made,
        parts=(*made.parts, Part(KEY, "Trim", 1, says, KEY)),
        pieces=(*made.pieces, *cut.pieces),
        notions=(*own, *([Priced(Notion("thread", None, whole))] if spools else [])),
        steps=(*made.steps, step),
        slip=(*made.slip, f"Trim: {says}; strips {write((given.length('frill_wide') + given.join) * 2)} wide, folded double."),
    )  # fmt: skip


def result_named(name: str) -> Callable[[Given, FirstStroke], Length | None]:
    """How long a place is that is a result of its thing."""

    def long(given: Given, begun: FirstStroke) -> Length | None:
        found = begun.results.get(name)
        return found.value if found is not None and isinstance(found.value, Length) else None

    return long


def leading_edges(given: Given, begun: FirstStroke) -> Length | None:
    """The leading edge of every panel, as long as it falls."""
    falls = result_named("drop.finished")(given, begun)
    return None if falls is None else falls * len(begun.edges)


def hems(given: Given, begun: FirstStroke) -> Length | None:
    """All hems, as wide as the cloth is flat: where that is a result, or three times what pleats cover that meet."""
    whole = ZERO
    for edge in begun.edges:
        flat = result_named(f"{edge.name}.flat")(given, begun)
        if flat is None:
            finished = result_named(f"{edge.name}.finished")(given, begun)
            if finished is None or edge.facts.get("meet") is not True or "placed" in edge.facts:
                return None
            flats = [tie.result for end in ("lead", "tail") if isinstance(tie := edge.facts.get(f"{end}.width"), Tie)]
            plain = sum((result_named(name)(given, begun) or ZERO for name in flats), ZERO)
            flat = (finished - plain) * 3 + plain
        whole += flat
    return whole
