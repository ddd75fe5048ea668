"""`rowanseed-household/2`: a whole household as a zip of open documents, for taking it elsewhere.

Beside `household.json` with the plain records, every cloth, pattern and project is a document of its own, and every
photo a file. See docs/formats/household.md.
"""

from __future__ import annotations

import base64
import io
import json
import zipfile
from collections.abc import Mapping, Sequence
from typing import Any

from rowanseed.core.base.errors import DocumentError
from rowanseed.core.make.equipment import Equipment, SewingHabits, Workroom
from rowanseed.formats.workroom_json import write_workroom

FORMAT = "rowanseed-household/2"
BEFORE = "rowanseed-household/1"
Rows = Mapping[str, Sequence[Mapping[str, Any]]]
"""Table → rows → column → value, as the database has them; bytes for files."""

DOCUMENTS = {"cloth": ("document",), "pattern": ("document",), "project": ("fit", "tactics", "cloth_choices")}
"""Columns that hold a document of their own: they are written as such, not as text within text."""
FILES = {
    ("cloth_photo", "jpeg"): "jpg",
    ("cloth_print", "jpeg"): "jpg",
    ("drawing", "svg"): "svg",
    ("drawing", "read"): "json",
    ("step_note", "photo"): "jpg",
    ("kept_sample", "photo"): "jpg",
}
MOST = 512 * 1024 * 1024
"""Bytes unpacked that are taken in at most."""
SAID = "This is not a household that can be read."


def write_household(rows: Rows) -> bytes:
    """The zip, the same for the same records."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        plain: dict[str, list[dict[str, Any]]] = {}
        for table, found in rows.items():
            plain[table] = [_row(packed, table, dict(row), k) for k, row in enumerate(found, start=1)]
        _put(packed, "household.json", _json({"format": FORMAT, "records": plain}))
    return out.getvalue()


def _row(packed: zipfile.ZipFile, table: str, row: dict[str, Any], k: int) -> dict[str, Any]:
    for column, value in list(row.items()):
        if (table, column) in FILES and value is not None:
            name = f"{table}/{k}.{FILES[table, column]}"
            _put(packed, name, bytes(value))
            row[column] = {"file": name}
        elif column in DOCUMENTS.get(table, ()) and isinstance(value, str):
            name = f"{table}/{row.get('id', k)}-{column}.json"
            _put(packed, name, _json(json.loads(value)))
            row[column] = {"file": name}
        elif isinstance(value, bytes):
            row[column] = {"base64": base64.b64encode(value).decode()}
    return row


def _put(packed: zipfile.ZipFile, name: str, data: bytes) -> None:
    packed.writestr(zipfile.ZipInfo(name, (1980, 1, 1, 0, 0, 0)), data, zipfile.ZIP_DEFLATED)


def _json(value: Any) -> bytes:
    return json.dumps(value, indent=1, ensure_ascii=False, sort_keys=True).encode()


def read_household(data: bytes) -> Rows:
    """The records of a zip. Raises DocumentError for what is none, or names what is not in it."""
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            if sum(item.file_size for item in packed.infolist()) > MOST:
                raise DocumentError(SAID, "It is too large when unpacked.", "file")
            document = json.loads(packed.read("household.json"))
            if not isinstance(document, dict) or document.get("format") not in (FORMAT, BEFORE):
                raise DocumentError(SAID, f"Its format is not {FORMAT}.", "format")
            rows = {
                str(table): [{str(c): _value(packed, table, c, v) for c, v in row.items()} for row in found]
                for table, found in document["records"].items()
            }
            return rows if document["format"] == FORMAT else _from_1(rows)
    except (zipfile.BadZipFile, KeyError, ValueError, AttributeError, TypeError, NotImplementedError) as error:
        if isinstance(error, DocumentError):
            raise
        raise DocumentError(SAID, "A zip with household.json in it is wanted.", "file") from None


def _from_1(rows: Rows) -> Rows:
    """An overlocker, its threads and hems by hand stood by themselves; now they are in the workroom's document."""
    households = []
    for row in rows.get("household", ()):
        before = dict(row)
        overlocker, threads = before.pop("overlocker", 0), before.pop("overlock_threads", 3)
        habits = SewingHabits(hem_by_hand=bool(before.pop("hem_by_hand", 0)))
        workroom = Workroom(Equipment(overlock_threads=threads if overlocker else 0), habits)
        households.append({**before, "workroom": write_workroom(workroom)})
    return {**rows, "household": households}


def _value(packed: zipfile.ZipFile, table: str, column: str, value: Any) -> Any:
    if not isinstance(value, dict):
        return value
    if "base64" in value:
        return base64.b64decode(value["base64"])
    data = packed.read(value["file"])
    return data if (table, column) in FILES else data.decode()
