"""My ways: kept once, the default of each new work."""

from __future__ import annotations

import pytest

from tests.conftest import Asked

pytestmark = pytest.mark.django_db


def test_nothing_is_said_at_first_and_what_is_said_is_kept(ask: Asked) -> None:
    assert ask("GET", "/works/ways") == (200, {"ways": {}, "revision": 0})
    ways = {"unit": "in", "tape": "1/8", "seam": "5/8", "choices": {"lining": "tube", "fullness_of": "all"}}
    status, kept = ask("PUT", "/works/ways", {"ways": ways, "revision": 0})
    assert (status, kept) == (200, {"ways": ways, "revision": 1})
    assert ask("GET", "/works/ways")[1] == kept


def test_all_that_cannot_be_read_is_said(ask: Asked) -> None:
    ways = {"tape": "0.001 mm", "seam": "wide", "machine": "0"}
    status, told = ask("PUT", "/works/ways", {"ways": ways, "revision": 0})
    assert status == 422
    assert {one["path"] for one in told["problems"]} == {"tape", "seam", "machine"}


def test_ways_that_were_changed_elsewhere_are_not_lost(ask: Asked) -> None:
    ask("PUT", "/works/ways", {"ways": {"currency": "¤"}, "revision": 0})
    status, told = ask("PUT", "/works/ways", {"ways": {"currency": "x"}, "revision": 0})
    assert status == 422
    assert told["problems"][0]["code"] == "stale"
    assert ask("GET", "/works/ways")[1]["ways"]["currency"] == "¤"
