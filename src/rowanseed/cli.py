"""The command line: serve the pages, lay a problem, plan a project."""

from __future__ import annotations

import argparse
import json
import os
import signal
import socket
import sqlite3
import sys
import tempfile
import time
from collections.abc import Sequence
from contextlib import closing
from datetime import datetime
from pathlib import Path

from pydantic import ValidationError

from rowanseed import __version__
from rowanseed.core.base.errors import DocumentError, RowanseedError, StoreError
from rowanseed.core.base.lay_errors import LayRefusal
from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.core.lay.engine import Budget, Progress, solve
from rowanseed.core.lay.problem import laid
from rowanseed.formats.description_json import compose_pattern
from rowanseed.formats.layout_json import plan_document, read_problem
from rowanseed.formats.pattern_json import write_pattern
from rowanseed.logs import set_up_logs
from rowanseed.plan import plan_project
from rowanseed.settings import Settings, settings, table


def main(arguments: Sequence[str] | None = None) -> int:
    parser = _parser()
    args = parser.parse_args(arguments)
    try:
        set_up_logs(settings().log_level, settings().log_format)
        return int(args.run(args))
    except (DocumentError, RowanseedError) as error:
        print(error, file=sys.stderr)
        return 1 if isinstance(error, LayRefusal | StoreError) else 2
    except ValidationError as error:
        for fault in error.errors():
            print(f"ROWANSEED_{str(fault['loc'][0]).upper()}: {fault['msg']}.", file=sys.stderr)
        return 2
    except sqlite3.Error as error:
        print(f"The household's file cannot be used: {error}.", file=sys.stderr)
        return 1
    except OSError as error:
        print(f"{error.filename or 'A file'} cannot be used: {error.strerror}.", file=sys.stderr)
        return 2
    except KeyboardInterrupt:
        return 130


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="rowanseed", description="From tape measure to sewing order.")
    parser.add_argument("--version", action="version", version=__version__)
    commands = parser.add_subparsers(required=True, metavar="COMMAND")

    serve = commands.add_parser("serve", help="start the pages on this machine")
    serve.add_argument("--port", type=int, help="the port to serve at (usual: 8420)")
    serve.add_argument("--demo", action="store_true", help="with a throw-away demo household")
    serve.add_argument("--database", type=Path, help="another database file than the usual one")
    serve.set_defaults(run=_serve)

    worker = commands.add_parser("worker", help="search lays for the pages, here or on another machine")
    worker.add_argument("--workers", type=int, default=os.cpu_count() or 1, help="jobs at a time (usual: one a core)")
    worker.add_argument("--parent", type=int, help=argparse.SUPPRESS)
    worker.set_defaults(run=_worker)

    warm = commands.add_parser("warm", help="compile the lay search ahead of its first use")
    warm.set_defaults(run=_warm)

    lay = commands.add_parser("lay", help="lay a layout problem and write the plan")
    lay.add_argument("problem", type=Path)
    lay.add_argument("--out", type=Path, required=True)
    _search_options(lay)
    lay.add_argument("--progress", action="store_true", help="print every better length to standard error")
    lay.set_defaults(run=_lay)

    plan = commands.add_parser("plan", help="work out all stations of a project document")
    plan.add_argument("project", type=Path)
    plan.add_argument("--out", type=Path, required=True, metavar="DIR")
    _search_options(plan)
    plan.set_defaults(run=_plan)

    describe = commands.add_parser("describe", help="compose a whole pattern from a garment's description")
    describe.add_argument("description", type=Path)
    describe.add_argument("--out", type=Path, required=True, metavar="PATTERN.json")
    describe.set_defaults(run=_describe)

    for name, words, run in (
        ("backup", "write a verified copy of the household, also while the pages are open", _backup),
        ("restore", "put a copy in place of the household; what was there is kept as a copy", _restore),
        ("export", "write the whole household as a zip of open documents", _export),
        ("import", "take a household in from such a zip; what was there is kept as a copy", _import),
    ):
        keeping = commands.add_parser(name, help=words)
        keeping.add_argument("file", type=Path)
        keeping.add_argument("--database", type=Path, help="another database file than the usual one")
        keeping.set_defaults(run=run)

    shown = commands.add_parser("settings", help="show every setting, and the environment variable that changes it")
    shown.add_argument("--markdown", action="store_true", help="as the table of docs/settings.md")
    shown.set_defaults(run=_settings)

    known = commands.add_parser("techniques", help="list what the making order knows how to sew, as docs/techniques.md")
    known.set_defaults(run=_techniques)
    return parser


