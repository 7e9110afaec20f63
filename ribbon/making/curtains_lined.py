"""The ways to line curtains, beside each other: what each takes, what it costs, how far its seams lie from the face's."""

from __future__ import annotations

from collections.abc import Sequence

from ribbon.cloth import Bolt, LiningCut, LiningToCut, apart, lies_on_cloth, lining_joins, lining_to_cut, sold_says
from ribbon.cloth.joining import allowed_of
from ribbon.cloth.says import LINING_WAYS
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given
from ribbon.making.thing import Alternative, Compared, Solved


def linings(given: Given, panels: Sequence[Solved]) -> list[Compared]:
    """The ways that the linings of all panels can be cut; nothing where they have none, or its cloth is not known."""
    found = [(one, lining_to_cut(one.whole, one.cutting)) for one in panels]
    made = [(one, lining) for one, lining in found if lining is not None]
    if not made or len(made) < len(panels):
        return []
    bolt = made[0][0].cutting.lining_bolt
    if bolt is None:
        return []
    rows = [_row(given, made, bolt, number) for number in range(len(made[0][1].ways))]
    kept = [row for row in rows if row is not None]
    wide = dict.fromkeys(given.write(lining.made.width) for _, lining in made)
    long = given.write(made[0][1].made.length)
    return [Compared("Lining ways", f"{' and '.join(wide)} wide, {long} long", tuple(kept))]


def _row(given: Given, made: Sequence[tuple[Solved, LiningToCut]], bolt: Bolt, number: int) -> Alternative | None:
    cuts = [lining.ways[number] for _, lining in made]
    if any(cut.why_not for cut in cuts):
        return None
    windows = (given.count("windows") if "windows" in given.fields else None) or 1
    needed = sum((cut.needed for cut in cuts), ZERO) * windows
    asked = bolt.bought(needed)
    joins = sum(cut.joins for cut in cuts)
    says = f"{joins} {'join' if joins == 1 else 'joins'} in all" if joins else "no join"
    more = sold_says(bolt, asked, given.unit)
    gaps = [_clear(one, lining, cut) for (one, lining), cut in zip(made, cuts, strict=True)]
    clear = [gap for gap in gaps if gap is not None]
    if clear:
        least = min(clear, key=lambda one: one.mm)
        ridge = "; some of its joins fall on the face’s"
        more += f"; its joins lie {given.write(least)} or more from the face’s" if least else ridge
    taken = all(lining.cut.name == cut.name for (_, lining), cut in zip(made, cuts, strict=True))
    return Alternative(
        ("lining_way", cuts[0].name),
        LINING_WAYS[cuts[0].name],
        says,
        more,
        bolt.cost(asked),
        cuts[0].widths,
        taken,
        ZERO in clear,
    )


def _clear(one: Solved, lining: LiningToCut, cut: LiningCut) -> Length | None:
    """How far the joins of one lining lie from those of its face."""
    lying = lies_on_cloth(one.whole, one.cutting)
    if lying is None or not cut.upright or one.cutting.lining is None:
        return None
    allowed = allowed_of(one.whole.edge)
    face = [allowed.start + one.whole.walked.length(join.at) for join in lying.joined.joins]
    wide = one.whole.flat + allowed.start + allowed.end
    lies = lining_joins(lining.made, cut, one.cutting.lining.allowance, wide, from_end=one.cutting.from_end)
    return apart(lies, face)
