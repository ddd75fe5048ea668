"""Small whole garments that between them ask for every technique there is, so that each can be ordered and played."""

from dataclasses import replace
from functools import cache

from rowanseed.core.compose.compose import compose
from rowanseed.core.compose.description import (
    Bib,
    Description,
    Features,
    Hem,
    Lining,
    Opening,
    Pocket,
    Side,
    Skirt,
    Sleeve,
    Straps,
)
from rowanseed.core.compose.vocabulary import (
    Centre,
    CollarKind,
    GarmentKind,
    HemKind,
    LiningMethod,
    LiningOf,
    OpeningKind,
    PocketKind,
    SkirtKind,
    SleeveEnd,
    Waist,
    Where,
)
from rowanseed.core.derive.choice import Layers, LinedPart, LiningHem, LiningSchool
from rowanseed.core.derive.layers import with_layers
from rowanseed.core.geometry.outline import Segment, line_chain
from rowanseed.core.pattern.making import (
    Closure,
    ClosureKind,
    Detail,
    DetailKind,
    Difference,
    DifferenceKind,
    Finish,
    FinishKind,
    Join,
    Layer,
    LayerKind,
    Press,
)
from rowanseed.core.pattern.pieces import (
    Cut,
    Dart,
    Drawn,
    EdgeSpec,
    InnerLine,
    InnerPoint,
    LineKind,
    Mark,
    MarkKind,
    OneSided,
    Panel,
    Piece,
    PointKind,
    Role,
    Shape,
    Taken,
)

from .garments import SEAM, SIZE, _Garment, four, part

HEM = 30.0
PLAIN = Difference()


def ring(id, edges, *, panel, cut, allowances=None, marks=(), points=(), lines=(), darts=(), collar=False):
    """A piece from its corners: `edges` are (name, corner where it ends), straight, or curved by two controls."""
    at, chains, specs = edges[-1][1], {}, []
    for name, to, *controls in edges:
        chains[name] = (Segment(at, to, *controls),) if controls else line_chain(at, to)
        specs.append(EdgeSpec(name, (allowances or {}).get(name, SEAM)))
        at = to
    xs, ys = zip(*(corner for _, corner, *_ in edges), strict=True)
    long, middle = max(xs) - min(xs), sum(ys) / len(ys)
    grain = ((min(xs) + 0.1 * long, middle), (max(xs) - 0.1 * long, middle))
    return Piece(
        id=id,
        name=id.replace("-", " ").capitalize(),
        number=1,
        drawn=Drawn.SEAM,
        edges=tuple(specs),
        shapes={SIZE: Shape(chains, grain)},
        cuts=cut if isinstance(cut, tuple) else (cut,),
        marks=tuple(marks),
        points=tuple(points),
        lines=tuple(lines),
        darts=tuple(darts),
        panel=panel,
        collar=collar,
    )


ON_FOLD = Cut(Role.MAIN, 1, fold="centre")
PAIR = Cut(Role.MAIN, 2, pair=True)
BOTH = Cut(Role.INTERFACING, 2, pair=True)


def body(made, *, opening=False, armhole=True, more=(), front_more=(), interfaced=False):
    """Front and back from neck to hem, with side and shoulder seams."""
    for name, panel in (("front", Panel.FRONT), ("back", Panel.BACK)):
        open_ = opening and name == "front"
        edges = [
            ("opening" if open_ else "centre", (600.0, 0.0)),
            ("hem", (600.0, 250.0)),
            ("side", (200.0, 250.0)),
            ("armhole", (20.0, 180.0), (120.0, 200.0), (60.0, 190.0)),
            ("shoulder", (0.0, 80.0)),
            ("neck", (60.0 if name == "front" else 0.0, 0.0)),
        ]
        cuts = [PAIR if open_ else ON_FOLD]
        if interfaced and name == "front":
            cuts.append(BOTH)
        made.pieces.append(
            ring(
                name,
                edges,
                panel=panel,
                cut=tuple(cuts),
                allowances={"hem": HEM, "centre": 0.0},
                marks=[*more, *(front_more if name == "front" else ())],
            )
        )
    for edge, name in (("side", "Side seams"), ("shoulder", "Shoulder seams")):
        made.joins.append(
            Join(f"{edge}s", name, (part("front", edge),), (part("back", edge),), press=Press.OPEN, each_hand=True)
        )
    made.finishes.append(
        Finish("hem", "Hem", FinishKind.HEM, (part("front", "hem"), part("back", "hem")), (10.0, 20.0))
    )
    return made


def sleeve(made, *, cap=130.0, wrist=FinishKind.HEM, difference=PLAIN):
    """A set-in sleeve; `cap` is its height."""
    made.pieces.append(
        ring(
            "sleeve",
            [
                ("underarm-front", (500.0, 60.0)),
                ("wrist", (500.0, 300.0)),
                ("underarm-back", (cap, 380.0)),
                ("cap", (cap, 0.0), (-cap / 3, 300.0), (-cap / 3, 80.0)),
            ],
            panel=Panel.SLEEVE,
            cut=PAIR,
            allowances={"wrist": HEM},
            lines=[InnerLine("slash", LineKind.PLACEMENT, {SIZE: ((430.0, 280.0), (500.0, 280.0))})],
        )
    )
    made.joins += [
        Join(
            "underarms",
            "Sleeve seams",
            (part("sleeve", "underarm-front"),),
            (part("sleeve", "underarm-back"),),
            each_hand=True,
        ),
        Join(
            "armholes",
            "Sleeves into armholes",
            (part("sleeve", "cap"),),
            (part("front", "armhole"), part("back", "armhole")),
            difference=difference,
            press=Press.BACK,
            each_hand=True,
        ),
    ]
    made.finishes.append(Finish("wrist", "Sleeve ends", wrist, (part("sleeve", "wrist"),), ()))
    return made


