"""The handbook: a screen of its own, and a sheet over any other."""

from __future__ import annotations

from collections.abc import Callable

from playwright.sync_api import Page, expect


def test_it_is_found_from_the_works_and_draws_with_the_real_drawing_code(
    page: Page, accessible: Callable[[Page], None]
) -> None:
    refused: list[str] = []
    asked: list[str] = []
    page.on("response", lambda answer: refused.append(answer.url) if answer.status >= 400 else None)
    page.on("request", lambda sent: asked.append(sent.post_data or "") if sent.url.endswith("/api/plan") else None)
    page.goto("/")
    page.get_by_role("link", name="Handbook").click()
    expect(page.get_by_role("heading", name="Handbook")).to_be_visible()
    box = page.locator("article#box")
    expect(box.get_by_role("img", name="Box pleats that meet behind")).to_be_attached()
    expect(box.get_by_text("4 in", exact=True)).to_be_attached()
    # Every section that is drawn was asked of the program, once, and none is refused.
    pictures = page.locator("article svg[role=img]")
    expect(pictures.nth(20)).to_be_attached()
    assert pictures.count() > 20
    assert len(asked) == len(set(asked)) > 10
    assert refused == []
    accessible(page)


def test_words_are_looked_up_and_lead_on_to_one_another(page: Page) -> None:
    page.goto("/handbook#join")
    expect(page.locator("article#join")).to_be_in_viewport()
    page.locator("article#join").get_by_role("button", name="Inner fold").click()
    expect(page.locator("article#inner-fold")).to_be_in_viewport()
    page.get_by_role("searchbox", name="Look up").fill("railroad")
    expect(page.locator("article")).to_have_count(1)
    page.get_by_role("searchbox", name="Look up").fill("kangaroo")
    expect(page.get_by_text("Nothing here speaks of “kangaroo”")).to_be_visible()
    page.get_by_role("searchbox", name="Look up").fill("strangle")
    expect(page.get_by_text("go cordless")).to_be_visible()


def test_every_word_that_is_named_beside_another_is_there(page: Page) -> None:
    page.goto("/handbook")
    page.get_by_role("heading", name="Cautions").wait_for()
    words = set(page.locator("article h2").all_inner_texts())
    named = page.locator("article button").all_inner_texts()
    assert len(words) > 40
    assert set(named) <= words
    assert len(named) > len(words)


def test_a_word_on_the_bench_opens_its_meaning_over_the_work(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="A ring alone").click()
    page.get_by_role("heading", name="Pieces").wait_for()
    dialog = page.get_by_role("dialog")
    for word in page.locator("[data-term]").all():
        word.click()
        expect(dialog.get_by_role("heading")).not_to_be_empty()
        page.keyboard.press("Escape")
        expect(dialog).to_be_hidden()
    # From the keyboard, in the field itself.
    page.get_by_role("textbox", name="Depth", exact=True).focus()
    page.keyboard.press("F1")
    expect(dialog.get_by_role("heading", name="Depth")).to_be_visible()
    expect(dialog.get_by_role("img")).to_be_visible()
    accessible(page)
    dialog.get_by_role("button", name="Spacing").click()
    expect(dialog.get_by_role("heading", name="Spacing")).to_be_visible()
    dialog.get_by_role("link", name="The whole handbook").click()
    expect(page).to_have_url(page.url.split("/handbook")[0] + "/handbook#spacing")
    expect(page.locator("article#spacing")).to_be_in_viewport()


def test_f1_elsewhere_opens_the_handbook(page: Page) -> None:
    page.goto("/cloth")
    page.get_by_role("heading", name="The supplier’s list").wait_for()
    page.keyboard.press("F1")
    expect(page.get_by_role("heading", name="Handbook")).to_be_visible()
