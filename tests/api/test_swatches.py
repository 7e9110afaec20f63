"""The swatch book: what follows from a swatch, taken into works, samplers, tables, pictures, files; against reckonings of their own."""

from __future__ import annotations

from fractions import Fraction
from io import BytesIO
from random import Random
from typing import Any

import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from PIL import Image

from server.swatches.models import BookSwatch
from tests.conftest import Asked
from tests.examples import seeds

GATHERED = {
    "cloth": "Petticoat lawn",
    "kind": "gathered",
    "spec": {"flat": "50 cm", "measured": ["20 cm", "25 cm"], "rows": "2"},
}
RUFFLED = {
    "cloth": "Petticoat lawn",
    "kind": "attachment",
    "spec": {"flat": "40 cm", "measured": ["16 cm"], "every": "6", "stitch": "2"},
}
FRILL = {"kind": "gather", "unit": "cm", "pins": {"finished": "22 cm", "fullness": "1.8"}}
pytestmark = pytest.mark.django_db


def put(ask: Asked, swatch: dict[str, Any], status: int = 201) -> Any:
    got, told = ask("POST", "/swatches", swatch)
    assert got == status, told
    return told


def test_what_each_kind_of_swatch_says(ask: Asked) -> None:
    gathered = put(ask, GATHERED)
    # 50 / 20 = 2.5 and 50 / 25 = 2: 2.25 in the mean.
    assert [gathered[name]["value"] for name in ("ratio", "least", "most")] == [2.25, 2, 2.5]
    assert gathered["says"] == ["Gathers 2 1/4 times, from 2 to 2 1/2 over 2 measurings."]
    ruffled = put(ask, RUFFLED)
    # R = 2.5: t = 1.5 · 6 · 2 mm = 18 mm.
    assert ruffled["tuck"]["mm"] == 18
    assert ruffled["says"] == [
        "Gathers 2 1/2 times.",
        "Set to a tuck every 6 stitches of 2 mm.",
        "It tucks 1.8 cm each time.",
    ]
    fold = put(
        ask,
        {
            "cloth": "Wool",
            "kind": "fold",
            "spec": {"flat": "60 cm", "folds": "5", "depth": "3 cm", "measured": ["29 cm"]},
        },
    )
    # 60 − 5 · 6 = 30 was planned: 1 cm over five folds.
    assert fold["turn"]["mm"] == 2
    assert fold["says"] == ["Each fold comes out 0.2 cm narrower."]
    packed = put(ask, {"cloth": "Wool", "kind": "cartridge", "spec": {"folds": "12", "measured": ["9 cm"]}})
    assert packed["packed"]["mm"] == 7.5
    two = put(ask, {**RUFFLED, "spec": {**RUFFLED["spec"], "guide": "1.5 cm", "layers": "two"}})
    assert "Its guide held the edge 1.5 cm in: so much stands as a heading." in two["says"]
    assert "Sewn to a flat layer in the same pass: that one is cut as long as the edge." in two["says"]
    none = put(ask, {"cloth": "Wool", "kind": "gathered", "spec": {"flat": "50 cm"}})
    assert none["says"] == ["Not measured yet."]


@pytest.mark.parametrize(
    ("spec", "path", "says"),
    [
        ({"kind": "gathered", "spec": {"flat": "20 cm", "measured": ["30 cm"]}}, "spec.measured.0", "would have grown"),
        ({"kind": "gathered", "spec": {"flat": "20 cm", "measured": ["0"]}}, "spec.measured.0", "nothing is left"),
        ({"kind": "gathered", "spec": {"measured": ["10 cm"]}}, "spec.flat", "is not said"),
        ({"kind": "gathered", "spec": {"flat": "zwei"}}, "spec.flat", "zwei"),
        ({"kind": "attachment", "spec": {"flat": "40 cm", "stitch": "25"}}, "spec.stitch", "no machine makes stitches of 25 mm"),
        ({"kind": "attachment", "spec": {"flat": "40 cm", "stitch": "2", "every": "5"}}, "spec.every", "every 5 stitches"),
        ({"kind": "attachment", "spec": {"flat": "40 cm"}}, "spec.stitch", "is not said"),
        ({"kind": "fold", "spec": {"flat": "40 cm", "depth": "2"}}, "spec.folds", "no folds"),
        ({"kind": "fold", "spec": {"flat": "40 cm", "folds": "10", "depth": "2"}}, "spec.depth", "take the whole strip"),
        ({"kind": "cartridge", "spec": {"measured": ["9"]}}, "spec.folds", "no folds"),
    ],
)  # fmt: skip
def test_what_cannot_be_says_so(ask: Asked, spec: dict[str, Any], path: str, says: str) -> None:
    status, told = ask("POST", "/swatches", {"cloth": "Lawn", **spec})
    assert status == 422
    assert [(one["path"], says in one["message"], bool(one["way_out"])) for one in told["problems"]] == [
        (path, True, True)
    ]


