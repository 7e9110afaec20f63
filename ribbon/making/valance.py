"""A valance: a short row along a rail and its returns, in one piece."""

from __future__ import annotations

from collections.abc import Mapping

from ribbon.cloth import edge_pieces, totals
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length, write_ratio
from ribbon.making.asked import Assumption, Field, Given, Sort
from ribbon.making.cannot import long_returns, nought, too_many
from ribbon.making.panels import rail_of
from ribbon.making.picture import Hung, Picture, Shape, Tape, View, box_of, extent, hanging, mm
from ribbon.making.recipes import Turned, heading, hem_of
from ribbon.making.thing import (
    EdgeFact,
    EdgeFacts,
    FirstStroke,
    Lack,
    Made,
    Making,
    Mind,
    Part,
    Priced,
    Result,
    Solved,
    Tie,
    drop_facts,
    following,
    pleats_say,
    row_facts,
    work_facts,
)

KEY = "valance"
KINDS = (("box", "box pleats"), ("inverted", "inverted pleats"), ("knife", "knife pleats"), ("gather", "gathers"))
FIELDS: tuple[Field, ...] = (
    Field("rail", "Rail", "Along the rail, the board or the gallery from end to end.", measure=True, first=True),
    Field("window", "Window", "Across the window, where the rail is not there yet.", measure=True, group="The window"),
    Field(
        "beyond_left",
        "Beyond the window, left",
        "How far it goes on to the left.",
        measure=True,
        group="The window",
        default=Assumption(Length.cm(15), "over the curtains’ ends", Length.inches(6)),
    ),
    Field(
        "beyond_right",
        "Beyond the window, right",
        "How far it goes on to the right.",
        measure=True,
        group="The window",
        default=Assumption(Length.cm(15), "over the curtains’ ends", Length.inches(6)),
    ),
    Field("drop", "Drop", "How far it falls, seen from the room.", measure=True, first=True, several=True),
    Field(
        "return_left",
        "Return, left",
        "From the rail back to the wall at the left end.",
        measure=True,
        group="How it hangs",
        default=Assumption(ZERO, "none was measured"),
    ),
    Field(
        "return_right",
        "Return, right",
        "From the rail back to the wall at the right end.",
        measure=True,
        group="How it hangs",
        default=Assumption(ZERO, "none was measured"),
    ),
    Field(
        "heading",
        "Pleats",
        "What its row is made of.",
        Sort.WORD,
        line=True,
        first=True,
        options=KINDS,
        default=Assumption("box", "box pleats stand square along a rail"),
    ),
    Field(
        "size",
        "One pleat about",
        "How wide one box or one space is along the rail.",
        first=True,
        default=Assumption(Length.cm(10), "reads well from below", Length.inches(4)),
        asked=lambda given: given.word("heading") != "gather",
    ),
    Field(
        "fullness",
        "Fullness",
        "How many times as much cloth as it covers.",
        Sort.RATIO,
        way=True,
        first=True,
        default=Assumption(Fraction(2), "twice is usual for gathers"),
        asked=lambda given: given.word("heading") == "gather",
    ),
    Field(
        "fixed",
        "It is fixed",
        "To a tape along a rail, or to a board.",
        Sort.WORD,
        line=True,
        group="How it hangs",
        options=(("tape", "by a tape"), ("board", "to a board")),
        default=Assumption("tape", "it comes off to be washed"),
    ),
    Field(
        "heading_depth",
        "Top allowance",
        "What is turned in or sewn under at the top.",
        group="Top, hem and sides",
        default=Assumption(Length.cm(2), "enough to sew to a tape", Length.inches(Fraction(1, 2))),
    ),
    Field(
        "hem",
        "Hem",
        "How the hem is turned up.",
        Sort.WORD,
        way=True,
        group="Top, hem and sides",
        options=(("double", "double"), ("turned", "a turning and a depth")),
        default=Assumption("double", "it shows no edge from below"),
    ),
    Field(
        "hem_depth",
        "Hem’s depth",
        "How deep the hem is seen.",
        group="Top, hem and sides",
        default=Assumption(Length.cm(3), "light enough to pleat", Length.inches(1)),
    ),
    Field(
        "hem_turning",
        "Hem’s turning",
        "The small turning inside the hem.",
        group="Top, hem and sides",
        default=Assumption(Length.cm(1), "enough to catch", Length.inches(Fraction(1, 2))),
        asked=lambda given: given.word("hem") == "turned",
    ),
    Field(
        "side_depth",
        "Sides’ depth",
        "What each end is turned in by.",
        group="Top, hem and sides",
        default=Assumption(Length.cm(Fraction(3, 2)), "a plain side", Length.inches(Fraction(1, 2))),
    ),
    Field(
        "press",
        "Pressed",
        "Whether each fold is pressed before the next covers it, or all of them once they are basted.",
        Sort.WORD,
        way=True,
        group="Top, hem and sides",
        options=(("each", "each as it is folded"), ("last", "all together, once basted")),
        default=Assumption("each", "sharp, and nothing shifts beneath"),
        asked=lambda given: given.word("heading") != "gather",
    ),
    Field(
        "lining",
        "Lining",
        "None, or a facing of the same length behind it.",
        Sort.WORD,
        line=True,
        way=True,
        group="Lining",
        options=(("none", "none"), ("loose", "loose behind it")),
        default=Assumption("none", "say if it has one"),
    ),
    Field(
        "windows",
        "Windows alike",
        "How many are made alike.",
        Sort.COUNT,
        group="How it hangs",
        default=Assumption(1, "one"),
    ),
    Field("shop", "A shop asked", "What a shop asked for the same.", Sort.PRICE, group="Cost"),
)


