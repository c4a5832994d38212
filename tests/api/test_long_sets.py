"""A set of more reps than any formula of a max takes is work like other light work."""

from tests.api.helpers import a_set
from tests.api.planned import ago


def test_a_set_of_thirty_reps_leaves_every_screen_standing(coach, lifter):
    """The log takes up to 30 reps; the formulas of a max end at 20."""
    for lift, rpe in (("squat", 8.0), ("deadlift", 9.5), ("squat", None)):
        long = a_set(lift=lift, load_kg=60.0, reps=30, rpe=rpe, performed_at=ago(1))
        assert coach.post(f"/api/lifters/{lifter}/sets", long).status_code == 201
    frame = {"start": "2026-11-30", "weeks": 4, "weekdays": [0, 3]}
    of = f"/api/lifters/{lifter}"
    assert coach.post(f"{of}/plan/preview", frame).status_code == 200
    for path in ("/api/floor", f"/api/platform?lifter_id={lifter}", of, f"{of}/plan",
                 f"{of}/squat/ranking", f"{of}/deadlift/ranking", f"{of}/review",
                 f"{of}/review?lift=deadlift", f"{of}/variations/squat"):  # fmt: skip
        assert coach.get(path).status_code == 200, path
