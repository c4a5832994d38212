"""The eye beside the platform, as a coach uses it: a film in, five taps, the review out."""

from fractions import Fraction

import av
import numpy as np
import pytest
from selenium.webdriver import ActionChains
from selenium.webdriver.common.keys import Keys

from pavrik.demo.made_up import made_up, shot
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.scene import Looks
from pavrik.film.camera.shoot import Stand
from pavrik.film.decode import open_film
from tests.browser.test_every_view import check
from tests.film.filmed import QUICK, rendered

NAME = "Marlow Teague"
TRACKED_S = 90


@pytest.fixture(scope="module")
def phone_film(tmp_path_factory):
    """A set in clothes, light and at a place that nothing else uses, written as another program
    writes it: H.264 with uneven times, as a phone does."""
    of = made_up("squat", "tall man")
    looks = Looks(shirt=(150, 120, 60), tights=(120, 70, 90), light=0.75, seed=77,
                  plate=(46, 52, 48))  # fmt: skip
    stand = Stand(distance_m=4.2, height_m=0.65, yaw=-0.05, shake_px=1.0, size=(960, 540))
    taken = shot(of, {"hips-rise": 0.05}, stand, Pace(reps=1, up_s=1.7), looks)
    folder = tmp_path_factory.mktemp("phone")
    source, target = rendered(taken, folder / "set.webm", of), folder / "set.mp4"
    random = np.random.default_rng(5)
    with open_film(source) as film, av.open(str(target), "w") as container:
        stream = container.add_stream("libx264", rate=30, options=QUICK["libx264"] | {"bf": "0"})
        stream.width, stream.height, stream.pix_fmt = 960, 540, "yuv420p"
        stream.time_base = stream.codec_context.time_base = Fraction(1, 90_000)
        for time_s, picture in film.colours():
            frame = av.VideoFrame.from_ndarray(picture, format="bgr24")
            uneven = time_s + (random.uniform(-0.004, 0.004) if time_s else 0.0)
            frame.pts, frame.time_base = round(uneven * 90_000), stream.time_base
            container.mux(stream.encode(frame))
        container.mux(stream.encode())
    return target, taken


def tap(page, place, size=(960, 540)) -> None:
    """Press a place of the film or picture, given in its own pixels."""
    film = page.find(".stage-film video, .stage-film img")
    box = page.driver.execute_script(
        "const b = arguments[0].getBoundingClientRect(); return [b.width, b.height]", film
    )
    scale = min(box[0] / size[0], box[1] / size[1])
    across, down = ((at - whole / 2) * scale for at, whole in zip(place, size, strict=True))
    ActionChains(page.driver).move_to_element_with_offset(
        film, round(across), round(down)
    ).click().perform()


def to_the_clip(page) -> None:
    page.until(lambda: "clip=" in page.driver.current_url, "the clip", TRACKED_S)
    page.see("Phase by phase")


def test_a_phone_s_film_from_opening_to_the_lifter_s_link(coach, phone_film):
    path, taken = phone_film
    coach.open_lifter(NAME, "Watch")
    coach.see("How to film")
    coach.fill("Load, kg", "140")
    coach.fill("Large plates a side", "2")
    coach.find("input[type=file]").send_keys(str(path))
    coach.see("Plate, middle.")
    coach.until(
        lambda: coach.driver.execute_script(
            "const v = document.querySelector('video'); return v && v.readyState >= 2"
        ),
        "the film",
    )
    taps = taken.taps
    rim = (taps.plate[0] - taps.plate_radius, taps.plate[1])
    for place in (taps.plate, rim, taps.ankle, taps.knee, taps.hip, taps.sleeve_end):
        tap(coach, place)
    coach.see("All points are set")
    check(coach)
    coach.click("Track this film")
    to_the_clip(coach)
    coach.see(
        "one thing to mend",
        "Hips rise first fails",
        "costs",
        "at the size measured",
        "High cannot tell",
    )
    assert coach.find(".picture video").get_attribute("src").startswith("blob:")
    check(coach)

    coach.click("tell it by two taps")
    coach.see("Rep 1, deepest picture: tap the crease of the hip")
    for up in (30, 0):
        ActionChains(coach.driver).move_to_element_with_offset(
            coach.find(".depth"), 20, up
        ).click().perform()
    coach.see("tapped; again")
    coach.press(".note .pen", Keys.ENTER)
    coach.press(".own textarea", "Hold the chest over the knees")
    coach.click("Keep")
    coach.see("Hold the chest over the knees", "back to what was measured")
    check(coach)

    coach.click("I see it too")
    coach.see("You see it too.")
    coach.click("Log the set with what you see (1)")
    coach.see("It is in the log; once more amends that set.")
    coach.click("Show it on the lifter’s link")
    coach.see("Hide it from the lifter")
    coach.click("Prescribe")
    coach.click("Print, files, link")
    coach.click("Make a link")
    coach.driver.get(coach.find(".made input").get_attribute("value"))
    coach.see("On film", "Hips rise first: ", "Next “Hold the chest over the knees”")
    check(coach)


