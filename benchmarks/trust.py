"""Whether records stay: kills in mid write, a simulated power cut, fuzzed requests and hostile files at a real server.

All of it runs on throw-away databases and on the loopback interface only, and is bounded in count and in time: what was
not reached within `LONGEST` is reported by the figure that counts. Bytes are mutated with a fixed seed.
"""

from __future__ import annotations

import importlib
import json
import os
import pkgutil
import random
import re
import shutil
import signal
import socket
import sqlite3
import struct
import subprocess
import sys
import tempfile
import threading
import time
import zipfile
import zlib
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from dataclasses import dataclass, field
from datetime import date, datetime
from html import unescape
from io import BytesIO
from pathlib import Path
from urllib.parse import urlencode

import httpx

from benchmarks.figures import Figure
from rowanseed.core.body.measures import Age
from rowanseed.demo.household import fill
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import write_pattern
from rowanseed.store import people
from rowanseed.store.database import connect
from rowanseed.store.opening import open_household
from rowanseed.web import pages

KILLS, CUTS, REQUESTS, FILES = 300, 200, 2000, 500
LONGEST = 300.0
"""Seconds a part may take at most."""
NOW = datetime(2026, 11, 20, 12, 0)
BESIDE = 0.25
"""Seconds between looks at the shelf while others are at it."""


def figures() -> Iterator[Figure]:
    with tempfile.TemporaryDirectory() as folder:
        yield from _kills(Path(folder) / "kills.db")
        yield from _power_cuts(Path(folder))
        demo = Path(folder) / "demo.db"
        fill(demo)
        yield from _requests(demo)
        yield from _files(demo)


# ---------------------------------------------------------------- killed, and the current gone


def _write_on(database: Path, told: int, begins: int) -> None:
    """Keep people and say so, a number a line, until killed."""
    db = connect(database)
    number = begins
    while True:
        people.save_person(db, None, f"Singer {number}", Age.ADULT, {"hip": 900.0}, date(2026, 11, 20))
        os.write(told, struct.pack("<I", number))
        number += 1


def _names(database: Path) -> set[str]:
    with closing(connect(database)) as db:
        if db.execute("PRAGMA integrity_check").fetchone()[0] != "ok":
            raise RuntimeError("the database is damaged")
        return {person.name for person in people.people(db)}


def _kills(database: Path) -> Iterator[Figure]:
    """A writer killed again and again with no chance to tidy up; another connection is open, as a page would be."""
    chance, begun = random.Random(1), time.monotonic()
    open_household(database, NOW).close()
    reader = connect(database)
    acknowledged, done, lost = 0, 0, 0
    while done < KILLS and time.monotonic() - begun < LONGEST:
        hears, tells = os.pipe()
        writer = os.fork()
        if writer == 0:
            os.close(hears)
            try:
                _write_on(database, tells, acknowledged)
            finally:
                os._exit(1)
        os.close(tells)
        os.read(hears, 4)
        time.sleep(chance.uniform(0.0, 0.06))
        os.kill(writer, signal.SIGKILL)
        os.waitpid(writer, 0)
        with os.fdopen(hears, "rb") as rest:
            said = acknowledged + 1 + len(rest.read()) // 4
        kept = _names(database)
        lost += sum(f"Singer {k}" not in kept for k in range(acknowledged, said))
        # What was written and not yet said stays too; the next writer goes on after it.
        acknowledged = max(said, len(kept))
        done += 1
    reader.close()
    yield Figure(area="trust", name="kills-while-writing", value=done, limit=KILLS, at_least=True)
    yield Figure(area="trust", name="kills-records-acknowledged", value=acknowledged, limit=None)
    yield Figure(area="trust", name="kills-records-lost", value=lost, limit=0)


def _power_cuts(folder: Path) -> Iterator[Figure]:
    """The log as it was when a write was acknowledged, and behind it nothing, or what a disk had not written out.

    Every acknowledged write is synced first (`synchronous=FULL`), so a power cut may take or spoil only what comes
    after. Where the machine can trace system calls, that the sync really comes before the answer is looked at as well.
    """
    chance = random.Random(2)
    database = folder / "power.db"
    open_household(database, NOW).close()
    held, db = connect(database), connect(database)  # another connection keeps the log from being folded in
    db.execute("PRAGMA wal_autocheckpoint=0")
    log = database.with_name(database.name + "-wal")
    at: list[int] = []
    for number in range(CUTS):
        people.save_person(db, None, f"Singer {number}", Age.ADULT, {"hip": 900.0}, date(2026, 11, 20))
        at.append(log.stat().st_size)
    main, whole = database.read_bytes(), log.read_bytes()
    db.close()
    held.close()
    lost = 0
    for number, size in enumerate(at):
        torn = whole[size : size + chance.randint(0, 20_000)]
        spoiled = bytes(b if chance.random() > 0.02 else chance.randrange(256) for b in torn)
        image = folder / "image.db"
        for suffix in ("", "-wal", "-shm"):
            image.with_name(image.name + suffix).unlink(missing_ok=True)
        image.write_bytes(main)
        image.with_name("image.db-wal").write_bytes(whole[:size] + spoiled)
        kept = _names(image)
        lost += sum(f"Singer {k}" not in kept for k in range(number + 1))
    yield Figure(area="trust", name="power-cuts", value=len(at), limit=CUTS, at_least=True)
    yield Figure(area="trust", name="power-cut-records-lost", value=lost, limit=0)
    unsynced = _unsynced(folder)
    if unsynced is not None:
        yield Figure(area="trust", name="answers-before-their-sync", value=unsynced, limit=0)


