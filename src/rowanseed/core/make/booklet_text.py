"""A booklet's steps as it words them, matched to what of the garment they speak of."""

from __future__ import annotations

import math
import re
from collections import Counter
from collections.abc import Sequence
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
    "ease": "ease",
    "easing": "ease",
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
    (re.compile(r"\bset(?:ting)?[ -]?in\b|\binto the armholes?\b"), "armhole"),
    (re.compile(r"\b(?:sleeve|underarm) seams?\b"), "underarm"),
)
"""Words that a step says in two."""
ADJECTIVES = frozenset(("invisible", "centred", "lapped", "exposed", "fly", "eye"))
"""What a closure is called besides: a step says “the zip”."""
IN_PASSING = 0.4
"""Front and back are often left unsaid where there is one of the kind: “the princess seams”."""
# fmt: off
TELLING = frozenset(
    (
        "facing", "lining", "pocket", "collar", "cuff", "skirt", "hem", "belt", "waistband", "placket", "yoke",
        "stand", "sleeve", "zip", "hood",
    )
)
# fmt: on
"""Words that say which part of the garment is meant: a step that has one does not speak of a part that has not."""


@dataclass(frozen=True)
class Matched:
    """A step of the booklet, and the parts it speaks of, in words; none where nothing here was found."""

    number: str
    text: str
    about: tuple[str, ...]
    said: tuple[str, ...]


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
    often = Counter(word for words in parts.values() for word in words)
    weight = {
        word: (1.0 + math.log(len(parts) / n)) * (IN_PASSING if word in ("front", "back") else 1.0)
        for word, n in often.items()
    }
    best: dict[str, tuple[float, int]] = {}
    for k, (_, text) in enumerate(steps):
        clauses = _clauses(text)
        scores = {id: max(_score(words, said, weight) for said in clauses) for id, words in parts.items()}
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


def _clauses(text: str) -> list[frozenset[str]]:
    """The words of a step, and of each thing that it says; “hem the sleeves and the dress” hems both."""
    verb = _tokens(text.split(" ")[0]) & {"hem", "gather", "stiffen"}
    return [_tokens(text), *(_tokens(clause) | verb for clause in re.split(r",|;|\band\b|\bthen\b", text))]


def _score(words: frozenset[str], said: frozenset[str], weight: dict[str, float]) -> float:
    if not words:
        return 0.0
    fits = sum(weight[w] for w in words & said) / sum(weight[w] for w in words)
    return float(fits * 0.45 ** len((said & TELLING) - words))


def _said(bench: Workbench, id: str) -> str:
    """A part as it is spoken of in the middle of a sentence; seams and finishes keep their names."""
    return lower_first(named(bench, id)) if ":" in id else named(bench, id)


def _words_of(bench: Workbench, id: str) -> frozenset[str]:
    """The words by which a part is known."""
    kind, _, of = id.partition(":")
    if id in bench.closures:
        return _tokens(named(bench, id)) - ADJECTIVES
    if not of:
        hemmed = "hem" if id in bench.finishes and bench.finishes[id].kind is FinishKind.HEM else ""
        return _tokens(f"{named(bench, id)} {_own_words(id)} {hemmed}")
    pieces = {p.id: p.name for p in bench.pattern.pieces}
    name = pieces.get(of) or (named(bench, of) if of in bench.joins else of)
    words = {"darts": "dart", "stiffen": "stiffen", "fullness": _fullness(bench, of)}.get(kind, kind)
    return _tokens(f"{words} {name}")


def _own_words(id: str) -> str:
    """Words that the id has and the name may not have: a facing's seam is called by its facing."""
    return " ".join(word for word in id.split("-") if word in TELLING or word in ("armholes", "underarms"))


def _fullness(bench: Workbench, join: str) -> str:
    return bench.joins[join].difference.kind.value if join in bench.joins else "gather"


CLOTH_SIDES = re.compile(r"\b(?:right|wrong) sides?\b(?: of (?:the )?fabric)?", re.IGNORECASE)
"""“Right sides together” speaks of the cloth, not of the garment's side seams."""


def _tokens(text: str) -> frozenset[str]:
    text = CLOTH_SIDES.sub(" ", text)
    out = {word for phrase, word in PHRASES if phrase.search(text.lower())}
    for word in re.findall(r"[a-z]+", text.lower()):
        if word in SMALL:
            continue
        stem = ALIKE.get(word, word)
        if stem == word and len(word) > 3 and word.endswith("s") and not word.endswith("ss"):
            stem = ALIKE.get(word[:-1], word[:-1])
        if stem and stem not in SMALL:
            out.add(stem)
    return frozenset(out)
