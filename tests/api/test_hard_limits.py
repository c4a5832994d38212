"""Over HTTP: a screen may be overstepped for a price, and not where it hurts, turns or grows."""

from datetime import UTC, datetime

import pytest

from tests.api.helpers import a_set, add_lifter, seen

SETUP = {"bar_position": "low", "stance_m": 0.44, "toe_out_deg": 20.0}
STIFF_DEG = 122.0


def max_kg(coach, lifter: str) -> float:
    body = {"setup": SETUP, "load_kg": 60.0}
    return coach.post(f"/api/lifters/{lifter}/squat/exact", body).json()["predicted_max_kg"]


def stiff(coach, **changes) -> str:
    """A lifter whose lower back turns early."""
    lifter = add_lifter(coach, **changes)
    path = f"/api/lifters/{lifter}/screens"
    kept = coach.post(path, {"kind": "neutral_depth", "readings": [STIFF_DEG]})
    assert kept.status_code == 200, kept.text
    return lifter


@pytest.fixture(scope="module")
def priced_kg(coach, gym) -> float:
    """What the set-up is worth where the screen only costs."""
    return max_kg(coach, stiff(coach, name="Priced"))


def test_a_screen_overstepped_a_little_costs_and_says_so(coach, priced_kg):
    free = add_lifter(coach, name="Free")
    assert 0 < priced_kg < 0.99 * max_kg(coach, free)
    ranking = coach.get(f"/api/lifters/{stiff(coach, name='Told')}/squat/ranking").json()
    told = [text for leader in ranking["leaders"] for text in leader["oversteps"]]
    assert any("reached with an unchanged lower back" in text for text in told)
    assert all(leader["limited_by"] for leader in ranking["leaders"])


def test_where_the_lower_back_hurts_it_is_kept_to_the_degree(coach, priced_kg):
    lifter = stiff(coach, name="Sore")
    coach.post(f"/api/lifters/{lifter}/flags", {"region": "lower back", "note": "since Monday"})
    assert max_kg(coach, lifter) < 0.97 * priced_kg
    flag = coach.get(f"/api/lifters/{lifter}").json()["flags"][0]
    coach.post(f"/api/flags/{flag['flag_id']}/clearance", {"reason": "seen by a physio"})
    assert max_kg(coach, lifter) == pytest.approx(priced_kg)


def test_a_back_that_was_seen_to_turn_under_keeps_it_too(coach, priced_kg):
    lifter = stiff(coach, name="Seen")
    logged = a_set(load_kg=40.0, faults=[seen("butt-wink", "bottom")])
    assert coach.post(f"/api/lifters/{lifter}/sets", logged).status_code == 201
    ranking = coach.get(f"/api/lifters/{lifter}/squat/ranking").json()
    told = [text for leader in ranking["leaders"] for text in leader["oversteps"]]
    assert not any("unchanged lower back" in text for text in told)


def test_a_lifter_who_is_not_grown_keeps_every_screen(coach, priced_kg):
    this_year = datetime.now(UTC).year
    assert max_kg(coach, stiff(coach, name="Young", born_year=this_year - 16)) < 0.97 * priced_kg
    perhaps = stiff(coach, name="Perhaps", born_year=this_year - 18)
    assert max_kg(coach, perhaps) < 0.97 * priced_kg, "the birthday may be still to come"
    for born in (this_year - 19, this_year - 30):
        grown = stiff(coach, name="Grown", born_year=born)
        assert max_kg(coach, grown) == pytest.approx(priced_kg)
