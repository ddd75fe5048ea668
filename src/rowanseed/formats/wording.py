"""What documents called things before ids and words were apart: old values by the key they stand under."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

Wording = Mapping[str, Mapping[str, str]]

FIT: Wording = {
    "school": {
        "by the chart": "chart",
        "by the high bust": "high-bust",
        "by the ease wanted": "ease",
        "between sizes": "between",
        "as outer wear": "outer",
        "cut to the measure": "to-measure",
    },
    "fit": {
        "as drawn": "as-drawn",
        "very loose": "very-loose",
    },
    "over": {
        "what the pattern means": "nothing",
        "a shirt more": "shirt",
        "a jumper more": "jumper",
        "a thick jumper or a jacket more": "thick",
    },
}
CLOTH: Wording = {
    "fibre": {
        "something else": "other",
    },
    "surface": {
        "sprigs, all one way up": "sprigs",
        "a tossed print": "tossed",
    },
    "border": {
        "no border": "none",
        "along one selvedge": "one",
        "along both selvedges": "both",
    },
}
CLOTH_CHOICES: Wording = {
    "lining": {
        "no lining": "none",
        "facing deducted": "deduct",
        "whole, facing laid on": "whole",
    },
    "pleat": {
        "no pleat": "none",
        "over the whole length": "full",
        "at the shoulders only": "shoulders",
    },
    "hem": {
        "hanging free": "free",
        "sewn to the hem": "attached",
    },
    "interfacing": {
        "whole, caught in the seams": "whole",
        "trimmed by the seam allowance": "trimmed",
    },
    "kind": {
        "band, folded double": "band",
        "waistband with an underlap": "waistband",
        "ruffle, hemmed": "ruffle",
        "strap, turned": "strap",
        "tie, turned": "tie",
        "bias strip for binding": "bias",
        "bias strip for double binding": "double-bias",
        "plain piece": "plain",
        "bias binding": "binding",
        "shoulder pads": "pads",
    },
    "matching": {
        "not matched": "none",
        "bars meet at the seams": "bars",
        "bars meet, lines centred": "both",
    },
}
PATTERN: Wording = {
    "kind": {
        "double notch": "double-notch",
        "dart leg": "dart-leg",
        "zip end": "zip-end",
        "gather start": "gather-start",
        "gather end": "gather-end",
        "quarter mark": "quarter",
        "lengthen or shorten here": "lengthen-shorten",
        "fold line": "fold",
        "roll line": "roll",
        "pleat line": "pleat",
        "placement line": "placement",
        "centre line": "centre",
        "pocket corner": "pocket",
        "bust point": "bust",
        "invisible zip": "invisible-zip",
        "centred zip": "centred-zip",
        "lapped zip": "lapped-zip",
        "fly zip": "fly-zip",
        "exposed zip": "exposed-zip",
        "separating zip": "separating-zip",
        "hook and eye": "hook-and-eye",
        "turned in": "turned",
        "raw on purpose": "raw",
    },
    "press": {
        "to the back": "back",
        "to the front": "front",
        "towards the facing": "facing",
        "into the band": "band",
    },
}
TACTIC_WORDS: Mapping[str, str] = {
    "lay it open, one layer": "open-out",
    "fold only as deep as the widest fold piece": "part-fold",
    "fold both edges to the middle": "two-folds",
    "let neighbours share one cutting line": "share-cuts",
    "cut bands across the grain": "bands-across",
    "a narrower hem": "narrow-hem",
    "facings from another cloth": "other-facing",
    "piece facings and bands that lie on the fold": "pieced-facing",
    "face the hem instead of turning it up": "faced-hem",
    "cut the back against the selvedges, with a seam, the front on the fold": "fold-to-selvedge",
    "collar, cuffs and bands from another cloth": "other-bands",
    "a seam where a piece lay on the fold": "centre-seam",
    "the back from another cloth": "other-back",
    "turn pieces end for end": "turn-pieces",
    "shorten it by 3 cm": "shorten",
    "sleeves from another cloth": "other-sleeves",
    "one garment fewer": "smaller-batch",
}


def in_ids(document: Any, wording: Wording, key: str = "") -> Any:
    """A document with every old value under the keys of `wording` replaced by its id."""
    match document:
        case dict():
            return {name: in_ids(value, wording, str(name)) for name, value in document.items()}
        case list():
            return [in_ids(value, wording, key) for value in document]
        case str():
            return wording.get(key, {}).get(document, document)
        case _:
            return document
