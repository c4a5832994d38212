"""The start bench: styles side by side, dragging, the natural start, faults, map, settling."""

from selenium.webdriver.common.keys import Keys

FEET = '[aria-label="Feet to bar"]'
SHOULDERS = '[aria-label="Shoulders over the bar"]'
HIPS = '[aria-label="Hips, up or down"]'
HANDS = '[aria-label="Hands, middle to middle"]'
STANCE = '[aria-label="Stance, ankle to ankle"]'


def open_pull(page, name: str = "Bastien Okafor-Lund") -> None:
    page.open_lifter(name, "Deadlift")
    page.see("Styles side by side", "predicted")


def shown_max(page) -> str:
    return page.find(".live-max .big").text


def test_styles_stand_side_by_side_with_back_angles_and_the_coachs_rule(coach):
    open_pull(coach)
    coach.see("Conventional", "Sumo", "Trap bar, low", "The coach's rule", "Both lifts")
    coach.until(lambda: len(coach.all(".rank .trunk")) >= 4, "back angles of four styles")
    coach.click("Conventional")
    coach.until(lambda: "Conventional" in coach.find("select").text, "the style on the bench")


def test_a_goal_reorders_the_styles_and_puts_its_choice_on_the_bench(coach):
    open_pull(coach)
    coach.click("Goal")
    coach.see("Most weight", "Sparing a joint", "comes first", "Learning ladder")
    chosen = "return document.querySelector('select').selectedOptions[0].text"
    last = coach.all(".scores button")[-1]
    name = last.find_element("css selector", "b").text
    assert coach.driver.execute_script(chosen) != name
    last.click()
    coach.until(lambda: coach.driver.execute_script(chosen) == name, f"{name} on the bench")
    assert coach.serious_violations() == []


def test_the_start_answers_hands_and_keys_and_undoes(coach):
    open_pull(coach)
    first = shown_max(coach)
    coach.press(FEET, Keys.ARROW_RIGHT)
    coach.until(lambda: shown_max(coach) != first, "another predicted max")
    coach.press("body", "u")
    coach.until(lambda: shown_max(coach) == first, "the start before")
    before = coach.find(STANCE).get_attribute("aria-valuenow")
    coach.drag(STANCE, -16, 0)
    coach.until(lambda: coach.find(STANCE).get_attribute("aria-valuenow") != before, "a stance")
    coach.press(HANDS, Keys.ARROW_RIGHT)
    coach.press("body", "p")
    coach.press(FEET, Keys.ARROW_RIGHT)
    coach.see("Against A", "travel")


def test_a_start_that_is_too_low_has_the_natural_one_and_a_rise(coach):
    open_pull(coach)
    coach.click("Start")
    coach.see("Natural start.", "rise that much before the plates leave", "Slack trainer")
    ghosts = len(coach.all("g.ghost"))
    assert ghosts >= 1
    coach.press(SHOULDERS, Keys.SHIFT, Keys.ARROW_LEFT)
    coach.press(HIPS, Keys.SHIFT, Keys.ARROW_DOWN)
    coach.until(lambda: len(coach.all("g.ghost")) > ghosts, "the low start as a ghost")


def test_feet_too_far_are_named_and_cannot_be_settled(coach):
    open_pull(coach)
    coach.choose("Style", "Sumo")
    coach.fill("Ahead", "9")
    coach.keys(Keys.ENTER)
    coach.see("Cannot be held as drawn", "tep nearer to the bar")
    settle = next(b for b in coach.all("button") if b.text == "Settle")
    assert not settle.is_enabled()


def test_faults_have_prices_and_the_map_moves_the_start(coach):
    open_pull(coach)
    coach.click("Faults")
    coach.see("What a fault costs", "hips 6 cm up before the plates leave", "for nothing")
    coach.click("Map")
    cross = '[aria-label="Set-up on the map"]'
    stance = coach.find(STANCE).get_attribute("aria-valuenow")
    coach.press(cross, Keys.ARROW_LEFT)
    coach.until(lambda: coach.find(STANCE).get_attribute("aria-valuenow") != stance, "the stance")


def test_the_way_to_lockout_is_walked(coach):
    open_pull(coach)
    coach.press('[aria-label="Way of the lift"]', Keys.END)
    coach.until(
        lambda: coach.find(".way .on").text.startswith("Lockout"), "the last phase of the pull"
    )


def test_settling_a_pull_writes_the_card(coach):
    open_pull(coach, "Petra Amaro")
    coach.click("Settle")
    coach.fill("Why", "Back stays flat here")
    coach.click("Settle and write the card")
    coach.not_see("Settle and write the card")
    coach.click("Card")
    coach.see("Deadlift,", "Feet to bar", "Slack first, then the floor")


def test_a_body_that_cannot_pull_from_the_floor_reads_why(coach):
    coach.open_lifter("Dov Harrowgate", "Measure")
    coach.click("Deepest squat with a neutral back")
    coach.find('[aria-label="Deepest squat with a neutral back, reading 1"]').send_keys("104")
    coach.click("Keep Deepest squat with a neutral back")
    coach.see("104°")
    coach.click("Deadlift")
    coach.see("Why not conventional?")
    coach.click("Why not conventional?")
    coach.see("The smallest change that opens it", "on blocks")
