"""The equations of a row of even pleats, each stated once (work, section 3).

With a = the stated widths at the two ends, c = the spaces that the ends add, less one, e = what is left over:

    row        F = a + (N + c)·s + e
    cloth      W = F + N·t          (cartridge, which stands upright: W = a + e + N·t)
    fullness   W − A = R·(F − A)    A = what lies flat and is never multiplied: a + e, or 0 by the other school

and the kind's own.  The derived ones below join two of these, where neither has a single unknown left.
"""

from __future__ import annotations

from fractions import Fraction

from ribbon.pins.placed import placed_equations
from ribbon.pins.section import Remainder, School, Section
from ribbon.pleats import Quantity, Relation
from ribbon.pleats.relation import MEET, NOUGHT, Values

Q = Quantity
REST = "rest"


def end_constants(section: Section) -> tuple[Fraction, Fraction]:
    """(a, c): the stated widths at both ends in mm, and the spaces at both ends less one."""
    if section.closed:
        return Fraction(0), Fraction(0)
    widths = sum((end.width.mm for end in (section.lead, section.tail) if end.width), Fraction(0))
    if not section.kind.folded or section.kind.width is Q.SPACING:
        return widths, Fraction(0)
    # Half a pleat on a fold line stands at the very end and counts half.
    return widths, sum(
        (end.times + Fraction(end.fold, 2) for end in (section.lead, section.tail) if end.width is None), Fraction(-1)
    )


def equations(section: Section, *, meet: bool, shut: bool) -> tuple[Relation, ...]:
    """Every equation that holds for `section`; with `meet`, also that its pleats meet.

    `shut` says that the kind's gap or opening is known to be nought.
    """
    if section.places:
        return placed_equations(section, meet=meet)
    a, c = end_constants(section)
    # With the remainder in the spacing nothing is ever left over, and no equation need ask.
    left_over = (REST,) if section.remainder is not Remainder.SPACING else ()
    flat_part = 1 if section.school is School.PLEATED else 0
    kind = section.kind
    ends = _ends_in_words(section)

    lying = bool(a or left_over)

    # As many spaces as pleats and nothing else that is multiplied: what holds of the row holds of each pleat.
    each = c == 0 and not left_over and (flat_part == 1 or not a)

    def lies_flat(v: Values) -> Fraction:
        """A + e: what lies flat at the ends."""
        return a + v[REST] if left_over else a

    def multiplied(v: Values) -> Fraction:
        """F − A: what the fullness multiplies."""
        return v[Q.FINISHED] - lies_flat(v) if lying and flat_part else v[Q.FINISHED]

    fullness = Relation(
        "fullness",
        "{flat} − flat parts = {fullness} × ({finished} − flat parts)"
        if a and flat_part
        else "{flat} = {fullness} × {finished}",
        (Q.FLAT, Q.FULLNESS, Q.FINISHED, *left_over),
        lambda v: (v[Q.FLAT] - lies_flat(v) if lying and flat_part else v[Q.FLAT]) - v[Q.FULLNESS] * multiplied(v),
    )
    if not kind.folded:
        return (fullness,)

    def spaced(v: Values) -> Fraction:
        """(N + c)·s: the row without what lies flat."""
        return (v[Q.COUNT] + c if c else v[Q.COUNT]) * v[Q.SPACING]

    def beside_ends(v: Values) -> Fraction:
        """N·s, without the count: the row less its ends."""
        pleated = v[Q.FINISHED] - lies_flat(v) if lying else v[Q.FINISHED]
        return pleated - c * v[Q.SPACING] if c else pleated

    def row_width(v: Values) -> Fraction:
        return spaced(v) + lies_flat(v) if lying else spaced(v)

    row = Relation(
        "row",
        ends,
        (Q.FINISHED, Q.COUNT, Q.SPACING, *left_over),
        lambda v: v[Q.FINISHED] - row_width(v),
    )
    if kind.width is Q.SPACING:
        return (row, *_upright_cloth(a, flat_part), fullness, *kind.relations)

    cloth = Relation(
        "cloth",
        "{flat} = {finished} + {count} × {per_pleat}",
        (Q.FLAT, Q.FINISHED, Q.COUNT, Q.PER_PLEAT),
        lambda v: v[Q.FLAT] - v[Q.FINISHED] - v[Q.COUNT] * v[Q.PER_PLEAT],
    )
    derived = [
        Relation(
            "row and cloth",
            f"{ends.replace('{finished}', '{flat}')} + {{count}} × {{per_pleat}}",
            (Q.FLAT, Q.COUNT, Q.SPACING, Q.PER_PLEAT, *left_over),
            lambda v: v[Q.FLAT] - row_width(v) - v[Q.COUNT] * v[Q.PER_PLEAT],
            derived=True,
        ),
        Relation(
            "cloth and fullness",
            "{count} × {per_pleat} = ({fullness} − 1) × {finished}",
            (Q.COUNT, Q.PER_PLEAT, Q.FULLNESS, Q.FINISHED, *left_over),
            lambda v: v[Q.COUNT] * v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * multiplied(v),
            derived=True,
        ),
        Relation(
            "row, cloth and fullness",
            "{per_pleat} = ({fullness} − 1) × {spacing}",
            (Q.PER_PLEAT, Q.FULLNESS, Q.SPACING),
            lambda v: v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * v[Q.SPACING],
        )
        if each
        else Relation(
            "row, cloth and fullness",
            "{count} × {per_pleat} = ({fullness} − 1) × {count} × {spacing}",
            (Q.COUNT, Q.PER_PLEAT, Q.FULLNESS, Q.SPACING, *left_over),
            lambda v: v[Q.COUNT] * v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * (spaced(v) if flat_part else row_width(v)),
            derived=True,
        ),
    ]
    own = list(kind.relations)
    meeting: list[Relation] = []
    if meet and kind.meeting is not None and kind.meeting_take_up is not None:
        take, hole = kind.meeting_take_up, kind.hole
        own.append(kind.meeting)
        holes = (hole,) if hole else ()

        def taken(v: Values) -> Fraction:
            return take(v[Q.SPACING], v[hole] if hole else NOUGHT)

        derived += [
            Relation(
                "row and cloth, pleats meeting",
                "{flat} = {finished} + {count} × {per_pleat}",
                (Q.FLAT, Q.COUNT, Q.SPACING, *left_over, *holes),
                lambda v: v[Q.FLAT] - row_width(v) - v[Q.COUNT] * taken(v),
                derived=True,
                rests_on=MEET,
            ),
            Relation(
                "fullness, pleats meeting",
                "{per_pleat} = ({fullness} − 1) × {spacing}",
                (Q.FULLNESS, Q.SPACING, *holes),
                lambda v: taken(v) - (v[Q.FULLNESS] - 1) * v[Q.SPACING],
                derived=True,
                rests_on=MEET,
            )
            if each
            else Relation(
                "fullness, pleats meeting",
                "{count} × {per_pleat} = ({fullness} − 1) × {finished}",
                (Q.FULLNESS, Q.COUNT, Q.SPACING, *left_over, *holes),
                lambda v: v[Q.COUNT] * taken(v) - (v[Q.FULLNESS] - 1) * (spaced(v) if flat_part else row_width(v)),
                derived=True,
                rests_on=MEET,
            ),
        ]
        if shut or hole is None:
            # N·t is then a multiple of N·s = F − a − c·s − e whatever N is:
            # "when pleats meet, fullness is 3 whatever the pleat size".
            per_space = take(Fraction(1), NOUGHT)
            if each:
                meeting.append(
                    Relation(
                        "fullness of pleats that meet",
                        f"{{fullness}} = 1 + {per_space}",
                        (Q.FULLNESS,),
                        lambda v: v[Q.FULLNESS] - 1 - per_space,
                        rests_on=MEET,
                    )
                )
            derived.append(
                Relation(
                    "pleats that meet",
                    f"{{flat}} = {{finished}} + {per_space} × {{finished}}",
                    (Q.FLAT, Q.FINISHED, *left_over, *((Q.SPACING,) if c else ())),
                    lambda v: v[Q.FLAT] - v[Q.FINISHED] - per_space * beside_ends(v),
                    rests_on=MEET,
                )
            )
    # That fullness is 3 is looked at before anything follows from another one.
    return (row, cloth, fullness, *meeting, *own, *derived)