def _unsynced(folder: Path) -> int | None:
    """How many of 50 answers came before what they acknowledge was synced; None where nothing can be traced."""
    if shutil.which("strace") is None:
        return None
    database, trace = folder / "traced.db", folder / "trace"
    open_household(database, NOW).close()
    code = (
        "import sys\nfrom pathlib import Path\nfrom datetime import date\n"
        "from rowanseed.core.body.measures import Age\nfrom rowanseed.store import people\n"
        "from rowanseed.store.database import connect\n"
        "other, db = connect(Path(sys.argv[1])), connect(Path(sys.argv[1]))\nfor k in range(50):\n"
        "    people.save_person(db, None, f'Singer {k}', Age.ADULT, {'hip': 900.0}, date(2026, 11, 20))\n"
        "    print('kept', flush=True)\n"
    )
    calls = "trace=pwrite64,write,fsync,fdatasync"
    ran = subprocess.run(
        ["strace", "-y", "-e", calls, "-o", str(trace), sys.executable, "-c", code, str(database)], capture_output=True
    )
    if ran.returncode:
        return None
    dirty, early, answers = False, 0, 0
    for line in trace.read_text(errors="replace").splitlines():
        if "traced.db-wal>" in line:
            dirty = line.startswith("pwrite64")
        elif line.startswith("write(1") and "kept" in line:
            answers += 1
            early += dirty
    return early if answers == 50 else None


# ---------------------------------------------------------------- a server, and somebody who looks at the shelf


@dataclass
class Beside:
    """Somebody who opens the shelf again and again; `slowest` in seconds, `failed` looks that were no page."""

    slowest: float = 0.0
    looks: int = 0
    failed: list[str] = field(default_factory=list)
    over: threading.Event = field(default_factory=threading.Event)

    def watch(self, address: str) -> None:
        with httpx.Client(base_url=address, timeout=30.0) as client:
            while not self.over.wait(BESIDE):
                begun = time.perf_counter()
                try:
                    answer = client.get("/")
                    if answer.status_code != 200:
                        self.failed.append(_told(answer))
                except httpx.HTTPError as error:
                    self.failed.append(type(error).__name__)
                self.looks += 1
                self.slowest = max(self.slowest, time.perf_counter() - begun)


def _told(answer: httpx.Response) -> str:
    """What was asked, and what was answered: the status and the heading of the page."""
    heading = re.search(r"<h1[^>]*>([^<]*)<", answer.text)
    asked = f"{answer.request.method} {answer.request.url.path}"
    return f"{asked} {answer.status_code} {heading[1] if heading else ''}"


@contextmanager
def _server(demo: Path) -> Iterator[str]:
    """A real server with a copy of the demo household, on the loopback interface."""
    with tempfile.TemporaryDirectory() as folder:
        database = Path(folder) / "house.db"
        shutil.copy(demo, database)
        with closing(socket.socket()) as free:
            free.bind(("127.0.0.1", 0))
            port = free.getsockname()[1]
        command = [sys.executable, "-m", "rowanseed.cli", "serve", "--port", str(port), "--database", str(database)]
        quick = {"ROWANSEED_SECONDS_FOR_A_LAY": "0.5", "ROWANSEED_SECONDS_FOR_A_WIDTH": "0.3"}
        with (Path(folder) / "log").open("wb") as log:
            process = subprocess.Popen(command, env={**os.environ, **quick}, stdout=log, stderr=log)
            try:
                address = f"http://127.0.0.1:{port}"
                _wait_for(address)
                yield address
            finally:
                process.terminate()
                process.wait(20)


def _wait_for(address: str) -> None:
    for _ in range(200):
        try:
            httpx.get(address, timeout=5.0)
        except httpx.HTTPError:
            time.sleep(0.1)
        else:
            return
    raise RuntimeError("the server did not start")


