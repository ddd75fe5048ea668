"""How the operations of one technique are written: what they all share is said once, each says only what is its own.

A technique lays out `Steps` for its duty and calls it for every operation. Where, how long and how careful follow
from the act and the bench; what an operation waits for and gives are facts of the duty itself unless something else
is named.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import assert_never

from rowanseed.core.base.words import lower_first
from rowanseed.core.make import minutes, settings
from rowanseed.core.make.facts import Fact, State, Subject, SubjectKind
from rowanseed.core.make.iron import iron_for
from rowanseed.core.make.operation import Act, Bench, Meant, Need, On, Operation, Setting, Use
from rowanseed.core.make.run import Run
from rowanseed.core.make.turned import Turned
from rowanseed.core.make.workbench import BLADES, HOT, NEEDLE, Workbench, both_sides, on_joins, shown
from rowanseed.core.pattern.making import EdgePart

CUTS = frozenset({Act.TRIM, Act.CLIP, Act.CUT, Act.LEVEL})
QUIET = frozenset({Act.NEATEN, Act.BUTTONHOLE})
"""Acts at a machine that are done without pins."""


@dataclass(frozen=True)
class Steps:
    """Writes the operations of one duty. `mm` is the length that is worked on over the whole garment; `name` what it is
    called within a sentence, `subject` what its facts are about."""

    bench: Workbench
    id: str
    technique: str
    name: str
    on: On
    subject: SubjectKind
    mm: float
    lining: bool = False
    shares: tuple[str, ...] = field(default=())
    """Other parts of the same kind that are made in one with it: they are given the same facts."""

    @property
    def iron(self) -> str:
        """How the iron is set for what the duty is about."""
        return iron_for(self.bench, {*self.on.pieces, *(edge.piece for edge in self.on.edges)})

    def __call__(
        self,
        key: str,
        act: Act,
        title: str,
        *how: str,
        at: Bench = Bench.MACHINE,
        after: Mapping[Fact, str] | None = None,
        needs: tuple[Need, ...] = (),
        gives: tuple[Fact | State, ...] = (),
        setting: Setting | None = None,
        took: tuple[float, float] | None = None,
        look: str = "",
        caution: str | None = None,
        rows: float = 1.0,
        uses: tuple[Use, ...] = (),
        meant: frozenset[Meant] = frozenset(),
        leaves: tuple[str, ...] = (),
        removes: tuple[str, ...] = (),
        sets: tuple[str, ...] = (),
        sets_back: tuple[str, ...] = (),
        on: On | None = None,
        way: str = "",
        run: Run | None = None,
        turned: Turned | None = None,
        booklet: bool = False,
    ) -> Operation:
        """One operation, called `key-id`.

        `after`: facts of the duty that it waits for, each with the reason. `gives`: facts of the duty, or states of
        anything. `on` where it works on something else than the whole duty. `booklet`: it is the step that a booklet
        would number.
        """
        own = tuple(Need(State(fact, Subject(self.subject, self.id)), why) for fact, why in (after or {}).items())
        return Operation(
            id=f"{key}-{self.id}",
            technique=self.technique,
            act=act,
            title=self._titled(title),
            how=how,
            bench=at,
            minutes=took or self._took(at),
            on=self.on if on is None else on,
            requires=(*own, *needs),
            gives=tuple(state for given in gives for state in self._states(given)),
            setting=setting or self._setting(at),
            leaves=leaves,
            removes=removes,
            sets=sets,
            sets_back=sets_back,
            meant=meant,
            way=way,
            run=run,
            turned=turned,
            rows=rows if at.is_machine else 0.0,
            uses=uses,
            look=look,
            caution=self._caution(act, at) if caution is None else caution,
            booklet=self.bench.booklet(self.id, *self.shares) if booklet else "",
        )

    def _titled(self, title: str) -> str:
        """A title without the name of what it is about where it says that already: “Sew the narrow hem: hem”."""
        said = title.removesuffix(f": {self.name}")
        return said if self.name in said.lower() else title

    def _states(self, given: Fact | State) -> tuple[State, ...]:
        if isinstance(given, State):
            return (given,)
        return tuple(State(given, Subject(self.subject, id)) for id in (self.id, *self.shares))

    def _took(self, at: Bench) -> tuple[float, float]:
        match at:
            case Bench.MACHINE | Bench.COVERSTITCH:
                return minutes.seam(self.mm)
            case Bench.OVERLOCKER:
                return minutes.neaten(self.mm)
            case Bench.IRON:
                return minutes.press(self.mm)
            case Bench.HAND:
                return minutes.hand(self.mm)
            case Bench.TABLE:
                return minutes.trim(self.mm)
            case Bench.MIRROR:
                return minutes.each(8)
            case _:
                assert_never(at)

    def _setting(self, at: Bench) -> Setting | None:
        match at:
            case Bench.MACHINE:
                return settings.seam(self.bench.household, lining=self.lining)
            case Bench.OVERLOCKER:
                return settings.overlock(self.bench.household)
            case Bench.COVERSTITCH:
                return settings.hem(self.bench.household, "")
            case Bench.IRON | Bench.HAND | Bench.TABLE | Bench.MIRROR:
                return None
            case _:
                assert_never(at)

    def _caution(self, act: Act, at: Bench) -> str:
        if at is Bench.IRON:
            return HOT
        if act in CUTS:
            return BLADES
        return NEEDLE if at.is_machine and act not in QUIET else ""


def of_joins(bench: Workbench, technique: str, *ids: str) -> Steps:
    """Steps of seams that are sewn as one."""
    join = bench.joins[ids[0]]
    return Steps(
        bench=bench,
        id=ids[0],
        technique=technique,
        name=f"{lower_first(join.name)}{both_sides(join)}",
        on=on_joins(bench, *ids),
        subject=SubjectKind.JOIN,
        mm=bench.around(ids),
        lining=all(part.piece in bench.linings for id in ids for part in bench.parts(id)),
        shares=ids[1:],
    )


def of_finish(bench: Workbench, technique: str, id: str) -> Steps:
    """Steps of an edge that is in no seam."""
    finish = bench.finishes[id]
    return Steps(
        bench=bench,
        id=id,
        technique=technique,
        name=lower_first(finish.name),
        on=On(edges=shown(finish.parts)),
        subject=SubjectKind.FINISH,
        mm=bench.around([id]),
        lining=all(part.piece in bench.linings for part in finish.parts),
    )


def of_closure(bench: Workbench, technique: str, id: str) -> Steps:
    """Steps of a closure, on the edges of its seam."""
    closure = bench.closures[id]
    parts = bench.parts(closure.join)
    return Steps(
        bench=bench,
        id=id,
        technique=technique,
        name=lower_first(bench.joins[closure.join].name) if closure.join in bench.joins else closure.kind.words,
        on=On(closures=(id,), edges=shown(parts)),
        subject=SubjectKind.CLOSURE,
        mm=bench.openings.zip_length(closure) or bench.around([closure.join]),
    )


def of_detail(bench: Workbench, technique: str, id: str) -> Steps:
    """Steps of a pocket, a placket, a trim: on its own pieces and those it is made on."""
    detail = bench.details[id]
    pieces = (*detail.pieces, *detail.on)
    along = tuple(part for one in detail.along for part in bench.parts(one))
    edges = along or tuple(EdgePart(piece, edge.name) for piece in detail.pieces for edge in bench.piece(piece).edges)
    return Steps(
        bench=bench,
        id=id,
        technique=technique,
        name=lower_first(detail.name),
        on=On(pieces=pieces, edges=shown(edges)),
        subject=SubjectKind.DETAIL,
        mm=bench.around(detail.along) if detail.along else 200.0 * max(1, detail.count),
    )
