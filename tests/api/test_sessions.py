"""Sessions: a work's steps with guessed and learnt minutes, a weekend planned, calendar files out and in."""

from __future__ import annotations

from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from icalendar import Calendar

from tests.conftest import Asked

pytestmark = pytest.mark.django_db
SKIRT = {"kind": "skirt", "unit": "cm", "measures": {"waist": "68", "hip": "94", "length": "60"}, "choices": {}}
CLOTHS = {"face": {"usable": "138 cm"}}
WEEKEND = [
    {"day": "2026-11-28", "start": "14:00", "long": "2 h"},
    {"day": "2026-11-29", "start": "10:00", "long": "3 h"},
]


def work(ask: Asked, **making: Any) -> Any:
    thing = {**SKIRT, **({"making": making} if making else {})}
    status, made = ask("POST", "/works", {"name": "Skirt", "sections": [], "cloths": CLOTHS, "thing": thing})
    assert status == 201, made
    return made


def test_a_weekend_planned_from_guesses(ask: Asked) -> None:
    key = work(ask)["key"]
    status, told = ask("POST", f"/works/{key}/timetable", {"sessions": WEEKEND})
    assert status == 200, told
    assert {one["by"] for one in told["steps"]} == {"guess"}
    steps = {one["name"]: one for one in told["steps"]}
    # 23 pleats: 10 and 3 each; 210 cm of hem: 10 and 8 a metre.
    assert (steps["fold"]["minutes"], steps["hem"]["minutes"]) == (10 + 69, round(10 + 16.8))
    assert [one["says"] for one in told["sessions"]] == [
        "Saturday 28 November, 14:00, 2 h",
        "Sunday 29 November, 10:00, 3 h",
    ]
    # The cloth dries overnight, so Saturday does no more than wash it.
    assert [one["step"] for one in told["sessions"][0]["doings"]] == ["wash"]
    assert told["sessions"][1]["doings"][0]["step"] == "cut"
    assert told["says"][0].endswith("all of it guessed.")
    assert "The cloth must be there by Saturday 28 November, 14:00." in told["says"]
    assert any("are left, from" in line for line in told["says"])
    assert any(line.startswith("Pressing at once:") for line in told["together"])


def test_the_log_of_other_works_says_how_long_by_pleat_and_by_metre(ask: Asked) -> None:
    work(ask, took={"fold": "1 h 9", "hem": "21"})
    thing = {**SKIRT, "measures": {"waist": "98", "hip": "120", "length": "60"}}
    key = ask("POST", "/works", {"name": "Wide", "sections": [], "cloths": CLOTHS, "thing": thing})[1]["key"]
    told = ask("POST", f"/works/{key}/timetable", {})[1]
    steps = {one["name"]: one for one in told["steps"]}
    # 69 minutes over 23 pleats are 3 a pleat, of 33 here; 21 over 2.1 m are 10 a metre, of 3 m.
    assert (steps["fold"]["by"], steps["fold"]["minutes"]) == ("log", 99)
    assert (steps["hem"]["by"], steps["hem"]["minutes"]) == ("log", 30)
    assert "steps guessed, the others as they took you before" in told["says"][0]
    # The work that says so compares itself by pleat and metre.
    own = ask("GET", "/works")[1]["works"]
    key = next(one["key"] for one in own if one["name"] == "Skirt")
    steps = {one["name"]: one for one in ask("POST", f"/works/{key}/timetable", {})[1]["steps"]}
    assert (steps["fold"]["took"], steps["fold"]["rate"]) == (69, "3 min a pleat")
    assert steps["hem"]["rate"] == "10 min a metre"


@pytest.mark.parametrize(
    ("session", "path", "says"),
    [
        ({"day": "28.11.", "long": "2 h"}, "day", "is no day"),
        ({"day": "1066-10-14", "long": "2 h"}, "day", "too far away"),
        ({"day": "2026-11-28", "start": "25:00", "long": "2 h"}, "start", "no time of day"),
        ({"day": "2026-11-28", "long": "0"}, "long", "session of nought"),
        ({"day": "2026-11-28"}, "long", "session of nought"),
        ({"day": "2026-11-28", "long": "30 h"}, "long", "no longer than a day"),
        ({"day": "2026-11-28", "long": "soon"}, "long", "soon"),
    ],
)
def test_a_session_that_cannot_be_says_so(ask: Asked, session: dict[str, str], path: str, says: str) -> None:
    status, told = ask("POST", f"/works/{work(ask)['key']}/timetable", {"sessions": [WEEKEND[0], session]})
    assert status == 422
    assert [(one["path"], says in one["message"], bool(one["way_out"])) for one in told["problems"]] == [
        (f"sessions.1.{path}", True, True)
    ]


