"""Every budget, limit, path and host in one table; each may be set by an environment variable `ROWANSEED_…`.

`docs/settings.md` is generated from this table (`rowanseed settings --markdown`).
"""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path
from typing import Literal

import platformdirs
from pydantic import Field
from pydantic_settings import BaseSettings, SettingsConfigDict

MEGABYTE = 1024 * 1024


class Settings(BaseSettings):
    """What may be set. The description of a field is its documentation."""

    model_config = SettingsConfigDict(env_prefix="ROWANSEED_", frozen=True, extra="ignore")

    # Where things are
    database: Path = Field(
        default_factory=lambda: Path(platformdirs.user_data_dir("rowanseed", appauthor=False)) / "rowanseed.db",
        description="The household's database file.",
    )
    queue: str = Field(
        "",
        description="Where searches wait: a file, or redis://host:port/db for several machines; beside the database.",
    )
    queue_key: str = Field(
        "",
        description="What documents in the queue are signed with; a key is made beside the queue's file where there is "
        "none. Machines that share a Redis queue need the same one.",
    )
    host: str = Field("127.0.0.1", description="The address the pages are served at.")
    port: int = Field(8420, ge=1, le=65535, description="The port the pages are served at.")
    allowed_hosts: list[str] = Field(
        ["127.0.0.1", "localhost"], description="The names a browser may call this server by, as a JSON list."
    )

    # How long is searched, in seconds of a worker's computing
    seconds_for_a_lay: float = Field(4.0, gt=0, description="A lay of a project's cloth.")
    seconds_to_tighten: float = Field(20.0, gt=0, description="“Search longer” at the Lay.")
    seconds_for_a_width: float = Field(3.5, gt=0, description="A cell of the table of widths.")
    seconds_for_a_tactic: float = Field(3.5, gt=0, description="A way to save cloth.")
    seconds_for_a_shelf_cloth: float = Field(3.0, gt=0, description="A cloth of the shelf: will it do?")
    seconds_for_a_small_piece: float = Field(1.0, gt=0, description="A small piece on an off-cut.")

    # Jobs
    heartbeat: float = Field(0.25, gt=0, description="Seconds between two words of a worker.")
    lost_after: float = Field(
        12.0,
        gt=0,
        description="Seconds of silence after which a running search counts as lost, unless its worker is seen alive.",
    )
    longest_search: float = Field(
        300.0, gt=0, description="Seconds after which a search ends with what it has, whatever it is doing."
    )
    waited_too_long: float = Field(30.0, gt=0, description="Seconds of waiting after which a page says so.")
    tries: int = Field(3, ge=1, description="How often a search is started before it has plainly failed.")
    collect_every: float = Field(0.2, gt=0, description="Seconds between two looks at what searches have found.")
    worker_starts: int = Field(
        5, ge=1, description="Starts of a worker in a minute after which it is said to keep dying."
    )

    # What is kept
    answers_kept: int = Field(
        2000, ge=1, description="Searched lays kept; the oldest that no project rests on are let go."
    )

    # What may come in
    largest_request: int = Field(6 * MEGABYTE, gt=0, description="Bytes of the largest request.")
    largest_drawing: int = Field(5 * MEGABYTE, gt=0, description="Bytes of the largest drawing or pattern document.")
    largest_photo: int = Field(5 * MEGABYTE, gt=0, description="Bytes of the largest photo.")

    largest_household: int = Field(
        256 * MEGABYTE, gt=0, description="Bytes of the largest household that is taken in or restored by the pages."
    )
    reading_memory: int = Field(
        1024 * MEGABYTE, gt=0, description="Bytes of memory that the process which reads a file from elsewhere may use."
    )
    seconds_to_read: float = Field(15.0, gt=0, description="Seconds that reading a file from elsewhere may take.")

    # Telling
    log_level: Literal["debug", "info", "warning", "error"] = Field("warning", description="What is logged.")
    log_format: Literal["text", "json"] = Field("text", description="Lines for a person, or one JSON object a line.")


def megabytes(number: int) -> str:
    """A number of bytes in words."""
    return f"{number / MEGABYTE:g} MB"


@lru_cache(maxsize=1)
def settings() -> Settings:
    """The settings of this process, read once."""
    return Settings()


def table() -> str:
    """All settings as a Markdown page."""
    rows = [
        "# Settings",
        "",
        "Each is an environment variable; without one the usual value holds. `rowanseed settings` shows those of this "
        "machine. This page is generated: `make docs`.",
        "",
        "| variable | usual | what it is |",
        "|---|---|---|",
    ]
    for name, field in Settings.model_fields.items():
        usual = "the data folder of the account" if name == "database" else field.get_default()
        shown = f"`{usual}`" if usual not in ("", None) else ""
        rows.append(f"| `ROWANSEED_{name.upper()}` | {shown} | {field.description} |")
    return "\n".join(rows)
