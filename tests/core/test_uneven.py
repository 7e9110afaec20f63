"""Pleats that are not even: placed, halved on a fold line, tapered, mixed, let into a piece, draped by eye."""

from __future__ import annotations

import itertools

import pytest

from ribbon.edge import edge_plan, inserted, plan, taped, taped_edge, tapered
from ribbon.errors import Refusal
from ribbon.facts import KINDS, Edge, End, PatternPiece, Place, Stretch, Taper, beside
from ribbon.fraction import Fraction
from ribbon.lengths import UNITS, Length, read_length
from ribbon.offers import Draped, Keep, choices, evened, meanings, pins_for
from ribbon.pleats import Facing, Quantity
from ribbon.pleats.pinch import PINCH
from ribbon.readings import lies, lining_marks, marks
from ribbon.strip import LineKind, Strip, walk
from tests.scenario import MM, NONE, section, wide

ON_FOLD = End(times=Fraction(0), fold=True)
Q = Quantity


def cm(text: str) -> Length:
    return read_length(text, UNITS["cm"])


def at(laid: Strip, kind: LineKind) -> list[float]:
    """Flat places of the lines of that kind, in cm."""
    walked = walk(laid)
    return [m.at / walked.parts / 10 for m in marks(laid, walked) if m.kind is kind]


def code(refusal: pytest.ExceptionInfo[Refusal]) -> list[tuple[str, str]]:
    return [(p.code, p.path) for p in refusal.value.problems]


def test_the_telescope_cover_is_cut_as_by_hand() -> None:
    # Four corners, 2 1/2 in deep: each segment is cut 2 x (2d + a) wider than its side, a seam in each underlay.
    corners = [Place(read_length(t, UNITS["in"])) for t in ("13", "44", "70", "101")]
    made = plan(section("inverted", {"finished": "114 in", "depth": "2 1/2 in"}, closed=True, places=tuple(corners)))
    assert made.flat == Length.inches(154)
    centres = [m.at for m in marks(made.strip, made.walked) if m.kind is LineKind.CENTRE]
    per_inch = made.walked.parts * Fraction(127, 5)
    seams = [b - a for a, b in itertools.pairwise(centres)]
    assert [s / per_inch + 1 for s in seams] == [42, 37, 42]  # half an inch of seam at both ends


@pytest.mark.parametrize(
    ("kind", "pins", "flat"),
    [
        ("knife", {"finished": "40 cm", "depth": "2 cm"}, "52"),
        ("knife", {"finished": "40 cm", "flat": "61 cm"}, "61"),
        ("knife", {"finished": "40 cm", "fullness": "1.5"}, "60"),
        ("box", {"finished": "40 cm", "depth": "1 cm", "box": "2 cm"}, "52"),
        ("inverted", {"finished": "40 cm", "depth": "1 cm"}, "52"),
        ("pinch", {"finished": "40 cm", "per_pleat": "5 cm"}, "55"),
    ],
)  # fmt: skip
def test_placed_pleats_share_the_take_up(kind: str, pins: dict[str, str], flat: str) -> None:
    made = plan(section(kind, pins, places=tuple(Place(cm(t)) for t in ("5", "12", "30"))))
    laid = made.strip
    laid.check()
    assert made.flat == laid.flat == cm(flat)
    assert walk(laid).finished == made.finished == cm("40")
    assert choices(made) == []


def test_take_up_given_for_some_is_shared_over_the_rest() -> None:
    places = (Place(cm("5")), Place(cm("12"), cm("6")), Place(cm("20")))
    made = plan(section("knife", {"finished": "40 cm", "flat": "56 cm"}, places=places))
    outer, inner = at(made.strip, LineKind.OUTER), at(made.strip, LineKind.INNER)
    assert [b - a for a, b in zip(outer, inner, strict=True)] == [2.5, 3, 2.5]


def test_places_from_the_centre_stand_on_both_sides_and_face_each_other() -> None:
    made = plan(
        section(
            "knife",
            {"finished": "50 cm", "depth": "2 cm"},
            places=(Place(cm("4")), Place(cm("10"))),
            from_centre=True,
            facing=Facing.TO_CENTRE,
        )
    )
    assert made.pleats == 4
    walked = made.walked
    stands = [row.x / walked.parts / 10 for row in lies(made.strip, walked) if row.kind is LineKind.OUTER]
    assert stands == [15, 21, 29, 35]
    on_tape = walk(taped(made, Length(5)).strip)
    flat, places = on_tape.flat[-1], [m.at for m in marks(taped(made, Length(5)).strip, on_tape)]
    assert sorted(flat - p for p in places) == sorted(places)


