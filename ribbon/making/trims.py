"""A trim: pleated or gathered, folded double, hemmed, with a heading, twisted, or wound into rosettes; the first stroke.

Folded double it is cut 2·(w + a) wide.  Its edge is what it goes along, and at each corner so much more that it does not
draw in there; of a rosette, sewn in rounds from an inner to an outer width, rounds · π · (inner + outer) / 2.
"""

from __future__ import annotations

from collections.abc import Callable

from ribbon.errors import Problem
from ribbon.fraction import Fraction
from ribbon.gathers import EVERY, LONGEST_STITCH, stitch_text
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making import curtain_fields
from ribbon.making.asked import Assumption, Field, Given, Sort
from ribbon.making.cannot import nothing_chosen, nought
from ribbon.making.recipes import hem_of
from ribbon.making.thing import EdgeFact, EdgeFacts, FirstStroke, Lack, Result, Tie, row_facts, work_facts
from ribbon.shapes import PI

KEY = "trim"
EDGES = ("edge", "edge_2", "edge_3", "edge_4")
NARROWEST_TWIST = Length.cm(15)
_cm = Assumption.cm
_OF_CURTAIN = {one.name: one for one in curtain_fields.FIELDS}


def _chosen(name: str, *which: str) -> Callable[[Given], bool]:
    return lambda given: given.word(name) in which


def wound(given: Given) -> bool:
    """Whether it is wound into rosettes."""
    return given.word("made") == "rosette"


def of_cloth(given: Given) -> bool:
    """Whether it is cut from cloth, and not bought by the metre."""
    return given.word("of") == "cloth"


def drawn_up(given: Given) -> bool:
    """Whether it is gathered."""
    return given.word("heading") == "gather"


def by_attachment(given: Given) -> bool:
    """Whether an attachment gathers it."""
    return drawn_up(given) and given.word("by") == "attachment"


def _along(given: Given) -> bool:
    return not wound(given)


def _hemmed(given: Given) -> bool:
    return of_cloth(given) and given.word("made") in ("hemmed", "heading", "twisted")