def _top(given: Given) -> Turned:
    return heading("tape", given.length("heading_depth"), ZERO)


def begin(given: Given) -> FirstStroke:
    """The first stroke: the row, as wide as the rail and its returns."""
    rail, reckoned = rail_of(given)
    drop = given.least("drop")
    lacks = [Lack("rail", "the rail")] if rail is None else []
    lacks += [Lack("drop", "the drop")] if drop is None else []
    if given.cloths.get("face") is None:
        lacks.append(Lack("cloths.face.usable", "how wide the cloth is"))
    top, below = _top(given), hem_of(given)
    each = below.depth if below.turns == 2 else below.takes
    results = {
        "drop.finished": Result(drop, f"drop {given.write(drop)}" if drop else ""),
        "drop.heading": Result(top.takes, f"{given.write(top.takes)}, {top.says}"),
        "drop.hem": Result(each, f"{given.write(below.depth)}, {below.says}"),
        "side": Result(given.length("side_depth"), "turned in at each end"),
    }
    if rail is None:
        return FirstStroke(results, (), tuple(lacks), (), ())
    left, right = given.length("return_left"), given.length("return_right")
    problems = [
        *nought(given, ("rail", "window", "drop")),
        *long_returns(given, rail),
        *too_many(given, "windows", 40, "windows"),
    ]
    if problems:
        return FirstStroke(results, (), tuple(lacks), (), tuple(problems))
    finished = rail + left + right
    ends = "".join(f" + return {given.figure(one)}" for one in (left, right) if one)
    results |= {
        "rail": Result(rail, reckoned),
        f"{KEY}.finished": Result(finished, f"rail {given.figure(rail)}{ends} = {given.write(finished)}"),
        f"{KEY}.lead": Result(left, "lies flat at its left end"),
        f"{KEY}.tail": Result(right, "lies flat at its right end"),
        f"{KEY}.size": Result(given.length("size"), f"about {given.write(given.length('size'))}", about=True),
    }
    times = given.ratio("fullness") or Fraction(2)
    if given.word("heading") == "gather":
        flat = rail * times + left + right
        results[f"{KEY}.flat"] = Result(
            flat, f"{write_ratio(times).text} × {given.figure(rail)}{ends} = {given.write(flat)}"
        )
    return FirstStroke(results, (_edge(given, left, right, below),), tuple(lacks), times=given.count("windows") or 1)