@pytest.mark.parametrize(
    ("places", "found"),
    [
        (("5", "80"), [("outside", "placed.1.at")]),
        (("5", "5"), [("crossing", "placed.1.at")]),
    ],
)
def test_a_place_outside_or_twice_is_refused(places: tuple[str, ...], found: list[tuple[str, str]]) -> None:
    with pytest.raises(Refusal) as refusal:
        plan(section("knife", {"finished": "70 cm"}, places=tuple(Place(cm(t)) for t in places)))
    assert code(refusal) == found


def test_pleats_of_their_own_depth_must_leave_something_for_the_others() -> None:
    places = (Place(cm("10"), cm("20")), Place(cm("30"), cm("30")), Place(cm("60")))
    with pytest.raises(Refusal) as refusal:
        plan(section("box", {"finished": "80 cm", "flat": "120 cm"}, places=places))
    assert code(refusal) == [("no_take_up", "pins.flat")]


def test_gathers_are_not_let_into_a_piece() -> None:
    made = plan(section("gather", {"finished": "80 cm", "flat": "120 cm"}, piece=PatternPiece(cm("1"))))
    assert inserted(made, None) is None


def test_boxes_too_near_each_other_are_refused_and_a_count_must_be_that_of_the_places() -> None:
    near = tuple(Place(cm(t)) for t in ("10", "13"))
    with pytest.raises(Refusal) as refusal:
        plan(section("box", {"finished": "40 cm", "box": "4 cm", "depth": "1 cm"}, places=near))
    assert code(refusal) == [("crossing", "placed.1.at")]
    with pytest.raises(Refusal) as refusal:
        plan(section("knife", {"finished": "40 cm", "count": "3"}, places=near))
    assert code(refusal) == [("disagree", "pins.count")]
    with pytest.raises(Refusal) as refusal:
        plan(section("gather", {"finished": "40 cm", "fullness": "2"}, places=near))
    assert code(refusal) == [("not_of_kind", "placed")]


@pytest.mark.parametrize("kind", ["box", "inverted"])
def test_half_a_pleat_on_a_fold_line_counts_half(kind: str) -> None:
    half = plan(
        section(
            kind,
            {"finished": "25 cm", "spacing": "10 cm", "depth": "2 cm"},
            lead=ON_FOLD,
            tail=NONE if kind == "inverted" else End(times=Fraction(1, 2)),
        )
    )
    assert half.pleats.denominator == 2
    assert half.flat - half.finished == Length.cm(8) * half.pleats
    laid = half.strip
    laid.check()
    assert laid.flat == half.flat
    assert walk(laid).finished == half.finished
    # Two such pieces laid out from the fold are the whole piece.
    whole = [2 * one for one in (half.flat.mm, half.finished.mm)]
    assert whole[0] - whole[1] == 80 * 2 * half.pleats
    assert all(choice.plan.pleats.denominator == 2 for choice in choices(half))


def test_a_count_on_a_fold_line_ends_in_a_half_and_a_knife_has_none() -> None:
    with pytest.raises(Refusal) as refusal:
        plan(section("box", {"finished": "25 cm", "count": "3"}, lead=ON_FOLD))
    assert code(refusal) == [("not_whole", "pins.count")]
    with pytest.raises(Refusal) as refusal:
        plan(section("knife", {"finished": "25 cm"}, lead=ON_FOLD))
    assert code(refusal) == [("no_half", "lead")]


def test_half_pleats_are_as_deep_on_the_tape_as_the_others() -> None:
    made = plan(
        section("inverted", {"finished": "50 cm", "flat": "111 cm", "spacing": "10 cm"}, lead=ON_FOLD, tail=ON_FOLD)
    )
    on_tape = taped(made, MM)
    assert made.count == 6
    assert made.pleats == 5
    assert max(on_tape.depths) - min(on_tape.depths) <= MM
    assert all(mark.at % walk(on_tape.strip).parts == 0 for mark in marks(on_tape.strip, walk(on_tape.strip)))


