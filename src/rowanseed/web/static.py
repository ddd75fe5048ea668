"""Static files under addresses that change with their contents, so that a browser may keep them for good."""

from __future__ import annotations

import hashlib
from functools import cache
from pathlib import Path

from starlette.responses import Response
from starlette.staticfiles import StaticFiles
from starlette.types import Scope

FOLDER = Path(__file__).parent / "static"
FOR_GOOD = "public, max-age=31536000, immutable"
ASK_AGAIN = "no-cache"


@cache
def _hash(name: str) -> str:
    return hashlib.sha256((FOLDER / name).read_bytes()).hexdigest()[:12]


def address(name: str) -> str:
    """Where a static file is, with the hash of its contents."""
    return f"/static/{name}?v={_hash(name)}"


class HashedFiles(StaticFiles):
    """Files asked for by their hash may be kept for good; others are asked for again each time."""

    async def get_response(self, path: str, scope: Scope) -> Response:
        response = await super().get_response(path, scope)
        asked = scope["query_string"].decode("ascii", "ignore").removeprefix("v=")
        known = response.status_code == 200 and asked == _hash(path)
        response.headers["Cache-Control"] = FOR_GOOD if known else ASK_AGAIN
        return response
