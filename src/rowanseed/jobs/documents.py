"""What goes through the queue: signed JSON documents. Nothing that comes out of it is ever run as code."""

from __future__ import annotations

import hashlib
import hmac
import json
from typing import Any

from huey.api import Error
from huey.registry import Message
from huey.serializer import Serializer


class Unsigned(Exception):
    """Something in the queue was not signed with this household's key, and is not read."""


class SignedDocuments(Serializer):
    """The queue's serializer: JSON with an HMAC (SHA-256) before it."""

    def __init__(self, key: str) -> None:
        super().__init__()
        self._key = hashlib.sha256(key.encode()).digest()

    def serialize(self, data: Any) -> bytes:
        text = json.dumps(_plain(data), ensure_ascii=False).encode()
        return self._signature(text) + b"\n" + text

    def deserialize(self, data: bytes) -> Any:
        """Raises Unsigned for what was written with another key, or by anything else."""
        signature, _, text = bytes(data).partition(b"\n")
        if not hmac.compare_digest(signature, self._signature(text)):
            raise Unsigned("a document in the queue is not signed with this key")
        return _read(json.loads(text))

    def _signature(self, text: bytes) -> bytes:
        return hmac.new(self._key, text, hashlib.sha256).hexdigest().encode()


def _plain(data: Any) -> dict[str, Any]:
    match data:
        case Message():
            return {"message": data._asdict()}
        case Error():
            return {"error": data.metadata}
        case _:
            return {"data": data}


def _read(document: dict[str, Any]) -> Any:
    match document:
        case {"message": fields}:
            return Message(**{**fields, "args": tuple(fields["args"])})
        case {"error": metadata}:
            return Error(metadata)
        case {"data": data}:
            return data
        case _:
            raise Unsigned("a document in the queue is of no known kind")
