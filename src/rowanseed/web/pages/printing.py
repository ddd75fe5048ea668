"""Printing: pieces at their full size on paper, as PDF, SVG and DXF; a lay on one page."""

from __future__ import annotations

from typing import Annotated
from urllib.parse import urlencode

from fastapi import APIRouter, Query, Response

from rowanseed.app.open_project import OpenProject, load
from rowanseed.app.printing import Printing
from rowanseed.core.base.errors import NotThere
from rowanseed.core.printing.tiles import Paper
from rowanseed.drawings.lay import laid_words
from rowanseed.drawings.sheets import draw_sheets
from rowanseed.formats.lay_pdf import write_lay
from rowanseed.formats.print_dxf import write_dxf
from rowanseed.formats.print_pdf import write_sheets
from rowanseed.formats.print_svg import write_full_size
from rowanseed.web.deps import Home, Id
from rowanseed.web.once import Once
from rowanseed.web.pages.lay import role_of
from rowanseed.web.views.printing import PrintView

router = APIRouter(route_class=Once)

Some = Annotated[list[str], Query(max_length=400)]
NONE: Some = []


def _asked(project: OpenProject, paper: str, seam: str, piece: list[str], size: list[str]) -> Printing:
    """What was asked for; a paper that is not known is A4."""
    known = next((p for p in Paper if p.value == paper), Paper.A4)
    return Printing(project, known, seam != "no", frozenset(piece), frozenset(size))


@router.get("/projects/{id}/print")
def show_print(
    home: Home, id: Id, paper: str = "a4", seam: str = "yes", piece: Some = NONE, size: Some = NONE
) -> Response:
    project = load(home, id)
    printing = _asked(project, paper, seam, piece, size)
    pairs = [("paper", printing.paper.value), ("seam", "yes" if printing.seam_line else "no")]
    pairs += [("piece", p) for p in piece] + [("size", s) for s in size]
    return home.show(
        PrintView(
            project=project,
            printing=printing,
            picture=draw_sheets(printing.sheets) if printing.sheets else None,
            papers=tuple(Paper),
            query=urlencode(pairs),
            role=role_of(project, None),
            minds=_minds(printing),
        )
    )


def _minds(printing: Printing) -> list[str]:
    """What has to be known of the pieces before paper is spent on them."""
    out = []
    core = printing.project.core
    if len(printing.chosen_sizes) > 1 and core.alterations:
        out.append("The alterations are those worked out for your size; in other sizes they change the same places.")
    if printing.in_own_size:
        named = ", ".join(f"“{piece.name}”" for piece in printing.in_own_size)
        own = f"in size {core.size} alone" if core.size else "for this garment alone"
        out.append(f"Worked out {own}, and printed in no other size: {named}.")
    if any(piece.approximate for piece, _ in printing.every):
        out.append(
            "These pieces are approximate: drafted from the description, not from your tissue. Cut from the tissue, or "
            "measure it first and print then."
        )
    return out


@router.get("/projects/{id}/print/{document}")
def download(
    home: Home,
    id: Id,
    document: str,
    paper: str = "a4",
    seam: str = "yes",
    piece: Some = NONE,
    size: Some = NONE,
    role: str | None = None,
) -> Response:
    """The pieces as `pieces.pdf`, `pieces.svg` or `pieces.dxf`; the lay of one cloth as `lay.pdf`."""
    project = load(home, id)
    printing = _asked(project, paper, seam, piece, size)
    if document == "lay.pdf":
        return _file(_lay(home, project, role, printing.paper), "lay.pdf", "application/pdf")
    if printing.sheets is None:
        raise NotThere("size")
    match document:
        case "pieces.pdf":
            return _file(write_sheets(printing.sheets, printing.title), document, "application/pdf")
        case "pieces.svg":
            return _file(write_full_size(printing.sheets, printing.title), document, "image/svg+xml")
        case "pieces.dxf":
            return _file(write_dxf(printing.sheets, printing.title), document, "image/vnd.dxf")
        case _:
            raise NotThere("file")


def _lay(home: Home, project: OpenProject, role: str | None, paper: Paper) -> bytes:
    chosen = role_of(project, role)
    found = project.cloth_plans[chosen] if chosen is not None else None
    if chosen is None or found is None or found.plan is None:
        raise NotThere("lay")
    return write_lay(
        found.plan,
        found.problem.cloth,
        project.core.cut_items(chosen, found.entry.cloth, found.problem, found.plan),
        title=f"{project.record.name}: {found.entry.cloth.name}",
        way=laid_words(found.way),
        paper=Paper.A4 if paper is Paper.A0 else paper,
        units=home.units,
    )


def _file(content: str | bytes, name: str, media_type: str) -> Response:
    return Response(content, media_type=media_type, headers={"Content-Disposition": f'attachment; filename="{name}"'})