def neck(made, kind=FinishKind.BINDING):
    made.finishes.append(Finish("neck", "Neck", kind, (part("front", "neck"), part("back", "neck"))))
    return made


def armholes(made, kind=FinishKind.BINDING):
    made.finishes.append(Finish("armholes", "Armholes", kind, (part("front", "armhole"), part("back", "armhole"))))
    return made


def strip(id, *, edges=("a", "lower", "b", "upper"), long=200.0, wide=80.0, count=1, panel=Panel.OTHER, **more):
    """A piece of four edges for what is put on."""
    return four(id, edges, panel=panel, long=long, wide=wide, cut=Cut(Role.MAIN, count), **more)


def closed(made, kind):
    """A front opening whose edges are turned in and closed one way or another."""
    made.joins.append(
        Join("front-edges", "Front edges", (part("front", "opening", "left"),), (part("front", "opening", "right"),))
    )
    made.closures.append(Closure("it", kind, "front-edges", ("front", "end")))
    return made


END = Mark("end", MarkKind.ZIP_END, "opening", "start", {SIZE: 220.0})


def _facing_of_front(made, edges=("opening",)):
    made.pieces.append(
        ring(
            "front-facing",
            [
                ("opening", (600.0, 0.0)),
                ("hem", (600.0, 60.0)),
                ("inner", (0.0, 60.0)),
                ("neck", (0.0, 0.0)),
            ],
            panel=Panel.BAND,
            cut=PAIR,
        )
    )
    made.layers.append(Layer(LayerKind.FACING, "front-facing", "front"))
    made.joins.append(
        Join(
            "fronts",
            "Front edges to facings",
            tuple(part("front", e) for e in edges),
            tuple(part("front-facing", e) for e in edges),
            press=Press.FACING,
            each_hand=True,
        )
    )
    made.finishes += [
        Finish("facing-edge", "Inner edges of the facings", FinishKind.NEATENED, (part("front-facing", "inner"),)),
        Finish("facing-hem", "Lower edges of the facings", FinishKind.TURNED, (part("front-facing", "hem"),)),
    ]


def _collar(made):
    """A collar of two layers, turned round its points."""
    for id in ("collar", "under-collar"):
        made.pieces.append(
            four(
                id,
                ("left-end", "outer", "right-end", "neck"),
                panel=Panel.BAND,
                long=70.0,
                wide=360.0,
                cut=Cut(Role.MAIN, 1),
            )
        )
    round_ = ("left-end", "outer", "right-end")
    made.joins.append(
        Join(
            "collar-edge",
            "Edge of the collar",
            tuple(part("collar", e) for e in round_),
            tuple(part("under-collar", e) for e in round_),
            press=Press.FACING,
        )
    )


def flat_collar():
    made = armholes(body(_Garment()))
    _collar(made)
    both = (part("front", "neck"), part("back", "neck"))
    made.pieces.append(
        ring(
            "neck-facing",
            [("centre", (60.0, 0.0)), ("lower", (60.0, 300.0)), ("end", (0.0, 300.0)), ("upper", (0.0, 0.0))],
            panel=Panel.BAND,
            cut=ON_FOLD,
            allowances={"centre": 0.0},
        )
    )
    made.layers += [Layer(LayerKind.FACING, "neck-facing", "front"), Layer(LayerKind.FACING, "neck-facing", "back")]
    made.joins += [
        Join("collar-neck", "Collar to neck", both, (part("under-collar", "neck"),), press=Press.DOWN),
        Join("neck", "Facing to neck", both, (part("neck-facing", "upper"),), press=Press.FACING),
    ]
    made.finishes += [
        Finish("collar-inside", "Neck edge of the upper collar", FinishKind.CAUGHT, (part("collar", "neck"),)),
        Finish("facing-edge", "Edge of the facing", FinishKind.NEATENED, (part("neck-facing", "lower"),)),
        Finish("facing-ends", "Ends of the facing", FinishKind.RAW, (part("neck-facing", "end"),)),
    ]
    return made.pattern()


def notched_collar():
    made = sleeve(body(_Garment(), opening=True, interfaced=True))
    _collar(made)
    _facing_of_front(made)
    made.pieces.append(
        ring(
            "back-facing",
            [("centre", (60.0, 0.0)), ("lower", (60.0, 140.0)), ("shoulder", (0.0, 80.0)), ("neck", (0.0, 0.0))],
            panel=Panel.BAND,
            cut=ON_FOLD,
            allowances={"centre": 0.0},
        )
    )
    made.layers.append(Layer(LayerKind.FACING, "back-facing", "back"))
    made.joins += [
        Join(
            "collar-neck",
            "Under collar to neck",
            (part("front", "neck"), part("back", "neck")),
            (part("under-collar", "neck"),),
            press=Press.OPEN,
        ),
        Join(
            "collar-facing",
            "Upper collar to facings",
            (part("front-facing", "neck"), part("back-facing", "neck")),
            (part("collar", "neck"),),
            press=Press.OPEN,
        ),
    ]
    made.finishes += [
        Finish("back-facing-edge", "Edge of the back facing", FinishKind.NEATENED, (part("back-facing", "lower"),)),
        Finish("back-facing-ends", "Ends of the back facing", FinishKind.RAW, (part("back-facing", "shoulder"),)),
    ]
    made.closures.append(Closure("it", ClosureKind.BUTTONS, "fronts"))
    return made.pattern()


