"""The stateless addresses of cloth and cutting."""

from __future__ import annotations

from typing import Annotated

from django.http import HttpRequest, HttpResponse
from ninja import Router
from pydantic import Field

from server.cutting.cut import Named, cut_of
from server.cutting.out import ClothOut, CutOut
from server.cutting.step import cloth_of
from server.plans.schema import SectionIn
from server.plans.typed import Strict
from server.wire.json import answer
from server.wire.problems import Problems

router = Router(tags=["cloth"])
_REFUSED = {400: Problems, 413: Problems, 422: Problems}


class NamedSection(Strict):
    """A section with its name, to be cut with others."""

    name: Annotated[str, Field(max_length=120)]
    spec: SectionIn


class CutIn(Strict):
    """The sections of a work."""

    sections: Annotated[list[NamedSection], Field(max_length=60)]
    quick: bool = Field(False, description="The first plan alone, without looking for one that takes less.")


@router.post("/cloth", response={200: ClothOut, **_REFUSED}, operation_id="cloth", by_alias=True)
def section_cloth(request: HttpRequest, section: SectionIn) -> HttpResponse:
    """One section on its cloth: joins compared, the ways it can lie, what to buy, what the cloth at hand makes.  Stateless."""
    return answer(cloth_of(section))


@router.post("/cut", response={200: CutOut, **_REFUSED}, operation_id="cut", by_alias=True)
def work_cut(request: HttpRequest, work: CutIn) -> HttpResponse:
    """The cutting plan of several sections, cloth by cloth, and the shopping slip.  Stateless."""
    return answer(cut_of([Named(one.name, one.spec) for one in work.sections], search=not work.quick))
