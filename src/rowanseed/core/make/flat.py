"""Work on flat pieces: samples, staystitching, interfacing, darts, pockets and other small parts."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import graph, settings
from rowanseed.core.make.steps import After, Bench, EdgeShown, MakingStep, Task
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown_edges
from rowanseed.core.pattern.making import EdgePart, FinishKind
from rowanseed.core.pattern.pieces import MarkKind, Panel


def samples(bench: Workbench) -> Iterator[MakingStep]:
    yield MakingStep(
        id="sample-stitch",
        title="Try stitch and tension on a scrap",
        how=(
            "Two layers of a scrap, the thread of the garment, a seam's length.",
            "A new needle for each garment. If it skips or puckers: rethread, then another needle.",
        ),
        bench=Bench.MACHINE,
        task=Task.SAMPLE,
        setting=settings.seam(bench.needle),
    )
    if bench.interfaced():
        yield MakingStep(
            id="sample-fuse",
            title="Try the interfacing on a scrap",
            how=(
                "Cut two equal squares, fuse one, and compare size and hand.",
                "If the fused one is smaller, pre-shrink the interfacing before it goes on the pieces.",
            ),
            bench=Bench.IRON,
            task=Task.SAMPLE,
            caution=HOT,
        )


def staystitching(bench: Workbench) -> Iterator[MakingStep]:
    """Curved edges that a facing will finish are held as soon as they are cut."""
    interfaced = set(bench.interfaced())
    for join in bench.pattern.making.joins:
        if (
            not graph.faces(join, bench.pattern.making)
            or graph.pieces_of((*join.a, *join.b)) & bench.hung
            or (bench.is_enclosed and not bench.panels(join.a) <= {Panel.FRONT, Panel.BACK})
        ):
            continue
        parts = [
            part
            for part in (*join.a, *join.b)
            if part.piece not in interfaced and graph.is_curved(bench.pattern, bench.size, part)
        ]
        if not parts:
            continue
        names = ", ".join(bench.name(part.piece) for part in parts)
        inside = bench.fine(bench.pattern.piece(parts[0].piece).edge(parts[0].edge).allowance - 3)
        yield MakingStep(
            id=f"staystitch-{join.id}",
            title=f"Staystitch the {parts[0].edge} edge of every piece",
            how=(
                f"On {names}: {inside} from the edge, just inside the seam line, before anything stretches it.",
                "From the side to the centre; a piece cut on the fold in two runs.",
            ),
            bench=Bench.MACHINE,
            task=Task.STAYSTITCH,
            needs=(After("sample-stitch", "the setting is tried on a scrap first"),),
            setting=settings.staystitch(bench.needle),
            edges=shown_edges(tuple(parts)),
            about=join.id,
        )


def interfacing(bench: Workbench) -> Iterator[MakingStep]:
    for id in bench.interfaced():
        yield MakingStep(
            id=f"interface-{id}",
            title=f"Fuse the interfacing to the {bench.name(id)}",
            how=(
                "Glue side to the wrong side. Press, do not slide, 10–15 s a place through a damp cloth; let the "
                "places "
                "overlap.",
                "Leave it flat until it is cool. The maker's leaflet rules where it differs.",
            ),
            bench=Bench.IRON,
            task=Task.INTERFACE,
            needs=(
                After("sample-fuse", "the scrap shows whether it shrinks"),
                After(f"underline-{id}", "the underlining is on first"),
            ),
            edges=shown_edges(tuple(EdgePart(id, e.name) for e in bench.pattern.piece(id).edges)),
            caution=HOT,
            about=id,
        )


def darts(bench: Workbench) -> Iterator[MakingStep]:
    for piece in bench.pattern.pieces:
        if not piece.darts:
            continue
        edges = tuple(EdgeShown(piece.id, dart.edge) for dart in piece.darts)
        yield MakingStep(
            id=f"darts-{piece.id}",
            title=f"Sew the darts: {bench.name(piece.id)}",
            how=(
                "Fold right sides together, leg on leg; pin the legs at the edge and the point.",
                f"From the wide end to the point; shorten the stitch to 1.5 for the last {bench.margin(20)}, run off "
                "the cloth and tie. No backstitch at the point.",
                "Left and right alike, one after the other.",
            ),
            bench=Bench.MACHINE,
            task=Task.SEAM,
            needs=(
                After("sample-stitch", "the setting is tried on a scrap first"),
                After(f"interface-{piece.id}", "interfacing goes on while the piece is flat"),
            ),
            setting=settings.dart(bench.needle, bench.margin(20)),
            edges=edges,
            caution=NEEDLE,
            about=piece.id,
        )
        upright = all(dart.edge in ("waist", "hem", "shoulder", "neck") for dart in piece.darts)
        way = "towards the centre" if upright else "down"
        yield MakingStep(
            id=f"press-darts-{piece.id}",
            title=f"Press the darts {way}: {bench.name(piece.id)}",
            how=("As sewn, then over a ham, the iron stopping at the point. A deep dart is slit and pressed open.",),
            bench=Bench.IRON,
            task=Task.PRESS,
            needs=(After(f"darts-{piece.id}", "they are sewn first"),),
            edges=edges,
            caution=HOT,
            about=piece.id,
        )


def small_parts(bench: Workbench) -> Iterator[MakingStep]:
    """Pockets, welts, belts: pieces that are turned in all round and sewn on while the garment is flat."""
    for finish in bench.pattern.making.finishes:
        pieces = graph.pieces_of(finish.parts)
        if (
            finish.kind is not FinishKind.TURNED
            or pieces & bench.linings
            or any(bench.panel(id) is not Panel.OTHER for id in pieces)
        ):
            continue
        shown = shown_edges(finish.parts)
        yield MakingStep(
            id=f"turn-in-{finish.id}",
            title=f"Turn in and press the {lower_first(finish.name)}",
            how=(
                "Allowances to the wrong side, the sides last; steam, and let it cool flat.",
                "Make both of a pair together, and lay them on each other: they are to be equal.",
            ),
            bench=Bench.IRON,
            task=Task.PRESS,
            needs=tuple(After(f"interface-{id}", "interfacing goes on first") for id in sorted(pieces)),
            edges=shown,
            caution=HOT,
            about=finish.id,
        )
        yield MakingStep(
            id=f"sew-on-{finish.id}",
            title=f"Sew on, at its marks: {', '.join(bench.name(id) for id in sorted(pieces))}",
            how=(
                "Pin it to the marks on the right side and look that left and right stand level.",
                f"Edgestitch round, {bench.margin(2)} from the fold, backstitching hard at the upper corners.",
            ),
            bench=Bench.MACHINE,
            task=Task.SEAM,
            needs=(
                After(f"turn-in-{finish.id}", "its edges are in"),
                After("sample-stitch", "the setting is tried first"),
            ),
            setting=settings.edgestitch(bench.needle, bench.margin(2)),
            edges=shown,
            caution=NEEDLE,
            about=finish.id,
        )


def is_eased(bench: Workbench, part: EdgePart) -> bool:
    """Whether an edge is a cap whose notches bound its ease."""
    piece = bench.pattern.piece(part.piece)
    return piece.panel is Panel.SLEEVE and any(m.edge == part.edge and m.kind is MarkKind.NOTCH for m in piece.marks)
