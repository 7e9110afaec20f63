"""Cloth worked by hand before the program was asked: joins, drops, repeats, linings, front pieces, stripes."""

from __future__ import annotations

from math import ceil
from typing import Any

import pytest

from ribbon.fraction import Fraction
from tests.conftest import Asked


def cloth(ask: Asked, **section: Any) -> Any:
    status, made = ask("POST", "/cloth", section)
    assert status == 200, made
    return made


def said(made: Any, words: str) -> bool:
    return any(words in line for line in made["slip"])


BUNK: dict[str, Any] = {
    "kind": "pinch",
    "unit": "in",
    "pins": {"finished": "62 in", "flat": "150 in", "spacing": {"about": "3 1/2 in"}},
    "lead": {"times": "1"},
    "tail": {"times": "1"},
    "allowance": {"start": "1 1/2 in", "end": "1 1/2 in", "join": "1/2 in"},
}


def test_the_bunk_curtain_in_three_widths(ask: Asked) -> None:
    # 17 pleats of 88/17 in and 18 spaces of 31/9 in: pleat n begins at n·31/9 + (n − 1)·88/17.
    # One width of 54 reaches 54 − 1 1/2 − 1/2 = 52 in: pleat 6 begins at 46 6/11..., pleat 7 at 55 and more.
    made = cloth(ask, **BUNK, cloth={"usable": "54 in"}, cutting={"drop": {"finished": "70 in"}})
    begins = [n * Fraction(31, 9) + (n - 1) * Fraction(88, 17) for n in range(1, 18)]
    first = max(at for at in begins if at <= 52)
    assert begins.index(first) + 1 == 6
    assert said(made, "just behind the sew line of pleat 6")
    second = max(at for at in begins if at <= first + 53)
    assert said(made, f"just behind the sew line of pleat {begins.index(second) + 1}")
    widths = {one["name"]: one for one in made["strategies"]}["fewest"]["widths"]

    def cut(exactly: Fraction) -> Fraction:
        """The next sixteenth: a join comes just behind its sew line, never before it."""
        return Fraction(ceil(exactly * 16), 16)

    one = cut(first + 2)
    two = cut(second - (one - 2) + 1)
    assert [w["mm"] / 25.4 for w in widths] == pytest.approx([float(x) for x in (one, two, 150 + 5 - one - two)])


@pytest.mark.parametrize(
    ("drop", "along", "cut", "each", "needed"),
    [
        # heading 4, hem 4 turned twice, margin 1: 84 + 13 = 97 in; no repeat: three of them.
        ({"finished": "84 in", "heading": "4 in", "hem": "4 in", "margin": "1 in"}, None, "97 in", "97 in", "291 in"),
        # A repeat of 25 in: four to a drop, and one more to begin with.
        ({"finished": "84 in", "heading": "4 in", "hem": "4 in", "margin": "1 in"}, "25 in", "97 in", "100 in", "325 in"),
        # The hem turned once saves one of its four inches a drop.
        ({"finished": "84 in", "heading": "4 in", "hem": "4 in", "hem_turns": 1}, "24 in", "92 in", "96 in", "312 in"),
    ],
)  # fmt: skip
def test_drops_of_the_bunk_curtain(
    ask: Asked, drop: dict[str, Any], along: str | None, cut: str, each: str, needed: str
) -> None:
    made = cloth(ask, **BUNK, cloth={"usable": "54 in", "along": along}, cutting={"drop": drop, "way": "across"})
    assert (made["drop"]["cut"]["text"], made["drop"]["on_bolt"]["text"]) == (cut, each)
    assert made["buy"]["needed"]["text"] == needed


def test_shrinkage_is_bought_before_the_shop_rounds(ask: Asked) -> None:
    # 291 in for cloth that loses 3 %: 291 / 0.97 = 300 in, 8 1/3 yd, sold in eighths: 8 3/8.
    drop = {"finished": "84 in", "heading": "4 in", "hem": "4 in", "margin": "1 in"}
    facts = {"usable": "54 in", "shrinkage": "3", "per": "yd", "price": "8", "step": "1/8 yd"}
    made = cloth(ask, **BUNK, cloth=facts, cutting={"drop": drop, "way": "across"})
    assert made["buy"]["needed"]["text"] == "300 in"
    assert made["buy"]["asked"]["text"] == "8 3/8 yd"
    assert made["buy"]["cost"] == "67.00"


@pytest.mark.parametrize(
    ("lining", "width", "length", "turned", "rolls"),
    [
        # Face 150 + 2 x 1 1/2 = 153 in. Lining 6 narrower: 147. Tube: (153 + 147 − 4 x 1/2) / 2 = 149.
        ({"narrower": "6 in", "shorter": "1 in", "hem": "2 in", "allowance": "1/2 in", "tube": True}, "147 in", "73 in", "149 in", "1 1/2 in"),
        ({"narrower": "0", "shorter": "1 in", "hem": "2 in", "hem_turns": 1, "allowance": "1/2 in", "tube": True}, "153 in", "71 in", "152 in", "0 in"),
        ({"narrower": "6 in", "shorter": "2 in", "hem": "3 in", "heading": "1 in"}, "147 in", "75 in", None, None),
    ],
)  # fmt: skip
def test_the_lining_of_the_bunk_curtain(
    ask: Asked, lining: dict[str, Any], width: str, length: str, turned: str | None, rolls: str | None
) -> None:
    made = cloth(ask, **BUNK, cloth={"usable": "54 in"}, cutting={"drop": {"finished": "70 in"}, "lining": lining})
    got = made["lining"]
    assert (got["width"]["text"], got["length"]["text"]) == (width, length)
    assert (got["turned"] and got["turned"]["text"], got["rolls"] and got["rolls"]["text"]) == (turned, rolls)


