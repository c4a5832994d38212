"""How the tests use the page: as a coach does, by what is written on it."""

import json
from collections.abc import Callable
from pathlib import Path
from typing import Any

from selenium.common.exceptions import (
    ElementClickInterceptedException,
    JavascriptException,
    NoSuchElementException,
    StaleElementReferenceException,
    TimeoutException,
)
from selenium.webdriver import Chrome
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait

PATIENCE_S = 60
"""What has not come by then never comes; how long it takes is for the bench to say."""
LOOK_MS = 1000
"""How long the page itself looks for something before it is asked again."""
_NOT_YET = (
    NoSuchElementException,
    StaleElementReferenceException,
    ElementClickInterceptedException,
)
LOOK = """const [given, longest_ms, done] = arguments
  const last = performance.now() + longest_ms
  let changed = true, looks = 0
  const watcher = new MutationObserver(() => { changed = true })
  const all = { subtree: true, childList: true, characterData: true, attributes: true }
  watcher.observe(document, all)
  const look = () => {
    const found = changed || looks++ % 8 === 0 ? WANTED : null
    changed = false
    if (!found && performance.now() < last) return setTimeout(look, 40)
    watcher.disconnect()
    done(found)
  }
  look()"""
"""Looks again where the page changed, and now and then for what shows without a change."""
SHOWN = "document.body?.innerText.includes(given) ?? false"
GONE = "document.body !== null && !document.body.innerText.includes(given)"
CALLED_SO = """[...document.querySelectorAll('a, button')].find((control) => {
    const is = (text) => text.replace(/\\s+/g, ' ').trim() === given
    const parts = [control, ...control.querySelectorAll('*'),
      ...[...control.childNodes].filter((node) => node.nodeType === Node.TEXT_NODE)]
    return (control.getAttribute('aria-label') === given || parts.some((p) => is(p.textContent)))
      && control.checkVisibility({ visibilityProperty: true, opacityProperty: true })
      && !control.disabled
  }) ?? null"""
"""The first link or button that shows and is called so: as a whole, in a part, or by its label."""
AXE = Path(__file__).parents[2] / "web" / "node_modules" / "axe-core" / "axe.min.js"
_EXPECTED_NOISE = ("401", "404", "409", "422", "503", "net::ERR", "Failed to fetch")


