"""What differs between two JSON documents, so that either can be made from the other."""

from __future__ import annotations

from typing import Any

Step = dict[str, Any]
_WORTH_CUTTING = 24  # a shorter text is written out whole


def difference(before: Any, after: Any) -> list[Step]:
    """The steps that make `after` of `before`, each reversible; none where they are equal.

    A step has the path `at` and what stands there before (`from`) and after (`to`); either is left out where nothing
    stands there.  With `cut` it is of a text or list, from that place on, and says what differs alone.

    >>> difference({"a": 1, "b": [1, 2, 3]}, {"b": [1, 3], "c": 2})
    [{'at': ['a'], 'from': 1}, {'at': ['b'], 'cut': 1, 'from': [2], 'to': []}, {'at': ['c'], 'to': 2}]
    """
    found: list[Step] = []
    _compare(before, after, [], found)
    return found


def _compare(before: Any, after: Any, at: list[Any], found: list[Step]) -> None:
    # True and 1 are equal and not the same.
    if type(before) is type(after) and before == after and not isinstance(before, dict | list):
        return
    if isinstance(before, dict) and isinstance(after, dict):
        _compare_names(before, after, at, found)
    elif isinstance(before, list) and isinstance(after, list) and len(before) == len(after):
        for index, (old, new) in enumerate(zip(before, after, strict=True)):
            _compare(old, new, [*at, index], found)
    elif (isinstance(before, list) and isinstance(after, list)) or _both_long(before, after):
        start, old, new = _middle(before, after)
        found.append({"at": at, "cut": start, "from": old, "to": new})
    else:
        found.append({"at": at, "from": before, "to": after})


def _compare_names(before: dict[str, Any], after: dict[str, Any], at: list[Any], found: list[Step]) -> None:
    for name, old in before.items():
        if name in after:
            _compare(old, after[name], [*at, name], found)
        else:
            found.append({"at": [*at, name], "from": old})
    found += [{"at": [*at, name], "to": new} for name, new in after.items() if name not in before]


def _both_long(before: Any, after: Any) -> bool:
    return isinstance(before, str) and isinstance(after, str) and min(len(before), len(after)) >= _WORTH_CUTTING


def _middle(before: Any, after: Any) -> tuple[int, Any, Any]:
    """(where they begin to differ, what is there before, what after)."""
    most = min(len(before), len(after))
    start = next((i for i in range(most) if not _same(before[i], after[i])), most)
    end = next((i for i in range(most - start) if not _same(before[-1 - i], after[-1 - i])), most - start)
    return start, before[start : len(before) - end], after[start : len(after) - end]


def _same(one: Any, other: Any) -> bool:
    return not difference(one, other) if isinstance(one, dict | list) else type(one) is type(other) and one == other


def forward(document: Any, steps: list[Step]) -> Any:
    """The document after those steps; `document` itself is left as it is.

    >>> forward({"a": 1}, difference({"a": 1}, {"b": 2}))
    {'b': 2}

    Raises ValueError where the steps were not made from this document.
    """
    for step in steps:
        document = _taken(document, step["at"], step, "from", "to")
    return document


def before_steps(document: Any, steps: list[Step]) -> Any:
    """The document before those steps.  Raises ValueError where the steps do not lead to this document.

    >>> before_steps({"b": 2}, difference({"a": 1}, {"b": 2}))
    {'a': 1}
    """
    for step in reversed(steps):
        document = _taken(document, step["at"], step, "to", "from")
    return document


def _taken(held: Any, at: list[Any], step: Step, old: str, new: str) -> Any:
    if not at:
        return _replaced(held, step, old, new)
    name, rest = at[0], at[1:]
    if isinstance(held, list) and type(name) is int and 0 <= name < len(held):
        return [*held[:name], _taken(held[name], rest, step, old, new), *held[name + 1 :]]
    if not isinstance(held, dict) or not isinstance(name, str):
        raise ValueError(f"there is no {name!r} in what this step changes")
    if rest:
        if name not in held:
            raise ValueError(f"there is no {name!r} in what this step changes")
        return {**held, name: _taken(held[name], rest, step, old, new)}
    if "cut" in step or (old in step and new in step):
        if name not in held:
            raise ValueError(f"there is no {name!r} in what this step changes")
        return {**held, name: _replaced(held[name], step, old, new)}
    return _added_or_left_out(held, name, step, old, new)


def _added_or_left_out(held: dict[str, Any], name: str, step: Step, old: str, new: str) -> Any:
    if old in step:
        if name not in held or held[name] != step[old]:
            raise ValueError(f"{name!r} is not what this step changes")
        return {one: value for one, value in held.items() if one != name}
    if name in held:
        raise ValueError(f"{name!r} is there already")
    return {**held, name: step[new]}


def _replaced(held: Any, step: Step, old: str, new: str) -> Any:
    if "cut" not in step:
        if held != step.get(old):
            raise ValueError("what is there is not what this step changes")
        return step.get(new)
    start, gone = step["cut"], step[old]
    if type(held) is not type(gone) or held[start : start + len(gone)] != gone:
        raise ValueError("what is there is not what this step changes")
    return held[:start] + step[new] + held[start + len(gone) :]
