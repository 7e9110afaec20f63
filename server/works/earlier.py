"""History as version 2 and earlier kept it, each change with the whole work before and after, made into differences."""

from __future__ import annotations

from typing import Any

from server.works.history import Document, chained
from server.works.versions import CURRENT, current


def whole(said: dict[str, Any], log: dict[str, Any]) -> Document:
    """A document of a history of version 2, as a document of today; the log was not in it."""
    sections = [
        {"key": one["key"], "name": one["name"], "spec": current(one["spec"], one["version"]), "version": CURRENT}
        for one in said["sections"]
    ]
    return {"name": said["name"], "purpose": said["purpose"], "log": log, "sections": sections}


def differences_of(
    changes: list[tuple[dict[str, Any], dict[str, Any], bool]], now: Document
) -> list[list[dict[str, Any]]]:
    """The differences of changes of one work, each known as (before, after, whether it is undone), in their order."""
    documents = [(whole(before, now["log"]), whole(after, now["log"])) for before, after, _ in changes]
    return chained(documents, sum(not undone for _, _, undone in changes), now)
