"""Take docs/screenshots from a running Pavrik with the demo club, at 1280x800.

Run it as ``.venv/bin/python tools/screenshots.py [http://127.0.0.1:8460] [view ...]``.
"""

import base64
import shutil
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path

sys.path.insert(0, str(Path(__file__).parents[1]))

from selenium.webdriver import ActionChains, Chrome, ChromeOptions
from selenium.webdriver.chrome.service import Service

from tests.browser.conftest import FLAGS
from tests.browser.page import Page

FOLDER = Path(__file__).parents[1] / "docs" / "screenshots"
LIFTER = "Marlow Teague"


def _stage(stage: str, *ready: str, name: str = LIFTER) -> Callable[[Page], None]:
    def go(page: Page) -> None:
        page.open_lifter(name, stage)
        page.see(*ready)

    return go


def _floor(page: Page) -> None:
    page.open("/")
    page.see("need you")


def _gym(page: Page) -> None:
    page.open("/gym")
    page.see("Schools of the club")


def _library(page: Page) -> None:
    page.open("/library")
    page.see("Own entries")


def _shapes(page: Page) -> None:
    page.open("/shapes/wave")
    page.see("Wave: three rising weeks", "build")
    page.click("Make it our own")
    page.see("Write it like")
    page.find(".outline g rect").click()
    page.see("Week 1")


def _variations(page: Page) -> None:
    page.open_lifter("Bastien Okafor-Lund", "Prescribe")
    page.click("Variations")
    page.see("Competition squat")
    page.click("high-bar squat")


def _group(page: Page) -> None:
    page.open("/platform")
    for name in (LIFTER, "Ingrid Vastergaard", "Bastien Okafor-Lund", "Petra Amaro"):
        page.click_label(name)
    page.click("Start with 4")
    page.see("Keep the set")


def _filmed(page: Page, view: str = "The side", fault: str = "hips up before the bar") -> None:
    page.open_lifter(LIFTER, "Watch")
    page.click(view)
    page.click("The simulated phone")
    page.click(fault)
    page.fill("Load, kg", "150")
    page.click("Film a set")
    page.until(lambda: "All points are set" in page.text(), "the film", FILMED_S)


def _tapped(page: Page) -> None:
    _filmed(page)
    page.click("Knee, set: set it anew")
    page.see("Knee.")
    film = page.find(".stage-film video")
    ActionChains(page.driver).move_to_element_with_offset(film, -6, 6).perform()


def _clip(page: Page) -> None:
    _filmed(page)
    _tracked(page)


def _clip_rear(page: Page) -> None:
    _filmed(page, "Behind", "hips to the left out of the hole")
    _tracked(page)


def _link(page: Page) -> None:
    page.open_lifter(LIFTER, "Prescribe")
    page.click("Print, files, link")
    page.click("Make a link")
    page.resize(390, 844)
    page.driver.get(page.find(".made input").get_attribute("value"))
    page.see("Trained without your coach?")


def _tracked(page: Page) -> None:
    page.click("Track this film")
    page.until(lambda: "clip=" in page.driver.current_url, "the clip", FILMED_S)
    page.see("Phase by phase")
    page.click("out of the hole")
    page.driver.execute_script("window.scrollTo(0, 0)")
    shown = (
        "const v = document.querySelector('.picture video'); return v.currentTime > 1 && !v.seeking"
    )
    page.until(lambda: page.driver.execute_script(shown), "the picture of the phase")
    page.driver.execute_async_script(
        "const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(done))"
    )


FILMED_S = 90
VIEWS: dict[str, Callable[[Page], None]] = {
    "floor": _floor,
    "lifter": _stage("Lifter", "Schools"),
    "measure": _stage("Measure", "Mobility screens", "What it does to the squat. "),
    "squat": _stage("Squat", "Hands and rack", "hooks in hole", "What a wrong choice costs"),
    "squat-infeasible": _stage("Squat", "Hands and rack", "cannot be held", name="Dov Harrowgate"),
    "deadlift": _stage("Deadlift", "Off the floor", "What a wrong choice costs"),
    "gym": _gym,
    "log": _stage("Log", "Keep the set"),
    "prescribe": _stage("Prescribe", "Print, files, link", name="Bastien Okafor-Lund"),
    "variations": _variations,
    "review": _stage("Review", "Estimated max", name="Bastien Okafor-Lund"),
    "library": _library,
    "shapes": _shapes,
    "platform": _group,
    "watch": _tapped,
    "clip": _clip,
    "clip-rear": _clip_rear,
    "link": _link,
    "card": _stage("Card", "The card in the pocket", "Stop at sharp"),
}


def main(address: str, wanted: list[str]) -> None:
    FOLDER.mkdir(parents=True, exist_ok=True)
    profile = tempfile.mkdtemp()
    options = ChromeOptions()
    options.binary_location = "/usr/bin/chromium"
    for flag in (*FLAGS, f"--user-data-dir={profile}"):
        options.add_argument(flag)
    driver = Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    page = Page(driver, address)
    page.resize(1280, 800)
    page.enter_demo()
    for name in wanted or VIEWS:
        page.resize(1280, 800)
        VIEWS[name](page)
        picture = driver.execute_cdp_cmd("Page.captureScreenshot", {"format": "png"})["data"]
        (FOLDER / f"{name}.png").write_bytes(base64.b64decode(picture))
    driver.quit()
    shutil.rmtree(profile, ignore_errors=True)


if __name__ == "__main__":
    given = sys.argv[1:]
    first = given[0] if given and given[0].startswith("http") else "http://127.0.0.1:8460"
    main(first, [view for view in given if not view.startswith("http")])
