"""The addresses of sessions: a work's steps fitted into them, and calendar files out and in."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from django.views.decorators.csrf import csrf_protect
from ninja import File, Router
from ninja.files import UploadedFile
from pydantic import Field

from ribbon.errors import refuse
from server.wire.files import attached, described
from server.wire.json import answer
from server.wire.problems import Problems
from server.wire.typed import Strict
from server.wire.work import SittingSpec
from server.works.out import ReadSessions, TimetableOut
from server.works.timetable import MOST_BYTES, calendar, sessions_of, timetable

router = Router(tags=["works"])
router.add_decorator(csrf_protect, mode="view")
_BAD: dict[int, Any] = {400: Problems, 403: Problems, 404: Problems, 413: Problems, 415: Problems, 422: Problems}


class SessionsIn(Strict):
    """The sessions that the steps of a work are fitted into."""

    sessions: Annotated[list[SittingSpec], Field(max_length=60)] = []


@router.post("/sessions/read", response={200: ReadSessions, **_BAD}, operation_id="read_sessions")
def read_sessions(request: HttpRequest, file: File[UploadedFile]) -> HttpResponse:
    """The sessions of a calendar file.  Stateless."""
    if (file.size or 0) > MOST_BYTES:
        raise refuse("too_large", "file", file.name or "", "this calendar is too large", "send one of less than 1 MB")
    return answer(sessions_of(file.read(), file.name or "calendar"))


@router.post("/{key}/timetable", response={200: TimetableOut, **_BAD}, operation_id="timetable")
def timetable_of(request: HttpRequest, key: str, said: SessionsIn) -> HttpResponse:
    """The steps of a work with their minutes, fitted into sessions.  Changes nothing."""
    return answer(timetable(key, said.sessions))


@router.get("/{key}/calendar", response=_BAD, operation_id="work_calendar", openapi_extra=described("text/calendar"))
def work_calendar(request: HttpRequest, key: str) -> HttpResponse:
    """The sessions that are kept with a work as a calendar file."""
    data, name = calendar(key)
    return attached(data, name, "text/calendar; charset=utf-8")
