"""What the server runs: the application on the database that the command line names."""

from __future__ import annotations

import os
from pathlib import Path

from fastapi import FastAPI

from rowanseed.web.app import create_app


def app() -> FastAPI:
    return create_app(Path(os.environ["ROWANSEED_DATABASE"]))
