"""Two garments of the demo household that were described from their envelopes: a dress well known, an apron hardly."""

from __future__ import annotations

from rowanseed.core.compose.as_printed import Measured, Printed
from rowanseed.core.compose.description import Description, Features, Hem, Neck, Opening, Pocket, Side, Skirt, Sleeve
from rowanseed.core.compose.vocabulary import (
    Centre,
    GarmentKind,
    HemKind,
    Interfaced,
    NeckFinish,
    NeckShape,
    OpeningKind,
    PocketKind,
    PocketPlace,
    Shaping,
    SkirtKind,
    SleeveEnd,
    SleeveKind,
    SleeveLength,
    TapeLine,
    Waist,
    Where,
)
from rowanseed.core.pattern.envelope import Figure

SIZES = ("8", "10", "12", "14", "16", "18")
BUST = (800.0, 830.0, 870.0, 920.0, 970.0, 1020.0)
WAIST = (610.0, 640.0, 670.0, 720.0, 770.0, 830.0)
HIP = (850.0, 880.0, 920.0, 970.0, 1020.0, 1070.0)


def _row(figures: tuple[float, ...], more: float = 0.0) -> dict[str, float]:
    return {size: figure + more for size, figure in zip(SIZES, figures, strict=True)}


def dress() -> Description:
    """A dress gathered under a square yoke: chart, list and steps are known, and the tissue is begun to be measured."""
    return Description(
        name="Yoked choir dress",
        house="Larkmoor Patterns",
        code="L 126",
        garment=GarmentKind.DRESS,
        sizes=SIZES,
        sized_by=("bust",),
        body_chart={"bust": _row(BUST), "waist": _row(WAIST), "hip": _row(HIP)},
        finished={"bust": _row(BUST, 110.0), "length": _row(tuple(1010.0 + 5 * k for k in range(6)))},
        yardage=tuple(
            Printed("main", width, long + 60.0 * k, size)
            for width, long in ((1150.0, 2700.0), (1500.0, 2100.0))
            for k, size in enumerate(SIZES)
        ),
        notions=("invisible zip, 40 cm", "interfacing 0.30 m"),
        fabrics=("cotton lawn", "viscose", "light wool"),
        pieces=(
            "1 Front: cut 1 on fold",
            "2 Front yoke: cut 1 on fold",
            "3 Back: cut 2",
            "4 Sleeve: cut 2",
            "5 Front yoke neck facing: cut 1 on fold of fabric and interfacing",
            "6 Back neck facing: cut 2 of fabric and interfacing",
        ),
        booklet=(
            "1. Gather the front and sew the yoke to it, clipping into the corners",
            "2. Stitch the shoulder seams",
            "3. Sew the facings together at the shoulders and sew them to the neck",
            "4. Insert the zip, stitch the centre back seam below it",
            "5. Stitch the side seams and the sleeve seams",
            "6. Set in the sleeves",
            "7. Hem the sleeves and the dress",
        ),
        features=Features(
            front=Side(shaping=(Shaping.SQUARE_YOKE, Shaping.GATHERS_UNDER_YOKE)),
            back=Side(Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 400.0),
            neck=Neck(NeckShape.ROUND, NeckFinish.FACING),
            sleeve=Sleeve(SleeveKind.SET_IN, length=SleeveLength.ELBOW, end=SleeveEnd.HEM),
            skirt=Skirt(SkirtKind.A_LINE),
            hem=Hem(HemKind.TURNED, 30.0),
            interfacing=frozenset({Interfaced.FACINGS}),
        ),
        measured={"back": Measured("12", {"centre": 1000.0, "shoulder": 110.0}, TapeLine.STITCHING)},
    )


def apron() -> Description:
    """An apron of which only the drawing is known."""
    return Description(
        name="Refreshments apron",
        garment=GarmentKind.APRON,
        figure=Figure.UNISEX,
        features=Features(
            opening=Opening(Where.BACK, OpeningKind.TIES),
            waist=Waist.WAISTBAND,
            skirt=Skirt(SkirtKind.GATHERED, coverage=0.67),
            pockets=(Pocket(PocketKind.PATCH, PocketPlace.FRONT),),
        ),
    )
