"""Shared by the tests of the API and the browser."""

from __future__ import annotations

import json
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.test import Client
from hypothesis import settings

from server.works.cloths import unhoused
from tests.examples import FRESH

# How long one example takes says more of the machine than of the program.
# The same examples each time, but in a soak: what fails by chance is found there.
settings.register_profile("unhurried", deadline=None, derandomize=not FRESH, database=None)
settings.load_profile("unhurried")

Asked = Callable[..., tuple[int, Any]]


def alone(work: dict[str, Any], piece: int = 0) -> dict[str, Any]:
    """A piece of a work by itself, its cloths in it, as the stateless addresses take it."""
    return unhoused(work["sections"][piece]["spec"], work["cloths"])


@pytest.fixture(autouse=True)
def _letters_stay_letters() -> Iterator[None]:
    """What a test runs leaves the interpreter whole: a compiled fraction of a one-digit text would not."""
    yield
    assert b"\x00".decode("utf-8") == chr(0), "something wrote over the letter NUL: a Fraction of a text?"


@pytest.fixture
def ask(db: None) -> Asked:
    """Asks the API as the page does, with its token; gives back the status and the body."""
    client = Client(enforce_csrf_checks=True, SERVER_NAME="127.0.0.1")
    client.get("/")
    token = client.cookies["csrftoken"].value if "csrftoken" in client.cookies else ""

    def asked(method: str, address: str, body: Any = None) -> tuple[int, Any]:
        data = body if isinstance(body, str) else "" if body is None else json.dumps(body)
        answer = client.generic(method, f"/api{address}", data, content_type="application/json", HTTP_X_CSRFTOKEN=token)
        return answer.status_code, json.loads(answer.content)

    return asked
