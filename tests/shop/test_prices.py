"""The stand-in shop: prices by the length and the piece, and word of what it has not enough of."""

import pytest

from rowanseed.core.cloth.cloth import Cloth, Direction, Fibre, Surface
from rowanseed.core.notions.added import Wanted, WantedKind, notion
from rowanseed.core.notions.sorts import Sort
from rowanseed.core.notions.to_buy import notions
from rowanseed.core.pattern.pieces import Role
from rowanseed.demo import overshirt, six_gore_skirt, trousers, waistcoat
from rowanseed.shop.prices import price_of_cloth, price_of_notion


def cloth(fibre=Fibre.LINEN, surface=Surface.PLAIN):
    return Cloth(
        name="any",
        width=1120,
        length=None,
        selvedge=10,
        direction=Direction.TWO_WAY,
        fibre=fibre,
        surface=surface,
    )


@pytest.mark.parametrize("role", list(Role))
@pytest.mark.parametrize("fibre", [Fibre.LINEN, Fibre.VISCOSE, Fibre.WOOL])
def test_cloth_costs_by_its_length(role, fibre):
    one, two = (price_of_cloth(role, cloth(fibre), mm) for mm in (1000.0, 2500.0))
    assert one.amount > 0 and two.amount == pytest.approx(2.5 * one.amount, abs=0.01)
    assert one.short == two.short == ""


def test_linings_and_interfacings_are_kept_by_what_they_are_for():
    main, lining, interfacing = (
        price_of_cloth(role, cloth(), 1000.0).amount for role in (Role.MAIN, Role.LINING, Role.INTERFACING)
    )
    assert main > lining > interfacing


def test_a_length_beyond_the_stock_says_how_much_there_is():
    assert price_of_cloth(Role.MAIN, cloth(Fibre.WOOL), 4200.0).short == ""
    assert price_of_cloth(Role.MAIN, cloth(Fibre.WOOL), 4300.0).short == "only 4.2 m in stock"
    assert price_of_notion(Sort.BUTTONS, 41).short == "only 40 in stock"


def test_an_invisible_zip_is_not_taken_for_a_plain_one():
    assert price_of_notion(Sort.INVISIBLE_ZIP, 1).amount != price_of_notion(Sort.ZIP, 1).amount


def test_what_the_shop_does_not_keep_has_no_price():
    assert price_of_cloth(Role.MAIN, cloth(Fibre.SILK), 1000.0) is None
    assert price_of_notion(Sort.ELASTIC, 1) is None, "elastic is sold by a length, and none was said"


@pytest.mark.parametrize("overlocker", [False, True])
@pytest.mark.parametrize("fibre", list(Fibre))
@pytest.mark.parametrize("module", [overshirt, six_gore_skirt, trousers, waistcoat], ids=lambda m: m.__name__[15:])
def test_every_notion_of_the_demo_patterns_can_be_priced(module, fibre, overlocker):
    pattern = module.draft()
    needed = notions(pattern, "A", pattern.envelope.sizes[0], cloth(fibre), overlocker=overlocker)
    kept = [n for n in needed if n.sort is not Sort.OTHER]
    assert kept and all(price_of_notion(n.sort, n.count, n.length) is not None for n in kept)


@pytest.mark.parametrize("kind", list(WantedKind))
def test_whatever_is_put_on_the_list_besides_can_be_priced(kind):
    found = notion(overshirt.draft(), "L", Wanted(kind, 640.0))
    assert price_of_notion(found.sort, found.count, found.length) is not None


def test_what_is_sold_by_length_is_rounded_up_to_what_the_shop_cuts():
    """Sold by 10 cm: 1 1/2 yd (1371.6 mm) comes as 1.4 m; a metre stays a metre."""
    assert price_of_cloth(Role.MAIN, cloth(), 1371.6).sold == 1400
    assert price_of_cloth(Role.MAIN, cloth(), 1000.0).sold == 1000


def test_cloth_of_another_width_than_was_reckoned_with_says_so():
    assert price_of_cloth(Role.MAIN, cloth(), 1000.0, 1450.0).width is None
    assert price_of_cloth(Role.MAIN, cloth(), 1000.0, 900.0).width == 1450
