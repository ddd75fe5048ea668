"""Whatever garment is described, every page of its project opens, in either household's units, and says nothing that no
sewist would: no word of a program, no sentence ended twice."""

import html
import re
from datetime import date

import pytest
from hypothesis import HealthCheck, given, settings

from rowanseed.core.compose.compose import DescriptionRefused
from rowanseed.formats.description_json import compose_pattern, write_description
from rowanseed.store import patterns
from rowanseed.store.database import connect

from ..core.descriptions import whole_ones

pytestmark = pytest.mark.slow
STATIONS = [
    "fit",
    "fit/alter",
    "fit/seams",
    "cloth",
    "cloth/layers",
    "cloth/extras",
    "cloth/short?role=main",
    "lay",
    "cut",
    "sew",
    "sew/line",
    "sew/time",
    "sew/ways",
    "sew/samples",
    "machine",
    "keep",
    "print",
]
STRANGE = re.compile(
    r"\b(None|nan|inf|True(?! the )|False)\b|[{}]|__|\b(lining|skirt|trouser|side|front|back)-[a-z-]+-|\.\.|,,|;\.|::"
)
"""What a program would say and a sewist would not: its values, its ids, two stops in a row. She trues the curve of a
hem."""
HIDDEN = r"<(script|style|template|svg|textarea)\b.*?</\1>"


def read(page):
    """What is read on a page, with a bar wherever an element ends."""
    shown = re.sub(HIDDEN, " ", page, flags=re.S)
    shown = re.sub(r"</(p|li|td|th|h\d|dt|dd|option|label|a|button|summary|span|b|small)>", " | ", shown)
    return html.unescape(re.sub(r"\s+", " ", re.sub(r"<[^>]*>", " ", shown)))


def faults(house, path):
    answer = house.get(path)
    if answer.status_code != 200:
        return [f"{path}: {answer.status_code}"]
    text = read(answer.text)
    return [f"{path}: {text[max(0, m.start() - 40) : m.end() + 30]}" for m in STRANGE.finditer(text)]


@given(description=whole_ones)
@settings(max_examples=5, deadline=None, suppress_health_check=list(HealthCheck))
@pytest.mark.parametrize("units", ["metric", "imperial"])
def test_every_page_of_a_described_garment_opens_and_reads_as_sentences(house, tmp_path, units, description):
    try:
        pattern = compose_pattern(write_description(description))
    except DescriptionRefused:
        return
    house.post("/household/units", data={"units": units, "next": "/"})
    db = connect(tmp_path / "house.db")
    number = patterns.add_pattern(db, pattern, date(2026, 11, 27))
    db.close()
    begun = house.post(
        "/projects/new", data={"person": "1", "pattern": str(number), "cloth": "5"}, follow_redirects=False
    )
    project = begun.headers["location"].removesuffix("/fit")
    sizes = pattern.envelope.sizes
    house.post(f"{project}/fit", data={"size": sizes[len(sizes) // 2]})
    paths = [f"{project}/{page}" for page in STATIONS]
    paths += [f"/patterns/{number}{page}" for page in ("", "/tissue", "/describe")]
    steps = sorted(set(re.findall(r"step=([\w-]+)", house.get(f"{project}/sew/line").text)))
    assert len(steps) > 8
    paths += [f"{project}/sew?step={step}" for step in steps[::4]]
    assert [fault for path in paths for fault in faults(house, path)] == []
