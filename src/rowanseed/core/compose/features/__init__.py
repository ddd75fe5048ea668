"""The features that a garment can be described with, a file each."""

from __future__ import annotations

import importlib
import pkgutil

from rowanseed.core.compose.feature import Feature


def _found() -> tuple[Feature, ...]:
    modules = (importlib.import_module(f"{__name__}.{module.name}") for module in pkgutil.iter_modules(__path__))
    features = [feature for module in modules for feature in getattr(module, "FEATURES", ())]
    return tuple(sorted(features, key=lambda feature: (feature.rank, feature.id)))


FEATURES = _found()
