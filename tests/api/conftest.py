"""Shared by the tests of the API."""

from __future__ import annotations

from importlib import import_module

import pytest


@pytest.fixture(scope="session", autouse=True)
def loaded() -> None:
    """The program read in as it is when it is served, so that no first request pays for that."""
    import_module("server.config.wsgi")
