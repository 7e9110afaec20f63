"""The equations of a row of even pleats, each stated once.

With a = the stated widths at the two ends, c = the spaces that the ends add, less one, e = what is left over:

    row        F = a + (N + c)·s + e
    cloth      W = F + N·t          (cartridge, which stands upright: W = a + e + N·t)
    fullness   W − A = R·(F − A)    A = what lies flat and is never multiplied: a + e, or 0 by the other school

and the kind's own.  The derived ones below join two of these, where neither has a single unknown left.
"""

from __future__ import annotations

from collections.abc import Callable

from ribbon.facts.section import Remainder, School, Section
from ribbon.fraction import Fraction
from ribbon.pleats import Quantity, Relation
from ribbon.pleats.relation import MEET, NOUGHT, Values
from ribbon.solve.placed import placed_equations

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


class _Terms:
    """What the equations of a section are made of, each as a value and in words."""

    def __init__(self, section: Section) -> None:
        self.section = section
        self.a, self.c = end_constants(section)
        # With the remainder in the spacing nothing is ever left over, and no equation need ask.
        self.left_over = (REST,) if section.remainder is not Remainder.SPACING else ()
        self.lying = bool(self.a or self.left_over)
        self.part = section.school is School.PLEATED  # the fullness multiplies the pleated part alone
        # As many spaces as pleats and nothing else that is multiplied: what holds of the row holds of each pleat.
        self.each = self.c == 0 and not self.left_over and (self.part or not self.a)

    def lies_flat(self, v: Values) -> Fraction:
        """A + e: what lies flat at the ends."""
        return self.a + v[REST] if self.left_over else self.a

    def multiplied(self, v: Values) -> Fraction:
        """F − A: what the fullness multiplies."""
        return v[Q.FINISHED] - self.lies_flat(v) if self.lying and self.part else v[Q.FINISHED]

    def spaced(self, v: Values) -> Fraction:
        """(N + c)·s: the row without what lies flat."""
        return (v[Q.COUNT] + self.c if self.c else v[Q.COUNT]) * v[Q.SPACING]

    def row_width(self, v: Values) -> Fraction:
        """(N + c)·s + a + e."""
        return self.spaced(v) + self.lies_flat(v) if self.lying else self.spaced(v)

    def row_multiplied(self, v: Values) -> Fraction:
        """What the fullness multiplies, by the spaces of the row."""
        return self.spaced(v) if self.part else self.row_width(v)

    def beside_ends(self, v: Values) -> Fraction:
        """N·s, without the count: the row less its ends."""
        pleated = v[Q.FINISHED] - self.lies_flat(v) if self.lying else v[Q.FINISHED]
        return pleated - self.c * v[Q.SPACING] if self.c else pleated

    def flat_said(self, *, rest: bool) -> list[str]:
        """What lies flat at the two ends: the stated widths, and what is left over."""
        section = self.section
        ends = [] if section.closed else [end.width for end in (section.lead, section.tail) if end.width]
        return [section.scribe.write(width).text for width in ends] + ["{rest}"] * rest

    def less_flat_said(self, what: str, *, rest: bool) -> str:
        """`what` less everything that lies flat."""
        return " − ".join([what, *self.flat_said(rest=rest)])

    def spaces_said(self) -> str:
        """The spaces of the row, by its count."""
        spaces = {-2: "({count} − 1)", -1: "({count} − ½)", 0: "{count}", 1: "({count} + ½)", 2: "({count} + 1)"}
        return f"{spaces[int(self.c * 2)]} × {{spacing}}"

    def row_said(self, rest: bool) -> str:
        """The width of the row as this section's ends make it."""
        flat = self.flat_said(rest=rest)
        first = flat[:1] if not self.section.closed and self.section.lead.width else []
        return " + ".join([*first, self.spaces_said(), *flat[len(first) :]])

    def multiplied_said(self, rest: bool) -> str:
        """F − A, or F where the whole edge is multiplied."""
        return _bracketed(self.less_flat_said("{finished}", rest=rest)) if self.part else "{finished}"

    def row_multiplied_said(self, rest: bool) -> str:
        """What is multiplied, as spaces: of the pleated part, or of the whole edge."""
        return self.spaces_said() if self.part else _bracketed(self.row_said(rest))


