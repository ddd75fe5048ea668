"""What an envelope prints of its views and of its yardage, read as it is printed."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import Units, format_cloth, format_length, parse_length
from rowanseed.core.compose.as_printed import Printed, PrintedView
from rowanseed.core.compose.printed_words import ROLE_WORDS
from rowanseed.core.pattern.pieces import Role


class EnvelopeError(Exception):
    """A line that cannot be read, in the sewist's words."""


# ---------------------------------------------------------------- views

_VIEW = re.compile(r"(?:views?\s+)?(\w{1,2})\b[\s:.,;)–-]*(.*)$", re.IGNORECASE)


def read_views(text: str, unit: str) -> tuple[PrintedView, ...]:
    """The envelope's views, a line each: “B: with a tie, 20 cm longer”. Raises EnvelopeError for what is none.

    A length without a unit is in `unit`.
    """
    out: list[PrintedView] = []
    for line in (one.strip() for one in text.splitlines()):
        if not line:
            continue
        found = _VIEW.match(line)
        if found is None:
            raise EnvelopeError(f"“{line[:40]}”: begin with the view's letter, as in “B, 20 cm longer”.")
        id, rest = found[1].upper(), found[2].strip()
        if any(one.id == id for one in out):
            raise EnvelopeError(f"View {id} is there twice.")
        out.append(PrintedView(id, *_below(line, rest, unit)))
    return tuple(out)


def _below(line: str, rest: str, unit: str) -> tuple[str, float]:
    """What is printed beside a view, and how far its lower edge lies below."""
    said = re.search(r"(longer|shorter)(?:\s+by)?", rest, re.IGNORECASE)
    if said is None:
        return rest, 0.0
    figure = r"(\d+(?:[.,]\d+)?(?:\s+\d/\d)?|\d/\d)\s*(mm|cm|m|inches|inch|in|yd|\"|″)?"
    before = re.search(figure + r"\s*$", rest[: said.start()])
    after = re.match(r"\s*" + figure, rest[said.end() :])
    length = before or after
    if length is None:
        raise EnvelopeError(f"“{line[:40]}”: how much {said[1].lower()}? Say it as in “20 cm {said[1].lower()}”.")
    named = {"inches": "in", "inch": "in", '"': "in", "″": "in"}.get(length[2] or "", length[2] or unit)
    below = parse_length(length[1].replace(",", "."), named)
    start = before.start() if before is not None else said.start()
    end = said.end() + (after.end() if before is None and after is not None else 0)
    name = ", ".join(part for part in (rest[:start].strip(" ,;:–-"), rest[end:].strip(" ,;:–-")) if part)
    return name, -below if said[1].lower() == "shorter" else below


def written_views(views: Sequence[PrintedView], units: Units) -> str:
    """Views as text that reads back as the same, to 1/16 in or 0.1 cm."""
    out = []
    for one in views:
        far = format_length(abs(one.below), units, fine=True)
        how = f"{far} {'longer' if one.below > 0 else 'shorter'}" if one.below else ""
        out.append(": ".join(part for part in (one.id, ", ".join(part for part in (one.name, how) if part)) if part))
    return "\n".join(out)


# ---------------------------------------------------------------- yardage


WITH_FRACTION = r"\d+\s+\d/\d(?=\s*(?:inches|inch|in|\"|″))"
"""A width in inches and a part of one; without its unit the fraction would be a length."""


_AND = r"(?:\s*(?:,|&|\+|/|and)\s*"
_VIEWS = re.compile(
    rf"views?\s+(?P<views>\w{{1,2}}{_AND}\w{{1,2}}\b)*)(?=$|[\s:,.])[\s:,.]*(?P<rest>.*)$", re.IGNORECASE
)
_LETTERS = re.compile(rf"(?P<views>[A-Z]{_AND}[A-Z]\b)*)[\s:.]+(?P<rest>\d.*)$")
"""“View A, B 115 cm …”, “A, B 115 cm …”: whose a line is."""
_HEADED = re.compile(r"\b[A-Z](?:\s*(?:,|&|\+|/|and)\s*[A-Z]\b)*\s*:?$")
"""“Dress A, B”: whose the lines below are."""
_WIDTH = re.compile(
    rf"(?:(?P<narrow>\d{{2,3}})\s*/\s*)?(?P<wide>{WITH_FRACTION}|\d+(?:[.,]\d+)?)\s*(?P<unit>mm|cm|m\b|inches|inch|in|\"|″|”)?"
    r"(?:\s*\([^)\d]*\d[^)]*\))?"
)
"""“45″”, “44/45″” (the narrower counts), “115 cm (45″)”: how wide the cloth is; brackets say it once more."""


