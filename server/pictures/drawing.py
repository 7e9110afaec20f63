"""Draws one picture anew: a program of its own, so that what a picture takes is taken from nobody else.

`python drawing.py FILE [LONGEST]` puts a JPEG of the dots alone in the place of FILE, and says {"width", "height"}, or {"code"}
where it is no picture or too much of one.
"""

from __future__ import annotations

import os
import resource
import sys
import warnings
from io import BytesIO
from pathlib import Path

from PIL import Image, ImageOps, UnidentifiedImageError

MOST_PIXELS = 50_000_000
MOST_SCANS = 60
LONGEST = 1600
_SECONDS, _BYTES = 4, 1200 * 1024 * 1024


def drawn(data: bytes, longest: int = LONGEST) -> tuple[bytes, int, int] | str:
    """(the JPEG, its width, its height), or a word for what is wrong; at most `longest` dots on its longer side."""
    if data[:2] == b"\xff\xd8" and data.count(b"\xff\xda") > MOST_SCANS:
        return "too_many_scans"
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error")
            with Image.open(BytesIO(data), formats=("JPEG", "PNG", "WEBP")) as opened:
                if opened.width * opened.height > MOST_PIXELS:
                    return "too_large"
                # A JPEG can be read at a half or a quarter of its size, which is as good and quicker.
                opened.draft("RGB", (longest, longest))
                picture = ImageOps.exif_transpose(opened).convert("RGB")
    except (UnidentifiedImageError, OSError, SyntaxError, ValueError, Image.DecompressionBombError, Warning):
        return "no_photograph"
    picture.thumbnail((longest, longest))
    # A new picture of the dots alone: what else was in the file stays behind.
    bare = Image.frombytes("RGB", picture.size, picture.tobytes())
    made = BytesIO()
    bare.save(made, "JPEG", quality=85)
    return made.getvalue(), bare.width, bare.height


def main() -> None:
    """Draw the one that is named."""
    resource.setrlimit(resource.RLIMIT_CPU, (_SECONDS, _SECONDS + 1))
    resource.setrlimit(resource.RLIMIT_AS, (_BYTES, _BYTES))
    place, parent = Path(sys.argv[1]), os.getppid()
    try:
        found = drawn(place.read_bytes(), int(sys.argv[2]) if len(sys.argv) > 2 else LONGEST)
    except MemoryError:
        found = "takes_too_much"
    if isinstance(found, str):
        sys.stdout.write(f'{{"code": "{found}"}}')
        return
    if os.getppid() != parent:
        return  # nobody is left who would keep it
    place.write_bytes(found[0])
    sys.stdout.write(f'{{"width": {found[1]}, "height": {found[2]}}}')


if __name__ == "__main__":
    main()
