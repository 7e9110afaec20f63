"""A block with pleats let in: what follows from its rows solved: its finished pattern, what the waist comes to, checks, steps."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import NamedTuple

from ribbon.cloth import CutPiece, Drafted, FoldLine, Notion, SideTakes, totals
from ribbon.lengths import ZERO, Length, counted
from ribbon.making.asked import Given
from ribbon.making.block_drafted import BlockHalf, drafted_half, quarters, swallowed, widened, worn_half
from ribbon.making.block_fields import at_waist_only, bodied, typed_out
from ribbon.making.block_spread import SpreadBlock, spread_block
from ribbon.making.blocks import BlockPart, block_parts, folded_across, in_the_middle, pleats_many, take_of
from ribbon.making.blocks_drawn import drawn
from ribbon.making.blocks_steps import steps
from ribbon.making.body import doubts
from ribbon.making.recipes import hem_of
from ribbon.making.thing import Check, FirstStroke, Made, Mind, Part, Priced, Solved
from ribbon.shapes import FOLD, Corner, Notch, Outline, closed, with_allowances


class BlockMade(NamedTuple):
    """A part of it made: the half that is worn, its finished pattern at the stitching line, its piece."""

    part: BlockPart
    worn: BlockHalf
    spread: SpreadBlock
    piece: CutPiece


def finish(given: Given, begun: FirstStroke, solved: Mapping[str, Solved]) -> Made:
    """The second stroke.  What waits for a measure is left out."""
    half = drafted_half(given)
    parts = [part for part in block_parts(given) if part.key in solved or not part.pleated]
    if half is None or not any(part.pleated for part in parts):
        return Made()
    made = [_made(given, half, part, solved.get(part.key)) for part in parts]
    return Made(
        parts=tuple(_part(given, one, solved.get(one.part.key)) for one in made),
        pieces=tuple(one.piece for one in made),
        notions=tuple(Priced(one) for one in totals([Notion(f"zip of {given.write(given.length('opens'))}", 1, None)])),
        checks=tuple(_checks(given)),
        steps=tuple(steps(given, [part for part in parts if part.pleated])),
        slip=tuple(_slip(given, half, made)),
        cautions=tuple(_minds(given, made)),
        picture=drawn(given, half, [(one.part, one.worn, one.spread) for one in made], solved),
    )


def _made(given: Given, half: BlockHalf, part: BlockPart, one: Solved | None) -> BlockMade:
    worn = worn_half(given, half, pleated=part.pleated)
    plan = one.whole.only if one is not None else None
    if at_waist_only(given):
        spread = _small(given, half, one, on_fold=not part.seam)
    else:
        upper = one.whole.upper.strip if one is not None and one.whole.upper is not None else None
        spread = spread_block(worn, plan, upper, given.length("more_hem"), on_fold=not part.seam, take=take_of(given))
    return BlockMade(part, worn, spread, _piece(given, part, spread, one))


def _small(given: Given, half: BlockHalf, one: Solved | None, *, on_fold: bool) -> SpreadBlock:
    """The widened block as it is, with the lines of small pleats as far as they are stitched."""
    own = half.outline
    names = [FOLD if side.name == "middle" and on_fold else side.name for side in own.sides]
    outline = closed([side.start for side in own.sides], names)
    if one is None:
        return SpreadBlock(outline, (), ())
    walked, lines = one.whole.walked, []
    low = half.waist - given.length("stitched")
    high = half.waist + (given.length("stitched_up") if bodied(given) else ZERO)
    for line in one.whole.strip.lines:
        x = walked.length(walked.flat[line.after + 1]).mm
        lines.append(FoldLine((Corner(x, low.mm), Corner(x, high.mm)), line.kind))
    return SpreadBlock(outline, tuple(lines), ())


def _piece(given: Given, part: BlockPart, spread: SpreadBlock, one: Solved | None) -> CutPiece:
    below, seam = hem_of(given).takes, given.join
    cut = with_allowances(spread.outline, {"foot": below}, seam)
    notches = _notches(cut, spread)
    pattern = Drafted(cut, spread.outline, notches, lines=spread.lines)
    takes = [("top", seam, "seam"), ("foot", below, "hem"), ("right", seam, "seam")]
    takes += [("left", seam, "seam")] if part.seam else []
    role = one.cutting.role if one is not None else "face"
    return replace(
        CutPiece(part.key, part.title, cut, 2 if part.seam else 1, mirrored=part.seam, role=role, notches=notches),
        takes=tuple(SideTakes(side, deep, what) for side, deep, what in takes if deep > ZERO),
        drafted=pattern,
    )


def _notches(cut: Outline, spread: SpreadBlock) -> tuple[Notch, ...]:
    """A notch at the foot where a fold or a placement line leaves it."""
    foot = cut.named("foot")
    if len(foot) != 1:
        return ()
    begins, long = foot[0].start.x, foot[0].length
    return tuple(
        Notch("foot", Length(at.mm - begins), "fold") for at in spread.feet if ZERO < Length(at.mm - begins) < long
    )


def waist_made(given: Given, half: BlockHalf, part: BlockPart, one: Solved | None) -> Length:
    """What the waist of a half comes to once its pleats are laid and its darts are sewn."""
    if at_waist_only(given):
        return folded_across(given, half) if part.pleated else half.across
    worn = worn_half(given, half, pleated=part.pleated)
    return Length(worn.top[-1].x) - sum((dart.wide for dart in worn.darts), ZERO)


def _part(given: Given, one: BlockMade, solved: Solved | None) -> Part:
    box = one.piece.opened.box
    size = f"cut {given.write(box.wide)} × {given.write(box.long)}"
    if solved is None:
        return Part(one.part.key, one.part.title, one.piece.count, f"{size}, plain")
    many = pleats_many(given) * 2 + (1 if in_the_middle(given) else 0)
    return Part(one.part.key, one.part.title, one.piece.count, f"{size}, {counted(many, 'pleats')}", one.part.key)


def _checks(given: Given) -> list[Check]:
    waist = given.most("waist")
    if given.known("pleated_waist") or waist is None:
        return []
    whole = waist if typed_out(given) else waist + given.length("ease")
    return [
        Check(
            "pleated_waist",
            f"Measure round the waist before it is faced: {given.write(whole)} is wanted.",
            given.write(whole),
        )
    ]


def _slip(given: Given, half: BlockHalf, made: list[BlockMade]) -> list[str]:
    write, figure = given.write, given.figure
    at = " at the waist" if at_waist_only(given) else ""
    found = []
    for one in made:
        gained = widened(given).waist if at_waist_only(given) else one.spread.outline.box.wide - half.outline.box.wide
        how = f"{write(gained)} wider{at}" if gained else "as it was drafted"
        middle = "with a seam in its middle" if one.part.seam else "on the fold"
        found.append(f"{one.part.title}: {middle}, each half {how}.")
    if at_waist_only(given):
        gap, many = given.length("pitch") - given.length("take"), pleats_many(given)
        found.append(
            f"{counted(many, 'small pleats')} at each side: marked every {write(given.length('pitch'))}, each takes {write(given.length('take'))}, {write(gap)} is seen between; the first {write(given.length('first'))} from the middle."
        )
    eaten = swallowed(given, half.darts)
    if eaten:
        found.append(
            f"The dart on line {' and '.join(str(n + 1) for n in sorted(eaten))} is swallowed: its pleat takes {write(next(iter(eaten.values())).wide)} more at the waist."
        )
    halves = [waist_made(given, half, one.part, None) for one in made]
    whole = sum((one * 2 for one in halves), ZERO)
    body = quarters(given)
    against = (
        f": the body with its ease is {write(body.waist * 4)}" if body is not None and not typed_out(given) else ""
    )
    waist = given.most("waist")
    if typed_out(given) and waist is not None:
        against = f": the body is {write(waist)}"
    found.append(
        f"The waist comes to {' and '.join(figure(one) for one in halves)} a quarter, {write(whole)} in all{against}."
    )
    found.append(
        "Above the bust the pattern is your own."
        if bodied(given)
        else "A band, a facing, a lining are your own pattern’s: here are front and back."
    )
    return found  # fmt: skip


_NEAR = Length(1)


def _minds(given: Given, made: list[BlockMade]) -> list[Mind]:
    write, found = given.write, doubts(given)
    half, body = drafted_half(given), quarters(given)
    if half is not None and body is not None and not typed_out(given):
        whole = sum((waist_made(given, half, one.part, None) * 2 for one in made), ZERO)
        if abs(whole - body.waist * 4) > _NEAR:
            found.append(
                Mind(
                    "waist",
                    f"The waist comes to {write(whole)}, and the body with its ease is {write(body.waist * 4)}: widen the block at the waist by as much as its pleats take, or let them take less.",
                )
            )
    sides = [one.spread.outline.length_of("side") for one in made]
    if max(sides, key=lambda one: one.mm) - min(sides, key=lambda one: one.mm) > _NEAR:
        found.append(
            Mind(
                "sides",
                f"The side of the front is {write(sides[0])}, that of the back {write(sides[1])}: true them against each other before the hem is cut.",
            )
        )
    return found
