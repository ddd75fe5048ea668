"""Pages on a database of their own, without a browser."""

import re
import shutil

import pytest
from fastapi.testclient import TestClient

from rowanseed.web.app import create_app

BLOCKS = (
    "table|thead|tbody|tr|th|td|ul|ol|li|div|section|article|p|h1|h2|h3|dl|dt|dd|fieldset|legend|figure|header|nav|main"
    "|form|option|select|summary|details"
)


class Reader(TestClient):
    """A client that reads pages as a browser shows them: runs of white space are one space, none beside a block."""

    def request(self, *args, **kwargs):
        response = super().request(*args, **kwargs)
        if response.headers.get("content-type", "").startswith("text/html"):
            squeezed = re.sub(r"\s+", " ", response.text)
            squeezed = re.sub(r" ?(<input type=\"hidden\"[^<>]*>) ?", r"\1", squeezed)
            squeezed = re.sub(rf" ?(</?(?:{BLOCKS})\b[^<>]*>) ?", r"\1", squeezed)
            response._text = squeezed
        return response


@pytest.fixture
def house(filled, tmp_path, quick):
    """The demo household, in a copy that may be changed; searches are done where they are asked for."""
    shutil.copy(filled, tmp_path / "house.db")
    return Reader(create_app(tmp_path / "house.db"), raise_server_exceptions=False)
