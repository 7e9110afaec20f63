"""The equations of a row of even pleats, each stated once (work, section 3).

With a = the stated widths at the two ends, c = the spaces that the ends add, less one, e = what is left over:

    row        F = a + (N + c)·s + e
    cloth      W = F + N·t          (cartridge, which stands upright: W = a + e + N·t)
    fullness   W − A = R·(F − A)    A = what lies flat and is never multiplied: a + e, or 0 by the other school

and the kind's own.  The derived ones below join two of these, where neither has a single unknown left.
"""

from __future__ import annotations

from collections.abc import Callable
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

    def both(say: Callable[[bool], str]) -> tuple[str, str]:
        """A formula without and with what is left over."""
        return say(False), say(True) if left_over else ""

    def row_said(rest: bool) -> str:
        return _row_in_words(section, rest=rest)

    def multiplied_said(rest: bool) -> str:
        """F − A, or F where the whole edge is multiplied."""
        return _bracketed(_less("{finished}", _flat_in_words(section, rest=rest))) if flat_part else "{finished}"

    def spaced_said(rest: bool) -> str:
        """What is multiplied, as spaces: of the pleated part, or of the whole edge."""
        if flat_part:
            return f"{_spaces_in_words(section)} × {{spacing}}"
        return _bracketed(row_said(rest))

    def more_said(rest: bool) -> str:
        return f"{{count}} × {{per_pleat}} = ({{fullness}} − 1) × {multiplied_said(rest)}"

    lying = bool(a or left_over)

    # As many spaces as pleats and nothing else that is multiplied: what holds of the row holds of each pleat.
    each = c == 0 and not left_over and (flat_part == 1 or not a)

    def lies_flat(v: Values) -> Fraction:
        """A + e: what lies flat at the ends."""
        return a + v[REST] if left_over else a

    def multiplied(v: Values) -> Fraction:
        """F − A: what the fullness multiplies."""
        return v[Q.FINISHED] - lies_flat(v) if lying and flat_part else v[Q.FINISHED]

    plain, with_rest = both(
        lambda rest: (
            f"{_less('{flat}', _flat_in_words(section, rest=rest) if flat_part else [])} = "
            f"{{fullness}} × {multiplied_said(rest)}"
        )
    )
    fullness = Relation(
        "fullness",
        plain,
        (Q.FLAT, Q.FULLNESS, Q.FINISHED, *left_over),
        lambda v: (v[Q.FLAT] - lies_flat(v) if lying and flat_part else v[Q.FLAT]) - v[Q.FULLNESS] * multiplied(v),
        formula_with_rest=with_rest,
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

    plain, with_rest = both(lambda rest: f"{{finished}} = {row_said(rest)}")
    row = Relation(
        "row",
        plain,
        (Q.FINISHED, Q.COUNT, Q.SPACING, *left_over),
        lambda v: v[Q.FINISHED] - row_width(v),
        formula_with_rest=with_rest,
    )
    if kind.width is Q.SPACING:
        return (row, *_upright_cloth(section, a, flat_part), fullness, *kind.relations)

    cloth = Relation(
        "cloth",
        "{flat} = {finished} + {count} × {per_pleat}",
        (Q.FLAT, Q.FINISHED, Q.COUNT, Q.PER_PLEAT),
        lambda v: v[Q.FLAT] - v[Q.FINISHED] - v[Q.COUNT] * v[Q.PER_PLEAT],
    )
    derived = [
        Relation(
            "row and cloth",
            f"{{flat}} = {row_said(False)} + {{count}} × {{per_pleat}}",
            (Q.FLAT, Q.COUNT, Q.SPACING, Q.PER_PLEAT, *left_over),
            lambda v: v[Q.FLAT] - row_width(v) - v[Q.COUNT] * v[Q.PER_PLEAT],
            derived=True,
            formula_with_rest=f"{{flat}} = {row_said(True)} + {{count}} × {{per_pleat}}",
        ),
        Relation(
            "cloth and fullness",
            more_said(False),
            (Q.COUNT, Q.PER_PLEAT, Q.FULLNESS, Q.FINISHED, *left_over),
            lambda v: v[Q.COUNT] * v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * multiplied(v),
            derived=True,
            formula_with_rest=more_said(True),
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
            f"{{count}} × {{per_pleat}} = ({{fullness}} − 1) × {spaced_said(False)}",
            (Q.COUNT, Q.PER_PLEAT, Q.FULLNESS, Q.SPACING, *left_over),
            lambda v: v[Q.COUNT] * v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * (spaced(v) if flat_part else row_width(v)),
            derived=True,
            formula_with_rest=f"{{count}} × {{per_pleat}} = ({{fullness}} − 1) × {spaced_said(True)}",
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
                more_said(False),
                (Q.FULLNESS, Q.COUNT, Q.SPACING, *left_over, *holes),
                lambda v: v[Q.COUNT] * taken(v) - (v[Q.FULLNESS] - 1) * (spaced(v) if flat_part else row_width(v)),
                derived=True,
                rests_on=MEET,
                formula_with_rest=more_said(True),
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
                    f"{{flat}} = {{finished}} + {per_space} × {'{finished}' if each else '{count} × {spacing}'}",
                    (Q.FLAT, Q.FINISHED, *left_over, *((Q.SPACING,) if c else ())),
                    lambda v: v[Q.FLAT] - v[Q.FINISHED] - per_space * beside_ends(v),
                    rests_on=MEET,
                )
            )
    # That fullness is 3 is looked at before anything follows from another one.
    return (row, cloth, fullness, *meeting, *own, *derived)


def _upright_cloth(section: Section, a: Fraction, flat_part: int) -> tuple[Relation, ...]:
    def less(what: str, rest: bool) -> str:
        return _bracketed(_less(what, _flat_in_words(section, rest=rest)))

    def cloth(rest: bool) -> str:
        return " + ".join(["{flat} = {count} × {per_pleat}", *_flat_in_words(section, rest=rest)])

    def shares(rest: bool) -> str:
        return f"{less('{flat}', rest)} ÷ {less('{finished}', rest)} = {{per_pleat}} ÷ {{spacing}}"

    return (
        Relation(
            "cloth",
            cloth(False),
            (Q.FLAT, Q.COUNT, Q.PER_PLEAT, REST),
            lambda v: v[Q.FLAT] - a - v[REST] - v[Q.COUNT] * v[Q.PER_PLEAT],
            formula_with_rest=cloth(True),
        ),
        Relation(
            "row and cloth",
            shares(False),
            (Q.FLAT, Q.SPACING, Q.FINISHED, Q.PER_PLEAT, REST),
            lambda v: (v[Q.FLAT] - a - v[REST]) * v[Q.SPACING] - (v[Q.FINISHED] - a - v[REST]) * v[Q.PER_PLEAT],
            derived=True,
            formula_with_rest=shares(True),
        ),
        Relation(
            "row, cloth and fullness",
            "{per_pleat} = {fullness} × {spacing}",
            (Q.PER_PLEAT, Q.FULLNESS, Q.SPACING),
            lambda v: v[Q.PER_PLEAT] - v[Q.FULLNESS] * v[Q.SPACING] if flat_part or not a else Fraction(0),
            derived=True,
        ),
    )


def _spaces_in_words(section: Section) -> str:
    """How many spaces the row has, in its count."""
    _, c = end_constants(section)
    return {
        Fraction(-1): "({count} − 1)",
        Fraction(-1, 2): "({count} − ½)",
        Fraction(0): "{count}",
        Fraction(1, 2): "({count} + ½)",
        Fraction(1): "({count} + 1)",
    }[c]


def _flat_in_words(section: Section, *, rest: bool) -> list[str]:
    """What lies flat at the two ends: the stated widths, and what is left over."""
    ends = [] if section.closed else [end.width for end in (section.lead, section.tail) if end.width]
    return [section.scribe.write(width).text for width in ends] + ["{rest}"] * rest


def _row_in_words(section: Section, *, rest: bool) -> str:
    """The width of the row as this section's ends make it."""
    said = f"{_spaces_in_words(section)} × {{spacing}}"
    flat = _flat_in_words(section, rest=rest)
    first = flat[:1] if not section.closed and section.lead.width else []
    return " + ".join([*first, said, *flat[len(first) :]])


def _less(what: str, flat: list[str]) -> str:
    """`what` less everything that lies flat."""
    return " − ".join([what, *flat])


def _bracketed(text: str) -> str:
    return f"({text})" if any(sign in text for sign in ("+", "−")) else text
