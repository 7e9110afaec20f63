"""The length of one drop: from the finished edge to the trimmed cut."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.bolt import Bolt, whole_repeats, widths_for
from ribbon.cloth.shares import drops
from ribbon.errors import refuse
from ribbon.lengths import ZERO, Length


class Drop(NamedTuple):
    """How far a strip falls, and what is cut beyond that.

    `heading` is turned over at the top, `hem` turned up `hem_turns` times below, `margin` trimmed away.
    """

    finished: Length
    heading: Length = ZERO
    hem: Length = ZERO
    hem_turns: int = 1
    margin: Length = ZERO

    @property
    def cut(self) -> Length:
        """The cut length: finished length, heading, hem as often as it is turned, margin."""
        return self.finished + self.heading + self.hem * self.hem_turns + self.margin


def drop_on(bolt: Bolt, drop: Drop) -> Length:
    """The cut length of a drop with its pattern matched: up to whole vertical repeats."""
    return whole_repeats(drop.cut, bolt.along)


class Lining(NamedTuple):
    """How a lining differs from its face: shorter and narrower by so much in all, with a hem of its own.

    `allowance` is what each seam takes; with `tube` it is sewn to the face along both sides and turned.  `way` is how it
    lies on its cloth, across it unless another is asked for.
    """

    shorter: Length = Length.cm(2)
    narrower: Length = ZERO
    hem: Length = Length.cm(3)
    hem_turns: int = 2
    heading: Length = ZERO
    allowance: Length = Length(15)
    tube: bool = False
    way: str = "usual"

    @property
    def side(self) -> Length:
        """What the face of a tube is cut wider than it measures turned, at each side: its seam, and what rolls round.

        From turned = (face + lining − 4 a) / 2, the lining being narrower than the face.
        """
        return self.allowance + self.narrower / 4


def usual_lining(*, imperial: bool) -> Lining:
    """A lining's own rules where nothing is said: 2 cm shorter with a hem of 3, or 1 in and 1, by what a sewist is used to."""
    if imperial:
        return Lining(Length.inches(1), hem=Length.inches(1), allowance=Length.inches(1) / 2)
    return Lining()


class Lined(NamedTuple):
    """A lining to cut, and what a tube of face and lining measures once turned.

    `width` and `length` are its cut sizes.  `turned` is the finished width of the tube, `rolls` how much of the
    face comes round to the back at each side; both None without a tube.
    """

    width: Length
    length: Length
    turned: Length | None
    rolls: Length | None


class LiningCut(NamedTuple):
    """One way to cut a lining: the width of each piece, its allowances included, and the length of cloth that takes.

    Railroaded and lengthways its length runs across the cloth.  `why_not` says what forbids this way, if anything.
    """

    name: str
    widths: tuple[Length, ...]
    needed: Length
    why_not: str = ""

    @property
    def joins(self) -> int:
        """How many seams it takes."""
        return max(0, len(self.widths) - 1)

    @property
    def upright(self) -> bool:
        """True where its length runs along the cloth."""
        return self.name in ("across", "uncut")


def lining_ways(made: Lined, bolt: Bolt, allowance: Length) -> list[LiningCut]:
    """The ways to cut a lining: across its cloth, in equal widths or whole ones; in strips along it; railroaded.

    Raises `Refusal` for cloth too narrow to hold its own seams.

    >>> cut = lining_ways(Lined(Length.cm(147), Length.cm(200), None, None), Bolt(Length.cm(60)), Length.cm(1))[0]
    >>> cut.joins, sum((w.mm for w in cut.widths), 0) == 1470 + 4 * 10, cut.needed == Length.cm(600)
    (2, True, True)
    """
    many = widths_for(bolt, made.width, ZERO, allowance)
    if not many:
        raise refuse(
            "too_narrow",
            "cutting.lining.cloth.usable",
            f"{float(bolt.usable.mm):g} mm",
            "the lining is too narrow to hold even its own seams",
            "use wider lining, or narrower allowances",
        )

    def equal(parts: int) -> tuple[Length, ...]:
        return ((made.width + allowance * (2 * (parts - 1))) / parts,) * parts

    across = equal(many)
    # Whole lengths of the cloth side by side, and what is still missing.
    rest = made.width + allowance * (2 * (many - 1)) - bolt.usable * (many - 1)
    uncut = ((bolt.usable,) * (many - 1)) + (rest,)
    found = [
        LiningCut("across", across, made.length * drops(across, bolt.usable)),
        LiningCut("uncut", uncut, made.length * drops(uncut, bolt.usable)),
    ]
    too_long = "it is longer than its cloth is wide"
    side_by_side = int(bolt.usable / made.length)
    strips = equal(max(1, side_by_side))
    found.append(LiningCut("lengthways", strips, strips[0], "" if side_by_side > 1 else too_long))
    return [*found, LiningCut("railroaded", (made.width,), made.width, "" if side_by_side else too_long)]


def lining_taken(found: list[LiningCut], wanted: str) -> LiningCut:
    """The way asked for where it can be; else across, with the grain."""
    return next((one for one in found if one.name == wanted and not one.why_not), found[0])


def lined(face_width: Length, drop: Drop, lining: Lining) -> Lined:
    """The lining of a face cut `face_width` wide.

    Narrower once and not for each width.  A tube turned measures (face + lining − 4 seam allowances) / 2; what the
    face is wider than that comes round to the back, half at each side.

    >>> made = lined(Length.cm(130), Drop(Length.cm(200)), Lining(narrower=Length.cm(10), allowance=Length.cm(2), tube=True))
    >>> made.width == Length.cm(120), made.turned == Length.cm(121), made.rolls == Length(25)
    (True, True, True)
    """
    width = face_width - lining.narrower
    length = drop.finished - lining.shorter + lining.heading + lining.hem * lining.hem_turns
    if not lining.tube:
        return Lined(width, length, None, None)
    turned = (face_width + width - lining.allowance * 4) / 2
    rolls = (face_width - lining.allowance * 2 - turned) / 2
    return Lined(width, length, turned, rolls)
