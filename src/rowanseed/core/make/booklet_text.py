"""A booklet's steps as it words them, matched to what of the garment they speak of."""

from __future__ import annotations

import math
import re
from collections import Counter
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from rowanseed.core.base.words import lower_first
from rowanseed.core.make.choices import MakingChoices
from rowanseed.core.make.compiler import share_out
from rowanseed.core.make.part_names import named
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.making import BookletStep, FinishKind
from rowanseed.core.pattern.pattern import Pattern

SURE, BESIDE = 0.6, 0.8
"""A step speaks of a part whose words it has so far; of a second one if it has nearly as many of its words."""
# fmt: off
SMALL = frozenset(
    (
        "a", "all", "along", "and", "at", "by", "edge", "edges", "each", "end", "for", "from", "garment", "in",
        "base", "inner", "inside", "into", "is", "it", "line", "lower", "of", "off", "on", "open", "or", "other", "out",
        "over",
        "piece", "pieces", "raw", "right", "round", "seam", "seams", "section", "sections", "sew", "sewn", "so",
        "stitch", "the", "then", "this", "to", "together", "top", "turn", "turned", "two", "under", "up", "upper",
        "with", "wrong", "your",
    )
)
# fmt: on
ALIKE = {
    "zipper": "zip",
    "slide": "zip",
    "fastener": "zip",
    "interfacing": "stiffen",
    "interface": "stiffen",
    "fuse": "stiffen",
    "fusible": "stiffen",
    "gathering": "gather",
    "gathered": "gather",
    "ease": "gather",
    "easing": "gather",
    "eased": "gather",
    "face": "facing",
    "faced": "facing",
    "binding": "bind",
    "bound": "bind",
    "slash": "placket",
    "undercollar": "collar",
    "hemmed": "hem",
    "buttonhole": "button",
    "bodice": "",
    "skirt": "skirt",
    "centre": "centre",
    "center": "centre",
    "fullness": "gather",
    "eyelet": "eyelet",
}
PHRASES = (
    (re.compile(r"\bside (front|back)s?\b"), r"side\1"),
    (re.compile(r"\bset(?:ting)?[ -]?in\b|\binto the armholes?\b"), "armhole"),
    (re.compile(r"\b(?:sleeve|underarm) seams?\b"), "underarm"),
    (re.compile(r"\btops? of (?:the )?sleeves?\b|\b(?:sleeve )?caps?\b"), "sleeve armhole"),
    (re.compile(r"\bin(?:side leg |ner leg )?seams?\b|\binner legs?\b"), "inseam"),
    (re.compile(r"\bout(?:er )?seams?\b"), "side"),
    (re.compile(r"\bneckbands?\b|\bneck ribbing\b"), "neck band"),
    (
        re.compile(r"\b(?:lower|bottom|hem) (?:bands?|ribbing)\b|\bribbing to (?:the )?(?:lower edge|bottom|hem)\b"),
        "hemband",
    ),
    (re.compile(r"\bnecklines?\b"), "neck"),
    (re.compile(r"\bwaistlines?\b"), "waist"),
    (re.compile(r"\bhemlines?\b"), "hem"),
)
"""What a step says in two words."""
ADJECTIVES = frozenset(("invisible", "centred", "lapped", "exposed", "fly", "eye"))
"""What a closure is called besides: a step says “the zip”."""
UNSAID = {"front": 0.4, "back": 0.4, "waist": 0.15}
"""Front and back are often left unsaid where there is one of the kind: “the princess seams”; and where a waistband
goes: so much these words weigh."""
BESIDES, ABOUT, LATER, BY_NAME = 0.005, 0.02, 0.05, 0.9
"""Of two steps that say a part's words, that one speaks of it that says less besides, or what its pieces are called, or
says it first: so much each other word costs, each of its pieces' is worth, and what is said after the first sentence
costs. A seam is known by the names of its two pieces so far."""
# fmt: off
TELLING = frozenset(
    (
        "facing", "lining", "pocket", "collar", "cuff", "skirt", "hem", "belt", "waistband", "placket", "yoke",
        "stand", "sleeve", "zip", "hood", "stiffen",
    )
)
# fmt: on
"""Words that say which part of the garment is meant: a step that has one does not speak of a part that has not."""
CLOTH_SIDES = re.compile(r"\b(?:right|wrong) sides?\b(?: of (?:the )?fabric)?", re.IGNORECASE)
"""“Right sides together” speaks of the cloth, not of the garment's side seams."""
PRESSED = re.compile(r"\btowards? (?:the )?(?:centre|center|sides?|front|back)\b", re.IGNORECASE)
"""Where a dart is pressed is no seam either."""
JOINED = re.compile(r"\bto\b|\btogether\b|\bjoin")
"""By this a sentence joins the pieces that it names."""
CARRIED = frozenset(("hem", "gather", "stiffen"))
"""What a sentence says first, it says of all that it lists."""
DONE = {FinishKind.HEM: ("hem",), FinishKind.BINDING: ("bind", "band")}
"""What is done to an edge by its kind."""


