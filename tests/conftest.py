"""What every test stands on: short searches, and no setting of whoever runs them."""

import os
import time

import hypothesis
import pytest

for name in [name for name in os.environ if name.startswith("ROWANSEED_")]:
    del os.environ[name]
os.environ.update(
    ROWANSEED_SECONDS_FOR_A_LAY="0.3",
    ROWANSEED_SECONDS_FOR_A_WIDTH="0.2",
    ROWANSEED_SECONDS_FOR_A_TACTIC="0.2",
    ROWANSEED_SECONDS_FOR_A_SHELF_CLOTH="0.2",
    ROWANSEED_SECONDS_FOR_A_SMALL_PIECE="0.1",
    ROWANSEED_SECONDS_TO_TIGHTEN="2",
    ROWANSEED_LOST_AFTER="4",
    ROWANSEED_ALLOWED_HOSTS='["127.0.0.1", "localhost", "testserver"]',
)


# The usual run is the same every time: a change is judged by what it changed. `make fuzz` looks for new examples.
hypothesis.settings.register_profile("usual", max_examples=25, deadline=None, derandomize=True)
hypothesis.settings.register_profile("fast", max_examples=12, deadline=None, derandomize=True)
hypothesis.settings.register_profile("thorough", max_examples=400, deadline=None)
hypothesis.settings.load_profile("usual")


@pytest.fixture(scope="session")
def filled(tmp_path_factory):
    """The demo household's database, filled once for all processes of a test run; it is copied, never changed."""
    folder = tmp_path_factory.getbasetemp()
    if "PYTEST_XDIST_WORKER" in os.environ:
        folder = folder.parent
    path = folder / "filled.db"
    try:
        (folder / "filling").mkdir()
    except FileExistsError:
        while not path.exists():
            time.sleep(0.05)
        return path
    from rowanseed.demo.household import fill

    fill(folder / "filling" / "demo.db")
    return (folder / "filling" / "demo.db").rename(path)


@pytest.fixture
def quick(monkeypatch):
    """Searches done at once, in this process."""
    from rowanseed.jobs.queue import queue

    monkeypatch.setattr(queue, "immediate", True)
