"""Buttons: holes by machine or by hand, the buttons marked through them and sewn on with a shank."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation, Setting, Supply, Use
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty, Technique, single
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.fastenings import cuffs, number_of
from rowanseed.core.pattern.making import PLACKET_BASE, ClosureKind, FinishKind, Join
from rowanseed.core.pattern.pieces import Panel, Piece, PointKind

SLIPS = "A blade slips: a pin across the end of the hole stops it."
THICK = 3.0
"""The thickness of a button where only its diameter is known, in mm (common practice, no source)."""


def finds(bench: Workbench) -> Iterator[Duty]:
    for closure in bench.closures.values():
        if closure.kind is ClosureKind.BUTTONS:
            yield single(closure.id)


def _length(bench: Workbench) -> str:
    size = bench.button_size()
    if size is None:
        return "Length of a hole: the button's diameter and its thickness."
    return (
        f"Length of a hole: {bench.fine(size)} across and about {bench.fine(THICK)} thick make "
        f"{bench.fine(size + THICK)}; measure your button."
    )


LAST_ARE_BEST = "From the lowest up, so that the last ones, which show, are the best."


def _is_of_cuffs(bench: Workbench, id: str) -> bool:
    return bool(cuffs(bench.pattern, bench.closures[id]))


def _number(bench: Workbench, id: str) -> int:
    """How many buttonholes a closure has; each cuff has its own."""
    return max(1, number_of(bench.pattern, bench.size, (PointKind.BUTTONHOLE,), bench.closures[id]))


def _titled(bench: Workbench, id: str, title: str) -> str:
    return f"{title}: cuffs" if _is_of_cuffs(bench, id) else title


def laps_over(bench: Workbench) -> str:
    """Which hand laps over the other, by whom it is made for."""
    if any(bench.is_side_of_one_hand(bench.joins[one.join]) for one in bench.openings.openers):
        return "At the side the front laps over the back: the holes go into the front's end."
    what = _what_laps(bench)
    match bench.pattern.envelope.figure:
        case Figure.MEN:
            return f"The left {what} laps over the right, as men's garments do: the holes go into the left."
        case Figure.WOMEN:
            return f"The right {what} laps over the left, as women's garments do: the holes go into the right."
        case _:
            return f"Choose which {what} laps over: right over left is usual for women, left over right for men."


def _what_laps(bench: Workbench) -> str:
    """A band in a half placket; else the front, or the back where that opens."""
    if any(p.edge == PLACKET_BASE for join in bench.joins.values() for p in (*join.a, *join.b)):
        return "band"
    body = (Panel.FRONT, Panel.BACK)
    opened: set[Panel] = {p.panel for p in bench.pattern.pieces if p.has_edge("opening") and p.panel in body}
    slits = (d.to_mark[0] for d in bench.details.values() if d.to_mark is not None and bench.openings.opens_above(d))
    opened = opened | {bench.panel(id) for id in slits}
    holed = {p.panel for p in bench.pattern.pieces if any(q.kind is PointKind.BUTTONHOLE for q in p.points)}
    if not opened and holed == {Panel.BAND}:
        return "end"
    return "back" if opened == {Panel.BACK} else "front"


def _where(bench: Workbench, id: str) -> str:
    """Which edge laps over, and where on it the holes lie."""
    if _is_of_cuffs(bench, id):
        return (
            "The end of the cuff on the placket's upper side laps over the other; the hole lies along the cuff, in the "
            f"middle of its width, beginning {bench.margin(10)} from that end. Left and right mirror each other."
        )
    return f"{laps_over(bench)} {_place(bench)}"


def _place(bench: Workbench) -> str:
    of_cuffs = cuffs(bench.pattern)
    holed = [p for p in bench.pattern.pieces if any(q.kind is PointKind.BUTTONHOLE for q in p.points)]
    bands = [p for p in holed if p.panel is Panel.BAND and p.id not in of_cuffs]
    upright = {p.piece for j in bench.joins.values() if _is_along_edge(j) for p in (*j.a, *j.b)}
    above = next((p for p in bands if p.id not in upright), None)
    if above is not None and len(holed) == 1:
        return _along(bench, above, which="The hole")
    uppermost = "" if above is None else " " + _along(bench, above, which="The uppermost")
    if any(p.id in upright for p in bands):
        return f"They stand upright in the band, on its middle, at the marks.{uppermost}"
    return (
        f"They lie across, beginning {bench.fine(3)} beyond the centre line towards the edge, at the marks.{uppermost}"
    )


def _is_along_edge(join: Join) -> bool:
    """Whether a seam sews a band to an edge that opens."""
    return any(p.edge in ("opening", "placket") for p in (*join.a, *join.b))


def _along(bench: Workbench, band: Piece, *, which: str) -> str:
    """Where the hole lies in what goes on above an edge that opens: a stand, a waistband."""
    return (
        f"{which} lies along the {bench.name(band.id)}, in the middle of its width, at the mark, and begins "
        f"{bench.fine(3)} beyond it towards the end."
    )


def after_everything(bench: Workbench) -> Iterator[Need]:
    for join in bench.joins.values():
        yield Need(facts.join(Fact.TURNED, join.id), "the edge is faced and turned first", where_given=True)
    for finish in bench.finishes.values():
        if finish.kind is FinishKind.TURNED and not pieces_of(finish.parts) & bench.linings:
            yield Need(facts.finish(Fact.FINISHED, finish.id), "the band is whole", where_given=True)
        if finish.kind is FinishKind.HEM:
            yield Need(
                facts.finish(Fact.LEVELLED, finish.id), "the length is settled before a hole is cut", where_given=True
            )
    yield Need(facts.layer(Fact.CLOSED, "lining"), "it is closed and pressed flat", where_given=True)
    yield Need(facts.gate(Fact.SETTLED, "shell"), "the fit is settled before a hole is cut", where_given=True)
    yield Need(facts.gate(Fact.TRIED, "last"), "the last fitting comes before a hole is cut", where_given=True)


def _on(bench: Workbench, id: str) -> On:
    of_cuffs = cuffs(bench.pattern, bench.closures[id])
    holes = [
        p
        for p in bench.pattern.pieces
        if any(q.kind is PointKind.BUTTONHOLE for q in p.points)
        and (p.id in of_cuffs if of_cuffs else p.id not in cuffs(bench.pattern))
    ]
    names = ("sleeve",) if of_cuffs else ("front", "opening")
    return On(
        closures=(id,),
        edges=tuple(EdgeShown(p.id, e.name) for p in holes for e in p.edges if e.name in names)[:2],
    )


def _holes(
    bench: Workbench,
    duty: Duty,
    technique: str,
    *how: str,
    title: str,
    look: str,
    at: Bench = Bench.MACHINE,
    setting: Setting | None = None,
    caution: str = "",
    took: float = 4,
) -> Operation:
    number = _number(bench, duty.id)
    return of_closure(bench, technique, duty.id)(
        "buttonholes",
        Act.BUTTONHOLE,
        _titled(bench, duty.id, title),
        f"{number} of them. {_length(bench)}",
        *how,
        at=at,
        took=minutes.each(took, number),
        setting=setting,
        needs=tuple(after_everything(bench)),
        gives=(Fact.OPENED,),
        on=_on(bench, duty.id),
        caution=caution,
        look=look,
        booklet=True,
    )


def _buttons(bench: Workbench, duty: Duty, *first: str, needs: tuple[Need, ...] = ()) -> Operation:
    number = _number(bench, duty.id)
    if _is_of_cuffs(bench, duty.id):
        laid = "Lap the cuff as it is worn, its edges even, and mark through the opened hole."
    elif any(p.edge == "opening" for join in bench.joins.values() for p in (*join.a, *join.b)) or number > 1:
        laid = "Lay the edges level: pin at the top and the hem first, then between; mark through the opened holes."
    else:
        laid = "Lap the ends as they are worn, level with each other, and mark through the opened hole."
    return Operation(
        id=f"buttons-{duty.id}",
        technique="buttons",
        act=Act.BUTTON,
        title=_titled(bench, duty.id, "Sew on the buttons"),
        how=(
            *first,
            laid,
            "At the mark sew through button and under layer four to six times over a pin laid across the button; "
            "take the pin out, wind the thread round: the shank is as long as the layers above are thick.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(4, number),
        on=_on(bench, duty.id),
        requires=(Need(facts.closure(Fact.OPENED, duty.id), "they are marked through the holes"), *needs),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        look="Buttoned, the edges hang level and nothing pulls.",
    )


def _by_machine(bench: Workbench, duty: Duty) -> Operation:
    return _holes(
        bench,
        duty,
        "buttonholes",
        _where(bench, duty.id),
        *((LAST_ARE_BEST,) if _number(bench, duty.id) > 1 and not _is_of_cuffs(bench, duty.id) else ()),
        "Cut them open from both ends to the middle, a pin across each end.",
        title="Sew the buttonholes",
        setting=settings.buttonhole(bench.household),
        caution=SLIPS,
        look="The button goes through without force, and no thread of the edge is cut.",
    )


def sews(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield _by_machine(bench, duty)
    yield _buttons(bench, duty)


def keyhole(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield _holes(
        bench,
        duty,
        "keyhole buttonholes",
        _where(bench, duty.id)
        if _is_of_cuffs(bench, duty.id)
        else f"{laps_over(bench)} They lie across, the eye towards the edge, its middle {bench.fine(3)} beyond the "
        "centre line: the button's shank sits in the eye.",
        "Marked to the plain length: the eye comes on top of it. Lay a cord or thick thread under the stitches, and "
        "in thick cloth sew each one twice.",
        "Cut the eye with a round punch first, then the slit from the eye on; draw the cord tight, knot and bury it.",
        title="Sew the keyhole buttonholes",
        setting=replace(settings.buttonhole(bench.household), stitch="keyhole buttonhole"),
        caution="A punch and a blade slip: on a wooden block, a pin across the end of the hole.",
        look="Buttoned, the shank lies in the eye and the edges do not shift.",
    )
    yield _buttons(bench, duty)


def by_hand(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield _holes(
        bench,
        duty,
        "hand-worked buttonholes",
        _where(bench, duty.id),
        f"Round each mark two rows of fine stitches, {bench.margin(3)} apart; cut between them. Overcast the cut edge "
        "and lay a strand of gimp along it.",
        "Buttonhole stitch with silk twist, waxed, one thread for each hole: from the inner end along one side, "
        f"{bench.margin(3)} deep, stitch beside stitch, the knots on the cut edge; a fan round the end where the "
        "button sits; back along the other side, and a bar across the inner end.",
        took=20,
        title="Work the buttonholes by hand",
        at=Bench.HAND,
        caution=SLIPS,
        look="The knots stand close on the edge, and no thread of the cloth looks out.",
    )
    yield _buttons(bench, duty)


def covered(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    yield Operation(
        id=f"cover-{duty.id}",
        technique="covered buttons",
        act=Act.ATTACH,
        title=_titled(bench, duty.id, "Cover the buttons"),
        how=(
            "Circles of the garment's cloth nearly twice as wide as the button; thin cloth in two layers, or with "
            "light fusible. Run a thread round the edge, lay the shell in, draw up, fasten, and press the back on.",
            "A print or a stripe is centred alike on every one.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(4, _number(bench, duty.id)),
        on=On(closures=()),
        gives=(facts.closure(Fact.PREPARED, duty.id),),
        uses=(Use(Supply.BUTTON_SHELLS, count=_number(bench, duty.id)),),
        look="The cover is tight and has no folds at the rim.",
    )
    yield _by_machine(bench, duty)
    yield _buttons(bench, duty, needs=(Need(facts.closure(Fact.PREPARED, duty.id), "they are covered first"),))


def loops(bench: Workbench, duty: Duty) -> Iterator[Operation]:
    """Loops of thread on an edge that is finished: the pattern need not foresee them."""
    yield _holes(
        bench,
        duty,
        "button loops",
        _where(bench, duty.id)
        if _is_of_cuffs(bench, duty.id)
        else f"{laps_over(bench)} The edges meet or lap as the pattern has them; the loops stand on the edge at the "
        "marks.",
        f"Three or four strands of strong thread from {bench.fine(1)} inside the edge, out and back, just long enough "
        "for the button to pass; try it over the button. Cover them with buttonhole stitch, close beside each other, "
        "and fasten inside.",
        "Loops of a turned bias strip would be caught between edge and facing, before that is sewn; where your "
        "pattern wants these, follow your booklet.",
        took=10,
        title="Work the button loops",
        at=Bench.HAND,
        look="Each loop holds its button without slack.",
    )
    yield _buttons(bench, duty)


_WAYS = (
    (
        "keyhole-buttonholes",
        "Keyhole buttonholes",
        keyhole,
        "buttonhole",
        lambda bench: "" if bench.household.equipment.machine else "it needs a machine with a keyhole stitch",
    ),
    ("hand-buttonholes", "Buttonholes worked by hand", by_hand, "buttonhole", lambda bench: ""),
    ("covered-buttons", "Covered buttons", covered, "buttonhole", lambda bench: ""),
    ("button-loops", "Loops of thread", loops, "button loop", lambda bench: ""),
)

TECHNIQUES = (
    Technique(
        id="buttons",
        name="Buttons and buttonholes",
        chapter="closures",
        finds=finds,
        sews=sews,
        rank=20,
        words={"shank": "the stem of thread between a button and the cloth"},
        draw="buttonhole",
    ),
    *(
        Technique(
            id=id,
            name=name,
            chapter="closures",
            finds=finds,
            sews=made,
            rank=21,
            usual=False,
            asks=asks,
            draw=draw,
        )
        for id, name, made, draw, asks in _WAYS
    ),
)
