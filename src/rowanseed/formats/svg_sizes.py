"""The nest of sizes in a drawing: by the groups around the outlines, or by the ends of their names.

Layers are called “size-12”, “Gr. 36”, “EU 38”, “12”, “M”; outlines “front_12”, “sleeve XL”, “back-size-14”. What the
names have in common is put aside, and what is left has to look like sizes and to give every size the same pieces.
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import replace

from rowanseed.core.base.errors import DrawingError
from rowanseed.formats.svg_shapes import Outline

_WORD = re.compile(r"^size[\s_-]*([0-9A-Za-z./]+)$", re.IGNORECASE)
_SIZE = re.compile(r"^(\d{1,3}([./-]\d{1,3})?|[0-9]?x{0,4}[sl]|m|x{1,4}[sl])$", re.IGNORECASE)
_AT_END = re.compile(r"^(.*?)[\s_\-.]*(?:size|gr|eu|us|uk)?[\s_\-.]*([0-9]{1,3}|[0-9]?x{0,4}[sl]|m)$", re.IGNORECASE)
_TOKEN = re.compile(r"\d{1,3}[./-]\d{1,3}|\d?[xX]{0,4}[sSlLmM](?![A-Za-z])|[A-Za-z]+|\d+")
Nest = dict[str, dict[str, Outline]]
"""Size → id of the piece → outline."""


def nested(outlines: Sequence[Outline], one_size: str) -> Nest:
    """The outlines by size; all in `one_size` where no nest is found. Raises DrawingError for a nest with holes."""
    by_word = _by_groups(outlines, {one.groups: _worded(one.groups) for one in outlines})
    if by_word is not None:
        return by_word
    for depth in range(max((len(one.groups) for one in outlines), default=0)):
        labels = [one.groups[depth] if len(one.groups) > depth else "" for one in outlines]
        sizes = _as_sizes(list(dict.fromkeys(labels)))
        if sizes and len(set(Counter(labels).values())) == 1:
            return _in_each(
                {
                    size: [o for o, own in zip(outlines, labels, strict=True) if own == label]
                    for label, size in sizes.items()
                }
            )
    by_name = _by_names(outlines)
    if by_name is not None:
        return by_name
    return {one_size: _once(outlines)}


# ---------------------------------------------------------------- by groups


def _worded(groups: Sequence[str]) -> str:
    """The size that a group around an outline names with the word for it."""
    return next((found[1] for label in reversed(groups) if (found := _WORD.match(label))), "")


def _by_groups(outlines: Sequence[Outline], sizes: Mapping[tuple[str, ...], str]) -> Nest | None:
    if not any(sizes.values()):
        return None
    stray = next((one for one in outlines if not sizes[one.groups]), None)
    if stray is not None:
        raise DrawingError(
            "This outline stands outside the groups of sizes.",
            "Move it into a group such as “size-12”.",
            stray.name,
        )
    by_size: dict[str, list[Outline]] = {}
    for one in outlines:
        by_size.setdefault(sizes[one.groups], []).append(one)
    if all(one.is_unnamed for one in outlines) and len({len(own) for own in by_size.values()}) == 1:
        return _in_each(by_size)
    return _alike({size: _once([_unsized(one, size) for one in own]) for size, own in by_size.items()})


def _as_sizes(labels: Sequence[str]) -> dict[str, str]:
    """Labels that differ only in a size, each with its size; empty where they do not."""
    if len(labels) < 2:
        return {}
    words = [_TOKEN.findall(label) for label in labels]
    common = set(words[0]).intersection(*words[1:])
    rest = [[word for word in own if word not in common] for own in words]
    if any(len(own) != 1 or not _SIZE.match(own[0]) for own in rest):
        return {}
    return {label: own[0] for label, own in zip(labels, rest, strict=True)}


def _in_each(by_size: Mapping[str, Sequence[Outline]]) -> Nest:
    """The same pieces in every size: by their names, or in their order where each size names them otherwise."""
    try:
        named = {size: _once([_unsized(one, size) for one in own]) for size, own in by_size.items()}
    except DrawingError:
        named = {}
    if named and len({frozenset(own) for own in named.values()}) == 1:
        return dict(named)
    first = next(iter(by_size.values()))
    return {
        size: {first[k].id: replace(one, id=first[k].id) for k, one in enumerate(own)} for size, own in by_size.items()
    }


# ---------------------------------------------------------------- by names


def _by_names(outlines: Sequence[Outline]) -> Nest | None:
    """Names that end in a size: every piece in every size, and more than one of them."""
    found: dict[str, dict[str, Outline]] = {}
    for one in outlines:
        match = _AT_END.match(one.name)
        if match is None or not match[1] or one.is_unnamed:
            return None
        stem = match[1].strip(" _-.")
        if stem in found.setdefault(match[2], {}):
            return None
        found[match[2]][stem] = replace(one, id=stem, name=stem)
    alike = len({frozenset(own) for own in found.values()}) == 1
    return found if len(found) > 1 and alike else None


# ---------------------------------------------------------------- pieces


def _unsized(one: Outline, size: str) -> Outline:
    return replace(one, id=_without(one.id, size), name=_without(one.name, size))


def _without(name: str, size: str) -> str:
    """A name without the size at its end, and what joins the two."""
    if not size or not name.endswith(size):
        return name
    return name.removesuffix(size).rstrip(" \t\n_-") or name


def _once(outlines: Sequence[Outline]) -> dict[str, Outline]:
    found: dict[str, Outline] = {}
    for one in outlines:
        if one.id in found:
            raise DrawingError("Two outlines have the same id in one size.", "Give every piece its own.", one.name)
        found[one.id] = one
    return found


def _alike(nest: Nest) -> Nest:
    """A nest that has every piece in every size. Raises DrawingError naming one that is missing."""
    sizes = list(nest)
    for size in sizes[1:]:
        odd = set(nest[sizes[0]]) ^ set(nest[size])
        if odd:
            raise DrawingError(
                f"The piece is not there in every size (compare {sizes[0]} and {size}).",
                "Give it the same id in each group.",
                sorted(odd)[0],
            )
    return nest