def bagged_jacket():
    """A jacket without an opening, lined to all its edges."""
    return bagged(sleeve(body(_Garment())), (part("sleeve", "wrist"),))


def bagged(made, wrists):
    """A garment lined to all its edges, its sleeve ends too."""
    made.finishes = []
    outer = {p.id: p for p in made.pieces}
    for id, piece in outer.items():
        made.pieces.append(
            Piece(
                id=f"{id}-lining",
                name=f"{piece.name} lining",
                number=2,
                drawn=piece.drawn,
                edges=piece.edges,
                shapes=piece.shapes,
                cuts=(Cut(Role.LINING, piece.cuts[0].count, pair=piece.cuts[0].pair, fold=piece.cuts[0].fold),),
                panel=piece.panel,
            )
        )
        made.layers.append(Layer(LayerKind.LINING, f"{id}-lining", id))

    def inside(parts):
        return tuple(part(f"{p.piece}-lining", p.edge, p.hand) for p in parts)

    for join in list(made.joins):
        made.joins.append(
            Join(
                f"lining-{join.id}",
                f"{join.name} of the lining",
                inside(join.a),
                inside(join.b),
                press=join.press,
                each_hand=True,
            )
        )
    for id, name, parts in (
        ("neck", "Lining to neck", (part("front", "neck"), part("back", "neck"))),
        ("hem", "Lining to hem", (part("front", "hem"), part("back", "hem"))),
        ("wrists", "Lining to sleeve ends", wrists),
    ):
        made.joins.append(Join(id, name, parts, inside(parts), press=Press.FACING, each_hand=id == "wrists"))
    return made.pattern()


def raglan():
    made = _Garment()
    for name, panel in (("front", Panel.FRONT), ("back", Panel.BACK)):
        made.pieces.append(
            ring(
                name,
                [
                    ("centre", (600.0, 0.0)),
                    ("hem", (600.0, 250.0)),
                    ("side", (200.0, 250.0)),
                    ("raglan", (0.0, 70.0)),
                    ("neck", (40.0, 0.0)),
                ],
                panel=panel,
                cut=ON_FOLD,
                allowances={"hem": HEM, "centre": 0.0},
            )
        )
    made.pieces.append(
        ring(
            "sleeve",
            [
                ("underarm-front", (500.0, 60.0)),
                ("wrist", (500.0, 300.0)),
                ("underarm-back", (250.0, 380.0)),
                ("raglan-back", (0.0, 220.0)),
                ("neck", (0.0, 160.0)),
                ("raglan-front", (250.0, 0.0)),
            ],
            panel=Panel.SLEEVE,
            cut=PAIR,
            allowances={"wrist": HEM},
        )
    )
    for name in ("front", "back"):
        made.joins.append(
            Join(
                f"raglan-{name}",
                f"Raglan seams, {name}",
                (part(name, "raglan"),),
                (part("sleeve", f"raglan-{name}"),),
                press=Press.BACK,
                each_hand=True,
            )
        )
    made.joins += [
        Join("sides", "Side seams", (part("front", "side"),), (part("back", "side"),), each_hand=True),
        Join(
            "underarms",
            "Sleeve seams",
            (part("sleeve", "underarm-front"),),
            (part("sleeve", "underarm-back"),),
            each_hand=True,
        ),
    ]
    necks = tuple(part(p, "neck") for p in ("front", "sleeve", "back"))
    made.finishes += [
        Finish("neck", "Neck", FinishKind.BINDING, necks),
        Finish("hem", "Hem", FinishKind.HEM, (part("front", "hem"), part("back", "hem")), (10.0, 20.0)),
        Finish("wrist", "Sleeve ends", FinishKind.HEM, (part("sleeve", "wrist"),), (10.0, 20.0)),
    ]
    return made.pattern()


def cut_in_one():
    return neck(_cut_in_one()).pattern()


def lined_cut_in_one():
    """Sleeves cut in one with the body, lined to all edges: the sides come first."""
    return bagged(_cut_in_one(), (part("front", "wrist"), part("back", "wrist")))


