"""The squat bench answers hands and keys, says why not, and remembers what was tried."""

from selenium.webdriver.common.keys import Keys

STANCE = '[aria-label="Stance, ankle to ankle"]'
TOES = '[aria-label="Toes out"]'
BAR = '[aria-label="Bar on the back"]'
HEEL = '[aria-label="Heel"]'


def shown_max(page) -> str:
    return page.find(".live-max .big").text


def stance_cm(page) -> int:
    return int(page.find(STANCE).get_attribute("aria-valuenow"))


def open_bench(page, name: str = "Marlow Teague") -> None:
    page.open_lifter(name, "Squat")
    page.see("Predicted max", "Hands and rack")


def test_dragging_a_foot_changes_stance_and_answer(coach):
    open_bench(coach)
    before, first = stance_cm(coach), shown_max(coach)
    coach.drag(STANCE, -16, 0)
    coach.until(lambda: stance_cm(coach) < before - 3, "a narrower stance")
    coach.until(lambda: shown_max(coach) != first, "another predicted max")
    coach.keys("u")
    coach.until(lambda: stance_cm(coach) == before, "the stance before the drag")
    coach.keys("r")
    coach.until(lambda: stance_cm(coach) < before - 3, "the redone drag")


def test_the_whole_bench_works_by_keyboard(coach):
    open_bench(coach)
    before = stance_cm(coach)
    coach.press(STANCE, Keys.ARROW_RIGHT)
    coach.until(lambda: stance_cm(coach) == before + 1, "one centimetre wider")
    coach.press(STANCE, Keys.SHIFT, Keys.ARROW_LEFT)
    coach.until(lambda: stance_cm(coach) == before - 4, "five centimetres narrower")
    bar = coach.find(BAR).get_attribute("aria-valuetext")
    coach.press(BAR, Keys.ARROW_UP)
    coach.until(lambda: coach.find(BAR).get_attribute("aria-valuetext") != bar, "a higher bar")
    coach.press(HEEL, Keys.ARROW_UP)
    coach.until(lambda: "1 cm" in coach.find(HEEL).get_attribute("aria-valuetext"), "a heel")
    coach.press(TOES, Keys.ARROW_RIGHT)
    coach.press("body", "p")
    coach.see("Against A")
    coach.press("body", "?")
    coach.see("nudge the focused handle")


def test_numbers_open_into_their_formula(coach):
    open_bench(coach)
    coach.find(".use").click()
    coach.see("strengths are assumptions, or inferred from the lifter's own lifts")
    coach.find(".live-max .linkish").click()
    coach.see("is the load at which")


def test_an_infeasible_lifter_reads_why_and_what_would_help(coach):
    open_bench(coach, "Dov Harrowgate")
    coach.see("cannot be held", "raise the heel")
    coach.fill("Heel", "0")
    coach.keys(Keys.ENTER)
    coach.see("Cannot be held as drawn")
    assert coach.all(".reasons li")


def test_pounds_and_inches_change_what_is_read_not_what_is_kept(coach):
    open_bench(coach)
    in_kg = float(shown_max(coach))
    coach.click("kg, cm: switch")
    coach.see("lb predicted")
    assert abs(float(shown_max(coach)) - in_kg / 0.45359237) < 2.5
    coach.click("lb, in: switch")
    coach.see("kg predicted")


def test_a_dead_server_is_said_and_the_bench_comes_back(coach, pavrik):
    open_bench(coach)
    pavrik.stop()
    coach.press(STANCE, Keys.ARROW_RIGHT)
    coach.see("What you entered is kept here")
    pavrik.start()
    coach.click("Try again")
    coach.not_see("What you entered is kept here")
