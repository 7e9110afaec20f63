"""The speeds that matter, as ratios within one run.  Nothing here passes or fails."""

from __future__ import annotations

import json
import os
import statistics
import tempfile
import time
from collections.abc import Callable
from importlib import import_module

from ribbon.cloth import Bolt, CutPiece, Layout, layout
from ribbon.cloth.packing import packed
from ribbon.fraction import Fraction
from ribbon.lengths import Length
from ribbon.shapes import Corner, closed, rectangle, sector


def _median(task: Callable[[], object], runs: int = 30) -> float:
    task()
    took = []
    for _ in range(runs):
        begun = time.perf_counter()
        task()
        took.append(time.perf_counter() - begun)
    return statistics.median(took) * 1000


def _paired(one: Callable[[], object], other: Callable[[], object], runs: int = 200) -> tuple[float, float]:
    """Both medians, taken in turns, so that a slow spell of the machine falls on both alike."""
    took: tuple[list[float], list[float]] = ([], [])
    for _ in range(runs):
        for task, times in zip((one, other), took, strict=True):
            begun = time.perf_counter()
            task()
            times.append(time.perf_counter() - begun)
    return statistics.median(took[0]) * 1000, statistics.median(took[1]) * 1000


def main() -> None:
    """Print the ratios."""
    with tempfile.TemporaryDirectory() as data:
        os.environ["YOUNG_RIBBON_DATA"] = data
        os.environ["DJANGO_SETTINGS_MODULE"] = "server.config.settings"
        import django

        django.setup()
        _plans()
        _shelf()
        _cutting()
        _template()


def _plans() -> None:
    from django.http import HttpRequest, HttpResponse
    from django.test import Client
    from ninja import Router

    from server.api import api
    from server.config import guard
    from server.wire.json import answer
    from server.wire.section import SectionSpec

    router = Router()

    def echo(request: HttpRequest, section: SectionSpec) -> HttpResponse:
        return answer(section.model_dump())

    # ninja reads the annotations, which name what only this function has imported.
    echo.__annotations__ = {"request": HttpRequest, "section": SectionSpec, "return": HttpResponse}
    router.post("/echo")(echo)
    api.add_router("/bench", router)
    guard.SECONDS = 60  # a machine may be slow: what is printed are ratios
    import_module("server.config.wsgi")  # after the echo was added: it reads every address in
    client = Client(SERVER_NAME="127.0.0.1")

    def asked(address: str, pleats: int, *, joined: bool = True) -> Callable[[], object]:
        section = {
            "kind": "knife",
            "pins": {"count": pleats, "spacing": {"about": "3 cm"}, "finished": f"{pleats * 3}.7 cm"},
            "meet": True,
            "closed": True,
            **({"cloth": {"usable": "138 cm"}, "allowance": {"join": "1.5 cm"}} if joined else {}),
        }
        body = json.dumps(section)

        def answered() -> None:
            # What is refused is answered at once, and says nothing of speed.
            assert client.post(address, body, content_type="application/json").status_code == 200

        return answered

    echo_ms, sixty = _paired(asked("/api/bench/echo", 60), asked("/api/plan", 60))
    lined = {
        "kind": "curtains",
        "measures": {"rail": "152", "window": "118", "drop": ["214", "214.5"], "overlap": "8"},
        "choices": {"fullness": "2.2", "lining": "tube", "lining_narrower": "4"},
        "cloths": {"face": {"usable": "138 cm", "along": "64 cm", "price": "19.80"}, "lining": {"usable": "136 cm"}},
    }

    def made(*, plans: bool) -> None:
        body = json.dumps({**lined, "plans": plans})
        assert client.post("/api/thing", body, content_type="application/json").status_code == 200

    again_ms, pair = _paired(asked("/api/bench/echo", 60), lambda: made(plans=False))
    whole = _median(lambda: made(plans=True))
    print(
        f"a lined pair of curtains: {pair / again_ms:.1f} times an echo ({pair:.0f} ms to {again_ms:.1f} ms), "
        f"with both plans {whole / again_ms:.1f} times ({whole:.0f} ms); to reach: 12"
    )
    tiers = {
        "kind": "tiers",
        "measures": {"waist": "70", "hip": "96", "base": "78", "foot": "160"},
        "choices": {"tiers": "5", "spacing": "15", "deep": "18", "fullness": "2.5"},
        "cloths": {"face": {"usable": "138 cm", "price": "8.40"}},
    }

    def tiered() -> None:
        assert client.post("/api/thing", json.dumps(tiers), content_type="application/json").status_code == 200

    print(f"a petticoat of five tiers on a base: {_median(tiered):.0f} ms; to reach: 250")
    hundred, thousand = _median(asked("/api/plan", 100)), _median(asked("/api/plan", 1000), 10)
    # So many are planned without their joins alone.
    bare, most = (_median(asked("/api/plan", pleats, joined=False), 3) for pleats in (1000, 20_000))
    print(
        f"a plan of 60 pleats with joins: {sixty / echo_ms:.1f} times an echo ({sixty:.1f} ms to {echo_ms:.1f} ms); to reach: 4"
    )
    print(f"1,000 pleats: {thousand / hundred:.1f} times 100 ({thousand:.0f} ms to {hundred:.1f} ms); to reach: 12")
    print(f"20,000 pleats: {most / bare:.1f} times 1,000, without joins ({most:.0f} ms to {bare:.0f} ms); to reach: 21")


