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


def check(page, where: str = "") -> None:
    assert page.serious_violations() == [], where
    assert page.wider_than_the_screen() <= 0, where


PHONE, DESK = 390, 1280


def check_both_widths(page, *seen: str) -> None:
    """A view that was opened on a phone, there and then at a desk."""
    for width in (PHONE, DESK):
        page.resize(width, 800)
        page.see(*seen)
        check(page, f"at {width}")


def open_on_phone(page, path: str) -> None:
    page.resize(PHONE, 800)
    page.open(path)


def test_the_door_and_the_floor(page):
    open_on_phone(page, "/")
    check_both_widths(page, "Enter the demo club")
    page.resize(PHONE, 800)
    page.click("Enter the demo club")
    check_both_widths(page, "lifters need you")


@pytest.mark.parametrize("stage", STAGES)
def test_every_stage_even_with_a_long_name(coach, stage):
    coach.resize(PHONE, 800)
    coach.open_lifter(LONG_NAME, stage)
    check_both_widths(coach, READY[stage])


def test_every_stage_is_reached_from_the_floor_by_what_is_written_there(coach):
    coach.open("/")
    coach.click(LONG_NAME)
    coach.see("Best lifts")
    for stage in STAGES[1:]:
        coach.click(stage)
        address = f"/{stage.lower()}"
        coach.until(lambda at=address: coach.driver.current_url.endswith(at), f"the stage {stage}")
        coach.see(READY[stage])


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


FINDINGS = {
    "Squat": ("goals", "costs", "map", "path", "depth", "history"),
    "Deadlift": ("facts", "costs", "map", "history"),
}


def is_told(text: str) -> bool:
    return text != "" and "Computing" not in text


@pytest.mark.parametrize("stage", FINDINGS)
def test_every_finding_of_both_benches(coach, stage):
    coach.open_lifter("Marlow Teague", stage)
    coach.see(READY[stage], "predicted")
    for tab in FINDINGS[stage]:
        coach.find(f"#tab-{tab}").click()
        panel = f"[role=tabpanel][aria-labelledby=tab-{tab}]"
        coach.until(lambda panel=panel: is_told(coach.find(panel).text), f"the finding {tab}")
        check(coach, tab)


def test_the_gym(coach):
    open_on_phone(coach, "/gym")
    check_both_widths(coach, "Schools of the club")


def test_the_library(coach):
    open_on_phone(coach, "/library")
    coach.see("Own entries")
    coach.find(".fault").click()
    check_both_widths(coach, "Common practice, no source")


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
    coach.open("/")
    coach.see("lifters need you")
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
    coach.open("/")
    coach.see("lifters need you")
    coach.press("body", "?")
    coach.see("this sheet")
    assert coach.serious_violations() == []
    coach.click("Close")
    coach.open_lifter("Marlow Teague", "Squat")
    coach.see("Hands and rack")
    coach.click("Settle")
    coach.see("Settle on")
    assert coach.serious_violations() == []
