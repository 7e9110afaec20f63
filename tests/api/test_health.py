"""What is wrong with a database is told, and never raised."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

import pytest

from server.keeping import health


def test_a_schema_whose_words_are_no_text_is_a_damaged_database(
    tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    path = tmp_path / "ribbon.sqlite3"
    with closing(sqlite3.connect(path)) as made:
        made.execute("CREATE TABLE works_work (key TEXT)")
        made.commit()
    path.write_bytes(path.read_bytes().replace(b"works_work", b"works_\xbc\xbcrk"))
    monkeypatch.setattr(health, "database", lambda: path)
    for found in (health.look(), health.look(whole=False), health.looked_through()):
        assert found is None or found.kind in ("damaged", "emptied")
    assert (health.look() or health.damaged()).kind == "damaged"
