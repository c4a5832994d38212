"""A coach writes a shape of a season of his own, tries it, keeps it, and plans by it."""

from selenium.webdriver.common.keys import Keys
from selenium.webdriver.support.expected_conditions import alert_is_present


def write(page, label: str, words: str) -> None:
    """Write a cell and leave it."""
    cell = page.find(f'[aria-label="{label}"]')
    cell.send_keys(Keys.CONTROL, "a")
    cell.send_keys(words, Keys.TAB)


def test_an_own_shape_from_a_shipped_one_to_a_plan(coach):
    page = coach
    page.open("/library")
    page.click("read them, write your own")
    page.see("Steady: loads rise, reps fall", "build", "strengthen", "sharpen", "light", "test")
    assert not page.all("textarea"), "what ships is read"
    page.click("Make it our own")
    page.fill("Name", "Fives first")
    write(page, "build, main day, week 1", "five fives")
    page.see("“five fives” is no sets x reps with an effort: write it like 4 x 6 @ 7")
    assert not page.find(".head .v-btn--variant-flat").is_enabled()
    write(page, "build, main day, week 1", "5x5 @ 7,5")
    write(page, "build, main day, week 2", "5 x 5 @ 7")
    page.see("What a coach would ask", "RPE 7 in week 2 after 7.5")
    write(page, "build, main day, week 2", "5 x 5 @ 8")
    page.not_see("What a coach would ask")
    assert page.serious_violations() == []
    page.click("Try it on 6 made-up lifters")
    page.see("of the main loads within three points")
    page.click("Keep")
    page.until(lambda: page.driver.current_url.endswith("/own-fives-first"), "its own address")
    assert page.find('nav [aria-current="page"]').text.startswith("Fives first")
    page.resize(390, 844)
    assert page.wider_than_the_screen() <= 0
    assert page.serious_violations() == []
    page.resize(1280, 800)
    page.open_lifter("Petra Amaro", "Prescribe")
    page.see("How long, which days, to which meet?")
    page.choose("Shape", "Fives first")
    page.until(lambda: " × 5" in page.text(), "fives in the plan")
    page.assert_quiet()


def test_a_shape_that_nobody_here_uses_is_not_offered(coach):
    page = coach
    page.open("/shapes/rotating")
    page.see("Rotating: another main variation")
    page.click("Hide it")
    page.see("Offer it again")
    page.open_lifter("Petra Amaro", "Prescribe")
    page.see("How long, which days, to which meet?")

    def names() -> list[str]:
        options = page.field("Shape").find_elements("tag name", "option")
        return [option.text for option in options]

    page.until(lambda: "Steady" in names(), "the shapes that are offered")
    assert "Rotating" not in names()


def test_a_draft_is_not_lost_without_a_word(coach):
    page = coach
    asked = alert_is_present()
    page.open("/shapes/wave")
    page.click("Make it our own")
    page.fill("In a few words", "other waves")
    page.click("Steady")
    question = page.until(lambda: asked(page.driver), "a question")
    assert question.text.startswith("The draft of this shape is not kept")
    question.dismiss()
    assert page.heading() == "Wave, ours: other waves"
    page.click("Steady")
    page.until(lambda: asked(page.driver), "the question again").accept()
    page.see("Steady: loads rise")
