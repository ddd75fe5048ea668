"""What the server runs: the application on the database that the command line names."""

from __future__ import annotations

from fastapi import FastAPI

from rowanseed.settings import settings
from rowanseed.web.app import create_app


def app() -> FastAPI:
    return create_app(settings().database)