def _sent(
    area: str, demo: Path, wanted: int, send: Callable[[httpx.Client, random.Random], httpx.Response]
) -> Iterator[Figure]:
    """So many sendings by two clients: what came of them, and what somebody beside them noticed."""
    faults: list[str] = []
    counted = [0]
    lock, begun, beside = threading.Lock(), time.monotonic(), Beside()

    def work(seed: int, address: str) -> None:
        chance = random.Random(seed)
        with httpx.Client(base_url=address, timeout=30.0, headers={"origin": address}) as client:
            while time.monotonic() - begun < LONGEST:
                with lock:
                    if counted[0] >= wanted:
                        return
                    counted[0] += 1
                try:
                    answer = send(client, chance)
                except (httpx.InvalidURL, ValueError):
                    continue  # what a client cannot even send is no request
                except httpx.HTTPError as error:
                    faults.append(f"{type(error).__name__}")
                    continue
                if answer.status_code >= 500 or "Traceback (most" in answer.text:
                    faults.append(_told(answer))

    with _server(demo) as address:
        watcher = threading.Thread(target=beside.watch, args=(address,))
        watcher.start()
        workers = [threading.Thread(target=work, args=(seed, address)) for seed in (1, 2)]
        for worker in workers:
            worker.start()
        for worker in workers:
            worker.join()
        beside.over.set()
        watcher.join()
    for fault in sorted({*faults, *beside.failed})[:20]:
        print(f"# {area}: {fault}", file=sys.stderr)
    yield Figure(area="trust", name=f"{area}-sent", value=counted[0], limit=wanted, at_least=True)
    yield Figure(area="trust", name=f"{area}-faults", value=len(faults), limit=0)
    yield Figure(area="trust", name=f"{area}-shelf-beside-looks", value=beside.looks, limit=None)
    yield Figure(area="trust", name=f"{area}-shelf-beside-failed", value=len(beside.failed), limit=0)
    yield Figure(area="trust", name=f"{area}-shelf-beside-slowest-seconds", value=beside.slowest, limit=2.0)


# ---------------------------------------------------------------- requests

ODD = (
    *("", " ", "0", "-1", "1", "2", "999", "92233720368547758079", "²", "½", "1e999", "NaN", "None", "true", "[]"),
    *("{}", "\x00", "\ud7ff", "☃" * 300, "x" * 20_000, "9" * 5000, "_" * 9000, "1/0", "36 1/2 in", "-3 cm", "80 cm"),
    *("' OR 1=1 --", "<script>alert(1)</script>", "../../etc/passwd", "main", "A", "14", "yes", "no", "\r\nX: y"),
)
IN_PATH = ("1", "2", "3", "5", "8", "0", "-1", "99999", "9" * 30, "main", "lining", "x", "%00", "..", "²", "A" * 2000)
LOOKED_AT = (
    *("/household", "/people/new", "/people/1", "/cloths/new", "/cloths/1", "/projects/new", "/household/records"),
    *("/patterns/1", "/shopping", "/people/1/measuring"),
    *(
        f"/projects/{n}/{page}"
        for n in (1, 2, 4, 5)
        for page in ("fit", "fit/alter", "fit/seams", "cloth", "cloth/layers", "cloth/extras", "lay", "cut", "keep")
    ),
)


@dataclass(frozen=True)
class FormSeen:
    """A form as a page shows it: where it goes and what stands in it."""

    action: str
    fields: tuple[tuple[str, str], ...]


def _forms(demo: Path) -> list[FormSeen]:
    """Every form of the pages of the demo household."""
    found = {}
    with _server(demo) as address, httpx.Client(base_url=address, timeout=30.0) as client:
        for path in LOOKED_AT:
            page = client.get(path).text
            for action, inside in re.findall(r"<form[^>]*\baction=\"([^\"]*)\"[^>]*>(.*?)</form>", page, re.S):
                names = [
                    (name, dict(re.findall(r"(value)=\"([^\"]*)\"", tag)).get("value", ""))
                    for tag, name in re.findall(
                        r"(<(?:input|select|button|textarea)[^>]*\bname=\"([^\"]+)\"[^>]*>)", inside
                    )
                ]
                seen = FormSeen(unescape(action), tuple((unescape(n), unescape(v)) for n, v in names))
                found[seen.action, tuple(n for n, _ in seen.fields)] = seen
    return list(found.values())


