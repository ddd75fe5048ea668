"""Any sequence of changes by hand: nothing is lost, undo gives the same lay to the bit, what is kept is right."""

import sqlite3
from contextlib import closing, suppress
from dataclasses import replace
from datetime import date

import pytest
from hypothesis import Phase, settings
from hypothesis import strategies as st
from hypothesis.stateful import RuleBasedStateMachine, initialize, invariant, precondition, rule

from rowanseed.app import table_deeds
from rowanseed.app.desk import Desk
from rowanseed.app.lay_table import LayTable
from rowanseed.app.open_project import load
from rowanseed.app.shared_lay import shared_table
from rowanseed.app.table_deeds import Asked
from rowanseed.core.lay import edit
from rowanseed.core.lay.check import check
from rowanseed.core.lay.edit import NotAllowed
from rowanseed.core.lay.shared import share_of
from rowanseed.core.pattern.pieces import Role
from rowanseed.store.database import connect
from rowanseed.store.household import habits
from rowanseed.store.projects import decide

from .test_lay import outside

TODAY = date(2026, 11, 26)


class ByHand(RuleBasedStateMachine):
    """The table of the demo household's first project, whose cloth is not cut yet."""

    filled = None

    @initialize()
    def open(self):
        self.db = connect(self.filled, create=False)
        self.db.execute("DELETE FROM lay_step")
        self.db.execute("DELETE FROM lay_table")
        self.db.execute("DELETE FROM tick WHERE list = 'cut'")
        self.desk = Desk(self.db, habits(self.db), TODAY)
        self.project = load(self.desk, 1)
        self.past = [self.table.state]
        self.now = 0

    def teardown(self):
        if hasattr(self, "db"):
            self.db.close()

    @property
    def table(self):
        return LayTable(self.project, self.project.cloth_plans[Role.MAIN])

    def do(self, **asked):
        before = self.table.state
        said = self.table.change(Asked(**asked))
        after = self.table.state
        assert not said or after == before, "what is refused changes nothing"
        if after != before:
            del self.past[self.now + 1 :]
            self.past.append(after)
            self.now += 1

    def some(self, k):
        every = [id for id, _ in edit.ids(self.table.lay.plan)]
        return every[k % len(every)] if every else None

    @rule(k=st.integers(0, 20), x=st.floats(-100, 2500), y=st.floats(-100, 800), snap=st.booleans())
    def move(self, k, x, y, snap):
        if id := self.some(k):
            self.do(do="move" if snap else "nudge", id=id, at=(round(x, 2), round(y, 2)))

    @rule(k=st.integers(0, 20), what=st.sampled_from(["turn", "mirror", "pin", "park"]))
    def of_a_piece(self, k, what):
        if len(self.table.lay.parked) < 3 and (id := self.some(k)):
            self.do(do=what, id=id)

    @rule(k=st.integers(0, 20), n=st.integers(0, 2))
    def to_another_stretch(self, k, n):
        id = self.some(k)
        if id and n <= len(self.table.lay.plan.stretches):
            self.do(do="stretch", id=id, n=n)

    @rule()
    def push(self):
        self.do(do="push")

    @rule(part=st.booleans(), k=st.integers(0, 20))
    def lay_again(self, part, k):
        """A search, short here; where it can find nothing it says so, and all stays as it lies."""
        self.do(do="part" if part else "rest", id=(self.some(k) or "") if part else "")

    @precondition(lambda self: self.table.lay.parked)
    @rule()
    def lay_on_again(self):
        self.do(do="unpark", n=0)

    @precondition(lambda self: len(self.table.lay.plan.stretches) > 1)
    @rule()
    def exchange(self):
        self.do(do="exchange", n=0)

    @rule()
    def mend(self):
        before = self.table.state
        if any(fault.can_be_mended for fault in self.table.faults):
            self.table.mend(next(k for k, fault in enumerate(self.table.faults) if fault.can_be_mended))
            if self.table.state != before:
                del self.past[self.now + 1 :]
                self.past.append(self.table.state)
                self.now += 1

    @rule(back=st.integers(1, 6))
    def undo(self, back):
        for _ in range(back):
            self.table.step(-1)
            self.now = max(0, self.now - 1)

    @rule(on=st.integers(1, 6))
    def redo(self, on):
        for _ in range(on):
            self.table.step(1)
            self.now = min(len(self.past) - 1, self.now + 1)

    @invariant()
    def it_is_what_it_was(self):
        if not hasattr(self, "past"):
            return
        assert self.table.state == self.past[self.now], "to the bit"
        lay = self.table.lay
        assert (lay.undo, lay.redo) == (self.now > 0, self.now < len(self.past) - 1)
        wanted = {piece.id for piece in self.table.found.problem.pieces}
        there = {p.piece for _, p in edit.ids(lay.plan)} | {one.piece for one in lay.parked}
        assert there == wanted, "no piece is lost"

    @invariant()
    def what_can_be_kept_is_right(self):
        if hasattr(self, "past") and not self.table.faults and not self.table.lay.parked:
            plan = edit.without_empty(self.table.lay.plan)
            assert check(self.table.found.problem, plan) == []