@pytest.mark.parametrize(
    ("at_hand", "inner", "words"),
    [
        # Pleats: 12 of 12 cm = 144. Each front piece 30 + 10. 144 + 80 = 224 cm is enough.
        ("224 cm", "the inner one 40 cm; 144 cm is left", None),
        ("218 cm", "the inner one 34 cm; 144 cm is left", "the inner piece's fold gives first"),
        ("212 cm", "the inner one 30 cm; 142 cm is left", "fewer pleats, or a repeat less to each, or one more join"),
    ],
)
def test_front_pieces_give_in_their_order(ask: Asked, at_hand: str, inner: str, words: str | None) -> None:
    made = cloth(
        ask,
        kind="knife",
        unit="cm",
        pins={"count": "12", "spacing": "4 cm", "depth": "4 cm"},
        lead={"times": "0"},
        tail={"times": "1"},
        cloth={"usable": "138 cm", "length": at_hand},
        cutting={"front": {"shows": "30 cm"}},
    )
    assert said(made, "the outer one 40 cm flat, centred on its line")
    assert said(made, inner)
    assert words is None or said(made, words)


def test_widths_that_begin_alike_keep_the_sequence(ask: Asked) -> None:
    # Boxes of 8 cm, 2 deep: pitch 16 cm = four repeats of 4; every join a whole number of pleats apart.
    made = cloth(
        ask,
        kind="box",
        unit="cm",
        pins={"count": "30", "box": "8 cm", "depth": "2 cm"},
        cloth={
            "usable": "138 cm",
            "stripes": [{"colour": "#112233", "width": "3 cm"}, {"colour": "#ddeeff", "width": "1 cm"}],
        },
        cutting={"strategy": "same_pleats"},
    )
    assert said(made, "So that the stripes run on, begin every further width")
    assert [fit["repeats"] for fit in made["repeats"]] == [3, 4, 5, 6]
    assert made["repeats"][1]["depth"]["text"] == "2 cm"
    assert {look["where"] for look in made["looks"]} == {"fold", "face"}
    assert len(made["looks"]) == 4


def test_a_joined_lining_has_a_seam_between_its_widths(ask: Asked) -> None:
    # 70 − 1 + 2 x 2 = 73 in is longer than 54 in is wide: not railroaded. 147 in and two seams of 1 in: 149 / 3 each.
    lining = {"narrower": "6 in", "shorter": "1 in", "hem": "2 in", "allowance": "1/2 in"}
    spec = {**BUNK, "cloth": {"usable": "54 in"}, "cutting": {"drop": {"finished": "70 in"}, "lining": lining}}
    status, made = ask("POST", "/cut", {"sections": [{"name": "Curtain", "spec": spec}]})
    assert status == 200
    laid = made["plans"][1]
    assert [piece["name"] for piece in laid["placed"]] == [f"Curtain, lining {n} of 3" for n in (1, 2, 3)]
    assert [piece["wide"]["mm"] / 25.4 for piece in laid["placed"]] == pytest.approx([149 / 3] * 3)
    assert laid["length"]["text"] == "219 in"
    assert said(cloth(ask, **spec), "in equal widths of ≈49 11/16 in: 3 widths")


def test_thrift_adds_no_join(ask: Asked) -> None:
    # 70 cm flat falls 60: lengthways it would take 39 cm in two strips; in one width there is no join.
    made = cloth(
        ask,
        kind="knife",
        unit="cm",
        pins={"finished": "50", "count": "4", "depth": "2.5"},
        cloth={"usable": "140 cm"},
        cutting={"drop": {"finished": "60"}},
    )
    assert [way["name"] for way in made["ways"] if way["taken"]] == ["across"]
    assert made["buy"]["needed"]["text"] == "60 cm"


def test_a_kissing_pleat_that_opens_a_quarter_inch(ask: Asked) -> None:
    # s = 33 3/8 / 6 = 5 9/16; W = 33 3/8 + 6 x 4 1/2; the first fold at 2 25/32 − 1/8.
    status, made = ask(
        "POST",
        "/plan",
        {
            "kind": "inverted",
            "unit": "in",
            "tape": None,
            "meet": False,
            "pins": {"finished": "33 3/8", "count": "6", "opening": "1/4", "depth": "1 1/8"},
        },
    )
    assert status == 200
    assert (made["spacing"]["text"], made["flat"]["text"]) == ("5 9/16 in", "60 3/8 in")
    first = [mark["at"]["text"] for mark in made["marks"][:5]]
    assert first == ["2 21/32 in", "3 25/32 in", "5 1/32 in", "6 9/32 in", "7 13/32 in"]
