"""What an envelope prints beside its charts, read as it is printed: yardage, notions, the list of pieces."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, replace

from rowanseed.core.base.errors import LengthError
from rowanseed.core.base.units import Units, format_cloth, format_length, parse_length
from rowanseed.core.compose.description import Printed, PrintedView
from rowanseed.core.pattern.envelope import PrintedNotion
from rowanseed.core.pattern.pieces import Role

NUMBERS = {"a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8}
NUMBERS |= {"nine": 9, "ten": 10, "eleven": 11, "twelve": 12, "pair": 1}
_LENGTH = (
    r"(?:(?:\d+/\d+|\d+(?:[.,]\d+)?(?:\s+\d+/\d+)?)(?:\s?[¼½¾⅛⅜⅝⅞])?|[¼½¾⅛⅜⅝⅞])"
    r"\s*(?:mm|cm|m|inches|inch|in|yards|yard|yds|yd|\"|″|”)(?![a-z])\.?"
)
PACKET = re.compile(r"^\s*(?:pkgs?|packages?|packets?|packs?)\b\.?(?:\s*of\b)?", re.IGNORECASE)
"""What small things are sold in: it says how they come, not what they are."""
ROLE_WORDS = {
    Role.LINING: ("lining",),
    Role.INTERFACING: ("interfacing", "interface", "fusible"),
    Role.CONTRAST: ("contrast",),
    Role.UNDERLINING: ("underlining",),
}


CLOTH_WORDS = {"of", "x", "fabric", "cloth", "wide", "woven", "nonwoven", "non-woven", "iron-on", "sew-in", "sheer"}
CLOTH_WORDS |= {
    word for weight in ("light", "medium", "heavy") for word in (weight, f"{weight}weight", f"{weight}-weight")
}


class EnvelopeError(Exception):
    """A line that cannot be read, in the sewist's words."""


# ---------------------------------------------------------------- notions


def read_notion(line: str) -> PrintedNotion:
    """A notion as it is printed: how many, what, and its size: “5 buttons, 15 mm”, “invisible zip, 56 cm”."""
    text = re.sub(r"\s+", " ", line.strip(" .;"))
    lengths = re.findall(_LENGTH, text, re.IGNORECASE)
    rest = text
    for length in lengths:
        rest = rest.replace(length, " ")
    count = 1
    found = re.match(r"\s*(?:(\d+)|(" + "|".join(NUMBERS) + r"))\s*(?:x|×)?\s+(.*)$", rest, re.IGNORECASE)
    after = re.search(r"\((\d+)\)\s*$", rest)
    if after:
        count, rest = int(after[1]), rest[: after.start()]
    elif found:
        count = int(found[1]) if found[1] else NUMBERS[found[2].lower()]
        rest = found[3]
    elif last := re.match(r"(.*[a-z])[\s:]+(\d+)\s*$", rest, re.IGNORECASE):
        count, rest = int(last[2]), last[1]
    rest, packed = PACKET.subn(" ", rest)
    what = re.sub(r"\b(?:of|wide|long|or|each|about|x)\b\s*(?=$|,)|\(\s*\)|[Ø⌀×]", " ", rest, flags=re.IGNORECASE)
    what = re.sub(r"^\W*(?:(?:of|wide|long)\b\W*)+", "", what.strip(), flags=re.IGNORECASE)
    what = re.sub(r"\s*[,:]\s*(?=,|$)", "", re.sub(r"\s+", " ", what).strip()).strip(" ,:-–")
    details = [length.strip(" .") for length in lengths] + ["by the packet"] * bool(packed)
    return PrintedNotion(what or text, max(1, count), ", ".join(details))


def is_cloth(line: str) -> bool:
    """Whether a line among the notions is cloth by the length, which is reckoned from the pieces cut of it."""
    words = set(re.sub(_LENGTH, " ", line.lower(), flags=re.IGNORECASE).replace(",", " ").split())
    cloths = {word for named in ROLE_WORDS.values() for word in named}
    return bool(words & cloths) and words <= cloths | CLOTH_WORDS and bool(re.search(_LENGTH, line, re.IGNORECASE))


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


