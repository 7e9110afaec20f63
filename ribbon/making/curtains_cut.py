"""How every panel is cut: how far it falls, what its heading, its hem and its sides take, its lining."""

from __future__ import annotations

from typing import NamedTuple

from ribbon.cloth import Drop, Lining, usual_lining
from ribbon.lengths import ZERO, Length
from ribbon.making.asked import Given, once
from ribbon.making.curtain_fields import lined
from ribbon.making.recipes import Turned, heading, hem, hem_of


class Cut(NamedTuple):
    """How every panel is cut: how far it falls, what its heading, its hem and its sides take, its lining."""

    finished: Length | None
    heading: Turned
    hem: Turned
    side: Turned
    trim: Length
    lining: Lining | None

    @property
    def drop(self) -> Drop | None:
        """The drop of one width, None where it is not known how far it falls."""
        if self.finished is None:
            return None
        hem_each = self.hem.depth if self.hem.turns == 2 else self.hem.takes
        return Drop(self.finished, self.heading.takes, hem_each, self.hem.turns, self.trim)

    @property
    def sides(self) -> Length:
        """What both sides of a panel take together."""
        if self.lining is not None and self.lining.tube:
            return self.lining.side * 2
        return self.side.takes * 2


@once
def cut_of(given: Given) -> Cut:
    """How every panel is cut."""
    lining = None
    if lined(given):
        usual = usual_lining(imperial=given.imperial)
        lining = Lining(
            given.length("lining_shorter"),
            given.length("lining_narrower"),
            given.length("lining_hem"),
            2,
            usual.heading,
            given.join,
            given.word("lining") == "tube",
            given.word("lining_way"),
        )
    return Cut(
        finished_length(given)[0],
        heading(given.word("top"), given.length("heading_depth"), given.length("heading_turning")),
        hem_of(given),
        hem(given.word("side"), given.length("side_depth"), given.length("side_turning")),
        given.length("trim"),
        lining,
    )


def stands_above(given: Given) -> Length:
    """How far the heading stands up above where the drop was measured from: over a hook, else not at all."""
    return given.length("above") if given.fields["above"].asked(given) else ZERO


@once
def finished_length(given: Given) -> tuple[Length | None, str]:
    """(how far it falls once made, how that is reckoned); the shortest of several drops is what it goes by."""
    drop = given.least("drop")
    if drop is None:
        return None, ""
    to, write = given.word("to"), given.figure
    up = stands_above(given)
    off = given.length("clear") if to == "clear" else ZERO
    more = given.length("past") if to in ("breaks", "below_sill") else ZERO
    finished = drop + up - off + more
    named = "the shortest drop" if len(given.taken("drop")) > 1 else "drop"
    says = f"{named} {write(drop)}"
    says += f" + {write(up)} above the hook" if up else ""
    says += f" − {write(off)} clear" if off else ""
    says += f" + {write(more)} further" if more else ""
    return finished, f"{says} = {given.write(finished)}"
