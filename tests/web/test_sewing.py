"""The Sew station's pages: what is done to the order, the machine's ticks, sittings, the try-on carried out."""

import re
from datetime import datetime, timedelta

import vobject

from rowanseed.web.gloss import gloss

SKIRT, WAISTCOAT = 1, 4
"""The demo's projects: a skirt that is half sewn, a waistcoat that is being laid."""


def post(house, path, **fields):
    return house.post(path, data=fields)


def offered(house, project=SKIRT):
    """The title and id of what is offered next."""
    text = house.get(f"/projects/{project}/sew").text
    return re.search(r'name="key" value="([^"]+)"', text.split('class="doing"')[1]).group(1)


def test_what_is_put_off_is_not_offered_until_it_is_taken_up_again(house):
    first = offered(house)
    post(house, "/projects/1/sew/put-off", key=first)
    assert offered(house) != first
    page = house.get(f"/projects/1/sew?step={first}").text
    assert "<b>put off</b>" in page
    post(house, "/projects/1/sew/take-up", key=first)
    assert offered(house) == first


def test_ticking_out_of_order_asks_and_ticks_what_comes_first_with_it(house):
    answer = post(house, "/projects/1/sew", key="sew-waist", done="yes")
    assert "steps come first" in answer.text and "They are done too" in answer.text
    assert "9 of 45 steps done" in answer.text, "nothing is ticked before it is answered"
    answer = post(house, "/projects/1/sew", key="sew-waist", done="yes", also="yes")
    assert "steps come first" not in answer.text
    done = int(re.search(r"(\d+) of 45 steps done", answer.text).group(1))
    assert done > 25
    asked = post(house, "/projects/1/sew", key="staystitch-waist", done="no")
    assert "Something rests on it" in asked.text and "Sew facing to waist" in asked.text


def test_a_step_that_others_need_is_not_left_out_but_may_be_done_another_way(house):
    refused = post(house, "/projects/1/sew/leave-out", key="sew-back-seams", why="no time")
    assert refused.status_code == 422 and "cannot be done without it" in refused.text
    assert 'value="no time"' in refused.text, "what was written is not lost"
    nothing = post(house, "/projects/1/sew/leave-out", key="uncurl-zip", why=" ")
    assert nothing.status_code == 422 and "Write why" in nothing.text
    post(house, "/projects/1/sew/leave-out", key="sew-back-seams", why="glued", other="yes")
    page = house.get("/projects/1/sew?step=sew-back-seams").text
    assert "Done another way: glued" in page and "<b>done</b>" in page


def test_a_step_that_was_done_in_another_window_is_shown_as_done_and_nothing_else_happens_to_it(house):
    for what, more in (("leave-out", {"why": "no time"}), ("leave-out", {"why": ""}), ("put-off", {})):
        page = post(house, f"/projects/1/sew/{what}", key="sample-neaten", **more)
        assert page.status_code == 200 and "<b>done</b>" in page.text
        assert "<b>put off</b>" not in page.text and "no time" not in page.text


def test_a_step_of_ones_own_is_added_moved_and_removed(house):
    bad = post(house, "/projects/1/sew/own", title="", bench="hand", minutes="soon", before="sew-waist", at="sew-waist")
    assert bad.status_code == 422 and "A number is wanted" in bad.text
    assert "Something has to be written here" in bad.text
    page = post(
        house, "/projects/1/sew/own", title="Sew in the label", bench="hand", minutes="5 min", before="sew-waist"
    ).text
    assert "Sew in the label" in page and "of 46" in page
    own = re.search(r'value="(own-\d+)"', page).group(1)
    refused = post(house, "/projects/1/sew/move", key="sew-waist", before="sew-back-seams")
    assert refused.status_code == 422 and "has to be done before it" in refused.text
    post(house, "/projects/1/sew/move", key=own, before="last-press")
    post(house, "/projects/1/sew/own/remove", key=own)
    assert "Sew in the label" not in house.get("/projects/1/sew").text


def test_a_note_and_the_clock_stay_with_their_step(house):
    post(house, "/projects/1/sew/note", key="sew-back-seams", text="<b>puckered</b>")
    page = house.get("/projects/1/sew?step=sew-back-seams").text
    assert "&lt;b&gt;puckered" in page
    empty = post(house, "/projects/1/sew/note", key="sew-back-seams", text="")
    assert empty.status_code == 422 and "Write something, or choose a photo" in empty.text
    step = offered(house)
    assert "Stop the clock" in post(house, "/projects/1/sew/clock", key=step, do="start").text
    assert "Stop the clock" not in post(house, "/projects/1/sew/clock", key=step, do="stop").text


