"""Two ways to use a page, both counted: by keyboard alone, and by touch on a telephone."""

from dataclasses import dataclass, field

from playwright.sync_api import expect

CLOSED = "e => { const part = e.closest('details:not([open])'); return part ? part.id : '' }"
FAR = 260
"""So many presses of Tab lead through the longest page."""


def _found(page, place):
    """A place by its selector, or as a locator."""
    return page.locator(place).first if isinstance(place, str) else place.first


@dataclass
class Keyboard:
    """Tab to it, type, Enter; nothing is pointed at."""

    page: object
    fields: int = 0
    taps: int = 0
    name: str = field(default="keyboard", init=False)

    def reach(self, place):
        found = _found(self.page, place)
        expect(found).to_be_attached()
        for _ in range(FAR):
            if found.evaluate("e => e === document.activeElement"):
                return found
            self.page.keyboard.press("Tab")
        raise AssertionError(f"Tab does not lead to {place}")

    def _opened(self, place):
        """What lies in a folded part is unfolded first, by Enter on its heading."""
        closed = _found(self.page, place).evaluate(CLOSED)
        if closed:
            self.press(f"#{closed} > summary")
        return self.reach(place)

    def fill(self, place, text):
        self._opened(place)
        self.page.keyboard.press("Control+a")
        self.page.keyboard.insert_text(text)
        self.fields += 1

    def choose(self, place, label):
        found = self._opened(place)
        if found.evaluate("e => e.selectedOptions[0].label") != label:
            self.page.keyboard.type(label)
        assert found.evaluate("e => e.selectedOptions[0].label") == label
        self.fields += 1

    def tick(self, place):
        self._opened(place)
        self.page.keyboard.press("Space")
        self.fields += 1

    def press(self, place):
        self.reach(place)
        self.page.keyboard.press("Enter")
        self.taps += 1


@dataclass
class Touch:
    """A finger on a page 390 px wide."""

    page: object
    fields: int = 0
    taps: int = 0
    name: str = field(default="touch", init=False)

    def _opened(self, place):
        """What lies in a folded part is unfolded first, by a tap on its heading."""
        found = _found(self.page, place)
        closed = found.evaluate(CLOSED)
        if closed:
            self.page.locator(f"#{closed} > summary").tap()
            self.taps += 1
        return found

    def fill(self, place, text):
        found = self._opened(place)
        found.tap()
        found.fill(text)
        self.fields += 1
        self.taps += 1

    def choose(self, place, label):
        # A telephone shows its own list: one tap opens it, one takes from it.
        self._opened(place).select_option(label=label)
        self.fields += 1
        self.taps += 2

    def tick(self, place):
        self._opened(place).tap()
        self.fields += 1
        self.taps += 1

    def press(self, place):
        _found(self.page, place).tap()
        self.taps += 1
