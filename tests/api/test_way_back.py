"""Back from pain over HTTP: what a cleared flag still holds back."""

import psycopg

from tests.api.planned import frame, lines_of


def test_back_from_pain_the_loads_come_back_by_the_week(coach, lifter, owner_url):
    """A flag that stood three weeks and is cleared today; a mistaken one leaves no trace."""

    def flag(region):
        coach.post(f"/api/lifters/{lifter}/flags", {"region": region})
        return coach.get(f"/api/lifters/{lifter}").json()["flags"][0]["flag_id"]

    def clear(flag_id):
        said = coach.post(f"/api/flags/{flag_id}/clearance", {"reason": "well again"})
        assert said.status_code == 200, said.text

    def next_single():
        asked = {"lift": "squat", "sets": 1, "reps": 1, "rpe": 9}
        return coach.post(f"/api/lifters/{lifter}/next-load", asked).json()

    before = next_single()
    clear(flag("hip"))
    assert next_single()["load_kg"] == before["load_kg"]
    long = flag("knee")
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "update pain_flag set raised_at = raised_at - interval '21 days' where flag_id = %s",
            (long,),
        )
    clear(long)
    held = next_single()
    assert held["load_kg"] <= 0.8 * held["estimated_max_kg"]
    assert any("the knee was cleared on" in reason["text"] for reason in held["reasons"])
    shown = coach.post(f"/api/lifters/{lifter}/plan/preview", frame()).json()
    reasons = [r["text"] for x in lines_of(shown) for r in x["reasons"]]
    assert any("up to 80% of the estimated max this week" in text for text in reasons)
