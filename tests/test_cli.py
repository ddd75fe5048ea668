"""The command line, as a user runs it: lay a problem, plan a project, serve on a busy port."""

import json
import os
import signal
import socket
import subprocess
import sys
from pathlib import Path
from xml.etree import ElementTree

import pytest

from rowanseed.cli import main
from rowanseed.demo.six_gore_skirt import draft
from rowanseed.formats.pattern_json import write_pattern

from .ports import free_port

pytestmark = pytest.mark.slow

OUTSIDE = Path(__file__).parent / "outside"
PROBLEMS = sorted((OUTSIDE / "problems").glob("*.json"))


@pytest.mark.parametrize("seed", [1, 2])
@pytest.mark.parametrize("path", PROBLEMS, ids=lambda p: p.stem)
def test_plans_of_the_sample_problems_pass_the_open_checker(path, seed, tmp_path):
    """`tests/outside/check_plan.py` shares no code with the application."""
    out = tmp_path / "plan.json"
    assert main(["lay", str(path), "--sweeps", "4", "--seed", str(seed), "--out", str(out)]) == 0
    done = subprocess.run([sys.executable, OUTSIDE / "check_plan.py", path, out], capture_output=True, text=True)
    assert done.returncode == 0, done.stdout


def test_what_cannot_be_laid_exits_with_1_and_a_bad_document_with_2(tmp_path, capsys):
    document = json.loads(PROBLEMS[0].read_text())
    document["cloth"]["length"] = 500
    short = tmp_path / "short.json"
    short.write_text(json.dumps(document))
    assert main(["lay", str(short), "--sweeps", "1", "--out", str(tmp_path / "p.json")]) == 1
    assert "too short by" in capsys.readouterr().err
    assert not (tmp_path / "p.json").exists()
    document["gap"] = -3
    short.write_text(json.dumps(document))
    assert main(["lay", str(short), "--out", str(tmp_path / "p.json")]) == 2
    assert capsys.readouterr().err.startswith("gap:")
    assert main(["lay", str(tmp_path / "none.json"), "--out", str(tmp_path / "p.json")]) == 2


def test_a_plan_that_cannot_be_written_is_told_in_one_line(tmp_path, capsys):
    assert main(["lay", str(PROBLEMS[3]), "--sweeps", "1", "--out", str(tmp_path / "nowhere" / "p.json")]) == 2
    said = capsys.readouterr().err
    assert "p.json cannot be used" in said and said.count("\n") == 1


def _project(tmp_path, **choices):
    (tmp_path / "skirt.json").write_text(write_pattern(draft()))
    cloth = {"width": "112 cm", "length": "2,4 m", "selvedge": "1 cm", "direction": "two-way", "fibre": "cotton"}
    document = {
        "format": "rowanseed-project/1",
        "name": "Concert skirt",
        "person": {"name": "Ysolde", "measurements": {"waist": "30 1/4 in", "hip": "101.5 cm"}},
        "pattern": "skirt.json",
        "cloths": {
            "main": {"name": "Linen", **cloth, "shrink_along": 0.05},
            "interfacing": {"name": "Fusible", **cloth},
        },
        "choices": {"hem_change": "2 cm", **choices},
    }
    path = tmp_path / "project.json"
    path.write_text(json.dumps(document))
    return path, document


def test_a_project_is_planned_through_all_stations(tmp_path):
    path, _ = _project(tmp_path)
    out = tmp_path / "out"
    assert main(["plan", str(path), "--out", str(out), "--sweeps", "3"]) == 0
    read = {p.name: json.loads(p.read_text()) for p in out.glob("*.json")}
    assert read["fit.json"]["size"] == "14"
    assert {t["piece"] for t in read["fit.json"]["touched"]} == {"front", "side-front", "side-back", "back"}
    assert all(abs(seam["fault"]) < 0.5 for seam in read["fit.json"]["seams"])
    plan_length = read["lay-main-plan.json"]["length"]
    assert read["cloth.json"]["main"]["lay"]["value"] == pytest.approx(plan_length, abs=1e-3)
    assert read["cloth.json"]["main"]["to_buy"]["value"] >= plan_length / 0.95
    assert sum(item["gives"] for item in read["cut.json"] if item["cloth"] == "main") == 10
    order = [step["id"] for step in read["order.json"]["operations"]]
    assert order.index("zip-zip") < order.index("sew-centre-back") < order.index("sew-waist") < order.index("sew-hem")
    assert ElementTree.fromstring((out / "lay-main.svg").read_text()).tag.endswith("svg")
    summary = (out / "summary.html").read_text()
    assert "Centre front gore" in summary and "understitch" in summary.lower()
    problem, plan = out / "lay-main-problem.json", out / "lay-main-plan.json"
    assert subprocess.run([sys.executable, OUTSIDE / "check_plan.py", problem, plan], check=False).returncode == 0
    played = [sys.executable, OUTSIDE / "check_order.py", out / "garment.json", out / "order.json"]
    assert subprocess.run(played, check=False).returncode == 0