def _cut_in_one():
    made = _Garment()
    for name, panel in (("front", Panel.FRONT), ("back", Panel.BACK)):
        made.pieces.append(
            ring(
                name,
                [
                    ("centre", (600.0, 0.0)),
                    ("hem", (600.0, 250.0)),
                    ("side", (230.0, 270.0)),
                    ("underarm", (160.0, 420.0), (190.0, 300.0), (170.0, 360.0)),
                    ("wrist", (0.0, 400.0)),
                    ("shoulder", (0.0, 80.0)),
                    ("neck", (40.0, 0.0)),
                ],
                panel=panel,
                cut=ON_FOLD,
                allowances={"hem": HEM, "centre": 0.0, "wrist": HEM},
            )
        )
    made.joins += [
        Join("shoulders", "Shoulder seams", (part("front", "shoulder"),), (part("back", "shoulder"),), each_hand=True),
        Join(
            "sides",
            "Side and underarm seams",
            (part("front", "side"), part("front", "underarm")),
            (part("back", "side"), part("back", "underarm")),
            each_hand=True,
        ),
    ]
    made.finishes += [
        Finish("hem", "Hem", FinishKind.HEM, (part("front", "hem"), part("back", "hem")), (10.0, 20.0)),
        Finish("wrist", "Sleeve ends", FinishKind.HEM, (part("front", "wrist"), part("back", "wrist")), (10.0, 20.0)),
    ]
    return made


def skirt(*, front_more=(), darts=False, waist="binding", zipped=None, details=(), extra=None):
    """A front on the fold and two backs, with a centre back seam."""
    made = _Garment()
    marks = [
        Mark("zip-end", MarkKind.ZIP_END, "back", "end", {SIZE: 200.0}),
        Mark("slit-end", MarkKind.DOT, "back", "start", {SIZE: 180.0}),
    ]
    legs = [Mark(f"leg-{k}", MarkKind.DART_LEG, "waist", "start", {SIZE: d}) for k, d in ((1, 120.0), (2, 150.0))]
    dart = [Dart("waist", "waist", ("leg-1", "leg-2"), {SIZE: (110.0, 165.0)})]
    for name, panel in (("front", Panel.FRONT), ("back", Panel.BACK)):
        at_back = name == "back"
        made.pieces.append(
            four(
                name,
                ("side" if at_back else "centre", "hem", "back" if at_back else "side", "waist"),
                panel=panel,
                allowances=(SEAM if at_back else 0.0, HEM, SEAM, SEAM),
                cut=PAIR if at_back else ON_FOLD,
                marks=[*(marks if at_back else front_more), *(legs if darts else ())],
                darts=dart if darts else (),
            )
        )
    made.joins += [
        Join("sides", "Side seams", (part("front", "side"),), (part("back", "side"),), each_hand=True),
        Join("centre-back", "Centre back seam", (part("back", "back", "left"),), (part("back", "back", "right"),)),
    ]
    made.finishes.append(
        Finish("hem", "Hem", FinishKind.HEM, (part("front", "hem"), part("back", "hem")), (10.0, 20.0))
    )
    edges = (part("front", "waist"), part("back", "waist"))
    if zipped:
        made.closures.append(Closure("it", zipped, "centre-back", ("back", "zip-end")))
    match waist:
        case "gathered band":
            made.pieces.append(
                four(
                    "band",
                    ("front-end", "inner", "back-end", "waist"),
                    panel=Panel.BAND,
                    long=80.0,
                    wide=300.0,
                    fold=True,
                    cut=Cut(Role.MAIN, 1),
                )
            )
            made.joins.append(
                Join(
                    "waist",
                    "Band to waist",
                    edges,
                    (part("band", "waist"),),
                    difference=Difference(DifferenceKind.GATHERS, 2.0),
                    press=Press.BAND,
                )
            )
            inside = tuple(part("band", e) for e in ("inner", "front-end", "back-end"))
            made.finishes.append(Finish("band-inside", "Inside of the band", FinishKind.TURNED, inside))
        case "contour band":
            for id in ("band", "inner-band"):
                made.pieces.append(
                    four(
                        id,
                        ("front-end", "upper", "back-end", "waist"),
                        panel=Panel.BAND,
                        long=80.0,
                        wide=600.0,
                        cut=Cut(Role.MAIN, 1),
                    )
                )
            round_ = ("front-end", "upper", "back-end")
            made.joins += [
                Join(
                    "band-edge",
                    "Upper edge of the band",
                    tuple(part("band", e) for e in round_),
                    tuple(part("inner-band", e) for e in round_),
                    press=Press.FACING,
                ),
                Join("waist", "Band to waist", edges, (part("band", "waist"),), press=Press.BAND),
            ]
            made.finishes.append(
                Finish("band-inside", "Inside of the band", FinishKind.TURNED, (part("inner-band", "waist"),))
            )
        case "elastic" | "ties":
            made.finishes.append(Finish("waist", "Waist", FinishKind.CASING, edges))
            kind = ClosureKind.ELASTIC if waist == "elastic" else ClosureKind.TIES
            made.closures.append(Closure("drawn", kind, "sides"))
        case _:
            made.finishes.append(Finish("waist", "Waist", FinishKind.BINDING, edges))
    for one in details:
        made.details.append(one)
    if extra:
        extra(made)
    return made.pattern()


