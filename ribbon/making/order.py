"""The order of making as a sewist has it: steps moved, struck, added and done, and what of it can be done now."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from typing import NamedTuple

from ribbon.making.thing import Making


class ListedStep(NamedTuple):
    """A step where it stands: whether it is `own`, `done`, can be done `now`; what it `needs` that stands behind it."""

    name: str
    says: str
    waits: str
    own: bool
    done: bool
    now: bool
    needs: tuple[str, ...]


def in_order(
    steps: Sequence[Making],
    order: Sequence[str] = (),
    added: Mapping[str, str] | None = None,
    struck: Collection[str] = (),
    done: Collection[str] = (),
) -> tuple[list[ListedStep], list[ListedStep]]:
    """(the steps in their order, those that were struck from it); `added` are the sewist's own, by their names.

    Steps that were put in an order stand in it; one that is new stands behind the one that it follows of itself.  A step can
    be done now if it is not done and all that it comes after is done or struck.

    >>> cut, sew = Making("cut", "Cut it."), Making("sew", "Sew it.", after=("cut",))
    >>> [(one.name, one.now, one.needs) for one in in_order([cut, sew], order=["sew", "cut"])[0]]
    [('sew', False, ('cut',)), ('cut', True, ())]
    """
    own = added or {}
    told = {one.name: one for one in steps} | {name: Making(name, says) for name, says in own.items()}
    names = list(dict.fromkeys(name for name in order if name in told))
    for number, name in enumerate(told):
        if name in names:
            continue
        before = next((one for one in reversed(list(told)[:number]) if one in names), None)
        names.insert(0 if before is None else names.index(before) + 1, name)
    found = []
    for number, name in enumerate(names):
        step = told[name]
        waits_for = [one for one in step.after if one in told and one not in done and one not in struck]
        now = name not in done and not waits_for
        needs = () if name in done else tuple(one for one in waits_for if names.index(one) > number)
        found.append(ListedStep(name, step.says, step.waits, name in own, name in done, now, needs))
    return [one for one in found if one.name not in struck], [one for one in found if one.name in struck]
