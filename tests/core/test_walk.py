"""One pleat of each kind, walked by hand."""

from typing import Any

import pytest

from ribbon.edge import plan
from ribbon.lengths import Length
from ribbon.pleats import Facing
from ribbon.readings import behind, front, layers, marks, past_ends, thickest
from ribbon.strip import Fold, Line, LineKind, Role, Span, Strip, Turn, walk
from tests.scenario import NONE, section

K = LineKind
# Every case is three pleats on 30 cm, spaced 10 cm, half a space at each end; places in cm.
EVEN = {"finished": "30 cm", "count": "3"}


def read(kind: str, pins: dict[str, str], **facts: Any) -> tuple[Strip, list[tuple[str, float]]]:
    laid = plan(section(kind, {**EVEN, **pins}, **facts)).strip
    laid.check()
    walked = walk(laid)
    return laid, [(mark.kind.value, mark.at / walked.parts / 10) for mark in marks(laid, walked) if mark.pleat == 2]


@pytest.mark.parametrize(
    ("kind", "pins", "facts", "second"),
    [
        ("knife", {"depth": "4 cm"}, {}, [("outer", 23), ("inner", 27), ("placement", 31)]),
        ("knife", {"depth": "4 cm"}, {"facing": Facing.LEFT}, [("placement", 23), ("inner", 27), ("outer", 31)]),
        ("box", {"depth": "2 cm", "box": "6 cm"}, {},
         [("placement", 20), ("inner", 22), ("outer", 24), ("outer", 30), ("inner", 32), ("placement", 34)]),
        ("inverted", {"depth": "2 cm", "opening": "1 cm"}, {},
         [("outer", 22.5), ("inner", 24.5), ("centre", 27), ("inner", 29.5), ("outer", 31.5)]),
        ("pinch", {"per_pleat": "12 cm"}, {}, [("sew", 27), ("finger", 33), ("sew", 39)]),
        ("cartridge", {"depth": "8 cm"}, {}, [("stitch", 20), ("stitch", 28)]),
    ],
)  # fmt: skip
def test_marks_stand_where_one_would_chalk_them(
    kind: str, pins: dict[str, str], facts: dict[str, Any], second: list[tuple[str, float]]
) -> None:
    assert read(kind, pins, **facts)[1] == second


def test_knife_pleats_that_meet_lie_three_deep() -> None:
    laid, _ = read("knife", {"depth": "10 cm"}, closed=True)
    walked = walk(laid)
    most = thickest(layers(walked))
    assert most.layers == 3
    assert [walked.layers[i] for i in range(3)] == [0, -1, -2]
    assert behind(walked)[:6] == [0, 1, 2, 0, 1, 2]


def test_the_first_underlay_sticks_out_when_deeper_than_the_lead() -> None:
    laid, _ = read("knife", {"depth": "8 cm"})
    assert past_ends(walk(laid)) == (Length.cm(3), Length(0))
    laid, _ = read("knife", {"depth": "8 cm"}, facing=Facing.LEFT)
    assert past_ends(walk(laid)) == (Length(0), Length.cm(3))


def test_only_faces_show_and_they_show_their_right_side() -> None:
    for kind, pins in (
        ("knife", {"depth": "4 cm"}),
        ("box", {"depth": "2 cm", "box": "6 cm"}),
        ("inverted", {"depth": "2 cm"}),
    ):
        laid, _ = read(kind, pins)
        shown = front(walk(laid))
        assert {laid.spans[s.span].role for s in shown} == {Role.FACE}
        assert all(s.right_side for s in shown)
        assert shown[0].start == 0
        assert shown[-1].end == walk(laid).x[-1]


def test_a_mirrored_row_turns_in_the_middle() -> None:
    laid = plan(section("knife", {"finished": "40 cm", "count": "4", "depth": "3 cm"}, facing=Facing.TO_CENTRE)).strip
    kinds = [line.kind for line in laid.lines]
    assert kinds == [K.OUTER, K.INNER, K.PLACEMENT] * 2 + [K.PLACEMENT, K.INNER, K.OUTER] * 2
    assert [turn.turn for turn in laid.folds] == [Turn.BEHIND] * 4 + [Turn.FRONT] * 4


def test_a_fold_may_stand_on_the_very_edge() -> None:
    laid = plan(section("knife", {"finished": "30 cm", "count": "4", "depth": "3 cm"}, lead=NONE, tail=NONE)).strip
    laid.check()
    assert laid.spans[0] == Span(Length(0), Role.FACE)
    assert laid.folds[0] == Fold(0, Turn.BEHIND)
    assert walk(laid).finished == Length.cm(30)


def test_box_and_inverted_pleats_that_meet_are_one_folding_seen_from_its_two_sides() -> None:
    """Turned over, layer for layer, the one is the other."""

    def stacks(kind: str) -> list[list[int]]:
        """The layers over each half space, counted from the lowest."""
        laid = plan(section(kind, {"finished": "30 cm", "count": "3", "spacing": "10 cm"}, closed=True)).strip
        walked = walk(laid)
        half = walked.x[-1] // 6
        spans = [
            (min(a, b), max(a, b), layer) for a, b, layer in zip(walked.x, walked.x[1:], walked.layers, strict=False)
        ]
        lowest = min(walked.layers)
        return [
            sorted(n - lowest for a, b, n in spans if a <= cell * half and (cell + 1) * half <= b) for cell in range(6)
        ]

    assert stacks("box") == [sorted(2 - layer for layer in stack) for stack in stacks("inverted")]
    assert stacks("box") == [[0, 1, 2]] * 6


def test_a_strip_knows_when_it_is_wrong() -> None:
    face = Span(Length(10), Role.FACE)
    for wrong in (
        Strip((), (), ()),
        Strip((face, Span(Length(0), Role.FACE), face), (), ()),
        Strip((face, face), (Fold(1, Turn.BEHIND),), (Line(1, K.OUTER, 1),)),
        Strip((face, face), (Fold(0, Turn.BEHIND),), ()),
        Strip((face, face), (), (Line(1, K.OUTER, 1), Line(0, K.INNER, 1))),
    ):
        with pytest.raises(AssertionError):
            wrong.check()
