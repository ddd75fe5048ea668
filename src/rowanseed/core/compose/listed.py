"""The booklet's list of pieces ticked off against what was composed; a piece too many or too few is a question."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence, Set
from dataclasses import dataclass

from rowanseed.core.compose.features.doubled_yoke import WHERE as DOUBLED
from rowanseed.core.compose.features.doubled_yoke import YOKE
from rowanseed.core.compose.piece_list import Listed
from rowanseed.core.pattern.pattern import Pattern
from rowanseed.core.pattern.pieces import LineKind, Panel, Piece, Role

ENOUGH = 0.5
ALIKE = {
    "bodice": "",
    "upper": "",
    "pattern": "",
    "piece": "",
    "the": "",
    "of": "",
    "section": "",
    "trouser": "",
    "trousers": "",
    "pants": "",
    "main": "",
    "center": "centre",
    "panel": "",
    "fly": "fly",
    "frill": "ruffle",
    "flounce": "ruffle",
    "band": "band",
    "waist": "waist",
}
COMPOUNDS = (
    ("waist band", "waistband"),
    ("neckband", "neck band"),
    ("neckline", "neck"),
    ("undercollar", "under collar"),
    ("uppercollar", "upper collar"),
    ("collar band", "collar stand"),
    ("buttonhole band", "front band"),
    ("button band", "front band"),
    ("carrier", "loop"),
    ("kangaroo pocket", "pouch pocket"),
    ("front pouch", "pouch pocket"),
    ("continuous lap", "sleeve placket strip"),
    ("sleeve lap", "sleeve placket strip"),
    ("lap strip", "sleeve placket strip"),
    ("cuff placket", "sleeve placket"),
    ("sleeve slash", "sleeve placket"),
    ("sleeve opening", "sleeve placket"),
)
"""What lists call a piece in one word or in two, and the usual words for it."""
NEVER_MORE = frozenset(("facing", "placket"))
"""Words that make another piece of what they stand beside: a sleeve's facing is not the sleeve."""
ASKS = (
    (("facing", "neck"), "features.neck.finish", "Is the neck faced?"),
    (("facing", "armhole"), "features.armhole", "Are the armholes faced?"),
    (("facing", "front"), "features.opening.placket", "Has the front a facing?"),
    (("facing", "waist"), "features.waist", "Is the waist faced?"),
    (("facing", "placket"), "features.sleeve.placket", "Have the sleeves a faced placket above the cuff?"),
    (("facing", "sleeve"), "features.sleeve.end", "Are the sleeves faced at their ends, or at a slash above the cuff?"),
    (("placket", "sleeve"), "features.sleeve.placket", "Have the sleeves a placket above the cuff?"),
    (("facing",), "features.neck.finish", "Which edge is faced?"),
    (("lining",), "features.lining.of", "Is the garment lined?"),
    (("neck", "band"), "features.neck.finish", "Does a band finish the neck, or is it a collar that stands?"),
    (("lap",), "features.sleeve.placket", "Is it the strip of a placket above the cuff?"),
    (("belt", "loop"), "features.band.loops", "How many belt loops has its band?"),
    (("collar",), "features.collar", "Has it a collar?"),
    (("neck", "tie"), "features.collar", "Has it a collar that is tied in a bow?"),
    (("bow",), "features.collar", "Has it a collar that is tied in a bow?"),
    (("hood",), "features.collar", "Has it a hood?"),
    (("stand",), "features.collar", "Has its collar a stand?"),
    (("cuff",), "features.sleeve.end", "Do the sleeves end in cuffs?"),
    (("sleeve",), "features.sleeve.kind", "Has it sleeves?"),
    (("pocket",), "features.pockets.0.kind", "Has it pockets?"),
    (("flap",), "features.pockets.0.kind", "Have its pockets flaps?"),
    (("welt",), "features.pockets.0.kind", "Are its pockets welt pockets?"),
    (("waistband",), "features.waist", "Has it a waistband?"),
    (("yoke",), "features.back.shaping", "Has it a yoke, in front or behind?"),
    (("placket",), "features.opening.kind", "Is the front closed by a placket?"),
    (("bib",), "features.bib.shape", "Has it a bib?"),
    (("strap",), "features.straps.closed by", "Has it straps?"),
    (("belt",), "features.belt", "Has it a belt?"),
    (("tie",), "features.belt", "Is it tied?"),
    (("ruffle",), "features.trim.0.kind", "Has it a ruffle?"),
    (("skirt",), "features.waist", "Is the skirt cut apart from the bodice?"),
    (("side", "front"), "features.front.shaping", "Has the front princess seams?"),
    (("side", "back"), "features.back.shaping", "Has the back princess seams?"),
    (("gore",), "features.skirt.kind", "Is the skirt gored?"),
    (("tier",), "features.skirt.kind", "Is the skirt cut in tiers?"),
)
"""What a piece asks for which nothing was composed, by the words of its name: the field, and the question."""


@dataclass(frozen=True)
class Tick:
    """A line of the list, and the piece that was composed for it; with what is different, if anything."""

    listed: Listed
    piece: Piece | None
    question: str = ""
    field: str = ""


def ticked_off(pattern: Pattern, listed: Sequence[Listed]) -> tuple[Tick, ...]:
    """Every line with its piece, and then a question for every composed piece that the list does not have."""
    if not listed:
        return ()
    pairs = _paired(pattern, listed)
    taken = {piece.id for piece in pairs.values()}
    out = []
    for k, one in enumerate(listed):
        piece = pairs.get(k)
        again = _cut_again(pattern, one, piece, taken) if piece is not None else ()
        taken |= {copy.id for copy in again}
        out.append(_line(one, piece, again))
    return (*out, *_too_many(pattern, taken))


