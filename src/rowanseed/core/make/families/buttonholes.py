"""Buttons and their holes: how many, where they lie, which hand laps over, what comes before a hole is cut."""

from __future__ import annotations

from collections.abc import Iterator
from typing import assert_never

from rowanseed.core.make import facts, minutes, settings
from rowanseed.core.make.facts import Fact
from rowanseed.core.make.families.suited import always, finds_of, why_not_of
from rowanseed.core.make.graph import pieces_of
from rowanseed.core.make.holes import BEYOND, THICK, is_along_edge
from rowanseed.core.make.operation import Act, Bench, EdgeShown, Need, On, Operation, Setting
from rowanseed.core.make.steps import of_closure
from rowanseed.core.make.technique import Duty
from rowanseed.core.make.workbench import Workbench
from rowanseed.core.pattern.double_breasted import is_double_breasted
from rowanseed.core.pattern.envelope import Figure
from rowanseed.core.pattern.fastenings import cuffs, fly_pieces, holed, number_of
from rowanseed.core.pattern.making import PLACKET_BASE, ClosureKind, FinishKind
from rowanseed.core.pattern.pieces import Panel, Piece, PointKind

MOST_SHOWN = 4
"""So many edges are shown at most."""
SLIPS = "A blade slips: a pin across the end of the hole stops it."


def buttoned_ids(bench: Workbench) -> tuple[str, ...]:
    return tuple(closure.id for closure in bench.closures.values() if closure.kind is ClosureKind.BUTTONS)


finds = finds_of(buttoned_ids, always)
why_not = why_not_of(buttoned_ids, always)


def length_of_hole(bench: Workbench, *, on_cuffs: bool = False) -> str:
    size = bench.button_size(on_cuffs=on_cuffs)
    if size is None:
        return "Length of a hole: the button's diameter and its thickness."
    return (
        f"Length of a hole: {bench.fine(size)} across and about {bench.fine(THICK)} thick make "
        f"{bench.fine(size + THICK)}; measure your button."
    )


CUFF_LAPS = "The end of the cuff on the placket's upper side laps over the other"
BESIDE = "second column of buttons"
OPENED = "through the opened hole"
LAST_ARE_BEST = "From the lowest up, so that the last ones, which show, are the best."


def is_of_cuffs(bench: Workbench, id: str) -> bool:
    return bool(cuffs(bench.pattern, bench.closures[id]))


def number_of_holes(bench: Workbench, id: str) -> int:
    """How many buttonholes a closure has; each cuff has its own, and the front that lies beneath double-breasted ones
    has one."""
    marked = max(1, number_of(bench.pattern, bench.size, (PointKind.BUTTONHOLE,), bench.closures[id]))
    return marked + is_double(bench, id)


def is_double(bench: Workbench, id: str) -> bool:
    """Whether it closes fronts with two columns of buttons."""
    return is_double_breasted(bench.pattern, bench.size, bench.closures[id])


def number_of_buttons(bench: Workbench, id: str) -> int:
    """How many are sewn on: one for each hole; in a second column as many, but for the one that closes inside."""
    holes = number_of_holes(bench, id)
    return 2 * holes - 1 if is_double(bench, id) else holes


def titled(bench: Workbench, id: str, title: str) -> str:
    """A title that names several, of which there may be one."""
    if is_of_cuffs(bench, id):
        return f"{title}: cuffs"
    if number_of_holes(bench, id) > 1:
        return title
    return title.replace("buttonholes", "buttonhole").replace("buttons", "button").replace("loops", "loop")


def laps_over(bench: Workbench, goes: str = "the holes go into") -> str:
    """Which hand laps over the other, by whom it is made for, and what `goes` into the upper one."""
    if any(bench.is_side_of_one_hand(bench.joins[one.join]) for one in bench.openings.openers):
        return f"At the side the front laps over the back: {goes} the front's end."
    what = what_laps(bench)
    match bench.pattern.envelope.figure:
        case Figure.MEN:
            return f"The left {what} laps over the right, as men's garments do: {goes} the left."
        case Figure.WOMEN:
            return f"The right {what} laps over the left, as women's garments do: {goes} the right."
        case Figure.CHILDREN:
            return f"Choose which {what} laps over: right over left is usual for girls, left over right for boys."
        case Figure.UNISEX:
            return f"Choose which {what} laps over: right over left is usual for women, left over right for men."
        case figure:
            assert_never(figure)


