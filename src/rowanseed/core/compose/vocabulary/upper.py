"""Necks, collars, sleeves and straps."""

from __future__ import annotations

from typing import assert_never

from rowanseed.core.base.words import Worded, with_article


class NeckShape(Worded):
    ROUND = "round"
    V = "v", "V"
    SQUARE = "square"
    SCOOP = "scoop"
    BOAT = "boat"
    HIGH = "high"
    COWL = "cowl"
    STRAPLESS = "strapless"


class NeckFinish(Worded):
    FACING = "facing"
    BIAS_BINDING = "bias binding"
    BIAS_FACING = "bias facing"
    BAND = "band"
    LINING = "lining"
    COLLAR = "collar"


class CollarKind(Worded):
    FLAT = "flat"
    STAND = "stand"
    SHIRT = "shirt with stand"
    ONE_PIECE = "one-piece"
    NOTCHED = "notched"
    SHAWL = "shawl"
    TIE = "tie", "tie, for a bow"
    HOOD = "hood"

    @property
    def turns_back(self) -> bool:
        """Whether it is grown out of the front, which turns back and has a facing down to the hem."""
        return self in (CollarKind.NOTCHED, CollarKind.SHAWL)

    @property
    def one(self) -> str:
        """A collar of this kind, as a sentence names it."""
        match self:
            case CollarKind.STAND:
                return "a stand collar"
            case CollarKind.SHIRT:
                return "a shirt collar with stand"
            case CollarKind.ONE_PIECE:
                return "a collar in one piece"
            case CollarKind.HOOD:
                return "a hood"
            case CollarKind.TIE:
                return "a tie collar"
            case CollarKind.FLAT | CollarKind.NOTCHED | CollarKind.SHAWL:
                return f"a {self.words} collar"
            case _:
                assert_never(self)


class SleeveKind(Worded):
    SET_IN = "set-in"
    GATHERED_CAP = "gathered cap"
    DROPPED = "dropped"
    CUT_IN_ONE = "cut in one"
    RAGLAN = "raglan"

    @property
    def one(self) -> str:
        """A sleeve of this kind, as a sentence names it."""
        match self:
            case SleeveKind.SET_IN:
                return "a set-in sleeve"
            case SleeveKind.GATHERED_CAP:
                return "a sleeve with a gathered cap"
            case SleeveKind.CUT_IN_ONE:
                return "a sleeve cut in one"
            case _:
                return f"{with_article(self.words)} sleeve"


class SleeveLength(Worded):
    CAP = "cap"
    SHORT = "short"
    ELBOW = "elbow"
    THREE_QUARTER = "three-quarter"
    LONG = "long"


class SleeveShape(Worded):
    """How a sleeve runs down from the arm to its end."""

    PLAIN = "plain", "as its end asks for"
    FLARED = "flared", "flared, wider at its end"


class SleeveEnd(Worded):
    HEM = "hem"
    CUFF = "cuff"
    GATHERED_CUFF = "gathered cuff"
    PLEATED_CUFF = "pleated cuff"
    ELASTIC_CASING = "elastic casing"
    BINDING = "binding"
    FACING = "facing"

    @property
    def is_cuff(self) -> bool:
        return self in (SleeveEnd.CUFF, SleeveEnd.GATHERED_CUFF, SleeveEnd.PLEATED_CUFF)


class ArmholeFinish(Worded):
    FACING = "facing"
    BIAS_BINDING = "bias binding"
    LINING = "lining"


class BibShape(Worded):
    STRAIGHT = "straight"
    TAPERED = "tapered", "wider below"


class StrapsClosed(Worded):
    SEWN_IN = "sewn in"
    BUTTONS = "buttons"
    SNAPS = "snaps"
    TIES = "ties"


class StrapsGo(Worded):
    """Where straps of a top go that has no shoulders."""

    OVER = "over the shoulders"
    ROUND = "round the neck"
