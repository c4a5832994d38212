"""Another club and nobody get nothing: every table, every route."""

import psycopg
import pytest
from uuid6 import uuid7

from pavrik.core.prescription.shape import shape_of
from pavrik.formats.wire.shapes import body_of, text_of
from tests.api.helpers import PROFILE, a_set, add_lifter

NOT_A_CLUBS = {"migration", "sign_in_attempt", "club_link", "lift", "installation"}


@pytest.fixture(scope="module")
def theirs(coach):
    """Something of the first club in as many tables as the routes fill."""
    lifter = add_lifter(coach)
    at = f"/api/lifters/{lifter}"
    logged = a_set()
    coach.post(f"{at}/sets", logged)
    coach.post(f"{at}/measurements", {"landmark": "foot_length", "readings_m": [0.25]})
    coach.post(f"{at}/screens", {"kind": "ankle", "readings": [33]})
    coach.post(f"{at}/flags", {"region": "hip"})
    coach.post(f"{at}/schools", {"question": "squat_width", "position": "wide"})
    job = coach.get(f"{at}/squat/ranking").json()["job"]["job_id"]
    bar, rack = (str(uuid7()) for _ in range(2))
    coach.send(
        "PUT",
        "/api/equipment/bars",
        {"bar_id": bar, "name": "Theirs", "mass_kg": 20, "shaft_mm": 28},
    )
    coach.send(
        "PUT", "/api/equipment/racks", BODIES["PUT", "/api/equipment/racks"]() | {"rack_id": rack}
    )
    coach.send("PUT", "/api/equipment/plates", {"plates": [{"kg": 20, "pairs": 2}]})
    coach.post(f"{at}/plan", FRAME | {"plan_id": str(uuid7())})
    coach.post(
        f"{at}/plan/lines/w01d1-squat-0",
        {"plan_id": str(uuid7()), "dropped": True, "reason": "not today"},
    )
    coach.post(f"{at}/variation-words/front squat", {"word": "use", "reason": "try it"})
    coach.send("PUT", "/api/equipment/kit", {"items": ["box"]})
    trial = BODIES["POST", "/api/lifters/{lifter_id}/squat/trials"]()
    coach.post(f"{at}/squat/trials", trial)
    coach.post(f"{at}/known-lifts", BODIES["POST", "/api/lifters/{lifter_id}/known-lifts"]())
    made = coach.post(f"{at}/links", {"link_id": str(uuid7())}).json()
    link, way = made["link_id"], made["path"].removeprefix("/s/")
    sent = BODIES["POST", "/api/shared/{token}/sets"]()
    assert coach.post(f"/api/shared/{way}/sets", sent).status_code == 201
    declined = BODIES["POST", "/api/lifters/{lifter_id}/sent/{item_id}/words"]()
    assert coach.post(f"{at}/sent/{sent['item_id']}/words", declined).status_code == 201
    flag = coach.get(at).json()["flags"][0]["flag_id"]
    invitation = BODIES["POST", "/api/people/invitations"]()
    coach.post("/api/people/invitations", invitation)
    me = next(p for p in coach.get("/api/people").json()["people"] if p["you"])
    clip = BODIES["POST", "/api/lifters/{lifter_id}/clips/points"]()
    assert coach.post(f"{at}/clips/points", clip).status_code == 201
    word = BODIES["POST", "/api/lifters/{lifter_id}/clips/{clip_id}/words"]()
    assert coach.post(f"{at}/clips/{clip['clip_id']}/words", word).status_code == 201
    return {
        "clip_id": clip["clip_id"],
        "item_id": sent["item_id"],
        "coach_id": me["coach_id"],
        "session_id": "0123456789abcdef",
        "film_id": str(uuid7()),
        "kind": "csv",
        "lifter_id": lifter,
        "set_id": logged["set_id"],
        "flag_id": flag,
        "job_id": job,
        "bar_id": bar,
        "rack_id": rack,
        "link_id": link,
        "trial_id": trial["trial_id"],
    }


PULL = {"style": "conventional", "stance_m": 0.3, "toe_out_deg": 12, "grip_m": 0.54}
FRAME = {"start": "2026-11-30", "weeks": 4, "weekdays": [0, 2, 4]}
SETUP = {"bar_position": "high", "stance_m": 0.4, "toe_out_deg": 20}
CLIP = {"lift": "squat", "load_kg": 60, "filmed_on": "2026-11-20"}
TAPS = {"plate": [640, 250], "plate_radius": 60, "knee": [655, 420], "hip": [630, 300],
        "ankle": [625, 520]}  # fmt: skip
