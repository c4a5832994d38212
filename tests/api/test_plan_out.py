"""The plan leaves the house: calendar, workbook, print, the lifter's link."""

import io
from datetime import date, timedelta

from icalendar import Calendar
from openpyxl import load_workbook
from pypdf import PdfReader
from uuid6 import uuid7

from tests.api.planned import day_now, edit, lines_of, make, overrule


def test_calendar_days_keep_their_uid_through_versions(coach, lifter):
    plan = make(coach, lifter)
    at = f"/api/lifters/{lifter}/plan.ics"

    def events():
        found = Calendar.from_ical(coach.get(at).content)
        return {str(e["uid"]): e for e in found.walk("VEVENT")}

    first = events()
    days = [d for w in plan["plan"]["weeks"] for d in w["days"]]
    assert len(first) == len(days)
    assert {e["dtstart"].dt for e in first.values()} == {date.fromisoformat(d["on"]) for d in days}
    line = next(x for x in lines_of(plan) if x["load_kg"])
    overrule(coach, lifter, line, load_kg=47.5)
    second = events()
    assert second.keys() == first.keys()
    assert {int(e["sequence"]) for e in second.values()} == {1}
    assert any("47.5 kg" in str(e["description"]) for e in second.values())
    assert all("licensed clinician" in str(e["description"]) for e in second.values())


def test_a_day_of_ones_own_leaves_the_calendar_when_it_is_undone(coach, lifter):
    plan = make(coach, lifter)
    taken = {d["on"] for w in plan["plan"]["weeks"] for d in w["days"]}
    free = next(day for n in range(7) if (day := str(day_now() + timedelta(days=n))) not in taken)
    added = edit(
        coach, lifter, kind="add", line_id="own-1", day_id=f"on-{free}", lift="other",
        name="Bench press", sets=3, reps=5,
    )  # fmt: skip
    assert added.status_code == 200

    def own_event():
        found = Calendar.from_ical(coach.get(f"/api/lifters/{lifter}/plan.ics").content)
        return next(e for e in found.walk("VEVENT") if str(e["uid"]).startswith(f"on-{free}"))

    assert "Bench press: 3 × 5" in str(own_event()["description"])
    edit(coach, lifter, kind="undo", undoes=added.json()["edit_id"])
    assert str(own_event()["status"]) == "CANCELLED"


def test_the_workbook_says_what_the_plan_says(coach, lifter):
    plan = make(coach, lifter)
    book = load_workbook(io.BytesIO(coach.get(f"/api/lifters/{lifter}/plan.xlsx").content))
    head, *rows = book["Plan"].iter_rows(values_only=True)
    assert len(rows) == len(lines_of(plan))
    at = {name: i for i, name in enumerate(head)}
    for row, line in zip(rows, lines_of(plan), strict=True):
        assert row[at["load_kg"]] == line["load_kg"]
        assert row[at["sets"]] == line["sets"]
        assert row[at["reasons"]]
    text = coach.get(f"/api/lifters/{lifter}/plan.csv").content.decode()
    assert len(text.strip().split("\r\n")) == len(rows) + 1


def test_the_print_is_a_pdf_with_every_day_and_the_caution(coach, lifter):
    plan = make(coach, lifter)
    reader = PdfReader(io.BytesIO(coach.get(f"/api/lifters/{lifter}/plan.pdf").content))
    text = "\n".join(page.extract_text() for page in reader.pages)
    assert "Ida Łęcka" in text
    assert "licensed clinician" in text.replace("\n", " ")
    for week in plan["plan"]["weeks"]:
        for day in week["days"]:
            on = date.fromisoformat(day["on"])
            assert f"{on:%A %d %B %Y}" in text


def test_no_plan_no_file(coach, lifter):
    for kind in ("ics", "csv", "xlsx", "pdf"):
        answer = coach.get(f"/api/lifters/{lifter}/plan.{kind}")
        assert answer.status_code == 404
        assert "make one first" in answer.text


def test_a_link_shows_card_and_day_to_its_holder_until_it_is_closed(coach, nobody, lifter):
    make(coach, lifter)
    at = f"/api/lifters/{lifter}/links"
    made = coach.post(at, {"link_id": str(uuid7()), "days": 7}).json()
    assert made["qr_svg"].startswith("<svg")
    token = made["path"].removeprefix("/s/")
    shown = nobody.get(f"/api/shared/{token}").json()
    assert shown["card"]["name"] == "Ida Łęcka"
    assert shown["day"]["lines"]
    other = token[:-1] + ("x" if token[-1] != "x" else "y")
    assert nobody.get(f"/api/shared/{other}").status_code == 404
    assert nobody.get(f"/api/lifters/{lifter}").status_code == 401, "nothing else opens"
    assert token not in str(coach.get(at).json()), "the token is not kept"
    coach.post(f"{at}/{made['link_id']}/closing")
    assert coach.get(at).json()[0]["state"] == "closed"
    gone = nobody.get(f"/api/shared/{token}")
    assert gone.status_code == 404
    assert "ask your coach" in gone.text
    assert coach.post(at, {"link_id": str(uuid7()), "days": 400}).status_code == 422


def test_a_strangers_link_cannot_be_closed(coach, stranger, lifter):
    made = coach.post(f"/api/lifters/{lifter}/links", {"link_id": str(uuid7())}).json()
    answer = stranger.post(f"/api/lifters/{lifter}/links/{made['link_id']}/closing")
    assert answer.status_code == 404
    assert coach.get(f"/api/lifters/{lifter}/links").json()[0]["state"] == "open"


def test_the_picture_of_a_season_has_what_was_done_before_it(coach, lifter):
    make(coach, lifter)
    told = coach.get(f"/api/lifters/{lifter}/plan").json()
    squat = next(x for x in told["so_far"] if x["lift"] == "squat")
    heaviest = max(
        s["load_kg"]
        for s in coach.get(f"/api/lifters/{lifter}/sets").json()
        if s["lift"] == "squat" and s["variation"] == "competition"
    )
    assert max(x["load_kg"] for x in squat["done"]) == heaviest
    now = squat["max_on"][-1]
    assert now["on"] == day_now().isoformat()
    assert now["low_kg"] < now["kg"] < now["high_kg"]