def test_sessions_at_once_are_refused_and_those_that_follow_are_not(ask: Asked) -> None:
    key = work(ask)["key"]
    after = {"day": "2026-11-28", "start": "16:00", "long": "1 h"}
    assert ask("POST", f"/works/{key}/timetable", {"sessions": [after, WEEKEND[0]]})[0] == 200
    early = {**after, "start": "15:59"}
    late = {"day": "2026-11-29", "start": "12:30", "long": "12 h"}
    status, told = ask("POST", f"/works/{key}/timetable", {"sessions": [early, *WEEKEND, late]})
    assert status == 422
    assert [(one["path"], one["message"]) for one in told["problems"]] == [
        ("sessions.0.start", "this session begins before that of 28 November, 14:00, is over"),
        ("sessions.3.start", "this session begins before that of 29 November, 10:00, is over"),
    ]


def test_a_step_of_ones_own_is_done_where_it_stands(ask: Asked) -> None:
    key = work(ask, added=[{"key": "lace", "says": "Sew the lace on by hand."}], done=["wash"])["key"]
    told = ask("POST", f"/works/{key}/timetable", {"sessions": [{"day": "2026-11-28", "long": "20 h"}]})[1]
    names = [one["name"] for one in told["steps"] if not one["done"]]
    at = [one["step"] for one in told["sessions"][0]["doings"]]
    assert "wash" not in at
    assert at.index("lace") > at.index(names[names.index("lace") - 1])
    assert told["left"]
    assert told["says"][0].startswith(f"About {told['left']} of work left")


def test_a_work_without_a_thing_has_no_order(ask: Asked) -> None:
    section = {"kind": "knife", "unit": "cm", "pins": {"finished": "70 cm", "spacing": "2 cm"}}
    key = ask("POST", "/works", {"name": "Edge", "sections": [{"name": "Edge", "spec": section}]})[1]["key"]
    status, told = ask("POST", f"/works/{key}/timetable", {})
    assert (status, told["problems"][0]["way_out"]) == (422, "say under Measure what is made")


def test_the_calendar_is_read_by_another_reader_and_read_back(ask: Asked, client: Client) -> None:
    key = work(ask, sessions=WEEKEND)["key"]
    answer = client.get(f"/api/works/{key}/calendar")
    assert answer.status_code == 200
    assert answer["Content-Type"].startswith("text/calendar")
    text = answer.content.decode()
    # Plain lines, as any reader takes them apart.
    assert text.count("BEGIN:VEVENT") == 2
    assert "DTSTART:20261128T140000" in text
    assert "DTEND:20261129T130000" in text
    events = Calendar.from_ical(answer.content).walk("VEVENT")
    assert str(events[0]["summary"]) == "Sewing: Skirt"
    assert "14:00 wash" in str(events[0]["description"])
    back = client.post("/api/works/sessions/read", {"file": SimpleUploadedFile("w.ics", answer.content)}).json()
    assert back["sessions"] == [
        {"day": "2026-11-28", "start": "14:00", "long": "120 min"},
        {"day": "2026-11-29", "start": "10:00", "long": "180 min"},
    ]
    bare = work(ask)["key"]
    assert client.get(f"/api/works/{bare}/calendar").status_code == 422


@pytest.mark.parametrize(
    ("lines", "sessions", "says"),
    [
        (["DTSTART;VALUE=DATE:20261128", "DTEND;VALUE=DATE:20261129"], [], "0 sessions read. 1 without a time of day"),
        (["DTSTART;TZID=Europe/Vienna:20261128T140000", "DURATION:PT90M"], [{"day": "2026-11-28", "start": "14:00", "long": "90 min"}], "1 session read."),
        (["DTSTART:20261128T140000"], [], "0 sessions read. 1 without"),
        (["DTSTART:99991128T140000", "DURATION:PT90M"], [], "0 sessions read."),
    ],
)  # fmt: skip
def test_events_of_other_programs(client: Client, lines: list[str], sessions: Any, says: str) -> None:
    text = "\r\n".join(
        [
            "BEGIN:VCALENDAR",
            "VERSION:2.0",
            "PRODID:x",
            "BEGIN:VEVENT",
            "UID:1",
            *lines,
            "END:VEVENT",
            "END:VCALENDAR",
            "",
        ]
    )
    told = client.post("/api/works/sessions/read", {"file": SimpleUploadedFile("w.ics", text.encode())}).json()
    assert told["sessions"] == sessions
    assert told["says"].startswith(says)


@pytest.mark.parametrize(
    "data",
    [
        b"",
        b"no calendar",
        b"BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n",
        b"\xff\xfe\x00",
        b"BEGIN:VCALENDAR\r\nDTSTART:nonsense",
    ],
)
def test_what_is_no_calendar_is_refused_or_empty(client: Client, data: bytes) -> None:
    answer = client.post("/api/works/sessions/read", {"file": SimpleUploadedFile("w.ics", data or b" ")})
    assert answer.status_code in (200, 422), answer.content
    if answer.status_code == 422:
        assert answer.json()["problems"][0]["way_out"]
    else:
        assert answer.json()["sessions"] == []