def _shelf() -> None:
    from django.core.management import call_command
    from django.test import Client
    from django.utils import timezone

    from server.journal.demo import add_demo_works
    from server.works.models import Work, WorkSection

    call_command("migrate", verbosity=0)
    client = Client(SERVER_NAME="127.0.0.1")
    while Work.objects.count() < 50:
        add_demo_works()
    fifty = _median(lambda: client.get("/api/works"), 10)
    spec = WorkSection.objects.first().spec  # type: ignore[union-attr]
    works = Work.objects.bulk_create([Work(name=f"Work {n}", touched=timezone.now()) for n in range(4950)])
    WorkSection.objects.bulk_create([WorkSection(work=work, position=0, name="Length", spec=spec) for work in works])
    many = _median(lambda: client.get("/api/works"), 10)
    print(
        f"the shelf of 5,000 works: {many / fifty:.2f} times that of 50 ({many:.0f} ms to {fifty:.0f} ms); to reach: 1.5"
    )


def _cutting() -> None:
    def pieces(count: int) -> list[CutPiece]:
        # Sizes that repeat without a pattern to them, the same in every run.
        return [
            CutPiece.oblong(
                f"{n}", f"piece {n}", Length(60 + n * 137 % 620), Length(50 + n * 211 % 830), may_turn=n % 3 > 0
            )
            for n in range(count)
        ]

    bolt = Bolt(Length(1380))

    def laid(count: int) -> Layout:
        packed.cache_clear()  # the same pieces are not packed twice
        return layout(bolt, pieces(count))

    sixty, many = _median(lambda: laid(60), 3), _median(lambda: laid(300), 3)
    made = laid(60)
    print(
        f"a cutting plan of 60 pieces: {sixty:.0f} ms, {float(made.closeness):.2f} times its lower bound; to reach: under 2,000 ms, 1.05"
    )
    print(f"300 pieces: {many / sixty:.1f} times 60 ({many:.0f} ms); quadratic is 25")

    # Forty pieces by their outlines: quarter rings, wedges and bands.
    mixed = [_outlined(n) for n in range(40)]
    first, looked = _median(lambda: layout(bolt, mixed, search=False), 5), layout(bolt, mixed)
    print(
        f"40 outlines: {first:.0f} ms to a first plan, to reach: under 1,000 ms; "
        f"{float(looked.closeness):.2f} times the lower bound after one look ({float(looked.waste):.0%} falls away)"
    )


def _outlined(number: int) -> CutPiece:
    size = 60 + number * 137 % 320
    if number % 3 == 0:
        outline = sector(Length(100 + size), Length(160 + 2 * size), Fraction(1, 4))
    elif number % 3 == 1:
        side, corner = Fraction(size, 4), lambda x, y: Corner(Fraction(x), Fraction(y))
        points = [corner(0, 0), corner(2 * size, 0), corner(2 * size - side, 500), corner(side, 500)]
        outline = closed(points, ("foot", "right", "top", "left"))
    else:
        outline = rectangle(Length(size), Length(3 * size))
    return CutPiece(f"{number}", f"piece {number}", outline, may_turn=number % 2 == 0)


def _template() -> None:
    from django.test import Client

    section = {"kind": "knife", "pins": {"count": 60, "flat": "3 m"}, "meet": True}
    body = json.dumps({"paper": "template", "format": "pdf", "sections": [{"name": "Length", "spec": section}]})
    client = Client(SERVER_NAME="127.0.0.1")
    took = _median(lambda: client.post("/api/papers/file", body, content_type="application/json"), 7)
    print(f"a template of 60 pleats over 3 m as PDF: {took:.0f} ms; to reach: under 2,000 ms")


if __name__ == "__main__":
    main()
