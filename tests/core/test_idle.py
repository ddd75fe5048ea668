"""What an envelope says of a garment changes it, or is refused, or is told to be of no use: never passed over."""

import json
from enum import Enum

from hypothesis import given
from hypothesis import strategies as st

from rowanseed.core.compose import vocabulary as v
from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.described_layers import described_layers
from rowanseed.core.compose.description import Description
from rowanseed.formats.description_json import read_description, write_description
from rowanseed.formats.pattern_json import pattern_document

from .descriptions import whole_ones


def of(kind: type[Enum]) -> list[object]:
    return [one.value for one in kind]


CHOICES = {
    "front.centre": of(v.Centre),
    "back.centre": of(v.Centre),
    "opening.where": of(v.Where),
    "opening.kind": of(v.OpeningKind),
    "opening.length": [150.0, 500.0],
    "opening.count": [2, 7],
    "opening.placket": of(v.Placket),
    "opening.double_breasted": [True, False],
    "neck.shape": of(v.NeckShape),
    "neck.finish": of(v.NeckFinish),
    "collar": of(v.CollarKind),
    "sleeve.kind": of(v.SleeveKind),
    "sleeve.length": of(v.SleeveLength),
    "sleeve.end": of(v.SleeveEnd),
    "sleeve.shape": of(v.SleeveShape),
    "armhole": of(v.ArmholeFinish),
    "straps.width": [15.0, 40.0],
    "straps.go": of(v.StrapsGo),
    "waist": of(v.Waist),
    "band.width": [25.0, 60.0],
    "band.underlap": [0.0, 50.0],
    "band.parts": [1, 2],
    "skirt.kind": of(v.SkirtKind),
    "skirt.panels": [4, 6, 8],
    "skirt.fullness": [1.5, 3.0],
    "skirt.length": [450.0, 900.0],
    "skirt.darts": [True, False],
    "skirt.slit": of(v.Slit),
    "skirt.coverage": [0.5, 0.9],
    "legs.kind": of(v.LegKind),
    "legs.length": [400.0, 900.0],
    "legs.pleats": [1, 2],
    "legs.end": of(v.LegEnd),
    "hem.kind": of(v.HemKind),
    "hem.depth": [12.0, 30.0, 60.0],
    "hem.shape": of(v.HemShape),
    "ribbing": [True, False],
    "interfacing_kind": of(v.InterfacingKind),
    "underlining": [True, False],
    "interlining": [True, False],
    "pads": [True, False],
    "vent": [True, False],
    "belt": of(v.BeltKind),
    "lining.of": of(v.LiningOf),
    "lining.method": of(v.LiningMethod),
}
"""Fields of one choice, each with values that differ in what they ask for."""
ADDED = {
    **{f"{half}.shaping": of(v.Shaping) for half in ("front", "back")},
    "pockets": [{"kind": k, "on": on} for k in of(v.PocketKind) for on in of(v.PocketPlace)],
    "interfacing": [one.value for one in v.Interfaced if one is not v.Interfaced.ALL],
    "boning": of(v.Boned),
    "elastic": [{"where": where, "width": 20.0} for where in of(v.ElasticPlace)],
    "trim": [{"kind": k, "along": a} for k in of(v.TrimKind) for a in of(v.Along)],
}
"""Lists, each with what may be put into them; “all” that is interfaced already leaves nothing to be added."""


PLAIN = json.loads(write_description(Description(name="Generated", garment=v.GarmentKind.DRESS)))["features"]


def bare(features, plain=PLAIN):
    """The features of a document without what they say as it is anyway."""
    found = {name: value for name, value in features.items() if value != plain.get(name)}
    return {
        name: bare(value, plain[name]) if isinstance(value, dict) and isinstance(plain.get(name), dict) else value
        for name, value in found.items()
    }


def written(description):
    document = json.loads(write_description(description))
    return {**document, "features": bare(document["features"])}


def come_to(document):
    """Everything that is composed from a document, with what is said beside it; None where it is refused."""
    description = read_description(json.dumps(document))
    try:
        pattern = compose(description).pattern
    except DescriptionRefused:
        return None
    size = pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]
    layers = described_layers(pattern, description, view=pattern.envelope.views[0].id, size=size)
    return json.dumps({**pattern_document(pattern), "description": ""}, default=str) + repr(layers)


def is_told(found, path):
    """Whether something is told of this field, or of one beside it for the same reason, already."""
    told = {name.split(".")[1] for name, _ in json.loads(found.split("Layers(")[0]).get("assumed", ()) if "." in name}
    return path.split(".")[0] in told


def put(document, path, value):
    """The document with a field said, or with one thing more in a list."""
    made = json.loads(json.dumps(document))
    *steps, last = path.split(".")
    place = made.setdefault("features", {})
    for step in steps:
        if place.get(step) is None:
            place[step] = {}
        place = place[step]
    place[last] = [*(place.get(last) or ()), value] if path in ADDED else value
    return made


def said(document, path):
    place = document.get("features", {})
    for step in path.split("."):
        place = (place or {}).get(step)
    return place


@given(description=whole_ones, data=st.data())
def test_what_is_said_changes_the_garment_or_is_refused_or_told(description, data):
    document = written(description)
    before = come_to(document)
    if before is None:
        return
    path = data.draw(st.sampled_from(sorted({**CHOICES, **ADDED})))
    if is_told(before, path) or (path not in ADDED and said(document, path) is not None):
        return
    if path in ADDED:
        value = data.draw(st.sampled_from(ADDED[path]))
        there = said(document, path) or ()
        if value in there or "all" in there or _is_usual(path, value):
            return
        assert come_to(put(document, path, value)) != before
        return
    found = {come_to(put(document, path, value)) for value in CHOICES[path]}
    # One of its values may be what is taken anyway; all of them are not.
    assert found != {before}


def _is_usual(path, value):
    """Whether a thing is there where it is not said, so that saying it changes nothing."""
    return value == "waist dart" or value == {"where": "waist", "width": 20.0}