def square_yoke():
    """A front whose yoke has inward corners."""
    made = _Garment()
    made.pieces += [
        ring(
            "front",
            [
                ("centre", (600.0, 0.0)),
                ("hem", (600.0, 250.0)),
                ("side", (100.0, 250.0)),
                ("upper", (100.0, 150.0)),
                ("yoke-side", (250.0, 150.0)),
                ("yoke-base", (250.0, 0.0)),
            ],
            panel=Panel.FRONT,
            cut=ON_FOLD,
            allowances={"hem": HEM, "centre": 0.0},
        ),
        ring(
            "yoke",
            [("centre", (250.0, 0.0)), ("base", (250.0, 150.0)), ("side", (100.0, 150.0)), ("upper", (100.0, 0.0))],
            panel=Panel.FRONT,
            cut=ON_FOLD,
            allowances={"centre": 0.0},
        ),
        ring(
            "back",
            [("centre", (600.0, 0.0)), ("hem", (600.0, 250.0)), ("side", (100.0, 250.0)), ("upper", (100.0, 0.0))],
            panel=Panel.BACK,
            cut=ON_FOLD,
            allowances={"hem": HEM, "centre": 0.0},
        ),
    ]
    made.joins += [
        Join(
            "yoke",
            "Yoke seam",
            (part("front", "yoke-base"), part("front", "yoke-side")),
            (part("yoke", "base"), part("yoke", "side")),
            press=Press.UP,
        ),
        Join("sides", "Side seams", (part("front", "side"),), (part("back", "side"),), each_hand=True),
    ]
    top = tuple(part(p, "upper") for p in ("front", "yoke", "back"))
    made.finishes += [
        Finish("upper", "Upper edge", FinishKind.TURNED, top),
        Finish("hem", "Hem", FinishKind.HEM, (part("front", "hem"), part("back", "hem")), (10.0, 20.0)),
    ]
    return made.pattern()


# ---------------------------------------------------------------- details


def _loose(kind, *, on=(), along=(), pieces=(), ends=(FinishKind.RAW,), **more):
    """What adds a detail with one piece of its own, whose edges are finished in the given ways."""

    def add(made):
        for k, id in enumerate(pieces):
            made.pieces.append(strip(id, count=2))
            kinds = dict(zip(("a", "lower", "b", "upper"), ends * 4, strict=False))
            made.finishes += [
                Finish(f"{id}-{edge}", f"Edge {edge} of the {id}", how, (part(id, edge),))
                for edge, how in kinds.items()
            ]
            assert k < 3
        made.details.append(
            Detail("detail", kind.words.capitalize(), kind, tuple(pieces), tuple(on), tuple(along), **more)
        )

    return add


SLIT = Mark("slit-end", MarkKind.DOT, "side", "start", {SIZE: 180.0})
KINDS = {
    DetailKind.IN_SEAM_POCKET: {"on": ("front", "back"), "pieces": ("bag",)},
    DetailKind.SLANT_POCKET: {"on": ("front",), "pieces": ("bag",)},
    DetailKind.WELT_POCKET: {"on": ("front",), "pieces": ("welt", "bag")},
    DetailKind.FLAP: {"on": ("front",), "pieces": ("flap",), "ends": (FinishKind.CAUGHT, FinishKind.RAW)},
    DetailKind.STRAP: {"along": ("sides",), "pieces": ("strap",), "ends": (FinishKind.CAUGHT, FinishKind.TURNED)},
    DetailKind.BELT_LOOPS: {"along": ("sides",), "pieces": ("loop",), "count": 5},
    DetailKind.TAB: {"along": ("sides",), "pieces": ("tab",), "ends": (FinishKind.CAUGHT, FinishKind.TURNED)},
    DetailKind.TIES: {"along": ("waist",), "pieces": ("tie",), "ends": (FinishKind.CAUGHT, FinishKind.TURNED)},
    DetailKind.TIE_BELT: {"pieces": ("belt",), "ends": (FinishKind.TURNED,)},
    DetailKind.SLIT: {"along": ("centre-back",), "to_mark": ("back", "slit-end")},
    DetailKind.VENT: {"along": ("centre-back",), "to_mark": ("back", "slit-end")},
    DetailKind.CONTINUOUS_PLACKET: {"on": ("front",)},
    DetailKind.TOWER_PLACKET: {"on": ("front",), "pieces": ("placket",)},
    DetailKind.FACED_SLIT: {"on": ("front",), "pieces": ("slit",), "ends": (FinishKind.NEATENED,)},
    DetailKind.KNIFE_PLEATS: {"on": ("front",), "count": 6, "width": 40.0},
    DetailKind.BOX_PLEATS: {"on": ("front",), "count": 3},
    DetailKind.INVERTED_PLEATS: {"on": ("front", "back"), "count": 1},
    DetailKind.DOUBLE_DARTS: {"on": ("front",), "count": 2, "width": 24.0},
    DetailKind.TUCKS: {"on": ("front",), "count": 4},
    DetailKind.SHIRRED_PANEL: {"on": ("back",)},
    DetailKind.DRAWSTRING: {"along": ("sides",)},
    DetailKind.ELASTIC: {"on": ("back",), "count": 3},
    DetailKind.PIPING: {"along": ("sides",)},
    DetailKind.RUFFLE: {"along": ("sides",), "pieces": ("ruffle",), "ends": (FinishKind.CAUGHT, FinishKind.HEM)},
    DetailKind.LACE: {"along": ("hem",)},
    DetailKind.RICKRACK: {"along": ("sides",)},
    DetailKind.BRAID: {"along": ("hem", "sides")},
    DetailKind.TOPSTITCHING: {"along": ("sides",), "count": 2},
    DetailKind.EMBROIDERY: {"on": ("front",)},
    DetailKind.BONING: {"along": ("sides",)},
    DetailKind.BACK_STAY: {"on": ("back",)},
    DetailKind.ROLL_LINE: {"on": ("front",)},
}
"""How each kind of detail is put on a skirt; a scalloped edge needs a facing, and has a garment of its own."""


