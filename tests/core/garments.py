"""Generated garments: panels, sleeves, facings, bands, linings, closures and finishes put together at random."""

from dataclasses import dataclass, field
from itertools import pairwise

from hypothesis import strategies as st

from rowanseed.core.geometry.outline import Segment, line_chain
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Difference,
    DifferenceKind,
    EdgePart,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Making,
    Press,
)
from rowanseed.core.pattern.pieces import (
    Cut,
    Dart,
    Drawn,
    EdgeSpec,
    InnerLine,
    LineKind,
    Mark,
    MarkKind,
    Panel,
    Piece,
    Role,
    Shape,
)

from .pieces import pattern_of

SIZE = "S"
SEAM = 15.0


def four(
    id, names, *, panel, long=600.0, wide=300.0, allowances=None, cut=None, bow=0.0, marks=(), darts=(), fold=False
):
    """A piece of four edges in ring order: along, lower, along, upper; `bow` curves the upper edge."""
    corners = [(0.0, 0.0), (long, 0.0), (long, wide), (0.0, wide), (0.0, 0.0)]
    edges = {name: line_chain(corners[k], corners[k + 1]) for k, name in enumerate(names)}
    if bow:
        a, b = corners[3], corners[4]
        edges[names[3]] = (Segment(a, b, (bow, wide * 0.66), (bow, wide * 0.33)),)
    specs = tuple(EdgeSpec(n, v) for n, v in zip(names, allowances or (SEAM, SEAM, SEAM, SEAM), strict=True))
    middle = wide / 2
    lines = (InnerLine("fold", LineKind.FOLD, {SIZE: ((20.0, middle), (long - 20.0, middle))}),) if fold else ()
    return Piece(
        id=id,
        name=id.replace("-", " ").capitalize(),
        number=1,
        drawn=Drawn.SEAM,
        edges=specs,
        shapes={SIZE: Shape(edges, ((0.1 * long, middle), (0.9 * long, middle)))},
        cuts=(cut or Cut(Role.MAIN, 2, pair=True),),
        panel=panel,
        marks=tuple(marks),
        darts=tuple(darts),
        lines=lines,
    )


@dataclass
class _Garment:
    pieces: list = field(default_factory=list)
    joins: list = field(default_factory=list)
    closures: list = field(default_factory=list)
    finishes: list = field(default_factory=list)
    layers: list = field(default_factory=list)
    details: list = field(default_factory=list)

    def pattern(self):
        making = Making(
            tuple(self.joins), tuple(self.closures), tuple(self.finishes), tuple(self.layers), tuple(self.details)
        )
        return pattern_of(*self.pieces, making=making)


def part(piece, edge, hand=None):
    return EdgePart(piece, edge, hand)


def _dart(edge):
    marks = [Mark(f"leg-{k}", MarkKind.DART_LEG, edge, "start", {SIZE: d}) for k, d in ((1, 120.0), (2, 150.0))]
    return marks, [Dart("waist", edge, ("leg-1", "leg-2"), {SIZE: (110.0, 165.0)})]


HEMS = st.sampled_from([(10.0, 20.0), (8.0, 8.0), (40.0,), ()])
FREE = [
    FinishKind.BINDING,
    FinishKind.CASING,
    FinishKind.TURNED,
    FinishKind.NEATENED,
    FinishKind.RAW,
    FinishKind.SELVEDGE,
]