def what_laps(bench: Workbench) -> str:
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


def where_they_lie(bench: Workbench, id: str) -> str:
    """Which edge laps over, and where on it the holes lie."""
    if is_of_cuffs(bench, id):
        return (
            f"{CUFF_LAPS}; the hole lies along the cuff, in the middle of its width, at the mark, and begins "
            f"{bench.fine(BEYOND)} beyond it towards that end. Left and right mirror each other."
        )
    if is_double(bench, id):
        return (
            f"{laps_over(bench)} They lie across, at the marks beyond the centre line, and begin {bench.fine(BEYOND)} "
            "beyond these towards the edge. One more goes into the front that lies beneath, at the uppermost of the "
            "same marks: the button inside holds that front up."
        )
    goes = ("the hole goes into",) if number_of_holes(bench, id) == 1 else ()
    return f"{laps_over(bench, *goes)} {place_of_holes(bench)}"


def place_of_holes(bench: Workbench) -> str:
    of_others = cuffs(bench.pattern) | fly_pieces(bench.pattern)
    holed = [
        p
        for p in bench.pattern.pieces
        if any(q.kind is PointKind.BUTTONHOLE for q in p.points) and p.id not in fly_pieces(bench.pattern)
    ]
    bands = [p for p in holed if p.panel is Panel.BAND and p.id not in of_others]
    upright = {p.piece for j in bench.joins.values() if is_along_edge(j) for p in (*j.a, *j.b)}
    beyond = [p for p in bands if p.id not in upright]
    if beyond and len(holed) == 1:
        return along_band(bench, beyond[0], which="The hole")
    further = "".join(" " + along_band(bench, p, which=_which(bench, p)) for p in beyond)
    if any(p.id in upright for p in bands):
        return f"They stand upright in the band, on its middle, each with its mark half-way.{further}"
    across = f"They lie across, at the marks, and begin {bench.fine(BEYOND)} beyond the centre line towards the edge."
    return f"{across}{further}"


def _which(bench: Workbench, band: Piece) -> str:
    """Which hole of an edge is in a band that is sewn to its upper end, or to its lower one."""
    at_hem = (j for j in bench.joins.values() if any(p.edge == "hem" for p in (*j.a, *j.b)))
    return "The lowest" if any(band.id in pieces_of(bench.parts(j.id)) for j in at_hem) else "The uppermost"


