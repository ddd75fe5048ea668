"""Rules of the trade that a change would break."""

from __future__ import annotations

from rowanseed.core.base.words import Worded


class Rule(Worded):
    """A rule of the trade that a change would break."""

    GRAIN = "grain", "its grain allows no other turn"
    ONE_WAY = "one-way", "the cloth has a way up: it may not be turned end for end"
    SLANT = "slant", "it is matched in a V: turned, its lines would not meet those of its partner"
    FOLD = "fold", "it lies on the fold, which halves it: it has no other hand"
    ALIKE = "alike", "it is its own mirror image: turning it over changes nothing"
    DOUBLE = "double", "the cloth lies double here: both hands are cut at once"
    NO_FOLD = "no-fold", "no fold runs through this stretch"
    BOUND = "bound", "the print or a flaw says where along the cloth each piece lies: it stays in one stretch"
    NOT_OPEN = "not-open", "this cloth may not be laid open"
    OPEN_ALREADY = "open-already", "the cloth behind lies open already"
    SINGLE = "single", "only a piece on the fold is laid whole, and only where the cloth lies single"


class NotAllowed(Exception):
    """A change that a rule does not allow; nothing is changed."""

    def __init__(self, rule: Rule) -> None:
        super().__init__(rule.words)
        self.rule = rule
