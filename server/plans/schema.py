"""What a section looks like on the wire.

`SectionSpec` is the section as typed: what a saved work holds, whether or not it can be read.
`SectionIn` is the same, read: it refuses text that cannot be read, all of it at once with whatever else is wrong.
"""

from __future__ import annotations

from typing import Annotated, Any, Literal

from ninja import Schema
from pydantic import (
    BeforeValidator,
    ConfigDict,
    Discriminator,
    Field,
    ModelWrapValidatorHandler,
    Tag,
    ValidationError,
    WithJsonSchema,
    model_validator,
)
from pydantic_core import ErrorDetails, InitErrorDetails, PydanticCustomError

from ribbon.errors import Problem
from ribbon.pins import Section
from ribbon.pleats import Quantity
from server.plans.reading import as_text, read_section
from server.wire.shown import shown

Kind = Literal["knife", "box", "inverted", "pinch", "cartridge", "gather"]
UnitSign = Literal["mm", "cm", "m", "in", "ft", "yd"]


Typed = Annotated[
    str,
    BeforeValidator(as_text),
    Field(max_length=12_000),
    WithJsonSchema(
        {
            "anyOf": [{"type": "string", "maxLength": 12_000}, {"type": "number"}],
            "description": "A length, ratio or count just as typed: 27 1/2 in, 70, 0.7 m.",
        }
    ),
]


class _Strict(Schema):
    model_config = ConfigDict(extra="forbid")


class About(_Strict):
    """A pin that gives way before any firm one."""

    about: Typed


PinSpec = Annotated[
    Annotated[Typed, Tag("~firm")] | Annotated[About, Tag("~about")],
    Discriminator(lambda value: "~about" if isinstance(value, dict | About) else "~firm"),
    Field(description='Firm when plain, about when wrapped: {"about": "3 cm"}.'),
]


class PinsSpec(_Strict):
    """What is known; whatever is left out follows."""

    finished: PinSpec | None = None
    flat: PinSpec | None = None
    count: PinSpec | None = None
    depth: PinSpec | None = None
    spacing: PinSpec | None = None
    fullness: PinSpec | None = None
    per_pleat: PinSpec | None = None
    box: PinSpec | None = None
    gap: PinSpec | None = None
    opening: PinSpec | None = None


class EndSpec(_Strict):
    """What stands between an end and the pleat next to it: a width, or 0, 1/2 or 1 times the spacing."""

    times: Typed | None = None
    width: Typed | None = None


class AllowanceSpec(_Strict):
    """Seam allowances."""

    start: Typed = "0"
    end: Typed = "0"
    join: Typed = "0"


class ClothSpec(_Strict):
    """The cloth, as far as a plan needs it."""

    usable: Typed | None = None
    thickness: Typed | None = None


class SectionSpec(_Strict):
    """One pleated or gathered edge: its kind, what is pinned, how it is to be read and written."""

    kind: Kind
    unit: UnitSign = Field("cm", description="How bare numbers are read and answers written.")
    tape: Typed | None = Field("", description="The smallest division that will be marked; null for exact marks.")
    pins: PinsSpec = PinsSpec()
    meet: bool | None = Field(None, description="True: pleats meet. False: they need not. Left out: as it follows.")
    facing: Literal["right", "left", "to_centre", "from_centre"] = "right"
    mirror_at: Typed | None = Field(None, description="Where a mirrored row turns, on the finished edge.")
    closed: bool = Field(False, description="A ring: skirt, cuff, lampshade.")
    lead: EndSpec = EndSpec()
    tail: EndSpec = EndSpec()
    remainder: Literal["spacing", "ends", "lead", "tail"] = "spacing"
    fullness_of: Literal["pleated", "all"] = Field(
        "pleated", description="Whether a pinned fullness multiplies the pleated part only, or the whole edge."
    )
    allowance: AllowanceSpec = AllowanceSpec()
    cloth: ClothSpec = ClothSpec()
    fingers: Literal[1, 2, 3, 4] = Field(3, description="Fingers of a pinch pleat; 1 for a single one or a goblet.")


class MoveIn(_Strict):
    """A pin moved by hand: either `text` by so many divisions, or dragged between two places in millimetres."""

    quantity: Quantity
    unit: UnitSign = "cm"
    tape: Typed | None = ""
    text: Typed | None = None
    by: int = Field(0, ge=-1000, le=1000)
    start: float = Field(0, ge=-1e7, le=1e7)
    end: float = Field(0, ge=-1e7, le=1e7)


class MoveOut(Schema):
    """What the pin then says."""

    text: str


class SectionIn(SectionSpec):
    """A section that can be read."""

    _section: Section

    @property
    def section(self) -> Section:
        """The section with every length read."""
        return self._section

    @model_validator(mode="wrap")
    @classmethod
    def _read(cls, data: Any, handler: ModelWrapValidatorHandler[SectionIn]) -> SectionIn:
        found: list[InitErrorDetails] = []
        spec = None
        try:
            spec = handler(data)
        except ValidationError as error:
            found += [_again(line) for line in error.errors(include_url=False)]
        section, problems = read_section(data)
        found += [_line(problem) for problem in problems]
        if found or spec is None or section is None:
            raise ValidationError.from_exception_data("section", found)
        spec._section = section
        return spec


def _again(line: ErrorDetails) -> InitErrorDetails:
    """A line of pydantic's own, without the names that it gives to the branches of a pin."""
    context = {key: value for key, value in (line.get("ctx") or {}).items() if isinstance(value, str | int)}
    message = line["msg"].replace("{", "(").replace("}", ")")
    context["value"] = shown(line["input"])
    loc = tuple(part for part in line["loc"] if not str(part).startswith("~"))
    return InitErrorDetails(type=PydanticCustomError(line["type"], message, context), loc=loc, input=line["input"])


def _line(problem: Problem) -> InitErrorDetails:
    """A problem of the reading as a line of pydantic's."""
    context = {"message": problem.message, "way_out": problem.way_out, "value": problem.value}
    kind = PydanticCustomError(problem.code, "{message}", context)
    return InitErrorDetails(type=kind, loc=tuple(problem.path.split(".")), input=problem.value)
