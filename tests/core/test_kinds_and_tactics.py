"""What holds for every alteration and every tactic: a new file in its folder is held to it too."""

import pkgutil
import string
from dataclasses import replace

import pytest

from rowanseed.core.alter import kinds
from rowanseed.core.alter.change import Alteration
from rowanseed.core.alter.kinds import KINDS, offered, title
from rowanseed.core.alter.tissue import sheet
from rowanseed.core.base.craft_refusals import AlterationError, MoreThanItBears
from rowanseed.core.base.units import Units
from rowanseed.core.garment import GarmentChoices, altered
from rowanseed.core.pattern.pieces import Cut, Panel, Role
from rowanseed.core.saving import tactics
from rowanseed.core.saving.combine import combined
from rowanseed.core.saving.tactic import Garment
from rowanseed.core.saving.tactics import TACTICS
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat

from .pieces import gathered_skirt, pattern_of, quadrilateral

GATHERED = gathered_skirt()
PATTERNS = {m.__name__.rpartition(".")[2]: m.draft() for m in (six_gore_skirt, trousers, overshirt, waistcoat)}
PATTERNS["gathered skirt"] = GATHERED


def top_on_the_fold():
    """A front and a back, both cut on the fold."""
    square = ((0.0, 400.0), (0.0, 0.0), (500.0, 0.0), (500.0, 400.0))
    fold = Cut(Role.MAIN, 1, fold="top")
    front, back = (
        replace(quadrilateral(square, (15.0, 20.0, 15.0, 0.0), id=panel.value, cut=fold), panel=panel)
        for panel in (Panel.FRONT, Panel.BACK)
    )
    return pattern_of(front, back)


def _files(package):
    return {module.name.replace("_", "-") for module in pkgutil.iter_modules(package.__path__)}


def _middle(pattern):
    return pattern.envelope.sizes[len(pattern.envelope.sizes) // 2]


def _asked(kind, pattern):
    """Every way in which a kind can be asked for on a pattern, a little of it."""
    size = _middle(pattern)
    if not kind.offered(pattern, size):
        return
    by = min(10.0, kind.most)
    for place in kind.places_on(pattern, size):
        for way in (1, -1) if kind.opposite else (1,):
            yield Alteration(kind=kind.id, by=way * by, at=place.at, level=place.level, school=place.school)


def test_every_alteration_is_a_file_of_its_own_name_and_every_tactic_too():
    assert set(KINDS) == _files(kinds) and set(TACTICS) == _files(tactics)
    assert len({kind.order for kind in KINDS.values()}) == len(KINDS)


@pytest.mark.parametrize("id", KINDS)
def test_an_alteration_is_offered_somewhere_and_can_be_carried_out_wherever_it_is_offered(id):
    """It touches pieces for a reason, in words without holes, and can be told for the tissue in both units."""
    done = 0
    for pattern in PATTERNS.values():
        size = _middle(pattern)
        for alteration in _asked(KINDS[id], pattern):
            try:
                found = altered(pattern, GarmentChoices(view="A", size=size, alterations=(alteration,)))
            except AlterationError as refused:
                assert refused.problem and refused.remedy, refused
                continue
            done += 1
            (step,) = found.steps
            assert title(alteration, pattern)
            for touched in step.touched:
                assert touched.why and "{" not in touched.why
            for units in Units:
                told = sheet(step, units, size)
                assert told.title and told.steps and not any(set("{}") & set(line) for line in told.steps)
    assert done, "no demo garment allows it"


@pytest.mark.parametrize("id", KINDS)
def test_an_alteration_refuses_what_no_body_asks_for(id):
    pattern = next(p for p in PATTERNS.values() if KINDS[id].offered(p, _middle(p)))
    alteration = next(_asked(KINDS[id], pattern))
    far = replace(alteration, by=KINDS[id].most * 3)
    with pytest.raises(MoreThanItBears) as refused:
        altered(pattern, GarmentChoices(view="A", size=_middle(pattern), alterations=(far,)))
    assert (refused.value.asked, refused.value.most) == (KINDS[id].most * 3, KINDS[id].most)


def test_only_what_is_offered_has_places():
    for pattern in PATTERNS.values():
        for kind in offered(pattern, _middle(pattern)):
            places = kind.places_on(pattern, _middle(pattern))
            assert places and len({(p.at, p.level, p.school) for p in places}) == len(places)


@pytest.mark.parametrize("id", TACTICS)
def test_a_tactic_is_offered_somewhere_costs_something_and_changes_something(id):
    tactic = TACTICS[id]
    holes = {name for _, name, _, _ in string.Formatter().parse(tactic.words) if name}
    assert holes <= {"by"} and (tactic.by > 0) == ("by" in holes)
    assert tactic.say(Units.METRIC) and tactic.cost.points > 0 and tactic.cost.looks and tactic.cost.work
    assert any((tactic.reshape, tactic.lay, tactic.other_cloth, tactic.fewer))
    garments = (
        Garment(pattern=pattern, view="A", role=role, one_way=True, batch=True)
        for pattern in (*PATTERNS.values(), top_on_the_fold())
        for role in Role
    )
    assert any(tactic.offered(garment) for garment in garments), "no garment allows it"


def test_of_two_answers_to_one_question_the_cheaper_one_is_taken_in_whatever_order():
    def price(id):
        return TACTICS[id].cost.points, id

    for a in TACTICS:
        for b in TACTICS:
            both = combined((a, b))
            clash = TACTICS[a].answers and TACTICS[a].answers == TACTICS[b].answers
            assert both == combined((b, a))
            assert set(both) == ({min(a, b, key=price)} if clash else {a, b})
