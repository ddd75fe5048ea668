"""The application: pages found by their folder, static files, guards, and errors told in a sewist's words."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import FastAPI
from starlette.middleware.trustedhost import TrustedHostMiddleware

from rowanseed.app.searching import Collector
from rowanseed.settings import settings
from rowanseed.store.database import connect, migrate
from rowanseed.store.lays import prune
from rowanseed.web import pages
from rowanseed.web.guards import Guards
from rowanseed.web.static import FOLDER, HashedFiles
from rowanseed.web.telling import tell_errors


@asynccontextmanager
async def _collecting(app: FastAPI) -> AsyncIterator[None]:
    """While the server runs, answers are collected whether or not a page listens."""
    collector = Collector(app.state.database)
    collector.start()
    try:
        yield
    finally:
        collector.stop()


def create_app(database: Path) -> FastAPI:
    """The application on a database file, which is brought up to date first. Raises NewerDatabase."""
    opened = connect(database)
    try:
        migrate(opened)
        prune(opened, settings().answers_kept)
    finally:
        opened.close()
    app = FastAPI(title="Rowanseed", docs_url=None, redoc_url=None, openapi_url=None, lifespan=_collecting)
    app.state.database = database
    app.mount("/static", HashedFiles(directory=FOLDER), name="static")
    for found in sorted(pkgutil.iter_modules(pages.__path__), key=lambda module: module.name):
        app.include_router(importlib.import_module(f"{pages.__name__}.{found.name}").router)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=settings().allowed_hosts)
    app.add_middleware(Guards, largest=settings().largest_request)
    tell_errors(app)
    return app
