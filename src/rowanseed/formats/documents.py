"""Documents that are kept: named, versioned, every value written, unknown keys refused, older versions brought up.

A document is a JSON object that begins with `"format": "rowanseed-NAME/VERSION"`; one without is of version 0, from
before there were versions. A `Kind` reads and writes one sort of record; an upgrader a version turns the document of
that version into one of the next.
"""

from __future__ import annotations

import json
from collections.abc import Callable, Mapping
from typing import Any, Generic, TypeVar

from pydantic import BaseModel, ConfigDict, TypeAdapter, ValidationError, create_model

from rowanseed.core.base.errors import DocumentError
from rowanseed.formats.in_words import in_words

T = TypeVar("T")
Upgrader = Callable[[dict[str, Any]], dict[str, Any]]


class Strict(BaseModel):
    """A part of a document: unknown fields are refused, since what they say would be lost; numbers are finite."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)


def _in_order(value: Any, written: Any) -> Any:
    """What was written of a value, its sets in one order: the same record is the same document in every process."""
    match value:
        case set() | frozenset():
            return sorted(written, key=str)
        case Mapping():
            return {key: _in_order(one, own) for one, (key, own) in zip(value.values(), written.items(), strict=True)}
        case list() | tuple():
            return [_in_order(one, own) for one, own in zip(value, written, strict=True)]
        case _:
            return written


class Kind(Generic[T]):
    """A sort of document. `said` is the sentence for one that cannot be read."""

    def __init__(
        self, name: str, version: int, record: type[T], said: str, upgraders: Mapping[int, Upgrader] | None = None
    ) -> None:
        self.name, self.version, self.said = name, version, said
        self.upgraders = upgraders or {}
        self._writer = TypeAdapter(record)
        # The settings of the model hold for the records inside it too.
        self._reader = create_model(f"Document_{version}", __base__=Strict, content=(record, ...))

    @property
    def format(self) -> str:
        return f"{self.name}/{self.version}"

    def write(self, value: T) -> str:
        """A record as a document, every value written."""
        return json.dumps(self.document(value), ensure_ascii=False)

    def document(self, value: T) -> dict[str, Any]:
        written = self._writer.dump_python(value, mode="json")
        return {"format": self.format, **_in_order(self._writer.dump_python(value), written)}

    def read(self, text: str | bytes) -> T:
        """Read a document of this or an older version. Raises DocumentError with the field at fault."""
        try:
            document = json.loads(text)
        except (ValueError, RecursionError):
            raise DocumentError(self.said, "It is no JSON.") from None
        if not isinstance(document, dict):
            raise DocumentError(self.said, "It is no JSON object.")
        return self.validate(self.upgraded(document))

    def upgraded(self, document: dict[str, Any]) -> dict[str, Any]:
        """A document in this version, without its heading. Raises DocumentError for a newer or another one."""
        fields = dict(document)
        heading = fields.pop("format", f"{self.name}/0")
        name, _, number = str(heading).rpartition("/")
        if name != self.name or not number.isdecimal():
            raise DocumentError(self.said, f"It says that it is “{heading}”.", "format")
        version = int(number)
        if version > self.version:
            raise DocumentError(self.said, "A newer Rowanseed wrote it.", "format")
        for step in range(version, self.version):
            upgrade = self.upgraders.get(step)
            try:
                fields = upgrade(fields) if upgrade is not None else fields
            except (TypeError, KeyError, AttributeError, ValueError):
                raise DocumentError(self.said, f"It is not what version {step} of it was.", "format") from None
        return fields

    def validate(self, fields: dict[str, Any]) -> T:
        try:
            content: T = getattr(self._reader.model_validate({"content": fields}), "content")  # noqa: B009
        except ValidationError as error:
            first = error.errors()[0]
            where = ", ".join(str(step) for step in first["loc"][1:])
            raise DocumentError(self.said, in_words(first), where) from None
        return content