def read_yardage(text: str, sizes: Sequence[str], unit: str) -> tuple[Printed, ...]:
    """A table of yardage as it is printed: a line a width, figures by size. Raises EnvelopeError for what it is not.

    A first line “size 10 12 14” names the columns, else they are `sizes`; a line “view B” says whose the next lines
    are. Each line begins with the width of the cloth; “lining”, “interfacing”, “contrast” say which cloth, “with nap”
    or “*” that all pieces lie one way. Lengths without a unit are metres beside a width in cm and yards beside one in
    inches.
    """
    columns = list(sizes)
    role, view = Role.MAIN, ""
    out: list[Printed] = []
    for line in (one.strip() for one in text.splitlines()):
        if not line:
            continue
        named = re.match(r"views?\s+(\w{1,2})\b[\s:,.]*(.*)$", line, re.IGNORECASE)
        if named:
            role, view, line = Role.MAIN, named[1].upper(), named[2].strip()
            if not line:
                continue
        head = re.match(r"sizes?\b[\s:,\t|]*(.*)$", line, re.IGNORECASE)
        if head:
            columns = re.split(r"[\s,\t|]+", head[1].strip())
            continue
        own = next((r for r, words in ROLE_WORDS.items() if any(w in line.lower() for w in words)), None)
        width = re.search(rf"({WITH_FRACTION}|\d+(?:[.,]\d+)?)\s*(mm|cm|inches|inch|in|\"|″)?", line)
        if width is None:
            role = own or Role.MAIN
            continue
        out += [replace(row, view=view) for row in _row(line, width, own or role, columns, unit)]
    if not out:
        raise EnvelopeError("No line of it begins with a width.")
    return tuple(out)


def _row(line: str, width: re.Match[str], role: Role, columns: Sequence[str], unit: str) -> list[Printed]:
    named = {"inches": "in", "inch": "in", '"': "in", "″": "in"}.get(width[2] or "", width[2] or "")
    wide_unit = named or ("cm" if unit in ("cm", "mm") else "in")
    wide = parse_length(width[1], wide_unit)
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
    one_way = "*" in rest or "with nap" in line.lower() or "one way" in line.lower()
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


# ---------------------------------------------------------------- the list of pieces


@dataclass(frozen=True)
class ListedCut:
    count: int
    fold: bool
    role: Role


@dataclass(frozen=True)
class Listed:
    """A line of the booklet's list: “1 Front: cut 1 on fold of fabric, cut 1 interfacing”."""

    number: str
    name: str
    cuts: tuple[ListedCut, ...]


_PIECE = re.compile(
    r"\s*(?:(?P<number>\d{1,3}[a-z]?(?=[\s.):\-–])|[A-Z](?=\s*[.):\-–]\s))\s*[.):\-–]?\s+)?"
    r"(?P<name>.+?)\s*(?:[:\-–,(]\s*|\s+)?(?P<cuts>(?:\bcut\b|[x×]\s?\d+\b|\b\d+\s?[x×](?=\s|$)).*)?$",
    re.IGNORECASE,
)
"""“1 Front: cut 1 on fold”, “A – Front, 1 x fold”: the number or letter, the name, what is cut."""
_OF_CLOTH = (
    r"(?:fabric|cloth|self|main|shell|" + "|".join(word for words in ROLE_WORDS.values() for word in words) + ")"
)
_APART = re.compile(rf"[,;+&]|\band\b|\bcut\b|(?<=\w)\s+(?=\d+\s*[x×]?\s*(?:of\s+|in\s+)?{_OF_CLOTH}\b)")


def read_pieces(lines: Sequence[str]) -> tuple[Listed, ...]:
    """The booklet's list of pieces, a line each; what is cut may be missing."""
    out: list[Listed] = []
    for line in lines:
        found = _PIECE.match(line)
        if found is None or not found["name"].strip():
            continue
        name = found["name"].strip(" .:;,-–(")
        out.append(Listed(found["number"] or str(len(out) + 1), name, _cuts(found["cuts"] or "")))
    return tuple(out)


def _cuts(text: str) -> tuple[ListedCut, ...]:
    out: list[ListedCut] = []
    for part in _APART.split(text.lower()):
        part = part.strip(" .)")
        if not part:
            continue
        number = re.search(r"\d+|\b(" + "|".join(NUMBERS) + r")\b", part)
        count = (int(number[0]) if number[0].isdigit() else NUMBERS[number[0]]) if number else 0
        count *= 2 if re.search(r"\bpairs?\b", part) else 1
        role = next((r for r, words in ROLE_WORDS.items() if any(w in part for w in words)), Role.MAIN)
        before = out[-1] if out else None
        if number is None:
            # “cut 2 of fabric and interfacing”: the same again.
            if before is None or role is before.role:
                continue
            out.append(ListedCut(before.count, before.fold, role))
            continue
        out.append(ListedCut(count, "fold" in part, role))
    return tuple(out)