FIELDS: tuple[Field, ...] = (
    Field("edge", "Edge", "Along the edge that it goes on, from end to end or all the way round.", measure=True, first=True, asked=_along),
    Field("edge_2", "Second edge", "Another edge that the same trim goes on.", measure=True, group="More edges", asked=_along),
    Field("edge_3", "Third edge", "Another edge that the same trim goes on.", measure=True, group="More edges", asked=_along),
    Field("edge_4", "Fourth edge", "Another edge that the same trim goes on.", measure=True, group="More edges", asked=_along),
    Field("across", "Rosette across", "How wide a rosette is where its outer round is sewn on.", measure=True, first=True, asked=wound),
    Field("inner", "Inner round", "How wide its innermost round is where it is sewn.", measure=True, group="Rosettes", default=_cm(1, Fraction(3, 8), "as small as it will close"), asked=wound),
    Field("wide", "Width", "How wide the trim is seen, without what is turned in.", measure=True, first=True, usual=(Length.cm(1), Length.cm(40))),
    Field("heading", "It is", "What it is made into.", Sort.WORD, line=True, first=True, options=(("knife", "knife pleats"), ("box", "box pleats"), ("gather", "gathers")), default=Assumption("knife", "they lie flat and even")),
    Field("made", "Finished", "Folded double along its length, hemmed at both edges, hemmed with a heading that stands above the stitching, twisted: pleated opposite ways at both edges, or wound into rosettes.", Sort.WORD, line=True, first=True, options=(("double", "folded double"), ("hemmed", "hemmed both sides"), ("heading", "with a heading"), ("twisted", "twisted"), ("rosette", "as rosettes")), default=Assumption("double", "no hem to sew")),
    Field("of", "Of", "Strips cut from cloth, or ribbon and lace bought by the metre.", Sort.WORD, line=True, options=(("cloth", "strips of cloth"), ("metre", "ribbon or lace by the metre")), default=Assumption("cloth", "of the same cloth")),
    Field("round", "It goes", "All the way round and closes, or ends at both ends.", Sort.WORD, line=True, options=(("ends", "from end to end"), ("ring", "all the way round")), default=Assumption("ends", "both ends are turned in"), asked=_along),
    Field("size", "Gauge", "How wide each pleat is seen; they meet, so it takes three times its edge whatever the gauge.", first=True, default=_cm(2, Fraction(3, 4), "a gauge as wide as a thumb"), asked=lambda given: not drawn_up(given)),
    Field("fullness", "Fullness", "How many times as much as its edge is long.", Sort.RATIO, first=True, default=Assumption(Fraction(2), "1½ to 2½ times"), asked=lambda given: drawn_up(given) and not by_attachment(given)),
    Field("by", "Gathered", "By threads that are drawn up, or as it is sewn, by an attachment.", Sort.WORD, line=True, options=(("threads", "by threads"), ("attachment", "by an attachment")), default=Assumption("threads", "any machine does it"), asked=drawn_up),
    Field("tuck", "It tucks", "How much the attachment tucks each time: a swatch says.", group="Attachment", default=Assumption(Length(6), "as most are set"), asked=by_attachment, in_mm=True),
    Field("every", "Every so many stitches", "How many stitches to a tuck.", Sort.COUNT, group="Attachment", default=Assumption(6, "the middle setting"), asked=by_attachment),
    Field("stitch", "Stitch", "How long a stitch is.", group="Attachment", default=Assumption(Length(Fraction(5, 2)), "a middling one"), asked=by_attachment, in_mm=True),
    Field("stands", "Heading", "How far the heading stands above the stitching.", group="Edges", default=_cm(1, Fraction(3, 8), "as high as it will stand by itself"), asked=_chosen("made", "heading")),
    Field("corners", "Corners", "How many outward corners it goes round, on all its edges.", Sort.COUNT, group="More edges", default=Assumption(0, "none"), may_be_none=True, asked=_along),
    Field("corner", "More at a corner", "How much edge more each corner takes, so that it does not draw in: as much as it is wide, where nothing is said.", group="More edges", asked=lambda given: _along(given) and bool(given.count("corners"))),
    Field("rosettes", "Rosettes", "How many of them.", Sort.COUNT, group="Rosettes", default=Assumption(1, "one"), asked=wound),
    Field("rounds", "Rounds", "How many rounds from the outer to the inner one.", Sort.COUNT, group="Rosettes", default=Assumption(3, "full to the middle"), asked=wound),
    Field("lies", "Strips lie", "Which way of the cloth they are cut.", Sort.WORD, group="Cloth", options=(("across", "across it"), ("lengthways", "along it, side by side"), ("railroaded", "along it, in one length")), default=Assumption("across", "as cloth is bought"), asked=of_cloth),
    Field("hem", "Hem", "How its edges are hemmed.", Sort.WORD, group="Edges", options=_OF_CURTAIN["hem"].options, default=Assumption("double", "narrow, and no edge shows"), asked=_hemmed),
    Field("hem_depth", "Hem’s depth", "How deep each hem is seen.", group="Edges", default=Assumption(Length(5), "as narrow as it can be sewn", Length.inches(Fraction(1, 4))), asked=_hemmed),
    Field("hem_turning", "Hem’s turning", "The small turning inside the hem.", group="Edges", default=Assumption(Length(5), "enough to catch", Length.inches(Fraction(1, 4))), asked=lambda given: _hemmed(given) and given.word("hem") == "turned"),
    Field("price", "Ribbon’s price", "What a metre, or a yard, of it costs.", Sort.PRICE, group="Cost", asked=lambda given: not of_cloth(given)),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)  # fmt: skip
"""One edge or several, each added to the others."""


def edge_of(given: Given) -> tuple[Length | None, str]:
    """(how long it is once pleated, how that is reckoned); None while what it goes along is not measured."""
    figure, write = given.figure, given.write
    if wound(given):
        across = given.least("across")
        if across is None:
            return None, ""
        inner, rounds, many = given.length("inner"), given.count("rounds") or 1, given.count("rosettes") or 1
        each = (across + inner) * (PI * rounds / 2)
        says = f"{rounds} rounds × π × ({figure(across)} + {figure(inner)}) ÷ 2"
        return each * many, f"{says}{f' × {many}' if many > 1 else ''} = {write(each * many)}"
    known = [one for name in EDGES if (one := given.least(name)) is not None]
    if given.least("edge") is None:
        return None, ""
    many = given.count("corners") or 0
    more = (given.length("corner") if given.known("corner") else given.length("wide")) * many
    whole = sum(known, ZERO) + more
    sums = " + ".join(figure(one) for one in known)
    corners = f" + {figure(more)} at {many} corner{'' if many == 1 else 's'}" if more else ""
    return whole, f"{sums}{corners} = {write(whole)}" if corners or len(known) > 1 else f"{write(whole)} of edge"


def fullness_of(given: Given) -> Fraction:
    """How many times its edge gathers take: as it is said, or as the attachment is set, R = 1 + t / (k·L)."""
    if not by_attachment(given):
        return given.ratio("fullness") or Fraction(2)
    return 1 + given.length("tuck") / (given.length("stitch") * (given.count("every") or 6))