def read_yardage(text: str, sizes: Sequence[str], unit: str) -> tuple[Printed, ...]:
    """A table of yardage as it is printed: a line a width, figures by size. Raises EnvelopeError for what it is not.

    A first line “size 10 12 14” names the columns, else they are `sizes`; a line “view B” or “Dress A, B” says whose
    the next lines are, as do letters before a width. Each line begins with the width of the cloth; “lining”,
    “interfacing”, “contrast” say which cloth, “with nap” or “*” that all pieces lie one way. Lengths without a unit are
    metres beside a width in cm and yards beside one in inches.
    """
    columns = list(sizes)
    role, views = Role.MAIN, ("",)
    out: list[Printed] = []
    for line in (one.strip() for one in text.splitlines()):
        if not line:
            continue
        named = _VIEWS.match(line) or _LETTERS.match(line)
        if named:
            role, line = Role.MAIN, named["rest"].strip()
            letters = re.sub(r"\band\b", " ", named["views"], flags=re.IGNORECASE)
            views = tuple(dict.fromkeys(re.findall(r"\w+", letters.upper())))
            if not line:
                continue
        head = re.match(r"sizes?\b[\s:,\t|]*(.*)$", line, re.IGNORECASE)
        if head:
            columns = re.split(r"[\s,\t|]+", head[1].strip())
            continue
        own = next((r for r, words in ROLE_WORDS.items() if any(w in line.lower() for w in words)), None)
        width = _WIDTH.search(line)
        if width is None:
            role = own or Role.MAIN
            headed = _HEADED.search(line)
            views = tuple(re.findall(r"[A-Z]\b", headed[0])) if headed else views
            continue
        for row in _row(line, width, own or role, columns, unit):
            out += [replace(row, view=view) for view in views]
    if not out:
        raise EnvelopeError("No line of it begins with a width.")
    return tuple(out)


def _row(line: str, width: re.Match[str], role: Role, columns: Sequence[str], unit: str) -> list[Printed]:
    said = width["unit"] or ""
    named = "in" if said.startswith("in") or said in ('"', "″", "”") else said
    wide_unit = named or ("cm" if unit in ("cm", "mm") else "in")
    wide = parse_length(width["narrow"] or width["wide"], wide_unit)
    if not 200 <= wide <= 4000:
        raise EnvelopeError(f"“{line[:40]}”: cloth is not {width[0].strip()} wide.")
    rest = line[width.end() :]
    long_unit = "yd" if wide_unit == "in" else "m"
    said = re.search(r"\b(yds?|yards?|metres?|meters?|m|cm)\b", rest)
    if said:
        long_unit = {"y": "yd", "m": "m", "c": "cm"}[said[1][0]]
    figures = re.findall(r"\d+(?:[.,]\d+)?\s+\d/\d|\d+\s*[¼½¾⅛⅜⅝⅞]|\d+/\d|\d+(?:[.,]\d+)?|[¼½¾⅛⅜⅝⅞]", rest)
    if len(figures) == 1:
        figures = figures * len(columns)
    if len(figures) != len(columns):
        raise EnvelopeError(f"“{line[:40]}” has {len(figures)} figures, and there are {len(columns)} sizes.")
    one_way = "*" in rest or any(said in line.lower() for said in ("with nap", "with or without nap", "one way"))
    found = []
    for size, figure in zip(columns, figures, strict=True):
        try:
            long = parse_length(figure.replace(",", "."), long_unit)
        except LengthError:
            raise EnvelopeError(f"“{line[:40]}”: “{figure}” is no length.") from None
        found.append(Printed(role.value, wide, long, size, one_way))
    return found


Line = tuple[str, str, float, bool]
"""What the rows of one line have in common: view, role, width, whether all pieces lie one way."""


def _by_line(rows: Sequence[Printed]) -> dict[Line, dict[str, Printed]]:
    lines: dict[Line, dict[str, Printed]] = {}
    for row in sorted(rows, key=lambda row: row.view):
        lines.setdefault((row.view, row.role, row.width, row.one_way), {})[row.size] = row
    return lines


def as_lined(rows: Sequence[Printed]) -> tuple[Printed, ...]:
    """The rows in the order in which they are written and read back: line by line, size by size."""
    sizes = list(dict.fromkeys(row.size for row in rows))
    return tuple(found[s] for found in _by_line(rows).values() for s in sizes if s in found)


def written_yardage(rows: Sequence[Printed], units: Units) -> str:
    """Yardage as text that reads back as the same rows: to the eighth of a yard and of an inch, or to the mm."""
    sizes = list(dict.fromkeys(row.size for row in rows))

    def figure(mm: float) -> str:
        return f"{mm / 1000:.3f}".rstrip("0").rstrip(".") if units is Units.METRIC else format_cloth(mm, units)[:-3]

    out = [f"size {' '.join(sizes)}"] if any(sizes) else []
    last = ""
    for (view, role, width, one_way), found in _by_line(rows).items():
        out += [f"view {view}"] if view != last else []
        last = view
        name = "" if role == "main" else f"{role} "
        figures = (" " if units is Units.METRIC else ", ").join(figure(found[s].length) for s in sizes if s in found)
        wide = format_length(width, units, fine=units is Units.METRIC)
        out.append(f"{name}{wide} {figures} {units.large}{' with nap' if one_way else ''}")
    return "\n".join(out)
