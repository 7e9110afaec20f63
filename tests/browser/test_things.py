"""Things: from a window to curtains, in the browser."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Locator, Page, Route, expect

from tests.browser.conftest import choose

SLIP = "The slip"


def begin(page: Page, thing: str) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name=thing).click()
    expect(page.get_by_label("Rail", exact=True)).to_be_visible()


def curtains(page: Page) -> Locator:
    """The pair of the long window; gives back its slip."""
    begin(page, "Curtains")
    for name, typed in (("Rail", "152"), ("Drop", "214"), ("Cloth’s width", "138"), ("Fullness", "2.2")):
        page.get_by_label(name, exact=True).fill(typed)
    slip = page.get_by_role("region", name=SLIP)
    expect(slip).to_contain_text("Each panel: 192 cm flat into 89 cm")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    return slip


def step(page: Page, name: str) -> None:
    page.get_by_role("navigation", name="Steps").get_by_role("button", name=name, exact=True).click()


def test_a_pair_from_four_fields_to_what_to_buy_and_cut(page: Page, accessible: Callable[[Page], None]) -> None:
    slip = curtains(page)
    expect(slip).to_contain_text("buy 7.3 m")
    expect(slip).to_contain_text("Cut 2 of 69 cm × 242 cm, 2 of 138 cm × 242 cm.")
    expect(slip).to_contain_text("Fold 9 pinch pleats of ≈11.44 cm of cloth in each, 9.5 cm apart.")
    expect(slip).to_contain_text("hooks: 22")
    picture = page.get_by_role("img", name="Left panel: 89 cm along the rail, 9 pleats")
    expect(picture).to_be_visible()
    accessible(page)
    page.reload()
    expect(page.get_by_label("Rail", exact=True)).to_have_value("152")
    expect(slip).to_contain_text("buy 7.3 m")


def test_a_skirt_from_the_body_to_its_band(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Skirt or apron").click()
    for name, typed in (("Waist", "68"), ("Hip", "94"), ("Length", "60"), ("Cloth’s width", "138")):
        page.get_by_label(name, exact=True).fill(typed)
    slip = page.get_by_role("region", name=SLIP)
    expect(slip).to_contain_text("Skirt: 210 cm flat into 70 cm, 23 pleats.")
    expect(slip).to_contain_text("buy 1.5 m")
    expect(page.get_by_role("navigation", name="Pieces")).to_contain_text("Band ×1")
    accessible(page)
    page.locator("label").filter(has_text=re.compile("^cut")).locator("select").select_option("quarters")
    pieces = page.get_by_role("navigation", name="Pieces")
    expect(pieces).to_contain_text("Left front, as worn")
    expect(pieces).to_contain_text("17.5 cm, its mirror")
    page.get_by_role("button", name="From the back").click()
    expect(page.get_by_text("from behind")).to_be_visible()
    step(page, "Cut")
    plan = page.get_by_role("img", name="pieces on")
    expect(plan).to_be_visible()
    expect(page.locator("[data-piece^=band]")).to_be_attached()
    step(page, "Measure")
    page.get_by_label("Hip", exact=True).fill("60")
    expect(slip).to_contain_text("A hip of 60 cm with a waist of 68 cm?")
    page.get_by_role("button", name="Undo").click()
    expect(slip).not_to_contain_text("A hip of 60 cm")


def test_the_usable_width_stands_on_its_tag_and_the_cloth_keeps_its_colour_at_the_table(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Skirt or apron").click()
    for name, typed in (("Waist", "68"), ("Hip", "94"), ("Length", "60"), ("Cloth’s width", "138")):
        page.get_by_label(name, exact=True).fill(typed)
    expect(page.get_by_role("region", name=SLIP)).to_contain_text("buy 1.5 m")
    expect(page.get_by_role("heading", name="Skirt", exact=True)).to_be_visible()
    step(page, "Cloth")
    usable = page.get_by_label("Usable width", exact=True)
    expect(usable).to_have_value("138")
    expect(page.get_by_label("One selvedge", exact=True)).to_be_hidden()
    # Typed anew it stays where it is, also while nothing stands there; what is wrong with it is said there, and no fold opens.
    more = page.get_by_role("region", name="More of this cloth")
    usable.fill("1")
    expect(usable).to_have_attribute("aria-invalid", "true")
    expect(more.get_by_label("One selvedge", exact=True)).to_be_hidden()
    usable.fill("")
    usable.press_sequentially("120")
    expect(usable).to_have_value("120")
    expect(page.get_by_role("img", name="120 cm wide")).to_be_visible()
    # What stands above it moves as answers come: once they have, it is pressed.
    expect(page.get_by_role("main")).to_have_attribute("aria-busy", "false")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    more.locator("summary").click()
    expect(page.get_by_label("One selvedge", exact=True)).to_be_visible()
    colour = "element => getComputedStyle(element).getPropertyValue('--cloth').trim()"
    own = page.locator("main > div").first.evaluate(colour)
    assert re.fullmatch("#[0-9a-f]{6}", own)
    step(page, "Mark")
    page.get_by_role("link", name="To the table").click()
    page.get_by_role("link", name="Fold").click()
    expect(page.get_by_test_id("fold")).to_have_text("1")
    assert page.locator("main").evaluate(colour) == own


def test_the_tape_of_a_field_lights_and_its_tag_is_typed_on(page: Page) -> None:
    curtains(page)
    page.get_by_label("Rail", exact=True).focus()
    expect(page.locator('[data-tape="rail"][data-lit]')).to_be_attached()
    tag = page.get_by_label("Rail, on the picture")
    tag.focus()
    expect(page.get_by_text("Rail: Along the rail or the pole")).to_be_visible()
    tag.fill("170")
    expect(page.get_by_label("Rail", exact=True)).to_have_value("170")
    expect(page.get_by_role("region", name=SLIP)).to_contain_text("into 98 cm")


def test_own_facts_stay_while_measures_change_and_follow_again_at_a_press(page: Page) -> None:
    curtains(page)
    step(page, "Pleat")
    spacing = page.get_by_label("Spacing", exact=True)
    expect(page.get_by_text("from Measure: (rail 152 + overlap 8)")).to_be_visible()
    spacing.fill("7.6")
    expect(page.get_by_role("button", name="Spacing: follow Measure again")).to_be_visible()
    step(page, "Measure")
    page.get_by_label("Rail", exact=True).fill("160")
    expect(page.get_by_role("region", name=SLIP)).to_contain_text("into 93 cm")
    step(page, "Pleat")
    expect(page.get_by_label("Finished width", exact=True)).to_have_value("93 cm")
    spacing.focus()
    expect(spacing).to_have_value("7.6")
    page.get_by_role("button", name="Spacing: follow Measure again").click()
    expect(page.get_by_role("button", name="Spacing: follow Measure again")).to_be_hidden()
    # All of it can be taken back.
    for _ in range(3):
        page.get_by_role("button", name="Undo").click()
        expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    expect(page.get_by_label("Finished width", exact=True)).to_have_value("89 cm")


def test_the_right_panel_mirrors_the_left_until_it_is_typed_on(page: Page) -> None:
    curtains(page)
    step(page, "Pleat")
    page.get_by_role("button", name="Right panel").first.click()
    expect(page.get_by_text("It is the mirror of the left panel")).to_be_visible()
    page.get_by_label("Spacing", exact=True).fill("12")
    back = page.get_by_role("button", name="Make it the mirror of the left panel again")
    back.click()
    expect(page.get_by_text("It is the mirror of the left panel")).to_be_visible()
    expect(page.get_by_label("Spacing", exact=True)).to_have_value("9.5 cm")


def test_widths_decide_at_a_press(page: Page) -> None:
    slip = curtains(page)
    page.get_by_role("button", name="two each").click()
    expect(slip).to_contain_text("261 cm flat")
    expect(page.get_by_role("button", name="two each")).to_have_attribute("aria-pressed", "true")
    page.get_by_role("button", name="one each").click()
    expect(page.get_by_role("button", name="one each")).to_contain_text("it will look skimpy")
    expect(slip).to_contain_text("126 cm flat")


def test_a_choice_takes_and_brings_parts(page: Page) -> None:
    slip = curtains(page)
    page.get_by_label("it divides").select_option("one_way")
    expect(page.get_by_role("button", name="Curtain", exact=False).first).to_be_visible()
    expect(page.get_by_role("navigation", name="Pieces").get_by_text("Right panel")).to_be_hidden()
    expect(slip).to_contain_text("into 170 cm")
    page.get_by_label("lining").first.select_option("tube")
    expect(page.get_by_role("navigation", name="Pieces")).to_contain_text("Lining ×1")
    page.get_by_role("button", name="Undo").click()
    page.get_by_role("button", name="Undo").click()
    expect(page.get_by_role("navigation", name="Pieces")).to_contain_text("Right panel")


def test_what_cannot_be_is_said_beside_its_field_and_the_picture_stays(page: Page) -> None:
    curtains(page)
    page.get_by_label("Return, left, on the picture").fill("2 m")
    alert = page.get_by_role("alert").filter(has_text="wider than the curtain along its rail")
    expect(alert).to_be_visible()
    expect(page.get_by_role("img", name="Left panel: 89 cm along the rail")).to_be_visible()
    page.get_by_label("Return, left, on the picture").fill("9")
    expect(alert).to_be_hidden()


def test_several_places_and_the_hemmed_panel(page: Page) -> None:
    slip = curtains(page)
    page.get_by_role("button", name="Drop: places").click()
    page.get_by_label("Drop, place 2").fill("212.5")
    expect(slip).to_contain_text("The drop differs by 1.5 cm")
    page.get_by_text("Measured on the way").click()
    page.get_by_label("Left panel measures").fill("190")
    expect(slip).to_contain_text("190 cm flat into 89 cm")


def test_the_order_of_making_is_ones_own_list(page: Page) -> None:
    curtains(page)
    page.get_by_text("Order of making").click()
    page.get_by_role("checkbox", name="1. Wash and press").check()
    page.get_by_role("button", name="Strike: Turn the sides").click()
    page.get_by_label("A step of your own").fill("Ask the warden for the ladder.")
    page.get_by_role("button", name="Add it").click()
    expect(page.get_by_role("checkbox", name="Ask the warden for the ladder.")).to_be_visible()
    page.get_by_role("button", name="Earlier: Ask the warden").click()
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    page.reload()
    page.get_by_text("Order of making").click()
    expect(page.get_by_role("checkbox", name="1. Wash and press")).to_be_checked()
    expect(page.get_by_text("Bring back: Turn the sides")).to_be_visible()
    page.get_by_role("link", name="Papers").click()
    page.get_by_text("Order of making", exact=False).first.click()
    expect(
        page.get_by_role("img", name="order of making, page 1").or_(page.locator("figure, img").first)
    ).to_be_visible()


def test_a_free_work_is_given_a_thing(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="An edge alone").click()
    step(page, "Measure")
    page.get_by_role("button", name="Valance").click()
    page.get_by_label("Rail", exact=True).fill("150")
    expect(page.get_by_role("navigation", name="Pieces")).to_contain_text("Edge")
    expect(page.get_by_role("navigation", name="Pieces")).to_contain_text("Valance")


def test_my_ways_begin_the_next_work(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/ways")
    choose(page, "Measured in", "inches")
    page.get_by_label("Seam allowance").fill("5/8")
    choose(page, "Lining", "as a tube")
    accessible(page)
    page.get_by_role("button", name="Keep my ways").click()
    expect(page.get_by_text("Kept. The next new work begins so.")).to_be_visible()
    begin(page, "Curtains")
    expect(page.get_by_label("lining").first).to_have_value("tube")
    page.get_by_label("Rail", exact=True).fill("60")
    expect(
        page.get_by_role("img", name="33 1/2 in along the rail").or_(page.get_by_role("img", name="in along the rail"))
    ).to_be_visible()
    page.goto("/ways")
    choose(page, "Measured in", "centimetres")
    choose(page, "Lining", "as the program takes it")
    page.get_by_label("Seam allowance").fill("")
    page.get_by_role("button", name="Keep my ways").click()
    expect(page.get_by_text("Kept. The next new work begins so.")).to_be_visible()


@pytest.mark.parametrize(("width", "height"), [(820, 1180), (390, 844)])
def test_on_a_tablet_and_a_phone(page: Page, width: int, height: int) -> None:
    page.set_viewport_size({"width": width, "height": height})
    curtains(page)
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    picture = page.get_by_role("img", name="Left panel: 89 cm along the rail").bounding_box()
    field = page.get_by_label("Rail", exact=True).bounding_box()
    assert picture
    assert field
    if width == 390:
        assert picture["y"] < field["y"]


def test_a_plain_circle_has_its_cloth_and_its_plan_without_an_edge(
    page: Page, accessible: Callable[[Page], None]
) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Circle skirt").click()
    for name, typed in (("Waist", "68"), ("Length", "55"), ("Cloth’s width", "150")):
        page.get_by_label(name, exact=True).fill(typed)
    slip = page.get_by_role("region", name=SLIP)
    expect(slip).to_contain_text("The stitching line has a radius of ≈11.1 cm")
    page.get_by_role("button", name="Flat", exact=True).click()
    expect(page.get_by_text("Half circle, 2 of them")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="half a circle").click()
    expect(slip).to_contain_text("a radius of ≈22.3 cm")
    step(page, "Cloth")
    page.get_by_role("textbox", name="Price").fill("£9")
    expect(page.get_by_role("img", name="pieces on").first).to_be_visible()
    step(page, "Cut")
    expect(page.get_by_role("region", name="The shopping slip")).to_contain_text("£")
    page.locator("[data-piece^=ring]").first.click()
    expect(page.get_by_role("dialog")).to_contain_text("Foot: hem 2 cm")
    accessible(page)
    page.keyboard.press("Escape")
    step(page, "Measure")
    page.locator("label").filter(has_text=re.compile("^its edge")).locator("select").select_option("gather")
    expect(page.get_by_role("navigation", name="Pieces")).to_contain_text("Upper edge")
    step(page, "Pleat")
    expect(page.get_by_label("Finished width", exact=True)).to_have_value("70 cm")


def test_a_petticoat_of_tiers_from_three_measures_to_its_match_points_and_its_pattern(
    page: Page, accessible: Callable[[Page], None]
) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Petticoat of tiers").click()
    for name, typed in (("Waist", "70"), ("Base", "78"), ("Round its foot", "158"), ("Cloth’s width", "138")):
        page.get_by_label(name, exact=True).fill(typed)
    page.get_by_label("Fullness", exact=True).fill("2.5")
    # A fact of the picture that is chosen and not measured is typed on its tag too.
    page.get_by_label("Lines apart, on the picture").fill("18")
    slip = page.get_by_role("region", name=SLIP)
    expect(slip).to_contain_text("Tier 1, lowest, its line 78 cm below the waist: 395 cm flat onto 158 cm, 21 cm deep.")
    page.get_by_role("button", name="The base", exact=True).click()
    expect(page.get_by_text("Tier 2: ≈138.2 cm round")).to_be_visible()
    accessible(page)
    page.get_by_role("button", name="3 times").click()
    expect(slip).to_contain_text("474 cm flat onto 158 cm")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    step(page, "Mark")
    marks = page.get_by_role("region", name="The marks")
    expect(marks).to_contain_text("On what it is sewn to")
    expect(marks.get_by_role("row").nth(3)).to_contain_text("118.5 cm")
    expect(marks.get_by_role("row").nth(3)).to_contain_text("39.5 cm")
    page.get_by_role("link", name="To the table").click()
    page.get_by_role("button", name="Next").click()
    expect(page.get_by_label("This mark")).to_contain_text("on what it is sewn to")
    page.get_by_role("link", name="‹ Bench").click()
    page.get_by_role("link", name="Papers").first.click()
    page.get_by_role("button", name="Pattern pieces").click()
    expect(page.get_by_role("combobox", name="Of")).to_be_visible()
    expect(page.get_by_text("at full size: the whole line is cut along")).to_be_visible()
    expect(page.get_by_role("list", name="Pages").get_by_role("img").first).to_be_visible()
    accessible(page)


def test_the_cloth_at_hand_says_what_skirt_it_gives(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Skirt or apron").click()
    for name, typed in (("Waist", "70"), ("Hip", "96"), ("Length", "60"), ("Cloth’s width", "140")):
        page.get_by_label(name, exact=True).fill(typed)
    slip = page.get_by_role("region", name=SLIP)
    expect(slip).to_contain_text("216 cm flat into 72 cm")
    step(page, "Cloth")
    page.get_by_role("textbox", name="At hand", exact=True).fill("220")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    step(page, "Measure")
    expect(page.get_by_text("3 widths 66.5 cm long come off what is there")).to_be_visible()
    page.get_by_role("button", name="2 widths").click()
    expect(slip).not_to_contain_text("216 cm flat")
    expect(slip).to_contain_text("flat into 72 cm")


def test_a_sofa_from_its_runs_to_its_labelled_sections(page: Page, accessible: Callable[[Page], None]) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Cover", exact=False).filter(has_text="its runs").click()
    runs = (("Run 1, front", "62"), ("Run 2, left side", "48"), ("Run 3, back", "60"), ("Run 4, right side", "48"))
    for name, typed in (*runs, ("Height", "30"), ("Pleats deep", "5"), ("Cloth’s width", "138")):
        page.get_by_label(name, exact=True).fill(typed)
    slip = page.get_by_role("region", name=SLIP)
    expect(slip).to_contain_text("Front: 62 + 11.5 + 11.5 = 85 cm cut.")
    expect(slip).to_contain_text("Opposite runs differ, front and back")
    page.get_by_label("Run 3, back, on the picture").fill("62")
    expect(slip).not_to_contain_text("Opposite runs differ")
    accessible(page)
    page.get_by_role("button", name="Left side", exact=True).click()
    page.locator("label").filter(has_text=re.compile("^it is")).locator("select").select_option("self")
    expect(slip).to_contain_text("Each 63 cm deep, finished 30 cm.")
    expect(page.get_by_role("status").filter(has_text="Saved")).to_be_visible()
    step(page, "Cut")
    expect(page.locator("svg text").get_by_text("Left side").first).to_be_visible()
    accessible(page)


def test_no_screen_begins_that_the_edges_of_what_is_saved_would_take_away(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="New work").click()
    page.get_by_role("button", name="Skirt or apron").click()
    expect(page.get_by_label("Waist", exact=True)).to_be_visible()
    held: list[Route] = []

    let_go: list[bool] = []

    def hold(route: Route) -> None:
        if let_go:
            route.continue_()
        else:
            held.append(route)

    page.route("**/api/works/*/thing", hold)
    for name, typed in (("Waist", "68"), ("Hip", "94"), ("Length", "60"), ("Cloth’s width", "138")):
        page.get_by_label(name, exact=True).fill(typed)
    expect(page.get_by_role("region", name=SLIP)).to_contain_text("buy 1.5 m")
    step(page, "Cloth")
    # Its edge is on its way: a field typed on now would be gone with the next answer.
    expect(page.get_by_text("Working it out…")).to_be_visible()
    expect(page.get_by_label("Usable width", exact=True)).to_have_count(0)
    let_go.append(True)
    for route in held:
        route.continue_()
    expect(page.get_by_label("Usable width", exact=True)).to_have_value("138")
    expect(page.get_by_role("img", name="138 cm wide")).to_be_visible()
