"""What gives a coat its shape: canvas padded to the front, a back stay, a roll line, warmth, cloth fused whole."""

from __future__ import annotations

from collections.abc import Iterator

from rowanseed.core.make import facts, minutes
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.operation import Act, Bench, Need, On, Operation, Setting
from rowanseed.core.make.settings import ORDINARY, needle
from rowanseed.core.make.shared import iron_for
from rowanseed.core.make.steps import Steps, of_detail
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.techniques import stiffening
from rowanseed.core.make.workbench import Workbench, shown
from rowanseed.core.pattern.making import DetailKind, EdgePart, LayerKind
from rowanseed.core.pattern.pieces import LineKind, Panel

INTERLINE = "interline:"


def _whole(bench: Workbench, id: str) -> On:
    return On(pieces=(id,), edges=shown(EdgePart(id, edge.name) for edge in bench.piece(id).edges))


def _of_piece(bench: Workbench, technique: str, id: str) -> Steps:
    return Steps(
        bench=bench,
        id=id,
        technique=technique,
        name=bench.name(id),
        on=_whole(bench, id),
        subject=facts.SubjectKind.PIECE,
        mm=400.0 * bench.number_cut(id),
    )


# ---------------------------------------------------------------- canvas


def finds_canvas(bench: Workbench) -> Iterator[Duty]:
    """Interfaced fronts and collars."""
    for duty in stiffening.finds(bench):
        piece = bench.piece(duty.id.removeprefix(stiffening.KEY))
        if piece.panel is Panel.FRONT or piece.collar:
            yield duty


