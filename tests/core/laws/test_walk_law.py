"""The closed formula and the walk are two computations; they agree, exactly."""

from itertools import pairwise

from hypothesis import assume, event, given

from ribbon.edge import plan
from ribbon.errors import Refusal
from ribbon.facts import Section
from ribbon.readings import behind, front, layers, marks
from ribbon.strip import walk
from tests.core.laws.strategies import LAW, sections


@LAW
@given(sections())
def test_a_section_is_planned_or_refused_and_its_walk_is_its_formula(section: Section) -> None:
    try:
        made = plan(section)
    except Refusal as refusal:
        said = refusal.problems
    else:
        said = ()
    if said:
        event("refused")
        assert all(p.path and p.message and p.way_out for p in said)
        return
    assume(made.count <= 400)
    event(f"{section.kind.name} planned")
    laid = made.strip
    laid.check()
    walked = walk(laid)
    assert walked.finished == made.finished
    assert walked.length(walked.flat[-1]) == made.flat == laid.flat
    found = marks(laid, walked)
    assert [m.at for m in found] == sorted(m.at for m in found)
    assert all(0 <= m.at <= walked.flat[-1] for m in found)
    if section.kind.folded:
        assert {m.pleat for m in found} == set(range(1, made.count + 1))


@LAW
@given(sections())
def test_readings_agree_with_one_another(section: Section) -> None:
    try:
        made = plan(section)
    except Refusal:
        return
    assume(made.count <= 60)
    walked = made.walked
    thick = layers(walked)
    # Layers times width is all the cloth that lies along the edge.
    assert sum((t.end - t.start) * t.layers for t in thick) == sum(abs(b - a) for a, b in pairwise(walked.x))
    shown = front(walked)
    assert all(a.end <= b.start for a, b in pairwise(shown))
    assert sum(s.end - s.start for s in shown) == sum(t.end - t.start for t in thick if t.layers)
    depths = behind(walked)
    for span, (a, b) in enumerate(pairwise(walked.x)):
        on_top = [s.span for s in shown if 2 * s.start < a + b < 2 * s.end]
        if a != b and on_top:
            assert (depths[span] == 0) == (walked.layers[on_top[0]] <= walked.layers[span])
