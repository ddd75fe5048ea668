"""What sewists have on their tables: everyday garments, described as their envelopes would be."""

from dataclasses import replace
from functools import cache

from rowanseed.core.compose.compose import compose
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
from rowanseed.core.pattern.pattern import Pattern

OPEN, SEAM = Side(Centre.OPEN), Side(Centre.SEAM)
DARTED = Side(shaping=(Shaping.BUST_DART,))
SHORT, LONG = Sleeve(length=SleeveLength.SHORT), Sleeve()
CUFFED = Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.CONTINUOUS)
FACED = Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.FACED)
TOWERED = Sleeve(end=SleeveEnd.CUFF, placket=SleevePlacket.TOWER)
PATCHES = Pocket(PocketKind.PATCH, PocketPlace.FRONT)
IN_SIDES = Pocket(PocketKind.IN_SEAM, PocketPlace.SIDE)
BAGGED = Lining(method=LiningMethod.BAGGED)


def buttoned(count=None, placket=None, length=None):
    return Opening(Where.FRONT, OpeningKind.BUTTONS, length, count, placket)


def double_breasted(count=None):
    return Opening(Where.FRONT, OpeningKind.BUTTONS, count=count, double_breasted=True)


def zipped(where=Where.BACK, length=200.0, kind=OpeningKind.INVISIBLE_ZIP):
    return Opening(where, kind, length)