def _search_options(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("--seconds", type=float, help="how long to search each cloth (usual: 2)")
    parser.add_argument(
        "--sweeps",
        type=int,
        help="sweeps to search instead of seconds, on one thread: the same again for the same seed",
    )
    parser.add_argument("--threads", type=int, default=2, help="threads of a search by the clock (usual: 2)")
    parser.add_argument("--seed", type=int, default=1)


def _budget(args: argparse.Namespace) -> Budget:
    if args.sweeps is not None:
        return Budget(sweeps=max(1, args.sweeps), seed=args.seed)
    seconds = 2.0 if args.seconds is None else max(0.0, args.seconds)
    return Budget(seconds=seconds, seed=args.seed, threads=max(1, args.threads))


def _leave_tidily() -> None:
    """A hang-up or an order to stop ends this process as Ctrl+C does, so that nothing of it is left lying about."""
    signal.signal(signal.SIGTERM, lambda number, frame: sys.exit(128 + number))
    signal.signal(signal.SIGHUP, lambda number, frame: os.kill(os.getpid(), signal.SIGTERM))


def _serve(args: argparse.Namespace) -> int:
    host, port = settings().host, args.port or settings().port
    if not 1 <= port <= 65535:
        print(f"A port is a number from 1 to 65535, and {port} is none.", file=sys.stderr)
        return 2
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except OSError:
            free = "make demo PORT=8421, or --port 8421"
            print(f"Port {port} is busy: stop what uses it, or choose another one ({free}).", file=sys.stderr)
            return 1
    _leave_tidily()
    if args.demo:
        with tempfile.TemporaryDirectory(prefix="rowanseed-demo-") as folder:
            database = Path(folder) / "demo.db"
            _settle_on(database)
            print("Making the demo household and laying out its cloths: about ten seconds.", flush=True)
            from rowanseed.demo.household import fill

            fill(database)
            return _run(database, host, port, "the demo household, thrown away at the end")
    database = args.database or settings().database
    try:
        database.parent.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        print(f"The data folder {database.parent} cannot be made: {error.strerror}.", file=sys.stderr)
        return 1
    _settle_on(database)
    from rowanseed.store.opening import open_household

    # What is wrong with the file is said before the pages are said to be open.
    open_household(database, datetime.now()).close()
    return _run(database, host, port, f"your household, kept in {database}")


def _settle_on(database: Path) -> None:
    """Have the pages, and the worker that this process starts, use this database and a queue beside it.

    The queue is opened when the modules of the jobs are first imported, so this comes before.
    """
    os.environ["ROWANSEED_DATABASE"] = str(database)
    os.environ.setdefault("ROWANSEED_QUEUE", str(database.with_suffix(".queue")))
    settings.cache_clear()


def _run(database: Path, host: str, port: int, whose: str) -> int:
    print(f"Rowanseed is open at http://{host}:{port}/ with {whose}. Stop it with Ctrl+C.", flush=True)
    import uvicorn

    from rowanseed.jobs.worker import Keeper

    # By name, so that nothing here imports the pages.
    keeper = Keeper()
    try:
        uvicorn.run(
            "rowanseed.web.serve:app",
            factory=True,
            host=host,
            port=port,
            log_config=None,
            access_log=False,
            timeout_graceful_shutdown=2,
        )
    finally:
        keeper.stop()
    return 0


def _worker(args: argparse.Namespace) -> int:
    from rowanseed.jobs.worker import run

    run(args.workers, args.parent)
    return 0


def _warm(args: argparse.Namespace) -> int:
    from rowanseed.jobs.searches import warm

    warm()
    return 0


def _lay(args: argparse.Namespace) -> int:
    try:
        text = args.problem.read_bytes()
    except OSError as error:
        raise DocumentError(f"The problem cannot be read: {error.strerror}.", "", str(args.problem)) from None
    problem = read_problem(text)
    for note in problem.notes:
        print(note, file=sys.stderr)

    def report(progress: Progress) -> None:
        if args.progress:
            print(
                f"{progress.elapsed:6.2f} s  {progress.lay:<18} {progress.length:9.1f} mm",
                file=sys.stderr,
            )

    ends = time.monotonic() + settings().longest_search
    plan = solve(problem, _budget(args), report, lambda: time.monotonic() > ends)
    args.out.write_text(json.dumps(plan_document(plan)) + "\n", encoding="utf-8")
    lays = laid(plan)
    print(f"{plan.length:.1f} mm, {lays}, {plan.density(problem):.1%} of the cloth used: {args.out}")
    return 0


def _plan(args: argparse.Namespace) -> int:
    for name in plan_project(args.project, args.out, _budget(args)):
        print(args.out / name)
    return 0


def _describe(args: argparse.Namespace) -> int:
    """Exit 2 for a description that cannot be read, or that contradicts itself: every field and reason is told."""
    try:
        text = args.description.read_bytes()
    except OSError as error:
        raise DocumentError(f"The description cannot be read: {error.strerror}.", "", str(args.description)) from None
    try:
        made = compose_pattern(text)
    except DescriptionRefused as refused:
        for one in refused.refusals:
            print(f"{one.field}: {one.why}", file=sys.stderr)
        return 2
    args.out.write_text(write_pattern(made) + "\n", encoding="utf-8")
    for field, said in made.assumed:
        print(f"look over {field}: {said}", file=sys.stderr)
    print(f"{len(made.pieces)} pieces in {len(made.envelope.sizes)} sizes: {args.out}")
    return 0


def _backup(args: argparse.Namespace) -> int:
    from rowanseed.store.backup import copy_now
    from rowanseed.store.database import connect

    with closing(connect(args.database or settings().database, create=False)) as household:
        print(copy_now(household, args.file))
    return 0


def _restore(args: argparse.Namespace) -> int:
    from rowanseed.store.backup import restore
    from rowanseed.store.database import connect

    database: Path = args.database or settings().database
    database.parent.mkdir(parents=True, exist_ok=True)
    with closing(connect(database)) as household:
        restore(household, database, args.file, datetime.now())
    print(f"{database} is now as {args.file} was; what was there before is kept among its copies.")
    return 0


def _export(args: argparse.Namespace) -> int:
    from rowanseed.formats.household_zip import write_household
    from rowanseed.store.database import connect
    from rowanseed.store.taking_out import household_rows

    with closing(connect(args.database or settings().database, create=False)) as household:
        args.file.write_bytes(write_household(household_rows(household)))
    print(args.file)
    return 0


def _import(args: argparse.Namespace) -> int:
    from rowanseed.formats.household_zip import read_household
    from rowanseed.store.backup import BEFORE_RESTORE, copies_folder, copy_now
    from rowanseed.store.opening import open_household
    from rowanseed.store.taking_out import take_in

    database, now = args.database or settings().database, datetime.now()
    rows = read_household(args.file.read_bytes())
    database.parent.mkdir(parents=True, exist_ok=True)
    with closing(open_household(database, now)) as household:
        copy_now(household, copies_folder(database) / f"{BEFORE_RESTORE}{now:%Y-%m-%d-%H%M%S}.db")
        take_in(household, rows)
    print(f"{database} holds {args.file} now; what was there before is kept among its copies.")
    return 0


def _settings(args: argparse.Namespace) -> int:
    if args.markdown:
        print(table())
        return 0
    for name in Settings.model_fields:
        shown = "…" if name == "queue_key" and settings().queue_key else getattr(settings(), name)
        print(f"ROWANSEED_{name.upper()}={shown}")
    return 0


def _techniques(args: argparse.Namespace) -> int:
    from rowanseed.core.make.listing import markdown

    print(markdown(), end="")
    return 0


if __name__ == "__main__":
    sys.exit(main())
