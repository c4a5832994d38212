"""The whole first story, driven as a coach does: limbs in, set-up out, card, log, next load."""

import pytest

NAME = "Wilhelmina Probe"


@pytest.fixture
def newcomer(coach):
    """A lifter who was just added, on the Measure stage."""
    coach.open("/")
    coach.click("Add a lifter")
    coach.fill("Name", NAME)
    coach.fill("Body mass", "165 lb")
    coach.fill("Stature", "5'7")
    coach.click("Add, then measure")
    coach.see("still estimated from stature")
    return coach


def measure(page, landmark: str, *readings: str) -> None:
    page.click(landmark)
    for label, reading in zip(("First", "Second", "Third"), readings, strict=False):
        page.fill(label, reading)
    page.click("Keep these readings")


def test_from_limbs_to_the_next_load(newcomer):
    page = newcomer
    measure(page, "Knee line to hip bone", "41.8", "16.5 in")
    page.see("1 of 12 lengths measured twice")

    page.click("Fit the squat")
    page.see("Predicted max", "Hands and rack", "hooks in hole")
    page.find(".rank")
    page.click("Settle")
    page.fill("Why", "Feels strong and looks the same every time.")
    page.click("Settle and write the card")
    page.not_see("Settle and write the card")

    page.click("Card")
    page.see(NAME, "Stop at sharp, radiating or new pain", "of your feet")

    page.click("Log")
    for load in ("80", "82.5"):
        page.fill("Load", load)
        page.click("Good")
        page.click("out of the hole")
        page.click("Hips rise first")
        page.click("6")
        page.click("Keep the set")
        page.see(f"× {load} kg")

    page.click("Prescribe")
    page.click("One load")
    page.see("“Hips rise first” seen 2 times", "lowered 5% below it")
    page.see("with 76 kg")
    page.click("Prescribe this load")
    page.see("Prescribed; it stands on the floor")


def test_a_length_that_cannot_be_right_is_questioned_and_kept_only_with_a_reason(newcomer):
    page = newcomer
    measure(page, "Ankle bone to knee line", "71", "71.5")
    page.see("standard deviations longer", "measure it again")
    assert page.field("First").get_attribute("value") == "71"
    page.fill("Keep it because", "Checked with a second tape.")
    page.click("Keep these readings")
    page.see("Kept: Checked with a second tape.")


def test_two_readings_apart_ask_for_a_third(newcomer):
    page = newcomer
    page.click("Hip bone to shoulder")
    page.fill("First", "49")
    page.fill("Second", "51.5")
    page.see("take a third, the middle one counts")
    page.fill("Third", "50.9")
    page.click("Keep these readings")
    page.see("50.9 cm 3×")


def test_every_failure_stands_beside_its_field_and_nothing_typed_is_lost(coach):
    page = coach
    page.open("/lifters/new")
    page.fill("Name", "Half Filled")
    page.fill("Body mass", "12")
    page.fill("Stature", "9 m")
    page.click("Add, then measure")
    page.see("the least that is taken, 35 kg (77.2 lb)", "the most that is taken, 220 cm")
    assert page.field("Name").get_attribute("value") == "Half Filled"
    assert page.field("Body mass").get_attribute("value") == "12"


def test_a_wrong_password_is_one_clear_sentence(page):
    page.open("/")
    page.fill("E-mail", "ysolde@kilnlane.example")
    page.fill("Password", "not this one")
    page.click("Sign in")
    page.see("do not match")
    assert page.field("E-mail").get_attribute("value") == "ysolde@kilnlane.example"