HEAD_ON = {"plate_left": {"top": [300, 100], "bottom": [300, 190]},
           "plate_right": {"top": [900, 100], "bottom": [900, 190]},
           "ankle_left": [560, 500], "ankle_right": [660, 500],
           "knee_left": [555, 380], "knee_right": [665, 380]}  # fmt: skip
BODIES = {
    ("POST", "/api/shared/{token}/sets"): lambda: {
        "item_id": str(uuid7()), "lift": "squat", "load_kg": 60, "reps": 3,
        "performed_at": "2026-11-20T17:00:00Z"},
    ("POST", "/api/lifters/{lifter_id}/sent/{item_id}/words"): lambda: {
        "word_id": str(uuid7()), "word": "declined"},
    ("POST", "/api/lifters/{lifter_id}/ready-made-films"): lambda: {
        "film_id": str(uuid7()), "name": "pull-honest"},
    ("POST", "/api/lifters/{lifter_id}/simulated-films/head-on-taps"): lambda: {
        "film_id": str(uuid7()), "lift": "squat", "load_kg": 60, "view": "front"},
    ("POST", "/api/lifters/{lifter_id}/clips/head-on"): lambda: CLIP | {
        "clip_id": str(uuid7()), "film_id": str(uuid7()), "tapped_s": 0.0, "view": "front",
        "taps": HEAD_ON},
    ("POST", "/api/lifters"): lambda: {"lifter_id": str(uuid7()), "profile": PROFILE},
    ("POST", "/api/lifters/{lifter_id}/profile"): lambda: PROFILE,
    ("POST", "/api/lifters/{lifter_id}/erasure"): lambda: {"name": "Nobody At All"},
    ("POST", "/api/lifters/{lifter_id}/measurements"): lambda: {
        "landmark": "foot_length", "readings_m": [0.25]},
    ("POST", "/api/lifters/{lifter_id}/screens"): lambda: {"kind": "ankle", "readings": [30]},
    ("POST", "/api/lifters/{lifter_id}/flags"): lambda: {"region": "knee"},
    ("POST", "/api/lifters/{lifter_id}/schools"): lambda: {
        "question": "squat_width", "position": "wide"},
    ("POST", "/api/schools"): lambda: {"question": "squat_width", "position": "wide"},
    ("POST", "/api/flags/{flag_id}/clearance"): lambda: {"reason": "fine again"},
    ("POST", "/api/lifters/{lifter_id}/squat/exact"): lambda: {"setup": SETUP, "load_kg": 50},
    ("POST", "/api/lifters/{lifter_id}/squat/furniture"): lambda: {"setup": SETUP, "load_kg": 50},
    ("POST", "/api/lifters/{lifter_id}/squat/settled"): lambda: {
        "setup_id": str(uuid7()), "setup": SETUP},
    ("POST", "/api/lifters/{lifter_id}/squat/trials"): lambda: {
        "trial_id": str(uuid7()), "setup_a": SETUP, "setup_b": SETUP | {"stance_m": 0.5},
        "load_kg": 60},
    ("POST", "/api/lifters/{lifter_id}/deadlift/trials"): lambda: {
        "trial_id": str(uuid7()), "setup_a": PULL, "setup_b": PULL | {"stance_m": 0.4},
        "load_kg": 60},
    ("POST", "/api/trials/{trial_id}/end"): lambda: {"outcome": "none"},
    ("POST", "/api/lifters/{lifter_id}/known-lifts"): lambda: {
        "exercise": "squat:low", "load_kg": 90, "done_on": "2026-11-01"},
    ("POST", "/api/lifters/{lifter_id}/sets"): a_set,
    ("POST", "/api/sets/{set_id}/withdrawal"): lambda: {"new_id": str(uuid7())},
    ("POST", "/api/lifters/{lifter_id}/next-load"): lambda: {},
    ("POST", "/api/lifters/{lifter_id}/prescriptions"): lambda: {"prescription_id": str(uuid7())},
    ("POST", "/api/lifters/{lifter_id}/squat/costs"): lambda: {"setup": SETUP, "load_kg": 50},
    ("POST", "/api/lifters/{lifter_id}/squat/paths"): lambda: {"setup": SETUP, "load_kg": 50},
    ("POST", "/api/lifters/{lifter_id}/squat/depth"): lambda: {"setup": SETUP},
    ("POST", "/api/lifters/{lifter_id}/squat/map"): lambda: {"setup": SETUP},
    ("POST", "/api/lifters/{lifter_id}/squat/goals"): lambda: {},
    ("POST", "/api/lifters/{lifter_id}/deadlift/start"): lambda: {"setup": PULL, "load_kg": 50},
    ("POST", "/api/lifters/{lifter_id}/deadlift/costs"): lambda: {"setup": PULL, "load_kg": 50},
    ("POST", "/api/lifters/{lifter_id}/deadlift/map"): lambda: {"setup": PULL},
    ("POST", "/api/lifters/{lifter_id}/deadlift/settled"): lambda: {
        "setup_id": str(uuid7()), "setup": PULL},
    ("POST", "/api/lifters/{lifter_id}/tests"): lambda: {
        "test_id": str(uuid7()), "fault_id": "heels-up", "cause_id": "stance-narrow",
        "result": "for", "tested_at": "2026-11-20T17:00:00Z"},
    ("POST", "/api/lifters/{lifter_id}/drills"): lambda: {
        "result_id": str(uuid7()), "lift": "squat", "stage": "depth box", "passed": True},
    ("POST", "/api/lifters/{lifter_id}/cues"): lambda: {
        "choice_id": str(uuid7()), "lift": "squat", "cue": "midfoot-cue"},
    ("POST", "/api/lifters/{lifter_id}/floor-walk"): lambda: {},
    ("POST", "/api/library/own"): lambda: {"entries": []},
    ("POST", "/api/shapes/look"): lambda: text_of(shape_of("wave")).model_dump(),
    ("POST", "/api/compute/picture"): lambda: {
        "kind": "ankle", "stature_m": 1.7, "points": {"ankle": [100, 400], "knee": [180, 250]},
    },
    ("POST", "/api/compute/lengths"): lambda: {
        "stature_m": 1.7, "taped_m": {"shank_m": 0.42},
        "points": {"crown": [90, 50], "floor": [90, 450], "ankle": [100, 430], "knee": [90, 330]},
    },
    ("POST", "/api/compute/story"): lambda: {
        "shape": body_of(shape_of("wave")).model_dump(exclude_none=True), "number": 1},
    ("POST", "/api/lifters/{lifter_id}/presence"): lambda: {"here": False},
    ("POST", "/api/outbox"): lambda: {"items": [{
        "kind": "withdrawal", "key": str(uuid7()), "set_id": str(uuid7()),
        "new_id": str(uuid7())}]},
    ("POST", "/api/lifters/{lifter_id}/plan/preview"): lambda: FRAME,
    ("POST", "/api/lifters/{lifter_id}/plan"): lambda: FRAME | {"plan_id": str(uuid7())},
    ("POST", "/api/lifters/{lifter_id}/plan/reflow"): lambda: {"plan_id": str(uuid7())},
    ("POST", "/api/lifters/{lifter_id}/plan/withdrawal"): lambda: {"plan_id": str(uuid7())},
    ("POST", "/api/lifters/{lifter_id}/plan/edits"): lambda: {
        "kind": "day", "edit_id": str(uuid7()), "day_id": "w01d1", "to_date": "2026-12-05"},
    ("POST", "/api/lifters/{lifter_id}/variation-words/{name}"): lambda: {
        "word": "use", "reason": "not today"},
    ("POST", "/api/lifters/{lifter_id}/links"): lambda: {"link_id": str(uuid7())},
    ("POST", "/api/club/plans"): lambda: FRAME,
    ("POST", "/api/people/invitations"): lambda: {
        "link_id": str(uuid7()), "email": f"{uuid7()}@new.example"},
    ("POST", "/api/people/{coach_id}/role"): lambda: {"role": "coach"},
    ("POST", "/api/people/{coach_id}/password-link"): lambda: {"link_id": str(uuid7())},
    ("PUT", "/api/session/account/name"): lambda: {"name": "Somebody Else"},
    ("PUT", "/api/session/account/password"): lambda: {
        "old": "not this one", "new": "a longer one than that"},
    ("POST", "/api/lifters/{lifter_id}/simulated-films"): lambda: {
        "film_id": str(uuid7()), "lift": "squat", "load_kg": 60},
    ("POST", "/api/lifters/{lifter_id}/simulated-films/taps"): lambda: {
        "film_id": str(uuid7()), "lift": "squat", "load_kg": 60},
    ("POST", "/api/lifters/{lifter_id}/clips"): lambda: CLIP | {
        "clip_id": str(uuid7()), "film_id": str(uuid7()), "tapped_s": 0.0, "taps": TAPS},
    ("POST", "/api/lifters/{lifter_id}/clips/head-on-points"): lambda: CLIP | {
        "clip_id": str(uuid7()), "width": 1280, "height": 720, "view": "front",
        "instants": [{"time_s": 0.0, "taps": HEAD_ON}]},
    ("POST", "/api/lifters/{lifter_id}/clips/points"): lambda: CLIP | {
        "clip_id": str(uuid7()), "width": 1280, "height": 720,
        "instants": [{"time_s": 0.0, "taps": TAPS}]},
    ("POST", "/api/lifters/{lifter_id}/clips/{clip_id}/words"): lambda: {
        "word_id": str(uuid7()), "subject": "clip", "word": "shown"},
    ("POST", "/api/lifters/{lifter_id}/clips/{clip_id}/depth"): lambda: {
        "word_id": str(uuid7()), "rep": 1, "crease": [500, 300], "knee_top": [560, 290]},
    ("POST", "/api/lifters/{lifter_id}/clips/{clip_id}/log"): lambda: {"set_id": str(uuid7())},
    ("PUT", "/api/equipment/place"): lambda: {"time_zone": "UTC"},
    ("PUT", "/api/equipment/kit"): lambda: {"items": ["box"]},
    ("PUT", "/api/equipment/bars"): lambda: {
        "bar_id": str(uuid7()), "name": "Bar", "mass_kg": 20, "shaft_mm": 28},
    ("PUT", "/api/equipment/racks"): lambda: {
        "rack_id": str(uuid7()), "name": "Rack", "first_hole_m": 0.5, "pitch_m": 0.05,
        "holes": 24, "lip_m": 0.03, "inner_width_m": 1.2},
    ("PUT", "/api/equipment/plates"): lambda: {"plates": [{"kg": 20, "pairs": 2}]},
    ("PUT", "/api/session/units"): lambda: {"mass_unit": "kg", "length_unit": "cm"},
}  # fmt: skip
READS = (
    "exact", "furniture", "next-load", "costs", "paths", "depth", "map", "goals", "start",
    "preview", "floor-walk", "taps", "head-on-taps", "look",
)  # fmt: skip
QUERY = {
    "/api/lifters/{lifter_id}/clips/file": "?lift=squat&load_kg=60&filmed_on=2026-11-20&clip_id="
    + str(uuid7()),
    "/api/shared/{token}/films/{item_id}": "?lift=squat&load_kg=60&agreed=true"
    "&performed_at=2026-11-20T17:00:00Z",
    "/api/platform": "?lifter_id={lifter_id}",
    "/api/lifters/{lifter_id}/squat/grid": "?bar_position=low&load_kg=50",
    "/api/lifters/{lifter_id}/squat/map": "?across=bar_position",
    "/api/lifters/{lifter_id}/squat/why-not": "?style=low",
    "/api/lifters/{lifter_id}/deadlift/why-not": "?style=sumo",
    "/api/lifters/{lifter_id}/deadlift/map": "?across=toe_out_deg",
}
FILES = {
    "/api/log/preview", "/api/log/import", "/api/lifters/preview", "/api/lifters/import",
    "/api/lifters/{lifter_id}/clips/file", "/api/session/club-archive",
}  # fmt: skip
OPEN = {("GET", "/api/health"), ("POST", "/api/session"), ("POST", "/api/session/demo"),
        ("GET", "/api/session/doors"), ("GET", "/api/session/club-link/{token}"),
        ("POST", "/api/session/club"), ("GET", "/api/lifts"),
        ("GET", "/api/session/join/{token}"), ("POST", "/api/session/join"),
        ("POST", "/api/session/club-archive"),
        ("GET", "/api/shared/{token}"), ("POST", "/api/shared/{token}/sets"),
        ("PUT", "/api/shared/{token}/films/{item_id}"),
        ("DELETE", "/api/shared/{token}/sent/{item_id}")}  # fmt: skip


