"""The table's steps: any sequence of changes, undos and redos leads where a list of plans would; none is lost."""

import random

from rowanseed.core.lay.problem import LayKind, Placement, Plan, Stretch
from rowanseed.core.pattern.pieces import Role
from rowanseed.store import lay_table as store

from .test_keeping import db, project  # noqa: F401


def plan(n):
    """A plan known by its length, with figures that no rounding would keep."""
    third = n / 3
    laid = Placement("front", 0.0, False, False, (third, 0.1), ((third, 0.1), (third + 1, 0.1), (third, 1.1)))
    return Plan(third, (Stretch(LayKind.FOLDED, None, 0.0, third, (laid,)),))


def test_undo_and_redo_give_the_same_plan_to_the_bit(db, project):  # noqa: F811
    for seed in range(12):
        chance = random.Random(seed)
        store.put_on_table(db, project, Role.MAIN.value, "q", plan(1000))
        history, at = [(plan(1000), frozenset())], 0
        for n in range(60):
            match chance.randrange(4):
                case 0 | 1:
                    pinned = frozenset({f"0.{n % 3}"})
                    history, at = [*history[: at + 1], (plan(n + 1), pinned)], at + 1
                    store.add_step(db, project, Role.MAIN.value, f"step {n}", plan(n + 1), pinned)
                case 2:
                    store.go_to(db, project, Role.MAIN.value, -1)
                    at = max(0, at - 1)
                case _:
                    store.go_to(db, project, Role.MAIN.value, 1)
                    at = min(len(history) - 1, at + 1)
            found = store.on_table(db, project, Role.MAIN.value)
            assert (found.plan, found.pinned) == history[at]
            assert found.undo == (at > 0) and found.redo == (at < len(history) - 1)


def test_each_cloth_has_a_table_of_its_own_and_putting_a_lay_on_it_begins_anew(db, project):  # noqa: F811
    store.put_on_table(db, project, Role.MAIN.value, "q", plan(1))
    store.add_step(db, project, Role.MAIN.value, "moved", plan(3), frozenset())
    store.put_on_table(db, project, Role.LINING.value, "r", plan(2))
    store.put_on_table(db, project, Role.MAIN.value, "s", plan(4))
    main = store.on_table(db, project, Role.MAIN.value)
    assert (main.plan, main.undo, main.redo) == (plan(4), False, False)
    assert store.on_table(db, project, Role.LINING.value).plan == plan(2)
