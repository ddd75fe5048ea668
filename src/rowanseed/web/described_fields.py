"""Every choice of the description document as a field of its form, by its path, with its words."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping

from rowanseed.core.base.words import Worded
from rowanseed.core.compose import vocabulary as v
from rowanseed.core.compose.skirts import SHAPED as SHAPED_SKIRTS
from rowanseed.core.pattern.envelope import Figure, Runs, Structure
from rowanseed.web.field_kinds import Either, Field, Group, Length, Number, One, Several, Tick, When, chosen, of

ANY = frozenset(v.GarmentKind)
UPPER = frozenset(kind for kind in v.GarmentKind if kind.has_bodice)
AT_THE_WAIST = frozenset({v.GarmentKind.SKIRT, v.GarmentKind.TROUSERS})
CURVED = UPPER - {v.GarmentKind.JUMPSUIT}
"""What may end in an edge that is curved up at the sides."""
LEGGED = frozenset(kind for kind in v.GarmentKind if kind.has_legs)
SKIRTED = ANY - LEGGED - {v.GarmentKind.ROBE}
HALVES = UPPER | AT_THE_WAIST
USUAL = "the usual one"
WITH_SKIRT = UPPER | {v.GarmentKind.SKIRT}
OPENS = WITH_SKIRT - LEGGED
"""What may be open all the way down."""
FRONT_SHAPED: Mapping[Worded, frozenset[v.GarmentKind]] = {
    v.Shaping.BUST_DART: UPPER,
    v.Shaping.WAIST_DART: HALVES,
    v.Shaping.PRINCESS_ARMHOLE: UPPER,
    v.Shaping.PRINCESS_SHOULDER: UPPER,
    v.Shaping.YOKE: HALVES,
    v.Shaping.SQUARE_YOKE: UPPER,
    v.Shaping.GATHERS_UNDER_YOKE: UPPER,
    v.Shaping.PLEAT_UNDER_YOKE: UPPER,
    v.Shaping.TUCKS: WITH_SKIRT,
    v.Shaping.PLEATS: WITH_SKIRT,
    v.Shaping.SHOULDER_TUCK_LEFT: UPPER,
}
BACK_SHAPED: Mapping[Worded, frozenset[v.GarmentKind]] = {
    v.Shaping.WAIST_DART: HALVES,
    v.Shaping.SHOULDER_DART: UPPER,
    v.Shaping.PRINCESS_ARMHOLE: UPPER,
    v.Shaping.PRINCESS_SHOULDER: UPPER,
    v.Shaping.YOKE: HALVES,
    v.Shaping.GATHERS_UNDER_YOKE: UPPER,
    v.Shaping.PLEAT_UNDER_YOKE: UPPER,
    v.Shaping.SHIRRED_PANEL: UPPER,
    v.Shaping.TUCKS: WITH_SKIRT,
    v.Shaping.PLEATS: WITH_SKIRT,
}
"""What the composer drafts; the document knows more, which it refuses by name."""

NTH = ("First", "Second", "Third")
ROWS = len(NTH)


def rows(path: str, fields: Callable[[str, str], tuple[Field, ...]]) -> Iterator[Field]:
    """The fields of a list's first rows; a row whose first field is left empty is none."""
    for k in range(ROWS):
        yield from fields(f"{path}.{k}", NTH[k])


