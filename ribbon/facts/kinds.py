"""The kinds of pleats and gathers that there are.  One more is one file, one name here, and its words."""

from __future__ import annotations

from ribbon.gathers import GATHER
from ribbon.pleats import Kind
from ribbon.pleats.box import BOX
from ribbon.pleats.cartridge import CARTRIDGE
from ribbon.pleats.inverted import INVERTED
from ribbon.pleats.knife import KNIFE
from ribbon.pleats.pinch import PINCH
from ribbon.pleats.tuck import TUCK

KINDS: dict[str, Kind] = {kind.name: kind for kind in (KNIFE, TUCK, BOX, INVERTED, PINCH[1], CARTRIDGE, GATHER)}
"""Every kind by its name, in the order in which they are offered."""


def kind_with(kind: Kind, fingers: int) -> Kind:
    """The kind dressed into so many fingers, where it has any."""
    return PINCH[fingers] if kind.fingers else kind
