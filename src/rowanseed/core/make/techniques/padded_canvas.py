"""Canvas padded to a front or a collar by hand."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families import stiffened
from rowanseed.core.make.families.suited import finds_of, why_not_of
from rowanseed.core.make.families.whole_pieces import STIFF, of_piece
from rowanseed.core.make.operation import Act, Bench, Need, Operation
from rowanseed.core.make.technique import Duty, Technique
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.pieces import LineKind, Panel


def _why_not(bench: Workbench, id: str) -> str:
    piece = bench.piece(id.removeprefix(stiffened.KEY))
    return "" if piece.panel is Panel.FRONT or piece.collar else "it shapes fronts and collars"


def canvas(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(stiffened.KEY)
    piece = bench.piece(id)
    step, number = of_piece(bench, "padded canvas", id), bench.number_cut(id)
    roll = next((line for line in piece.lines if line.kind is LineKind.ROLL), None)
    basting = f"basting of the canvas, {bench.name(id)}"
    # Not “prepared”: that is what a collar's inner edge is once it is pressed in, which waits for the stiffening.
    on = facts.layer(Fact.ATTACHED, f"canvas-{id}")
    first = Need(on, "the canvas is on first")
    yield step(
        "canvas",
        Act.BACK,
        f"Baste the canvas to the {step.name}",
        *stiffened.without_glue(bench),
        "Shrink the canvas with steam first. Its grain is the piece's; darts in it are cut out, their edges lapped "
        "edge to edge over a tape and zigzagged, so that no ridge forms.",
        "On the wrong side: baste down the middle, then to both sides, smoothing outwards, the cloth a little easy "
        f"over the canvas. Trim the canvas {bench.margin(3)} inside the stitching lines that it would thicken.",
        at=Bench.HAND,
        took=minutes.each(20, number),
        needs=(Need(facts.piece(Fact.BACKED, id), "the underlining is on first", where_given=True),),
        gives=(on,),
        leaves=(basting,),
        look="Held up, cloth and canvas hang as one.",
    )
    if roll is not None:
        yield step(
            "roll",
            Act.STAY,
            f"Tape the roll line: {step.name}",
            f"Narrow tape just inside the roll line, on the canvas, cut {bench.margin(6)} shorter than the line to the "
            "lapel's length: pin both ends, ease the canvas to it between, and fell both edges with stitches that do "
            "not show outside.",
            at=Bench.HAND,
            took=minutes.each(10, number),
            needs=(first,),
            gives=(Fact.STAYED,),
            look="The lapel falls open along the line by itself.",
        )
    where = (
        "lapel, from the roll line outwards, rolling it over your fingers as it will be worn"
        if roll
        else "stand and fall, rolling it over your fingers as it will be worn"
        if piece.collar
        else "chest, from the armhole towards the front edge"
    )
    yield step(
        "pad",
        Act.PAD,
        f"Pad-stitch the canvas: {step.name}",
        f"Rows of slanting stitches {bench.margin(8)} long and {bench.margin(8)} apart, closer at the points, over the "
        f"{where}. Each stitch takes one thread of the cloth; up one row and down the next without turning the work.",
        f"Stop {bench.margin(3)} inside the stitching lines. Steam it over a ham and let it dry.",
        at=Bench.HAND,
        took=minutes.each(45, number),
        needs=(first,),
        after={Fact.STAYED: "the roll line is taped before it is rolled"} if roll else {},
        gives=(Fact.STIFFENED,),
        look="Let go, it keeps the roll; from outside only faint dimples show.",
    )


TECHNIQUE = Technique(
    id="padded-canvas",
    name="Canvas, pad-stitched",
    chapter=STIFF,
    finds=finds_of(stiffened.stiffened_ids, _why_not),
    why_not=why_not_of(stiffened.stiffened_ids, _why_not),
    sews=canvas,
    rank=12,
    usual=False,
    words={"pad stitch": "rows of slanting stitches that join canvas and cloth and set their roll"},
    draw="pad stitching",
)
