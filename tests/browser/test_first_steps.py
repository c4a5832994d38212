"""From nothing to a set-up, a plan with kilos and a card: what a newcomer has to press and type."""

import re

import pytest

from tests.browser.page import Page

MOST_INPUTS = 60
KILOS = re.compile(r"\d+×\d+ · \d{2,3}(\.5)?\b")
COUNTED = ("click", "click_label", "fill", "choose")


@pytest.fixture
def hands(page, monkeypatch) -> list[str]:
    """Everything that is pressed or typed, in order."""
    done: list[str] = []
    for name in COUNTED:
        act = getattr(Page, name)

        def counted(self, text, *more, act=act):
            done.append(text)
            return act(self, text, *more)

        monkeypatch.setattr(Page, name, counted)
    return done


def test_a_newcomer_gets_to_a_card_and_a_plan_with_kilos_in_sixty_inputs(page, hands):
    page.open("/")
    page.start_club(
        "Weighbridge", "Ottilie Farr", "ottilie@weighbridge.example", "a lift is a lift"
    )
    page.see("An empty floor.", "First steps", "Add the first lifter", "Measure a rack")
    assert page.serious_violations() == []
    page.click("Not now: Measure a rack")
    page.not_see("Measure a rack")

    page.click("Add the first lifter")
    page.fill("Name", "Radmila Sands")
    page.fill("Body mass", "70")
    page.fill("Stature", "168")
    page.click("Add, then measure")
    page.see("still estimated from stature")
    page.click("Fit the squat")
    page.see("Predicted max", "Strengths are assumptions")
    page.click("Settle")
    page.click("Settle and write the card")
    page.not_see("Settle and write the card")

    page.click("Lifter")
    for exercise, kg in (("low bar squat", "100"), ("conventional deadlift", "120")):
        page.click("Tell a best or a test")
        page.choose("What", exercise)
        page.fill("kg", kg)
        page.click("Keep")
        page.see(f"{kg} kg")

    page.click("Prescribe")
    page.see("How long, which days, to which meet?", "Keep this plan")
    page.click("Keep this plan")
    page.see("Print, files, link")
    told = [cell.text for cell in page.all(".cell")]
    assert sum(bool(KILOS.search(text)) for text in told) > len(told) / 2, told[:3]
    page.click("Card")
    page.see("Radmila Sands", "Stop at sharp, radiating or new pain")
    assert len(hands) <= MOST_INPUTS, f"{len(hands)}: {hands}"
