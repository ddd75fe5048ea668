"""Layers worked out from the garment's own pieces: underlining, the lining's pleat, linings laid in by hand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.base.words import lower_first
from rowanseed.core.derive.lining_graph import FOLD_OF_EASE
from rowanseed.core.make import graph, settings
from rowanseed.core.make.steps import After, Bench, EdgeShown, MakingStep, Task
from rowanseed.core.make.workbench import HOT, NEEDLE, Workbench, shown_edges
from rowanseed.core.pattern.making import EdgePart, FinishKind, Join, LayerKind
from rowanseed.core.pattern.pieces import LineKind, Panel


def underlining(bench: Workbench) -> Iterator[MakingStep]:
    """Each piece and its underlining become one before anything else is done to it."""
    for id in bench.underlined():
        yield MakingStep(
            id=f"underline-{id}",
            title=f"Baste the underlining to the {bench.name(id)}",
            how=(
                (
                    "Wrong side on underlining, edges pinned; smooth it over the edge of the table, so that the "
                    "underlining is that much smaller, about "
                    f"{bench.margin(1)}."
                ),
                (
                    f"Diagonal basting, bites of {bench.margin(12)}, {bench.margin(90)} apart, unknotted; it comes out "
                    "at the end. From now on the two are one."
                ),
            ),
            bench=Bench.HAND,
            task=Task.BASTE,
            edges=shown_edges(tuple(EdgePart(id, e.name) for e in bench.pattern.piece(id).edges)),
            about=id,
        )


def pleats(bench: Workbench) -> Iterator[MakingStep]:
    """The ease pleat of a lining, before its neck is sewn."""
    for piece in bench.pattern.pieces:
        if not any(line.kind is LineKind.PLEAT and line.id == "ease-pleat" for line in piece.lines):
            continue
        yield MakingStep(
            id=f"pleat-{piece.id}",
            title=f"Fold the ease pleat: {bench.name(piece.id)}",
            how=(
                (
                    f"Right sides together along the pleat line; stitch {bench.fine(50)} down from the neck and "
                    f"{bench.fine(75)} up from the hem."
                ),
                "Press it to the wearer's right, and baste it across the top.",
            ),
            bench=Bench.MACHINE,
            task=Task.SEAM,
            needs=(
                *(
                    After(f"press-{j.id}", "the two halves are joined first")
                    for j in bench.pattern.making.joins
                    if j.a[0].piece == piece.id and j.a[0].hand
                ),
                After("sample-stitch", "the setting is tried first"),
            ),
            setting=settings.seam(bench.needle),
            edges=(EdgeShown(piece.id, "neck"),) if piece.has_edge("neck") else (),
            caution=NEEDLE,
            about=piece.id,
        )


def laid_in(bench: Workbench) -> Iterator[MakingStep]:
    """A lining that no seam encloses: hung inside the shell before facing or band goes on."""
    if not bench.linings or bench.is_enclosed:
        return
    making = bench.pattern.making
    inner = [j for j in making.joins if graph.pieces_of((*j.a, *j.b)) <= bench.linings]
    needs = [After(f"press-{j.id}", "the lining is made up first") for j in inner]
    needs += [After(f"pleat-{id}", "its pleat is folded") for id in sorted(bench.linings)]
    needs += [After(f"zip-{c.id}", "it is felled to the zip tape") for c in making.closures]
    needs += [
        After(f"press-{j.id}", "the sleeves are set")
        for j in making.joins
        if Panel.SLEEVE in (panels := bench.panels((*j.a, *j.b))) and panels & {Panel.FRONT, Panel.BACK}
    ]
    needs.append(After("try-on-shell", "the fit can still be changed"))
    facings = graph.facings(making)
    hangs_from = [j for j in making.joins if graph.pieces_of(j.a) <= bench.linings and graph.pieces_of(j.b) <= facings]
    if hangs_from:
        yield from _hanging_from_facing(bench, hangs_from)
        return
    how = [
        "Shell inside out, lining over it, wrong sides together and nothing twisted; match seams, centres and notches.",
        (
            f"Baste the two together at every edge that a facing, band or seam will finish, {bench.fine(5)} inside the "
            "stitching line."
        ),
    ]
    if bench.has_zip:
        how.append(f"Along the zip turn the lining in {bench.fine(5)} clear of the coil and fell it to the tape.")
    if any(bench.panel(p.id) is Panel.SLEEVE for p in bench.pattern.pieces):
        how.append("Catch the armhole allowances together at underarm and shoulder with a loose stitch.")
    hung = tuple(p for layer in making.layers if layer.kind is LayerKind.LINING for p in (layer.of,))
    shown = tuple(
        EdgeShown(id, e.name)
        for id in dict.fromkeys(hung)
        for e in bench.pattern.piece(id).edges
        if e.name in ("waist", "neck", "opening")
    )
    yield MakingStep(
        id="lay-in-lining",
        title="Hang the lining in the shell",
        how=tuple(how),
        bench=Bench.HAND,
        task=Task.BASTE,
        needs=tuple(needs),
        edges=shown,
    )
    yield from _sewn_to_hem(bench, "lay-in-lining")


def _hanging_from_facing(bench: Workbench, joins: list[Join]) -> Iterator[MakingStep]:
    """A lining sewn to the facing goes in with it; by the zip it is felled afterwards."""
    making = bench.pattern.making
    faced = [j for j in making.joins if graph.faces(j, making) and not graph.pieces_of((*j.a, *j.b)) & bench.linings]
    needs = [After(f"turn-{j.id}", "facing and lining are turned in") for j in faced]
    how = ["Inside out, nothing twisted; match the lining's seams with the shell's and pin along them."]
    if bench.has_zip:
        how.append(f"Turn the lining in {bench.fine(5)} clear of the zip's coil and fell it to the tape.")
    yield MakingStep(
        id="lay-in-lining",
        title="Hang the lining in the shell",
        how=tuple(how),
        bench=Bench.HAND,
        task=Task.HAND_SEW,
        needs=tuple(needs),
        edges=shown_edges(joins[0].a),
    )
    yield from _sewn_to_hem(bench, "lay-in-lining")


def _sewn_to_hem(bench: Workbench, hung: str) -> Iterator[MakingStep]:
    making = bench.pattern.making
    for finish in making.finishes:
        if finish.kind is FinishKind.TURNED and graph.pieces_of(finish.parts) <= bench.linings:
            hems = [After(f"sew-{f.id}", "the garment's hem is up") for f in graph.hems(making)]
            yield MakingStep(
                id=f"fell-{finish.id}",
                title=f"Sew down the {lower_first(finish.name)}",
                how=(
                    (
                        f"Turn it in level with the finished hem, push it up {bench.fine(FOLD_OF_EASE)} so that a fold "
                        "of ease "
                        "falls "
                        "over, and fell it to the hem's allowance."
                    ),
                ),
                bench=Bench.HAND,
                task=Task.HAND_SEW,
                needs=(After(hung, "it hangs in the shell"), *hems),
                edges=shown_edges(finish.parts),
                caution=HOT,
                about=finish.id,
            )
