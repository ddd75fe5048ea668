"""Descriptions drawn over the whole vocabulary of the document, contradictions included."""

from dataclasses import replace

from hypothesis import reject
from hypothesis import strategies as st

from rowanseed.core.compose.compose import DescriptionRefused, compose
from rowanseed.core.compose.description import (
    Band,
    Bib,
    Description,
    Elastic,
    Features,
    Hem,
    Legs,
    Lining,
    Neck,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
    Straps,
    Trim,
)
from rowanseed.core.compose.refusals import refusals
from rowanseed.core.compose.vocabulary import (
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
from rowanseed.core.pattern.envelope import Figure, Structure


def one_of(kind, *, or_none=False):
    found = st.sampled_from(list(kind))
    return st.none() | found if or_none else found


sides = st.builds(Side, centre=one_of(Centre), shaping=st.lists(one_of(Shaping), max_size=2, unique=True).map(tuple))
openings = st.builds(
    Opening,
    where=one_of(Where),
    kind=one_of(OpeningKind, or_none=True),
    length=st.none() | st.sampled_from([150.0, 200.0, 380.0, 560.0]),
    count=st.none() | st.integers(1, 9),
    placket=one_of(Placket, or_none=True),
)
sleeves = st.builds(
    Sleeve,
    kind=one_of(SleeveKind),
    pieces=st.just(1) | st.sampled_from([1, 2]),
    length=one_of(SleeveLength),
    end=one_of(SleeveEnd),
    placket=one_of(SleevePlacket, or_none=True),
    shape=st.just(SleeveShape.PLAIN) | one_of(SleeveShape),
)
skirts = st.builds(
    Skirt,
    kind=one_of(SkirtKind),
    panels=st.sampled_from([None, 4, 6, 8]),
    fullness=st.sampled_from([None, 1.5, 2.0, 3.0]),
    length=st.sampled_from([None, 400.0, 600.0, 900.0]),
    darts=st.sampled_from([None, True, False]),
    slit=st.just(Slit.NONE) | one_of(Slit),
    grain=st.sampled_from([SkirtGrain.LENGTHWISE, SkirtGrain.LENGTHWISE, SkirtGrain.BIAS]),
)
pockets = st.builds(Pocket, kind=one_of(PocketKind), on=one_of(PocketPlace), hand=st.none() | one_of(Hand))
features = st.builds(
    Features,
    front=sides,
    back=sides,
    opening=st.just(Opening()) | openings,
    neck=st.builds(Neck, shape=one_of(NeckShape), finish=one_of(NeckFinish, or_none=True)),
    collar=st.none() | one_of(CollarKind),
    sleeve=st.none() | sleeves,
    armhole=one_of(ArmholeFinish, or_none=True),
    straps=st.none()
    | st.builds(
        Straps,
        width=st.sampled_from([15.0, 20.0, 45.0]),
        closed_by=one_of(StrapsClosed),
        go=st.just(StrapsGo.OVER) | one_of(StrapsGo),
    ),
    waist=one_of(Waist, or_none=True),
    waist_level=st.just(WaistLevel.NATURAL) | one_of(WaistLevel),
    band=st.builds(
        Band,
        width=st.sampled_from([25.0, 35.0, 60.0]),
        underlap=st.sampled_from([0.0, 30.0]),
        loops=st.sampled_from([0, 0, 5, 6]),
    ),
    skirt=st.none() | skirts,
    legs=st.builds(
        Legs,
        kind=one_of(LegKind),
        end=one_of(LegEnd),
        length=st.sampled_from([None, 1000.0, 1060.0]),
        pleats=st.just(0) | st.integers(0, 3),
    ),
    hem=st.builds(
        Hem,
        kind=one_of(HemKind),
        depth=st.sampled_from([None, 16.0, 30.0, 50.0]),
        shape=st.just(HemShape.LEVEL) | one_of(HemShape),
    ),
    pockets=st.lists(pockets, max_size=2).map(tuple),
    lining=st.none() | st.builds(Lining, of=one_of(LiningOf), method=one_of(LiningMethod)),
    facing=st.frozensets(one_of(FacedEdge), max_size=2),
    interfacing=st.frozensets(one_of(Interfaced), max_size=3),
    underlining=st.booleans(),
    interlining=st.booleans(),
    vent=st.just(False) | st.booleans(),
    boning=st.lists(one_of(Boned), max_size=2, unique=True).map(tuple),
    elastic=st.lists(
        st.builds(Elastic, where=one_of(ElasticPlace), width=st.sampled_from([6.0, 20.0, 38.0])), max_size=1
    ).map(tuple),
    trim=st.lists(st.builds(Trim, kind=one_of(TrimKind), along=one_of(Along)), max_size=2).map(tuple),
    belt=one_of(BeltKind, or_none=True),
    ribbing=st.booleans(),
)
descriptions = st.builds(
    Description,
    name=st.just("Generated"),
    garment=one_of(GarmentKind),
    figure=one_of(Figure),
    cloth=one_of(Structure),
    allowance=st.sampled_from([6.0, 10.0, 15.0, 20.0]),
    features=features,
)
"""Most of these contradict themselves somewhere; what does not must come out whole."""

PLAIN = Features()


def mended(description):
    """A description with what is refused in it left out, field by field, as someone at the page would; None where that
    leads nowhere."""
    for _ in range(12):
        found = refusals(description) or _refused_when_drafted(description)
        if not found:
            return description
        names = found[0].field.split(".")
        if names[0] != "features":
            return None
        name = names[1].replace(" ", "_")
        plain = getattr(PLAIN, name)
        now = getattr(description.features, name)
        if len(names) > 2 and now is not None and name in ("front", "back", "opening", "neck", "legs", "hem"):
            field = names[2].replace(" ", "_")
            plain = replace(now, **{field: getattr(plain, field)})
        if plain == now:
            if name == "collar":
                return None
            # The field is plain already: what it lacks is asked for by another one.
            plain = _lacking(description, name)
            if plain is None:
                return None
            description = plain
            continue
        description = replace(description, features=replace(description.features, **{name: plain}))
    return None


def drafted(description):
    """What is composed of a description; an example is left out of which only the drafted pieces show that it cannot
    be, as a pocket that has no room on them."""
    try:
        return compose(description)
    except DescriptionRefused:
        reject()


def _refused_when_drafted(description):
    """What only the drafted pieces show: tiers of a skirt that ends soon below the waist, a bib wider than its
    front, a pocket that has no room beside two columns of buttons."""
    skirt = description.features.skirt
    tiered = skirt is not None and skirt.kind is SkirtKind.TIERED
    if not tiered and description.features.bib is None and not description.features.opening.double_breasted:
        return ()
    try:
        compose(description)
    except DescriptionRefused as told:
        return told.refusals
    return ()


def _lacking(description, name):
    """What a plain field lacks, from the fields that ask for it: an opening, a waist."""
    f = description.features
    match name:
        case "waist":
            waist = Waist.SEAM if description.garment.has_bodice else Waist.WAISTBAND
            return None if f.waist is waist else replace(description, features=replace(f, waist=waist))
        case "opening":
            if f.opening != Opening():
                return replace(description, features=replace(f, opening=Opening()))
            if description.garment.has_bodice:
                long = None if description.garment.has_legs else 400.0
                zip_ = Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, long)
                return replace(description, features=replace(f, back=replace(f.back, centre=Centre.SEAM), opening=zip_))
            opening = Opening(Where.LEFT_SIDE, OpeningKind.INVISIBLE_ZIP, 200.0)
            return replace(description, features=replace(f, opening=opening))
    return None


