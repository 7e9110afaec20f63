"""One answer reckons each thing once: no row, strip, walk, stack or tape is made again from what it was made from."""

from __future__ import annotations

import sys
from collections.abc import Callable
from functools import wraps
from typing import Any

import pytest

from ribbon.edge.edge import taped_edge
from ribbon.edge.plan import _even_row, _placed_row
from ribbon.edge.taped import taped
from ribbon.pleats import strip_of
from ribbon.readings.stack import stacked
from ribbon.strip import walk
from ribbon.table.chalk import From
from server.cutting.step import cloth_of
from server.plans.answer import answer_of
from server.plans.chalk import chalk_of
from server.plans.fold import fold_of
from server.wire.read_edge import read_section
from server.wire.section import SectionSpec

Call = tuple[str, tuple[Any, ...], dict[str, Any]]
ONCE: tuple[Callable[..., Any], ...] = (_even_row, _placed_row, strip_of, walk, stacked, taped, taped_edge)
CLOTH = {"usable": "138 cm"}
CUT = {"drop": {"finished": "60 cm"}, "lining": {"tube": True}}
EDGES: dict[str, dict[str, Any]] = {
    "knife": {
        "kind": "knife",
        "pins": {"finished": "96.7 cm", "count": "24", "spacing": {"about": "4 cm"}},
        "cloth": CLOTH,
    },
    "box in inches": {
        "kind": "box",
        "unit": "in",
        "pins": {"finished": "60 1/3", "count": "9"},
        "cloth": CLOTH,
        "cutting": CUT,
    },
    "ring": {
        "kind": "knife",
        "closed": True,
        "pins": {"finished": "70.3", "count": "24"},
        "cloth": CLOTH,
        "cutting": CUT,
    },
    "gathers": {"kind": "gather", "pins": {"finished": "150.1", "fullness": "2.5"}, "cloth": CLOTH, "cutting": CUT},
    "placed": {
        "kind": "box",
        "pins": {"finished": "90", "depth": "4"},
        "placed": [{"at": "20"}, {"at": "60"}],
        "cloth": CLOTH,
    },
    "with front pieces": {
        "kind": "knife",
        "pins": {"spacing": "3", "depth": "1.5", "count": "20"},
        "lead": {"width": "16"},
        "tail": {"width": "16"},
        "cloth": {"usable": "138 cm", "length": "3 m"},
        "cutting": {**CUT, "front": {"shows": "15 cm"}},
    },
    "mixed": {
        "kind": "mixed",
        "pins": {"finished": "180.3"},
        "cloth": CLOTH,
        "cutting": CUT,
        "parts": [
            {"kind": "knife", "share": "1/3", "pins": {"count": "7"}},
            {"kind": "box", "pins": {"count": "5"}},
            {"kind": "gather", "pins": {"fullness": "2"}},
        ],
    },
}


@pytest.fixture
def made(monkeypatch: pytest.MonkeyPatch) -> list[Call]:
    """What is called of what is to be done once, and with what, wherever it was imported to."""
    found: list[Call] = []

    def watched(one: Callable[..., Any]) -> Callable[..., Any]:
        @wraps(one)
        def noted(*args: Any, **more: Any) -> Any:
            found.append((one.__name__, args, more))
            return one(*args, **more)

        return noted

    ours = [module for name, module in sys.modules.items() if name.startswith(("ribbon.", "server."))]
    for one in ONCE:
        instead = watched(one)
        for module in ours:
            for name, value in list(vars(module).items()):
                if value is one:
                    monkeypatch.setattr(module, name, instead)
    return found


@pytest.mark.parametrize("name", EDGES)
@pytest.mark.parametrize("answer", ["plan", "cloth", "chalk", "fold"])
def test_nothing_is_made_twice(name: str, answer: str, made: list[Call]) -> None:
    given = read_section(SectionSpec.model_validate(EDGES[name]))
    asked: dict[str, Callable[[], object]] = {
        "plan": lambda: answer_of(given),
        "cloth": lambda: cloth_of(given),
        "chalk": lambda: chalk_of(given, From.START, wrong_side=False),
        "fold": lambda: fold_of(given),
    }
    asked[answer]()
    assert {name for name, _, _ in made} >= {"walk"}
    twice = [one for at, one in enumerate(made) if one in made[:at]]
    assert not twice, f"made again: {[(name, [str(arg)[:60] for arg in args]) for name, args, _ in twice]}"
