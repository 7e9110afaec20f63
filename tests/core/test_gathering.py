"""Gathers beyond their ratio: swatches, match points, threads, the attachment."""

from __future__ import annotations

import pytest

from ribbon.edge import gathered, plan, taped
from ribbon.errors import Refusal
from ribbon.fraction import Fraction
from ribbon.gathers import BY_WEIGHT, Gathering, Point, Ruffler, Swatch, parts, stitch_for, thread, tried, tuck_from
from ribbon.lengths import UNITS, Length, read_length
from ribbon.strip import walk
from tests.examples import exact
from tests.scenario import MM, section, wide


def cm(text: str) -> Length:
    return read_length(text, UNITS["cm"])


def test_swatches_settle_the_fullness_and_its_tolerance() -> None:
    swatches = (Swatch(cm("30"), cm("15")), Swatch(cm("30"), cm("12")))
    found = tried(swatches)
    assert found == (Fraction(9, 4), 2, Fraction(5, 2))
    made = plan(section("gather", {"finished": "100 cm"}, gathering=Gathering(swatches=swatches)))
    assert made.flat == cm("225")
    needs = gathered(made)
    assert needs is not None
    assert (needs.least, needs.most) == (cm("200"), cm("250"))


@pytest.mark.parametrize("weight", sorted(BY_WEIGHT))
def test_the_weight_of_the_cloth_suggests_a_fullness(weight: str) -> None:
    made = plan(section("gather", {"finished": "1 m"}, gathering=Gathering(weight=weight)))
    assert made.fullness == BY_WEIGHT[weight][0]
    assert made.assumed[0].why == BY_WEIGHT[weight][1]


@pytest.mark.parametrize(
    ("tuck", "every", "stitch", "ratio"),
    [("5 mm", 1, "2.5 mm", "3"), ("6 mm", 6, "2 mm", "3/2"), ("3 mm", 12, "4 mm", "17/16")],
)
def test_the_attachment_and_its_inverse(tuck: str, every: int, stitch: str, ratio: str) -> None:
    setting = Ruffler(cm(tuck), every, cm(stitch))
    assert setting.ratio == exact(ratio)
    assert stitch_for(cm(tuck), every, setting.ratio) == cm(stitch)
    swatch = Swatch(cm("20 cm") * setting.ratio, cm("20 cm"))
    assert tuck_from(swatch, every, cm(stitch)) == cm(tuck)


def test_parts_pair_off_exactly_between_named_points() -> None:
    gathering = Gathering(points=(Point("side seam", cm("30")), Point("centre", cm("60"), cm("150"))))
    found = parts(cm("100"), cm("220"), gathering)
    assert sum((p.finished for p in found), Length(0)) == cm("100")
    assert sum((p.flat for p in found), Length(0)) == cm("220")
    assert all(p.finished <= gathering.longest for p in found)
    named = {p.name: sum((q.flat for q in found[: i + 1]), Length(0)) for i, p in enumerate(found) if p.name}
    assert named == {"side seam": cm("75"), "centre": cm("150")}


def test_named_points_are_measured_from_the_edge_and_stand_on_the_tape() -> None:
    made = plan(
        section(
            "gather",
            {"finished": "61.3 cm", "fullness": "2"},
            lead=wide("3 cm"),
            gathering=Gathering(points=(Point("side", cm("20.3")),)),
        )
    )
    needs = gathered(made)
    assert needs is not None
    assert any(point.name == "side" and point.finished == cm("20.3") for point in needs.points)
    on_tape = taped(made, Length(5))
    assert walk(on_tape.strip).finished == on_tape.finished
    assert made.walked.finished == made.finished


@pytest.mark.parametrize(
    ("points", "path"),
    [
        ((Point("a", cm("120")),), "gathering.points.0.at"),
        ((Point("a", cm("50")), Point("b", cm("50"))), "gathering.points.1.at"),
        ((Point("a", cm("50"), cm("190")), Point("b", cm("70"), cm("150"))), "gathering.points.1.flat"),
    ],
)
def test_points_that_cannot_be_are_refused(points: tuple[Point, ...], path: str) -> None:
    with pytest.raises(Refusal) as refusal:
        plan(section("gather", {"finished": "100 cm", "fullness": "2"}, gathering=Gathering(points=points)))
    assert [p.path for p in refusal.value.problems] == [path]


def test_threads_are_no_longer_than_trusted() -> None:
    found = thread(cm("396"), Gathering(rows=2))
    assert (found.sections, found.each, found.total) == (4, cm("119"), cm("952"))
    assert taped(plan(section("gather", {"finished": "1 m", "fullness": "2"})), MM).flat == cm("200")
