"""Logs in the data folder: what went wrong and where in the program, never what was typed."""

from __future__ import annotations

import logging
import os
import traceback
from logging.handlers import RotatingFileHandler
from pathlib import Path


class Bare(logging.Formatter):
    """One line a record: when, what, at which address as the program names it; of an exception its kind and its places."""

    def format(self, record: logging.LogRecord) -> str:
        parts = [self.formatTime(record), record.levelname.lower(), record.name, _says(record)]
        if record.exc_info and record.exc_info[0] is not None and record.name != "django.security.DisallowedHost":
            frames = traceback.extract_tb(record.exc_info[2])[-12:]
            where = " < ".join(f"{Path(f.filename).name}:{f.lineno} {f.name}" for f in reversed(frames))
            parts.append(f"{record.exc_info[0].__name__} at {where}")
        return " ".join(parts)


def _says(record: logging.LogRecord) -> str:
    if record.name == "django.security.DisallowedHost":
        return "a request for an unknown host was refused"
    request = getattr(record, "request", None)
    if request is None:
        return record.getMessage().replace("\n", " ")[:300]
    match = getattr(request, "resolver_match", None)
    return f"{getattr(record, 'status_code', '')} {request.method} {match.route if match else 'an unknown address'}"


class OfProcess(RotatingFileHandler):
    """A file for each process, so that none turns over what another writes.  Where none can be written nothing is."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        super().__init__(folder / "ribbon.log", maxBytes=1_000_000, backupCount=4, delay=True, encoding="utf-8")

    def emit(self, record: logging.LogRecord) -> None:
        if self.stream is None:
            number = os.environ.get("YOUNG_RIBBON_PROCESS", "")
            self.baseFilename = str(self.folder / f"ribbon{f'-{number}' if number else ''}.log")
        try:
            self.folder.mkdir(mode=0o700, exist_ok=True)
            super().emit(record)
        except OSError:
            self.handleError(record)

    def handleError(self, record: logging.LogRecord) -> None:  # noqa: N802 - logging's name
        """A full or read-only disk is said by the page; the log has no way to."""