def _cut_again(pattern: Pattern, listed: Listed, piece: Piece, taken: Set[str]) -> tuple[Piece, ...]:
    """Pieces composed for themselves that the list cuts by this one's tissue: an under collar, a lining."""
    copies = [p for p in pattern.pieces if p.id not in taken and p.shapes == piece.shapes]
    found: list[Piece] = []
    for cut in listed.cuts:
        alike = [p for p in copies if any(own.role is cut.role for own in p.cuts)]
        own = sum(one.count for one in piece.cuts if one.role is cut.role)
        whole = own + sum(one.count for p in alike for one in p.cuts if one.role is cut.role)
        if alike and (own == 0 or cut.count == whole):
            found += alike
    return tuple(found)


def _paired(pattern: Pattern, listed: Sequence[Listed]) -> dict[int, Piece]:
    """The best pairs first; each line and each piece once."""
    found = sorted(
        (
            (-_alike(one, piece), k, n)
            for k, one in enumerate(listed)
            for n, piece in enumerate(pattern.pieces)
            if _alike(one, piece) >= ENOUGH
        ),
    )
    pairs: dict[int, Piece] = {}
    used: set[int] = set()
    for _, k, n in found:
        if k not in pairs and n not in used:
            pairs[k] = pattern.pieces[n]
            used.add(n)
    return pairs


def _alike(listed: Listed, piece: Piece) -> float:
    a, b = words_of(listed.name), words_of(f"{piece.name}")
    if not a or not b or (a - b) & NEVER_MORE:
        return 0.0
    alike = len(a & b) / len(a | b)
    if a < b:
        # A short name stands for a longer one, where nothing is called so itself.
        alike = max(alike, ENOUGH)
    fold = any(piece.lies_on_fold(cut) for cut in piece.cuts)
    if alike and listed.cuts and any(cut.fold for cut in listed.cuts) == fold:
        alike += 0.05
    return alike


def words_of(name: str) -> frozenset[str]:
    text = name.lower().replace("centre", "")
    for said, usual in COMPOUNDS:
        text = text.replace(said, usual)
    words = re.findall(r"[a-z]+", text)
    out = []
    for word in words:
        stem = word[:-1] if len(word) > 3 and word.endswith("s") and not word.endswith("ss") else word
        out.append(ALIKE.get(stem, stem))
    return frozenset(word for word in out if word)


def _line(listed: Listed, piece: Piece | None, again: Sequence[Piece] = ()) -> Tick:
    if piece is None:
        words = words_of(listed.name)
        for needed, field, asked in ASKS:
            if words >= set(needed):
                said = f"Your list has “{listed.name}”, and nothing is composed for it. {asked}"
                return Tick(listed, None, said, field)
        return Tick(listed, None, f"Your list has “{listed.name}”. Which part of the garment is that?")
    question, field = _different(listed, piece, again)
    return Tick(listed, piece, question, field)


def _different(listed: Listed, piece: Piece, again: Sequence[Piece] = ()) -> tuple[str, str]:
    """What the list cuts otherwise than what was composed; `again` are pieces cut by the same tissue."""
    half = "front" if "front" in piece.id else "back"
    for cut in listed.cuts:
        own = next((c for one in (piece, *again) for c in one.cuts if c.role is cut.role), None)
        if own is None:
            if cut.role is Role.INTERFACING:
                return f"Your list cuts the {listed.name.lower()} from interfacing too.", "features.interfacing"
            if cut.role is Role.LINING:
                return f"Your list cuts the {listed.name.lower()} from lining too. Is it lined?", "features.lining.of"
            continue
        count = sum(c.count for one in (piece, *again) for c in one.cuts if c.role is cut.role)
        if cut.fold and piece.one_sided:
            asked = f"Your list cuts the {listed.name.lower()} on the fold. Are its left and right alike?"
            return asked, f"features.{half}.shaping"
        if cut.fold and not own.fold:
            asked = f"Your list cuts the {listed.name.lower()} on the fold. Has it no seam at its centre?"
            return asked, f"features.{half}.centre"
        # As many whole ones are the same garment: that tissue is not a half.
        if piece.lies_on_fold(own) and not cut.fold and cut.count != count:
            if piece.panel not in (Panel.FRONT, Panel.BACK):
                name = listed.name.lower()
                return f"Your list cuts {cut.count} of the {name}, with a centre seam; here it is cut on the fold.", ""
            asked = f"Your list cuts {cut.count} of the {listed.name.lower()}, not on the fold. Has it a centre seam?"
            return asked, f"features.{half}.centre"
        if cut.count and cut.count != count:
            return _another_count(listed, piece, cut.count, count)
    return "", ""


def _another_count(listed: Listed, piece: Piece, count: int, own: int) -> tuple[str, str]:
    said = f"Your list cuts {count} of the {listed.name.lower()}"
    if count == 2 * own and piece.id == YOKE:
        return f"{said}. Is it doubled?", DOUBLED
    if count == 2 * own and any(line.kind is LineKind.FOLD for line in piece.lines):
        return f"{said}, an outer and an inner one each; here each is one piece, folded.", ""
    return f"{said}; {own} {'is' if own == 1 else 'are'} composed.", ""


def _too_many(pattern: Pattern, taken: set[str]) -> Iterator[Tick]:
    """Composed pieces that no line of the list stands for."""
    for piece in pattern.pieces:
        if piece.id in taken:
            continue
        words = words_of(piece.name)
        field = next((field for needed, field, _ in ASKS if words >= set(needed)), "")
        said = f"“{piece.name}” is composed, and your list has none. Is it done otherwise?"
        yield Tick(Listed("", piece.name, ()), piece, said, field)
