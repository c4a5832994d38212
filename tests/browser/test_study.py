"""The bench's findings: goal, faults, map, path, depth, why not, history, the gym's racks."""

from selenium.webdriver.common.keys import Keys

from tests.browser.test_bench import open_bench, stance_cm


def test_sureness_is_drawn_while_the_coach_looks(coach):
    coach.open_lifter("Theo Rowan-Mbali", "Measure")
    coach.click("Floor to ankle bone")
    coach.fill("First", "7.2")
    coach.fill("Second", "7.3")
    coach.click("Keep these readings")
    coach.see("1 of 12")
    coach.click("Squat")
    coach.see("Predicted max")
    coach.until(lambda: coach.all(".chance"), "chances after the bodies are drawn")


def test_a_fault_has_a_price_and_a_ghost(coach):
    open_bench(coach)
    coach.click("Faults")
    coach.see("Hips rise first", "hips 5 cm up", "one leg bears")
    before = len(coach.all("g.ghost"))
    coach.click("Hips rise first")
    coach.until(lambda: len(coach.all("g.ghost")) == before + 1, "the disturbed pose as a ghost")


def test_the_map_is_read_and_moved_by_keyboard_and_mouse(coach):
    open_bench(coach)
    coach.click("Map")
    cross = '[aria-label="Set-up on the map"]'
    before = coach.find(cross).get_attribute("aria-valuetext")
    assert "limit" in before
    stance = stance_cm(coach)
    coach.press(cross, Keys.ARROW_LEFT)
    coach.until(lambda: stance_cm(coach) == stance - 2, "two centimetres narrower")
    bar = before.split()[0]
    coach.press(cross, Keys.ARROW_UP)
    coach.until(
        lambda: not coach.find(cross).get_attribute("aria-valuetext").startswith(bar), "another bar"
    )
    coach.click("toes")
    coach.until(lambda: "°" in coach.find(cross).get_attribute("aria-valuetext"), "the toes' map")


def test_compare_then_settle_with_a_reason_and_find_it_in_the_history(coach):
    open_bench(coach)
    coach.press("body", "p")
    coach.press('[aria-label="Stance, ankle to ankle"]', Keys.SHIFT, Keys.ARROW_LEFT)
    coach.see("Against A", "predicted", "hip arm")
    coach.click("Settle")
    coach.fill("Why", "Narrower on purpose")
    coach.click("Settle and write the card")
    coach.not_see("Settle and write the card")
    coach.until(lambda: coach.all(".tabs"), "the findings")
    coach.driver.find_element("id", "tab-history").click()
    coach.see("“Narrower on purpose”", "in force")


def test_why_not_names_what_binds_and_what_opens(coach):
    open_bench(coach, "Dov Harrowgate")
    coach.click("Why not middle bar?")
    coach.see("The smallest change that opens it", "heel raised")


def test_the_goal_moves_the_order_in_the_open(coach):
    open_bench(coach, "Maximiliane-Theodora Featherstone-Quartermaine van der Veldt")
    coach.click("Goal")
    coach.see("for muscle", "Learning ladder")
    coach.press("#w-learning", Keys.END)
    coach.see("your weights")


def test_depth_and_path_answer_for_the_live_set_up(coach):
    open_bench(coach)
    coach.click("Depth")
    coach.see("A centimetre deeper costs", "competition depth")
    coach.click("Path")
    coach.see("1.5 times body mass", "today")


def test_a_yoke_bar_goes_on_the_bench(coach):
    open_bench(coach)
    coach.choose("Bar", "Yoke bar")
    coach.see("hands on the handles")


def test_a_club_without_a_rack_is_asked_for_one_and_gets_its_holes(coach):
    coach.open("/gym")
    coach.see("Schools of the club", "North rack")
    for rack in ("Chimney rack", "North rack"):
        row = f'[aria-label="take out {rack}"]'
        coach.click(f"take out {rack}")
        coach.see(f"Taken out: {rack}")
        coach.click("Put it back")
        coach.until(lambda row=row: coach.all(row), f"{rack} to come back")
        coach.not_see("Taken out")
        coach.click(f"take out {rack}")
        coach.until(lambda row=row: not coach.all(row), f"{rack} to go")
    coach.see("No rack is recorded")
    open_bench_without_rack(coach)
    coach.open("/gym")
    coach.click("Measure a rack")
    values = {
        "Name of the rack": "Loft rack", "Holes": "26", "First hole": "55", "Pitch": "5",
        "Lip": "3", "Room": "118",
    }  # fmt: skip
    for label, value in values.items():
        coach.fill(label, value)
    coach.click("Keep the rack")
    coach.see("1 rack, ")
    open_bench(coach)
    coach.see("Loft rack", "hooks in hole")


def open_bench_without_rack(coach):
    coach.open_lifter("Marlow Teague", "Squat")
    coach.see("Hands and rack", "Measure a rack")