@pytest.mark.parametrize("kind", ["knife", "box", "inverted"])
@pytest.mark.parametrize("facing", [Facing.RIGHT, Facing.LEFT])
@pytest.mark.parametrize("closed", [True, False])
def test_a_tapered_row_keeps_its_cloth_and_its_pitch(kind: str, facing: Facing, closed: bool) -> None:
    made = plan(
        section(
            kind,
            {"finished": "96 cm", "count": "12", "depth": "2 cm"},
            facing=facing,
            closed=closed,
            taper=Taper(cm("20"), cm("84")),
        )
    )
    upper = tapered(made)
    assert upper is not None
    upper.strip.check()
    assert upper.finished == cm("84")
    assert upper.strip.flat == made.flat  # nothing is cut away
    assert set(upper.extra) == {cm("1")}
    still = LineKind.OUTER if kind == "knife" else LineKind.CENTRE if kind == "inverted" else None
    if still:
        assert {slant.shift for slant in upper.slants if slant.kind is still} == {Length(0)}
    on_tape = tapered(made, MM)
    assert on_tape is not None
    on_tape.strip.check()
    assert abs(on_tape.finished - cm("84")) <= MM * made.section.kind.take_up_per_depth


def test_the_depth_at_the_waist_follows_the_pitch() -> None:
    # P = s_hip + 2 d_hip is constant, so d_waist = d_hip + (s_hip - s_waist) / 2.
    made = plan(
        section(
            "knife", {"finished": "96 cm", "count": "24", "depth": "3 cm"}, closed=True, taper=Taper(cm("20"), cm("72"))
        )
    )
    upper = tapered(made)
    assert upper is not None
    outer, inner = at(upper.strip, LineKind.OUTER), at(upper.strip, LineKind.INNER)
    assert {round(b - a, 9) for a, b in zip(outer, inner, strict=True)} == {3.5}
    assert {round(b - a, 9) for a, b in itertools.pairwise(outer)} == {10.0}


def test_a_swallowed_dart_goes_into_its_own_pleat() -> None:
    made = plan(
        section(
            "knife", {"finished": "30 cm", "count": "5", "depth": "2 cm"}, taper=Taper(cm("18"), None, ((2, cm("2")),))
        )
    )
    upper = tapered(made)
    assert upper is not None
    assert upper.finished == cm("28")
    assert [extra / cm("1") for extra in upper.extra] == [0, 2, 0, 0, 0]


@pytest.mark.parametrize(
    ("taper", "found"),
    [
        (Taper(cm("20"), cm("1")), ("too_narrow", "taper.finished")),
        (Taper(cm("20"), None, ((9, cm("1")),)), ("no_such_pleat", "taper.darts.0.pleat")),
        (Taper(cm("20"), None, ((2, cm("900")),)), ("too_wide", "taper.darts.0.width")),
        (Taper(cm("20"), cm("300")), ("too_wide", "taper.finished")),
    ],
)
def test_a_level_that_cannot_be_is_refused(taper: Taper, found: tuple[str, str]) -> None:
    made = plan(section("knife", {"finished": "30 cm", "count": "5", "depth": "2 cm"}, taper=taper))
    with pytest.raises(Refusal) as refusal:
        tapered(made)
    assert found in code(refusal)


def test_pleats_let_into_a_piece_on_the_fold() -> None:
    front = section(
        "inverted", {"finished": "24 cm", "depth": "3 cm"}, lead=ON_FOLD,
        places=(Place(cm("0")), Place(cm("10"))), taper=Taper(cm("20"), None, ((2, cm("2")),)), piece=PatternPiece(cm("1"), 2),
    )  # fmt: skip
    made = plan(front)
    upper = tapered(made)
    done = inserted(made, upper)
    assert done is not None
    assert upper is not None
    assert [(line.at, line.lower, line.upper, line.on_fold) for line in done.lines] == [
        (cm("0"), cm("6"), cm("6"), True),
        (cm("10"), cm("12"), cm("14"), False),
    ]
    assert [(t.of, t.pleats, t.take_up) for t in done.totals] == [
        ("half", Fraction(3, 2), cm("18")), ("piece", 3, cm("36")), ("garment", 6, cm("72")),
    ]  # fmt: skip
    # Folded, the top is one straight slope: what lies over one place of the edge is equally high.
    walked = walk(upper.strip)
    for corner, x in zip(done.trued, walked.x, strict=True):
        assert corner.height == Length(1) * (Fraction(x, walked.parts) * 10 / upper.finished.mm)


def band(*parts: Stretch, finished: Length | None = None) -> Edge:
    return Edge(beside(parts), UNITS["cm"], MM, finished=finished)