@st.composite
def skirts(draw):
    """Panels in a row from centre front to centre back, on each hand; a waist that is faced, banded, cased or bound."""
    made = _Garment()
    count = draw(st.integers(2, 5))
    zipped = draw(st.sampled_from([None, ClosureKind.INVISIBLE_ZIP, ClosureKind.CENTRED_ZIP, ClosureKind.LAPPED_ZIP]))
    names = [f"panel-{k}" for k in range(count)]
    hem = draw(HEMS)
    for k, name in enumerate(names):
        marks, darts = _dart("waist") if draw(st.booleans()) else ([], [])
        last = k == count - 1
        if last:
            marks = [*marks, Mark("zip-end", MarkKind.ZIP_END, "back", "end", {SIZE: 200.0})]
        depth = sum(hem) or 25.0
        made.pieces.append(
            four(
                name,
                ("front", "hem", "back", "waist"),
                panel=Panel.FRONT if k < count / 2 else Panel.BACK,
                allowances=(0.0 if k == 0 else SEAM, depth, SEAM, SEAM),
                cut=Cut(Role.MAIN, 1, fold="front") if k == 0 else None,
                bow=draw(st.sampled_from([0.0, 12.0])),
                marks=marks,
                darts=darts,
            )
        )
    press = draw(st.sampled_from([Press.OPEN, Press.BACK]))
    for k, (one, other) in enumerate(pairwise(names)):
        made.joins.append(
            Join(f"seam-{k}", f"Seam {k}", (part(one, "back"),), (part(other, "front"),), press=press, each_hand=True)
        )
    end = names[-1]
    made.joins.append(
        Join(
            "centre-back",
            "Centre back seam",
            (part(end, "back", "left"),),
            (part(end, "back", "right"),),
            sewn_from="start",
        )
    )
    if zipped:
        made.closures.append(Closure("zip", zipped, "centre-back", (end, "zip-end")))
        if draw(st.booleans()):
            made.closures.append(Closure("hook", ClosureKind.HOOK_AND_EYE, "centre-back"))
    made.finishes.append(Finish("hem", "Hem", FinishKind.HEM, tuple(part(n, "hem") for n in names), hem))
    waist = tuple(part(n, "waist") for n in names)
    match draw(st.sampled_from(["facing", "band", "gathered band", *FREE])):
        case "facing":
            made.pieces.append(
                four("facing", ("centre", "lower", "end", "upper"), panel=Panel.BAND, wide=300.0 * count, long=60.0)
            )
            made.layers += [Layer(LayerKind.FACING, "facing", n) for n in names]
            made.joins.append(Join("waist", "Facing to waist", waist, (part("facing", "upper"),), press=Press.FACING))
            made.joins.append(
                Join(
                    "facing-front",
                    "Facing seam",
                    (part("facing", "centre", "left"),),
                    (part("facing", "centre", "right"),),
                )
            )
            made.finishes.append(
                Finish("facing-edge", "Edge of the facing", FinishKind.NEATENED, (part("facing", "lower"),))
            )
            made.finishes.append(Finish("facing-ends", "Ends of the facing", FinishKind.RAW, (part("facing", "end"),)))
        case "band" | "gathered band" as kind:
            gathers = Difference(DifferenceKind.GATHERS, 1.8) if kind != "band" else Difference()
            made.pieces.append(
                four(
                    "band",
                    ("front-end", "inner", "back-end", "waist"),
                    panel=Panel.BAND,
                    wide=300.0 * count,
                    long=80.0,
                    fold=True,
                )
            )
            made.joins.append(
                Join("waist", "Band to waist", waist, (part("band", "waist"),), difference=gathers, press=Press.BAND)
            )
            made.joins.append(
                Join(
                    "band-front",
                    "Band seam",
                    (part("band", "front-end", "left"),),
                    (part("band", "front-end", "right"),),
                )
            )
            inside = (part("band", "inner"), part("band", "back-end"))
            made.finishes.append(Finish("band-inside", "Inside of the band", FinishKind.TURNED, inside))
        case kind:
            made.finishes.append(Finish("waist-edge", "Waist edge", kind, waist))
            if kind is FinishKind.CASING and draw(st.booleans()):
                closure = draw(st.sampled_from([ClosureKind.ELASTIC, ClosureKind.TIES]))
                made.closures.append(Closure("drawn", closure, "centre-back"))
    return made.pattern()


@st.composite
def tops(draw):
    """A front and a back, with or without sleeves; neck and armholes finished one way or another."""
    made = _Garment()
    for name, panel in (("front", Panel.FRONT), ("back", Panel.BACK)):
        ring = ("centre", "hem", "side", "armhole", "shoulder", "neck")
        corners = [(0.0, 0.0), (600.0, 0.0), (600.0, 250.0), (200.0, 250.0), (20.0, 180.0), (0.0, 80.0), (0.0, 0.0)]
        edges = {n: line_chain(corners[k], corners[k + 1]) for k, n in enumerate(ring)}
        allowances = (0.0, 30.0, SEAM, SEAM, SEAM, SEAM)
        made.pieces.append(
            Piece(
                id=name,
                name=name.capitalize(),
                number=1,
                drawn=Drawn.SEAM,
                edges=tuple(EdgeSpec(n, a) for n, a in zip(ring, allowances, strict=True)),
                shapes={SIZE: Shape(edges, ((40.0, 60.0), (560.0, 60.0)))},
                cuts=(Cut(Role.MAIN, 1, fold="centre"),),
                panel=panel,
            )
        )
    press = draw(st.sampled_from([Press.OPEN, Press.BACK]))
    for edge, name in (("side", "Side seams"), ("shoulder", "Shoulder seams")):
        made.joins.append(
            Join(f"{edge}s", name, (part("front", edge),), (part("back", edge),), press=press, each_hand=True)
        )
    both = (part("front", "armhole"), part("back", "armhole"))
    if draw(st.booleans()):
        made.pieces.append(
            four("sleeve", ("underarm-front", "wrist", "underarm-back", "cap"), panel=Panel.SLEEVE, bow=-40.0)
        )
        made.joins.append(
            Join(
                "underarms",
                "Sleeve seams",
                (part("sleeve", "underarm-front"),),
                (part("sleeve", "underarm-back"),),
                press=press,
                each_hand=True,
            )
        )
        difference = draw(
            st.sampled_from(
                [Difference(), Difference(DifferenceKind.EASE, 18.0), Difference(DifferenceKind.GATHERS, 1.5)]
            )
        )
        made.joins.append(
            Join(
                "armholes",
                "Sleeves into armholes",
                (part("sleeve", "cap"),),
                both,
                difference=difference,
                press=Press.BACK,
                each_hand=True,
            )
        )
        made.finishes.append(
            Finish("wrist", "Sleeve ends", draw(st.sampled_from([FinishKind.HEM, *FREE])), (part("sleeve", "wrist"),))
        )
    else:
        made.finishes.append(Finish("armhole-edge", "Armholes", draw(st.sampled_from(FREE)), both))
    made.finishes.append(
        Finish("neck-edge", "Neck", draw(st.sampled_from(FREE)), (part("front", "neck"), part("back", "neck")))
    )
    made.finishes.append(Finish("hem", "Hem", FinishKind.HEM, (part("front", "hem"), part("back", "hem")), draw(HEMS)))
    return made.pattern()


garments = st.one_of(skirts(), tops())
