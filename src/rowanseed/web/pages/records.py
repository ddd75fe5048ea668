"""The household's records: where they lie, copies, taking everything out and in, and undoing what was changed."""

from __future__ import annotations

import tempfile
from datetime import datetime
from pathlib import Path

from fastapi import APIRouter, Response, UploadFile
from starlette.background import BackgroundTask
from starlette.responses import FileResponse

from rowanseed.core.base.errors import NotThere, RowanseedError
from rowanseed.formats.household_zip import read_household, write_household
from rowanseed.reading import apart
from rowanseed.store.backup import BEFORE_RESTORE, copies, copies_folder, copy_now, restore
from rowanseed.store.database import transaction
from rowanseed.store.taking_out import household_rows, take_in
from rowanseed.store.undo import changes, undo
from rowanseed.web.deps import Home, House, Id, Typing, go
from rowanseed.web.once import Once
from rowanseed.web.views.house import RecordsView

router = APIRouter(route_class=Once)

PAGE = "/household/records"
WHOLE = (f"{PAGE}/restore-file", f"{PAGE}/take-in")
"""Where a whole household may be sent: larger than anything else that comes in."""
LISTED = 40
"""So many changes stand on the page."""


@router.get(PAGE)
def show_records(home: Home) -> Response:
    return _page(home, {})


def _database(home: House) -> Path:
    return Path(home.request.app.state.database)


def _page(home: House, errors: dict[str, str], *, status: int = 200) -> Response:
    database = _database(home)
    return home.show(
        RecordsView(
            path=database,
            size=database.stat().st_size,
            folder=copies_folder(database),
            copies=copies(database),
            changes=changes(home.db),
            listed=LISTED,
            done=home.request.query_params.get("done", ""),
            errors=errors,
        ),
        status,
    )


@router.post(f"{PAGE}/copy")
def make_copy(home: Home) -> Response:
    """A copy now, beside the daily ones."""
    database, now = _database(home), datetime.now()
    try:
        copy_now(home.db, copies_folder(database) / f"by-hand-{now:%Y-%m-%d-%H%M%S}.db")
    except (RowanseedError, OSError) as error:
        return _page(home, {"copy": _why(error)}, status=422)
    return go(f"{PAGE}?done=copied")


@router.get(f"{PAGE}/copy.db")
def download_copy(home: Home) -> Response:
    """One verified file to keep elsewhere."""
    folder = Path(tempfile.mkdtemp(prefix="rowanseed-copy-"))
    path = copy_now(home.db, folder / "household.db")

    def tidy() -> None:
        path.unlink(missing_ok=True)
        folder.rmdir()

    name = f"rowanseed-{home.today.isoformat()}.db"
    return FileResponse(path, filename=name, media_type="application/vnd.sqlite3", background=BackgroundTask(tidy))


@router.post(f"{PAGE}/restore")
def restore_copy(home: Home, typed: Typing) -> Response:
    """Put one of the kept copies in place of the household."""
    chosen = next((c for c in copies(_database(home)) if c.path.name == typed.get("name")), None)
    if chosen is None:
        raise NotThere("copy")
    return _restored(home, chosen.path)


@router.post(f"{PAGE}/restore-file")
def restore_file(home: Home, file: UploadFile) -> Response:
    """Put a copy that was kept elsewhere in place of the household."""
    with tempfile.TemporaryDirectory(prefix="rowanseed-restore-") as folder:
        path = Path(folder) / "copy.db"
        with path.open("wb") as out:
            while block := file.file.read(1024 * 1024):
                out.write(block)
        return _restored(home, path)


def _restored(home: House, path: Path) -> Response:
    try:
        restore(home.db, _database(home), path, datetime.now())
    except (RowanseedError, OSError) as error:
        return _page(home, {"restore": _why(error)}, status=422)
    return go(f"{PAGE}?done=restored")


@router.get(f"{PAGE}/household.zip")
def take_out(home: Home) -> Response:
    """The whole household as open documents."""
    name = f"household-{home.today.isoformat()}.zip"
    return Response(
        write_household(household_rows(home.db)),
        media_type="application/zip",
        headers={"Content-Disposition": f'attachment; filename="{name}"'},
    )


@router.post(f"{PAGE}/take-in")
def take_household_in(home: Home, file: UploadFile) -> Response:
    """Replace the household by one that was taken out; what was there is kept as a copy."""
    database = _database(home)
    try:
        rows = read_household(apart.household(file.file.read()))
        copy_now(home.db, copies_folder(database) / f"{BEFORE_RESTORE}{datetime.now():%Y-%m-%d-%H%M%S}.db")
        take_in(home.db, rows)
    except (RowanseedError, OSError) as error:
        return _page(home, {"take_in": _why(error)}, status=422)
    return go(f"{PAGE}?done=taken-in")


@router.post("/household/changes/{id}/undo")
def undo_change(home: Home, id: Id) -> Response:
    try:
        with transaction(home.db, recorded=False):
            undo(home.db, id)
    except RowanseedError as error:
        is_listed = id in {change.id for change in changes(home.db)[:LISTED]}
        return _page(home, {f"change-{id}" if is_listed else "changes": str(error)}, status=422)
    return go(f"{PAGE}?done=undone")


def _why(error: Exception) -> str:
    if isinstance(error, RowanseedError):
        return str(error)
    return f"That did not work: {getattr(error, 'strerror', None) or error}. Your household is as it was."