def with_detail(kind):
    return skirt(extra=_loose(kind, **KINDS[kind]))


def scalloped():
    made = armholes(neck(body(_Garment(), opening=True)))
    _facing_of_front(made)
    made.finishes = [
        f if f.id != "neck" else Finish("neck", "Neck", FinishKind.BINDING, (*f.parts, part("front-facing", "neck")))
        for f in made.finishes
    ]
    made.details.append(Detail("detail", "Scalloped front edges", DetailKind.SCALLOPS, along=("fronts",)))
    made.closures.append(Closure("it", ClosureKind.BUTTONS, "fronts"))
    return made.pattern()


def separating():
    made = armholes(neck(body(_Garment(), opening=True)))
    _facing_of_front(made)
    made.finishes.append(
        Finish("facing-top", "Upper end of the facing", FinishKind.RAW, (part("front-facing", "neck"),))
    )
    made.closures.append(Closure("it", ClosureKind.SEPARATING_ZIP, "fronts"))
    return made.pattern()


def fly():
    """A fly whose facing and shield the pattern draws."""
    ends = (FinishKind.CAUGHT, FinishKind.NEATENED, FinishKind.NEATENED, FinishKind.CAUGHT)
    pieces = _loose(
        DetailKind.FLY, on=("back",), along=("centre-back",), pieces=("fly-facing", "fly-shield"), ends=ends
    )
    return skirt(zipped=ClosureKind.FLY_ZIP, extra=pieces)


def button_fly():
    """A fly that buttons: its facing, its shield and the strip with the holes."""
    ends = (FinishKind.CAUGHT, FinishKind.NEATENED, FinishKind.NEATENED, FinishKind.CAUGHT)
    pieces = ("fly-facing", "fly-shield", "fly-strip")

    def add(made):
        _loose(DetailKind.FLY, on=("back",), along=("centre-back",), pieces=pieces, ends=ends)(made)
        strip_of = next(k for k, p in enumerate(made.pieces) if p.id == "fly-strip")
        holes = [InnerPoint(f"hole-{k}", PointKind.BUTTONHOLE, {SIZE: (40.0 * k, 10.0)}) for k in (1, 2, 3)]
        made.pieces[strip_of] = ring_with_points(made.pieces[strip_of], points=holes)

    return skirt(zipped=ClosureKind.BUTTON_FLY, extra=add)


def interlined():
    made = armholes(neck(body(_Garment(), interfaced=True)))
    made.pieces = [
        p
        if p.id != "front"
        else ring_with_points(p, lines=[InnerLine("roll", LineKind.ROLL, {SIZE: ((60, 5), (400, 5))})])
        for p in made.pieces
    ]
    made.layers.append(Layer(LayerKind.INTERLINING, "back", "front"))
    return made.pattern()


def ring_with_points(piece, *, lines=(), points=()):
    return replace(piece, lines=(*piece.lines, *lines), points=(*piece.points, *points))


def pleated():
    made = skirt()
    lines = tuple(
        InnerLine(f"pleat-{k}", LineKind.PLEAT, {SIZE: ((20.0, 40.0 * k), (580.0, 40.0 * k))}) for k in (1, 2, 3)
    )
    pieces = tuple(replace(p, lines=lines) if p.id == "front" else p for p in made.pieces)
    return replace(made, pieces=pieces)


def pocketed():
    """A patch pocket, marked, on a fused front."""

    def add(made):
        made.pieces.append(strip("pocket", edges=("side", "bottom", "other", "top"), wide=150.0, count=1))
        made.pieces[-1] = _deeper(made.pieces[-1])
        made.finishes.append(
            Finish(
                "pocket",
                "Pocket edges",
                FinishKind.TURNED,
                tuple(part("pocket", e.name) for e in made.pieces[-1].edges),
            )
        )
        front = made.pieces[0]
        places = [InnerPoint(f"pocket-{k}", PointKind.POCKET, {SIZE: (200.0, y)}) for k, y in ((1, 60.0), (2, 200.0))]
        made.pieces[0] = ring_with_points(front, points=places)

    return skirt(extra=add)


def folded(taken):
    """A front with two folds at its waist, which take in 40 mm."""
    made = skirt()
    legs = [Mark(f"f{k}", MarkKind.DART_LEG, "waist", "start", {SIZE: 60.0 + 20.0 * k}) for k in range(4)]
    folds = [Dart(f"fold-{k}", "waist", (f"f{k}", f"f{k + 1}"), {SIZE: (60.0, 180.0)}, taken) for k in (0, 2)]
    pieces = tuple(
        replace(p, marks=(*p.marks, *legs), darts=tuple(folds)) if p.id == "front" else p for p in made.pieces
    )
    return replace(made, pieces=pieces)


def unlike(taken):
    """A front with a tuck or a pleat on its left shoulder alone."""
    made = _Garment()
    place = Mark("tuck", MarkKind.DART_LEG, "shoulder", "start", {SIZE: 50.0})
    body(made, front_more=[place])
    made.pieces[0] = replace(made.pieces[0], one_sided=(OneSided("tuck", "tuck", "left", 30.0, 60.0, taken),))
    return armholes(neck(made)).pattern()


