"""Shared by the tests of the API."""

from __future__ import annotations

from collections.abc import Iterator
from importlib import import_module

import pytest


@pytest.fixture(scope="session", autouse=True)
def loaded() -> None:
    """The program read in as it is when it is served, so that no first request pays for that."""
    import_module("server.config.wsgi")


@pytest.fixture(autouse=True, scope="module")
def unhurried(request: pytest.FixtureRequest, loaded: None) -> Iterator[None]:
    """How long a request takes says more of the machine than of the program, but where that is what is asked."""
    with pytest.MonkeyPatch.context() as patch:
        if request.module.__name__ != "tests.api.test_costs":
            patch.setattr("server.config.guard.SECONDS", 60)
        yield
