"""My ways: kept once for the sewist, the default of each new work."""

from __future__ import annotations

from typing import Any

from django.db import transaction

from ribbon.errors import Refusal, refuse
from ribbon.lengths import UNITS
from server.wire.read_edge import read_tape
from server.wire.texts import Texts
from server.wire.ways import WaysSpec
from server.works.models import Ways


def ways() -> dict[str, Any]:
    """The ways that are kept, and their revision."""
    kept = Ways.objects.filter(pk=1).first()
    return {"ways": kept.said if kept else {}, "revision": kept.revision if kept else 0}


@transaction.atomic
def keep_ways(said: WaysSpec, revision: int) -> dict[str, Any]:
    """The ways once they are changed.  Raises `Refusal` where one cannot be read, or they were changed elsewhere since."""
    texts = Texts(UNITS[said.unit])
    read_tape(texts, said.tape)
    texts.length_or_none("seam", said.seam)
    texts.machine("machine", said.machine)
    if texts.problems:
        raise Refusal(texts.problems)
    kept, _ = Ways.objects.get_or_create(pk=1)
    if kept.revision != revision:
        raise refuse(
            "stale",
            "revision",
            revision,
            "your ways were changed elsewhere in the meantime",
            "look at them again, then change them",
        )
    kept.said = said.model_dump(mode="json", exclude_unset=True)
    kept.revision += 1
    kept.save()
    return ways()
