"""The demo works at their stages: one half marked, one checked and found too wide, two finished, with what was learnt."""

from __future__ import annotations

from django.db import transaction
from django.utils import timezone

from server.journal.models import Check, TablePlace
from server.works.cloths import alone
from server.works.demo import put_demo_works
from server.works.models import Work
from server.works.versions import CURRENT

# By the name of the work: marks made; measures after basting, by day; its log.
_HALF_MARKED = {"Star-party apron": 61}
_CHECKED = {
    "Narrow-pleated skirt": [["71.2 cm"]],
    "Bunk curtain": [["62 3/8 in", "62 1/4 in"]],
    "Dome valance": [["96 1/2 in"]],
}
_LOGS = {
    "Bunk curtain": {
        "notes": "Stiffener first, then the pleats. A peg on every pleat while the glue of the tape dries.",
        "faults": "The first space was measured from the hem, not from the stitching line.",
        "hours": "5",
        "cost": "38.40",
        "finished": True,
    },
    "Star-party petticoat": {
        "notes": "Gathered by the swatch, tier by tier; the lowest one first, while the base is still flat.",
        "faults": "The second tier was pinned at quarters only and went full at one side: eighths next time.",
        "hours": "7",
        "cost": "31.10",
        "finished": True,
    },
    "Banded skirt": {
        "notes": "Marked on the wrong side, a card beside the tape for every pleat. Pressed under a wet cloth.",
        "hours": "8",
        "cost": "39.20",
        "finished": True,
    },
    "Dome valance": {
        "notes": "Pressed each box before the next. The joins hide well behind the boxes.",
        "faults": "Ran short of pins at box 17; two hundred are not too many.",
        "hours": "9 1/2",
        "cost": "24.00",
        "finished": True,
    },
}


@transaction.atomic
def add_demo_works() -> list[Work]:
    """The demo works, newly put on the shelf and brought to their stages; the guide's skirt is the last touched."""
    made = put_demo_works()
    for work in made:
        section = work.sections.first()
        if section is None:
            continue
        if work.name in _HALF_MARKED:
            TablePlace.objects.create(work=work, section=section.key, at=_HALF_MARKED[work.name])
        for measured in _CHECKED.get(work.name, []):
            Check.objects.create(
                work=work, section=section.key, name=section.name, at=timezone.now(), measured=measured,
                spec={name: value for name, value in alone(section).items() if name != "corrections"}, version=CURRENT,
                taken="corrections" in section.spec,
            )  # fmt: skip
        if work.name in _LOGS:
            work.log = _LOGS[work.name]
            work.save(update_fields=("log",))
    return made
