"""What is typed is kept: in order, on a slow server, with none at all, and when the page is left."""

from __future__ import annotations

from playwright.sync_api import Page, Route, expect

from tests.browser.test_skirt import field, new_skirt, saved

PIECE = "**/api/works/*/sections/*"
_OPENED = """const open = indexedDB.open("young-ribbon"); await new Promise(done => { open.onsuccess = done; });
  const rows = open.result.transaction("kept-here", "readwrite").objectStore("kept-here");"""
KEEP_HERE = (
    "async ([key, value]) => {" + _OPENED + "await new Promise(done => { rows.put(value, key).onsuccess = done; }) }"
)
KEPT_HERE = (
    "async () => {" + _OPENED + "const all = rows.getAllKeys(); await new Promise(done => { all.onsuccess = done; });"
    " return [...all.result, ...Object.keys(localStorage)].filter(key => key.includes('unsent/')) }"
)
NOTHING_HERE = f"async () => (await ({KEPT_HERE})()).length === 0"
NO_ANSWER = "Not saved: no answer. Trying again…"


def new_skirt_of_70(page: Page) -> None:
    new_skirt(page)
    field(page, "Finished width").fill("70")
    saved(page)


def elsewhere(page: Page) -> Page:
    """Another browser, whose console may speak."""
    browser = page.context.browser
    assert browser is not None
    return browser.new_context(base_url=page.url.split("/works")[0], viewport={"width": 1280, "height": 800}).new_page()


def test_a_slow_answer_never_takes_back_what_was_typed_since(page: Page) -> None:
    new_skirt(page)
    held: list[Route] = []
    page.route(PIECE, lambda route: held.append(route))  # noqa: PLW0108 - Playwright marks its handlers
    width = field(page, "Finished width")
    for text in ("7", "70", "70.5"):
        with page.expect_request(PIECE):
            width.fill(text)
            if held:
                held.pop(0).continue_()  # the answer to what was typed before comes only now
        expect(width).to_have_value(text)
        expect(field(page, "Flat width")).to_have_value({"7": "21 cm", "70": "210 cm", "70.5": "211.5 cm"}[text])
    held.pop().continue_()
    saved(page)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("211.5 cm")


def test_a_lost_server_is_said_and_what_was_typed_is_kept(page: Page) -> None:
    new_skirt_of_70(page)
    page.context.set_offline(True)
    field(page, "Finished width").fill("71")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    expect(page.get_by_text("The program that does the sums does not answer.")).to_be_visible()
    page.context.set_offline(False)
    expect(field(page, "Flat width")).to_have_value("213 cm")  # of its own accord
    saved(page)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("213 cm")


def test_an_undo_waits_for_a_lost_server_as_a_change_does(page: Page) -> None:
    new_skirt_of_70(page)
    page.context.set_offline(True)
    page.get_by_label("Kind").select_option("Box")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    page.get_by_role("button", name="Undo").click()
    page.context.set_offline(False)
    expect(page.get_by_label("Kind")).to_have_value("knife")
    saved(page)
    page.reload()
    expect(page.get_by_label("Kind")).to_have_value("knife")
    expect(field(page, "Flat width")).to_have_value("210 cm")


def test_changes_are_kept_in_the_order_in_which_they_were_made(page: Page) -> None:
    """One that another had displaced was sent after it while a third was under way, and took it back."""
    page.clock.install()
    new_skirt(page)
    sent: list[str] = []
    page.on("request", lambda one: sent.append(one.post_data_json["field"]) if one.method == "PUT" else None)
    held: list[Route] = []
    page.route(PIECE, lambda route: held.append(route), times=1)  # noqa: PLW0108 - Playwright marks its handlers
    with page.expect_request(PIECE):
        field(page, "Finished width").fill("70")
    field(page, "Spacing").fill("3")
    page.clock.run_for(600)  # it waits for the one on its way
    page.get_by_label("Facing").select_option("left")
    field(page, "Finished width").fill("72")
    held[0].continue_()
    saved(page)
    assert sent == ["pins.finished", "pins.spacing", "facing", "pins.finished"]
    expect(field(page, "Flat width")).to_have_value("216 cm")
    page.reload()
    expect(field(page, "Flat width")).to_have_value("216 cm")
    expect(field(page, "Spacing")).to_have_value("3 cm")
    expect(page.get_by_label("Facing")).to_have_value("left")


