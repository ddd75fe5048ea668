"""Every choice of the description document as a field of its form, by its path, with its words."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from itertools import groupby

from rowanseed.core.base.words import Worded
from rowanseed.core.compose import vocabulary as v
from rowanseed.core.pattern.envelope import Figure, Runs


@dataclass(frozen=True)
class One:
    """One of a closed set, or none of it."""

    path: str
    label: str
    kind: type[Worded]
    none: str = ""
    """What no choice is called; empty where one has to be chosen."""
    first: Worded | None = None
    """What is taken where nothing was chosen yet; else the first of the set."""

    @property
    def usual(self) -> str:
        return str((self.first or next(iter(self.kind))).value)

    @property
    def options(self) -> list[tuple[str, str]]:
        own = [(one.value, one.words) for one in sorted(self.kind, key=lambda one: one is not self.first)]
        return [("", self.none), *own] if self.none else own


@dataclass(frozen=True)
class Several:
    """Any of a closed set."""

    path: str
    label: str
    kind: type[Worded]
    only: tuple[Worded, ...] = ()
    """Those that are offered here; empty: all of them."""

    @property
    def options(self) -> list[tuple[str, str]]:
        return [(one.value, one.words) for one in (self.only or self.kind)]


@dataclass(frozen=True)
class Length:
    path: str
    label: str
    hint: str = ""


@dataclass(frozen=True)
class Number:
    path: str
    label: str
    hint: str = ""


@dataclass(frozen=True)
class Tick:
    path: str
    label: str


Field = One | Several | Length | Number | Tick


@dataclass(frozen=True)
class Group:
    """A part of the garment: its fields, and the kinds of garment that have it."""

    id: str
    name: str
    fields: tuple[Field, ...]
    of: frozenset[v.GarmentKind] = frozenset(v.GarmentKind)

    @property
    def laid(self) -> tuple[tuple[Field, ...], ...]:
        """The fields as they stand on the page: those of one row of a list side by side, any other by itself."""
        return tuple(tuple(found) for _, found in groupby(self.fields, key=lambda one: _row_of(one.path)))

    def belongs_to(self, garment: str) -> bool:
        return garment in {kind.value for kind in self.of}


def _row_of(path: str) -> str:
    """What the fields of one row of a list have in common; any other field has only itself."""
    row = re.match(r"features\.\w+\.\d+(?=\.)", path)
    return row[0] if row else path


UPPER = frozenset(kind for kind in v.GarmentKind if kind.has_bodice)
SKIRTED = frozenset(v.GarmentKind) - {v.GarmentKind.TROUSERS}
USUAL = "the usual one"
FRONT_SHAPED = (
    v.Shaping.BUST_DART,
    v.Shaping.WAIST_DART,
    v.Shaping.PRINCESS_ARMHOLE,
    v.Shaping.PRINCESS_SHOULDER,
    v.Shaping.YOKE,
    v.Shaping.SQUARE_YOKE,
    v.Shaping.GATHERS_UNDER_YOKE,
    v.Shaping.TUCKS,
    v.Shaping.PLEATS,
    v.Shaping.SHOULDER_TUCK_LEFT,
)
BACK_SHAPED = (
    v.Shaping.WAIST_DART,
    v.Shaping.SHOULDER_DART,
    v.Shaping.PRINCESS_ARMHOLE,
    v.Shaping.PRINCESS_SHOULDER,
    v.Shaping.YOKE,
    v.Shaping.PLEAT_UNDER_YOKE,
    v.Shaping.SHIRRED_PANEL,
    v.Shaping.TUCKS,
    v.Shaping.PLEATS,
)
"""What the composer drafts; the document knows more, which it refuses by name."""

NTH = ("First", "Second", "Third")
ROWS = len(NTH)


def rows(path: str, fields: Callable[[str, str], tuple[Field, ...]]) -> Iterator[Field]:
    """The fields of a list's first rows; a row whose first field is left empty is none."""
    for k in range(ROWS):
        yield from fields(f"{path}.{k}", NTH[k])