def test_kinds_side_by_side_share_one_band() -> None:
    knife, box = section("knife", {"spacing": "~2 cm"}), section("box", {"count": "3"})
    back = section("cartridge", {"spacing": "~8 mm", "depth": "15 mm"})
    whole = edge_plan(
        band(
            Stretch(None, width=cm("6")),
            Stretch(knife, share=Fraction(1, 4)),
            Stretch(back),
            Stretch(box, share=Fraction(1, 4)),
            finished=cm("84"),
        )
    )
    whole.strip.check()
    assert [one.finished for one in whole.stretches] == [cm("6"), cm("21"), cm("36"), cm("21")]
    assert walk(whole.strip).finished == whole.finished == cm("84")
    assert whole.strip.flat == whole.flat == sum((one.flat for one in whole.stretches), Length(0))
    on_tape = taped_edge(whole, MM)
    on_tape.strip.check()
    assert walk(on_tape.strip).finished == on_tape.finished == cm("84")
    pleats = [line.pleat for line in whole.strip.lines]
    assert pleats == sorted(pleats)


def test_two_parts_that_meet_on_a_fold_are_one_strip() -> None:
    edge = {"lead": NONE, "tail": NONE}
    left, right = (
        section("knife", {"count": "4", "spacing": "3 cm"}, **edge),
        section("knife", {"count": "4", "spacing": "3 cm"}, facing=Facing.LEFT, **edge),
    )
    for parts in ((left, right), (right, left), (left, left)):
        whole = edge_plan(band(*(Stretch(one) for one in parts)))
        whole.strip.check()
        assert walk(whole.strip).finished == cm("18")


@pytest.mark.parametrize(
    ("parts", "finished", "found"),
    [
        ([], "40", ("none", "parts")),
        ([Stretch(None, share=Fraction(1, 2))], None, ("no_band", "parts.0.share")),
        ([Stretch(None)], None, ("no_width", "parts.0.width")),
        ([Stretch(None, width=cm("50")), Stretch(None)], "40", ("too_wide", "pins.finished")),
        ([Stretch(None, width=cm("30"))], "40", ("left_over", "pins.finished")),
        ([Stretch(section("knife", {"count": "3", "depth": "2 cm", "flat": "5 cm"})), Stretch(None, width=cm("5"))], "40", ("disagree", "parts.0.pins.flat")),
    ],
)  # fmt: skip
def test_a_band_that_does_not_add_up_is_refused(
    parts: list[Stretch], finished: str | None, found: tuple[str, str]
) -> None:
    with pytest.raises(Refusal) as refusal:
        edge_plan(band(*parts, finished=cm(finished) if finished else None))
    assert found in code(refusal)


def test_draped_pleats_evened_keep_their_sums_or_their_average() -> None:
    draped = [Draped(cm(d), cm(g)) for d, g in (("2", "3.1"), ("2.6", "2.9"), ("2.3", "3"))]
    made = evened(KINDS["knife"], draped)
    assert (made.depth, made.gap, made.deeper, made.apart) == (cm("2.3"), cm("3"), cm("0.3"), cm("0.1"))
    total = plan(section("knife", {"finished": "9 cm", "flat": "22.8 cm", "count": "3"}))
    assert pins_for(made, Keep.TOTAL) == {"finished": 90, "flat": 228, "count": 3}
    assert total.values[Q.DEPTH] == 23
    assert pins_for(made, Keep.AVERAGE) == {"depth": 23, "spacing": 30}
    with pytest.raises(Refusal):
        evened(KINDS["knife"], [])


@pytest.mark.parametrize("kind", [*(k for n, k in KINDS.items() if n != "gather"), PINCH[3]])
def test_every_meaning_of_a_size_can_be_folded(kind: object) -> None:
    found = meanings(kind, cm("3"), "3 cm")  # type: ignore[arg-type]
    assert [one.name for one in found] == ["shows", "deep", "taken", "gauge"]
    assert len({(tuple(sorted(one.pins.items())), one.meet) for one in found}) == 4


def test_the_lining_is_the_mirror_of_the_face() -> None:
    right = plan(
        section("knife", {"finished": "40 cm", "flat": "100 cm", "count": "8"}, lead=wide("3 cm"), tail=wide("5 cm"))
    )
    left = plan(
        section(
            "knife",
            {"finished": "40 cm", "flat": "100 cm", "count": "8"},
            lead=wide("5 cm"),
            tail=wide("3 cm"),
            facing=Facing.LEFT,
        )
    )
    a, b = right.walked, left.walked
    mirrored = [(Fraction(m.at, a.parts), m.kind) for m in lining_marks(right.strip, a)]
    assert mirrored == [(Fraction(m.at, b.parts), m.kind) for m in marks(left.strip, b)]
