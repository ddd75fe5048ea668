"""A running server and a headless browser for the tests that use the pages as a sewist would."""

import os
import shutil
import signal
import subprocess
import sys
import time
from pathlib import Path
from urllib.request import urlopen

import pytest
from playwright.sync_api import expect, sync_playwright

from ..ports import free_port

expect.set_options(timeout=60_000)
CHROMIUM = os.environ.get("CHROMIUM", "/usr/bin/chromium")
ARGUMENTS = [
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]
AXE = (Path(__file__).parent / "vendor" / "axe.min.js").read_text(encoding="utf-8")


class Server:
    """`rowanseed serve` in a process of its own, on a database that outlives it."""

    def __init__(self, *options: str, **environment: str) -> None:
        self.environment = {**os.environ, **environment}
        self.port = free_port()
        self.options = options
        self.start()

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        command = [sys.executable, "-m", "rowanseed.cli", "serve", "--port", str(self.port), *self.options]
        quiet = subprocess.DEVNULL
        self.process = subprocess.Popen(command, stdout=quiet, stderr=quiet, env=self.environment)
        for _ in range(600):
            if self.process.poll() is not None:
                break
            try:
                with urlopen(f"{self.url}/household", timeout=1):
                    return
            except OSError:
                time.sleep(0.1)
        raise RuntimeError("the server did not start")

    def kill_workers(self) -> None:
        """Kill the worker and its children at once, as a crash would."""
        for process in Path("/proc").glob("[0-9]*"):
            try:
                command = (process / "cmdline").read_bytes().split(b"\0")
            except OSError:
                continue
            if b"worker" in command and str(self.process.pid).encode() in command:
                os.kill(int(process.name), signal.SIGKILL)

    def stop(self) -> None:
        self.process.terminate()
        self.process.wait(10)


@pytest.fixture(scope="session")
def browser():
    with sync_playwright() as playwright:
        launched = playwright.chromium.launch(executable_path=CHROMIUM, args=ARGUMENTS)
        yield launched
        launched.close()


@pytest.fixture(scope="session")
def demo(filled, tmp_path_factory):
    """The demo household, one for all tests that only look at it or put back what they change."""
    database = tmp_path_factory.mktemp("demo") / "demo.db"
    shutil.copy(filled, database)
    enough = {"ROWANSEED_SECONDS_FOR_A_LAY": "0.8", "ROWANSEED_SECONDS_FOR_A_TACTIC": "0.6"}
    server = Server("--database", str(database), **enough)
    yield server
    server.stop()


@pytest.fixture
def own(tmp_path):
    """An empty household of one's own."""
    server = Server("--database", str(tmp_path / "own.db"))
    yield server
    server.stop()


@pytest.fixture
def unhurried(tmp_path):
    """An empty household whose searches take as long as they usually do, so that one can be looked at."""
    usual = {"ROWANSEED_SECONDS_FOR_A_LAY": "4", "ROWANSEED_SECONDS_TO_TIGHTEN": "20"}
    server = Server("--database", str(tmp_path / "own.db"), **usual, ROWANSEED_SECONDS_FOR_A_WIDTH="3")
    yield server
    server.stop()


@pytest.fixture
def page(browser):
    """A page at laptop size that fails the test on any script error."""
    opened = browser.new_page(viewport={"width": 1280, "height": 800})
    faults = []
    opened.on("pageerror", lambda error: faults.append(str(error)))
    opened.on("console", lambda m: faults.append(m.text) if m.type == "error" and "422" not in m.text else None)
    opened.set_default_timeout(60_000)
    yield opened
    opened.close()
    assert faults == []


def accessibility(page):
    """What axe-core finds on a page, a line a fault."""
    page.evaluate(AXE)
    found = page.evaluate(
        "axe.run(document, {runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']})"
    )
    return [f"{v['id']}: {n['target']} {n['failureSummary']}" for v in found["violations"] for n in v["nodes"]]
