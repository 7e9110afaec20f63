"""What is said when a fact cannot be used: the field, the value, the rule it breaks and the way out."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace


@dataclass(frozen=True, slots=True)
class Problem:
    """One thing that is wrong with what was given.

    `path` names the field as the section spells it (``pins.spacing``), `value` is what was got, as text,
    `code` is a short stable word, `message` is a sentence for the sewist, `way_out` a sentence that says
    what would work.  Facts that disagree share what they say `together`, and each tells what it `becomes` once it is let
    go (empty where that alone does not help).
    """

    code: str
    path: str
    value: str
    message: str
    way_out: str
    together: str = ""
    becomes: str = ""

    def under(self, prefix: str) -> Problem:
        """The same problem, its path set below `prefix`."""
        return replace(self, path=f"{prefix}.{self.path}" if self.path else prefix)


class Refusal(ValueError):
    """Raised when the facts given cannot be worked with.  Holds every problem found, at least one."""

    def __init__(self, problems: Iterable[Problem]) -> None:
        self.problems = tuple(problems)
        if not self.problems:
            raise AssertionError("a refusal names at least one problem")
        super().__init__("; ".join(f"{p.path or 'section'}: {p.message}" for p in self.problems))


def refuse(code: str, path: str, value: object, message: str, way_out: str) -> Refusal:
    """A `Refusal` of one problem, ready to raise."""
    return Refusal([Problem(code, path, str(value), message, way_out)])
