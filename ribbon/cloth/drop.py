"""The length of one drop: from the finished edge to the trimmed cut (work, section 9)."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth.bolt import Bolt, whole_repeats, widths_for
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

    `allowance` is what each seam takes; with `tube` it is sewn to the face along both sides and turned.
    """

    shorter: Length = Length.cm(2)
    narrower: Length = ZERO
    hem: Length = Length.cm(3)
    hem_turns: int = 2
    heading: Length = ZERO
    allowance: Length = Length(15)
    tube: bool = False


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
    """How a lining is cut: the width of each piece, its allowances included, and the length of cloth that takes.

    `railroaded` linings run with their length along the cloth, in one piece.
    """

    widths: tuple[Length, ...]
    needed: Length
    railroaded: bool


def lining_cut(made: Lined, bolt: Bolt, allowance: Length) -> LiningCut:
    """A lining on its cloth: railroaded where the cloth is wide enough, else in equal widths with a seam between them.

    Raises `Refusal` for cloth too narrow to hold its own seams.

    >>> cut = lining_cut(Lined(Length.cm(147), Length.cm(200), None, None), Bolt(Length.cm(60)), Length.cm(1))
    >>> len(cut.widths), sum((w.mm for w in cut.widths), 0) == 1470 + 4 * 10, cut.needed == Length.cm(600)
    (3, True, True)
    """
    if made.length <= bolt.usable:
        return LiningCut((made.width,), made.width, railroaded=True)
    many = widths_for(bolt, made.width, ZERO, allowance)
    if not many:
        raise refuse(
            "too_narrow",
            "cutting.lining.usable",
            f"{float(bolt.usable.mm):g} mm",
            "the lining is too narrow to hold even its own seams",
            "use wider lining, or narrower allowances",
        )
    each = (made.width + allowance * (2 * (many - 1))) / many
    return LiningCut((each,) * many, made.length * many, railroaded=False)


def lined(face_width: Length, drop: Drop, lining: Lining) -> Lined:
    """The lining of a face cut `face_width` wide (work, section 9).

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
