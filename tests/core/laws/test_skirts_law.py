"""Random skirts in both units against plain fractions: each part's share, what its pockets hold back, its gathers."""

from __future__ import annotations

from fractions import Fraction as Plain
from random import Random

import pytest

from ribbon.cloth import Bolt
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length
from ribbon.making import THINGS, Given
from tests.examples import seeds

SKIRT = THINGS["skirt"]


@pytest.mark.parametrize("seed", seeds(400))
def test_each_part_is_its_share_less_what_lies_flat(seed: int) -> None:
    chance = Random(seed)
    sign = chance.choice(["cm", "mm", "in"])
    unit = UNITS[sign]
    one = {"cm": Plain(10), "mm": Plain(1), "in": Plain(127, 5)}[sign]

    def some(low: int, high: int) -> Plain:
        """So many centimetres or thereabouts, in the divisions of that tape."""
        part = {"cm": 10, "mm": 1, "in": 16}[sign]
        return Plain(chance.randint(int(low * 10 / one * part), int(high * 10 / one * part)), part)

    def length(value: Plain) -> Length:
        return Length(Fraction(value.numerator, value.denominator) * Fraction(one.numerator, one.denominator))

    waist, hip, ease, under, pocket = some(50, 130), some(60, 150), some(0, 6), some(0, 3), some(1, 12)
    divides = chance.choice(["one", "halves", "quarters"])
    pockets, opening, top = (
        chance.choice(["none", "two"]),
        chance.choice(["side", "elastic"]),
        chance.choice(["band", "yoke"]),
    )
    heading, behind = chance.choice(["knife", "gather"]), chance.choice(["same", "box", "gather"])
    times = Plain(chance.randint(5, 16), 4)
    measures = {"waist": waist, "hip": hip, "length": Plain(60)}
    given = Given(
        SKIRT.by_name,
        {name: (read_length(str(value), unit),) for name, value in measures.items()},
        {
            "ease": length(ease), "under": length(under), "pocket": length(pocket), "divides": divides, "top": top,
            "pockets": pockets, "opening": opening, "heading": heading, "back_heading": behind,
            "fullness": Fraction(times.numerator, times.denominator),
        },
        {"face": Bolt(Length.cm(138))},
        unit=unit,
        seam=Length.cm(1),
    )  # fmt: skip
    found = SKIRT.begin(given)
    keys = {
        "one": ["skirt"], "halves": ["front", "back"],
        "quarters": ["front_right", "front_left", "back_right", "back_left"],
    }[divides]  # fmt: skip
    share = ((hip if top == "yoke" or opening == "elastic" else waist) + ease + under) / len(keys)
    mouths = {"front": 2, "front_right": 1, "front_left": 1} if pockets == "two" and divides != "one" else {}
    if any(pocket * many >= share for key, many in mouths.items() if key in keys):
        assert [problem.path for problem in found.problems] == ["choices.pocket"]
        return
    assert not found.problems
    assert [edge.name for edge in found.edges] == keys
    for edge in found.edges:
        assert found.results[f"{edge.name}.finished"].value == length(share)
        back = edge.name.startswith("back") and behind != "same"
        gathered = (behind if back else heading) == "gather"
        assert (edge.facts["kind"] == "gather") == gathered
        flat = found.results.get(f"{edge.name}.flat")
        assert (flat is not None) == gathered
        if flat is not None:
            lies = pocket * mouths.get(edge.name, 0)
            assert flat.value == length((share - lies) * times + lies)
        ends = {end for end in ("lead", "tail") if f"{end}.width" in edge.facts}
        # The wearer's right is at the left of whoever looks: the right quarter begins at its side seam.
        whose = {"front": {"lead", "tail"}, "front_right": {"lead"}, "front_left": {"tail"}}
        assert ends == (whose[edge.name] if edge.name in mouths else set())
    # Where every edge is closed again it comes to the body, its ease and what is worn under it.
    assert (
        sum((Plain(str(found.results[f"{key}.finished"].value.mm)) for key in keys), Plain(0))
        == share * len(keys) * one
    )
