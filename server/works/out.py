"""What is told of times and sessions, for the API's description."""

from __future__ import annotations

from typing_extensions import TypedDict


class StepTime(TypedDict):
    """A step and its minutes: `by` is ``log`` or ``guess``; what it took where that is written, and that by pleat or metre."""

    name: str
    says: str
    minutes: int
    words: str
    by: str
    done: bool
    took: int | None
    rate: str
    waits: str


class DoingOut(TypedDict):
    """What is done of a step in a session."""

    step: str
    says: str
    at: str
    words: str
    last: bool


class SittingOut(TypedDict):
    """A session with what is done in it."""

    says: str
    doings: list[DoingOut]


class TimetableOut(TypedDict):
    """Steps with their minutes, how long those take that are not done, sessions with what is done in them, all of it in words."""

    steps: list[StepTime]
    left: str
    sessions: list[SittingOut]
    says: list[str]
    together: list[str]


class ReadSessions(TypedDict):
    """Sessions out of a calendar file; `says` tells what was passed over."""

    sessions: list[dict[str, str]]
    says: str