@pytest.fixture
def unplayable(phone_film, tmp_path):
    """The same set in a form that this browser does not play."""
    path, taken = phone_film
    target = tmp_path / "set.mov"
    with open_film(path) as film, av.open(str(target), "w") as container:
        stream = container.add_stream("mpeg4", rate=30)
        stream.width, stream.height, stream.pix_fmt = 960, 540, "yuv420p"
        stream.bit_rate = 6_000_000
        for _, picture in film.colours():
            container.mux(stream.encode(av.VideoFrame.from_ndarray(picture, format="bgr24")))
        container.mux(stream.encode())
    return target, taken.taps


def test_a_film_that_this_browser_cannot_play_is_tapped_picture_by_picture(coach, unplayable):
    path, taps = unplayable
    coach.open_lifter(NAME, "Watch")
    coach.find("input[type=file]").send_keys(str(path))
    coach.see("This browser cannot play the film")
    coach.click("Send it to be shown as single pictures")
    coach.see("the picture at 0.0 s", "Plate, middle.")
    coach.until(lambda: coach.find(".stage-film img").size["height"] > 100, "the picture")
    rim = (taps.plate[0] - taps.plate_radius, taps.plate[1])
    for place in (taps.plate, rim, taps.ankle, taps.knee, taps.hip, taps.sleeve_end):
        tap(coach, place)
    coach.see("All points are set")
    coach.click("+1 s")
    coach.see("the picture at 1.0 s")
    check(coach)
    coach.click("−1 s")
    coach.see("the picture at 0.0 s")
    coach.click("Track this film")
    to_the_clip(coach)
    coach.see("Hips rise first fails", "The film is not kept")


def test_the_simulated_phone_films_and_the_taps_are_looked_at_by_keyboard(coach):
    coach.open_lifter("Ingrid Vastergaard", "Watch")
    coach.click("deadlift")
    coach.click("The simulated phone")
    coach.click("bar off the legs")
    coach.fill("Load, kg", "110")
    coach.press(".simulated input[type=range]", Keys.HOME)
    coach.click("Film a set")
    coach.until(lambda: "All points are set" in coach.text(), "the film", TRACKED_S)
    coach.click("Knee, set: set it anew")
    coach.see("Knee. The knee’s middle")
    mark = coach.all(".stage-film .mark")
    assert len(mark) == 5
    coach.press(".stage-film", Keys.ARROW_RIGHT, Keys.ARROW_UP, Keys.ENTER)
    coach.see("All points are set")
    coach.click("Knee, set: set it anew")
    coach.click("Another film")
    coach.see("No phone at hand?")


def test_a_film_that_ships_is_opened_and_tracked(coach):
    coach.open_lifter("Ingrid Vastergaard", "Watch")
    coach.click("The simulated phone")
    coach.see("two clean pulls from the side")
    coach.press(".ready .v-btn", Keys.ENTER)
    coach.see("All points are set")
    coach.click("Track this film")
    to_the_clip(coach)
    coach.see("simulated film")


def test_a_clip_is_walked_through_by_keys_and_laid_beside_another(coach):
    coach.open_lifter(NAME, "Watch")
    coach.see("newest first")
    coach.find(".clips button").click()
    coach.see("Phase by phase", "Rep by rep", "The film is not kept")
    first = coach.find(".keys .now").text
    coach.find("body").send_keys(".")
    coach.until(lambda: coach.find(".keys .now").text != first, "the next picture")
    coach.find("body").send_keys(",")
    coach.until(lambda: coach.find(".keys .now").text == first, "the picture before")
    coach.click("out of the hole")
    coach.until(lambda: coach.find(".keys .now").text != first, "the phase")
    coach.until(lambda: len(coach.all(".beside option")) > 1, "earlier clips")
    option = coach.all(".beside option")[1].text
    coach.choose("Earlier", option)
    coach.see("Share of the way up 25 %", "Hip above floor")
    check(coach)
    coach.resize(390, 844)
    check(coach)


def test_what_is_no_film_is_told(coach, tmp_path):
    broken = tmp_path / "broken.mp4"
    broken.write_bytes(b"no film at all")
    coach.open_lifter(NAME, "Watch")
    coach.find("input[type=file]").send_keys(str(broken))
    coach.see("This browser cannot play the film.")
    coach.click("Another film")
    coach.see("How to film")
