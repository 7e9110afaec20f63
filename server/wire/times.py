"""Dates and times in requests, limited to years that make sense."""

from __future__ import annotations

from datetime import UTC, datetime
from typing import Annotated

from pydantic import AfterValidator
from pydantic_core import PydanticCustomError

_FIRST, _LAST = 1900, 2200


def _within(said: datetime) -> datetime:
    if not _FIRST <= said.year < _LAST:
        way_out = {"way_out": f"give a day from {_FIRST} to {_LAST - 1}"}
        raise PydanticCustomError("no_day", "nobody sewed in that year", way_out)
    return said if said.tzinfo else said.replace(tzinfo=UTC)


Moment = Annotated[datetime, AfterValidator(_within)]