open_fronts = st.builds(
    lambda of, front, kind, count, collar, sleeve, neck, facing, double: replace(
        of,
        features=replace(
            of.features,
            front=replace(front, centre=Centre.OPEN),
            opening=Opening(Where.FRONT, kind, None, count, double_breasted=double and kind is OpeningKind.BUTTONS),
            collar=collar,
            sleeve=sleeve,
            neck=neck,
            facing=facing,
            waist=None,
            waist_level=WaistLevel.NATURAL,
            skirt=None,
        ),
    ),
    descriptions.filter(lambda d: d.garment.has_bodice),
    sides,
    st.sampled_from([OpeningKind.BUTTONS, OpeningKind.SNAPS]),
    st.none() | st.integers(1, 9),
    st.none() | one_of(CollarKind),
    st.none() | sleeves,
    st.builds(Neck, shape=st.sampled_from([NeckShape.ROUND, NeckShape.V])),
    st.sampled_from([frozenset(), frozenset({FacedEdge.FRONT})]),
    st.booleans(),
)
"""Jackets, coats, shirts: open at the front, with every collar."""
flared_sleeves = st.builds(
    lambda of, kind, length, end: replace(
        of,
        features=replace(
            of.features,
            sleeve=Sleeve(kind, 1, length, end, None, SleeveShape.FLARED),
            straps=None,
            armhole=None,
            lining=None,
        ),
    ),
    descriptions.filter(lambda d: d.garment.has_bodice),
    st.sampled_from([SleeveKind.SET_IN, SleeveKind.GATHERED_CAP, SleeveKind.DROPPED]),
    st.sampled_from([one for one in SleeveLength if one is not SleeveLength.CAP]),
    st.sampled_from([SleeveEnd.HEM, SleeveEnd.FACING, SleeveEnd.BINDING]),
)
"""What has sleeves that get wider down to their end."""
halters = st.builds(
    lambda of, garment, straps, shape: replace(
        of,
        garment=garment,
        features=replace(
            of.features,
            straps=straps,
            neck=Neck(shape),
            sleeve=None,
            collar=None,
            armhole=None,
            facing=frozenset(),
        ),
    ),
    descriptions,
    st.sampled_from([GarmentKind.TOP, GarmentKind.DRESS, GarmentKind.NIGHTDRESS, GarmentKind.JUMPSUIT]),
    st.builds(
        Straps,
        width=st.sampled_from([15.0, 25.0]),
        closed_by=st.sampled_from([StrapsClosed.SEWN_IN, StrapsClosed.TIES]),
        go=st.just(StrapsGo.ROUND),
    ),
    st.sampled_from([NeckShape.ROUND, NeckShape.V, NeckShape.SQUARE]),
)
"""Tops that hang from the neck."""
curved = st.builds(
    lambda of, garment, kind, depth: replace(
        of,
        garment=garment,
        features=replace(
            of.features,
            hem=Hem(kind, depth, HemShape.CURVED),
            lining=None,
            waist=None,
            waist_level=WaistLevel.NATURAL,
            straps=None,
            vent=False,
        ),
    ),
    descriptions,
    st.sampled_from([GarmentKind.TOP, GarmentKind.DRESS, GarmentKind.NIGHTDRESS, GarmentKind.JACKET]),
    st.sampled_from([HemKind.TURNED, HemKind.NARROW, HemKind.ROLLED, HemKind.FACED]),
    st.none() | st.just(16.0),
)
"""What hangs from the shoulders and ends in an edge that is curved up at the sides."""
banded = st.builds(
    lambda of, garment, cloth, neck, collar, sleeve, hem, ribbing: replace(
        of,
        garment=garment,
        cloth=cloth,
        features=replace(
            of.features,
            front=replace(of.features.front, centre=Centre.FOLD),
            back=replace(of.features.back, centre=Centre.FOLD),
            opening=Opening(),
            neck=Neck(neck, None if collar else NeckFinish.BAND),
            collar=collar,
            sleeve=sleeve,
            armhole=None,
            hem=hem,
            lining=None,
            waist=None,
            waist_level=WaistLevel.NATURAL,
            straps=None,
            vent=False,
            legs=replace(of.features.legs, end=LegEnd.CUFF),
            ribbing=ribbing or cloth is Structure.WOVEN,
        ),
    ),
    descriptions,
    st.sampled_from([GarmentKind.TOP, GarmentKind.TOP, GarmentKind.DRESS, GarmentKind.TROUSERS]),
    one_of(Structure),
    st.sampled_from([NeckShape.ROUND, NeckShape.V, NeckShape.SQUARE, NeckShape.SCOOP, NeckShape.BOAT]),
    st.sampled_from([None, None, CollarKind.HOOD]),
    st.none()
    | st.builds(
        Sleeve,
        kind=one_of(SleeveKind),
        length=one_of(SleeveLength),
        end=st.sampled_from([SleeveEnd.CUFF, SleeveEnd.CUFF, SleeveEnd.HEM, SleeveEnd.GATHERED_CUFF]),
    ),
    st.builds(Hem, st.sampled_from([HemKind.BAND, HemKind.BAND, HemKind.TURNED]), st.sampled_from([None, 40.0])),
    st.booleans(),
)
"""What ends in bands that are stretched on: at the neck, at sleeves or legs, at the lower edge."""
blousons = st.builds(
    lambda of, garment, cloth, opening, faced, hem, ribbing: replace(
        of,
        garment=garment,
        cloth=cloth,
        features=replace(
            of.features,
            opening=opening,
            facing=frozenset({FacedEdge.FRONT}) if faced else frozenset(),
            hem=hem,
            lining=None,
            waist=None,
            waist_level=WaistLevel.NATURAL,
            straps=None,
            vent=False,
            ribbing=ribbing,
        ),
    ),
    open_fronts,
    st.sampled_from([GarmentKind.JACKET, GarmentKind.JACKET, GarmentKind.TOP, GarmentKind.DRESS]),
    one_of(Structure),
    st.builds(
        Opening,
        st.just(Where.FRONT),
        st.sampled_from(
            [
                OpeningKind.SEPARATING_ZIP,
                OpeningKind.SEPARATING_ZIP,
                OpeningKind.BUTTONS,
                OpeningKind.SNAPS,
                OpeningKind.HOOK_AND_EYE,
                OpeningKind.TIES,
            ]
        ),
        count=st.none() | st.integers(1, 7),
        placket=st.sampled_from([None, None, Placket.BAND, Placket.FACING]),
    ),
    st.booleans(),
    st.builds(Hem, st.just(HemKind.BAND), st.sampled_from([None, 40.0, 75.0])),
    st.booleans(),
)
"""Fronts that open all the way, above a band at the lower edge."""
double_breasted = open_fronts.map(
    lambda d: replace(
        d,
        features=replace(
            d.features, opening=replace(d.features.opening, kind=OpeningKind.BUTTONS, double_breasted=True)
        ),
    )
)
waisted = st.builds(
    lambda of, garment, waist, opening, pleats, pocket: replace(
        of,
        garment=garment,
        features=replace(
            of.features,
            front=replace(of.features.front, centre=Centre.FOLD),
            back=replace(of.features.back, centre=Centre.SEAM),
            opening=opening,
            waist=waist,
            legs=replace(of.features.legs, pleats=pleats if garment is GarmentKind.TROUSERS else 0),
            pockets=(Pocket(pocket, PocketPlace.FRONT),),
        ),
    ),
    descriptions,
    st.sampled_from([GarmentKind.SKIRT, GarmentKind.TROUSERS]),
    st.sampled_from([Waist.WAISTBAND, Waist.PLEATED_BAND, Waist.FACING, Waist.PLAIN_BAND]),
    st.sampled_from(
        [
            Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 200.0),
            Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP, 180.0),
            Opening(Where.BACK, OpeningKind.CENTRED_ZIP, 180.0),
            Opening(Where.LEFT_SIDE, OpeningKind.BUTTONS),
            Opening(Where.LEFT_SIDE, OpeningKind.HOOK_AND_EYE, 160.0),
        ]
    ),
    st.integers(0, 3),
    st.sampled_from([PocketKind.SLANT, PocketKind.PATCH, PocketKind.WELT]),
)
"""Skirts and trousers that fit the waist, with what is put into their fronts."""
jumpsuits = st.builds(
    lambda of, where, kind, waist, pleats, pocket: replace(
        of,
        garment=GarmentKind.JUMPSUIT,
        features=replace(
            of.features,
            front=replace(of.features.front, centre=Centre.SEAM if where is Where.FRONT else Centre.FOLD),
            back=replace(of.features.back, centre=Centre.SEAM if where is Where.BACK else Centre.FOLD),
            opening=Opening(where, kind),
            waist=waist,
            waist_level=WaistLevel.NATURAL,
            skirt=None,
            legs=replace(of.features.legs, pleats=pleats),
            pockets=(Pocket(pocket, PocketPlace.SIDE if pocket is PocketKind.IN_SEAM else PocketPlace.FRONT),),
        ),
    ),
    descriptions,
    st.sampled_from([Where.FRONT, Where.BACK]),
    st.sampled_from([kind for kind in OpeningKind if kind.zips_a_seam and kind is not OpeningKind.FLY_ZIP]),
    st.sampled_from([None, Waist.SEAM, Waist.ELASTIC_CASING, Waist.DRAWSTRING, Waist.PLAIN_BAND, Waist.PLEATED_BAND]),
    st.integers(0, 3),
    one_of(PocketKind),
)
"""A bodice and legs in one, stepped into through a zip."""
bibbed = st.builds(
    lambda of, bib, straps: replace(of, features=replace(of.features, waist=Waist.WAISTBAND, bib=bib, straps=straps)),
    waisted,
    st.builds(Bib, one_of(BibShape), st.none() | st.floats(80, 260), st.none() | st.floats(80, 320)),
    st.one_of(
        st.builds(Straps, st.just(2), st.floats(15, 60), one_of(StrapsClosed)),
        st.just(Straps(1, 25.0, StrapsClosed.SEWN_IN)),
    ),
)
"""Dungarees, and skirts with a bib."""
bows = st.builds(
    lambda of, figure, centre, opening, neck: replace(
        of,
        figure=figure,
        features=replace(
            of.features,
            front=replace(of.features.front, centre=centre),
            opening=opening,
            neck=Neck(neck),
            collar=CollarKind.TIE,
        ),
    ),
    open_fronts,
    st.sampled_from([Figure.WOMEN, Figure.WOMEN, Figure.UNISEX, Figure.MEN]),
    st.sampled_from([Centre.OPEN, Centre.OPEN, Centre.FOLD]),
    st.builds(
        Opening,
        st.just(Where.FRONT),
        st.sampled_from([OpeningKind.BUTTONS, OpeningKind.BUTTONS, OpeningKind.SNAPS, OpeningKind.SLIT]),
        st.none() | st.just(150.0),
        count=st.none() | st.integers(1, 7),
        placket=st.sampled_from([None, None, Placket.BAND, Placket.FACING, Placket.GROWN_ON]),
        double_breasted=st.sampled_from([False, False, False, True]),
    ),
    st.sampled_from([NeckShape.ROUND, NeckShape.SCOOP, NeckShape.V]),
)
"""Fronts that open or have a slit, below a collar that is tied."""
cowls = st.builds(
    lambda of, garment, figure, cloth, sleeve, darts, back, opening, waist, skirt: replace(
        of,
        garment=garment,
        figure=figure,
        cloth=cloth,
        features=Features(
            front=Side(shaping=darts),
            back=back,
            opening=opening,
            neck=Neck(NeckShape.COWL, of.features.neck.finish),
            sleeve=sleeve,
            waist=waist,
            skirt=skirt if garment is GarmentKind.DRESS else None,
            hem=of.features.hem,
            interfacing=of.features.interfacing,
            belt=of.features.belt,
            pads=of.features.pads,
        ),
    ),
    descriptions,
    st.sampled_from([GarmentKind.TOP, GarmentKind.DRESS]),
    st.sampled_from([Figure.WOMEN, Figure.WOMEN, Figure.UNISEX, Figure.MEN]),
    st.sampled_from([Structure.WOVEN, Structure.KNIT]),
    st.none() | st.builds(Sleeve, one_of(SleeveKind), st.just(1), one_of(SleeveLength), one_of(SleeveEnd)),
    st.sampled_from([(), (), (Shaping.BUST_DART,), (Shaping.WAIST_DART,), (Shaping.BUST_DART, Shaping.WAIST_DART)]),
    st.sampled_from([Side(), Side(Centre.SEAM), Side(Centre.SEAM, (Shaping.WAIST_DART,))]),
    st.sampled_from([Opening(), Opening(), Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 450.0)]),
    one_of(Waist, or_none=True),
    st.builds(Skirt, st.sampled_from([SkirtKind.A_LINE, SkirtKind.GATHERED, SkirtKind.CIRCLE])),
)
"""Tops and dresses with a cowl."""
whole_ones = (
    st.one_of(descriptions, open_fronts, waisted, jumpsuits, bibbed).map(mended).filter(lambda found: found is not None)
)
"""Descriptions without a contradiction."""
