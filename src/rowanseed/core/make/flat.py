"""Work on flat pieces: samples, staystitching, interfacing, darts, pockets and other small parts."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import graph, settings
from rowanseed.core.make.steps import Bench, EdgeShown, Need, Step, Task
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, lower_first, shown_edges
from rowanseed.core.pattern import EdgePart, FinishKind, MarkKind, Panel


def samples(bench: Workbench) -> Iterator[Step]:
    yield Step(
        "sample-stitch", "Try stitch and tension on a scrap",
        ("Two layers of a scrap, the thread of the garment, a seam's length.",
         "A new needle for each garment. If it skips or puckers: rethread, then another needle."),
        Bench.MACHINE, Task.SAMPLE, setting=settings.seam(bench.needle),
    )  # fmt: skip
    if bench.interfaced():
        yield Step(
            "sample-fuse", "Try the interfacing on a scrap",
            ("Cut two equal squares, fuse one, and compare size and hand.",
             "If the fused one is smaller, pre-shrink the interfacing before it goes on the pieces."),
            Bench.IRON, Task.SAMPLE, caution=HOT,
        )  # fmt: skip


def staystitching(bench: Workbench) -> Iterator[Step]:
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
            part for part in (*join.a, *join.b)
            if part.piece not in interfaced and graph.is_curved(bench.pattern, bench.size, part)
        ]  # fmt: skip
        if not parts:
            continue
        names = ", ".join(bench.name(part.piece) for part in parts)
        inside = bench.fine(bench.pattern.piece(parts[0].piece).edge(parts[0].edge).allowance - 3)
        yield Step(
            f"staystitch-{join.id}", f"Staystitch the {parts[0].edge} edge of every piece",
            (f"On {names}: {inside} from the edge, just inside the seam line, before anything stretches it.",
             "From the side to the centre; a piece cut on the fold in two runs."),
            Bench.MACHINE, Task.STAYSTITCH, (Need("sample-stitch", "the setting is tried on a scrap first"),),
            settings.staystitch(bench.needle), shown_edges(tuple(parts)), about=join.id,
        )  # fmt: skip


def interfacing(bench: Workbench) -> Iterator[Step]:
    for id in bench.interfaced():
        yield Step(
            f"interface-{id}", f"Fuse the interfacing to the {bench.name(id)}",
            ("Glue side to the wrong side. Press, do not slide, 10–15 s a place through a damp cloth; let the places "
             "overlap.", "Leave it flat until it is cool. The maker's leaflet rules where it differs."),
            Bench.IRON, Task.INTERFACE,
            (Need("sample-fuse", "the scrap shows whether it shrinks"), Need(f"underline-{id}", "the underlining is on first")),
            edges=shown_edges(tuple(EdgePart(id, e.name) for e in bench.pattern.piece(id).edges)), caution=HOT, about=id,
        )  # fmt: skip


def darts(bench: Workbench) -> Iterator[Step]:
    for piece in bench.pattern.pieces:
        if not piece.darts:
            continue
        edges = tuple(EdgeShown(piece.id, dart.edge) for dart in piece.darts)
        yield Step(
            f"darts-{piece.id}", f"Sew the darts: {bench.name(piece.id)}",
            ("Fold right sides together, leg on leg; pin the legs at the edge and the point.",
             "From the wide end to the point; shorten the stitch to 1.5 mm for the last 2 cm, run off the cloth and tie. "
             "No backstitch at the point.", "The same on both hands, one after the other."),
            Bench.MACHINE, Task.SEAM, (Need("sample-stitch", "the setting is tried on a scrap first"),
                                       Need(f"interface-{piece.id}", "interfacing goes on while the piece is flat")),
            settings.dart(bench.needle), edges, NEEDLE, about=piece.id,
        )  # fmt: skip
        upright = all(dart.edge in ("waist", "hem", "shoulder", "neck") for dart in piece.darts)
        way = "towards the centre" if upright else "down"
        yield Step(
            f"press-darts-{piece.id}", f"Press the darts {way}: {bench.name(piece.id)}",
            ("As sewn, then over a ham, the iron stopping at the point. A deep dart is slit and pressed open.",),
            Bench.IRON, Task.PRESS, (Need(f"darts-{piece.id}", "they are sewn first"),), edges=edges, caution=HOT, about=piece.id,
        )  # fmt: skip


def small_parts(bench: Workbench) -> Iterator[Step]:
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
        yield Step(
            f"turn-in-{finish.id}", f"Turn in and press the {lower_first(finish.name)}",
            ("Allowances to the wrong side, the sides last; steam, and let it cool flat.",
             "Make both of a pair together, and lay them on each other: they are to be equal."),
            Bench.IRON, Task.PRESS, tuple(Need(f"interface-{id}", "interfacing goes on first") for id in sorted(pieces)),
            edges=shown, caution=HOT, about=finish.id,
        )  # fmt: skip
        yield Step(
            f"sew-on-{finish.id}", f"Sew on, at its marks: {', '.join(bench.name(id) for id in sorted(pieces))}",
            ("Pin it to the marks on the right side and look that left and right stand level.",
             "Edgestitch round, 2 mm from the fold, backstitching hard at the upper corners."),
            Bench.MACHINE, Task.SEAM, (Need(f"turn-in-{finish.id}", "its edges are in"), Need("sample-stitch", "the setting is tried first")),
            settings.edgestitch(bench.needle), shown, NEEDLE, about=finish.id,
        )  # fmt: skip


def is_eased(bench: Workbench, part: EdgePart) -> bool:
    """Whether an edge is a cap whose notches bound its ease."""
    piece = bench.pattern.piece(part.piece)
    return piece.panel is Panel.SLEEVE and any(m.edge == part.edge and m.kind is MarkKind.NOTCH for m in piece.marks)
