"""From the chalk to the log: folding, checking, correcting, remembering; papers, files and backups."""

from __future__ import annotations

import json
import re
from collections.abc import Callable, Iterator
from io import BytesIO
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Page, expect

from tests.browser.conftest import choose, served
from tests.browser.test_by_hand import open_work
from tests.browser.test_cloth import step


@pytest.fixture(scope="module")
def site(tmp_path_factory: pytest.TempPathFactory) -> Iterator[str]:
    """The program with the demo works; each test changes a work of its own."""
    with served(tmp_path_factory.mktemp("data"), demo=True) as address:
        yield address


def test_a_skirt_is_checked_corrected_and_remembered(page: Page, accessible: Callable[[Page], None]) -> None:
    page.set_viewport_size({"width": 820, "height": 1180})
    open_work(page, "Guide’s skirt")
    page.keyboard.press("6")
    measure = page.get_by_role("textbox", name="Measure", exact=True)
    measure.fill("27.6")
    expect(page.get_by_text("Did you mean 27.6 in?")).to_be_visible()
    measure.fill("0")
    expect(page.get_by_text("An edge is wider than nought.")).to_be_visible()
    measure.fill("71.2")
    expect(page.get_by_test_id("verdict")).to_have_text("It came out 1.2 cm too wide, ≈0.05 cm a pleat.")
    expect(page.get_by_text("pleats 1, 3, 5, 7, 8, 10, 14, 16, 17, 19, 21 and 23")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="Put it into the plan").click()
    expect(page.get_by_text("Corrected once: taken in by 1.2 cm.")).to_be_visible()
    page.keyboard.press("5")
    rows = page.get_by_role("region", name="The marks").get_by_role("row")
    # 2 × 3.05 from the first fold at 3: its inner fold is found by folding.  The second pleat stays 3.1 deep.
    expect(rows.nth(2)).to_contain_text("9.1 cm")
    expect(rows.nth(3)).to_contain_text("12.1 cm")
    expect(rows.nth(5)).to_contain_text("18.3 cm")
    page.keyboard.press("7")
    expect(page.get_by_text("planned 70 cm, measured 71.2 cm")).to_be_visible()
    expect(page.get_by_role("img", name="Skirt length: off by 1.2 cm")).to_be_visible()
    page.get_by_role("textbox", name="Notes").fill("Press before basting.")
    page.get_by_role("textbox", name="Hours").fill("6 1/2")
    page.get_by_label("It is finished").check()
    expect(page.get_by_label("It is finished")).to_be_checked()
    accessible(page)
    page.get_by_role("button", name="Make this again").click()
    expect(page.get_by_role("heading", name="Guide’s skirt 2")).to_be_visible()
    page.keyboard.press("7")
    expect(page.get_by_role("textbox", name="Notes")).to_have_value(
        "Last time: Press before basting.\nSkirt length: It came out 1.2 cm too wide, ≈0.05 cm a pleat."
    )
    page.goto("/")
    expect(page.get_by_role("listitem").filter(has_text="Guide’s skirt").nth(1)).to_contain_text("it is finished")


def test_undo_takes_a_correction_back(page: Page) -> None:
    open_work(page, "Star-party apron")
    step(page, "Check")
    page.get_by_role("textbox", name="Measure", exact=True).fill("39 1/2")
    page.get_by_role("button", name="Put it into the plan").click()
    expect(page.get_by_role("region", name="What it says")).to_contain_text("Corrected once: let out by 1⁄2 in.")
    step(page, "Log")
    expect(page.get_by_text("The correction went into the plan.")).to_be_visible()
    page.get_by_role("banner").get_by_role("button", name="Undo").click()
    expect(page.get_by_text("Nothing has been measured yet")).to_be_visible()
    step(page, "Check")
    expect(page.get_by_text("Corrected once")).to_be_hidden()
    page.get_by_role("banner").get_by_role("button", name="Redo").click()
    step(page, "Log")
    page.get_by_role("button", name=re.compile("^Strike the check")).click()
    expect(page.get_by_text("Nothing has been measured yet")).to_be_visible()