def canvas(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(stiffening.KEY)
    piece = bench.piece(id)
    step, number = _of_piece(bench, "padded canvas", id), bench.number_cut(id)
    roll = next((line for line in piece.lines if line.kind is LineKind.ROLL), None)
    basting = f"basting of the canvas, {bench.name(id)}"
    yield step(
        "canvas",
        Act.BACK,
        f"Baste the canvas to the {step.name}",
        "Shrink the canvas with steam first. Its grain is the piece's; darts in it are cut out, their edges lapped "
        "edge to edge over a tape and zigzagged, so that no ridge forms.",
        "On the wrong side: baste down the middle, then to both sides, smoothing outwards, the cloth a little easy "
        f"over the canvas. Trim the canvas {bench.margin(3)} inside the stitching lines that it would thicken.",
        at=Bench.HAND,
        took=minutes.each(20, number),
        needs=(Need(facts.piece(Fact.BACKED, id), "the underlining is on first", where_given=True),),
        gives=(Fact.PREPARED,),
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
            after={Fact.PREPARED: "the canvas is on first"},
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
        after={
            Fact.PREPARED: "the canvas is on first",
            **({Fact.STAYED: "the roll line is taped before it is rolled"} if roll else {}),
        },
        gives=(Fact.STIFFENED,),
        look="Let go, it keeps the roll; from outside only faint dimples show.",
    )


# ---------------------------------------------------------------- fused before cutting


def block(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(stiffening.KEY)
    step, number = _of_piece(bench, "fused in the block", id), bench.number_cut(id)
    yield step(
        "interface",
        Act.FUSE,
        f"Fuse the cloth for the {step.name} before it is cut out",
        f"Cut a block of the cloth {bench.margin(20)} larger than the piece all round, and the interfacing a little "
        "smaller; grain on grain. Cloth shrinks as it is fused, so small pieces lose their shape if they are cut "
        "first.",
        "Glue side to the wrong side, from the middle outwards: set the iron down, 10–15 s a place through a damp "
        "cloth, lift, do not slide. Let it lie flat until it is cold.",
        "Then lay the tissue on, cut it out exactly, and mark it.",
        at=Bench.IRON,
        took=minutes.each(7, number),
        gives=(Fact.STIFFENED, Fact.MARKED),
        look="The piece is as large as its tissue, and no corner lifts.",
    )


# ---------------------------------------------------------------- warmth


def finds_interlining(bench: Workbench) -> Iterator[Duty]:
    for layer in bench.pattern.making.layers:
        if layer.kind is LayerKind.INTERLINING:
            yield single(f"{INTERLINE}{layer.of}")


def interlining(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    id = duty.id.removeprefix(INTERLINE)
    step = _of_piece(bench, "interlining", id)
    yield step(
        "interline",
        Act.BACK,
        f"Baste the interlining to the {step.name}",
        "Before anything is sewn: interlining on the wrong side, both flat; pin the edges, then diagonal basting from "
        f"the middle outwards. Trim it {bench.margin(3)} inside hems and to the stitching line of thick seams after "
        "they are sewn.",
        *(("Where the lining is interlined instead, it is basted to the lining's pieces.",) if bench.linings else ()),
        at=Bench.HAND,
        took=minutes.each(12, bench.number_cut(id)),
        gives=(Fact.BACKED,),
        leaves=("diagonal basting of the interlining",),
        look="Held up by its top edge, neither layer droops away from the other.",
    )


# ---------------------------------------------------------------- stays


def finds_back_stay(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.BACK_STAY):
        if detail.on:
            yield single(detail.id, *bench.parts_of(detail))


def back_stay(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "back stay", duty.id)
    yield step(
        "stay",
        Act.BACK,
        f"Baste the back stay on: {step.name}",
        "Firm cotton, from back and side back tissue laid together with the stitching lines overlapped: from the neck "
        f"down {bench.length(165)} at the centre, curving to {bench.length(60)} below the armhole at the side seam. "
        "Its lower edge is pinked, not turned.",
        f"On the wrong side of the {bench.names(detail.on)}: baste round neck, shoulders and armholes "
        f"{bench.margin(6)} inside the raw edge; the seams catch it. Its lower edge hangs free.",
        at=Bench.HAND,
        took=minutes.each(15),
        gives=(Fact.FINISHED, *(facts.piece(Fact.BACKED, id) for id in detail.on)),
        on=On(pieces=detail.on, edges=shown(EdgePart(id, e.name) for id in detail.on for e in bench.piece(id).edges)),
        look="Arms forward, the back does not stretch between the shoulder blades.",
    )


def finds_roll_line(bench: Workbench) -> Iterator[Duty]:
    for detail in bench.details_of(DetailKind.ROLL_LINE):
        if detail.on:
            yield single(detail.id)


def roll_line(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    detail = bench.details[duty.id]
    step = of_detail(bench, "roll line", duty.id)
    yield step(
        "roll",
        Act.STAY,
        f"Stitch the roll line: {step.name}",
        f"On the {bench.names(detail.on)}, under side only, along the drawn line at stitch length 1, pulling gently "
        "from both sides while it is sewn: the short stitches draw the line in, and the piece folds along it.",
        iron_for(bench),
        took=minutes.each(4, max(1, len(detail.on))),
        setting=Setting("straight", 1.0, ORDINARY, needle(bench.household)),
        gives=(Fact.FINISHED, *(facts.piece(Fact.STAYED, id) for id in detail.on)),
        on=On(pieces=detail.on, edges=shown(EdgePart(id, e.name) for id in detail.on for e in bench.piece(id).edges)),
        rows=0,
        look="Laid down, it rolls over by itself at the line.",
    )


_STIFF = "stiffen and back"

TECHNIQUES = (
    Technique(
        id="padded-canvas",
        name="Canvas, pad-stitched",
        chapter=_STIFF,
        finds=finds_canvas,
        sews=canvas,
        rank=12,
        usual=False,
        words={"pad stitch": "rows of slanting stitches that join canvas and cloth and set their roll"},
        draw="pad stitching",
    ),
    Technique(
        id="fused-in-the-block",
        name="Fusible interfacing before cutting out",
        chapter=_STIFF,
        finds=stiffening.finds,
        sews=block,
        rank=13,
        usual=False,
        also=("block fusing",),
        draw="fused",
    ),
    Technique(
        id="interlining",
        name="Interlining",
        chapter=_STIFF,
        finds=finds_interlining,
        sews=interlining,
        rank=10,
        words={"interlining": "a layer between cloth and lining, for warmth"},
        draw="basted layer",
    ),
    Technique(
        id="back-stay",
        name="Back stay",
        chapter="stay",
        finds=finds_back_stay,
        sews=back_stay,
        rank=10,
        draw="basted layer",
    ),
    Technique(
        id="roll-line",
        name="Roll line at a short stitch",
        chapter="stay",
        finds=finds_roll_line,
        sews=roll_line,
        rank=10,
        words={"roll line": "the line along which a collar or lapel turns over"},
        draw="rows",
    ),
)