@dataclass(frozen=True)
class Matched:
    """A step of the booklet, and the parts it speaks of, in words; none where nothing here was found."""

    number: str
    text: str
    about: tuple[str, ...]
    said: tuple[str, ...]


@dataclass(frozen=True)
class _Beside:
    """Words that may stand beside a part's own: of the pieces about it; of the pieces that an edge belongs to alone."""

    words: frozenset[str]
    pieces: frozenset[str]


def read_steps(lines: Sequence[str]) -> tuple[tuple[str, str], ...]:
    """Number and text of every step, a line each; those without a number are counted."""
    out: list[tuple[str, str]] = []
    for line in lines:
        found = re.match(r"\s*(?:step\s*)?(\d{1,3}[a-z]?)\s*[.):\-–]?\s+(.*)$", line, re.IGNORECASE)
        number, text = (found[1], found[2]) if found else (str(len(out) + 1), line.strip())
        if text:
            out.append((number, text))
    return tuple(out)


def match_steps(pattern: Pattern, lines: Sequence[str]) -> tuple[Matched, ...]:
    """What every step of a booklet speaks of. Each part belongs to the step whose words fit it best."""
    steps = read_steps(lines)
    if not steps or not pattern.making.joins:
        return tuple(Matched(number, text, (), ()) for number, text in steps)
    bench = Workbench(
        pattern=pattern,
        view=pattern.envelope.views[0].id,
        size=pattern.envelope.sizes[0],
        household=MakingChoices(),
    )
    parts = {id: _words_of(bench, id) for _, duty in share_out(bench)[0] for id in duty.ids}
    between = _named_between(bench, parts)
    pieces = sorted(frozenset().union(*between.values()), key=len, reverse=True)
    often = Counter(word for ways in parts.values() for word in frozenset().union(*ways))
    weight = {word: (1.0 + math.log(len(parts) / n)) * UNSAID.get(word, 1.0) for word, n in often.items()}
    beside = {id: _words_beside(bench, id) for id in parts}
    best: dict[str, tuple[float, int]] = {}
    for k, (_, text) in enumerate(steps):
        clauses = _clauses(text)
        scores = {
            id: max(_score(words, said, weight, beside[id]) - late for said, late in clauses for words in ways)
            for id, ways in parts.items()
        }
        joined = _joined(text, pieces)
        for id, names in between.items():
            if any(names <= said for said in joined):
                scores[id] = max(scores[id], BY_NAME)
        most = max(scores.values(), default=0.0)
        for id, score in scores.items():
            if score >= SURE and score >= BESIDE * most and score > best.get(id, (0.0, 0))[0]:
                best[id] = (score, k)
    return tuple(
        Matched(
            number,
            text,
            about := tuple(id for id, (_, at) in best.items() if at == k),
            tuple(dict.fromkeys(_said(bench, id) for id in about)),
        )
        for k, (number, text) in enumerate(steps)
    )


def as_steps(found: Sequence[Matched]) -> tuple[BookletStep, ...]:
    return tuple(BookletStep(one.number, one.about) for one in found)


def _clauses(text: str) -> list[tuple[frozenset[str], float]]:
    """The words of a step, of its sentences, and of each thing that they say; what it costs that they are said late.

    “Hem the sleeves and the dress” hems both, “apply interfacing to collar and cuffs” stiffens both.
    """
    found = [(_tokens(text), 0.0)]
    for k, sentence in enumerate(_sentences(text)):
        first, *more = re.split(r",|\band\b|\bthen\b|\bwith\b", sentence)
        verb = _tokens(first) & CARRIED
        said = (_tokens(sentence), _tokens(first), *(_tokens(clause) | verb for clause in more))
        found += [(one, LATER if k else 0.0) for one in said if one]
    return found


def _sentences(text: str) -> list[str]:
    return [one for one in re.split(r"[.;:](?:\s|$)", text) if one.strip()]