LISTS = {"pockets": "kind", "trim": "kind", "elastic": "where"}
"""The lists among the features, each with the field that makes a row."""
GROUPS = (
    Group(
        "front",
        "Front",
        (
            One("features.front.centre", "Centre front", v.Centre),
            Several("features.front.shaping", "Shaped by", v.Shaping, FRONT_SHAPED),
        ),
        frozenset(v.GarmentKind) - {v.GarmentKind.APRON, v.GarmentKind.TROUSERS},
    ),
    Group(
        "back",
        "Back",
        (
            One("features.back.centre", "Centre back", v.Centre),
            Several("features.back.shaping", "Shaped by", v.Shaping, BACK_SHAPED),
        ),
        frozenset(v.GarmentKind) - {v.GarmentKind.APRON, v.GarmentKind.TROUSERS},
    ),
    Group(
        "opening",
        "Opening",
        (
            One("features.opening.where", "Where", v.Where),
            One("features.opening.kind", "Closed by", v.OpeningKind, "nothing"),
            Length("features.opening.length", "Its length", "of buttons beside a fold that of their half placket"),
            Number("features.opening.count", "How many buttons or snaps"),
            One("features.opening.placket", "Edges that are open all the way", v.Placket, USUAL),
        ),
    ),
    Group(
        "neck",
        "Neck and collar",
        (
            One("features.neck.shape", "Shape of the neck", v.NeckShape),
            One("features.neck.finish", "Finished by", v.NeckFinish, USUAL),
            One("features.collar", "Collar", v.CollarKind, "none"),
        ),
        UPPER,
    ),
    Group(
        "sleeve",
        "Sleeves",
        (
            One("features.sleeve.kind", "Sleeve", v.SleeveKind, "no sleeve"),
            One("features.sleeve.length", "Length", v.SleeveLength, first=v.SleeveLength.LONG),
            Number("features.sleeve.pieces", "Pieces of each sleeve", "one or two"),
            One("features.sleeve.end", "End", v.SleeveEnd),
            Tick("features.sleeve.placket", "With a placket above the cuff"),
            One("features.armhole", "Without a sleeve, the armhole by", v.ArmholeFinish, USUAL),
        ),
        UPPER,
    ),
    Group(
        "waist",
        "Waist",
        (
            One("features.waist", "Waist", v.Waist, USUAL),
            Length("features.band.width", "A band's finished width"),
            Length("features.band.underlap", "Its underlap"),
            Number("features.band.parts", "Parts it is cut in", "one or two"),
        ),
    ),
    Group(
        "skirt",
        "Skirt",
        (
            One("features.skirt.kind", "Skirt", v.SkirtKind, USUAL),
            Number("features.skirt.panels", "Gores or panels", "four, six or eight"),
            Number("features.skirt.fullness", "Fullness", "times the waist, of a gathered or pleated one"),
            Length("features.skirt.length", "From the waist to the hem"),
            Number("features.skirt.coverage", "An apron covers", "share of the waist, such as 0.67"),
            One("features.skirt.slit", "Slit", v.Slit),
        ),
        SKIRTED,
    ),
    Group(
        "legs",
        "Legs",
        (
            One("features.legs.kind", "Leg", v.LegKind),
            Length("features.legs.length", "From the waist to the hem"),
            Number("features.legs.pleats", "Pleats at the waist", "on each side, none to three"),
            One("features.legs.end", "End", v.LegEnd),
        ),
        frozenset({v.GarmentKind.TROUSERS}),
    ),
    Group("hem", "Hem", (One("features.hem.kind", "Hem", v.HemKind), Length("features.hem.depth", "Depth"))),
    Group(
        "pockets",
        "Pockets, straps, belt",
        (
            *rows(
                "features.pockets",
                lambda path, nth: (
                    One(f"{path}.kind", f"{nth} pocket", v.PocketKind, "none"),
                    One(f"{path}.on", "Where", v.PocketPlace),
                    One(f"{path}.hand", "On", v.Hand, "as usual"),
                ),
            ),
            One("features.straps.closed by", "Straps", v.StrapsClosed, "none"),
            Number("features.straps.count", "How many straps"),
            Length("features.straps.width", "Their width"),
            One("features.belt", "Belt", v.BeltKind, "none"),
            Tick("features.vent", "A vent at the back"),
        ),
    ),
    Group(
        "layers",
        "Lining, interfacing, facings",
        (
            One("features.lining.method", "Lining", v.LiningMethod, "none"),
            One("features.lining.of", "It lines", v.LiningOf),
            Several("features.facing", "Facings drawn for", v.FacedEdge),
            Several("features.interfacing", "Interfacing in", v.Interfaced),
            One("features.interfacing_kind", "It is", v.InterfacingKind),
            Tick("features.underlining", "Underlined"),
            Tick("features.interlining", "Interlined for warmth"),
            Tick("features.pads", "Shoulder pads"),
        ),
    ),
    Group(
        "trims",
        "Trims, elastic, boning",
        (
            *rows(
                "features.trim",
                lambda path, nth: (
                    One(f"{path}.kind", f"{nth} trim", v.TrimKind, "none"),
                    One(f"{path}.along", "Along", v.Along),
                ),
            ),
            *rows(
                "features.elastic",
                lambda path, nth: (
                    One(f"{path}.where", f"{nth} elastic", v.ElasticPlace, "none"),
                    Length(f"{path}.width", "Its width"),
                ),
            ),
            Several("features.boning", "Boning along", v.Boned),
        ),
    ),
)
HEAD = (
    One("garment", "Garment", v.GarmentKind),
    One("figure", "For", Figure),
    One("cloth", "Cloth", v.ClothKind),
    One("runs", "The house runs", Runs),
)