def _edge(given: Given, left: Length, right: Length, below: Turned) -> EdgeFacts:
    kind = given.word("heading")
    facts: dict[str, EdgeFact] = {"kind": kind, "unit": given.unit.sign, "pins.finished": Tie(f"{KEY}.finished")}
    facts |= row_facts(kind, f"{KEY}.flat", f"{KEY}.size")
    for end, length in (("lead", left), ("tail", right)):
        if length:
            facts |= {f"{end}.width": Tie(f"{KEY}.{end}"), f"{end}.name": "return"}
    facts |= {"allowance.start": Tie("side"), "allowance.end": Tie("side")}
    facts |= work_facts(given)
    facts |= drop_facts(below.turns)
    if given.word("lining") == "loose":
        facts |= {"cutting.lining.hem_turns": 1, "cutting.lining.tube": False}
    return EdgeFacts(KEY, "Valance", facts)


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke."""
    one, rail = solved.get(KEY), rail_of(given)[0]
    if one is None or rail is None:
        return Made()
    windows = given.count("windows") or 1
    pieces = edge_pieces(KEY, one.title, one.whole, one.cutting)
    made = one.whole.only
    notions = [Priced(each.times(windows)) for each in totals(pieces.notions)]
    many = pleats_say(one.whole) if made is not None and made.section.kind.folded else "its gathers"
    slip = [f"{given.write(one.whole.flat)} flat into {given.write(one.whole.finished)}, {many}."]
    fixed = (
        "Sew it to its tape and hook it along the rail."
        if given.word("fixed") == "tape"
        else "Staple or tape it to its board, its corners first."
    )
    widths = sum(piece.role == one.cutting.role for piece in pieces.pieces)
    steps = [
        Making("cut", "Straighten the end and cut the widths, the pattern matched."),
        *([Making("join", "Join the widths where their joins hide; press.")] if widths > 1 else []),
        Making(
            "hem",
            f"Turn up the hem, {hem_of(given).says}, {given.write(given.length('hem_depth'))} deep, before any pleat is folded.",
        ),
        Making("mark", f"Mark {many}, none on a return."),
        Making("fold", _fold_says(given, folded=made is not None and made.section.kind.folded)),
        Making("fix", fixed),
    ]
    return Made(
        parts=(Part(KEY, "Valance", windows, f"{given.write(one.whole.finished)} finished", KEY),),
        pieces=pieces.pieces,
        notions=tuple(notions),
        steps=tuple(following(steps, _AFTER)),
        slip=tuple(slip),
        cautions=(
            Mind("flames", "Keep it away from lamps and heaters; public rooms may ask for flame-retardant cloth."),
            Mind("ladder", "It is put up from a ladder: two people, and the board held by fixings made for it."),
        ),
        picture=_drawn(given, one, rail),
    )


_AFTER = {"join": ("cut",), "hem": ("join", "cut"), "mark": ("hem",), "fold": ("mark",), "fix": ("fold",)}


def _fold_says(given: Given, *, folded: bool) -> str:
    if not folded:
        return "Gather it to its width, match point to match point."
    if given.word("press") == "last":
        return "Fold, pin at top and hem, baste, take the pins out, then press all of it through a cloth."
    return "Fold, pin at top and hem, press each fold through a cloth before the next covers it, and baste."


def _drawn(given: Given, one: Solved, rail: Length) -> Picture:
    wide, falls = mm(rail), mm(given.least("drop") or Length.cm(40))
    left, right = given.length("return_left"), given.length("return_right")
    off = max(50.0, falls * 0.16)
    frame = box_of(wide * 0.1, falls * 0.3, wide * 0.9, falls * 2.4)
    middle = wide / 2
    shapes: list[Shape] = [
        Shape(frame, "glass"),
        Shape((*frame, frame[0]), "wall", closed=False, weight=1.4),
        Shape(((middle, falls * 0.3), (middle, falls * 2.4)), "wall", closed=False, weight=1.2),
    ]
    shapes += hanging(one.whole, one.cutting, Hung(0.0, wide, 0.0, falls), (left, right))
    shapes.append(Shape(((-20.0, 0.0), (wide + 20.0, 0.0)), "rail", closed=False, weight=5.0))
    tapes = [
        Tape("rail", (0.0, -off), (wide, -off), "above"),
        Tape("drop", (wide + off * 1.4, 0.0), (wide + off * 1.4, falls), "right"),
    ]
    for name, x, way, length in (("return_left", 0.0, -1, left), ("return_right", wide, 1, right)):
        if length:
            out = x + way * mm(length) * 0.42
            corners = ((x, 0.0), (out, 0.0), (out, falls * 0.96), (x, falls))
            shapes.append(Shape(corners, one.cutting.role, shade=0.2))
            tapes.append(Tape(name, (out, falls + off), (x, falls + off), "left" if way < 0 else "right"))
    says = f"Valance: {given.write(one.whole.finished)} along the rail and its returns, {pleats_say(one.whole)}."
    return Picture((View("front", extent(shapes, tapes, wide * 0.03), tuple(shapes), tuple(tapes)),), (says,))