TOPS = {
    "blouse": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART,)),
        "back": Side(shaping=(Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE)),
        "opening": buttoned(7, Placket.BAND),
        "collar": CollarKind.SHIRT,
        "sleeve": CUFFED,
    },
    "dress shirt": {
        "front": OPEN,
        "back": Side(shaping=(Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE)),
        "opening": buttoned(7, Placket.BAND),
        "collar": CollarKind.SHIRT,
        "sleeve": replace(TOWERED, end=SleeveEnd.PLEATED_CUFF),
        "facing": frozenset({FacedEdge.YOKE}),
        "pockets": (Pocket(PocketKind.PATCH, PocketPlace.CHEST, Hand.LEFT),),
    },
    "bow blouse": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART,)),
        "opening": buttoned(7),
        "collar": CollarKind.TIE,
        "sleeve": CUFFED,
    },
    "bow blouse, slit": {
        "neck": Neck(NeckShape.V),
        "opening": Opening(Where.FRONT, OpeningKind.SLIT, 120.0),
        "collar": CollarKind.TIE,
        "sleeve": SHORT,
    },
    "camp shirt": {
        "front": OPEN,
        "opening": buttoned(5, Placket.FACING),
        "collar": CollarKind.ONE_PIECE,
        "sleeve": SHORT,
        "pockets": (Pocket(PocketKind.PATCH, PocketPlace.CHEST),),
    },
    "western blouse": {
        "front": Side(Centre.OPEN, (Shaping.PRINCESS_ARMHOLE, Shaping.YOKE)),
        "back": Side(shaping=(Shaping.PRINCESS_ARMHOLE, Shaping.YOKE)),
        "opening": buttoned(),
        "collar": CollarKind.SHIRT,
        "sleeve": SHORT,
    },
    "grandad shirt": {"opening": buttoned(4, length=250.0), "collar": CollarKind.STAND, "sleeve": TOWERED},
    "tunic": {
        "opening": Opening(Where.FRONT, OpeningKind.SLIT, 150.0),
        "neck": Neck(finish=NeckFinish.FACING),
        "sleeve": Sleeve(SleeveKind.DROPPED),
        "skirt": Skirt(SkirtKind.STRAIGHT, slit=Slit.SIDES),
    },
    "camisole": {"front": DARTED, "straps": Straps(2, 8.0)},
    "peasant blouse": {
        "sleeve": Sleeve(SleeveKind.RAGLAN, end=SleeveEnd.ELASTIC_CASING),
        "elastic": (Elastic(ElasticPlace.NECK),),
    },
}
TAILED = {
    "cowl blouse": {"front": DARTED, "neck": Neck(NeckShape.COWL), "sleeve": SHORT},
    "bell-sleeved blouse": {
        "front": DARTED,
        "neck": Neck(NeckShape.V, NeckFinish.FACING),
        "sleeve": Sleeve(shape=SleeveShape.FLARED),
    },
    "flutter-sleeved blouse": {
        "neck": Neck(NeckShape.SCOOP, NeckFinish.BIAS_BINDING),
        "sleeve": Sleeve(
            SleeveKind.GATHERED_CAP, length=SleeveLength.SHORT, end=SleeveEnd.BINDING, shape=SleeveShape.FLARED
        ),
    },
    "tailed shirt": {
        "front": OPEN,
        "back": Side(shaping=(Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE)),
        "opening": buttoned(7, Placket.GROWN_ON),
        "collar": CollarKind.SHIRT,
        "sleeve": TOWERED,
        "hem": Hem(shape=HemShape.CURVED),
    },
    "smock": {
        "neck": Neck(NeckShape.BOAT, NeckFinish.FACING),
        "sleeve": Sleeve(SleeveKind.DROPPED),
        "pockets": (Pocket(PocketKind.POUCH),),
    },
    "ribbed pullover": {
        "neck": Neck(finish=NeckFinish.BAND),
        "sleeve": Sleeve(SleeveKind.RAGLAN, end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND, 80.0),
        "ribbing": True,
    },
    "tailed blouse": {
        "front": Side(Centre.OPEN, (Shaping.PRINCESS_SHOULDER,)),
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_SHOULDER,)),
        "opening": buttoned(),
        "collar": CollarKind.STAND,
        "sleeve": SHORT,
        "hem": Hem(HemKind.ROLLED, shape=HemShape.CURVED),
    },
}
KNITS = {
    "polo shirt": {"opening": buttoned(3, length=140.0), "collar": CollarKind.SHIRT, "sleeve": SHORT},
    "t-shirt": {
        "neck": Neck(finish=NeckFinish.BAND),
        "sleeve": SHORT,
        "hem": Hem(HemKind.TWIN_NEEDLE),
    },
    "tank top": {
        "neck": Neck(NeckShape.SCOOP, NeckFinish.BIAS_BINDING),
        "armhole": ArmholeFinish.BIAS_BINDING,
        "hem": Hem(HemKind.TWIN_NEEDLE),
    },
    "cowl top": {
        "neck": Neck(NeckShape.COWL),
        "sleeve": SHORT,
        "hem": Hem(HemKind.TWIN_NEEDLE),
    },
    "sweatshirt": {
        "neck": Neck(finish=NeckFinish.BAND),
        "sleeve": Sleeve(SleeveKind.RAGLAN, end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
    },
    "hooded sweatshirt": {
        "collar": CollarKind.HOOD,
        "sleeve": Sleeve(SleeveKind.DROPPED, end=SleeveEnd.CUFF),
        "pockets": (Pocket(PocketKind.POUCH),),
        "hem": Hem(HemKind.BAND),
        "ribbing": True,
    },
    "v-necked sweatshirt": {
        "neck": Neck(NeckShape.V, NeckFinish.BAND),
        "sleeve": Sleeve(end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
        "ribbing": True,
    },
    "zipped hoodie": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
        "collar": CollarKind.HOOD,
        "sleeve": Sleeve(end=SleeveEnd.CUFF),
    },
    "banded cardigan": {
        "front": OPEN,
        "neck": Neck(NeckShape.ROUND, NeckFinish.BAND),
        "opening": buttoned(6, Placket.BAND),
        "sleeve": Sleeve(end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
    },
    "banded hoodie": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
        "collar": CollarKind.HOOD,
        "sleeve": Sleeve(end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
    },
    "V-necked cardigan": {
        "front": OPEN,
        "opening": buttoned(5, Placket.BAND),
        "neck": Neck(NeckShape.V),
        "sleeve": Sleeve(SleeveKind.RAGLAN),
    },
    "hooded smock": {"collar": CollarKind.HOOD, "sleeve": Sleeve(SleeveKind.RAGLAN), "pockets": (PATCHES,)},
    "cardigan": {
        "front": OPEN,
        "neck": Neck(NeckShape.V, NeckFinish.BAND),
        "opening": buttoned(6, Placket.BAND),
        "sleeve": Sleeve(end=SleeveEnd.CUFF),
    },
}
JOGGERS = {
    "joggers": {
        "waist": Waist.ELASTIC_CASING,
        "legs": Legs(LegKind.TAPERED, end=LegEnd.CUFF),
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT),),
        "ribbing": True,
    },
}
SKIRTS = {
    "tiered skirt": {
        "opening": zipped(Where.LEFT_SIDE),
        "skirt": Skirt(SkirtKind.TIERED, tiers=4, length=850.0),
        "waist": Waist.WAISTBAND,
        "pockets": (IN_SIDES,),
    },
    "pencil skirt": {
        "back": SEAM,
        "opening": zipped(),
        "skirt": Skirt(SkirtKind.STRAIGHT),
        "waist": Waist.WAISTBAND,
        "vent": True,
        "lining": Lining(method=LiningMethod.HANGING_FREE),
    },
    "A-line skirt": {
        "opening": zipped(Where.LEFT_SIDE),
        "skirt": Skirt(SkirtKind.A_LINE),
        "waist": Waist.FACING,
        "pockets": (IN_SIDES,),
    },
    "bias skirt": {
        "back": SEAM,
        "front": SEAM,
        "opening": zipped(Where.BACK),
        "skirt": Skirt(SkirtKind.A_LINE, grain=SkirtGrain.BIAS),
        "waist": Waist.FACING,
    },
    "shirred skirt": {"skirt": Skirt(SkirtKind.A_LINE), "waist": Waist.SHIRRED, "pockets": (IN_SIDES,)},
    "circle skirt": {"skirt": Skirt(SkirtKind.CIRCLE), "waist": Waist.ELASTIC_CASING},
    "pleated skirt": {
        "opening": zipped(Where.LEFT_SIDE, kind=OpeningKind.LAPPED_ZIP),
        "skirt": Skirt(SkirtKind.KNIFE_PLEATS),
        "waist": Waist.WAISTBAND,
    },
    "gored skirt": {"skirt": Skirt(SkirtKind.GORED, panels=6), "waist": Waist.ELASTIC_CASING},
    "ruffled skirt": {
        "skirt": Skirt(SkirtKind.GATHERED),
        "waist": Waist.ELASTIC_CASING,
        "trim": (Trim(TrimKind.RUFFLE, Along.HEM),),
    },
    "buttoned skirt": {
        "front": OPEN,
        "opening": buttoned(),
        "skirt": Skirt(SkirtKind.A_LINE),
        "waist": Waist.WAISTBAND,
        "pockets": (PATCHES,),
    },
}
SKIRTS |= {
    "wrap skirt": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.TIES),
        "skirt": Skirt(SkirtKind.A_LINE),
        "waist": Waist.WAISTBAND,
        "pockets": (PATCHES,),
    },
    "yoked skirt": {
        "front": Side(shaping=(Shaping.YOKE,)),
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": zipped(),
        "skirt": Skirt(SkirtKind.A_LINE),
        "waist": Waist.WAISTBAND,
        "lining": Lining(method=LiningMethod.HANGING_FREE),
        "pockets": (IN_SIDES,),
    },
    "pleated yoke skirt": {
        "front": Side(shaping=(Shaping.YOKE,)),
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": zipped(),
        "skirt": Skirt(SkirtKind.KNIFE_PLEATS),
        "waist": Waist.FACING,
        "pockets": (IN_SIDES,),
    },
    "circle yoke skirt": {
        "front": Side(shaping=(Shaping.YOKE,)),
        "back": Side(shaping=(Shaping.YOKE,)),
        "opening": zipped(Where.LEFT_SIDE),
        "skirt": Skirt(SkirtKind.CIRCLE),
        "waist": Waist.WAISTBAND,
    },
    "denim skirt": {
        "front": SEAM,
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": zipped(Where.FRONT, kind=OpeningKind.FLY_ZIP),
        "skirt": Skirt(SkirtKind.STRAIGHT, slit=Slit.BACK),
        "waist": Waist.WAISTBAND,
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT), Pocket(PocketKind.PATCH, PocketPlace.BACK)),
        "trim": (Trim(TrimKind.TOPSTITCHING, Along.YOKE),),
    },
}
TROUSERS = {
    "turned-up trousers": {
        "opening": zipped(Where.FRONT, kind=OpeningKind.FLY_ZIP),
        "waist": Waist.WAISTBAND,
        "legs": Legs(pleats=2, end=LegEnd.TURN_UP),
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT),),
    },
    "turned-up shorts": {"waist": Waist.ELASTIC_CASING, "legs": Legs(LegKind.SHORTS, end=LegEnd.TURN_UP)},
    "jeans": {
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": zipped(Where.FRONT, kind=OpeningKind.FLY_ZIP),
        "waist": Waist.WAISTBAND,
        "band": Band(loops=5),
        "legs": Legs(LegKind.TAPERED),
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT), Pocket(PocketKind.PATCH, PocketPlace.BACK)),
        "trim": (Trim(TrimKind.TOPSTITCHING, Along.YOKE),),
    },
    "men's jeans": {
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": zipped(Where.FRONT, kind=OpeningKind.FLY_ZIP),
        "waist": Waist.WAISTBAND,
        "band": Band(loops=7),
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT), Pocket(PocketKind.PATCH, PocketPlace.BACK)),
    },
    "buttoned jeans": {
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": Opening(Where.FRONT, OpeningKind.BUTTONS),
        "waist": Waist.WAISTBAND,
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT), Pocket(PocketKind.PATCH, PocketPlace.BACK)),
    },
    "yoked trousers": {
        "front": Side(Centre.SEAM, (Shaping.YOKE,)),
        "back": Side(Centre.SEAM, (Shaping.YOKE,)),
        "opening": zipped(),
        "waist": Waist.FACING,
        "legs": Legs(LegKind.WIDE),
        "pockets": (IN_SIDES,),
    },
    "pyjama trousers": {"waist": Waist.DRAWSTRING, "pockets": (IN_SIDES,)},
    "shirred trousers": {"waist": Waist.SHIRRED, "legs": Legs(LegKind.WIDE)},
    "shorts": {"waist": Waist.ELASTIC_CASING, "legs": Legs(LegKind.SHORTS)},
    "wide trousers": {
        "opening": zipped(Where.LEFT_SIDE),
        "waist": Waist.FACING,
        "legs": Legs(LegKind.WIDE),
    },
    "tailored trousers": {
        "opening": zipped(Where.FRONT, kind=OpeningKind.FLY_ZIP),
        "waist": Waist.WAISTBAND,
        "legs": Legs(LegKind.STRAIGHT, None, 1),
        "pockets": (Pocket(PocketKind.SLANT, PocketPlace.FRONT), Pocket(PocketKind.WELT, PocketPlace.BACK)),
    },
}
DRESSES = {
    "shirt dress": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART,)),
        "opening": buttoned(9, Placket.GROWN_ON),
        "collar": CollarKind.SHIRT,
        "sleeve": Sleeve(length=SleeveLength.THREE_QUARTER),
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.GATHERED),
        "belt": BeltKind.TIE,
        "pockets": (IN_SIDES,),
    },
    "yoked shirt dress": {
        "front": Side(Centre.OPEN, (Shaping.YOKE, Shaping.GATHERS_UNDER_YOKE, Shaping.WAIST_DART)),
        "back": Side(shaping=(Shaping.YOKE, Shaping.PLEAT_UNDER_YOKE)),
        "opening": buttoned(9, Placket.BAND),
        "collar": CollarKind.SHIRT,
        "sleeve": FACED,
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.A_LINE),
    },
    "empire dress": {
        "front": Side(shaping=(Shaping.BUST_DART, Shaping.WAIST_DART)),
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "opening": zipped(length=480.0),
        "neck": Neck(NeckShape.SCOOP, NeckFinish.FACING),
        "sleeve": SHORT,
        "waist": Waist.SEAM,
        "waist_level": WaistLevel.HIGH,
        "skirt": Skirt(SkirtKind.A_LINE),
        "pockets": (IN_SIDES,),
        "lining": Lining(method=LiningMethod.HANGING_FREE),
    },
    "smock dress": {
        "back": OPEN,
        "opening": Opening(Where.BACK, OpeningKind.BUTTONS, None, 5),
        "collar": CollarKind.FLAT,
        "sleeve": Sleeve(end=SleeveEnd.GATHERED_CUFF),
        "waist": Waist.SEAM,
        "waist_level": WaistLevel.HIGH,
        "skirt": Skirt(SkirtKind.GATHERED),
        "pockets": (Pocket(PocketKind.PATCH, PocketPlace.FRONT),),
    },
    "tiered dress": {
        "front": DARTED,
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "opening": zipped(length=None),
        "neck": Neck(NeckShape.SQUARE, NeckFinish.FACING),
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.TIERED, tiers=3, fullness=1.4),
    },
    "drop-waisted dress": {
        "front": DARTED,
        "back": Side(Centre.SEAM),
        "opening": zipped(),
        "neck": Neck(NeckShape.BOAT, NeckFinish.FACING),
        "waist": Waist.SEAM,
        "waist_level": WaistLevel.DROPPED,
        "skirt": Skirt(SkirtKind.KNIFE_PLEATS),
        "belt": BeltKind.TIE,
    },
    "shift": {
        "front": DARTED,
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "opening": zipped(length=560.0),
        "neck": Neck(finish=NeckFinish.LINING),
        "armhole": ArmholeFinish.LINING,
        "lining": BAGGED,
    },
    "cowl dress": {
        "front": Side(shaping=(Shaping.WAIST_DART,)),
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "opening": zipped(length=480.0),
        "neck": Neck(NeckShape.COWL),
        "armhole": ArmholeFinish.FACING,
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.A_LINE),
    },
    "princess dress": {
        "front": Side(shaping=(Shaping.PRINCESS_ARMHOLE,)),
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_ARMHOLE,)),
        "opening": zipped(length=560.0),
        "neck": Neck(finish=NeckFinish.FACING),
        "armhole": ArmholeFinish.FACING,
        "skirt": Skirt(SkirtKind.A_LINE),
    },
    "puff-sleeved dress": {
        "back": OPEN,
        "opening": Opening(Where.BACK, OpeningKind.BUTTONS, None, 5),
        "collar": CollarKind.FLAT,
        "sleeve": Sleeve(SleeveKind.GATHERED_CAP, 1, SleeveLength.SHORT, SleeveEnd.ELASTIC_CASING),
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.GATHERED),
    },
    "wrap dress": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART, Shaping.WAIST_DART)),
        "back": Side(shaping=(Shaping.WAIST_DART,)),
        "neck": Neck(NeckShape.V),
        "belt": BeltKind.TIE,
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.A_LINE),
        "sleeve": SHORT,
    },
    "coat dress": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART, Shaping.WAIST_DART)),
        "back": Side(shaping=(Shaping.WAIST_DART,)),
        "neck": Neck(NeckShape.V),
        "collar": CollarKind.NOTCHED,
        "opening": buttoned(),
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.A_LINE),
        "sleeve": SHORT,
        "lining": Lining(method=LiningMethod.HANGING_FREE),
    },
    "ball gown": {
        "front": Side(shaping=(Shaping.PRINCESS_SHOULDER,)),
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_SHOULDER,)),
        "neck": Neck(NeckShape.STRAPLESS, NeckFinish.FACING),
        "opening": zipped(length=400.0),
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.GATHERED, length=1000.0),
        "boning": (Boned.SIDE, Boned.PRINCESS),
    },
    "halter dress": {
        "front": Side(shaping=(Shaping.BUST_DART, Shaping.WAIST_DART)),
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "neck": Neck(NeckShape.V, NeckFinish.FACING),
        "opening": zipped(length=400.0),
        "straps": Straps(closed_by=StrapsClosed.TIES, go=StrapsGo.ROUND),
        "waist": Waist.SEAM,
        "skirt": Skirt(SkirtKind.HALF_CIRCLE),
    },
    "halter sundress": {
        "straps": Straps(1, 30.0, go=StrapsGo.ROUND),
        "waist": Waist.ELASTIC_CASING,
        "skirt": Skirt(SkirtKind.GATHERED),
    },
    "kaftan": {
        "neck": Neck(NeckShape.V, NeckFinish.FACING),
        "sleeve": Sleeve(SleeveKind.CUT_IN_ONE, length=SleeveLength.ELBOW),
    },
    "drawstring dress": {
        "waist": Waist.DRAWSTRING,
        "neck": Neck(NeckShape.V, NeckFinish.BIAS_BINDING),
        "sleeve": SHORT,
    },
}
JUMPSUITS = {
    "jumpsuit": {
        "front": Side(shaping=(Shaping.BUST_DART, Shaping.WAIST_DART)),
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "opening": zipped(length=None),
        "neck": Neck(NeckShape.V, NeckFinish.FACING),
        "armhole": ArmholeFinish.FACING,
        "legs": Legs(LegKind.WIDE),
        "pockets": (IN_SIDES,),
    },
    "boiler suit": {
        "front": Side(Centre.SEAM, (Shaping.YOKE,)),
        "back": Side(shaping=(Shaping.YOKE,)),
        "opening": zipped(Where.FRONT, None, OpeningKind.EXPOSED_ZIP),
        "collar": CollarKind.ONE_PIECE,
        "sleeve": CUFFED,
        "waist": Waist.ELASTIC_CASING,
        "legs": Legs(LegKind.STRAIGHT),
        "pockets": (
            Pocket(PocketKind.PATCH, PocketPlace.CHEST),
            Pocket(PocketKind.SLANT, PocketPlace.FRONT),
            Pocket(PocketKind.PATCH, PocketPlace.BACK),
        ),
    },
    "playsuit": {
        "front": Side(shaping=(Shaping.PRINCESS_SHOULDER,)),
        "back": Side(shaping=(Shaping.PRINCESS_SHOULDER,)),
        "opening": zipped(Where.LEFT_SIDE, None),
        "straps": Straps(2, 20.0),
        "waist": Waist.PLAIN_BAND,
        "legs": Legs(LegKind.SHORTS, None, 2),
        "lining": Lining(method=LiningMethod.HANGING_FREE),
    },
}
BIBBED_SKIRTS = {
    "pinafore": {
        "back": SEAM,
        "opening": zipped(),
        "skirt": Skirt(SkirtKind.GATHERED),
        "bib": Bib(BibShape.STRAIGHT),
        "straps": Straps(2, 35.0),
    },
    "dungaree skirt": {
        "opening": zipped(Where.LEFT_SIDE, None, OpeningKind.BUTTONS),
        "pockets": (PATCHES, Pocket(PocketKind.PATCH, PocketPlace.BACK)),
        "bib": Bib(BibShape.TAPERED, 210.0, 240.0),
        "straps": Straps(2, 30.0, StrapsClosed.BUTTONS),
        "interfacing": frozenset({Interfaced.ALL}),
    },
}
DUNGAREES = {
    "dungarees": {
        "opening": zipped(Where.LEFT_SIDE),
        "legs": Legs(LegKind.STRAIGHT),
        "waist": Waist.WAISTBAND,
        "pockets": (Pocket(PocketKind.PATCH, PocketPlace.BACK),),
        "bib": Bib(),
        "straps": Straps(2, 30.0, StrapsClosed.SNAPS),
    },
}
APRONS = {
    "bib apron": {"bib": Bib(BibShape.STRAIGHT), "straps": Straps(1, 25.0), "pockets": (PATCHES,)},
    "tied apron": {"bib": Bib(), "straps": Straps(2, 25.0, StrapsClosed.TIES)},
}
JACKETS = {
    "dressing gown": {
        "front": OPEN,
        "collar": CollarKind.SHAWL,
        "sleeve": Sleeve(SleeveKind.DROPPED),
        "belt": BeltKind.TIE,
        "pockets": (PATCHES,),
    },
    "wrap coat": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART,)),
        "back": SEAM,
        "collar": CollarKind.NOTCHED,
        "sleeve": Sleeve(pieces=2),
        "belt": BeltKind.TIE,
        "lining": BAGGED,
    },
    "lined overshirt": {
        "front": OPEN,
        "back": Side(shaping=(Shaping.YOKE,)),
        "opening": buttoned(6, Placket.BAND),
        "collar": CollarKind.STAND,
        "sleeve": LONG,
        "lining": BAGGED,
        "pockets": (Pocket(PocketKind.WELT, PocketPlace.FRONT),),
    },
    "hooded coat": {
        "front": OPEN,
        "opening": buttoned(4, Placket.FACING),
        "collar": CollarKind.HOOD,
        "sleeve": LONG,
        "lining": Lining(method=LiningMethod.BY_HAND),
        "pockets": (PATCHES,),
    },
    "anorak": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
        "collar": CollarKind.HOOD,
        "sleeve": Sleeve(SleeveKind.RAGLAN),
        "lining": BAGGED,
    },
    "hooded pullover": {"opening": buttoned(3, length=180.0), "collar": CollarKind.HOOD, "sleeve": LONG},
    "raglan coat": {
        "front": OPEN,
        "back": SEAM,
        "opening": buttoned(),
        "neck": Neck(NeckShape.V),
        "collar": CollarKind.NOTCHED,
        "sleeve": Sleeve(SleeveKind.RAGLAN),
        "lining": Lining(method=LiningMethod.BAGGED),
        "pockets": (PATCHES,),
    },
    "blazer": {
        "front": Side(Centre.OPEN, (Shaping.PRINCESS_ARMHOLE,)),
        "back": Side(Centre.SEAM, (Shaping.PRINCESS_ARMHOLE,)),
        "opening": buttoned(2),
        "collar": CollarKind.NOTCHED,
        "sleeve": Sleeve(pieces=2),
        "pockets": (Pocket(PocketKind.FLAP, PocketPlace.FRONT),),
        "lining": BAGGED,
        "pads": True,
        "vent": True,
    },
    "double-breasted jacket": {
        "front": Side(Centre.OPEN, (Shaping.BUST_DART, Shaping.WAIST_DART)),
        "back": Side(Centre.SEAM, (Shaping.WAIST_DART,)),
        "opening": double_breasted(6),
        "collar": CollarKind.NOTCHED,
        "sleeve": Sleeve(pieces=2),
        "pockets": (Pocket(PocketKind.FLAP, PocketPlace.FRONT),),
        "lining": BAGGED,
    },
    "sailor coat": {
        "front": OPEN,
        "opening": double_breasted(),
        "collar": CollarKind.ONE_PIECE,
        "sleeve": LONG,
        "pockets": (PATCHES,),
    },
    "trench coat": {
        "front": OPEN,
        "opening": double_breasted(8),
        "collar": CollarKind.SHIRT,
        "sleeve": Sleeve(SleeveKind.RAGLAN),
        "belt": BeltKind.TIE,
    },
    "hooded pea jacket": {
        "front": OPEN,
        "opening": double_breasted(6),
        "collar": CollarKind.HOOD,
        "sleeve": Sleeve(),
        "lining": Lining(method=LiningMethod.SEWN_IN),
    },
    "double-breasted waistcoat": {
        "front": OPEN,
        "back": SEAM,
        "neck": Neck(NeckShape.V),
        "opening": double_breasted(6),
        "lining": BAGGED,
        "pockets": (Pocket(PocketKind.WELT, PocketPlace.FRONT),),
    },
    "bomber jacket": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
        "collar": CollarKind.STAND,
        "sleeve": Sleeve(SleeveKind.RAGLAN, end=SleeveEnd.CUFF),
        "lining": BAGGED,
        "pockets": (Pocket(PocketKind.WELT, PocketPlace.FRONT),),
    },
    "blouson": {
        "front": OPEN,
        "neck": Neck(finish=NeckFinish.BAND),
        "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
        "sleeve": Sleeve(end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
        "pockets": (Pocket(PocketKind.WELT, PocketPlace.FRONT),),
        "ribbing": True,
    },
    "lined blouson": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP),
        "neck": Neck(finish=NeckFinish.BAND),
        "sleeve": Sleeve(SleeveKind.RAGLAN, end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
        "lining": Lining(method=LiningMethod.SEWN_IN),
        "ribbing": True,
    },
    "denim jacket": {
        "front": Side(Centre.OPEN, (Shaping.YOKE,)),
        "back": Side(shaping=(Shaping.YOKE,)),
        "opening": buttoned(6, Placket.BAND),
        "collar": CollarKind.SHIRT,
        "sleeve": Sleeve(pieces=2, end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND, 45.0),
        "pockets": (Pocket(PocketKind.PATCH, PocketPlace.CHEST, Hand.BOTH),),
    },
    "snapped jacket": {
        "front": OPEN,
        "opening": Opening(Where.FRONT, OpeningKind.SNAPS, placket=Placket.FACING),
        "sleeve": Sleeve(SleeveKind.RAGLAN, end=SleeveEnd.CUFF),
        "hem": Hem(HemKind.BAND),
        "ribbing": True,
    },
    "coat": {
        "front": OPEN,
        "back": SEAM,
        "opening": buttoned(4),
        "collar": CollarKind.ONE_PIECE,
        "sleeve": Sleeve(pieces=2),
        "lining": BAGGED,
        "belt": BeltKind.BACK_BELT,
        "pockets": (PATCHES,),
    },
    "waistcoat": {
        "front": OPEN,
        "back": SEAM,
        "neck": Neck(NeckShape.V),
        "opening": buttoned(5),
        "lining": BAGGED,
        "pockets": (Pocket(PocketKind.WELT, PocketPlace.FRONT),),
        "belt": BeltKind.BACK_BELT,
    },
}
FOR = {
    "grandad shirt": Figure.MEN,
    "camp shirt": Figure.MEN,
    "dress shirt": Figure.MEN,
    "polo shirt": Figure.MEN,
    "men's jeans": Figure.MEN,
    "dressing gown": Figure.MEN,
    "pyjama trousers": Figure.MEN,
    "tailored trousers": Figure.MEN,
    "bomber jacket": Figure.MEN,
    "double-breasted waistcoat": Figure.MEN,
    "sailor coat": Figure.CHILDREN,
    "tailed shirt": Figure.MEN,
    "boiler suit": Figure.MEN,
    "waistcoat": Figure.MEN,
    "snapped jacket": Figure.MEN,
    "sweatshirt": Figure.CHILDREN,
    "zipped hoodie": Figure.CHILDREN,
    "shorts": Figure.CHILDREN,
    "puff-sleeved dress": Figure.CHILDREN,
    "smock dress": Figure.CHILDREN,
    "dungarees": Figure.CHILDREN,
}
"""Whom they are made for, where not for women."""