def test_the_digital_tape_sends_to_the_open_check(page: Page) -> None:
    open_work(page, "Plaid wrap")
    step(page, "Check")
    with page.context.expect_page() as opened:
        page.get_by_role("link", name="Open the digital tape").click()
    tape = opened.value
    tape.get_by_label("Reading").fill("132.2")
    tape.get_by_role("button", name="Send").click()
    expect(page.get_by_role("textbox", name="Measure", exact=True)).to_have_value("132.2 cm")
    tape.get_by_label("Reading").fill("132.4")
    tape.get_by_role("button", name="Send").click()
    expect(page.get_by_role("textbox", name="Measure 2")).to_have_value("132.4 cm")
    expect(page.get_by_text("leave it.")).to_be_visible()


def test_the_folding_round(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Telescope cover")
    step(page, "Mark")
    page.get_by_role("link", name="To the folding").click()
    expect(page.get_by_text("bring the outer fold to the centre line at 0 in")).to_be_visible()
    expect(page.get_by_text("0 of 5 done, 0 pins out of 10")).to_be_visible()
    accessible(page)
    page.keyboard.press("Space")
    expect(page.get_by_test_id("fold")).to_have_text("2")
    page.reload()
    expect(page.get_by_test_id("fold")).to_have_text("2")
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    expect(page.get_by_text("count 10 pins in")).to_be_visible()
    choose(page, "Pressing", "synthetic")
    expect(page.get_by_text("too hot and it melts")).to_be_visible()
    expect(page.get_by_role("region", name="The order of making")).to_contain_text(
        "close the ring last, in the pleat before right side"
    )


def test_the_place_waits_for_a_lost_server_and_catches_up(page: Page) -> None:
    open_work(page, "Dome valance")
    step(page, "Mark")
    page.get_by_role("link", name="To the table").click()
    expect(page.get_by_text("0 of 144 made")).to_be_visible()
    page.route("**/api/**", lambda route: route.abort())
    for _ in range(4):
        page.keyboard.press("Space")
    expect(page.get_by_text("4 of 144 made. The place is kept here")).to_be_visible()
    page.unroute("**/api/**")
    expect(page.get_by_text("The place is kept here")).to_be_hidden(timeout=15_000)
    # Another browser, as on the tablet, finds the place with the work.
    key, piece = page.url.split("/works/")[1].split("?")[0].split("/table/")
    places = page.request.get(f"/api/works/{key}/places").json()
    assert [(one["section"], one["at"]) for one in places] == [(piece, 4)]


def test_papers_are_seen_and_taken(page: Page, accessible: Callable[[Page], None]) -> None:
    open_work(page, "Reading-room curtain")
    page.get_by_role("link", name="Papers").first.click()
    expect(page.get_by_role("img", name="work sheet, page 1 of 2")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="Template").click()
    expect(page.get_by_role("img", name="template, page 2 of 12")).to_be_visible()
    for paper, kinds in (
        ("Template", ("PDF", "SVG", "DXF")),
        ("Chalk list", ("PDF", "CSV")),
        ("Cutting plan", ("PDF", "CSV")),
    ):
        page.get_by_role("button", name=paper).click()
        for kind in kinds:
            with page.expect_download() as got:
                page.get_by_role("button", name=kind).first.click()
            assert got.value.suggested_filename.endswith(f".{kind.lower()}")
    page.get_by_role("button", name="Give it the DXF").click()
    expect(page.get_by_text("the pen draws")).to_be_visible()
    page.get_by_label("Or another SVG or DXF file").set_input_files(
        {"name": "a.svg", "mimeType": "image/svg+xml", "buffer": b"no"}
    )
    expect(page.get_by_text("Send an SVG or DXF file of straight lines and arcs.")).to_be_visible()


def test_a_paper_that_lacks_its_cloth_says_so(page: Page) -> None:
    open_work(page, "Bunk curtain")
    page.get_by_role("link", name="Papers").first.click()
    page.get_by_role("button", name="Labels").click()
    expect(page.get_by_text("Fill in the step Cloth first.")).to_be_visible()


def test_a_work_goes_out_as_a_file_and_comes_in_again(page: Page, tmp_path: Path) -> None:
    page.goto("/")
    page.get_by_role("button", name="More for Bunk curtain").click()
    with page.expect_download() as got:
        page.get_by_role("menuitem", name="Take as a file").click()
    kept = tmp_path / "bunk.ribbon.json"
    got.value.save_as(kept)
    page.get_by_role("button", name="New work").click()
    bad = json.loads(kept.read_text())
    bad["work"]["sections"][0]["spec"]["kind"] = "frill"
    page.get_by_label("Or from a file").set_input_files(
        {"name": "bad.ribbon.json", "mimeType": "application/json", "buffer": json.dumps(bad).encode()}
    )
    expect(page.get_by_role("alert")).to_contain_text("work.sections.0.spec.kind")
    good = json.loads(kept.read_text())
    good["work"]["name"] = "From a file"
    page.get_by_label("Or from a file").set_input_files(
        {"name": "good.ribbon.json", "mimeType": "application/json", "buffer": json.dumps(good).encode()}
    )
    expect(page.get_by_role("heading", name="From a file")).to_be_visible()
    page.keyboard.press("7")
    expect(page.get_by_role("textbox", name="Notes")).to_have_value(
        "Stiffener first, then the pleats. A peg on every pleat while the glue of the tape dries."
    )


def test_a_backup_brings_everything_back(page: Page, tmp_path: Path, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("link", name="Backups").click()
    expect(page.get_by_text(re.compile(r"works, \d+ cloths and \d+ photographs?: about"))).to_be_visible()
    with page.expect_download() as got:
        page.get_by_role("button", name="Back up everything").click()
    kept = tmp_path / "kept.zip"
    got.value.save_as(kept)
    expect(page.get_by_text("The backup is made, and was read back")).to_be_visible(timeout=60_000)
    accessible(page)
    page.get_by_role("link", name="Works").click()
    page.get_by_role("button", name="More for Observing coat").click()
    page.get_by_role("menuitem", name="Delete").click()
    expect(page.get_by_role("link", name="Observing coat")).to_be_hidden()
    page.get_by_role("link", name="Backups").click()
    field = page.get_by_label("Bring a backup back from a file")
    field.set_input_files({"name": "no.zip", "mimeType": "application/zip", "buffer": b"PK"})
    page.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_text("This is not a backup of this program.")).to_be_visible()
    field.set_input_files(kept)
    page.get_by_role("button", name="Leave everything as it is").click()
    field.set_input_files(kept)
    page.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_text(re.compile(r"works, \d+ cloths and \d+ photographs? came back\."))).to_be_visible(
        timeout=60_000
    )
    # What was there before is in the list of backups, and comes back from there.
    row = page.get_by_role("listitem").filter(has_text="before a restore")
    row.get_by_role("button", name="Bring back").click()
    page.get_by_role("button", name="Bring it back").click()
    expect(page.get_by_text(re.compile(r"works, \d+ cloths and \d+ photographs? came back\."))).to_be_visible(
        timeout=60_000
    )
    page.get_by_role("link", name="Works").click()
    expect(page.get_by_role("link", name="Plaid wrap")).to_be_visible()
    expect(page.get_by_role("link", name="Observing coat")).to_be_hidden()
    page.get_by_role("button", name="Deleted works").click()
    page.get_by_role("button", name="Put back").first.click()
    expect(page.get_by_text("is back on the shelf.", exact=False).first).to_be_visible()


def test_photographs_come_and_go(page: Page) -> None:
    open_work(page, "Bunk curtain")
    page.keyboard.press("7")
    made = BytesIO()
    Image.new("RGB", (300, 200), (30, 60, 120)).save(made, "PNG")
    field = page.get_by_label("Add a photograph")
    field.set_input_files({"name": "no.jpg", "mimeType": "image/jpeg", "buffer": b"nothing"})
    expect(page.get_by_text("This is no photograph that can be read.")).to_be_visible()
    field.set_input_files({"name": "front.png", "mimeType": "image/png", "buffer": made.getvalue()})
    expect(page.get_by_role("img", name="Bunk curtain, photograph 1")).to_be_visible()
    page.get_by_role("button", name="Take away photograph 1").click()
    expect(page.get_by_role("img", name="Bunk curtain, photograph 1")).to_be_hidden()
