"""Photographs: taken in, drawn anew so that nothing hidden stays in them, kept in the data folder by what is in them."""

from __future__ import annotations

import hashlib
import os
import re
import secrets
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import NamedTuple

import orjson
from django.conf import settings

from ribbon.errors import refuse
from server.wire.files import folder_of
from server.wire.locks import taken

MOST_BYTES = 20 * 1024 * 1024
NAMED = 40  # letters of the digest that names a file
NAME = re.compile(r"[a-z0-9]{1,64}")
LONGEST = 1600
_LONGEST_WAIT = 60  # s, for those before it


class Drawn(NamedTuple):
    """A photograph drawn anew: the file's name, its width and height."""

    file: str
    width: int
    height: int


def folder() -> Path:
    """Where photographs are kept."""
    return folder_of("photographs")


def fits(size: int, name: str) -> None:
    """Raises `Refusal` for a file too large to be a photograph."""
    if size > MOST_BYTES:
        raise refuse(
            "too_large",
            "photograph",
            name,
            f"{size / 1e6:.0f} MB is too large for a photograph",
            "send one of less than 20 MB",
        )


def redrawn(data: bytes, name: str) -> Drawn:
    """The picture alone, upright and at most 1600 dots on its longer side, as a JPEG in the folder of photographs.  Raises `Refusal`."""
    picture, width, height = bare(data, name, LONGEST)
    return Drawn(put(picture), width, height)


def bare(data: bytes, name: str, longest: int) -> tuple[bytes, int, int]:
    """(the picture alone as a JPEG, its width, its height), upright, at most `longest` dots on its longer side.

    It is drawn by a program of its own with limits on time and memory, one at a time.  Raises `Refusal` for what is no
    photograph, or one that takes too much.
    """
    fits(len(data), name)
    half = folder() / f".half-{secrets.token_hex(8)}"
    half.write_bytes(data)
    try:
        with _one_at_a_time(name):
            made = subprocess.run(  # noqa: S603 - our own program, and a name that we made
                [
                    sys.executable,
                    "-I",
                    "-W",
                    "ignore",
                    str(Path(__file__).with_name("drawing.py")),
                    str(half),
                    str(longest),
                ],
                capture_output=True,
                timeout=30,
                check=False,
            )
        told = orjson.loads(made.stdout) if made.returncode == 0 else {}
        if "width" not in told:
            code = told.get("code", "takes_too_much")
            raise refuse(code, "photograph", name, *_REFUSED[code])
        return half.read_bytes(), told["width"], told["height"]
    except subprocess.TimeoutExpired:
        raise refuse("takes_too_much", "photograph", name, *_REFUSED["takes_too_much"]) from None
    finally:
        half.unlink(missing_ok=True)


_REFUSED = {
    "too_large": ("the picture has too many dots", "send one of less than 50 million"),
    "too_many_scans": ("the picture is drawn in too many passes", "save it anew as an ordinary JPEG, then send that"),
    "no_photograph": ("this is no photograph that can be read", "send a JPEG, PNG or WebP picture"),
    "takes_too_much": ("the picture takes too long to draw", "save it anew as an ordinary JPEG, then send that"),
}


@contextmanager
def _one_at_a_time(name: str) -> Iterator[None]:
    with (settings.DATA / ".drawing").open("w") as lock:
        if not taken(lock, _LONGEST_WAIT):
            raise refuse(
                "busy", "photograph", name, "too many photographs are being drawn", "send it again in a minute"
            )
        yield


def put(data: bytes, name: str | None = None) -> str:
    """Keep a photograph, whole or not at all, on the disk before it has its name; gives back the name.

    It is named by what is in it unless it has a `name`.
    """
    name = name or hashlib.sha256(data).hexdigest()[:NAMED]
    path = folder() / f"{name}.jpg"
    if path.exists() and path.read_bytes() == data:
        return name
    half = folder() / f".half-{secrets.token_hex(8)}"
    with half.open("wb") as file:
        file.write(data)
        file.flush()
        os.fsync(file.fileno())
    half.replace(path)
    _sync(folder())
    return name


def _sync(place: Path) -> None:
    handle = os.open(place, os.O_RDONLY)
    try:
        os.fsync(handle)
    finally:
        os.close(handle)


def path_of(file: str) -> Path | None:
    """Where a photograph is, None where there is none of that name."""
    path = folder() / f"{file}.jpg"
    return path if NAME.fullmatch(file) and path.is_file() else None


def sweep(named: set[str], older_than: float = 0.0) -> int:
    """How many files were taken away that are half written, or that none of `named` names; younger ones stay, in s."""
    until, found = time.time() - older_than, 0
    for path in folder().iterdir():
        if (path.suffix == ".jpg" and path.stem in named) or path.stat().st_mtime > until:
            continue
        path.unlink(missing_ok=True)
        found += 1
    return found