def strapped(kind):
    """Straps with one end caught and one that is closed."""

    def add(made):
        made.pieces.append(strip("strap", count=2))
        kinds = (("lower", FinishKind.CAUGHT), ("upper", FinishKind.TURNED))
        made.finishes += [Finish(f"strap-{e}", f"{e} end of the strap", how, (part("strap", e),)) for e, how in kinds]
        sides = tuple(part("strap", e) for e in ("a", "b"))
        made.finishes.append(Finish("strap-sides", "Sides of the strap", FinishKind.TURNED, sides))
        made.details.append(Detail("straps", "Straps", DetailKind.STRAP, ("strap",), along=("sides",), count=2))
        made.closures.append(Closure("strap-closure", kind, "strap-upper"))

    return skirt(extra=add)


def pleated_band():
    made = skirt(waist="gathered band", zipped=ClosureKind.CENTRED_ZIP)
    edges = ("a", "lower", "b", "upper")
    over = strip("over", edges=edges, long=80.0, wide=300.0)
    caught = Finish("over", "Edges of the pleated band", FinishKind.CAUGHT, tuple(part("over", e) for e in edges))
    detail = Detail("pleated", "Pleated band", DetailKind.PLEATED_BAND, ("over",), on=("band",), count=4, width=10.0)
    making = replace(made.making, finishes=(*made.making.finishes, caught), details=(*made.making.details, detail))
    return replace(made, pieces=(*made.pieces, over), making=making)


def _deeper(piece):
    edges = tuple(EdgeSpec(e.name, 40.0 if e.name == "top" else e.allowance) for e in piece.edges)
    return replace(piece, edges=edges)


def eased():
    made = neck(sleeve(body(_Garment()), cap=190.0, difference=Difference(DifferenceKind.EASE, 22.0)))
    return made.pattern()


def shirred():
    return neck(sleeve(body(_Garment()), cap=190.0, difference=Difference(DifferenceKind.GATHERS, 1.6))).pattern()


def dropped():
    return neck(sleeve(body(_Garment()), cap=40.0)).pattern()


def _opened(kind):
    return armholes(neck(closed(body(_Garment(), opening=True, front_more=[END]), kind))).pattern()


def all_in_one():
    """A bodice whose neck and armholes are faced by one facing, front and back."""
    made = body(_Garment())
    for name in ("front", "back"):
        made.pieces.append(
            ring(
                f"{name}-facing",
                [
                    ("centre", (280.0, 0.0)),
                    ("lower", (280.0, 250.0)),
                    ("side", (200.0, 250.0)),
                    ("armhole", (20.0, 180.0), (120.0, 200.0), (60.0, 190.0)),
                    ("shoulder", (0.0, 80.0)),
                    ("neck", (60.0 if name == "front" else 0.0, 0.0)),
                ],
                panel=Panel.BAND,
                cut=ON_FOLD,
                allowances={"centre": 0.0},
            )
        )
        made.layers.append(Layer(LayerKind.FACING, f"{name}-facing", name))
    for edge, name in (("shoulder", "Shoulders of the facing"), ("side", "Sides of the facing")):
        made.joins.append(
            Join(
                f"facing-{edge}s",
                name,
                (part("front-facing", edge),),
                (part("back-facing", edge),),
                press=Press.OPEN,
                each_hand=True,
            )
        )
    for edge, name in (("neck", "Neck to facing"), ("armhole", "Armholes to facing")):
        made.joins.append(
            Join(
                f"faced-{edge}",
                name,
                (part("front", edge), part("back", edge)),
                (part("front-facing", edge), part("back-facing", edge)),
                press=Press.FACING,
                each_hand=edge == "armhole",
            )
        )
    made.finishes.append(
        Finish(
            "facing-edge",
            "Free edge of the facing",
            FinishKind.NEATENED,
            (part("front-facing", "lower"), part("back-facing", "lower")),
        )
    )
    return made.pattern()


def described(garment=GarmentKind.TOP, **features):
    """A blouse or a dress as an envelope tells it."""
    body = {measure: {SIZE: mm} for measure, mm in (("bust", 920.0), ("waist", 720.0), ("hip", 980.0))}
    description = Description(
        name="Described", garment=garment, sizes=(SIZE,), body_chart=body, features=Features(**features)
    )
    return compose(description).pattern


def vented(method, **features):
    """A lined coat with a vent, as the project of it begins."""
    pattern = described(
        GarmentKind.COAT,
        front=Side(Centre.OPEN),
        back=Side(Centre.SEAM),
        opening=BUTTONED,
        collar=CollarKind.NOTCHED,
        sleeve=Sleeve(),
        vent=True,
        lining=Lining(method=method),
        **features,
    )
    return with_layers(pattern, SIZE, "A", Layers(lining=LiningSchool.DEDUCT, hem=LiningHem.ATTACHED))


def jumpsuit(**features):
    return described(
        GarmentKind.JUMPSUIT,
        back=Side(Centre.SEAM),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP),
        **features,
    )


def bibbed(garment, straps, **features):
    return described(garment, bib=Bib(), straps=straps, **features)


