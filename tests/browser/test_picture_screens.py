"""Pictures of a phone, tapped and measured: a mobility screen, the limbs beside the tape."""

import cv2
import numpy as np
import pytest

from pavrik.demo.people import PEOPLE
from tests.browser.test_watch import tap

SIZE = (900, 1600)
"""Upright and narrow: it is shown with bars beside it."""
ANKLE = (120, 1400)
KNEE = (120 + 400 * np.sin(np.radians(35)), 1400 - 400 * np.cos(np.radians(35)))


@pytest.fixture(scope="module")
def picture(tmp_path_factory):
    """A shin that leans by 35 degrees, drawn upright as a phone takes it."""
    drawn = np.full((SIZE[1], SIZE[0], 3), (196, 204, 210), np.uint8)
    cv2.line(drawn, (0, 1440), (SIZE[0], 1440), (90, 96, 104), 6)
    foot, shin, thigh = (ANKLE, (300, 1430)), (ANKLE, KNEE), (KNEE, (60, 1080))
    for start, end in (foot, shin, thigh):
        ends = [tuple(round(part) for part in at) for at in (start, end)]
        cv2.line(drawn, *ends, (70, 60, 52), 80)
    path = tmp_path_factory.mktemp("picture") / "lunge.jpg"
    assert cv2.imwrite(str(path), drawn)
    return path


def test_an_ankle_is_read_off_a_picture_and_kept_as_a_reading(coach, picture):
    coach.open_lifter("Theo Rowan-Mbali", "Measure")
    coach.see("From a picture", "It stays on this device")
    coach.find(".screens .of-picture input[type=file]").send_keys(str(picture))
    coach.see("Ankle. The bone on the outside.")
    coach.until(lambda: coach.find(".stage-film img").size["height"] > 100, "the picture")
    tap(coach, ANKLE, SIZE)
    coach.see("Knee. The middle of the joint")
    tap(coach, KNEE, SIZE)
    coach.see("The picture shows 35° ± 3°")
    assert coach.serious_violations() == []
    coach.resize(390, 844)
    assert coach.wider_than_the_screen() <= 0
    coach.resize(1280, 800)
    coach.click("Take it as a reading")
    first = coach.find("input[aria-label='Ankle bend, reading 1']")
    coach.until(lambda: first.get_attribute("value") == "35", "the reading in its field")
    coach.click("Keep Ankle bend")
    coach.until(lambda: "35°" in coach.find(".screens").text, "the kept screen")


def standing(segments_m, stature_m, **longer_m):
    """Where the joints of a standing lifter lie in the picture, some limbs longer than they are."""
    metre_px = 1300 / stature_m
    limbs_m = {"upper_arm": 0.33, "forearm": 0.26} | segments_m
    near = {name: (m + longer_m.get(name, 0.0)) * metre_px * 1.039 for name, m in limbs_m.items()}
    ankle = 1450 - 0.08 * metre_px
    knee = ankle - near["shank"]
    hip = knee - near["thigh"]
    shoulder = hip - near["trunk"]
    elbow = shoulder + near["upper_arm"]
    heights = (150, 1450, ankle, knee, hip, shoulder, elbow, elbow + near["forearm"])
    return [(450, round(height)) for height in heights]


def test_a_tape_that_read_another_bone_is_found_by_a_picture(coach, picture):
    person = next(one for one in PEOPLE if one.name == "Marlow Teague")
    coach.open_lifter(person.name, "Measure")
    coach.find(".tape summary").click()
    coach.find(".tape .of-picture input[type=file]").send_keys(str(picture))
    coach.until(lambda: coach.find(".stage-film img").size["height"] > 100, "the picture")
    for place in standing(person.segments_m, person.stature_m, thigh=0.07):
        tap(coach, place, SIZE)
    coach.see("Knee line to hip bone: tape and picture cannot well be of one length")
    rows = [row.text.splitlines()[0] for row in coach.all(".tape tbody tr")]
    assert len(rows) == 5
    assert coach.serious_violations() == []
    coach.resize(390, 844)
    assert coach.wider_than_the_screen() <= 0