def _stated(
    name: str,
    say: Callable[[bool], str],
    quantities: tuple[str, ...],
    residual: Callable[[Values], Fraction],
    *,
    derived: bool = True,
    rests_on: str | None = None,
) -> Relation:
    """A relation whose words depend on what is left over."""
    return Relation(name, say, quantities, residual, derived, rests_on)


def equations(section: Section, *, meet: bool, shut: bool) -> tuple[Relation, ...]:
    """Every equation that holds for `section`; with `meet`, also that its pleats meet.

    `shut` says that the kind's gap or opening is known to be nought.
    """
    if section.places:
        return placed_equations(section, meet=meet)
    terms, kind = _Terms(section), section.kind
    fullness = _fullness(terms)
    if not kind.folded:
        return (fullness,)
    row = _stated(
        "row",
        lambda rest: f"{{finished}} = {terms.row_said(rest)}",
        (Q.FINISHED, Q.COUNT, Q.SPACING, *terms.left_over),
        lambda v: v[Q.FINISHED] - terms.row_width(v),
        derived=False,
    )
    if kind.width is Q.SPACING:
        return (row, *_upright_cloth(terms), fullness, *kind.relations)
    cloth = Relation(
        "cloth",
        "{flat} = {finished} + {count} × {per_pleat}",
        (Q.FLAT, Q.FINISHED, Q.COUNT, Q.PER_PLEAT),
        lambda v: v[Q.FLAT] - v[Q.FINISHED] - v[Q.COUNT] * v[Q.PER_PLEAT],
    )
    own, derived = list(kind.relations), _derived(terms)
    three: list[Relation] = []
    if meet and kind.meeting is not None and kind.meeting_take_up is not None:
        own.append(kind.meeting)
        derived += _meeting(terms, kind.meeting_take_up, kind.hole)
        if shut or kind.hole is None:
            three, joined = _shut(terms, kind.meeting_take_up(Fraction(1), NOUGHT))
            derived.append(joined)
    # That fullness is 3 is looked at before anything follows from another one.
    return (row, cloth, fullness, *three, *own, *derived)


def _fullness(terms: _Terms) -> Relation:
    def say(rest: bool) -> str:
        flat = terms.less_flat_said("{flat}", rest=rest) if terms.part else "{flat}"
        return f"{flat} = {{fullness}} × {terms.multiplied_said(rest)}"

    def residual(v: Values) -> Fraction:
        flat = v[Q.FLAT] - terms.lies_flat(v) if terms.lying and terms.part else v[Q.FLAT]
        return flat - v[Q.FULLNESS] * terms.multiplied(v)

    return _stated("fullness", say, (Q.FLAT, Q.FULLNESS, Q.FINISHED, *terms.left_over), residual, derived=False)


def _more_said(multiplied: str) -> str:
    """What the pleats take beyond what shows."""
    return f"{{count}} × {{per_pleat}} = ({{fullness}} − 1) × {multiplied}"


def _derived(terms: _Terms) -> list[Relation]:
    """Two or three of the equations at once."""
    found = [
        _stated(
            "row and cloth",
            lambda rest: f"{{flat}} = {terms.row_said(rest)} + {{count}} × {{per_pleat}}",
            (Q.FLAT, Q.COUNT, Q.SPACING, Q.PER_PLEAT, *terms.left_over),
            lambda v: v[Q.FLAT] - terms.row_width(v) - v[Q.COUNT] * v[Q.PER_PLEAT],
        ),
        _stated(
            "cloth and fullness",
            lambda rest: _more_said(terms.multiplied_said(rest)),
            (Q.COUNT, Q.PER_PLEAT, Q.FULLNESS, Q.FINISHED, *terms.left_over),
            lambda v: v[Q.COUNT] * v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * terms.multiplied(v),
        ),
    ]
    if terms.each:
        alike = Relation(
            "row, cloth and fullness",
            "{per_pleat} = ({fullness} − 1) × {spacing}",
            (Q.PER_PLEAT, Q.FULLNESS, Q.SPACING),
            lambda v: v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * v[Q.SPACING],
        )
        return [*found, alike]
    whole = _stated(
        "row, cloth and fullness",
        lambda rest: _more_said(terms.row_multiplied_said(rest)),
        (Q.COUNT, Q.PER_PLEAT, Q.FULLNESS, Q.SPACING, *terms.left_over),
        lambda v: v[Q.COUNT] * v[Q.PER_PLEAT] - (v[Q.FULLNESS] - 1) * terms.row_multiplied(v),
    )
    return [*found, whole]