def _named_between(bench: Workbench, ids: Iterable[str]) -> dict[str, frozenset[str]]:
    """Seams that are the only one between two pieces of different names, by these names."""
    found: dict[frozenset[str], list[str]] = {}
    for id, join in bench.joins.items():
        # Beside a side front a centre front is called the front.
        names = frozenset(bench.name(part.piece).lower().removeprefix("centre ") for part in (*join.a, *join.b))
        if len(names) == 2:
            found.setdefault(names, []).append(id)
    known = set(ids)
    return {one[0]: names for names, one in found.items() if len(one) == 1 and one[0] in known}


def _joined(text: str, names: Sequence[str]) -> list[frozenset[str]]:
    """The pieces that each sentence of a step joins; of `names` the longest come first, since a side front is no
    front."""
    found = []
    for sentence in _sentences(CLOTH_SIDES.sub(" ", text).lower()):
        if JOINED.search(sentence) is None:
            continue
        said = set()
        for name in names:
            sentence, times = re.subn(rf"\b{re.escape(name)}s?\b", " ", sentence)
            if times:
                said.add(name)
        found.append(frozenset(said))
    return found


def _score(words: frozenset[str], said: frozenset[str], weight: dict[str, float], beside: _Beside) -> float:
    """How far a part's words are said; less where other parts are named that it has nothing to do with."""
    if not words:
        return 0.0
    fits = sum(weight[w] for w in words & said) / sum(weight[w] for w in words)
    elsewhere = len((said & TELLING) - words - beside.words)
    about = ABOUT * len(said & beside.pieces - words)
    return float(fits * 0.45**elsewhere + about - BESIDES * len(said - words - beside.pieces))


def _words_beside(bench: Workbench, id: str) -> _Beside:
    """What the pieces are called that a seam joins or an edge belongs to, and the garment.

    “Stitch the fronts to the yoke at the shoulders” is the shoulder seam, “hem the skirt” the hem of a skirt.
    """
    join, finish = bench.joins.get(id), bench.finishes.get(id)
    parts = (*join.a, *join.b) if join is not None else finish.parts if finish is not None else ()
    detail = bench.details.get(id)
    made_of = (*detail.pieces, *detail.on) if detail is not None else ()
    ids = (*(part.piece for part in parts), *made_of)
    pieces = frozenset(word for piece in ids for word in _tokens(bench.name(piece)))
    return _Beside(pieces | _tokens(bench.pattern.name), pieces if finish is not None else frozenset())


def _said(bench: Workbench, id: str) -> str:
    """A part as it is spoken of in the middle of a sentence; seams and finishes keep their names."""
    return lower_first(named(bench, id)) if ":" in id else named(bench, id)


def _words_of(bench: Workbench, id: str) -> tuple[frozenset[str], ...]:
    """The words by which a part is known, and others by which it is known as well."""
    kind, _, of = id.partition(":")
    if id in bench.closures:
        return (_tokens(named(bench, id)) - ADJECTIVES,)
    if not of:
        own = f"{named(bench, id)} {_own_words(id)}"
        finish, join = bench.finishes.get(id), bench.joins.get(id)
        if join is not None and all(part.edge == "crotch" for part in (*join.a, *join.b)):
            return _tokens(own), _tokens(f"{own} crotch") - {"centre"}
        if "fold" in _tokens(own):
            return _tokens(own), _tokens(f"{own} pleat") - {"fold"}
        done = DONE.get(finish.kind, ("",)) if finish is not None else ("",)
        return tuple(_tokens(f"{own} {word}") for word in done)
    pieces = {p.id: p.name for p in bench.pattern.pieces}
    name = pieces.get(of) or (named(bench, of) if of in bench.joins else of)
    words = {"darts": "dart", "folds": "pleat", "stiffen": "stiffen", "fullness": _fullness(bench, of)}.get(kind, kind)
    return (_tokens(f"{words} {name}"),)


def _own_words(id: str) -> str:
    """Words that the id has and the name may not have: a facing's seam is called by its facing."""
    return " ".join(word for word in id.split("-") if word in TELLING or word in ("armholes", "underarms"))


def _fullness(bench: Workbench, join: str) -> str:
    return bench.joins[join].difference.kind.value if join in bench.joins else "gather"


def _tokens(text: str) -> frozenset[str]:
    text = PRESSED.sub(" ", CLOTH_SIDES.sub(" ", text)).lower()
    for phrase, word in PHRASES:
        text = phrase.sub(f" {word} ", text)
    out = set()
    for word in re.findall(r"[a-z]+", text):
        if word in SMALL:
            continue
        stem = ALIKE.get(word, word)
        if stem == word and len(word) > 3 and word.endswith("s") and not word.endswith("ss"):
            stem = ALIKE.get(word[:-1], word[:-1])
        if stem and stem not in SMALL:
            out.add(stem)
    return frozenset(out)
