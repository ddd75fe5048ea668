"""What is said of one garment, as its envelope and its line drawing tell it.

Fields are those of `docs/formats/description.md`, their values those of `vocabulary`. Lengths are millimetres. What is
not said is None (or empty), and takes the usual value when the pattern is composed.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from rowanseed.core.compose.as_printed import Measured, Printed, PrintedView, Row
from rowanseed.core.compose.vocabulary import (
    PRINCESS,
    Along,
    ArmholeFinish,
    BeltKind,
    BibShape,
    Boned,
    Centre,
    CollarKind,
    ElasticPlace,
    FacedEdge,
    GarmentKind,
    Hand,
    HemKind,
    HemShape,
    Interfaced,
    InterfacingKind,
    LegEnd,
    LegKind,
    LiningMethod,
    LiningOf,
    NeckFinish,
    NeckShape,
    OpeningKind,
    Placket,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtGrain,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    SleevePlacket,
    SleeveShape,
    Slit,
    StrapsClosed,
    StrapsGo,
    TrimKind,
    Waist,
    WaistLevel,
    Where,
)
from rowanseed.core.pattern.envelope import Figure, Runs, Structure


@dataclass(frozen=True)
class Side:
    """The front or the back: how its centre is cut, and what shapes it."""

    centre: Centre = Centre.FOLD
    shaping: tuple[Shaping, ...] = ()

    @property
    def princess(self) -> Shaping | None:
        return next((one for one in self.shaping if one in PRINCESS), None)

    def has(self, *shaping: Shaping) -> bool:
        return any(one in self.shaping for one in shaping)


@dataclass(frozen=True)
class Opening:
    where: Where = Where.NONE
    kind: OpeningKind | None = None
    length: float | None = None
    count: int | None = None
    """How many fasten it: buttons in both columns where it is double-breasted."""
    placket: Placket | None = None
    double_breasted: bool = False

    @property
    def rows(self) -> int | None:
        """How many stand one below the other; None where nothing is said."""
        return max(1, self.count // 2) if self.count is not None and self.double_breasted else self.count


@dataclass(frozen=True)
class Neck:
    shape: NeckShape = NeckShape.ROUND
    finish: NeckFinish | None = None


@dataclass(frozen=True)
class Sleeve:
    kind: SleeveKind = SleeveKind.SET_IN
    pieces: int = 1
    length: SleeveLength = SleeveLength.LONG
    end: SleeveEnd = SleeveEnd.HEM
    placket: SleevePlacket | None = None
    shape: SleeveShape = SleeveShape.PLAIN


@dataclass(frozen=True)
class Straps:
    count: int = 2
    width: float = 20.0
    closed_by: StrapsClosed = StrapsClosed.SEWN_IN
    go: StrapsGo = StrapsGo.OVER
    """Of a top without shoulders; those of a bib go as their number says."""


@dataclass(frozen=True)
class Bib:
    """What stands on the front of a waistband: how wide it is at its top and how high, in mm (None: as is usual)."""

    shape: BibShape = BibShape.TAPERED
    width: float | None = None
    height: float | None = None


@dataclass(frozen=True)
class Band:
    """A waistband: how wide it is finished, how far it laps, and in how many parts it is cut (None: as is usual); how
    many belt loops stand on it."""

    width: float = 35.0
    underlap: float = 30.0
    parts: int | None = None
    loops: int = 0


@dataclass(frozen=True)
class Skirt:
    kind: SkirtKind = SkirtKind.A_LINE
    panels: int | None = None
    tiers: int | None = None
    fullness: float | None = None
    length: float | None = None
    darts: bool | None = None
    slit: Slit = Slit.NONE
    grain: SkirtGrain = SkirtGrain.LENGTHWISE
    coverage: float | None = None


@dataclass(frozen=True)
class Legs:
    kind: LegKind = LegKind.STRAIGHT
    length: float | None = None
    pleats: int = 0
    end: LegEnd = LegEnd.HEM


@dataclass(frozen=True)
class Hem:
    kind: HemKind = HemKind.TURNED
    depth: float | None = None
    shape: HemShape = HemShape.LEVEL


@dataclass(frozen=True)
class Pocket:
    kind: PocketKind = PocketKind.PATCH
    on: PocketPlace = PocketPlace.FRONT
    hand: Hand | None = None

    @property
    def hands(self) -> Hand:
        """Where it is: a patch on the chest on the left only, unless it is said (common practice, no source)."""
        if self.hand is not None:
            return self.hand
        breast = self.kind is PocketKind.PATCH and self.on is PocketPlace.CHEST
        return Hand.LEFT if breast else Hand.BOTH

    @property
    def count(self) -> int:
        return 2 if self.hands is Hand.BOTH else 1


@dataclass(frozen=True)
class Lining:
    of: LiningOf = LiningOf.ALL
    method: LiningMethod = LiningMethod.BY_HAND
    drawn: bool = False


@dataclass(frozen=True)
class Elastic:
    where: ElasticPlace
    width: float = 20.0


@dataclass(frozen=True)
class Trim:
    kind: TrimKind
    along: Along


@dataclass(frozen=True)
class Features:
    """Everything the line drawing shows."""

    front: Side = Side()
    back: Side = Side()
    opening: Opening = Opening()
    neck: Neck = Neck()
    collar: CollarKind | None = None
    sleeve: Sleeve | None = None
    armhole: ArmholeFinish | None = None
    straps: Straps | None = None
    bib: Bib | None = None
    waist: Waist | None = None
    waist_level: WaistLevel = WaistLevel.NATURAL
    band: Band = Band()
    skirt: Skirt | None = None
    legs: Legs = Legs()
    hem: Hem = Hem()
    pockets: tuple[Pocket, ...] = ()
    lining: Lining | None = None
    facing: frozenset[FacedEdge] = frozenset()
    interfacing: frozenset[Interfaced] = frozenset()
    interfacing_kind: InterfacingKind = InterfacingKind.FUSIBLE
    underlining: bool = False
    interlining: bool = False
    pads: bool = False
    vent: bool = False
    boning: tuple[Boned, ...] = ()
    elastic: tuple[Elastic, ...] = ()
    trim: tuple[Trim, ...] = ()
    belt: BeltKind | None = None
    ribbing: bool = False
    """Bands at neck, sleeves, legs and lower edge are cut of ribbing, and not of the garment's own cloth."""

    @property
    def wraps(self) -> bool:
        """Whether fronts with lapels or a V neck lap far over each other, and a tie belt alone holds them."""
        turned = self.collar is not None and self.collar.turns_back
        shaped = turned or (self.collar is None and self.neck.shape is NeckShape.V)
        held = self.opening.kind is None and self.belt is BeltKind.TIE
        return shaped and held and self.front.centre is Centre.OPEN

    @property
    def crosses(self) -> bool:
        """Whether the neck runs on down fronts that lap, to where they cross at the belt."""
        return self.wraps and self.collar is None

    @property
    def is_bagged(self) -> bool:
        """Whether a bagged lining meets the edges itself."""
        return self.has_bagged_lining and not self.is_bagged_at_hem

    @property
    def has_bagged_lining(self) -> bool:
        return self.lining is not None and self.lining.method is LiningMethod.BAGGED

    @property
    def is_bagged_at_hem(self) -> bool:
        """Whether a bagged lining hangs beside facings, as under a collar, and is bagged at hem and sleeve ends."""
        return self.has_bagged_lining and self.collar is not None

    @property
    def sides(self) -> tuple[tuple[str, Side], tuple[str, Side]]:
        """Front and back by their names in the document."""
        return ("front", self.front), ("back", self.back)