def _upright_cloth(a: Fraction, flat_part: int) -> tuple[Relation, ...]:
    return (
        Relation(
            "cloth",
            "{flat} = {count} × {per_pleat}",
            (Q.FLAT, Q.COUNT, Q.PER_PLEAT, REST),
            lambda v: v[Q.FLAT] - a - v[REST] - v[Q.COUNT] * v[Q.PER_PLEAT],
        ),
        Relation(
            "row and cloth",
            "{flat} ÷ {finished} = {per_pleat} ÷ {spacing}",
            (Q.FLAT, Q.SPACING, Q.FINISHED, Q.PER_PLEAT, REST),
            lambda v: (v[Q.FLAT] - a - v[REST]) * v[Q.SPACING] - (v[Q.FINISHED] - a - v[REST]) * v[Q.PER_PLEAT],
            derived=True,
        ),
        Relation(
            "row, cloth and fullness",
            "{per_pleat} = {fullness} × {spacing}",
            (Q.PER_PLEAT, Q.FULLNESS, Q.SPACING),
            lambda v: v[Q.PER_PLEAT] - v[Q.FULLNESS] * v[Q.SPACING] if flat_part or not a else Fraction(0),
            derived=True,
        ),
    )


def _ends_in_words(section: Section) -> str:
    """The row equation as this section's ends make it."""
    if section.closed or section.kind.width is Q.SPACING:
        return "{finished} = {count} × {spacing}"
    _, c = end_constants(section)
    spaces = {
        Fraction(-1): "({count} − 1)",
        Fraction(-1, 2): "({count} − ½)",
        Fraction(0): "{count}",
        Fraction(1, 2): "({count} + ½)",
        Fraction(1): "({count} + 1)",
    }[c]
    parts = [f"{spaces} × {{spacing}}"]
    if section.lead.width:
        parts.insert(0, section.scribe.write(section.lead.width).text)
    if section.tail.width:
        parts.append(section.scribe.write(section.tail.width).text)
    return "{finished} = " + " + ".join(parts)
