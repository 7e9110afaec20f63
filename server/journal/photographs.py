"""Photographs: taken in, drawn anew so that nothing hidden stays in them, kept in the data folder."""

from __future__ import annotations

import warnings
from io import BytesIO
from pathlib import Path

from django.conf import settings
from PIL import Image, ImageOps, UnidentifiedImageError

from ribbon.errors import refuse

MOST_BYTES = 20 * 1024 * 1024
MOST_PIXELS = 50_000_000
LONGEST = 1600


def folder() -> Path:
    """Where photographs are kept."""
    found: Path = settings.DATA / "photographs"
    found.mkdir(mode=0o700, exist_ok=True)
    return found


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


def redrawn(data: bytes, name: str) -> tuple[bytes, int, int]:
    """(a JPEG of the picture alone, its width, its height), turned upright and at most `LONGEST` on its longer side.

    Raises `Refusal` for what is no photograph, or too large a one.
    """
    fits(len(data), name)
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error")
            with Image.open(BytesIO(data), formats=("JPEG", "PNG", "WEBP")) as opened:
                if opened.width * opened.height > MOST_PIXELS:
                    raise refuse(
                        "too_large",
                        "photograph",
                        name,
                        "the picture has too many dots",
                        "send one of less than 50 million",
                    )
                picture = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError, Warning) as error:
        if hasattr(error, "problems"):
            raise
        raise refuse(
            "no_photograph",
            "photograph",
            name,
            "this is no photograph that can be read",
            "send a JPEG, PNG or WebP picture",
        ) from None
    picture.thumbnail((LONGEST, LONGEST))
    # A new picture of the dots alone: what else was in the file stays behind.
    bare = Image.frombytes("RGB", picture.size, picture.tobytes())
    made = BytesIO()
    bare.save(made, "JPEG", quality=85)
    return made.getvalue(), bare.width, bare.height


def put(key: str, data: bytes) -> None:
    """Keep a redrawn photograph under `key`, whole or not at all."""
    path = folder() / f"{key}.jpg"
    half = path.with_suffix(".half")
    half.write_bytes(data)
    half.replace(path)


def read(key: str) -> bytes | None:
    """The photograph kept under `key`, None where there is none."""
    path = folder() / f"{key}.jpg"
    return path.read_bytes() if key.isalnum() and path.is_file() else None


def remove(key: str) -> None:
    """Take the file of that photograph away."""
    (folder() / f"{key}.jpg").unlink(missing_ok=True)
