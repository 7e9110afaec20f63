"""The papers of a work, and the stand-in for a plotter."""

from __future__ import annotations

import json
from io import BytesIO
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from pypdf import PdfReader

from tests.demo import SECTIONS as PIECES

DEMO = {work: [{"name": piece, "spec": spec} for name, piece, spec in PIECES if name == work] for work, _, _ in PIECES}
PAPERS = ("template", "gauge", "sample", "chalk", "labels", "cutting", "slip", "sheet", "pattern")


def ask(client: Client, address: str, **body: Any) -> Any:
    return client.post(f"/api/papers/{address}", json.dumps(body), content_type="application/json")


@pytest.mark.parametrize("work", DEMO)
@pytest.mark.parametrize("paper", PAPERS)
def test_every_paper_of_every_demo_work_is_made_or_says_what_is_lacking(client: Client, work: str, paper: str) -> None:
    seen = ask(client, "pages", paper=paper, work=work, sections=DEMO[work])
    if seen.status_code == 422:
        assert seen.json()["problems"][0]["code"] in ("no_cloth", "no_gauge", "no_piece", "no_pleats")
        return
    told = seen.json()
    assert told["count"] >= 1
    assert all(page.startswith("<svg") for page in told["pages"])
    for kind in told["formats"]:
        file = ask(client, "file", paper=paper, work=work, sections=DEMO[work], format=kind)
        assert file.status_code == 200
        assert file["Content-Disposition"].endswith(f'.{kind}"')
        if kind == "pdf":
            assert len(PdfReader(BytesIO(file.content)).pages) == told["count"]


def test_the_chalk_list_as_a_table_has_a_line_for_every_mark(client: Client) -> None:
    file = ask(client, "file", paper="chalk", work="W", sections=DEMO["Guide’s skirt"], format="csv")
    rows = file.content.decode("utf-8-sig").splitlines()
    assert rows[0].startswith("At,Mark,Pleat")
    assert len(rows) == 1 + 3 * 23
    assert rows[1] == "3 cm,outer fold,1"


def test_the_template_fits_either_paper(client: Client) -> None:
    counts = {
        sheet: ask(client, "pages", paper="template", sections=DEMO["Guide’s skirt"], sheet=sheet).json()["count"]
        for sheet in ("a4", "letter")
    }
    # 213 cm at 264 mm a sheet (A4), at 246.4 mm (Letter), and the map.
    assert counts == {"a4": 10, "letter": 10}


def test_a_paper_is_refused_in_a_form_that_it_has_not(client: Client) -> None:
    found = ask(client, "file", paper="chalk", sections=DEMO["Guide’s skirt"], format="dxf").json()["problems"][0]
    assert (found["path"], found["value"], found["way_out"]) == ("format", "dxf", "take it as PDF, CSV")


@pytest.mark.parametrize(
    ("body", "path"),
    [
        ({"here": 3}, "here"),
        ({"sections": []}, "sections"),
        ({"paper": "poster"}, "paper"),
        ({"sheet": "b0"}, "sheet"),
        (
            {"sections": [{"name": "x", "spec": {"kind": "knife", "pins": {"finished": "-4"}}}]},
            "sections.0.spec.pins.finished",
        ),
    ],
)
def test_what_cannot_be_printed_names_its_field(client: Client, body: dict[str, Any], path: str) -> None:
    asked = {"paper": "template", "sections": DEMO["Guide’s skirt"], **body}
    answer = ask(client, "pages", **asked)
    assert answer.status_code == 422
    assert answer.json()["problems"][0]["path"] == path


def test_a_strip_of_a_kilometre_gets_no_template(client: Client) -> None:
    spec = {"kind": "knife", "pins": {"finished": "400 m", "count": "400"}}
    answer = ask(client, "pages", paper="template", sections=[{"name": "x", "spec": spec}])
    assert answer.json()["problems"][0]["code"] == "too_long"


def test_a_template_of_thousands_of_marks_is_refused(client: Client) -> None:
    spec = {"kind": "knife", "pins": {"finished": "20 m", "count": "4000"}}
    answer = ask(client, "pages", paper="template", sections=[{"name": "x", "spec": spec}])
    assert answer.json()["problems"][0]["code"] == "too_many"


def plot(client: Client, data: bytes, name: str = "a.svg") -> Any:
    return client.post("/api/plotter", {"drawing": SimpleUploadedFile(name, data)})


@pytest.mark.parametrize("kind", ["svg", "dxf"])
def test_the_plotter_draws_what_the_template_holds(client: Client, kind: str) -> None:
    file = ask(client, "file", paper="template", sections=DEMO["Guide’s skirt"], format=kind).content
    told = plot(client, file, f"a.{kind}").json()
    assert told["width"] == pytest.approx(2130, abs=0.01)
    assert told["drawn"] > 23 * 3 * 84
    assert "the pen draws" in told["says"]


def test_the_plotter_refuses_what_it_cannot_read(client: Client) -> None:
    answer = plot(client, b"not a drawing")
    assert answer.status_code == 422
    assert answer.json()["problems"][0]["path"] == "drawing"


def test_a_sample_is_three_pleats_on_one_sheet_with_what_to_measure(client: Client) -> None:
    told = ask(client, "pages", paper="sample", work="W", sections=DEMO["Guide’s skirt"]).json()
    assert told["count"] == 1
    # 70 of waist in 23 pleats: three of them are 9.13 wide, of 27.4 of cloth.
    assert "27.4 cm of cloth into" in told["pages"][0]
    assert told["says"] == "Three pleats to fold, at full size."
    assert told["pages"][0].count(">outer fold, ") == 3
    assert told["pages"][0].count(">placement, ") == 3
    gathers = ask(client, "pages", paper="sample", work="W", sections=DEMO["Nightgown cuff"]).json()
    assert "18 cm of cloth into 10 cm" in gathers["pages"][0]