def _routes(coach):
    paths = coach.get("/api/openapi.json").json()["paths"]
    return [(method.upper(), path) for path, found in paths.items() for method in found]


def _try(who, method, path, theirs):
    address = (path + QUERY.get(path, "")).format(
        **theirs, lift="squat", fault_id="heels-up", name="front squat",
        token="no-such-token",
    )  # fmt: skip
    if path in FILES:
        headers = {
            "X-CSRF-Token": who.csrf, "Idempotency-Key": str(uuid7()),
            "Content-Type": "application/octet-stream",
        }  # fmt: skip
        return who.client.request(method, address, content=b"date,lifter\n", headers=headers)
    body = BODIES.get((method, path))
    return who.send(method, address, body() if body else None)


def test_nobody_gets_nothing_from_any_route(coach, nobody, theirs):
    tried = 0
    for method, path in _routes(coach):
        if (method, path) in OPEN:
            continue
        answer = _try(nobody, method, path, theirs)
        assert answer.status_code == 401, (method, path, answer.text)
        tried += 1
    assert tried > 25


def test_another_club_gets_nothing_of_ours_from_any_route(coach, stranger, theirs):
    tried = 0
    for method, path in _routes(coach):
        if "{" not in path:
            continue
        answer = _try(stranger, method, path, theirs)
        assert answer.status_code in (404, 409, 422), (method, path, answer.text)
        assert theirs["lifter_id"] not in answer.text
        tried += 1
    assert tried > 15
    assert [row["lifter_id"] for row in stranger.get("/api/floor").json()] == []


