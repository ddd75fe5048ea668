"""Pages fetched as a browser on this machine would, without one."""

from __future__ import annotations

from pathlib import Path

from fastapi.testclient import TestClient

from rowanseed.web.app import create_app
from rowanseed.web.pauses import keep_pauses_short


def pages_of(database: Path) -> TestClient:
    keep_pauses_short()
    return TestClient(create_app(database), base_url="http://127.0.0.1")


def seen(client: TestClient, path: str) -> None:
    """Fetch a page; anything but the page itself is an error, not a fast answer."""
    client.get(path).raise_for_status()
