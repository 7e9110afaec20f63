"""Every write to the shelf, in one transaction."""

from __future__ import annotations

from pathlib import Path
from typing import Any

from django.conf import settings
from django.db import transaction
from django.utils import timezone

from ribbon.errors import Refusal, refuse
from ribbon.lengths import UNITS, ZERO, Length, Scribe, Unreadable, read_length, typed, with_unit
from server.shelf.models import Cloth, Movement
from server.shelf.sheet import SheetRow, read_sheet, wrong_with
from server.wire.cloth import ClothSpec
from server.wire.colours import colour_of
from server.wire.read_cloth import read_cloth
from server.wire.stale import as_seen, brought_back, kept_anew, removed
from server.wire.table import Wrong
from server.works.units import sold_by, with_units

SHIPPED = Path(__file__).with_name("prices.csv")


def told(cloth: Cloth) -> dict[str, Any]:
    """A cloth as the wire has it."""
    unit = UNITS[cloth.unit]
    scribe = Scribe(unit, Length(1) if not unit.binary else None)

    def out(length: Length | None) -> dict[str, Any] | None:
        if length is None:
            return None
        written = scribe.write(length)
        return {"mm": float(length.mm), "text": written.text, "exact": written.exact}

    read = read_cloth(ClothSpec.model_validate(cloth.spec), "spec", cloth.unit, imperial=unit.binary)
    return {
        "key": cloth.key,
        "name": cloth.name,
        "unit": cloth.unit,
        "spec": cloth.spec,
        "facts": _facts(cloth),
        "sequence": _sequence(cloth),
        "colour": colour_of(cloth.spec, "", cloth.name),
        "revision": cloth.revision,
        "touched": cloth.touched.isoformat(),
        "usable": out(read.facts.usable),
        "left": out(_left(cloth)),
        "movements": [
            {"work": m.work, "length": m.length, "back": m.back, "at": m.at.isoformat()}
            for m in cloth.movements.all()[:12]
        ],
    }


def _facts(cloth: Cloth) -> dict[str, Any]:
    """The facts of a cloth so that they say the same in a work of whatever unit."""
    facts = with_units(cloth.spec, cloth.unit)
    return facts if facts.get("per") else {**facts, "per": sold_by({}, cloth.unit)}


def _sequence(cloth: Cloth) -> list[dict[str, Any]]:
    """The stripes as colours and parts of one repeat, for drawing."""
    stripes = [
        (one["colour"], read_length(str(one["width"]), UNITS[cloth.unit])) for one in cloth.spec.get("stripes", [])
    ]
    whole = sum((width for _, width in stripes), ZERO)
    return [{"colour": colour, "part": float(width / whole)} for colour, width in stripes]


def _left(cloth: Cloth) -> Length | None:
    said = cloth.spec.get("length")
    return read_length(str(said), UNITS[cloth.unit]) if said not in (None, "") else None


def _checked(unit: str, spec: dict[str, Any]) -> dict[str, Any]:
    problem = wrong_with(unit, spec)
    if problem is not None:
        raise Refusal([problem.under("spec")])
    return spec


@transaction.atomic
def put_on_shelf(name: str, unit: str, spec: dict[str, Any]) -> Cloth:
    """A new cloth on the shelf.  Raises `Refusal`."""
    _room(1)
    return Cloth.objects.create(name=name, unit=unit, spec=_checked(unit, spec), touched=timezone.now())


@transaction.atomic
def change(key: str, revision: int, name: str, unit: str, spec: dict[str, Any]) -> Cloth:
    """The cloth with other facts.  Raises `Refusal`, also where it was changed elsewhere."""
    cloth = as_seen(Cloth, key, revision, "cloth")
    cloth.name, cloth.unit, cloth.spec = name, unit, _checked(unit, spec)
    return kept_anew(cloth)


@transaction.atomic
def move_length(key: str, revision: int, said: str, work: str, before: str, *, back: bool) -> tuple[Cloth, str]:
    """(the cloth after a length went out to a work or came back, how much that work has of it by now, as it is typed).

    `before` is what the work had until now.  Raises `Refusal`.
    """
    cloth = as_seen(Cloth, key, revision, "cloth")
    unit = UNITS[cloth.unit]
    try:
        length = read_length(said, unit)
    except Unreadable as error:
        raise refuse("unreadable", "length", said, error.message, error.way_out) from None
    left = _left(cloth)
    if length <= ZERO:
        raise refuse("not_positive", "length", said, "nothing would move", "give a length above nought")
    if left is None:
        raise refuse(
            "unknown",
            "length",
            said,
            "how much of this cloth there is has not been said",
            "give its length at hand first",
        )
    after = left + length if back else left - length
    if after < ZERO:
        has = Scribe(unit, None).write(left).text
        raise refuse("too_long", "length", said, f"there is only {has} of it", f"take {has} or less")
    try:
        had = read_length(before, unit) if before.strip() else ZERO
    except Unreadable as error:
        raise refuse("unreadable", "taken", before, error.message, error.way_out) from None
    has_now = max(had - length if back else had + length, ZERO)
    cloth.spec = {**cloth.spec, "length": typed(after, unit)}
    Movement.objects.create(cloth=cloth, work=work, length=with_unit(said, unit), back=back, at=timezone.now())
    return kept_anew(cloth), with_unit(typed(has_now, unit), unit) if has_now else ""


@transaction.atomic
def remove(key: str, revision: int) -> None:
    """The cloth is gone from the shelf."""
    removed(as_seen(Cloth, key, revision, "cloth"), Cloth.everything)


@transaction.atomic
def bring_back(key: str) -> Cloth:
    """The cloth, back on the shelf as it was.  Raises `Refusal` where there is no room for it."""
    _room(1)
    found: Cloth = brought_back(Cloth.everything, key=key)
    return found


MOST_CLOTHS = 2000


def _room(more: int) -> None:
    """Raises `Refusal` where the shelf cannot hold so many cloths more."""
    if Cloth.objects.count() + more > MOST_CLOTHS:
        raise refuse(
            "full",
            "name",
            f"{more} more",
            f"the shelf holds at most {MOST_CLOTHS} cloths",
            "remove some that are used up",
        )


def take_in(text: str, *, keep_good: bool) -> dict[str, Any]:
    """The rows of a table put on the shelf: all of them, or with `keep_good` the right ones, or none.  Raises `Refusal`."""
    rows, wrong = read_sheet(text)
    put_in = rows if keep_good or not wrong else []
    with transaction.atomic():
        _room(len(put_in))
        now = timezone.now()
        Cloth.objects.bulk_create([Cloth(name=row.name, unit=row.unit, spec=row.spec, touched=now) for row in put_in])
    return {"right": len(rows), "added": len(put_in), "wrong": [one._asdict() for one in wrong]}


def prices() -> tuple[str, list[SheetRow], list[Wrong]]:
    """The supplier's list: the owner's own file in the data folder, else the one shipped."""
    own = Path(settings.DATA) / "prices.csv"
    path = own if own.exists() else SHIPPED
    try:
        text = path.read_bytes()[:1_000_000].decode("utf-8")
    except (OSError, UnicodeDecodeError) as error:
        return path.name, [], [Wrong(1, f"the file cannot be read as text: {error}")]
    rows, wrong = read_sheet(text)
    return path.name, rows, wrong