def test_a_reader_reads_and_does_not_write(coach, reader, theirs):
    assert reader.get(f"/api/lifters/{theirs['lifter_id']}").status_code == 200
    for method, path in _routes(coach):
        computes = path.startswith("/api/compute") or path.endswith(READS)
        if method != "POST" or "session" in path or "/shared/" in path or computes:
            continue
        answer = _try(reader, method, path, theirs)
        assert answer.status_code == 403, (method, path, answer.text)


def _tables(connection):
    rows = connection.execute(
        "select tablename from pg_tables where schemaname = 'public'"
    ).fetchall()
    return [row[0] for row in rows if row[0] not in NOT_A_CLUBS]


@pytest.fixture
def app_connection(server, empty_name):
    with psycopg.connect(server.app_url(empty_name)) as connection:
        yield connection
        connection.rollback()


def test_every_table_is_keyed_by_club_and_forces_its_policy(owner_url):
    with psycopg.connect(owner_url) as connection:
        for table in _tables(connection):
            key = connection.execute(
                """select a.attname from pg_index i join pg_attribute a
                     on a.attrelid = i.indrelid and a.attnum = i.indkey[0]
                   where i.indrelid = %s::regclass and i.indisprimary""",
                (table,),
            ).fetchone()
            assert key == ("club_id",), table
            forced = connection.execute(
                """select relrowsecurity and relforcerowsecurity from pg_class
                   where oid = %s::regclass""",
                (table,),
            ).fetchone()
            assert forced == (True,), table


