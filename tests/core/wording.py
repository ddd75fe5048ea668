"""What no sentence of a step may hold: a name of the program's own, a figure below nothing, half a sentence."""

from __future__ import annotations

import re
from collections.abc import Iterator

from rowanseed.core.make.operation import Operation

MISPRINT = re.compile(
    r"_|[{}<>]|\bNone\b|\bnan\b"
    r"|−\s?\d|(?<![\w–])-\d"
    r"|\.\.|\s[,.;]|[;,]\.|  |\(\)|\.[A-Z]"
    r"|\b([A-Za-z]+) \1\b"
    r"|all round; backstitch both ends"
)


def misprints(op: Operation) -> Iterator[str]:
    """The sentences of an operation that were not written for a reader."""
    said = (op.title, *op.how, op.look, op.caution, *op.leaves, *op.removes, *op.sets, *op.sets_back)
    for sentence in (*said, *(need.why for need in op.requires)):
        if MISPRINT.search(sentence):
            yield sentence
    for sentence in (op.title, *op.how, op.look, op.caution):
        if sentence and not (sentence[0].isupper() or sentence[0].isdigit()):
            yield sentence
