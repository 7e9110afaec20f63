"""The swatch book, from a swatch to a cut width, a strip of samples, a table."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import served
from tests.browser.test_by_hand import open_work


@pytest.fixture
def site(tmp_path: Path) -> Iterator[str]:
    """The program with the demo works and swatches, its own for each test."""
    with served(tmp_path, demo=True) as address:
        yield address


def test_from_a_swatch_to_a_cut_width(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("link", name="Swatch book").click()
    lawn = page.get_by_role("region", name="Petticoat lawn")
    expect(lawn).to_contain_text("It tucks 1.8 cm each time.")
    accessible(page)
    page.get_by_role("button", name="Add a swatch").click()
    page.get_by_label("Cloth", exact=True).fill("Nightgown flannel")
    page.get_by_label("Strip, flat").fill("30")
    page.get_by_label("Measured after").fill("40")
    accessible(page)
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_text("would have grown from 300 mm to 400 mm")).to_be_visible()
    page.get_by_label("Measured after").fill("20")
    page.get_by_role("button", name="Measured once more").click()
    page.get_by_label("Measured again, 2").fill("18.75")
    page.get_by_role("button", name="Keep", exact=True).click()
    flannel = page.get_by_role("region", name="Nightgown flannel")
    expect(flannel).to_contain_text("Gathers 1.55 times, from 1 1⁄2 to 1.6 over 2 measurings.")
    open_work(page, "Nightgown cuff")
    page.get_by_text("How it is gathered").click()
    page.get_by_role("button", name="Let it decide: Nightgown flannel").click()
    expect(page.get_by_text("the swatch of Nightgown flannel says")).to_be_visible()
    expect(page.get_by_label("Flat width", exact=True)).to_have_value("34.1 cm")
    accessible(page)
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    page.goto("/swatches")
    expect(flannel).to_contain_text("Used in Nightgown cuff")
    flannel.get_by_role("link", name="Nightgown cuff").click()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()


def test_a_strip_of_samples(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/swatches")
    page.get_by_role("button", name="A strip of samples").click()
    samples = page.get_by_role("list", name="Samples")
    expect(samples).to_contain_text(
        "a tuck every 12 stitches of 2.5 mm; from 3 cm to 23 cm on the strip. Expect ≈16.67 cm"
    )
    accessible(page)
    page.get_by_label("Sample 3 measures").fill("8")
    expect(samples).to_contain_text("It made 2 1⁄2 times, tucks of 2.25 cm.")
    page.get_by_label("Sample 3 measures").fill("30")
    expect(page.get_by_text("would have grown from 200 mm to 300 mm")).to_be_visible()
    page.get_by_label("Sample 3 measures").fill("8")
    page.get_by_label("Cloth", exact=True).fill("Gallery cotton")
    page.get_by_role("button", name="Keep what is measured").click()
    expect(page.get_by_text("1 sample kept in the book.", exact=True)).to_be_visible()
    cotton = page.get_by_role("region", name="Gallery cotton")
    cotton.get_by_label("Wanted fullness by Gallery cotton").fill("2")
    cotton.get_by_role("button", name="How to set it").click()
    expect(cotton).to_contain_text("a tuck every 6 stitches of ≈3.8 mm")
    page.get_by_role("button", name="Remove Gallery cotton, With an attachment").click()
    page.get_by_role("button", name="Undo").click()
    expect(cotton).to_contain_text("With an attachment")


def test_a_table_of_swatches_and_pleats_that_know_their_cloth(page: Page) -> None:
    page.goto("/swatches")
    page.get_by_role("button", name="Take in a table").click()
    page.get_by_label("or paste it here").fill(
        "cloth,kind,flat,folds,depth,measured\nDust-cover cotton,fold,60 cm,5,3 cm,29 cm\nX,fold,60 cm,0,3,1\n"
    )
    page.get_by_role("button", name="Take it in").click()
    expect(page.get_by_text("Nothing was put into the book: 1 right, 1 wrong.")).to_be_visible()
    page.get_by_role("button", name="Take in the 1 right row").click()
    page.get_by_role("button", name="Close").click()
    expect(page.get_by_role("region", name="Dust-cover cotton")).to_contain_text("Each fold comes out 0.2 cm narrower.")
    open_work(page, "Telescope cover")
    page.get_by_text("What was tried of its cloth").click()
    page.get_by_role("button", name="Let it decide: Dust-cover cotton").click()
    expect(page.get_by_text("narrower, as the swatch of Dust-cover cotton says")).to_be_visible()


def test_a_weekend_planned_and_a_step_timed(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("link", name="Banded skirt").click()
    page.get_by_text("Order of making").click()
    sessions = page.get_by_role("region", name="Sessions")
    expect(sessions).to_contain_text("all of it guessed.")
    sessions.get_by_role("button", name="Add a session").click()
    sessions.get_by_label("Day of session 1").fill("2026-11-28")
    expect(sessions).to_contain_text("The cloth must be there by Saturday 28 November, 10:00.")
    sessions.get_by_label("How long").fill("0")
    expect(sessions).to_contain_text("Nothing is done in a session of nought")
    sessions.get_by_label("How long").fill("3 h")
    expect(sessions).to_contain_text("Saturday 28 November, 10:00, 3 h")
    expect(sessions).to_contain_text("10:00 wash")
    accessible(page)
    page.get_by_role("button", name="Time it: Wash and press").click()
    page.get_by_role("button", name="Stop: Wash and press").click()
    expect(page.get_by_label("How long it took: Wash and press")).to_have_value("1")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    with page.expect_download() as got:
        sessions.get_by_role("link", name="Save as a calendar").click()
    assert b"BEGIN:VEVENT" in Path(got.value.path()).read_bytes()
    # Read back it adds nothing to what is there, and brings back what was taken away.
    sessions.get_by_label("Read a calendar").set_input_files(got.value.path())
    expect(sessions).to_contain_text("1 session read. 1 of them was there already.")
    expect(sessions.get_by_label("Day of session 2")).to_have_count(0)
    sessions.get_by_role("button", name="Remove session 1").click()
    expect(sessions.get_by_label("Day of session 1")).to_have_count(0)
    sessions.get_by_label("Read a calendar").set_input_files([])
    sessions.get_by_label("Read a calendar").set_input_files(got.value.path())
    expect(sessions.get_by_label("Day of session 1")).to_have_value("2026-11-28")
    expect(sessions).to_contain_text("Saturday 28 November, 10:00, 3 h")
    sessions.get_by_role("button", name="Add a session").click()
    sessions.get_by_label("Day of session 2").fill("2026-11-28")
    expect(sessions).to_contain_text("over. Let it begin later, or make one of the two.")
    sessions.get_by_role("button", name="Remove session 2").click()
    # At the table too, and what it took is told in the log.
    page.get_by_role("navigation", name="Steps").get_by_role("button", name="Mark", exact=True).click()
    page.get_by_role("link", name="To the folding").click()
    page.get_by_role("button", name="Time it: Wash and press").click()
    page.get_by_role("button", name="Stop: Wash and press").click()
    page.get_by_role("link", name="‹ Bench").click()
    page.get_by_role("navigation", name="Steps").get_by_role("button", name="Measure", exact=True).click()
    page.get_by_text("Order of making").click()
    expect(page.get_by_label("How long it took: Wash and press")).to_have_value("2")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    page.get_by_role("navigation", name="Steps").get_by_role("button", name="Log", exact=True).click()
    expect(page.get_by_role("table", name="How long it took")).to_contain_text("2 min")


def test_a_swatch_changed_elsewhere_can_still_be_kept(page: Page) -> None:
    page.goto("/swatches")
    cotton = page.get_by_role("region", name="Petticoat lawn")
    change = cotton.get_by_role("button", name="Change Petticoat lawn").first
    change.click()
    page.get_by_label("What was seen").fill("Seen here first.")
    # Another window keeps its own meanwhile.
    page.evaluate(
        """async () => {
            const book = await (await fetch("/api/swatches")).json();
            const one = book.swatches.find((row) => row.cloth === "Petticoat lawn");
            const token = document.cookie.match(/csrf[^=]*=([^;]+)/i)[1];
            const body = { cloth: one.cloth, kind: one.kind, unit: one.unit, revision: one.revision,
                           spec: { ...one.spec, says: "Seen elsewhere." } };
            const answer = await fetch(`/api/swatches/${one.key}`, {
                method: "PUT", headers: { "Content-Type": "application/json", "X-CSRFToken": token },
                body: JSON.stringify(body) });
            if (!answer.ok) throw new Error(await answer.text());
        }"""
    )
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_role("alert")).to_contain_text("This swatch was changed elsewhere in the meantime: it is now")
    expect(page.get_by_label("What was seen")).to_have_value("Seen here first.")
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(cotton).to_contain_text("Seen here first.")
    expect(page.get_by_role("dialog")).to_have_count(0)
    # A draft that is given up is not there again.
    change.click()
    page.get_by_label("What was seen").fill("Not meant.")
    page.get_by_role("button", name="Leave it as it was").click()
    change.click()
    expect(page.get_by_label("What was seen")).to_have_value("Seen here first.")


def test_keeping_a_swatch_with_no_cloth_says_so_at_its_field(page: Page) -> None:
    page.goto("/swatches")
    page.get_by_role("button", name="Add a swatch").click()
    page.get_by_label("What was seen").fill("Stiff.")
    page.get_by_role("button", name="Keep", exact=True).click()
    expect(page.get_by_label("Cloth", exact=True)).to_have_accessible_description("This is empty. Write something.")
    page.get_by_role("button", name="Close").click()
    page.get_by_role("button", name="A strip of samples").click()
    page.get_by_label("Sample 1 measures").fill("8")
    page.get_by_role("button", name="Keep what is measured").click()
    expect(page.get_by_label("Cloth", exact=True)).to_have_accessible_description("This is empty. Write something.")
    expect(page.get_by_label("Sample 1 measures")).to_have_value("8")


def test_sessions_are_added_on_days_of_their_own(page: Page) -> None:
    page.goto("/")
    page.get_by_role("link", name="Banded skirt").click()
    page.get_by_text("Order of making").click()
    add = page.get_by_role("button", name="Add a session")
    add.click()
    first = page.get_by_label("Day of session 1").input_value()
    add.click()
    expect(page.get_by_label("Day of session 2")).not_to_have_value(first)
    expect(page.get_by_text("is over")).to_have_count(0)
    # The arrows keep their places where there is nowhere to go.
    expect(page.get_by_role("button", name="Earlier:").first).to_be_disabled()
    expect(page.get_by_role("button", name="Later:").last).to_be_disabled()