LISTS = {"pockets": "kind", "trim": "kind", "elastic": "where"}
"""The lists among the features, each with the field that makes a row."""
SEVERAL = (v.OpeningKind.BUTTONS, v.OpeningKind.SNAPS, v.OpeningKind.HOOK_AND_EYE, v.OpeningKind.TIES)
"""What closes an edge at several places."""
OPENED = (When("features.opening.where", ("", *(one.value for one in v.Where if one is not v.Where.NONE))),)
BREASTED = (
    chosen("features.opening.where", v.Where.FRONT),
    chosen("features.opening.kind", v.OpeningKind.BUTTONS),
    chosen("features.front.centre", v.Centre.OPEN),
    of(UPPER),
)
"""Fronts that may have two columns of buttons."""
DARTED = (When("features.skirt.kind", ("", *(str(kind.value) for kind in SHAPED_SKIRTS))), of(WITH_SKIRT))
SLEEVED = (When("features.sleeve.kind"),)
BANDED = (
    When("features.waist", ("", *(one.value for one in (v.Waist.WAISTBAND, v.Waist.PLAIN_BAND, v.Waist.PLEATED_BAND)))),
)
SEAMED = When("features.waist", tuple(str(one.value) for one in v.Waist if one not in (v.Waist.NONE, v.Waist.SHIRRED)))
"""A waist at which bodice and skirt are sewn together."""
BIBBED = frozenset({*AT_THE_WAIST, v.GarmentKind.APRON})
BIB = (When("features.bib.shape"), of(BIBBED))
GROUPS = (
    Group(
        "front",
        "Front",
        (
            One("features.front.centre", "Centre front", v.Centre, when=(of(WITH_SKIRT),)),
            Several("features.front.shaping", "Shaped by", v.Shaping, FRONT_SHAPED),
        ),
        HALVES,
    ),
    Group(
        "back",
        "Back",
        (
            One("features.back.centre", "Centre back", v.Centre, when=(of(WITH_SKIRT),)),
            Several("features.back.shaping", "Shaped by", v.Shaping, BACK_SHAPED),
        ),
        HALVES,
    ),
    Group(
        "opening",
        "Opening",
        (
            One("features.opening.where", "Where", v.Where),
            One("features.opening.kind", "Closed by", v.OpeningKind, "nothing", when=OPENED),
            Length(
                "features.opening.length",
                "Its length",
                "of buttons beside a fold that of their half placket",
                when=(*OPENED, When("features.opening.kind"), of(HALVES)),
            ),
            Number(
                "features.opening.count",
                "How many of them",
                when=(*OPENED, chosen("features.opening.kind", *SEVERAL), of(HALVES)),
            ),
            One(
                "features.opening.placket",
                "Edges that are open all the way",
                v.Placket,
                USUAL,
                when=(*OPENED, chosen("features.opening.kind", *SEVERAL, v.OpeningKind.SEPARATING_ZIP), of(OPENS)),
            ),
            Tick("features.opening.double_breasted", "Double-breasted: two columns of buttons", when=BREASTED),
        ),
        ANY - {v.GarmentKind.ROBE},
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
            One("features.sleeve.length", "Length", v.SleeveLength, first=v.SleeveLength.LONG, when=SLEEVED),
            Number("features.sleeve.pieces", "Pieces of each sleeve", "one or two", when=SLEEVED),
            One("features.sleeve.shape", "Shape", v.SleeveShape, when=SLEEVED),
            One("features.sleeve.end", "End", v.SleeveEnd, when=SLEEVED),
            One(
                "features.sleeve.placket",
                "Placket above the cuff",
                v.SleevePlacket,
                "none",
                when=(*SLEEVED, chosen("features.sleeve.end", *(end for end in v.SleeveEnd if end.is_cuff))),
            ),
            One(
                "features.armhole",
                "Without a sleeve, the armhole by",
                v.ArmholeFinish,
                USUAL,
                when=(When("features.sleeve.kind", ("",)),),
            ),
        ),
        UPPER,
    ),
    Group(
        "waist",
        "Waist",
        (
            One("features.waist", "Waist", v.Waist, USUAL),
            One(
                "features.waist_level",
                "Where its seam lies",
                v.WaistLevel,
                first=v.WaistLevel.NATURAL,
                when=(SEAMED, of(UPPER - LEGGED)),
            ),
            Length("features.band.width", "A band's finished width", when=BANDED),
            Length("features.band.underlap", "Its underlap", when=BANDED),
            Number("features.band.parts", "Parts it is cut in", "one or two", when=(*BANDED, of(AT_THE_WAIST))),
            Number("features.band.loops", "Belt loops", "usual five on trousers", when=(*BANDED, of(AT_THE_WAIST))),
        ),
        ANY - {v.GarmentKind.ROBE},
    ),
    Group(
        "skirt",
        "Skirt",
        (
            One("features.skirt.kind", "Skirt", v.SkirtKind, USUAL),
            Number(
                "features.skirt.panels",
                "Gores or panels",
                "four, six or eight",
                when=(chosen("features.skirt.kind", v.SkirtKind.GORED, v.SkirtKind.POINTED_PANELS),),
            ),
            Number(
                "features.skirt.tiers",
                "Tiers",
                "two to six; usual three",
                when=(chosen("features.skirt.kind", v.SkirtKind.TIERED),),
            ),
            Number(
                "features.skirt.fullness",
                "Fullness",
                "times what it is sewn to",
                whole=False,
                when=(chosen("features.skirt.kind", *(kind for kind in v.SkirtKind if kind.is_full)),),
            ),
            Either("features.skirt.darts", "Darts at its waist", USUAL, "darts", "none", when=DARTED),
            Length("features.skirt.length", "From the waist, or its seam, to the hem"),
            Number(
                "features.skirt.coverage",
                "An apron covers",
                "share of the waist, such as 0.67",
                whole=False,
                when=(of({v.GarmentKind.APRON}),),
            ),
            One("features.skirt.slit", "Slit", v.Slit, when=(of(WITH_SKIRT),)),
            One("features.skirt.grain", "Its panels lie", v.SkirtGrain, when=(of(WITH_SKIRT),)),
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
        LEGGED,
    ),
    Group(
        "hem",
        "Hem",
        (
            One("features.hem.kind", "Hem", v.HemKind),
            Length("features.hem.depth", "Depth"),
            One("features.hem.shape", "Lower edge", v.HemShape, when=(of(CURVED),)),
            Tick("features.ribbing", "Bands at neck, sleeves, legs and lower edge of ribbing"),
        ),
    ),
    Group(
        "pockets",
        "Pockets, bib, straps, belt",
        (
            *rows(
                "features.pockets",
                lambda path, nth: (
                    One(f"{path}.kind", f"{nth} pocket", v.PocketKind, "none"),
                    One(f"{path}.on", "Where", v.PocketPlace, "as usual", when=(When(f"{path}.kind"),)),
                    One(f"{path}.hand", "On", v.Hand, "as usual", when=(When(f"{path}.kind"),)),
                ),
            ),
            One("features.bib.shape", "Bib on its waistband", v.BibShape, "none", when=(of(BIBBED),)),
            Length("features.bib.width", "Its width at the top", when=BIB),
            Length("features.bib.height", "Its height", when=BIB),
            One("features.straps.closed by", "Straps", v.StrapsClosed, "none"),
            One("features.straps.go", "They go", v.StrapsGo, when=(When("features.straps.closed by"), of(UPPER))),
            Number("features.straps.count", "How many straps", when=(When("features.straps.closed by"),)),
            Length("features.straps.width", "Their width", when=(When("features.straps.closed by"),)),
            One("features.belt", "Belt", v.BeltKind, "none"),
            Tick("features.vent", "A vent at the back"),
        ),
    ),
    Group(
        "layers",
        "Lining, interfacing, facings",
        (
            One("features.lining.method", "Lining", v.LiningMethod, "none"),
            One("features.lining.of", "It lines", v.LiningOf, when=(When("features.lining.method"),)),
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
                    One(f"{path}.along", "Along", v.Along, when=(When(f"{path}.kind"),)),
                ),
            ),
            *rows(
                "features.elastic",
                lambda path, nth: (
                    One(f"{path}.where", f"{nth} elastic", v.ElasticPlace, "none"),
                    Length(f"{path}.width", "Its width", when=(When(f"{path}.where"),)),
                ),
            ),
            Several("features.boning", "Boning along", v.Boned),
        ),
    ),
)
HEAD = (
    One("garment", "Garment", v.GarmentKind),
    One("figure", "For", Figure),
    One("cloth", "Cloth", Structure),
    One("runs", "The house runs", Runs),
)
