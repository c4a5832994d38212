"""A lifter away from the club: a set and a film by the own link on a phone, then the coach."""

import av
import numpy as np
import pytest

from tests.browser.test_every_view import check

NAME = "Marlow Teague"


@pytest.fixture(scope="module")
def film(tmp_path_factory):
    """Half a second of grey pictures: a film, though nothing can be measured in it."""
    path = tmp_path_factory.mktemp("afar") / "set.webm"
    with av.open(str(path), "w") as container:
        stream = container.add_stream("libvpx", rate=30)
        stream.width, stream.height, stream.pix_fmt = 640, 360, "yuv420p"
        for shade in range(15):
            grey = np.full((360, 640, 3), 60 + 5 * shade, np.uint8)
            container.mux(stream.encode(av.VideoFrame.from_ndarray(grey, format="bgr24")))
        container.mux(stream.encode())
    return path


def test_a_set_and_a_film_from_a_phone_to_the_floor_and_taken_up(coach, film):
    page = coach
    page.open_lifter(NAME, "Prescribe")
    page.click("Print, files, link")
    page.click("Make a link")
    link = page.find(".made input").get_attribute("value")
    page.resize(390, 844)
    page.driver.get(link)
    page.see("Trained without your coach?")
    page.fill("Load, kg", "131")
    page.fill("RPE", "8")
    page.fill("A note", "alone in the garage")
    page.click("Send it")
    page.see(
        "Sent: it counts once your coach says so.", "squat 5 × 131 kg @ 8", "waits for your coach"
    )
    page.click("A film")
    assert not page.find(".send button[type=submit]").is_enabled(), "nothing is sent without a yes"
    page.find(".send input[type=file]").send_keys(str(film))
    page.click_label("My coach and whoever coaches in this club")
    page.click("Send it")
    page.see("Sent: your coach sees it.", "film, squat 131 kg")
    assert page.wider_than_the_screen() <= 0
    check(page)

    page.resize(1280, 800)
    page.open("/")
    page.see("A film waits, sent by the lifter", "A set waits, sent by the lifter")
    page.open_lifter(NAME, "Log")
    page.see("Sent by the lifter", "5 × 131 kg @ 8", "“alone in the garage”")
    page.click("Count it")
    page.not_see("Sent by the lifter")
    page.see("5 × 131 kg")
    page.open_lifter(NAME, "Watch")
    page.see("Sent by the lifter")
    check(page)
    page.click("Look at it")
    page.see("Plate, middle.")
    assert page.find(".stage-film video").get_attribute("src").startswith("blob:")
    page.click("Another film")
    page.click("Delete it")
    page.not_see("Sent by the lifter")
    page.driver.get(link)
    page.see("counts", "left out by your coach")