def test_the_apps_role_bypasses_nothing(app_connection):
    row = app_connection.execute(
        "select rolsuper, rolbypassrls, rolcreaterole from pg_roles where rolname = current_user"
    ).fetchone()
    assert row == (False, False, False)


@pytest.mark.parametrize("club", [None, "another"])
def test_without_the_right_club_every_table_is_empty(app_connection, theirs, club):
    if club:
        app_connection.execute("select set_config('pavrik.club_id', %s, true)", (str(uuid7()),))
    for table in _tables(app_connection):
        assert app_connection.execute(f"select count(*) from {table}").fetchone() == (0,), table


def test_a_row_cannot_be_written_into_another_club(app_connection, theirs):
    app_connection.execute("select set_config('pavrik.club_id', %s, true)", (str(uuid7()),))
    with pytest.raises(psycopg.errors.InsufficientPrivilege):
        app_connection.execute(
            "insert into lifter (club_id, lifter_id) values (%s, %s)", (uuid7(), uuid7())
        )


@pytest.mark.parametrize("table", ["training_set", "measurement", "lifter_profile", "audit"])
@pytest.mark.parametrize("verb", ["delete from {}", "update {} set club_id = club_id"])
def test_facts_are_never_overwritten(app_connection, table, verb):
    with pytest.raises(psycopg.errors.InsufficientPrivilege):
        app_connection.execute(verb.format(table))
