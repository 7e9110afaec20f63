"""The five properties of a plan on the tape."""

from hypothesis import assume, event, given

from ribbon.edge import plan, taped
from ribbon.errors import Refusal
from ribbon.facts import Section
from ribbon.fraction import Fraction
from ribbon.lengths import ZERO, Length
from ribbon.readings import marks
from ribbon.strip import Role, Strip, walk
from tests.core.laws.strategies import LAW, sections


def faces(laid: Strip) -> list[Length]:
    """The faces that stand between two folds: not the ones cut off by an end."""
    return [span.length for span in laid.spans[1:-1] if span.role is Role.FACE]


@LAW
@given(sections())
def test_on_the_tape(section: Section) -> None:
    try:
        made = plan(section)
    except Refusal:
        return
    assume(made.count <= 200)
    tape = section.tape
    assert tape is not None
    # A tape too coarse to tell one pleat from none is not what these properties are about.
    exact = made.strip
    assume(
        min(span.length for span in exact.spans if span.length.mm) > tape * 4 * max(1, section.kind.take_up_per_depth)
    )
    event(section.kind.name)
    on_tape = taped(made, tape)
    assert on_tape is not None
    laid = on_tape.strip
    laid.check()
    walked = walk(laid, tape)
    assert walked.finished == on_tape.finished
    assert walked.length(walked.flat[-1]) == on_tape.flat
    # 1. Every mark is on the tape.
    for mark in marks(laid, walked, tape):
        assert (walked.length(mark.at) / tape).denominator == 1, mark
    # 2. The finished width is exact whenever it is on the tape, else within half a division.
    on = (made.finished / tape).denominator == 1
    assert on_tape.finished == made.finished if on else abs(on_tape.finished - made.finished) <= tape / 2
    # The flat width differs by at most half a step of the take-up, and half a division of the finished width.
    step = tape * section.kind.divisions
    sides = 2 if section.mirrored else 1
    assert abs(on_tape.off) <= step * sides / 2 + (tape / 2 if section.kind.folded else ZERO)
    # 3. Two depths, and two faces, differ by at most one division.
    if on_tape.depths:
        assert max(on_tape.depths) - min(on_tape.depths) <= tape
    if faces(laid) and not section.mirrored and section.kind.name != "box":
        assert max(faces(laid)) - min(faces(laid)) <= tape
    # 4. The deeper ones are spread: any run of pleats takes up what it would, to within one step.
    if section.kind.folded and not section.mirrored:
        exact_depth = made.values["per_pleat"] / (1 if section.kind.name == "pinch" else section.kind.take_up_per_depth)
        run = Fraction(0)
        for number, depth in enumerate(on_tape.depths, start=1):
            run += depth.mm
            assert abs(run - number * exact_depth) <= tape.mm / 2
    # 5. A mirrored section stays mirrored.
    if section.mirrored:
        assert on_tape.depths == on_tape.depths[::-1]
        inner = faces(laid)
        assert inner == inner[::-1]
