"""The application: pages found by their folder, static files, guards, and errors told in a sewist's words."""

from __future__ import annotations

import importlib
import pkgutil
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from datetime import datetime
from pathlib import Path

from fastapi import FastAPI
from starlette.middleware.trustedhost import TrustedHostMiddleware

from rowanseed.app.keeping import HouseKeeper
from rowanseed.app.searching import Collector
from rowanseed.settings import settings
from rowanseed.store.lays import prune
from rowanseed.store.lending import Lender
from rowanseed.store.opening import open_household
from rowanseed.web import pages
from rowanseed.web.guards import Guards
from rowanseed.web.pages.records import WHOLE
from rowanseed.web.pauses import keep_pauses_short
from rowanseed.web.static import FOLDER, HashedFiles
from rowanseed.web.telling import tell_errors

LENT = 4
"""So many connections stay open between requests while the server runs."""


@asynccontextmanager
async def _collecting(app: FastAPI) -> AsyncIterator[None]:
    """While the server runs, answers are collected whether or not a page listens, and copies are kept."""
    keep_pauses_short()
    collector, keeper = Collector(app.state.database), HouseKeeper(app.state.database)
    collector.start()
    keeper.start()
    app.state.lender.kept = LENT
    try:
        yield
    finally:
        app.state.lender.close()
        collector.stop()
        keeper.stop()


def create_app(database: Path) -> FastAPI:
    """The application on a household's file, which is checked and brought up to date first. Raises StoreError."""
    opened = open_household(database, datetime.now())
    try:
        prune(opened, settings().answers_kept)
    finally:
        opened.close()
    app = FastAPI(title="Rowanseed", docs_url=None, redoc_url=None, openapi_url=None, lifespan=_collecting)
    app.state.database, app.state.lender = database, Lender(database)
    app.mount("/static", HashedFiles(directory=FOLDER), name="static")
    for found in sorted(pkgutil.iter_modules(pages.__path__), key=lambda module: module.name):
        app.include_router(importlib.import_module(f"{pages.__name__}.{found.name}").router)
    app.add_middleware(TrustedHostMiddleware, allowed_hosts=settings().allowed_hosts)
    whole = dict.fromkeys(WHOLE, settings().largest_household)
    app.add_middleware(Guards, largest=settings().largest_request, larger=whole)
    tell_errors(app)
    return app