class Page:
    """One browser window on Pavrik."""

    def __init__(self, driver: Chrome, address: str) -> None:
        self.driver = driver
        self.address = address

    def until(
        self,
        found: Callable[[], Any],
        what: str | Callable[[], str],
        patience_s: float = PATIENCE_S,
    ) -> Any:
        """Wait until something holds; says what was missing when it never does."""
        wait = WebDriverWait(
            self.driver, patience_s, poll_frequency=0.05, ignored_exceptions=_NOT_YET
        )
        try:
            return wait.until(lambda _: found())
        except TimeoutException as error:
            missing = what if isinstance(what, str) else what()
            raise TimeoutException(f"waited in vain for {missing}:\n{self.text()}") from error

    def forget(self) -> None:
        """Nobody is signed in, and nothing is kept on the device."""
        self.driver.get(self.address + "/mark.svg")
        self.driver.execute_cdp_cmd("Network.clearBrowserCookies", {})
        kept = {"origin": self.address, "storageTypes": "local_storage"}
        self.driver.execute_cdp_cmd("Storage.clearDataForOrigin", kept)
        self.driver.get_log("browser")

    def resize(self, width: int, height: int) -> None:
        """Make the window so large, and wait until the page has drawn itself anew."""
        self.driver.execute_cdp_cmd(
            "Emulation.setDeviceMetricsOverride",
            {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False},
        )
        self.driver.execute_async_script(
            "const done = arguments[0]; requestAnimationFrame(() => requestAnimationFrame(done))"
        )

    def open(self, path: str) -> None:
        self.driver.get(self.address + path)

    def enter_demo(self) -> None:
        self.open("/")
        self.click("Enter the demo club")
        self.see("lifters need you")

    def start_club(self, club: str, name: str, email: str, password: str) -> None:
        self.click("Start your own club")
        for label, value in (
            ("Name of the club", club), ("Your name", name), ("E-mail", email),
            ("Password, 12 characters or more", password),
        ):  # fmt: skip
            self.fill(label, value)
        self.click("Start the club")

    def ask(self, path: str, method: str = "GET") -> Any:
        """What the server answers to whoever is signed in here, who must not be refused."""
        status, text = self.driver.execute_async_script(
            """const [path, method, done] = arguments
               fetch(path, { method }).then(async (answer) => [answer.status, await answer.text()])
                 .catch((error) => [0, String(error)]).then(done)""",
            path,
            method,
        )
        assert 200 <= status < 300, f"{method} {path}: {status} {text}"
        return json.loads(text) if text else None

    def open_lifter(self, name: str, stage: str) -> None:
        """Open a stage of a demo lifter by its address."""
        lifter_id = next(row["lifter_id"] for row in self.ask("/api/floor") if row["name"] == name)
        self.open(f"/lifters/{lifter_id}" + ("" if stage == "Lifter" else f"/{stage.lower()}"))

    def text(self) -> str:
        return str(self.driver.execute_script("return document.body.innerText"))

    def see(self, *texts: str) -> None:
        for text in texts:
            self.until(lambda text=text: self._comes(SHOWN, text), f"“{text}”")

    def not_see(self, text: str) -> None:
        self.until(lambda: self._comes(GONE, text), f"“{text}” to go")

    def _comes(self, wanted: str, given: str) -> Any:
        """What an expression of the page comes to, once it is something: looked at within the page,
        where looking costs least. Nothing where it takes long, or another page came."""
        look = LOOK.replace("WANTED", wanted)
        try:
            return self.driver.execute_async_script(look, given, LOOK_MS)
        except JavascriptException as error:
            if "unloaded" in (error.msg or ""):
                return None
            raise

    def find(self, css: str) -> WebElement:
        found: WebElement = self.until(
            lambda: self.driver.find_element(By.CSS_SELECTOR, css), f"an element {css}"
        )
        return found

    def all(self, css: str) -> list[WebElement]:
        return self.driver.find_elements(By.CSS_SELECTOR, css)

    def click(self, text: str) -> None:
        """Press the first visible link or button that is called so."""

        def press() -> bool:
            control = self._comes(CALLED_SO, text)
            if control is not None:
                control.click()
            return control is not None

        self.until(press, f"a link or button “{text}”")

    def click_label(self, text: str) -> None:
        """Tick the box whose label holds a text."""
        label = self.until(
            lambda: self.driver.find_element(By.XPATH, f"//label[contains(., '{text}')]"), text
        )
        label.find_element(By.TAG_NAME, "input").click()

    def field(self, label: str) -> WebElement:
        """The input whose label is, or starts with, a text."""
        script = """
          const wanted = arguments[0]
          const own = (l) => [...l.childNodes].map((n) => n.textContent).join(' ').trim()
          for (const label of document.querySelectorAll('label')) {
            if (!own(label).startsWith(wanted) || !label.checkVisibility()) continue
            const input = label.control ?? label.querySelector('input, select, textarea')
            if (input) return input
          }
          return null"""
        found: WebElement = self.until(
            lambda: self.driver.execute_script(script, label), f"a field “{label}”"
        )
        return found

    def fill(self, label: str, value: str) -> None:
        """Write into a field; where the page put another in its place meanwhile, into that."""

        def written() -> bool:
            field = self.field(label)
            field.send_keys(Keys.CONTROL, "a")
            field.send_keys(value)
            return True

        self.until(written, f"a field “{label}” to write into")

    def choose(self, label: str, option: str) -> None:
        """Choose an option of a field, which may be told of its options a moment later."""
        xpath = f".//option[normalize-space(.)='{option}']"

        def chosen() -> bool:
            self.field(label).find_element(By.XPATH, xpath).click()
            return True

        self.until(chosen, f"“{option}” to choose in “{label}”")

    def press(self, css: str, *keys: str) -> None:
        element = self.find(css)
        self.driver.execute_script("arguments[0].focus()", element)
        element.send_keys(*keys)

    def keys(self, *keys: str) -> None:
        self.driver.switch_to.active_element.send_keys(*keys)

    def heading(self) -> str:
        return self.find("h1").text

    def drag(self, css: str, x: int, y: int) -> None:
        """Drag the middle of an element by pixels, in small moves as a hand does."""
        from selenium.webdriver import ActionChains

        element = self.find(css)
        chain = ActionChains(self.driver, duration=20).click_and_hold(element)
        for _ in range(8):
            chain.move_by_offset(x // 8, y // 8)
        chain.release().perform()

    def serious_violations(self) -> list[str]:
        """What axe-core calls serious or critical on the page as it stands."""
        self.driver.execute_script(AXE.read_text(encoding="utf-8"))
        result = self.driver.execute_async_script(
            "const done = arguments[0];"
            "axe.run(document, { resultTypes: ['violations'] }).then(done)"
        )
        return [
            f"{v['id']}: {node['html'][:120]} ({node.get('failureSummary', '')[:160]})"
            for v in result["violations"]
            if v["impact"] in ("serious", "critical")
            for node in v["nodes"][:3]
        ]

    def overlapping(self, *selectors: str) -> list[list[str]]:
        """Pairs of these parts of the page that lie over each other."""
        found: list[list[str]] = self.driver.execute_script(
            """const boxes = arguments[0].flatMap((name) =>
                 [...document.querySelectorAll(name)].map((e) => [name, e.getBoundingClientRect()]))
               const over = (a, b) => Math.min(a.right, b.right) - Math.max(a.left, b.left) > 1
                 && Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top) > 1
               return boxes.flatMap(([one, a], i) => boxes.slice(i + 1)
                 .filter(([, b]) => over(a, b)).map(([other]) => [one, other]))""",
            list(selectors),
        )
        return found

    def wider_than_the_screen(self) -> int:
        """Pixels by which the page is wider than the window."""
        return int(
            self.driver.execute_script(
                "return document.documentElement.scrollWidth - window.innerWidth"
            )
        )

    def assert_quiet(self) -> None:
        """The console has no errors but those of refused requests."""
        errors = [
            entry["message"]
            for entry in self.driver.get_log("browser")
            if entry["level"] == "SEVERE"
            and not any(noise in entry["message"] for noise in _EXPECTED_NOISE)
        ]
        assert not errors, errors
