"""Requests that take effect once, however often they are sent: one whose answer was lost gets the same answer again."""

from __future__ import annotations

import re
import zlib
from collections.abc import Callable
from datetime import timedelta
from functools import wraps
from typing import Concatenate, ParamSpec, cast

import orjson
from django.db import transaction
from django.http import HttpRequest, HttpResponse
from django.utils import timezone

from ribbon.errors import refuse
from server.works import services
from server.works.models import Answered

P = ParamSpec("P")
_HEADER = "Idempotency-Key"
_TOKEN = re.compile(r"[A-Za-z0-9.-]{8,64}")
_REMEMBERED = timedelta(days=90)
"""How long a page may hold back a change that it could not send, and send it again."""
_WHOLE = 100
"""So many answers are kept whole; of older ones only that they were given, where the work can be told as it is now."""
_OF_WORK = re.compile(r"(?:PUT|POST|PATCH|DELETE) /api/works/([a-z0-9]{10})(?:/(?!photographs).*)?")


def once(
    view: Callable[Concatenate[HttpRequest, P], HttpResponse],
) -> Callable[Concatenate[HttpRequest, P], HttpResponse]:
    """The view, done once for each name that a request gives itself in `Idempotency-Key`.

    What it does and the note that it was done are one transaction.  A request without a name is done as it comes.
    """

    @wraps(view)
    def done_once(request: HttpRequest, *args: P.args, **more: P.kwargs) -> HttpResponse:
        if _HEADER not in request.headers:
            return view(request, *args, **more)
        with transaction.atomic():
            earlier = answered(request)
            if earlier is not None:
                return earlier
            response = view(request, *args, **more)
            if response.status_code >= 500:
                transaction.set_rollback(True)
            else:
                remember(request, response)
            return response

    return cast("Callable[Concatenate[HttpRequest, P], HttpResponse]", done_once)  # `wraps` names the first argument


def answered(request: HttpRequest) -> HttpResponse | None:
    """The answer that this request had when it came before, None where it did not.  Raises `Refusal` for a bad name."""
    token = request.headers.get(_HEADER)
    if token is None:
        return None
    if not _TOKEN.fullmatch(token):
        raise refuse(
            "bad_name",
            _HEADER,
            token[:80],
            "this is no name for a request",
            "send 8 to 64 letters, digits, dots or hyphens",
        )
    found = Answered.objects.filter(token=token).first()
    if found is None:
        return None
    if found.address != _address(request):
        raise refuse("bad_name", _HEADER, token, "another request had this name", "give each request a name of its own")
    body = zlib.decompress(found.body) if found.body else _as_it_is(found.address)
    return HttpResponse(body, status=found.status, content_type="application/json")


def _as_it_is(address: str) -> bytes:
    """The work that was answered, as it is by now.  Raises Http404 where it is gone."""
    named = _OF_WORK.fullmatch(address)
    return b"{}" if named is None else orjson.dumps(services.told(services.find(named[1])))


def remember(request: HttpRequest, response: HttpResponse) -> None:
    """Keep the answer to a request that has a name; call it in the transaction that did what was asked."""
    token = request.headers.get(_HEADER)
    if token is None or response.status_code >= 400:
        return
    now = timezone.now()
    Answered.objects.filter(at__lt=now - _REMEMBERED).delete()
    older = Answered.objects.exclude(body=b"").filter(status=200, address__regex=_OF_WORK.pattern)
    for pk in older.order_by("-at").values_list("pk", flat=True)[_WHOLE - 1 :]:
        Answered.objects.filter(pk=pk).update(body=b"")
    Answered.objects.create(
        token=token,
        address=_address(request),
        at=now,
        status=response.status_code,
        body=zlib.compress(response.content, 1),
    )


def _address(request: HttpRequest) -> str:
    return f"{request.method} {request.path}"[:200]