def _described(name, features, garment, cloth=Structure.WOVEN):
    figure = FOR.get(name, Figure.WOMEN)
    return Description(name=name, garment=garment, figure=figure, cloth=cloth, features=Features(**features))


EVERYDAY = {
    name: _described(name, features, garment, cloth)
    for garments, garment, cloth in (
        (TOPS, GarmentKind.TOP, Structure.WOVEN),
        (TAILED, GarmentKind.TOP, Structure.WOVEN),
        (KNITS, GarmentKind.TOP, Structure.KNIT),
        (JOGGERS, GarmentKind.TROUSERS, Structure.KNIT),
        (SKIRTS, GarmentKind.SKIRT, Structure.WOVEN),
        (TROUSERS, GarmentKind.TROUSERS, Structure.WOVEN),
        (DRESSES, GarmentKind.DRESS, Structure.WOVEN),
        (JUMPSUITS, GarmentKind.JUMPSUIT, Structure.WOVEN),
        (BIBBED_SKIRTS, GarmentKind.SKIRT, Structure.WOVEN),
        (DUNGAREES, GarmentKind.TROUSERS, Structure.WOVEN),
        (APRONS, GarmentKind.APRON, Structure.WOVEN),
        (JACKETS, GarmentKind.JACKET, Structure.WOVEN),
    )
    for name, features in garments.items()
}


@cache
def everyday(name: str) -> Pattern:
    """The pattern of one of them; a process composes each once."""
    return compose(EVERYDAY[name]).pattern
