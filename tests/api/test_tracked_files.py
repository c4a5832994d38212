"""Markers that another program tracked, as clips: CSV, TRC and C3D over HTTP."""

from uuid import UUID

import psycopg
import pytest
from uuid6 import uuid7

from pavrik.demo.made_up import made_up, shot
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.shoot import Stand
from pavrik.formats.motion_files import Motion, to_c3d, to_csv, to_trc
from pavrik.services.context import Who
from pavrik.services.watch.lifting import lifting_of
from pavrik.services.watch.simulated import film_set
from tests.api.helpers import a_set, add_lifter
from tests.api.planned import ago, day_now
from tests.api.test_film import at


@pytest.fixture(scope="module")
def filmed(coach):
    return add_lifter(coach, name="File Probe", training_age="trained", mass_kg=70.0)


def send(coach, lifter, data, **changes):
    """Send a tracked file; its clip and the answer."""
    about = {
        "clip_id": str(uuid7()), "lift": "squat", "load_kg": 90.0, "filmed_on": str(day_now()),
    } | changes  # fmt: skip
    headers = {
        "X-CSRF-Token": coach.csrf, "Idempotency-Key": str(uuid7()),
        "Content-Type": "application/octet-stream",
    }  # fmt: skip
    answer = coach.client.post(
        at(lifter, "clips/file"), content=data, headers=headers, params=about
    )
    return about["clip_id"], answer


def send_pull(coach, lifter, data, style):
    return send(coach, lifter, data, lift="deadlift", load_kg=120.0, style=style)


class TestTrackedFiles:
    def motion(self, faults=None):
        made = shot(made_up("squat"), faults, Stand(rate_hz=60.0)).motion
        return Motion(made.times_s, dict(made.points))

    @pytest.mark.parametrize("kind", ["csv", "trc", "c3d"])
    def test_every_form_goes_the_way_of_a_film(self, coach, kind):
        lifter = add_lifter(coach, name=f"Tracked {kind}", sex="male", mass_kg=83, stature_m=1.75)
        write = {"csv": to_csv, "trc": to_trc, "c3d": to_c3d}[kind]
        clip, answer = send(coach, lifter, write(self.motion({"hips-rise": 0.05})))
        assert answer.status_code == 201, answer.text
        told = coach.get(at(lifter, "clips", clip)).json()
        assert (told["way"], len(told["reps"])) == ("file", 2)
        hips = next(f for f in told["findings"] if f["detector"] == "hips-rise")
        assert hips["state"] == "fails"
        assert hips["value"] == pytest.approx(0.05, abs=0.008)
        heels = next(f for f in told["findings"] if f["detector"] == "heels-up")
        assert heels["state"] == "cannot tell"
        assert told["speed"]["points"][0][0] == 90.0

    def test_a_set_of_one_rep_is_not_the_one_with_two_on_film(self, coach):
        lifter = add_lifter(coach, name="One Rep", sex="male", mass_kg=83, stature_m=1.75)
        clip, _ = send(coach, lifter, to_csv(self.motion()))
        logged = a_set(load_kg=90.0, reps=1, performed_at=ago(0))
        assert coach.post(at(lifter, "sets"), logged).status_code == 201
        body = {"set_id": str(uuid7()), "replaces": logged["set_id"]}
        refused = coach.post(at(lifter, "clips", clip, "log"), body)
        assert (refused.status_code, "shows 2 reps" in refused.json()["detail"]) == (422, True)

    def test_a_fault_shown_in_every_light_set_does_not_become_usual(self, coach):
        """The closed loop of thresholds: what fails does not move them, what holds may."""

        lifter = add_lifter(coach, name="Always So", sex="male", mass_kg=83, stature_m=1.75)
        data = to_csv(self.motion({"hips-rise": 0.05}))
        states = []
        for _ in range(6):
            clip, answer = send(coach, lifter, data, load_kg=60.0)
            assert answer.status_code == 201, answer.text
            told = coach.get(at(lifter, "clips", clip)).json()
            hips = next(f for f in told["findings"] if f["detector"] == "hips-rise")
            states.append((hips["state"], hips["told_from"]))
        assert set(states) == {("fails", 0.03)}

    def test_a_clip_is_compared_with_the_set_up_of_its_day(self, coach):
        lifter = add_lifter(coach, name="Of Its Day", sex="male", mass_kg=83, stature_m=1.75)
        data, path = to_csv(self.motion()), at(lifter, "squat/settled")

        def words(day):
            clip, answer = send(coach, lifter, data, filmed_on=day)
            assert answer.status_code == 201, answer.text
            return coach.get(at(lifter, "clips", clip)).json()["setup_words"]

        usual = words(str(day_now()))
        setup = {"bar_position": "high", "stance_m": 0.44, "toe_out_deg": 20}
        settled = coach.post(path, {"setup_id": str(uuid7()), "setup": setup})
        assert settled.status_code == 201, settled.text
        assert usual.startswith("low bar")
        assert words(str(day_now())).startswith("high bar, 44 cm")
        assert words("2026-01-05").startswith("high bar"), "the first that was settled after"

    def test_markers_of_other_names_are_mapped_and_missing_ones_asked_for(self, coach, filmed):
        motion = self.motion()
        names = {"bar": "BAR_L", "knee": "LKNE", "hip": "LTRO", "ankle": "LANK"}
        other = to_csv(Motion(motion.times_s, {names[n]: motion.markers[n] for n in names}))
        _, lacking = send(coach, filmed, other)
        assert "say which marker is the bar" in lacking.json()["detail"]
        assert "LTRO" in lacking.json()["detail"]
        _, wrong = send(coach, filmed, other, **names | {"hip": "RTRO"})
        assert "no marker “RTRO”" in wrong.json()["detail"]
        _, right = send(coach, filmed, other, **names)
        assert right.status_code == 201, right.text

    def test_what_is_no_tracked_file_is_told(self, coach, filmed):
        for data, says in (
            (b"\xff\xfe\xfa", "neither C3D nor text"),
            (b"a,b\n1,2\n", "must be called time_s"),
            (b"\x02\x50" + b"\0" * 700, "C3D"),
            (b"time_s,bar_x_m,bar_y_m,bar_z_m\n0,1,1,1\n", "frames"),
        ):
            _, answer = send(coach, filmed, data)
            assert answer.status_code == 422, answer.text
            assert says in answer.json()["detail"]


