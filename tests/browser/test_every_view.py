"""Every view: no serious accessibility violation, nothing wider than the window."""

import pytest
from selenium.webdriver.common.keys import Keys

STAGES = ("Lifter", "Measure", "Squat", "Deadlift", "Log", "Prescribe", "Review", "Watch", "Card")
READY = {
    "Lifter": "Schools",
    "Measure": "Mobility screens",
    "Squat": "Hands and rack",
    "Deadlift": "Styles side by side",
    "Log": "Keep the set",
    "Prescribe": "Keep this plan",
    "Review": "Estimated max",
    "Watch": "How to film",
    "Card": "The card in the pocket",
}
LONG_NAME = "Maximiliane-Theodora Featherstone-Quartermaine van der Veldt"


def check(page) -> None:
    assert page.serious_violations() == []
    assert page.wider_than_the_screen() <= 0


@pytest.mark.parametrize("width", [1280, 390])
def test_the_door_and_the_floor(page, width):
    page.resize(width, 800)
    page.open("/")
    page.see("Enter the demo club")
    check(page)
    page.enter_demo()
    check(page)


@pytest.mark.parametrize("width", [1280, 390])
@pytest.mark.parametrize("stage", STAGES)
def test_every_stage_even_with_a_long_name(coach, stage, width):
    coach.resize(width, 800)
    coach.open_lifter(LONG_NAME, stage)
    coach.see(READY[stage])
    check(coach)


@pytest.mark.parametrize("stage", ["Squat", "Deadlift"])
@pytest.mark.parametrize("width", [390, 700])
def test_on_a_phone_nothing_lies_over_anything(coach, stage, width):
    coach.resize(width, 844)
    coach.open_lifter("Marlow Teague", stage)
    coach.see(READY[stage], "predicted")
    parts = (".over-figure", ".side-view", ".feet", ".phases", ".findings .tabs", "[role=tabpanel]")
    drawn = (".side-view", ".feet", ".tabs")
    coach.until(lambda: all(coach.all(part) for part in drawn), "the figure, the feet, the tabs")
    assert coach.overlapping(*parts) == []


@pytest.mark.parametrize("tab", ["goals", "costs", "map", "path", "depth", "history"])
def test_every_finding_of_the_bench(coach, tab):
    coach.open_lifter("Marlow Teague", "Squat")
    coach.see("Hands and rack")
    coach.find(f"#tab-{tab}").click()
    coach.until(lambda: "Computing" not in coach.text(), "the finding")
    check(coach)


@pytest.mark.parametrize("tab", ["facts", "costs", "map", "history"])
def test_every_finding_of_the_start_bench(coach, tab):
    coach.open_lifter("Marlow Teague", "Deadlift")
    coach.see("Styles side by side", "predicted")
    coach.find(f"#tab-{tab}").click()
    coach.until(lambda: "Computing" not in coach.text(), "the finding")
    check(coach)


@pytest.mark.parametrize("width", [1280, 390])
def test_the_gym(coach, width):
    coach.resize(width, 800)
    coach.open("/gym")
    coach.see("Schools of the club")
    check(coach)


@pytest.mark.parametrize("width", [1280, 390])
def test_the_library(coach, width):
    coach.resize(width, 800)
    coach.open("/library")
    coach.see("Own entries")
    coach.find(".fault").click()
    coach.see("Common practice, no source")
    check(coach)


def test_an_address_that_leads_nowhere(coach):
    coach.open("/nowhere/at/all")
    coach.see("There is nothing at this address", "Back to the floor")


def test_the_card_prints_without_the_frame(coach):
    coach.open_lifter("Marlow Teague", "Card")
    coach.see("The card in the pocket")
    coach.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"media": "print"})
    shown = [nav.is_displayed() for nav in coach.all("nav")]
    coach.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"media": ""})
    assert shown == [False]


def test_a_few_letters_lead_anywhere(coach):
    coach.press("body", "/")
    coach.keys(*"mar pre", Keys.ENTER)
    coach.until(lambda: coach.driver.current_url.endswith("/prescribe"), "the stage")
    coach.press("body", "/")
    coach.keys(*"hips rise")
    coach.see("in Marlow Teague’s log", "in the library")
    assert coach.serious_violations() == []
    coach.keys(Keys.ARROW_DOWN, Keys.ENTER)
    coach.see("61 faults", "Common practice, no source")
    coach.press("body", "/")
    coach.keys(*"zzz")
    coach.see("Nothing is called so")
    coach.keys(Keys.ESCAPE)
    coach.not_see("Nothing is called so")


def test_the_sheets_that_open_over_a_view(coach):
    coach.press("body", "?")
    coach.see("this sheet")
    assert coach.serious_violations() == []
    coach.click("Close")
    coach.open_lifter("Marlow Teague", "Squat")
    coach.see("Hands and rack")
    coach.click("Settle")
    coach.see("Settle on")
    assert coach.serious_violations() == []
