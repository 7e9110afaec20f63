"""Reading and writing JSON, quickly and strictly: no NaN in, none out."""

from __future__ import annotations

from typing import Any

import orjson
from django.http import HttpRequest, HttpResponse
from ninja.parser import Parser
from ninja.renderers import BaseRenderer


class StrictParser(Parser):
    """Reads a JSON body; what is not JSON raises ValueError, which ninja answers with 400."""

    def parse_body(self, request: HttpRequest) -> Any:
        return orjson.loads(request.body)


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