def test_what_is_typed_while_the_unit_changes_takes_the_new_one(page: Page) -> None:
    """It was sent after the answer with the old unit, and the piece stayed in it."""
    new_skirt_of_70(page)
    held: list[Route] = []
    page.route("**/unit", lambda route: held.append(route), times=1)  # noqa: PLW0108 - Playwright marks its handlers
    with page.expect_request("**/unit"):
        page.get_by_role("radio", name="inches").click()
    field(page, "Spacing").fill("1 in")
    held[0].continue_()
    expect(field(page, "Flat width")).to_have_value("≈82 11/16 in")
    saved(page)
    page.reload()
    expect(page.get_by_role("radio", name="inches")).to_be_checked()
    expect(field(page, "Pleats")).to_have_value("28")


def test_an_answer_that_was_lost_is_no_disagreement(page: Page) -> None:
    new_skirt(page)

    def lost(route: Route) -> None:
        route.fetch()
        route.abort()

    page.route(PIECE, lost, times=1)
    field(page, "Finished width").fill("70")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    saved(page)
    expect(page.get_by_role("dialog")).to_have_count(0)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("210 cm")


def test_a_server_in_trouble_is_asked_again(page: Page) -> None:
    page.goto("/")
    other = elsewhere(page)
    new_skirt(other)
    other.route(PIECE, lambda route: route.fulfill(status=503, body="busy"), times=1)
    field(other, "Finished width").fill("70")
    expect(other.get_by_text(NO_ANSWER)).to_be_visible()
    saved(other)
    other.reload()
    expect(field(other, "Flat width")).to_have_value("210 cm")
    other.context.close()


def test_what_could_not_be_saved_before_the_page_was_left_is_there_again(page: Page) -> None:
    new_skirt_of_70(page)
    page.route(PIECE, lambda route: route.abort())
    field(page, "Finished width").fill("72")
    field(page, "Spacing").fill("3")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    page.reload()
    expect(field(page, "Flat width")).to_have_value("216 cm")
    expect(page.get_by_text(NO_ANSWER)).to_be_visible()
    page.reload()
    page.unroute(PIECE)
    saved(page)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("216 cm")
    expect(field(page, "Spacing")).to_have_value("3 cm")
    saved(page)
    page.wait_for_function(NOTHING_HERE)


def test_what_was_kept_here_and_changed_elsewhere_is_asked_about(page: Page) -> None:
    new_skirt_of_70(page)
    address = page.url
    with page.expect_request(PIECE) as asked:
        field(page, "Finished width").fill("72")
    saved(page)
    field(page, "Finished width").fill("75")
    saved(page)
    page.goto("/")
    # As it is left behind where nobody answered to the change to 72.
    body = asked.value.post_data_json
    item = {"what": "piece", "piece": asked.value.url.split("/")[-1], "id": "left-behind", "run": "a.1"}
    left = {"rest": body.pop("revision"), "seen": {}, "items": [{**item, "spec": body["spec"], "field": body["field"]}]}
    page.evaluate(KEEP_HERE, [f"unsent/{address.split('/')[-1]}/gone", left])
    page.goto(address)
    expect(page.get_by_role("dialog", name="Changed in two places")).to_be_visible()
    page.get_by_role("button", name="Keep what I typed").click()
    expect(field(page, "Flat width")).to_have_value("216 cm")
    saved(page)
    page.reload()
    expect(field(page, "Flat width")).to_have_value("216 cm")


def test_a_screen_that_is_slow_to_come_says_so_and_is_asked_for_again(page: Page) -> None:
    held: list[Route] = []

    def hold(route: Route) -> None:
        held.append(route)

    page.route("**/assets/further-*.js", hold)
    page.goto("/swatches", wait_until="commit")
    expect(page.get_by_text("One moment…")).to_be_visible()
    for one in held:
        one.abort()
    page.unroute("**/assets/further-*.js")
    expect(page.get_by_role("heading", name="Swatch book")).to_be_visible()
    expect(page.get_by_text("One moment…")).to_have_count(0)