def along_band(bench: Workbench, band: Piece, *, which: str) -> str:
    """Where the hole lies in what goes on above an edge that opens, or below it: a stand, a waistband."""
    return (
        f"{which} lies along the {bench.name(band.id)}, in the middle of its width, at the mark, and begins "
        f"{bench.fine(BEYOND)} beyond it towards the end."
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


def on_holes(bench: Workbench, id: str) -> On:
    of_cuffs = cuffs(bench.pattern, bench.closures[id])
    holes = holed(bench.pattern, bench.closures[id])
    names = ("sleeve",) if of_cuffs else ("front", "opening")
    return On(
        closures=(id,),
        edges=tuple(EdgeShown(p.id, e.name) for p in holes for e in p.edges if e.name in names)[:MOST_SHOWN],
    )


def holes_of(
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
    cut: bool = True,
) -> Operation:
    """The holes of a closure, or what is worked in their place: `cut`, into the cloth, they have a length."""
    number = number_of_holes(bench, duty.id)
    long = length_of_hole(bench, on_cuffs=is_of_cuffs(bench, duty.id))
    return of_closure(bench, technique, duty.id)(
        "buttonholes",
        Act.BUTTONHOLE,
        titled(bench, duty.id, title),
        f"{'One' if number == 1 else f'{number} of them'}.{f' {long}' if cut else ''}",
        *how,
        at=at,
        took=minutes.each(took, number),
        setting=setting,
        needs=tuple(after_everything(bench)),
        gives=(Fact.OPENED,),
        on=on_holes(bench, duty.id),
        caution=caution,
        look=look,
        booklet=True,
    )


def sewn_on(bench: Workbench, duty: Duty, *, needs: tuple[Need, ...] = (), loops: bool = False) -> Iterator[Operation]:
    """The buttons sewn on, where the holes or the loops come to lie; a second column of them beside the holes."""
    double = is_double(bench, duty.id)
    number = number_of_holes(bench, duty.id) - double
    one, each = ("where the loop reaches", "where each loop reaches") if loops else (OPENED, f"{OPENED}s")
    if double:
        laid = (
            "Lay the fronts as they are worn, centre line on centre line and level: pin at the top and the hem first, "
            f"then between; mark {each} on the front beneath."
        )
    elif is_of_cuffs(bench, duty.id):
        laid = f"Lap the cuff as it is worn, its edges even, and mark {one}."
    elif any(p.edge == "opening" for join in bench.joins.values() for p in (*join.a, *join.b)) or number > 1:
        laid = f"Lay the edges level: pin at the top and the hem first, then between; mark {each}."
    else:
        laid = f"Lap the ends as they are worn, level with each other, and mark {one}."
    yield Operation(
        id=f"buttons-{duty.id}",
        technique="buttons",
        act=Act.BUTTON,
        title=titled(bench, duty.id, "Sew on the buttons"),
        how=(
            laid,
            "At the mark sew through button and under layer four to six times over a pin laid across the button; "
            "take the pin out, wind the thread round: the shank is as long as the layers above are thick.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(4, number),
        on=on_holes(bench, duty.id),
        requires=(Need(facts.closure(Fact.OPENED, duty.id), "they are marked through the holes"), *needs),
        gives=(facts.closure(Fact.CLOSED, duty.id),),
        look="Buttoned, the edges hang level and nothing pulls.",
    )
    if double:
        yield _second_column(bench, duty.id, number, needs)


def _second_column(bench: Workbench, id: str, number: int, needs: tuple[Need, ...]) -> Operation:
    """Those that close nothing, and the one that closes inside."""
    return Operation(
        id=f"beside-{id}",
        technique=BESIDE,
        act=Act.BUTTON,
        title="Sew on the second column of buttons",
        how=(
            "On the front that laps over, at the marks on its own side of the centre line: buttoned, each lies "
            "level with its hole and as far from the centre line. Through the front and what backs it; the shank "
            "only so long that the button lies flat.",
            "The button inside: a flat one, on the inner side of that front behind the uppermost of them, its stitches "
            "not seen outside, on a shank. The hole in the front beneath goes over it.",
            "Where nothing stiff backs a button, sew a small flat one or a square of cloth behind it.",
        ),
        bench=Bench.HAND,
        minutes=minutes.each(4, number + 1),
        on=on_holes(bench, id),
        requires=(Need(facts.closure(Fact.CLOSED, id), "those that close are sewn on first, and show where"), *needs),
        gives=(facts.closure(Fact.ATTACHED, id),),
        look="Both columns run plumb, as far from the centre line; the front beneath does not drop.",
    )


def by_machine(bench: Workbench, duty: Duty) -> Operation:
    several = number_of_holes(bench, duty.id) > 1
    return holes_of(
        bench,
        duty,
        "buttonholes",
        where_they_lie(bench, duty.id),
        *((LAST_ARE_BEST,) if several and not is_of_cuffs(bench, duty.id) else ()),
        f"Cut {'them' if several else 'it'} open from both ends to the middle, a pin across each end.",
        title="Sew the buttonholes",
        setting=settings.buttonhole(bench.household),
        caution=SLIPS,
        look="The button goes through without force, and no thread of the edge is cut.",
    )
