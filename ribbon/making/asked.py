"""What a thing asks: the measures that are taken with a tape, and the choices that its maker has."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from functools import wraps
from typing import Any, NamedTuple, TypeVar

from ribbon.cloth import Bolt
from ribbon.facts import in_inches, usual_seam
from ribbon.fraction import Fraction
from ribbon.gathers import stitch_text
from ribbon.lengths import UNITS, ZERO, Length, Scribe, Unit, write_ratio


class Sort(StrEnum):
    """What a field holds."""

    LENGTH = "length"
    RATIO = "ratio"
    COUNT = "count"
    PRICE = "price"
    WEIGHT = "weight"
    WORD = "word"
    TEXT = "text"


Value = Length | Fraction | int | str


class Assumption(NamedTuple):
    """What is taken where nothing is said, by a sewist used to centimetres or to inches, and why."""

    metric: Value
    why: str
    imperial: Value | None = None

    @classmethod
    def cm(cls, metric: int | Fraction, inches: int | Fraction, why: str) -> Assumption:
        """A length, so many centimetres or so many inches."""
        return cls(Length.cm(metric), why, Length.inches(inches))

    def value(self, *, imperial: bool) -> Value:
        """What is taken by a sewist of either habit."""
        return self.metric if self.imperial is None or not imperial else self.imperial


def always(given: Given) -> bool:
    """True: a field that is asked whatever else is said."""
    return True


@dataclass(frozen=True, slots=True)
class Field:
    """One measure or choice.

    `where` says where the tape goes, or what the choice changes.  `options` are the words that can be chosen, each with
    what it is called.  `first` ones are asked before the others, which stand in `group`.  A `several` one may be taken at
    several places; one `on_the_way` is taken of what is being made.  A `line` one stands in the line of words above the picture, a `way`
    is a habit that a sewist may keep for all works.  Most of a `usual` measure lie in that range; a count that
    `may_be_none` can be nought; what a machine is set to is written `in_mm`, whatever else is measured in;
    `corners` are pairs of lengths in one text.  `asked` tells whether it matters, as things are.
    """

    name: str
    title: str
    where: str
    sort: Sort = Sort.LENGTH
    measure: bool = False
    first: bool = False
    several: bool = False
    group: str = ""
    options: tuple[tuple[str, str], ...] = ()
    default: Assumption | None = None
    asked: Callable[[Given], bool] = always
    on_the_way: bool = False
    line: bool = False
    way: bool = False
    usual: tuple[Length, Length] | None = None
    may_be_none: bool = False
    in_mm: bool = False
    corners: bool = False


Read = TypeVar("Read")


@dataclass(frozen=True, slots=True)
class Given:
    """What is known of a thing: its measures, each as often as it was taken, its choices, the cloths by their roles.

    What is not there takes its default; `fields` are those of the thing, by their names.
    """

    fields: Mapping[str, Field]
    measures: Mapping[str, tuple[Length, ...]]
    choices: Mapping[str, Value]
    cloths: Mapping[str, Bolt] = field(default_factory=dict)
    unit: Unit = UNITS["cm"]
    habit: bool | None = None
    seam: Length | None = None
    tape: Length | None = None
    machine: Length | None = None
    own_tape: Length | None = None
    """The division that was said, where one was."""
    scribe: Scribe = field(init=False, compare=False, repr=False)
    """Writes lengths as this work does."""

    imperial: bool = field(init=False, compare=False, repr=False)
    """True where what nobody said is taken from what sewists in inches are used to."""

    read: dict[Callable[[Given], Any], Any] = field(default_factory=dict, init=False, compare=False, repr=False)
    """What has been read of it `once`."""

    def __post_init__(self) -> None:
        object.__setattr__(self, "scribe", Scribe(self.unit, self.tape))
        object.__setattr__(self, "imperial", in_inches(self.unit, self.habit))

    @property
    def join(self) -> Length:
        """The seam allowance of the work."""
        return usual_seam(imperial=self.imperial) if self.seam is None else self.seam

    def known(self, name: str) -> bool:
        """Whether it was said."""
        return name in self.measures or name in self.choices

    def _default(self, name: str) -> Value | None:
        default = self.fields[name].default
        return None if default is None else default.value(imperial=self.imperial)

    def taken(self, name: str) -> tuple[Length, ...]:
        """A measure at every place where it was taken; its default, else nothing."""
        got = self.measures.get(name)
        if got:
            return got
        default = self._default(name)
        return (default,) if isinstance(default, Length) else ()

    def least(self, name: str) -> Length | None:
        """The shortest of a measure, None where it is not known."""
        return min(self.taken(name), key=lambda one: one.mm, default=None)

    def most(self, name: str) -> Length | None:
        """The longest of a measure, None where it is not known: a body has to fit into what is made."""
        return max(self.taken(name), key=lambda one: one.mm, default=None)

    def length(self, name: str) -> Length:
        """A length that is measured or chosen, nought where nothing is known of it."""
        if self.fields[name].measure:
            return self.least(name) or ZERO
        value = self.choices.get(name, self._default(name))
        return value if isinstance(value, Length) else ZERO

    @property
    def sign(self) -> str:
        """The sign of the money that its cloths are priced in, nothing where they have none."""
        return next((bolt.sign for bolt in self.cloths.values() if bolt.sign), "")

    def length_or_none(self, name: str) -> Length | None:
        """The same, None where nothing is known of it."""
        if self.fields[name].measure:
            return self.least(name)
        value = self.choices.get(name, self._default(name))
        return value if isinstance(value, Length) else None

    def ratio(self, name: str) -> Fraction | None:
        """A ratio, a price or a weight."""
        value = self.choices.get(name, self._default(name))
        return value if isinstance(value, Fraction) else None

    def count(self, name: str) -> int | None:
        """How many."""
        value = self.choices.get(name, self._default(name))
        return value if isinstance(value, int) else None

    def word(self, name: str) -> str:
        """What was chosen of several words."""
        value = self.choices.get(name, self._default(name))
        return value if isinstance(value, str) else ""

    def write(self, length: Length) -> str:
        """A length as this work writes it."""
        return self.scribe.write(length).text

    def figure(self, length: Length) -> str:
        """The same without its unit, for sums."""
        return self.write(length).removesuffix(f" {self.unit.sign}")


def says_value(given: Given, value: Value | None, field: Field | None = None) -> str:
    """A value as it is shown beside its field."""
    if isinstance(value, Length) and field is not None and field.in_mm:
        return stitch_text(value)
    if isinstance(value, Length):
        return given.write(value)
    if isinstance(value, Fraction):
        return write_ratio(value).text
    return "" if value is None else str(value)


def once(reading: Callable[[Given], Read]) -> Callable[[Given], Read]:
    """A reading of what is known of a thing that is taken once of each, however often it is asked for."""

    @wraps(reading)
    def kept(given: Given) -> Read:
        if reading not in given.read:
            given.read[reading] = reading(given)
        found: Read = given.read[reading]
        return found

    return kept