def test_a_swatch_decides_in_a_work(ask: Asked) -> None:
    swatch = put(ask, GATHERED)
    status, told = ask("POST", f"/swatches/{swatch['key']}/taken", {"section": FRILL})
    assert status == 200
    assert told["says"] == "the fullness is 2 1/4, as the swatch of Petticoat lawn says"
    plan = ask("POST", "/plan", told["section"])[1]
    assert plan["fullness"]["value"] == 2.25
    assert plan["flat"]["mm"] == 220 * 2.25
    assert any("swatches" in one["why"] for one in plan["assumed"])
    _, work = ask("POST", "/works", {"name": "Frill", "sections": [{"name": "Frill", "spec": told["section"]}]})
    (row,) = ask("GET", "/swatches")[1]["swatches"]
    assert row["used"] == [{"key": work["key"], "name": "Frill"}]
    # An attachment brings its settings along, and nothing of it is drawn up by hand.
    ruffled = put(ask, RUFFLED)
    section = ask("POST", f"/swatches/{ruffled['key']}/taken", {"section": told["section"]})[1]["section"]
    assert section["gathering"]["ruffler"] == {"tuck": "1.8 cm", "every": 6, "stitch": "2 mm"}
    assert ask("POST", "/plan", section)[1]["fullness"]["value"] == 2.5
    # A fold's turn of cloth goes to pleats, and to nothing else.
    fold = put(
        ask,
        {
            "cloth": "Wool",
            "kind": "fold",
            "spec": {"flat": "60 cm", "folds": "5", "depth": "3 cm", "measured": ["29 cm"]},
        },
    )
    knife = {"kind": "knife", "unit": "in", "pins": {"finished": "40 in", "spacing": "1 in"}}
    got = ask("POST", f"/swatches/{fold['key']}/taken", {"section": knife})[1]["section"]
    assert got["turn"] == {"by": "2 mm", "way": "narrower"}
    status, refused = ask("POST", f"/swatches/{fold['key']}/taken", {"section": FRILL})
    assert (status, refused["problems"][0]["message"]) == (422, "a swatch of fold says nothing of gather here")
    packed = put(ask, {"cloth": "Wool", "kind": "cartridge", "spec": {"folds": "12", "measured": ["9 cm"]}})
    coat = {"kind": "cartridge", "unit": "cm", "pins": {"finished": "60 cm", "count": "40", "depth": "1.5 cm"}}
    got = ask("POST", f"/swatches/{packed['key']}/taken", {"section": coat})[1]["section"]
    assert ask("POST", "/plan", got)[1]["count"] == 80


def test_the_setting_for_a_wanted_ratio(ask: Asked) -> None:
    key = put(ask, RUFFLED)["key"]
    told = ask("POST", f"/swatches/{key}/wanted", {"ratio": "2"})[1]
    # 18 / (1 · 6) = 3 mm, 18 / 12 = 1.5 mm; 18 mm to a single stitch no machine makes.
    assert [(one["every"], one["stitch"]) for one in told["settings"]] == [(6, "3 mm"), (12, "1.5 mm")]
    assert ask("POST", f"/swatches/{key}/wanted", {"ratio": "60"})[1]["settings"] == []
    status, told = ask("POST", f"/swatches/{key}/wanted", {"ratio": "1"})
    assert (status, told["problems"][0]["path"]) == (422, "ratio")


