"""Errors in one shape: a list of problems, each with its field, the value that was sent and a way out."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import Any

from ninja import Schema
from pydantic import Field

from ribbon.errors import Problem
from server.wire.shown import shown


class ProblemOut(Schema):
    """One thing that is wrong with a request."""

    code: str = Field(description="A short stable word for the kind of problem.")
    message: str = Field(description="What is wrong, as a sentence.")
    path: str = Field(description="The field, in dots: pins.finished.  Empty for the request as a whole.")
    value: str = Field(description="What was got, as text.")
    way_out: str = Field(description="What would work.")
    together: str | None = Field(
        default=None, description="What facts that disagree say together, the same for each of them."
    )
    becomes: str | None = Field(
        default=None, description="What this one becomes once it is let go; null where that is no help."
    )


class Problems(Schema):
    """Everything that is wrong with a request, all at once."""

    problems: list[ProblemOut]


REFUSED: dict[int, Any] = {400: Problems, 413: Problems, 415: Problems, 422: Problems}
"""What a stateless address answers where it cannot do what is asked."""


_WAYS_OUT = {
    "missing": "add it",
    "string_too_short": "write something",
    "too_short": "add one",
    "extra_forbidden": "leave it out; /api/docs lists what is known",
    "bool_parsing": "use true or false",
    "bool_type": "use true or false",
    "int_parsing": "use a whole number",
    "int_type": "use a whole number",
    "string_type": "write it as text",
    "dict_type": "send an object",
    "list_type": "send a list",
    "model_type": "send an object",
    "model_attributes_type": "send an object",
    "string_too_long": "make it shorter",
    "too_long": "leave some out",
    "string_pattern_mismatch": "leave it out",
}
_MESSAGES = {
    **dict.fromkeys(("model_type", "model_attributes_type", "dict_type"), "this should be an object with named fields"),
    "string_too_short": "this is empty",
    "string_too_long": "this is longer than {max_length} signs",
    "too_short": "there is none here",
    "too_long": "there are {actual_length} here, more than {max_length}",
    "string_pattern_mismatch": "there is a sign here that cannot be used",
}


def from_core(problems: Iterable[Problem]) -> dict[str, Any]:
    """The body for problems that the rules of the work found."""
    return {
        "problems": [
            {
                "code": p.code,
                "message": p.message,
                "path": p.path,
                "value": shown(p.value),
                "way_out": p.way_out,
                **({"together": p.together, "becomes": p.becomes or None} if p.together else {}),
            }
            for p in problems
        ]
    }


def from_schema(errors: Iterable[Mapping[str, Any]]) -> dict[str, Any]:
    """The body for what the schema found, from pydantic's list of errors."""
    found = []
    for error in errors:
        context = error.get("ctx") or {}
        kind = str(error["type"])
        # Without the names that pydantic gives to the branches of what may be one thing or another.
        loc = [str(part) for part in error.get("loc", ()) if not str(part).startswith("~")]
        # The first two parts are where ninja found the argument, not what the caller wrote.
        path = ".".join(loc[2:] if loc[:1] == ["body"] else loc[1:])
        way_out = context.get("way_out") or _WAYS_OUT.get(kind)
        if way_out is None and "expected" in context:
            way_out = f"use {context['expected']}"
        found.append(
            {
                "code": kind,
                "message": _MESSAGES[kind].format(**context) if kind in _MESSAGES else str(error["msg"]),
                "path": context.get("path", path),
                "value": shown(context.get("value", error.get("input", ""))),
                "way_out": way_out or "see /api/docs for what is expected",
            }
        )
    return {"problems": found}


def one(code: str, message: str, way_out: str, path: str = "", value: object = "") -> dict[str, Any]:
    """The body for a single problem."""
    return {"problems": [{"code": code, "message": message, "path": path, "value": shown(value), "way_out": way_out}]}
