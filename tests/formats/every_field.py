"""Every field of a record changed, one at a time: what a format that loses one is found by."""

from collections.abc import Iterator, Mapping
from dataclasses import fields, is_dataclass, replace
from enum import Enum
from typing import Any


def changed(value: Any, pool: frozenset[str] | None = None) -> Iterator[tuple[str, Any]]:
    """Every variant of a record with one field of it, or of a record inside it, changed: (Class.field, variant).

    Texts are also changed into the other texts of the record (`pool`), since some are names of something in it.
    """
    known = frozenset(_texts(value)) if pool is None else pool
    if is_dataclass(value):
        for field in fields(value):
            name = f"{type(value).__name__}.{field.name}"
            inner = getattr(value, field.name)
            for other in (*_others(inner), *(sorted(known) if isinstance(inner, str) else ())):
                yield name, replace(value, **{field.name: other})
            if isinstance(inner, str | float) and not isinstance(inner, Enum):
                yield name, replace(value, **{field.name: None})
            for deeper, variant in changed(inner, known):
                yield deeper, replace(value, **{field.name: variant})
    elif isinstance(value, tuple):
        for k, inner in enumerate(value):
            for name, variant in changed(inner, known):
                yield name, (*value[:k], variant, *value[k + 1 :])
    elif isinstance(value, Mapping):
        for key, inner in value.items():
            for name, variant in changed(inner, known):
                yield name, {**value, key: variant}


def _texts(value: Any) -> Iterator[str]:
    if isinstance(value, str) and not isinstance(value, Enum):
        yield value
    elif is_dataclass(value):
        for field in fields(value):
            yield from _texts(getattr(value, field.name))
    elif isinstance(value, tuple):
        for inner in value:
            yield from _texts(inner)
    elif isinstance(value, Mapping):
        for inner in value.values():
            yield from _texts(inner)


def _others(value: Any) -> Iterator[Any]:
    """Values of the same sort that are not this one."""
    match value:
        case Enum():
            yield from (member for member in type(value) if member is not value)
        case bool():
            yield not value
        case int():
            yield value + 1
        case float():
            yield value + 0.25
        case str():
            yield f"{value}x"
        case tuple() | Mapping() if value and _is_numbers(value):
            yield _moved(value)
        case tuple() if value and all(isinstance(one, str) for one in value):
            yield value[:-1]
            yield tuple(f"{one}x" for one in value)
        case _:
            return


def _is_numbers(value: Any) -> bool:
    match value:
        case tuple():
            return all(_is_numbers(one) for one in value)
        case Mapping():
            return all(_is_numbers(one) for one in value.values())
        case _:
            return isinstance(value, float)


def _moved(value: Any) -> Any:
    match value:
        case tuple():
            return tuple(_moved(one) for one in value)
        case Mapping():
            return {key: _moved(one) for key, one in value.items()}
        case _:
            return value + 0.25


def renamed(value: Any, old: str, new: str, touched: set[str], where: str = "") -> Any:
    """A record with one text changed wherever it stands, keys too; notes in `touched` the fields it stood in."""
    if isinstance(value, str) and not isinstance(value, Enum):
        if value != old:
            return value
        touched.add(where)
        return new
    if is_dataclass(value) and not isinstance(value, type):
        inner = {f.name: getattr(value, f.name) for f in fields(value)}
        name = type(value).__name__
        return replace(value, **{k: renamed(v, old, new, touched, f"{name}.{k}") for k, v in inner.items()})
    if isinstance(value, tuple):
        return tuple(renamed(inner, old, new, touched, where) for inner in value)
    if isinstance(value, Mapping):
        return {(new if k == old else k): renamed(v, old, new, touched, where) for k, v in value.items()}
    return value


def texts(value: Any) -> list[str]:
    """Every text of a record, each once."""
    return sorted(set(_texts(value)))


def names(value: Any) -> set[str]:
    """Class.field of every field that `changed` tries."""
    return {name for name, _ in changed(value)}
