"""Lines of a project's lists: each has an id of its own, so that a page speaks of it and not of its place."""

from __future__ import annotations

import secrets


def new_line() -> str:
    """An id that no other line of the project has."""
    return secrets.token_hex(4)
