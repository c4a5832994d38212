import re

from tests.api.helpers import PASSWORD, PROFILE, Coach


def test_the_cookie_is_out_of_reach_of_scripts_and_other_sites(browser, clubs):
    answer = browser().sign_in("Owner@First.example ")
    cookie = answer.headers["set-cookie"].lower()
    assert "httponly" in cookie
    assert "samesite=strict" in cookie


def test_the_session_names_coach_club_and_units(coach):
    session = coach.get("/api/session").json()
    assert session["club"] == "First"
    assert session["role"] == "owner"
    assert (session["mass_unit"], session["length_unit"]) == ("kg", "cm")


def test_a_wrong_password_and_an_unknown_mail_sound_the_same(browser, clubs):
    wrong = browser().sign_in("owner@first.example", "not it")
    unknown = browser().sign_in("nobody@nowhere.example", "not it")
    assert wrong.status_code == unknown.status_code == 401
    assert wrong.json()["detail"] == unknown.json()["detail"]


def test_guessing_is_slowed_down(browser, clubs):
    answers = [browser().sign_in("reader@first.example", "guess") for _ in range(11)]
    assert [a.status_code for a in answers[:10]] == [401] * 10
    assert answers[10].status_code == 429
    assert "wait" in answers[10].json()["detail"]


def test_writing_needs_the_csrf_token(coach):
    body = {"lifter_id": "01920000-0000-7000-8000-000000000000", "profile": PROFILE}
    answer = coach.client.post(
        "/api/lifters", json=body, headers={"Idempotency-Key": body["lifter_id"]}
    )
    assert answer.status_code == 403
    assert "CSRF" in answer.json()["detail"]


def test_signing_out_ends_the_session(browser, clubs):
    leaving = browser()
    leaving.sign_in("owner@second.example")
    kept = dict(leaving.client.cookies)
    assert leaving.send("DELETE", "/api/session").status_code == 200
    leaving.client.cookies.update(kept)
    assert leaving.get("/api/session").status_code == 401


def test_units_are_the_coachs_own(coach):
    assert coach.send("PUT", "/api/session/units", {"mass_unit": "lb", "length_unit": "in"})
    assert coach.get("/api/session").json()["mass_unit"] == "lb"
    coach.send("PUT", "/api/session/units", {"mass_unit": "kg", "length_unit": "cm"})


def test_without_a_demo_club_its_door_says_so(nobody):
    answer = nobody.client.post("/api/session/demo")
    assert answer.status_code == 401
    assert "not loaded" in answer.json()["detail"]


def test_errors_are_problems_and_headers_are_strict(nobody: Coach):
    answer = nobody.get("/api/floor")
    assert answer.status_code == 401
    assert answer.headers["content-type"] == "application/problem+json"
    assert set(answer.json()) == {"title", "status", "detail", "errors"}
    policy = answer.headers["content-security-policy"]
    assert "default-src 'self'" in policy
    assert "http" not in policy
    assert nobody.get("/api/nothing").json()["detail"] == "there is no /api/nothing"
    unreadable = nobody.client.post(
        "/api/session", content=b"{", headers={"content-type": "application/json"}
    )
    assert unreadable.status_code == 400


def test_health_and_metrics_tell_no_names(coach):
    assert coach.get("/api/health").json()["status"] == "ok"
    coach.get("/api/floor")
    metrics = coach.client.get("/metrics").text
    assert 'route="/api/floor"' in metrics
    assert not re.search(r"first\.example|Probe", metrics)
    assert PASSWORD not in metrics
