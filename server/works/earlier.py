"""Works and histories as earlier versions kept them, made into those of today."""

from __future__ import annotations

from itertools import pairwise
from typing import Any

from server.works.cloths import housed
from server.works.differences import before_steps, forward
from server.works.history import Document, Steps, chained
from server.works.versions import CURRENT, current


def document_of_today(said: Document, log: dict[str, Any] | None = None) -> Document:
    """A document of an earlier version as one of today: its sections brought up, their cloths put into the work.

    `log` is that of the work, where it was no part of the document.
    """
    sections = [
        {"key": one["key"], "name": one["name"], "spec": current(one["spec"], one["version"]), "version": CURRENT}
        for one in said["sections"]
    ]
    words = {"name": said["name"], "purpose": said["purpose"], "log": said.get("log") if log is None else log}
    return housed({**words, "sections": sections}, apart=True)


def differences_of(
    changes: list[tuple[dict[str, Any], dict[str, Any], bool]], now: Document
) -> tuple[Document, list[Steps]]:
    """(the document of today, the differences of its changes), each change known as (before, after, whether it is undone)."""
    made = document_of_today(now)
    documents = [
        (document_of_today(before, now["log"]), document_of_today(after, now["log"])) for before, after, _ in changes
    ]
    return made, chained(documents, sum(not undone for _, _, undone in changes), made)


def differences_again(changes: list[tuple[Steps, bool]], now: Document) -> tuple[Document, list[Steps]]:
    """The same of changes that are known as (difference, whether it is undone), of an earlier version's documents."""
    done = [steps for steps, undone in changes if not undone]
    states = [now]
    for steps in reversed(done):
        states.append(before_steps(states[-1], steps))
    states.reverse()
    for steps, undone in changes:
        if undone:
            states.append(forward(states[-1], steps))
    made = [document_of_today(state) for state in states]
    return made[len(done)], chained(list(pairwise(made)), len(done), made[len(done)])
