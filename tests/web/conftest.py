"""Pages on a database of their own, without a browser."""

import shutil

import pytest
from fastapi.testclient import TestClient

from rowanseed.demo.household import fill
from rowanseed.web.app import create_app


@pytest.fixture(scope="session")
def filled(tmp_path_factory):
    path = tmp_path_factory.mktemp("filled") / "demo.db"
    fill(path)
    return path


@pytest.fixture
def house(filled, tmp_path):
    """The demo household, in a copy that may be changed."""
    shutil.copy(filled, tmp_path / "house.db")
    return TestClient(create_app(tmp_path / "house.db"), raise_server_exceptions=False)
