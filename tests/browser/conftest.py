"""The real page in headless Chromium, served by the real server on a copy of the demo club."""

import shutil
import socket
import tempfile
import threading
from collections.abc import Iterator
from pathlib import Path

import pytest
import uvicorn
from selenium.webdriver import Chrome, ChromeOptions
from selenium.webdriver.chrome.service import Service

from pavrik.api.app import create_app
from pavrik.api.settings import Settings
from pavrik.cli.start import PAGE
from tests.browser.page import PATIENCE_S, Page
from tests.conftest import CHEAP, Server

FLAGS = (
    "--headless=new", "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run",
    "--disable-background-networking", "--disable-component-update", "--disable-sync",
    "--hide-scrollbars", "--disable-dev-shm-usage",
)  # fmt: skip


class RunningServer:
    """Pavrik on a port of loopback; it can be killed and started again on the same port."""

    def __init__(self, database_url: str, films: Path, port: int) -> None:
        self._settings = Settings(database_url, PAGE, films_folder=films, hasher=CHEAP)
        self.port = port
        self.address = f"http://127.0.0.1:{port}"
        self.start()

    def start(self) -> None:
        config = uvicorn.Config(
            create_app(self._settings), host="127.0.0.1", port=self.port, log_level="critical",
            timeout_graceful_shutdown=20,
        )  # fmt: skip
        self._server = uvicorn.Server(config)
        self._thread = threading.Thread(target=self._server.run, daemon=True)
        self._thread.start()
        waited = threading.Event()
        while not self._server.started and self._thread.is_alive():
            waited.wait(0.01)

    def stop(self) -> None:
        self._server.should_exit = True
        self._thread.join(timeout=30)


@pytest.fixture(scope="session")
def port() -> Iterator[int]:
    """One for all, as the browser keeps what it compiled of a page by its address; held between two
    servers, so that nobody else takes it."""
    with socket.socket() as held:
        held.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        held.bind(("127.0.0.1", 0))
        yield int(held.getsockname()[1])


@pytest.fixture(scope="module")
def pavrik(
    server: Server, demo_name: str, port: int, tmp_path_factory: pytest.TempPathFactory
) -> Iterator[RunningServer]:
    if not (PAGE / "index.html").exists():
        pytest.fail("the page is not built: ./test builds it first")
    running = RunningServer(server.app_url(demo_name), tmp_path_factory.mktemp("films"), port)
    yield running
    running.stop()


@pytest.fixture(scope="session")
def chrome() -> Iterator[Chrome]:
    profile = tempfile.mkdtemp(prefix="pvk-chrome-")
    options = ChromeOptions()
    options.binary_location = "/usr/bin/chromium"
    for flag in (*FLAGS, f"--user-data-dir={profile}"):
        options.add_argument(flag)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL"})
    driver = Chrome(options=options, service=Service("/usr/bin/chromedriver"))
    driver.set_script_timeout(PATIENCE_S)
    yield driver
    driver.quit()
    shutil.rmtree(Path(profile), ignore_errors=True)


@pytest.fixture
def page(chrome: Chrome, pavrik: RunningServer) -> Iterator[Page]:
    """A browser without a session, at 1280x800."""
    found = Page(chrome, pavrik.address)
    found.forget()
    found.resize(1280, 800)
    yield found
    found.assert_quiet()


@pytest.fixture
def coach(page: Page) -> Page:
    """The same, signed in to the demo club without the door; no view is open yet."""
    page.ask("/api/session/demo", "POST")
    return page