def _meeting(terms: _Terms, take: Callable[[Fraction, Fraction], Fraction], hole: Quantity | None) -> list[Relation]:
    """The same where pleats meet, so that the spacing and the kind's `hole` say what each takes."""
    holes = (hole,) if hole else ()

    def taken(v: Values) -> Fraction:
        return take(v[Q.SPACING], v[hole] if hole else NOUGHT)

    cloth = Relation(
        "row and cloth, pleats meeting",
        "{flat} = {finished} + {count} × {per_pleat}",
        (Q.FLAT, Q.COUNT, Q.SPACING, *terms.left_over, *holes),
        lambda v: v[Q.FLAT] - terms.row_width(v) - v[Q.COUNT] * taken(v),
        derived=True,
        rests_on=MEET,
    )
    if terms.each:
        alike = Relation(
            "fullness, pleats meeting",
            "{per_pleat} = ({fullness} − 1) × {spacing}",
            (Q.FULLNESS, Q.SPACING, *holes),
            lambda v: taken(v) - (v[Q.FULLNESS] - 1) * v[Q.SPACING],
            derived=True,
            rests_on=MEET,
        )
        return [cloth, alike]
    whole = _stated(
        "fullness, pleats meeting",
        lambda rest: _more_said(terms.multiplied_said(rest)),
        (Q.FULLNESS, Q.COUNT, Q.SPACING, *terms.left_over, *holes),
        lambda v: v[Q.COUNT] * taken(v) - (v[Q.FULLNESS] - 1) * terms.row_multiplied(v),
        rests_on=MEET,
    )
    return [cloth, whole]


def _shut(terms: _Terms, per_space: Fraction) -> tuple[list[Relation], Relation]:
    """Pleats that meet with nothing between: N·t is then a multiple of N·s = F − a − c·s − e whatever N is.

    "When pleats meet, fullness is 3 whatever the pleat size."
    """
    three = Relation(
        "fullness of pleats that meet",
        f"{{fullness}} = 1 + {per_space}",
        (Q.FULLNESS,),
        lambda v: v[Q.FULLNESS] - 1 - per_space,
        rests_on=MEET,
    )
    joined = Relation(
        "pleats that meet",
        f"{{flat}} = {{finished}} + {per_space} × {'{finished}' if terms.each else '{count} × {spacing}'}",
        (Q.FLAT, Q.FINISHED, *terms.left_over, *((Q.SPACING,) if terms.c else ())),
        lambda v: v[Q.FLAT] - v[Q.FINISHED] - per_space * terms.beside_ends(v),
        rests_on=MEET,
    )
    return [three] if terms.each else [], joined


def _upright_cloth(terms: _Terms) -> tuple[Relation, ...]:
    a = terms.a

    def shares(rest: bool) -> str:
        flat, finished = (_bracketed(terms.less_flat_said(what, rest=rest)) for what in ("{flat}", "{finished}"))
        return f"{flat} ÷ {finished} = {{per_pleat}} ÷ {{spacing}}"

    return (
        _stated(
            "cloth",
            lambda rest: " + ".join(["{flat} = {count} × {per_pleat}", *terms.flat_said(rest=rest)]),
            (Q.FLAT, Q.COUNT, Q.PER_PLEAT, REST),
            lambda v: v[Q.FLAT] - a - v[REST] - v[Q.COUNT] * v[Q.PER_PLEAT],
            derived=False,
        ),
        _stated(
            "row and cloth",
            shares,
            (Q.FLAT, Q.SPACING, Q.FINISHED, Q.PER_PLEAT, REST),
            lambda v: (v[Q.FLAT] - a - v[REST]) * v[Q.SPACING] - (v[Q.FINISHED] - a - v[REST]) * v[Q.PER_PLEAT],
        ),
        Relation(
            "row, cloth and fullness",
            "{per_pleat} = {fullness} × {spacing}",
            (Q.PER_PLEAT, Q.FULLNESS, Q.SPACING),
            lambda v: v[Q.PER_PLEAT] - v[Q.FULLNESS] * v[Q.SPACING] if terms.part or not a else Fraction(0),
            derived=True,
        ),
    )


def _bracketed(text: str) -> str:
    return f"({text})" if any(sign in text for sign in ("+", "−")) else text
