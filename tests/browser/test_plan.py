"""The story of a plan in the browser: diagnosis, variations, plan, edits, card, log."""

from datetime import UTC, datetime, timedelta

import psycopg
from selenium.webdriver.common.keys import Keys

NAME = "Petra Amaro"
WEEKDAYS = ("Mon", "Tue", "Wed", "Thu", "Fri", "Sat", "Sun")


def today() -> str:
    return WEEKDAYS[datetime.now(UTC).weekday()]


def set_date(page, label, value):
    """Set a date field as a hand on a picker would."""
    page.driver.execute_script(
        """const [input, value] = arguments
           input.value = value
           input.dispatchEvent(new Event('input', { bubbles: true }))
           input.dispatchEvent(new Event('change', { bubbles: true }))""",
        page.field(label),
        value,
    )


def press_day(page, name: str, on: bool) -> None:
    """Switch a training day on or off."""
    button = page.until(
        lambda: next(b for b in page.all("fieldset button") if b.text == name), f"the day {name}"
    )
    if (button.get_attribute("aria-pressed") == "true") != on:
        button.click()


def make_plan_from_today(page) -> None:
    page.see("How long, which days, to which meet?")
    start = datetime.now(UTC).date()
    set_date(page, "Start", str(start))
    for name in WEEKDAYS:
        if name == today():
            press_day(page, name, True)
    for name in WEEKDAYS:
        if name != today():
            press_day(page, name, False)
    page.see("Keep this plan")
    page.until(lambda: len(page.all(".cell")) == 8, "one day a week for eight weeks")
    page.click("Keep this plan")
    page.see("Print, files, link")


def test_from_diagnosis_to_plan_to_edit_to_card_to_log(coach):
    page = coach
    page.open_lifter(NAME, "Review")
    page.see("Too deep")
    page.click("Why, and what to do")
    page.see("Test:")
    page.open_lifter(NAME, "Prescribe")
    make_plan_from_today(page)
    page.see("Today:", "Start on the platform")
    special = page.until(lambda: page.all(".work.special"), "a special")[0]
    assert "too deep in" in special.text
    page.click("change")
    page.fill("Load", "50")
    page.fill("Because", "first day after a flu")
    page.click("Set this")
    page.see("Ysolde Brackenbury sets 50 kg: first day after a flu", "By hand: 1")
    page.click("Add a line")
    page.fill("What", "Bench press")
    page.click("Add it")
    page.see("Ysolde Brackenbury adds this", "By hand: 2")
    page.find("body").send_keys(Keys.CONTROL, "z")
    page.see("By hand: 1")
    page.not_see("Ysolde Brackenbury adds this")
    page.click("Add a day")
    set_date(page, "On", str(datetime.now(UTC).date() + timedelta(days=1)))
    page.click("Add it")
    page.see("By hand: 2", "Bench press")
    page.click("Start on the platform")
    page.see("Keep the set", "Today's plan")
    assert page.field("Load").get_attribute("value") == "50"
    page.click("Good")
    page.click("Keep the set")
    page.see("1 of 4 done")
    page.open_lifter(NAME, "Card")
    page.see("Squat, ", "Deadlift, ", "licensed clinician")


def test_the_variation_table_leads_from_a_reason_to_the_log_and_takes_a_word(coach):
    page = coach
    page.open_lifter("Bastien Okafor-Lund", "Prescribe")
    page.click("Variations")
    page.see("Competition squat", "in the plan")
    page.click("front squat")
    page.see("Not chosen", "Upper back")
    page.fill("Because", "liked it last year")
    page.click("Use it")
    page.see("Ysolde Brackenbury asks for it: liked it last year")
    page.click("what the log says of it")
    page.see("What the log says")


def test_what_was_logged_since_is_followed_with_a_readable_difference(coach, server, demo_name):
    page = coach
    page.open_lifter("Dov Harrowgate", "Prescribe")
    page.see("How long, which days, to which meet?")
    start = datetime.now(UTC).date() - timedelta(days=7)
    set_date(page, "Start", str(start))
    monday = start + timedelta(days=-start.weekday() % 7)
    page.see(f"{monday:%a} {monday.day} {monday:%b}")
    page.click("Keep this plan")
    page.see("Print, files, link")
    lifter = page.driver.current_url.split("/lifters/")[1].split("/")[0]
    with psycopg.connect(server.owner_url(demo_name), autocommit=True) as connection:
        connection.execute(
            "update training_set set load_kg = load_kg * 0.9 where lifter_id = %s", (lifter,)
        )
    page.driver.refresh()
    page.see("lines would change")
    page.find("summary").click()
    page.see("expected")
    page.click("Let the plan follow")
    page.not_see("lines would change")
    page.see("Changed before: 1 version")


def test_a_link_opens_the_card_on_a_phone_without_a_session_until_it_is_closed(coach):
    page = coach
    page.open_lifter("Marlow Teague", "Prescribe")
    page.click("Print, files, link")
    page.click("Make a link")
    address = page.find(".made input").get_attribute("value")
    lifters_page = page.driver.current_url
    page.driver.execute_cdp_cmd("Network.clearBrowserCookies", {})
    page.resize(390, 844)
    page.driver.get(address)
    page.see("This link is yours until", "Squat, ", "Hands", "Trained without your coach?")
    assert page.wider_than_the_screen() <= 0
    assert page.serious_violations() == []
    page.resize(1280, 800)
    page.enter_demo()
    page.driver.get(lifters_page)
    page.click("Print, files, link")
    page.click("close it")
    page.see("No link is open")
    page.driver.get(address)
    page.see("did not load", "ask your coach for a new one")


def test_every_view_of_prescribe_is_sound_at_both_widths(coach):
    page = coach
    for view, ready in (
        ("plan", "Hard sets by muscle"),
        ("variations", "Competition"),
        ("load", "Way up"),
    ):
        page.resize(1280, 800)
        page.open_lifter("Bastien Okafor-Lund", "Prescribe")
        page.driver.get(page.driver.current_url.split("?")[0] + f"?view={view}")
        page.see(ready)
        for width in (1280, 390):
            page.resize(width, 844)
            assert page.serious_violations() == [], (view, width)
            assert page.wider_than_the_screen() <= 0, (view, width)