@pytest.fixture(scope="module")
def puller(coach):
    return add_lifter(coach, name="Two Styles", sex="male", mass_kg=83, stature_m=1.78)


@pytest.fixture(scope="module")
def sumo(coach, owner_url, puller):
    """An honest sumo pull of this lifter, tracked."""
    with psycopg.connect(owner_url) as connection:
        found = connection.execute("select club_id from club where name = 'First'").fetchone()
    who = Who(found[0], uuid7(), "owner")
    database = coach.client.app.state.database
    lifting = lifting_of(database, who, UUID(puller), "deadlift", 120.0, "sumo")
    motion = film_set(lifting, {}, Stand(rate_hz=60.0), Pace(up_s=1.8), 2).motion
    return to_csv(Motion(motion.times_s, dict(motion.points)))


def test_a_pull_in_another_style_is_judged_by_the_way_of_that_style(coach, puller, sumo):
    own, answer = send_pull(coach, puller, sumo, "sumo")
    assert answer.status_code == 201, answer.text
    other, _ = send_pull(coach, puller, sumo, "conventional")
    told, mistaken = (coach.get(at(puller, "clips", clip)).json() for clip in (own, other))
    assert (told["style"], mistaken["style"]) == ("sumo", "conventional")
    assert told["verdict"]["overall"] == "clean"
    starts = [one["phases"][0]["instant"] for one in (told, mistaken)]
    off = [abs(start["lean_deg"] - start["expected_lean_deg"]) for start in starts]
    assert off[0] < 3 < off[1]


def test_the_list_names_the_style_and_the_back_at_the_start(coach, puller, sumo):
    clip, _ = send_pull(coach, puller, sumo, "sumo")
    line = next(c for c in coach.get(at(puller, "clips")).json()["clips"] if c["clip_id"] == clip)
    start = coach.get(at(puller, "clips", clip)).json()["phases"][0]["instant"]
    assert line["style"] == "sumo"
    assert line["back_deg"] == pytest.approx(90 - start["lean_deg"])


def test_a_style_that_there_is_not_is_told(coach, puller, sumo):
    _, answer = send_pull(coach, puller, sumo, "squat-style")
    assert answer.status_code == 422
    assert "has no style “squat-style”: it has conventional" in answer.json()["detail"]