def test_what_a_new_choice_changes_is_said_step_by_step_and_ticks_stay(house):
    before = house.get("/projects/1/sew").text
    post(house, "/projects/1/sew", key="neaten-centre-back", done="yes")
    post(house, "/projects/1/sew/ways", part="hem", technique="narrow-hem")
    page = house.get("/projects/1/sew").text
    assert "The order has changed" in page and "Sew the narrow hem" in page
    assert re.search(r"10 of \d+ steps done", page) and "9 of 45" in before
    assert "The order has changed" not in post(house, "/projects/1/sew/looked").text


def test_a_choice_says_its_price_and_why_the_others_do_not_suit(house):
    page = house.get("/projects/2/sew/ways").text
    part, technique = re.search(r"\?part=([a-z-]+)&amp;technique=(french)", page).groups()
    tried = house.get(f"/projects/2/sew/ways?part={part}&technique={technique}").text
    assert "comes:" in tried and re.search(r"About (\d+ min (more|less)|as long)", tried)
    assert "Cut otherwise, and laid otherwise" in tried or "The pieces stay as they are" in tried
    assert "Why not the others" in tried
    taken = post(house, "/projects/2/sew/ways", part=part, technique=technique).text
    assert "your choice, not the usual" in taken


# ---------------------------------------------------------------- the machine


def test_ticks_made_without_a_network_are_taken_in_their_order_and_conflicts_are_told(house):
    at = datetime(2026, 11, 26, 19, 0)
    first, second = "neaten-centre-back", "neaten-front-seams"
    ticks = [
        {"step": s, "done": True, "at": (at + timedelta(minutes=k)).isoformat()} for k, s in enumerate((first, second))
    ]
    sent = [
        *ticks,
        {"step": "sew-waist", "done": True, "at": at.isoformat()},
        {"step": "gone", "done": True, "at": at.isoformat()},
    ]
    answer = house.post("/projects/1/machine/ticks", json={"ticks": sent}).json()
    assert {first, second} <= set(answer["done"])
    told = {one["step"]: one["said"] for one in answer["refused"]}
    assert "comes first and is not ticked" in told["sew-waist"] and "no longer in the order" in told["gone"]
    again = house.post("/projects/1/machine/ticks", json={"ticks": ticks}).json()
    assert again["refused"] == [] and again["done"] == answer["done"], "the same ticks sent twice are taken once"


def test_the_machines_page_carries_the_whole_order_with_what_changes(house):
    page = house.get("/projects/1/machine").text
    assert page.count('"how": [') == 45 and "</script><" not in page.split('id="order">')[1].split("</script>")[0]
    assert house.get("/projects/1/machine/sew-waist/section.svg").headers["content-type"].startswith("image/svg+xml")
    assert house.get("/projects/1/machine/sample-stitch/laid.svg").status_code == 204
    assert house.get("/projects/1/machine/nothing/laid.svg").status_code == 404
    worker = house.get("/machine-worker.js")
    assert worker.headers["content-type"].startswith("text/javascript")


def test_what_the_machine_sends_is_checked(house):
    assert house.post("/projects/1/machine/ticks", json={"ticks": [{"step": 3}]}).status_code == 422
    assert house.post("/projects/1/machine/ticks", json={"ticks": [{}] * 501}).status_code == 422


# ---------------------------------------------------------------- time


def test_sittings_are_a_calendar_that_another_library_reads(house):
    """RFC 5545, read back by vobject: every step left stands in one event, on the days that were free."""
    query = "length=50&first=2026-12-01&at=19:30&days=tue&days=thu"
    page = house.get(f"/projects/1/sew/time?{query}").text
    calendar = vobject.readOne(house.get(f"/projects/1/sew/sittings.ics?{query}").text)
    events = calendar.vevent_list
    assert len(events) == page.count("<li><p><b>")
    starts = [event.dtstart.value for event in events]
    assert starts[0] == datetime(2026, 12, 1, 19, 30) and all(day.weekday() in (1, 3) for day in starts)
    assert len({event.uid.value for event in events}) == len(events)
    for event in events:
        assert event.dtend.value - event.dtstart.value <= timedelta(minutes=51)
    steps = [line for event in events for line in event.description.value.split("\n")]
    assert len(steps) == 36 and steps[-1] == "The last press"


def test_a_time_that_cannot_be_taken_is_told_at_the_field(house):
    page = house.get("/projects/1/sew/time?have=soon&length=2000").text
    assert page.count("Whole minutes, 5 to 600") == 2 and 'value="soon"' in page


def test_what_fits_into_the_minutes_there_are_is_offered_and_fits(house):
    page = house.get("/projects/1/sew/time?have=20&place=machine").text
    run = page.split('id="run"')[1].split("</ol>")[0]
    assert sum(int(n) for n in re.findall(r"<small>(\d+) min", run)) <= 20
    assert "iron" not in run
    assert "Nothing whose turn it is fits" in house.get("/projects/1/sew/time?have=5&place=hand").text


# ---------------------------------------------------------------- try-on and samples