@dataclass(frozen=True)
class Description:
    """A garment as its envelope tells it. Charts map a measure to one figure a size; empty where nothing is said."""

    name: str
    garment: GarmentKind
    house: str = ""
    code: str = ""
    figure: Figure = Figure.WOMEN
    cloth: Structure = Structure.WOVEN
    allowance: float = 15.0
    sizes: tuple[str, ...] = ()
    sized_by: tuple[str, ...] = ()
    body_chart: Mapping[str, Row] = field(default_factory=dict)
    finished: Mapping[str, Row] = field(default_factory=dict)
    views: tuple[PrintedView, ...] = ()
    """The views that are printed; empty: one, as it is described."""
    yardage: tuple[Printed, ...] = ()
    notions: tuple[str, ...] = ()
    fabrics: tuple[str, ...] = ()
    runs: Runs = Runs.TRUE
    pieces: tuple[str, ...] = ()
    """The booklet's list of pieces, a line each; it is ticked off, and changes nothing."""
    booklet: tuple[str, ...] = ()
    """The booklet's steps, a line each."""
    confirmed: Mapping[str, str] = field(default_factory=dict)
    """What was assumed and has been looked at and found right: field → in words."""
    features: Features = Features()
    said: frozenset[str] = frozenset()
    """The fields that were said, by their names in the document (`features.neck.finish`); all else is assumed."""
    measured: Mapping[str, Measured] = field(default_factory=dict)

    @property
    def is_without_shoulders(self) -> bool:
        """Whether it has no shoulders to hang from: straps hold it up, or it stands by itself."""
        return self.garment.has_bodice and (self.features.straps is not None or self.is_strapless)

    @property
    def is_halter(self) -> bool:
        """Whether it hangs from the neck, by a strap round it or by two that are tied there."""
        straps = self.features.straps
        return self.garment.has_bodice and straps is not None and straps.go is StrapsGo.ROUND

    @property
    def is_strapless(self) -> bool:
        """Whether it stands by itself, without straps or shoulders."""
        return self.garment.has_bodice and self.features.neck.shape is NeckShape.STRAPLESS

    @property
    def has_waist_seam(self) -> bool:
        """Whether a bodice and a skirt, or legs, are sewn together at the waist, or to a band between them."""
        said = self.features.waist
        if self.garment is GarmentKind.JUMPSUIT and said in (None, Waist.NONE):
            return True
        return self.garment.has_bodice and said not in (None, Waist.NONE, Waist.SHIRRED)

    @property
    def seam_level(self) -> WaistLevel:
        """Where its waist seam lies; at the waist, too, where it has none."""
        return self.features.waist_level if self.has_waist_seam else WaistLevel.NATURAL

    @property
    def has_hem_ruffle(self) -> bool:
        """Whether a ruffle is sewn to the lower edge in place of a hem."""
        return Trim(TrimKind.RUFFLE, Along.HEM) in self.features.trim

    @property
    def ends_in_band(self) -> bool:
        """Whether a band that is stretched on ends what hangs from the shoulders, in place of a hem."""
        return self.features.hem.kind is HemKind.BAND and self.garment.has_bodice and not self.has_waist_seam

    @property
    def bands_stretch(self) -> bool:
        """Whether bands at neck, sleeves, legs and lower edge are cut of what stretches: a knit, or ribbing."""
        return self.cloth is Structure.KNIT or self.features.ribbing

    @property
    def is_over_the_head(self) -> bool:
        """Whether a head goes through its neck as it is: nothing opens it there."""
        opening = self.features.opening
        opened = opening.kind is not None and opening.where in (Where.FRONT, Where.BACK)
        apart = Centre.OPEN in (self.features.front.centre, self.features.back.centre)
        shoulders = self.garment.has_bodice and not self.is_without_shoulders
        return shoulders and not opened and not apart

    @property
    def has_neck_band(self) -> bool:
        """Whether a band of a knit or of ribbing is stretched on to its neck, a ring that nothing opens."""
        neck = self.features.collar is None and self.features.neck.finish is NeckFinish.BAND
        return neck and self.bands_stretch and self.is_over_the_head

    @property
    def is_drawn_in(self) -> bool:
        """Whether elastic or a cord draws its waist in, so that it is cut wide enough to be pulled on."""
        waist = self.features.waist
        if waist is None:
            of_a_waist = self.garment in (GarmentKind.SKIRT, GarmentKind.TROUSERS)
            return of_a_waist and self.features.opening.kind is None
        return waist in (Waist.ELASTIC_CASING, Waist.DRAWSTRING, Waist.SHIRRED)