def cut_wide(given: Given) -> Length:
    """How wide a strip is cut."""
    wide, seam = given.length("wide"), given.join
    if given.word("made") in ("double", "rosette"):
        return (wide + seam) * 2
    return wide + hem_of(given).takes * 2


def begin(given: Given) -> FirstStroke:
    """The first stroke: how long it is, what it takes, how wide it is cut."""
    whole, says = edge_of(given)
    first = "across" if wound(given) else "edge"
    lacks = [Lack(first, given.fields[first].title.lower())] if whole is None else []
    lacks += [Lack("wide", "how wide it is")] if given.least("wide") is None else []
    if of_cloth(given) and given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    problems = _wrong(given)
    if problems or whole is None or given.least("wide") is None:
        return FirstStroke({}, (), tuple(lacks), problems=tuple(problems))
    write, wide, seam, below = given.write, given.length("wide"), given.join, hem_of(given)
    double = given.word("made") in ("double", "rosette")
    results = {
        f"{KEY}.finished": Result(whole, says),
        "drop.finished": Result(wide, f"{write(wide)} wide as it is seen"),
        "drop.heading": Result(seam if double else below.takes, "a seam" if double else below.says),
        "drop.hem": Result(wide + seam if double else below.takes, f"cut {write(cut_wide(given))} wide"),
        "side": Result(given.join, "turned in at each end, or the seam of the ring"),
    }
    if drawn_up(given):
        times = fullness_of(given)
        results[f"{KEY}.flat"] = Result(
            whole * times, f"{write_ratio(times).text} × {given.figure(whole)} = {write(whole * times)}"
        )
    else:
        results["size"] = Result(given.length("size"), f"about {write(given.length('size'))}", about=True)
    return FirstStroke(results, (_edge(given),), tuple(lacks))


def _edge(given: Given) -> EdgeFacts:
    kind = given.word("heading")
    facts: dict[str, EdgeFact] = {
        "kind": kind,
        "unit": given.unit.sign,
        "pins.finished": Tie(f"{KEY}.finished"),
        "allowance.start": Tie("side"),
        "allowance.end": Tie("side"),
        "closed": given.word("round") == "ring" and not wound(given),
    }
    facts |= row_facts(kind, f"{KEY}.flat", "size")
    if of_cloth(given):
        facts |= {f"cutting.drop.{name}": Tie(f"drop.{name}") for name in ("finished", "heading", "hem")}
        facts |= {"cutting.drop.hem_turns": 1, "cutting.way": given.word("lies")}
    else:
        facts["cutting.shaped"] = True
    return EdgeFacts(KEY, "Trim", facts | work_facts(given))


def _wrong(given: Given) -> list[Problem]:
    found = nought(given, (*EDGES, "across", "inner", "wide"))
    found += nothing_chosen(
        given,
        (
            ("size", "say how wide each pleat is seen"),
            ("tuck", "say how much it tucks"),
            ("stitch", "say how long a stitch is"),
            ("stands", "let it stand a little, or choose another finish"),
        ),
    )
    if by_attachment(given) and given.length("stitch") > LONGEST_STITCH:
        found.append(
            Problem(
                "too_long",
                "choices.stitch",
                stitch_text(given.length("stitch")),
                f"no machine makes stitches of {stitch_text(given.length('stitch'))}",
                f"type it in millimetres, {stitch_text(LONGEST_STITCH)} at the most",
            )
        )
    if by_attachment(given) and (given.count("every") or 6) not in EVERY:
        every = given.count("every")
        found.append(
            Problem(
                "every",
                "choices.every",
                str(every),
                f"an attachment does not tuck every {every} stitches",
                "use 1, 6 or 12",
            )
        )
    across = given.least("across")
    if wound(given) and across is not None and given.length("inner") >= across > ZERO:
        found.append(
            Problem(
                "too_wide",
                "measures.inner",
                given.write(given.length("inner")),
                f"an inner round of {given.write(given.length('inner'))} is as wide as the rosette, {given.write(across)}",
                "make it smaller than the outer one",
            )
        )
    if (
        given.word("made") == "heading"
        and given.known("wide")
        and given.length("stands") >= given.length("wide") > ZERO
    ):
        found.append(
            Problem(
                "too_wide",
                "choices.stands",
                given.write(given.length("stands")),
                f"a heading of {given.write(given.length('stands'))} leaves nothing of the {given.write(given.length('wide'))} below the stitching",
                "let less of it stand",
            )
        )
    times = fullness_of(given)
    if drawn_up(given) and times <= 1 and not found:
        found.append(
            Problem(
                "too_small",
                "choices.fullness",
                write_ratio(times).text,
                f"{write_ratio(times).text} times gathers nothing",
                "use more than 1",
            )
        )
    return found