def _requests(demo: Path) -> Iterator[Figure]:
    routes = [
        (method, route.path)
        for module in pkgutil.iter_modules(pages.__path__)
        for route in importlib.import_module(f"{pages.__name__}.{module.name}").router.routes
        for method in sorted(route.methods)
        if "events" not in route.path
    ]
    forms = _forms(demo)

    def send(client: httpx.Client, chance: random.Random) -> httpx.Response:
        if chance.random() < 0.6:
            form = chance.choice(forms)
            fields = [[name, value] for name, value in form.fields if name != "once"]
            for _ in range(chance.randint(1, 3)):
                if fields:
                    chance.choice(fields)[int(chance.random() > 0.15)] = chance.choice(ODD)
            body = urlencode([(name, value) for name, value in fields], errors="replace")
            kind = {"content-type": "application/x-www-form-urlencoded"}
            return client.post(form.action, content=body, headers=kind)
        method, path = chance.choice(routes)
        path = re.sub(r"\{[^}]*\}", lambda _: chance.choice(IN_PATH), path)
        query = {chance.choice(("size", "role", "lay", "step", "person", "next", "q")): chance.choice(ODD)}
        headers = {"referer": "http://[", "accept-language": "x" * 500} if chance.random() < 0.1 else {}
        return client.request(method, path, params=query if chance.random() < 0.5 else None, headers=headers)

    yield from _sent("requests", demo, REQUESTS, send)


# ---------------------------------------------------------------- files


def _png(width: int, height: int) -> bytes:
    def chunk(kind: bytes, data: bytes) -> bytes:
        return struct.pack(">I", len(data)) + kind + data + struct.pack(">I", zlib.crc32(kind + data))

    head = struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)
    body = zlib.compress(b"\0" * 4000)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", body) + chunk(b"IEND", b"")


def _svg(inside: str) -> bytes:
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="900mm" height="900mm" viewBox="0 0 900 900">{inside}</svg>'
    ).encode()


def _nested(deep: int) -> str:
    layers = ['<path id="l0" d="M0 0h100v100h-100z"/>']
    layers += [f'<g id="l{k}">' + f'<use href="#l{k - 1}"/>' * 10 + "</g>" for k in range(1, deep)]
    return "".join(layers)


def _zip(name: str, data: bytes) -> bytes:
    out = BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr(name, data)
    return out.getvalue()


def _seeds() -> dict[str, list[bytes]]:
    """What is sent, by where it goes: whole ones to be spoiled, and some that are made to do harm."""
    outline = '<g id="size-12"><path id="front" d="M10 10h200v600h-200z"/></g>'
    drawings = [
        _svg(outline),
        _svg(_nested(12)),
        _svg('<path id="front" d="M0 0A1e300 1e300 0 0 1 50 50L0 50z"/>'),
        _svg(f'<path id="{"_" * 90_000}12" d="M0 0h50v50h-50z"/>'),
        _svg(f'<path id="front" d="M0 0{"l1 0 0 1" * 40_000}z"/>'),
        b'<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">'
        + b"".join(f'<!ENTITY a{k} "{f"&a{k - 1};" * 10}">'.replace("&a-1;", "&a;").encode() for k in range(9))
        + b"]><svg>&a8;</svg>",
        b'<?xml version="1.0" encoding="klingon"?><svg/>',
        b"[" * 200_000,
        b'{"format": "rowanseed-pattern/2", "name": "\\ud800"}',
        write_pattern(draft()).encode(),
    ]
    photos = [_png(4, 4), _png(60_000, 60_000), b"GIF89a" + b"\xff" * 400, b"\xff\xd8\xff\xe0" + b"\0" * 400]
    return {
        "/patterns/new": drawings,
        "/cloths/1/photo": photos,
        "/household/records/take-in": [
            _zip("household.json", json.dumps({"format": "rowanseed-household/1"}).encode()),
            _zip("../../household.json", b"{}"),
            _zip("household.json", b"0" * 200_000_000),
        ],
        "/household/records/restore-file": [b"SQLite format 3\0" + b"\0" * 5000, sqlite3.sqlite_version.encode()],
    }


def _spoiled(data: bytes, chance: random.Random) -> bytes:
    """A few bytes changed, taken out or doubled; sometimes none."""
    made = bytearray(data)
    for _ in range(chance.choice((0, 1, 3, 20))):
        at = chance.randrange(len(made) or 1)
        match chance.randrange(3):
            case 0 if made:
                made[at] = chance.randrange(256)
            case 1:
                del made[at : at + chance.randint(1, 200)]
            case _:
                made[at:at] = made[at : at + chance.randint(1, 200)]
    return bytes(made)


def _files(demo: Path) -> Iterator[Figure]:
    seeds = _seeds()
    places = ["/patterns/new"] * 5 + ["/cloths/1/photo"] * 3 + list(seeds)[2:]

    def send(client: httpx.Client, chance: random.Random) -> httpx.Response:
        place = chance.choice(places)
        field_name = "photo" if place.endswith("photo") else "file"
        name = chance.choice(("front.svg", "p.json", "a.png", "../x.svg", "☃.zip", ""))
        return client.post(place, files={field_name: (name, _spoiled(chance.choice(seeds[place]), chance))})

    yield from _sent("files", demo, FILES, send)
