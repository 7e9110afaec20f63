"""Answers that are a file."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from django.conf import settings
from django.http import HttpResponse


def folder_of(name: str) -> Path:
    """A folder in the data folder, its owner's alone; made where there is none."""
    found: Path = settings.DATA / name
    found.mkdir(mode=0o700, exist_ok=True)
    return found


def attached(data: bytes | str, name: str, kind: str) -> HttpResponse:
    """`data` to be kept as the file `name`, of media type `kind`."""
    response = HttpResponse(data, content_type=kind)
    response["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


def described(*kinds: str) -> dict[str, Any]:
    """What an address that answers with a file of one of the media types `kinds` adds to the description of the API."""
    content = {kind: {"schema": {"type": "string", "format": "binary"}} for kind in kinds}
    return {"responses": {200: {"description": "The file", "content": content}}}