def test_a_project_is_lined_matched_saved_on_and_cut_for_several(tmp_path):
    path, document = _project(tmp_path)
    lining = {"name": "Viscose", "width": "140 cm", "direction": "two-way"}
    document["cloths"]["lining"] = lining
    document["cloths"]["main"] |= {"repeat_along": "9,2 cm", "repeat_across": "8.4 cm", "weight": 310}
    document["tactics"] = {"main": ["a narrower hem"]}
    document["reckoning"] = {
        "layers": {"lining": "facing deducted"},
        "matching": [["main", "bars meet at the seams"]],
        "rectangles": [{"kind": "tie, turned", "name": "sash", "long": 900, "wide": 40}],
        "batch": [{"name": "Nerys", "size": "10"}],
    }
    path.write_text(json.dumps(document))
    out = tmp_path / "out"
    assert main(["plan", str(path), "--out", str(out), "--sweeps", "2"]) == 0
    problem = json.loads((out / "lay-main-problem.json").read_text())
    assert {p["id"] for p in problem["pieces"]} >= {"front", "front@2", "measure-1"} and problem["matches"]
    assert {p["id"] for p in json.loads((out / "lay-lining-problem.json").read_text())["pieces"]} >= {
        "front-lining",
        "front-lining@2",
    }
    order = [step["id"] for step in json.loads((out / "order.json").read_text())["operations"]]
    assert order.index("sew-lining-facing-waist") < order.index("sew-waist")
    assert (
        subprocess.run(
            [sys.executable, OUTSIDE / "check_plan.py", out / "lay-main-problem.json", out / "lay-main-plan.json"],
            check=False,
        ).returncode
        == 0
    )
    document["tactics"] = {"main": ["hope"]}
    path.write_text(json.dumps(document))
    assert main(["plan", str(path), "--out", str(out)]) == 2


def test_a_project_takes_school_blend_and_alterations_and_reports_them(tmp_path):
    alterations = [{"kind": "seam", "by": "-1 cm", "at": "side-seams", "level": "waist"}]
    path, document = _project(tmp_path, school="between", alterations=alterations)
    document["person"]["measurements"]["waist"] = "86.5 cm"
    path.write_text(json.dumps(document))
    assert main(["plan", str(path), "--out", str(tmp_path / "out"), "--sweeps", "2"]) == 0
    fit = json.loads((tmp_path / "out" / "fit.json").read_text())
    assert (fit["school"], fit["size"], fit["blend"]) == ("between", "14", {"waist": "18", "hip": "14"})
    assert [a["kind"] for a in fit["alterations"]] == ["seam", "hem"]
    assert len(fit["schools"]) == 6 and all(p["reason"] for p in fit["schools"])
    assert {"side-front", "front-facing"} <= {t["piece"] for t in fit["touched"]}
    assert all(seam["verdict"] != "does not meet" for seam in fit["seams"])


@pytest.mark.parametrize(
    ("change", "said"),
    [
        (lambda d: d["choices"].update(alterations=[{"kind": "bust", "by": "2 cm"}]), "marks the bust point"),
        (lambda d: d["choices"].update(alterations=[{"kind": "seam", "by": "much"}]), "choices, alterations, 1"),
        (lambda d: d["choices"].update(size="14", blend={"knee": "12"}), "where the knee is"),
        (lambda d: d["cloths"]["main"].update(width="wide"), "cloths, main, width"),
        (lambda d: d["cloths"]["main"].update(width="-4 cm"), "cloths, main, width"),
        (lambda d: d["choices"].update(size="99"), "no size 99"),
        (lambda d: d.update(pattern="gone.json"), "gone.json"),
        (lambda d: d.update(pattern="../skirt.json"), "beside the project"),
        (lambda d: d["person"]["measurements"].update(elbow="3 cm"), "elbow"),
        (lambda d: d["choices"].update(hem_change="-3 m"), "shortened"),
        (lambda d: d.update(cloth_choices={"layers": {"faced": ["waist-edge"]}}), "“waist-edge” faced"),
        (lambda d: d.update(cloth_choices={"layers": {"lining": "whole", "of": "upper"}}), "above the waist seam"),
        (lambda d: d.update(tactics={"main": ["narrow-hem", "smaller-batch"]}), "To save cloth, “"),
        (lambda d: d.update(cloth_choices={"moved": ["sleeve"]}), "“sleeve” from the contrast cloth"),
        (lambda d: d.update(cloth_choices={"matching": [["main", {"kinds": ["seams"]}]]}), "It is not what version"),
    ],
)
def test_a_bad_project_is_refused_and_nothing_is_written(tmp_path, capsys, change, said):
    path, document = _project(tmp_path)
    change(document)
    path.write_text(json.dumps(document))
    assert main(["plan", str(path), "--out", str(tmp_path / "out"), "--sweeps", "1"]) == 2
    assert said in capsys.readouterr().err
    assert not (tmp_path / "out").exists()


def test_a_busy_port_gets_one_plain_line(capsys):
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        port = taken.getsockname()[1]
        assert main(["serve", "--demo", "--port", str(port)]) == 1
    said = capsys.readouterr().err
    assert "busy" in said and said.count("\n") == 1


def test_a_demo_whose_terminal_is_closed_leaves_nothing_lying_about(tmp_path):
    port = free_port()
    command = [sys.executable, "-m", "rowanseed.cli", "serve", "--demo", "--port", str(port)]
    started = {**os.environ, "TMPDIR": str(tmp_path)}
    with subprocess.Popen(command, env=started, stdout=subprocess.PIPE, text=True) as server:
        said = [server.stdout.readline(), server.stdout.readline()]
        assert said[0].startswith("Making the demo household") and "open at" in said[1]
        assert list(tmp_path.glob("rowanseed-demo-*"))
        server.send_signal(signal.SIGHUP)
        server.wait(timeout=30)
    assert not list(tmp_path.glob("rowanseed-demo-*"))
