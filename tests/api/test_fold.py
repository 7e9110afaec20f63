"""The folding round, the order of making, and chalk lists at the upper level."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest

from tests.demo import FIRST as DEMO

Asked = Callable[..., tuple[int, Any]]


@pytest.mark.django_db
@pytest.mark.parametrize(
    ("work", "pleats", "first"),
    [
        ("Guide’s skirt", 23, "Crease at 3 cm and bring the fold to the right, on the placement line at 9 cm."),
        ("Dome valance", 24, "Crease at 4 in and 8 in; bring the left fold left to the line at 0 in and the right fold right to the line at 12 in."),
        ("Telescope cover", 5, "Crease at 5 in and bring the outer fold to the centre line at 0 in."),
        ("Bunk curtain", 17, "Bring the sew lines at 3 7/16 in and 8 5/8 in together, right side out, and sew down the line; then dress it."),
        ("Nightgown cuff", 0, ""),
    ],
)  # fmt: skip
def test_each_pleat_says_which_crease_goes_where(ask: Asked, work: str, pleats: int, first: str) -> None:
    status, told = ask("POST", "/fold", DEMO[work])
    assert status == 200
    assert len(told["pleats"]) == pleats
    # Pinch pleats are sewn at once, not pinned.
    assert told["pins"] == (0 if DEMO[work]["kind"] == "pinch" else 2 * pleats)
    if first:
        assert told["pleats"][0]["says"] == first


@pytest.mark.django_db
def test_a_left_facing_pleat_goes_left(ask: Asked) -> None:
    _, told = ask("POST", "/fold", {**DEMO["Guide’s skirt"], "facing": "left"})
    assert "bring the fold to the left" in told["pleats"][0]["says"]


@pytest.mark.django_db
@pytest.mark.parametrize("work", DEMO)
def test_the_hem_comes_before_the_folds_and_the_check_before_the_band(ask: Asked, work: str) -> None:
    _, told = ask("POST", "/fold", DEMO[work])
    names = [step["name"] for step in told["order"]]
    last = "hang" if DEMO[work]["kind"] == "pinch" else "attach"
    assert names.index("hem") < names.index("mark") < names.index("check") < names.index(last)
    assert (names[0] == "opening") is bool(DEMO[work].get("closed"))


@pytest.mark.django_db
def test_figures_stand_in_the_steps_that_need_them(ask: Asked) -> None:
    _, told = ask("POST", "/fold", DEMO["Dome valance"])
    said = {step["name"]: step["says"] for step in told["order"]}
    assert said["join"].startswith("Sew 2 joins")
    assert "2 in of it" in said["hem"]  # an inch, turned twice
    assert "24 pleats over 288 in" in said["mark"]
    assert "Count out 48 pins" in said["fold and pin"]
    assert "96 in" in said["check"]


@pytest.mark.django_db
def test_the_upper_level_has_a_list_of_its_own(ask: Asked) -> None:
    spec = {
        "kind": "knife", "unit": "cm", "pins": {"finished": "80 cm", "count": "20", "depth": "2 cm"}, "meet": False,
        "lead": {"times": "1/2"}, "tail": {"times": "1/2"}, "taper": {"height": "20 cm", "finished": "70 cm"},
    }  # fmt: skip
    _, lower = ask("POST", "/chalk", spec)
    status, upper = ask("POST", "/chalk?level=upper", spec)
    assert status == 200
    assert "the upper level, 20 cm above" in upper["says"]
    # Outer folds stay on the grain; what each takes more of, half a centimetre, comes from beside its placement line.
    # On a tape of a millimetre that is four or six, so that the inner fold is on it too, and never bunched.
    shifts = {}
    for kind in ("outer", "placement"):
        low, high = ([m["at"]["mm"] for m in one["marks"] if m["kind"] == kind] for one in (lower, upper))
        shifts[kind] = [b - a for a, b in zip(low, high, strict=True)]
    assert shifts == {"outer": [0] * 20, "placement": [6, 4] * 10}
    status, body = ask("POST", "/chalk?level=upper", DEMO["Guide’s skirt"])
    assert (status, body["problems"][0]["path"]) == (422, "level")


@pytest.mark.django_db
def test_a_tape_too_coarse_for_the_upper_level_is_refused(ask: Asked) -> None:
    spec = {
        "kind": "inverted", "unit": "cm", "tape": "6.35 mm", "pins": {"finished": "637 mm", "depth": "51 mm", "spacing": "20 mm"},
        "meet": False, "facing": "left", "lead": {"fold": True, "times": "0"}, "tail": {"fold": True, "times": "0"},
        "taper": {"height": "20 cm", "finished": "20 cm"},
    }  # fmt: skip
    status, body = ask("POST", "/chalk?level=upper", spec)
    assert status == 422
    assert body["problems"][0]["path"] == "tape"


@pytest.mark.django_db
def test_stitch_points_say_their_rows(ask: Asked) -> None:
    _, told = ask("POST", "/chalk", {"kind": "cartridge", "pins": {"finished": "30 cm"}, "rows": 3})
    assert "The same points on each of 3 rows" in told["says"]
