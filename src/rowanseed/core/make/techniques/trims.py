"""Trims that lie in a seam or on it: piping, lace, rickrack, braid, topstitching, embroidery."""

from __future__ import annotations

from collections.abc import Callable, Iterator

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Supply, Use
from rowanseed.core.make.steps import of_detail
from rowanseed.core.make.technique import Duty, Finds, Technique, single
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart

CORD = 3.0


def _in_a_seam(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.along and all(id in bench.joins for id in detail.along):
                yield single(detail.id, *bench.parts_of(detail))

    return finds


def _along_anything(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.along and not bench.parts_of(detail):
                yield single(detail.id)

    return finds


def _on_pieces(kind: DetailKind) -> Finds:
    def finds(bench: Workbench) -> Iterator[Duty]:
        for detail in bench.details_of(kind):
            if detail.on:
                yield single(detail.id)

    return finds


def piping(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "piping", duty.id)
    edge = bench.parts(detail.along[0])
    allowance = bench.edge_allowance(edge[0])
    foot = settings.zip_foot(bench.household, invisible=False)
    yield step(
        "cord",
        Act.PIPE,
        f"Make the piping: {step.name}",
        f"Bias strip as wide as the cord is round and two allowances: {bench.margin(2 * allowance + 10)} for a cord of "
        f"{bench.margin(CORD)}; {bench.length(step.mm + 60)} in all. Wrap it round the cord, raw edges even, and "
        "stitch beside the cord with the zipper foot, not quite close.",
        f"Trim its allowance to {bench.margin(allowance)}, the seam's. Shrink a cotton cord first.",
        setting=foot,
        gives=(Fact.PREPARED,),
        uses=(Use(Supply.PIPING, step.mm),),
        on=On(edges=shown(edge)),
    )
    yield step(
        "baste",
        Act.PIPE,
        f"Baste the piping to one edge: {step.name}",
        f"On the right side of the {bench.name(edge[0].piece)}, raw edges even, its stitching on the stitching line. "
        "On an inward curve ease it on and clip its allowance, round a corner clip at the very point; do not pull.",
        f"At ends draw {bench.margin(10)} of the cord out and cut it, so that the crossing seam stays flat. Sew on the "
        "row that is there.",
        "When the seam is sewn this side lies on top: stitch just inside this row, with the zipper foot, close to the "
        "cord.",
        setting=foot,
        after={Fact.PREPARED: "it is made up first"},
        needs=tuple(bench.flat_first(detail.along)),
        gives=(
            Fact.FINISHED,
            *facts.joins(Fact.BASTED, detail.along),
            *(facts.finish(Fact.FINISHED, id) for id in duty.ids if id in bench.finishes),
        ),
        on=On(finishes=tuple(id for id in duty.ids if id in bench.finishes), edges=shown(edge)),
        look="The cord stands on the garment's side of the stitching line all the way.",
    )


def rickrack(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield _held(
        bench, duty, "rickrack", "rickrack", "its middle on the stitching line, so that half the waves look out"
    )


def lace(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield _held(
        bench, duty, "lace", "lace", "its straight edge on the raw edge; gathered lace is drawn up by its own thread"
    )


def _held(bench: Workbench, duty: Duty, technique: str, what: str, where: str) -> Operation:
    """Caught in a seam, or stitched on an edge that is finished."""
    detail = bench.details[duty.id]
    step = of_detail(bench, technique, duty.id)
    seams = tuple(id for id in detail.along if id in bench.joins)
    edges = shown(part for id in detail.along for part in bench.parts(id))
    used = (Use(Supply.LACE if detail.kind is DetailKind.LACE else Supply.RICKRACK, step.mm + 40.0),)
    if seams:
        return step(
            "baste",
            Act.ATTACH,
            f"Baste the {what} on: {step.name}",
            f"{what.capitalize()} of {bench.length(step.mm + 40)}, washed first. On the right side of one edge: "
            f"{where}. Baste on the stitching line; the seam sewn on that row catches it. Round a corner lay a little "
            "fold.",
            setting=settings.longest(bench.household),
            needs=tuple(bench.flat_first(seams)),
            gives=(Fact.FINISHED, *facts.joins(Fact.BASTED, seams)),
            uses=used,
            on=On(edges=edges),
            look="It lies flat and is not stretched.",
        )
    return step(
        "sew",
        Act.ATTACH,
        f"Sew the {what} on: {step.name}",
        f"{what.capitalize()} of {bench.length(step.mm + 40)}, washed first, along the finished edge: {where}. Begin "
        "at a seam, turn both ends in, and lap them; edgestitch, or by hand along both edges.",
        needs=tuple(Need(facts.finish(Fact.FINISHED, id), "the edge is finished first") for id in detail.along),
        gives=(Fact.FINISHED,),
        uses=used,
        on=On(edges=edges),
        setting=settings.topstitch(bench.household, bench.margin(2)),
        look="It lies flat and is not stretched.",
    )


def _done(bench: Workbench, along: tuple[str, ...]) -> Iterator[Need]:
    """A seam or an edge that is whole and pressed."""
    for id in along:
        if id in bench.finishes:
            yield Need(facts.finish(Fact.FINISHED, id), "the edge is finished first")
        else:
            yield Need(facts.join(Fact.PRESSED, id), "the seam is pressed first")
            yield Need(facts.join(Fact.TURNED, id), "the edge is turned first", where_given=True)


def braid(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "braid", duty.id)
    yield step(
        "sew",
        Act.ATTACH,
        f"Sew the braid on: {step.name}",
        f"Braid of {bench.length(step.mm + 60)}, washed first; the ends sealed or turned in. Chalk a line parallel to "
        "the edge; pin or glue-baste, without pulling. On a curve stitch its outer edge first and ease the inner one "
        "with steam; at a corner fold a mitre.",
        f"Both edges in the same direction, so that it does not twist, {bench.margin(1)} inside.",
        took=minutes.seam(2.5 * step.mm),
        setting=settings.topstitch(bench.household, bench.margin(1)),
        needs=tuple(_done(bench, detail.along)),
        gives=(Fact.FINISHED,),
        uses=(Use(Supply.BRAID, step.mm + 60.0),),
        on=On(edges=shown(part for id in detail.along for part in bench.parts(id))),
        rows=2,
        look="It keeps one distance from the edge.",
    )


def topstitching(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "topstitching", duty.id)
    away = detail.width or 6.0
    rows = max(1, detail.count)
    yield step(
        "topstitch",
        Act.TOPSTITCH,
        f"Topstitch: {step.name}",
        f"From the side that will be seen, {bench.margin(away)} from the seam or edge, through the allowances below; a "
        "guide or a strip of tape keeps the distance. Thicker thread above needs a larger needle.",
        *((f"{rows} rows, all sewn in the same direction, {bench.margin(6)} apart.",) if rows > 1 else ()),
        "No backstitch: draw the ends to the wrong side and knot them.",
        took=minutes.seam(rows * step.mm),
        setting=settings.topstitch(bench.household, bench.margin(away)),
        needs=tuple(_done(bench, detail.along)),
        gives=(Fact.FINISHED,),
        on=On(edges=shown(part for id in detail.along for part in bench.parts(id))),
        rows=rows,
        look="Left and right are mirror images.",
    )


def embroidery(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "embroidery", duty.id)
    yield step(
        "embroider",
        Act.ATTACH,
        f"Embroider: {step.name}",
        f"On the {bench.names(detail.on)} while it is flat, before anything hides its back. Cut the piece larger all "
        "round if it goes into a hoop, and to the tissue afterwards: embroidery draws cloth in.",
        "Transfer the drawing with a pen that washes out, tried on a scrap; a film or thin stabiliser behind soft "
        "cloth.",
        at=Bench.HAND,
        took=minutes.each(40),
        gives=(Fact.FINISHED, *(facts.piece(Fact.ATTACHED, piece) for piece in detail.on)),
        on=On(
            pieces=detail.on,
            edges=shown(EdgePart(id, edge.name) for id in detail.on for edge in bench.piece(id).edges),
        ),
        look="Laid on the tissue, the piece has kept its size.",
    )


def _technique(
    kind: DetailKind, name: str, finds: Finds, sews: Callable[..., Iterator[Operation]], **more: object
) -> Technique:
    return Technique(id=kind.value, name=name, chapter="edges", finds=finds, sews=sews, rank=16, **more)  # type: ignore[arg-type]


TECHNIQUES = (
    _technique(
        DetailKind.PIPING,
        "Piping in a seam",
        _in_a_seam(DetailKind.PIPING),
        piping,
        words={"piping": "a bias strip round a cord, sewn into a seam so that the cord shows along it"},
        draw="piping",
    ),
    _technique(DetailKind.RICKRACK, "Rickrack", _along_anything(DetailKind.RICKRACK), rickrack, draw="trim"),
    _technique(DetailKind.LACE, "Lace edging", _along_anything(DetailKind.LACE), lace, draw="trim"),
    _technique(DetailKind.BRAID, "Braid", _along_anything(DetailKind.BRAID), braid, draw="trim"),
    _technique(
        DetailKind.TOPSTITCHING, "Topstitching", _along_anything(DetailKind.TOPSTITCHING), topstitching, draw="rows"
    ),
    _technique(DetailKind.EMBROIDERY, "Embroidery", _on_pieces(DetailKind.EMBROIDERY), embroidery, draw="trim"),
)