BUTTONED = Opening(Where.FRONT, OpeningKind.BUTTONS)
STRAPS_CLOSED = (ClosureKind.BUTTONS, ClosureKind.SNAPS, ClosureKind.TIES)
_MADE = {
    "skirt": lambda: skirt(darts=True, zipped=ClosureKind.INVISIBLE_ZIP),
    "gathered skirt": lambda: skirt(waist="gathered band", zipped=ClosureKind.CENTRED_ZIP),
    "elastic skirt": lambda: skirt(waist="elastic"),
    "drawn skirt": lambda: skirt(waist="ties"),
    "pleated skirt": pleated,
    "pocketed skirt": pocketed,
    "flat collar": flat_collar,
    "notched collar": notched_collar,
    "bagged jacket": bagged_jacket,
    "raglan": raglan,
    "cut in one": cut_in_one,
    "lined, cut in one": lined_cut_in_one,
    "square yoke": square_yoke,
    "scalloped": scalloped,
    "interlined": interlined,
    "underlined": lambda: described(opening=BUTTONED, underlining=True),
    "eased sleeve": eased,
    "gathered sleeve": shirred,
    "dropped sleeve": dropped,
    "snaps": lambda: _opened(ClosureKind.SNAPS),
    "ties": lambda: _opened(ClosureKind.TIES),
    "lacing": lambda: _opened(ClosureKind.LACING),
    "buttons": lambda: _opened(ClosureKind.BUTTONS),
    "button and loop": lambda: _opened(ClosureKind.BUTTON_LOOP),
    "fly": lambda: skirt(zipped=ClosureKind.FLY_ZIP),
    "fly with its pieces": fly,
    "button fly": button_fly,
    "separating zip": separating,
    "elastic in a seam": lambda: skirt(extra=_loose(DetailKind.ELASTIC, along=("sides",))),
    "lapped zip": lambda: skirt(zipped=ClosureKind.LAPPED_ZIP),
    "exposed zip": lambda: skirt(zipped=ClosureKind.EXPOSED_ZIP),
    "hooks": lambda: skirt(zipped=ClosureKind.HOOK_AND_EYE),
    "waist pleats": lambda: folded(Taken.PLEAT),
    "waist tucks": lambda: folded(Taken.TUCK),
    "tuck on one shoulder": lambda: unlike(Taken.TUCK),
    "pleat on one shoulder": lambda: unlike(Taken.PLEAT),
    "pleated band": pleated_band,
    "contour band": lambda: skirt(waist="contour band", zipped=ClosureKind.INVISIBLE_ZIP),
    "all-in-one facing": all_in_one,
    "jumpsuit": jumpsuit,
    "pinafore": lambda: bibbed(GarmentKind.SKIRT, Straps(), opening=Opening(Where.LEFT_SIDE, OpeningKind.LAPPED_ZIP)),
    "bib apron": lambda: bibbed(GarmentKind.APRON, Straps(1, 25.0)),
    "collar to the centre line": lambda: described(
        front=Side(Centre.OPEN), opening=BUTTONED, collar=CollarKind.ONE_PIECE
    ),
    "lined full skirt": lambda: with_layers(
        described(
            GarmentKind.DRESS,
            back=Side(Centre.SEAM),
            opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0),
            waist=Waist.SEAM,
            skirt=Skirt(SkirtKind.GATHERED),
        ),
        SIZE,
        "A",
        Layers(lining=LiningSchool.WHOLE, of=LinedPart.LOWER, hem=LiningHem.ATTACHED),
    ),
    "lined bodice": lambda: described(
        GarmentKind.DRESS,
        back=Side(Centre.SEAM),
        opening=Opening(Where.BACK, OpeningKind.INVISIBLE_ZIP, 560.0),
        waist=Waist.SEAM,
        skirt=Skirt(SkirtKind.A_LINE),
        lining=Lining(LiningOf.UPPER, LiningMethod.BAGGED),
    ),
    "seam open at its top": lambda: described(
        back=Side(Centre.SEAM), opening=Opening(Where.BACK, OpeningKind.HOOK_AND_EYE)
    ),
    "lining sewn in, with a vent": lambda: vented(LiningMethod.SEWN_IN),
    "lining bagged, with a vent": lambda: vented(LiningMethod.BAGGED),
    "half placket": lambda: described(opening=BUTTONED, collar=CollarKind.STAND),
    "shirred top": lambda: described(
        GarmentKind.SKIRT,
        waist=Waist.SHIRRED,
        skirt=Skirt(SkirtKind.A_LINE),
        lining=Lining(method=LiningMethod.HANGING_FREE),
    ),
    "hood": lambda: described(collar=CollarKind.HOOD),
    "ribbed hood": lambda: described(
        collar=CollarKind.HOOD,
        sleeve=Sleeve(end=SleeveEnd.CUFF),
        hem=Hem(HemKind.BAND),
        pockets=(Pocket(PocketKind.POUCH),),
        ribbing=True,
    ),
    "hood over a separating zip": lambda: described(
        front=Side(Centre.OPEN), opening=Opening(Where.FRONT, OpeningKind.SEPARATING_ZIP), collar=CollarKind.HOOD
    ),
    "banded skirt": lambda: skirt(waist="gathered band", zipped=ClosureKind.INVISIBLE_ZIP),
    **{f"straps by {kind.value}": (lambda kind=kind: strapped(kind)) for kind in STRAPS_CLOSED},
    **{kind.words: (lambda kind=kind: with_detail(kind)) for kind in KINDS},
}
WARDROBE = {name: cache(made) for name, made in _MADE.items()}
"""How each garment is made; a process makes each once."""
