"""Structured logs: what happened, and beside it the fields it happened with."""

from __future__ import annotations

import json
import logging
from datetime import UTC, datetime

PLAIN = frozenset(vars(logging.makeLogRecord({}))) | {"message", "asctime", "taskName"}
"""What every record has; anything else was given as `extra`."""


def fields_of(record: logging.LogRecord) -> dict[str, object]:
    """The fields that were given beside the words."""
    return {key: value for key, value in vars(record).items() if key not in PLAIN}


class JsonLines(logging.Formatter):
    """One JSON object a line."""

    def format(self, record: logging.LogRecord) -> str:
        line: dict[str, object] = {
            "at": datetime.fromtimestamp(record.created, UTC).isoformat(timespec="milliseconds"),
            "level": record.levelname.lower(),
            "logger": record.name,
            "event": record.getMessage(),
            **fields_of(record),
        }
        if record.exc_info:
            line["traceback"] = self.formatException(record.exc_info)
        return json.dumps(line, ensure_ascii=False, default=str)


class TextLines(logging.Formatter):
    """A line for a person: the time, what happened, and its fields."""

    def __init__(self) -> None:
        super().__init__("%(asctime)s %(levelname)s %(name)s: %(message)s")

    def formatMessage(self, record: logging.LogRecord) -> str:
        said = " ".join(f"{key}={value}" for key, value in fields_of(record).items())
        return f"{super().formatMessage(record)} {said}".rstrip()


def set_up_logs(level: str, format: str) -> None:
    """Send the logs of this process to standard error. `format` is `text` or `json`."""
    handler = logging.StreamHandler()
    handler.setFormatter(JsonLines() if format == "json" else TextLines())
    root = logging.getLogger()
    root.handlers[:] = [handler]
    root.setLevel(logging.WARNING)
    logging.getLogger("rowanseed").setLevel(level.upper())
