"""Which parts of a work a change is of, and when each part was last changed: what two windows may do side by side."""

from __future__ import annotations

from typing import Any

Document = dict[str, Any]
ALL = "*"


def parts_changed(before: Document, after: Document) -> set[str]:
    """The names of the parts of a work that differ: its name and purpose, each cloth by its role,

    its thing, each field of its log, what was measured of it, each piece, their order.

    A piece that is new is no part that anybody else could have changed.
    """
    found = {"words"} if any(before[name] != after[name] for name in ("name", "purpose")) else set()
    logs = before["log"], after["log"]
    found |= {f"log.{name}" for name in {*logs[0], *logs[1]} if logs[0].get(name) != logs[1].get(name)}
    cloths = before["cloths"], after["cloths"]
    found |= {f"cloth.{role}" for role in {*cloths[0], *cloths[1]} if cloths[0].get(role) != cloths[1].get(role)}
    found |= {"checks"} if before.get("checks") != after.get("checks") else set()
    found |= {"thing"} if before["thing"] != after["thing"] else set()
    old = {section["key"]: section for section in before["sections"]}
    new = {section["key"]: section for section in after["sections"]}
    found |= {key for key, section in old.items() if new.get(key) != section}
    both = [key for key in old if key in new], [key for key in new if key in old]
    return found | ({"order"} if both[0] != both[1] else set())


def stamped(stamps: dict[str, int], before: Document, after: Document, revision: int) -> dict[str, int]:
    """The stamps after a change that made `revision`."""
    keys = {section["key"] for section in after["sections"]}
    added = keys - {section["key"] for section in before["sections"]}
    changed = parts_changed(before, after) | added
    gone = {section["key"] for section in before["sections"]} - keys
    return {name: at for name, at in stamps.items() if name not in gone} | dict.fromkeys(changed - gone, revision)


def newer(stamps: dict[str, int], parts: set[str], revision: int) -> bool:
    """Whether any of those parts was changed after `revision`, or the work was deleted or brought back."""
    rest = stamps.get(ALL, 0)
    return any(stamps.get(name, rest) > revision for name in (*parts, "deleted"))
