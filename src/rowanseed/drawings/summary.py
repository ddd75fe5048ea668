"""A project on paper: one self-contained page that prints, made without the web."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape

from rowanseed.core.base.units import Units, format_length
from rowanseed.core.cloth.yardage import ClothNeed, ClothVerdict
from rowanseed.core.cutting import CutItem, cut_words
from rowanseed.core.make.operation import Operation
from rowanseed.core.pattern.pieces import Role
from rowanseed.core.sizing.chart import measure_name
from rowanseed.core.sizing.ease import Ease

_STYLE = """
body { font: 11pt/1.4 "Atkinson Hyperlegible Next", sans-serif; color: #14211f; max-width: 180mm; margin: 10mm auto; }
h1 { font-size: 18pt; margin: 0 } h2 { font-size: 13pt; margin: 8mm 0 2mm; border-bottom: 1pt dashed #14211f;
break-after: avoid }
table { border-collapse: collapse; width: 100% } th, td { text-align: left; padding: 1mm 3mm 1mm 0; vertical-align:
top; border-bottom: .3pt solid #c9d2cf }
svg { width: 100%; height: auto; break-inside: avoid } li { break-inside: avoid; margin-bottom: 1.5mm } small {
color: #52615d }
.box { display: inline-block; width: 4mm; height: 4mm; border: 1pt solid #14211f; margin-right: 2mm; vertical-align:
-.5mm }
@page { margin: 12mm }
"""


@dataclass(frozen=True)
class ClothSummary:
    role: Role
    name: str
    need: ClothNeed
    verdict: ClothVerdict | None
    picture: str
    items: Sequence[CutItem]


def summary_page(
    name: str,
    person: str,
    size: str,
    reason: str,
    rows: Sequence[Ease],
    cloths: Sequence[ClothSummary],
    steps: Sequence[Operation],
    units: Units,
) -> str:
    """HTML that prints on a few sheets: size, cloth, lay, cutting list, making order."""
    parts = [
        f"<h1>{escape(name)}</h1><p>for {escape(person)}, size {escape(size)}. {escape(reason)}</p>",
        _ease(rows, units),
    ]
    for cloth in cloths:
        parts.append(_cloth(cloth, units))
    parts.append(step_lines(steps, units))
    body = "\n".join(part for part in parts if part)
    return (
        f'<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><title>{escape(name)}</title>'
        f"<style>{_STYLE}</style></head><body>\n{body}\n</body></html>\n"
    )


def _ease(rows: Sequence[Ease], units: Units) -> str:
    if not rows:
        return ""
    lines = "".join(
        f"<tr><th>{escape(measure_name(r.measure))}</th>"
        f"<td>{format_length(r.body, units) if r.body else 'not measured'}</td>"
        f"<td>{format_length(r.finished, units)}</td><td>{escape(r.verdict(units))}</td></tr>"
        for r in rows
    )
    return f"<h2>Fit</h2><table><tr><th></th><th>body</th><th>garment</th><th></th></tr>{lines}</table>"


def _cloth(cloth: ClothSummary, units: Units) -> str:
    hand = ""
    if cloth.verdict is not None:
        spare = cloth.verdict.spare
        hand = f" In hand: {spare.name.lower()} {spare.quantity.show(units)}."
    items = "".join(_item(item, units) for item in cloth.items)
    return (
        f"<h2>{escape(cloth.role.words.capitalize())}: {escape(cloth.name)}</h2>"
        f"<p>Layout {cloth.need.lay.quantity.show(units)}, to buy "
        f"<b>{cloth.need.to_buy.quantity.show(units)}</b>.{hand}</p>"
        f"{cloth.picture}<table><tr><th></th><th>cut</th><th>how</th><th>grain</th><th>marks</th></tr>{items}</table>"
    )


def _item(item: CutItem, units: Units) -> str:
    grain = "set by a square"
    if item.grain is not None:
        top, bottom = (format_length(mm, units) for mm in (item.grain.at_top, item.grain.at_bottom))
        grain = f"{top} / {bottom} to the {item.grain.to}"
    marks = "; ".join(f"{mark.what}: {mark.how}" for mark in item.marks)
    return (
        "<tr><td><span "
        f'class="box"></span>{item.number}</td><td>{escape(item.piece.name)}</td><td>{escape(cut_words(item))}</td>'
        f"<td>{escape(grain)}</td><td><small>{escape(marks)}</small></td></tr>"
    )


def step_lines(steps: Sequence[Operation], units: Units) -> str:
    if not steps:
        return "<h2>Sew</h2><p>This pattern names no seams; sew by its booklet.</p>"
    lines = []
    for step in steps:
        setting = ""
        if step.setting is not None:
            s = step.setting
            words = f"{s.stitch}, {s.stitch_length(units)}, {s.foot}, needle {s.needle}"
            setting = f" <small>{escape(words)}</small>"
        how = escape(" ".join(step.how))
        caution = f" <small><b>Mind:</b> {escape(step.caution)}</small>" if step.caution else ""
        lines.append(
            f'<li><span class="box"></span><b>{escape(step.title)}</b> '
            f"({escape(step.bench.words)}){setting}<br>{how}{caution}</li>"
        )
    return f"<h2>Sew</h2><ol>{''.join(lines)}</ol>"
