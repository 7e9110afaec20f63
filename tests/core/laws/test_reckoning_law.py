"""Every line of a reckoning is an equation that holds."""

from __future__ import annotations

import re
from typing import Any

from hypothesis import event, given
from hypothesis import strategies as st

from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import KINDS, End, Pin, Place, Remainder, School, Section
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.says.reckoning import explanation
from ribbon.solve.equations import REST
from tests.core.laws.strategies import LAW, pins
from tests.examples import exact

Q = Quantity
_SIGNS = {"×": "*", "÷": "/", "−": "-", "½": "(1/2)"}


def holds(formula: str, values: dict[str, Fraction]) -> bool:
    """Whether an equation, its words standing for exact numbers, holds: reckoned by Python itself."""
    named = {name: f"v[{name!r}]" for name in values}
    said = formula.format_map(named)
    for sign, own in _SIGNS.items():
        said = said.replace(sign, own)
    # What stands there as a length of the section itself is exact in its own unit.
    said = re.sub(r"(?<![\w'\]])(\d+(?:\.\d+)?) (cm|mm)", lambda m: f"F({m[1]!r})*{10 if m[2] == 'cm' else 1}", said)
    said = re.sub(r"(?<![\w'.\]])(\d+)(?![\w'.])", r"F(\1)", said)
    left, right = said.split("=")
    scope = {"v": values, "F": lambda said: exact(said) if isinstance(said, str) else Fraction(said)}
    return bool(eval(left, scope) == eval(right, scope))


@st.composite
def stated(draw: Any) -> Section:
    """Sections of every kind whose ends are stated, or take what is left over."""
    kind = draw(st.sampled_from([*KINDS.values(), PINCH[3]]))
    ends = [
        draw(st.sampled_from([End(), End(times=Fraction(0)), End(times=Fraction(1)), End(width=Length(45)), End(width=Length(120))]))
        for _ in range(2)
    ]  # fmt: skip
    places = ()
    if kind.folded and kind.width is not Q.SPACING and not draw(st.integers(0, 4)):
        ats = draw(st.lists(st.integers(50, 900), min_size=1, max_size=4, unique=True))
        takes = [draw(st.sampled_from([None, Length(40)])) for _ in ats]
        places = tuple(Place(Length(at), take) for at, take in zip(ats, takes, strict=True))
    return Section(
        kind,
        draw(pins(kind)),
        unit=UNITS["cm"],
        tape=Length(1),
        meet=draw(st.sampled_from([None, True, False])),
        facing=draw(st.sampled_from(list(Facing))),
        closed=draw(st.booleans()) and not places,
        lead=ends[0],
        tail=ends[1],
        remainder=draw(st.sampled_from(list(Remainder))),
        school=draw(st.sampled_from(list(School))),
        places=places,
    )


@LAW
@given(stated())
def test_every_line_holds(facts: Section) -> None:
    try:
        made = plan(facts)
    except Refusal:
        return
    rest = made.values.get(REST, Fraction(0))
    values = {str(name): Fraction(value) for name, value in made.values.items()}
    values[REST] = rest
    for step in made.steps:
        formula = step.relation.words(rest=bool(rest))
        event(step.relation.name)
        assert holds(formula, values), (step.relation.name, formula, values)
    assert len(explanation(made)) == sum(step.quantity != REST for step in made.steps)


def test_an_end_that_is_stated_stands_in_its_lines() -> None:
    inches = UNITS["in"]
    box = Section(
        KINDS["box"],
        {Q.FINISHED: Pin(Length.inches(Fraction(19, 4)).mm), Q.SPACING: Pin(Length.inches(Fraction(3, 2)).mm)},
        unit=inches,
        tape=Length.inches(Fraction(1, 16)),
        tail=End(width=Length.inches(Fraction(7, 4))),
    )
    lines = [line.numbers for line in explanation(plan(box))]
    assert "4 3/4 in = (2 − ½) × 2 in + 1 3/4 in" in lines
    assert not any(line.startswith("2 × 4 in") and line.endswith("× 4 3/4 in") for line in lines)