@pytest.mark.parametrize("seed", seeds(200))
def test_a_sampler_by_plain_counting(ask: Asked, seed: int) -> None:
    pick = Random(seed)
    inches = pick.random() < 0.4
    unit, mm = ("in", Fraction(127, 5)) if inches else ("cm", Fraction(10))
    each, gap, tuck = (
        Fraction(pick.randint(8, 40), 2),
        Fraction(pick.randint(1, 6), 2),
        Fraction(pick.randint(1, 20), 20),
    )
    settings = [
        {"every": pick.choice([0, 1, 6, 12]), "stitch": str(Fraction(pick.randint(5, 70), 10))}
        for _ in range(pick.randint(1, 8))
    ]
    measured = [str(each * Fraction(pick.randint(3, 10), 10)) if pick.random() < 0.7 else "" for _ in settings]
    status, told = ask(
        "POST",
        "/swatches/sampler",
        {
            "unit": unit,
            "each": str(each),
            "gap": str(gap),
            "tuck": str(tuck),
            "settings": settings,
            "measured": measured,
        },
    )
    assert status == 200, told
    at = gap
    for one, setting, text in zip(told["samples"], settings, measured, strict=True):
        assert one["start"]["mm"] == pytest.approx(float(at * mm))
        assert one["end"]["mm"] == pytest.approx(float((at + each) * mm))
        stitches, long = setting["every"], Fraction(setting["stitch"])
        # Every `stitches` of them, `long` each, a tuck of cloth is taken besides.
        ratio = (long * stitches + tuck * mm) / (long * stitches) if stitches else Fraction(1)
        assert one["ratio"]["value"] == pytest.approx(float(ratio))
        assert one["expected"]["mm"] == pytest.approx(float(each * mm / ratio))
        if text:
            made = each / Fraction(text)
            assert one["made"]["value"] == pytest.approx(float(made))
            assert (one["tuck"] is None) == (not stitches)
            if stitches:
                assert one["tuck"]["mm"] == pytest.approx(float((made - 1) * stitches * long))
        at += each + gap
    assert told["long"]["mm"] == pytest.approx(float(at * mm))
    assert any("by hand for two tucks" in line for line in told["says"])


def test_a_stitch_that_no_machine_makes_is_refused_at_its_field(ask: Asked) -> None:
    status, told = ask(
        "POST",
        "/swatches/sampler",
        {"settings": [{"every": 6, "stitch": "2"}, {"every": 5, "stitch": "3"}, {"every": 6, "stitch": "25"}]},
    )
    assert status == 422
    assert [one["path"] for one in told["problems"]] == ["settings.1.every", "settings.2.stitch"]
    status, told = ask(
        "POST", "/swatches/sampler", {"each": "20", "settings": [{"every": 6, "stitch": "2"}], "measured": ["25"]}
    )
    assert (status, told["problems"][0]["path"]) == (422, "measured.0")


def test_the_book_as_a_table_comes_back_as_it_was(ask: Asked, client: Client) -> None:
    put(ask, {**GATHERED, "spec": {**GATHERED["spec"], "says": "=1+1", "thread": "silk"}})
    put(ask, RUFFLED)
    table = client.get("/api/swatches/table").content.decode()
    assert "'=1+1" in table
    rows = {(one.cloth, one.kind): {k: v for k, v in one.spec.items() if v} for one in BookSwatch.objects.all()}
    BookSwatch.objects.all().delete()
    assert ask("POST", "/swatches/table", {"text": table})[1] == {"right": 2, "added": 2, "wrong": []}
    assert {(one.cloth, one.kind): {k: v for k, v in one.spec.items() if v} for one in BookSwatch.objects.all()} == rows
    wrong = "cloth,kind,flat,measured\nLawn,gathered,10 cm,20 cm\nLawn,sewn,10 cm,5 cm\nLawn,gathered,10 cm,5 cm\n"
    told = ask("POST", "/swatches/table", {"text": wrong})[1]
    assert (told["right"], told["added"], [one["line"] for one in told["wrong"]]) == (1, 0, [2, 3])
    assert "would have grown" in told["wrong"][0]["message"]
    assert ask("POST", "/swatches/table", {"text": wrong, "keep_good": True})[1]["added"] == 1
    assert "known are" in ask("POST", "/swatches/table", {"text": "name,kind\n"})[1]["wrong"][0]["message"]


def test_a_swatch_changed_elsewhere_is_not_written_over(ask: Asked, client: Client) -> None:
    row = put(ask, GATHERED)
    body = {**GATHERED, "revision": row["revision"]}
    assert ask("PUT", f"/swatches/{row['key']}", {**body, "cloth": "Lawn"})[1]["cloth"] == "Lawn"
    status, told = ask("PUT", f"/swatches/{row['key']}", body)
    assert (status, told["problems"][0]["code"]) == (422, "stale")
    assert client.delete(f"/api/swatches/{row['key']}?revision=2").status_code == 204


def test_its_photograph_is_drawn_anew_and_small(ask: Asked, client: Client) -> None:
    key = put(ask, GATHERED)["key"]
    made = BytesIO()
    Image.new("RGB", (1800, 900), "#804020").save(made, "PNG")
    answer = client.post(f"/api/swatches/{key}/picture", {"photograph": SimpleUploadedFile("a.png", made.getvalue())})
    assert answer.status_code == 200, answer.content
    assert answer.json()["picture"] is True
    kept = Image.open(BytesIO(client.get(f"/api/swatches/{key}/picture").content))
    assert kept.size == (640, 320)
    assert (
        client.post(f"/api/swatches/{key}/picture", {"photograph": SimpleUploadedFile("a.png", b"no")}).status_code
        == 422
    )
    assert ask("DELETE", f"/swatches/{key}/picture")[1]["picture"] is False
    assert client.get(f"/api/swatches/{key}/picture").status_code == 404