class Together(ByHand):
    """The table of two projects on one cloth; neither has been laid by itself."""

    @initialize()
    def open(self):
        self.db = connect(self.filled, create=False)
        self.db.execute("DELETE FROM lay_step")
        self.db.execute("DELETE FROM lay_table")
        for id, size in ((3, "14"), (7, "12")):
            decide(self.db, id, lambda record, size=size: replace(record, size=size))
        self.desk = Desk(self.db, habits(self.db), TODAY)
        self.project = load(self.desk, 3)
        self.past = [self.table.state]
        self.now = 0

    @property
    def table(self):
        return shared_table(self.project, self.project.cloth_plans[Role.MAIN], ["7.main"])

    @invariant()
    def each_could_keep_its_own(self):
        if hasattr(self, "past") and not self.table.faults and not self.table.lay.parked:
            plan = edit.without_empty(self.table.lay.plan)
            for one in self.table.companies:
                assert check(one.found.problem, share_of(plan, one.owner)) == []


@pytest.mark.slow
@pytest.mark.parametrize("machine", [ByHand, Together])
def test_any_sequence_of_changes_can_be_taken_back_and_loses_nothing(machine, filled, tmp_path, monkeypatch):
    path = tmp_path / "house.db"
    with closing(sqlite3.connect(filled)) as source, closing(sqlite3.connect(path)) as copy:
        source.backup(copy)
    monkeypatch.setattr(table_deeds, "SECONDS", 0.2)
    monkeypatch.setattr(table_deeds, "SECONDS_A_PIECE", 0.0)
    machine.filled = path
    # What a search finds in so short a time differs from run to run: a failure is not made smaller.
    machine.TestCase.settings = settings(
        max_examples=12, stateful_step_count=18, deadline=None, phases=(Phase.generate,), database=None
    )
    machine.TestCase().runTest()


def test_every_lay_that_can_be_kept_from_the_table_passes_the_open_checker(filled, tmp_path):
    with closing(connect(filled, create=False)) as db:
        project = load(Desk(db, habits(db), TODAY), 1)
        found = project.cloth_plans[Role.MAIN]
        free = replace(found.problem, cloth=replace(found.problem.cloth, length=None))
        kept = 0
        for plan in found.plans.values():
            for k, (id, laid) in enumerate(list(edit.ids(plan))):
                there = (laid.at[0] + 60 * k, laid.at[1] + 15)
                pushed = edit.push_together(free, edit.move(free, plan, id, there))
                found_lays = [pushed]
                with suppress(NotAllowed):
                    found_lays.append(edit.without_empty(edit.to_stretch(free, plan, id, len(plan.stretches))[0]))
                for changed in found_lays:
                    if not edit.faults(free, changed):
                        kept += 1
                        assert outside(free, changed, tmp_path) == []
        assert kept > 6
