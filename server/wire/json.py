"""Reading and writing JSON, quickly and strictly: no NaN in, none out, nothing nested without end."""

from __future__ import annotations

import re
from typing import Any

import orjson
from django.http import HttpRequest, HttpResponse
from ninja.parser import Parser
from ninja.renderers import BaseRenderer

from ribbon.errors import refuse

MOST_DEEP = 40


_CONTROLS = re.compile("[\x01-\x08\x0b\x0c\x0e-\x1f\x7f\ufffe\uffff]")
_BOM = b"\xef\xbb\xbf"


def clean(value: Any) -> Any:
    """`value` with a space for every sign in it that no page, picture or table can hold, such as a word processor's."""
    if isinstance(value, str):
        return _CONTROLS.sub(" ", value)
    if isinstance(value, list):
        return [clean(one) for one in value]
    return {name: clean(one) for name, one in value.items()} if isinstance(value, dict) else value


def read_typed(data: bytes) -> Any:
    """What `data` says, as `read_json` reads it, without a mark of its order and clean of signs that cannot be shown."""
    found = read_json(data.removeprefix(_BOM))
    return clean(found) if _CONTROLS.search(data.decode("utf-8", "replace")) or b"\\u" in data else found


def read_json(data: bytes) -> Any:
    """What `data` says.  Raises `orjson.JSONDecodeError` for what is no JSON, `Refusal` for what is nested too deeply."""
    try:
        found = orjson.loads(data)
    except orjson.JSONDecodeError as error:
        if "depth limit" in str(error):
            raise _too_deep() from None
        raise
    level = [found] if isinstance(found, dict | list) else []
    for _ in range(MOST_DEEP):
        if not level:
            return found
        held = (inner for one in level for inner in (one.values() if isinstance(one, dict) else one))
        level = [inner for inner in held if isinstance(inner, dict | list)]
    raise _too_deep()


def _too_deep() -> Exception:
    return refuse("too_deep", "", "", f"this is nested more than {MOST_DEEP} deep", "nothing here is: see /api/docs")


class StrictParser(Parser):
    """Reads a JSON body; what is not JSON raises ValueError, which ninja answers with 400."""

    def parse_body(self, request: HttpRequest) -> Any:
        return read_typed(request.body)


class Renderer(BaseRenderer):
    """Writes JSON."""

    media_type = "application/json"

    def render(self, request: HttpRequest, data: Any, *, response_status: int) -> bytes:
        return orjson.dumps(data, default=_plain)


def _plain(value: Any) -> Any:
    if hasattr(value, "model_dump"):
        return value.model_dump()
    raise TypeError(f"cannot write {type(value).__name__}")


def answer(data: Any, status: int = 200) -> HttpResponse:
    """`data` as a response, already in the shape of its schema: not checked a second time."""
    return HttpResponse(orjson.dumps(data), status=status, content_type="application/json")