def test_the_open_file_carries_the_swatches_that_decided(ask: Asked, client: Client) -> None:
    swatch = put(ask, GATHERED)
    section = ask("POST", f"/swatches/{swatch['key']}/taken", {"section": FRILL})[1]["section"]
    _, work = ask("POST", "/works", {"name": "Frill", "sections": [{"name": "Frill", "spec": section}]})
    file = client.get(f"/api/works/{work['key']}/file").content
    BookSwatch.objects.all().delete()
    answer = client.post("/api/files", {"file": SimpleUploadedFile("frill.ribbon.json", file)})
    assert answer.status_code == 201, answer.content
    (row,) = ask("GET", "/swatches")[1]["swatches"]
    assert (row["cloth"], row["ratio"]["value"], [one["name"] for one in row["used"]]) == (
        "Petticoat lawn",
        2.25,
        ["Frill"],
    )
    # Taken in once more, the swatch in the book is that one.
    client.post("/api/files", {"file": SimpleUploadedFile("frill.ribbon.json", file)})
    assert BookSwatch.objects.count() == 1


def test_a_swatch_is_seen_in_its_cloths_own_colour(ask: Asked) -> None:
    """Of the shelf before that of a work, of a work before one that its name settles."""
    for name in ("Guide wool", "Bunk cotton", "Night plaid"):
        spec = {"flat": "60 cm", "measured": ["30 cm"]}
        assert ask("POST", "/swatches", {"cloth": name, "kind": "gathered", "spec": spec})[0] == 201
    cloths = {
        "face": {"name": "Guide wool", "usable": "138 cm", "colour": "#112233"},
        "lining": {"name": "Bunk cotton", "usable": "138 cm", "stripes": [{"colour": "#445566", "width": "2 cm"}]},
    }
    assert ask("POST", "/works", {"name": "Apron", "sections": [], "cloths": cloths})[0] == 201
    shelf = {"name": "Guide wool", "unit": "cm", "spec": {"usable": "138 cm", "colour": "#778899"}}
    seen = {one["cloth"]: one["colour"] for one in ask("GET", "/swatches")[1]["swatches"]}
    assert (seen["Guide wool"], seen["Bunk cotton"]) == ("#112233", "#445566")
    assert ask("POST", "/cloths", shelf)[0] == 201
    again = {one["cloth"]: one["colour"] for one in ask("GET", "/swatches")[1]["swatches"]}
    assert again == {**seen, "Guide wool": "#778899"}


def test_a_strip_of_samples_says_how_long_each_is(ask: Asked) -> None:
    """In the unit that is asked; the tuck they show together is the mean of what each shows, exactly."""
    for unit, each in (("cm", "20 cm"), ("in", "8 in")):
        asked = {"unit": unit, "settings": [{"every": 6, "stitch": "3"}]}
        assert ask("POST", "/swatches/sampler", asked)[1]["each"]["text"] == each
    asked = {"settings": [{"every": 6, "stitch": "3"}, {"every": 1, "stitch": "4"}], "measured": ["10", "8"]}
    told = ask("POST", "/swatches/sampler", asked)[1]
    # 20 into 10 every 18 mm: tucks of 18; 20 into 8 every 4 mm: of 6.
    assert [one["tuck"]["mm"] for one in told["samples"]] == [18, 6]
    assert "By 2 of them it tucks 1.2 cm each time." in told["says"]


@pytest.mark.parametrize(
    ("address", "asked", "path", "message", "way_out"),
    [
        ("/swatches", {"cloth": "  ", "kind": "gathered", "spec": {}}, "cloth", "this is empty", "write something"),
        ("/swatches", {"cloth": "x" * 121, "kind": "gathered", "spec": {}}, "cloth", "this is longer than 120 signs", "make it shorter"),
        ("/swatches", {"cloth": "a\0b", "kind": "gathered", "spec": {}}, "cloth", "there is a sign here that cannot be used", "leave it out"),
        ("/swatches/sampler", {"settings": []}, "settings", "there is none here", "add one"),
        ("/swatches/sampler", {"settings": [{"every": 6, "stitch": "3"}] * 25}, "settings", "there are 25 here, more than 24", "leave some out"),
    ],
)  # fmt: skip
def test_what_the_schema_refuses_reads_as_a_sentence(
    ask: Asked, address: str, asked: dict[str, Any], path: str, message: str, way_out: str
) -> None:
    status, body = ask("POST", address, asked)
    assert status == 422
    assert [(one["path"], one["message"], one["way_out"]) for one in body["problems"]] == [(path, message, way_out)]
