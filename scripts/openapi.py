"""Prints what is made from the program itself: the description of the API, the schema of the open file, the page's kinds and addresses."""

import json
import os
import sys
from pathlib import Path
from typing import Any

import django

ROOT = Path(__file__).resolve().parents[1]


def main() -> None:
    """Print the one that is asked for: `api`, `file`, `kinds` or `addresses`."""
    wanted = sys.argv[1] if len(sys.argv) > 1 else "api"
    if wanted == "kinds":
        print(_kinds())
    elif wanted == "addresses":
        # As it was written down: to describe the API anew takes many seconds, and a test compares the two.
        print(_addresses(json.loads((ROOT / "docs" / "openapi.json").read_text(encoding="utf-8"))))
    else:
        print(json.dumps(_schema(wanted), indent=1, ensure_ascii=False, sort_keys=True))


def _schema(wanted: str) -> Any:
    """The description of the API, or the schema of the open file."""
    os.environ["DJANGO_SETTINGS_MODULE"] = "server.config.settings"
    django.setup()
    from server.api import api
    from server.journal.openfile import schema

    return schema() if wanted == "file" else api.get_openapi_schema()


def _kinds() -> str:
    """What each kind has, for the page: its words, its quantities in their order, its traits; the tapes that there are."""
    from ribbon.facts import KINDS
    from ribbon.pleats import Quantity

    kinds = {
        name: {
            "word": kind.word,
            "title": kind.title,
            "quantities": [quantity.value for quantity in kind.shown],
            "size": kind.size.value,
            "look": kind.look.value,
            "covers": kind.width.value if kind.width in (Quantity.BOX, Quantity.OPENING) else None,
            "folded": kind.folded,
            "faces": kind.faces,
            "halves": kind.halves,
            "meets": kind.meets and kind.meeting is not None,
            "dressed": kind.fingers > 0,
            "rows": kind.rows,
        }
        for name, kind in KINDS.items()
    }
    quantities = {quantity.value: quantity.heading for quantity in Quantity}
    tapes = {"metric": ["1 mm", "2 mm", "5 mm", "1 cm"], "inches": ["1/16 in", "1/8 in", "1/4 in", "1/2 in"]}
    said = (
        "// Written from the core by `make api`: the kinds of pleats and gathers, with what the page needs of them.\n"
    )
    for name, value in (("KINDS", kinds), ("QUANTITIES", quantities), ("TAPES", tapes)):
        said += f"\nexport const {name} = {json.dumps(value, indent=2, ensure_ascii=False)} as const;\n"
    return said.rstrip()


def _addresses(described: dict[str, Any]) -> str:
    """Each address that answers a body with JSON, by what it answers: where it is asked, its type is known."""
    said = "// Written from the API by `make api`: what is asked of the stateless addresses, and what each answers.\n"
    said += 'import type { paths } from "./schema";\n\n'
    said += 'type Json<A extends keyof paths> = paths[A] extends {\n  post: { responses: { 200: { content: { "application/json": infer T } } } };\n}\n  ? T\n  : never;\n'
    rows = []
    for path, methods in described["paths"].items():
        answer = methods.get("post", {}).get("responses", {})
        found = answer.get("200", {})
        if "{" not in path and "application/json" in found.get("content", {}) and path.count("/works") == 0:
            rows.append(f'  "{path.removeprefix("/api")}": Json<"{path}">;')
    return said + "\nexport interface Answers {\n" + "\n".join(sorted(rows)) + "\n}"


if __name__ == "__main__":
    main()
