"""What tests of a plan ask for over HTTP."""

from datetime import UTC, date, datetime, timedelta

from uuid6 import uuid7

DISCS = [{"kg": kg, "pairs": 4} for kg in (25, 20, 15, 10, 5, 2.5, 1.25)]


def day_now() -> date:
    """Today, as the server has it: a run of all tests may pass midnight."""
    return datetime.now(UTC).date()


def ago(days: int) -> str:
    return f"{day_now() - timedelta(days=days)}T17:00:00Z"


def frame(**changes):
    start = day_now()
    days = [(start.weekday() + later) % 7 for later in (0, 2, 4)]
    return {"start": str(start), "weeks": 6, "weekdays": sorted(days)} | changes


def make(coach, lifter, **changes):
    kept = coach.post(f"/api/lifters/{lifter}/plan", frame(**changes) | {"plan_id": str(uuid7())})
    assert kept.status_code == 200, kept.text
    return coach.get(f"/api/lifters/{lifter}/plan").json()


def lines_of(plan):
    return [x for w in plan["plan"]["weeks"] for d in w["days"] for x in d["lines"]]


def edit(coach, lifter, **what):
    body = {"edit_id": str(uuid7())} | what
    return coach.post(f"/api/lifters/{lifter}/plan/edits", body)


def overrule(coach, lifter, line, **word):
    """A word on a line of a plan, with a reason unless another is given."""
    of_line = {"kind": "line", "line_id": line["line_id"], "name": line["variation"]}
    return edit(coach, lifter, **of_line, **({"reason": "seen on film, it holds"} | word))
