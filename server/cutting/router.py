"""The stateless addresses of cloth and cutting."""

from __future__ import annotations

from typing import Literal

from django.http import HttpRequest, HttpResponse
from ninja import Router
from pydantic import Field

from server.cutting.out import BoltOut, ClothOut
from server.cutting.step import bolt_of, cloth_of
from server.wire.cloth import ClothSpec
from server.wire.json import answer
from server.wire.problems import REFUSED
from server.wire.read_edge import read_section
from server.wire.section import SectionSpec
from server.wire.typed import Strict, UnitSign

router = Router(tags=["cloth"])


@router.post("/cloth", response={200: ClothOut, **REFUSED}, operation_id="cloth")
def section_cloth(request: HttpRequest, section: SectionSpec) -> HttpResponse:
    """One section on its cloth: joins compared, the ways it can lie, what to buy, what the cloth at hand makes.  Stateless."""
    return answer(cloth_of(read_section(section).whole))


class BoltIn(Strict):
    """A cloth by itself, whichever edge is to be cut from it."""

    cloth: ClothSpec
    unit: UnitSign = Field(
        default="cm", description="How bare numbers are read that the cloth has no unit of its own for."
    )
    habit: Literal["metric", "inches"] | None = Field(
        default=None, description="What a sewist is used to, for what is assumed; as the unit is, left out."
    )


@router.post("/cloth/read", response={200: BoltOut, **REFUSED}, operation_id="read_bolt")
def bolt_read(request: HttpRequest, said: BoltIn) -> HttpResponse:
    """A cloth by itself, or all that is wrong in it, each with a way out.  Stateless."""
    return answer(bolt_of(said.cloth, said.unit, said.habit))