def test_a_try_on_of_what_is_cut_and_sewn_becomes_steps_and_a_lesson(house):
    post(house, "/projects/1/sew", key="sew-back-seams", done="yes", also="yes")
    what = re.search(r'<option value="(seam[^"]*back-seams[^"]*)"', house.get("/projects/1/sew?step=try-on-shell").text)
    bad = post(house, "/projects/1/sew/fitted", key="try-on-shell", what=what.group(1), way="less", by="much")
    assert bad.status_code == 422 and 'id="said-fit-by"' in bad.text
    page = post(
        house, "/projects/1/sew/fitted", key="try-on-shell", what=what.group(1), way="less", by="2 cm", said="too wide"
    ).text
    assert "Kept." in page
    order = house.get("/projects/1/sew").text
    assert "Mark it anew: side back seams" in order and "Sew and press again: side back seams" in order
    assert "too wide" in house.get("/projects/1/keep").text
    assert "cut before a change" not in order.lower(), "what is cut is altered in sewing, not cut again"


def test_a_seam_that_is_cut_is_let_out_no_further_than_its_allowance(house):
    what = re.search(r'<option value="(seam[^"]*side-seams[^"]*)"', house.get("/projects/1/sew?step=try-on-shell").text)
    page = post(house, "/projects/1/sew/fitted", key="try-on-shell", what=what.group(1), way="more", by="12 cm")
    assert page.status_code == 422 and "its allowance gives" in page.text


def test_a_try_on_before_anything_is_cut_alters_the_garment(house):
    page = house.get("/projects/2/sew").text
    gate = re.search(r"step=(try-on-[a-z]+)", page).group(1)
    shown = house.get(f"/projects/2/sew?step={gate}").text
    what = re.search(r'<option value="(seam[^"]+)"', shown).group(1)
    post(house, "/projects/2/sew/fitted", key=gate, what=what, way="less", by="1 cm", said="")
    assert "taken in" in house.get("/projects/2/fit/alter").text


def test_a_kept_sample_fills_the_set_up_of_its_steps(house):
    bare = post(house, "/projects/1/sew/samples", sample="stitch", tension="4.5", result="")
    assert bare.status_code == 422 and "Write how it came out" in bare.text and 'value="4.5"' in bare.text
    post(house, "/projects/1/sew/samples", sample="stitch", stitch="straight", tension="4.5", result="flat and even")
    page = house.get("/projects/1/sew?step=sew-back-seams").text
    assert "Your sample of" in page and "tension <b>4.5</b>" in page
    assert "flat and even" in house.get("/projects/1/sew/samples").text
    assert '"tension": "4.5"' in house.get("/projects/1/machine").text


def test_a_sample_tells_a_step_no_more_than_was_tried(house):
    """A seam's sample says nothing of a zigzag but needle and thread, nor how long another straight stitch is."""
    post(
        house,
        "/projects/1/sew/samples",
        sample="stitch",
        stitch="straight",
        length="2.2",
        tension="4.5",
        needle="sharp 70/10",
        result="flat and even",
    )

    def told(step):
        page = house.get(f"/projects/1/sew?step={step}").text
        found = re.search(r"Your sample of.*?</p>", page, re.S)
        return re.sub(r"<[^>]+>", "", found.group()) if found else ""

    whole, other, longer = (told(step) for step in ("sew-back-seams", "neaten-centre-back", "baste-sides"))
    assert "2.2" in whole and "4.5" in whole and "flat and even" in whole
    assert "sharp 70/10" in other and not any(figure in other for figure in ("2.2", "4.5", "straight", "flat"))
    assert "4.5" in longer and "straight" in longer and "2.2" not in longer and "flat" not in longer


# ---------------------------------------------------------------- together, cut


def test_the_buttons_are_counted_before_the_first_hole_is_cut(house):
    page = house.get(f"/projects/{WAISTCOAT}/sew?step=buttonholes-buttons").text
    assert "Count the buttons before you cut a hole" in page


def test_two_garments_share_their_set_ups(house):
    page = house.get("/sewing?with=1&with=2").text
    trips, apart = map(int, re.search(r"you get up (\d+) times; one after the other it would be (\d+)", page).groups())
    assert trips < apart
    key = re.search(r'name="project" value="1"><input type="hidden" name="key" value="([^"]+)"', page).group(1)
    after = post(house, "/sewing", project="1", key=key, all="1,2").text
    mine = f'name="project" value="1"><input type="hidden" name="key" value="{key}"'
    assert mine in page and mine not in after


def test_marks_are_those_that_some_step_uses(house):
    page = house.get("/projects/1/cut").text
    assert "Mind at the table" in page and "left and right" in page


def test_a_stop_after_a_word_of_the_trade_stays_on_its_line():
    (line,) = gloss(["Begin with a backstitch. Then the vent, as before; the vent again."]).lines
    assert str(line).count("<button") == 2 and "backstitch</button>.</span>" in line
    assert re.sub(r"<[^>]+>", "", str(line)) == "Begin with a backstitch. Then the vent, as before; the vent again."
