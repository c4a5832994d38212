"""People of a club: invited, given roles, gone; passwords; signed-in browsers; the audit trail."""

import pytest
from uuid6 import uuid7

from pavrik.errors import NotFoundError
from pavrik.services.club import people
from pavrik.store.database import Database
from tests.api.helpers import add_lifter

LONG = "plates before pride"


@pytest.fixture(scope="module")
def owner(coach):
    """The owner of the first club."""
    return coach


def invite(owner, email, role="coach"):
    answer = owner.post(
        "/api/people/invitations", {"link_id": str(uuid7()), "email": email, "role": role}
    )
    assert answer.status_code == 201, answer.text
    return answer.json()["path"].removeprefix("/join/")


def join(visitor, token, name="Rhona Quill", password=LONG):
    answer = visitor.client.post(
        "/api/session/join", json={"token": token, "name": name, "password": password}
    )
    if answer.status_code == 200:
        visitor.csrf = visitor.get("/api/session").json()["csrf_token"]
    return answer


def person(owner, email):
    return next(p for p in owner.get("/api/people").json()["people"] if p["email"] == email)


def test_a_coach_is_invited_joins_works_and_is_taken_out(owner, browser, reader):
    token = invite(owner, "Rhona@First.example")
    visitor = browser()
    opens = visitor.get(f"/api/session/join/{token}").json()
    assert opens == {
        "club": "First", "kind": "invitation", "email": "rhona@first.example", "role": "coach",
    }  # fmt: skip
    nameless = join(visitor, token, name="  ")
    assert (nameless.status_code, "say your name" in nameless.json()["detail"]) == (422, True)
    assert join(visitor, token).status_code == 200
    assert visitor.get("/api/session").json()["coach"] == "Rhona Quill"
    lifter = add_lifter(visitor, name="Of Rhona")

    again = join(browser(), token)
    assert (again.status_code, "was used" in again.json()["detail"]) == (422, True)
    twice = owner.post(
        "/api/people/invitations", {"link_id": str(uuid7()), "email": "rhona@first.example"}
    )
    assert (twice.status_code, "in the club already" in twice.json()["detail"]) == (409, True)
    for who in (visitor, reader):
        refused = who.post(
            "/api/people/invitations", {"link_id": str(uuid7()), "email": "x@y.example"}
        )
        assert (refused.status_code, "only an owner" in refused.json()["detail"]) == (403, True)
        assert who.get("/api/people").json()["links"] == []
        assert who.get("/api/audit").status_code == 403

    rhona = person(owner, "rhona@first.example")["coach_id"]
    assert owner.post(f"/api/people/{rhona}/leaving").status_code == 200
    assert visitor.get("/api/session").status_code == 401
    assert browser().sign_in("rhona@first.example", LONG).status_code == 401
    assert person(owner, "rhona@first.example")["left_at"]
    assert owner.get(f"/api/lifters/{lifter}").json()["profile"]["name"] == "Of Rhona"
    gone = owner.post(f"/api/people/{rhona}/role", {"role": "owner"})
    assert gone.status_code == 404
    trail = owner.get("/api/audit").json()
    assert {"join club", "take out of club", "make invitation link"} <= {d["action"] for d in trail}
    added = next(d for d in trail if d["action"] == "add lifter")
    assert (added["who"], added["subject"]) == ("Rhona Quill", "Of Rhona")
    assert next(d for d in trail if d["action"] == "take out of club")["subject"] == "Rhona Quill"


def test_who_left_comes_back_to_what_was_recorded(owner, browser):
    visitor = browser()
    assert join(visitor, invite(owner, "back@first.example"), "Gone Once").status_code == 200
    before = person(owner, "back@first.example")["coach_id"]
    lifter = add_lifter(visitor, name="Of Gone Once")
    assert owner.post(f"/api/people/{before}/leaving").status_code == 200
    token = invite(owner, "back@first.example", "read_only")
    again = browser()
    assert join(again, token, "Back Again", "a password of today").status_code == 200
    now = person(owner, "back@first.example")
    assert (now["coach_id"], now["name"], now["role"], now["left_at"]) == (
        before, "Back Again", "read_only", None,
    )  # fmt: skip
    assert again.get(f"/api/lifters/{lifter}").status_code == 200
    assert browser().sign_in("back@first.example", LONG).status_code == 401
    assert browser().sign_in("back@first.example", "a password of today").status_code == 200


def test_a_role_changes_what_may_be_done_at_once(owner, browser):
    visitor = browser()
    assert join(visitor, invite(owner, "turn@first.example"), "Turn Over").status_code == 200
    turn = person(owner, "turn@first.example")["coach_id"]
    owner.post(f"/api/people/{turn}/role", {"role": "read_only"})
    refused = visitor.post(
        "/api/lifters", {"lifter_id": str(uuid7()), "profile": {
            "name": "No", "sex": "male", "mass_kg": 80, "stature_m": 1.8}}
    )  # fmt: skip
    assert refused.status_code == 403
    owner.post(f"/api/people/{turn}/role", {"role": "owner"})
    assert visitor.get("/api/audit").status_code == 200


def test_an_owner_always_remains(stranger):
    me = next(p for p in stranger.get("/api/people").json()["people"] if p["you"])["coach_id"]
    for path, body in (("role", {"role": "coach"}), ("leaving", None)):
        refused = stranger.post(f"/api/people/{me}/{path}", body)
        assert (refused.status_code, "at least one owner" in refused.json()["detail"]) == (
            409,
            True,
        )
    assert stranger.get("/api/people").json()["may_manage"]


def test_a_forgotten_password_is_chosen_anew_by_link_and_ends_every_session(owner, browser):
    visitor, other = browser(), browser()
    assert join(visitor, invite(owner, "lost@first.example"), "Lost Word").status_code == 200
    assert other.sign_in("lost@first.example", LONG).status_code == 200
    lost = person(owner, "lost@first.example")["coach_id"]
    made = owner.post(f"/api/people/{lost}/password-link", {"link_id": str(uuid7())})
    token = made.json()["path"].removeprefix("/join/")
    assert visitor.get(f"/api/session/join/{token}").json()["kind"] == "password"
    short = join(browser(), token, password="too short")
    assert short.status_code == 422
    fresh = browser()
    assert join(fresh, token, name="", password="another long sentence").status_code == 200
    assert fresh.get("/api/session").json()["coach"] == "Lost Word"
    assert visitor.get("/api/session").status_code == 401
    assert other.get("/api/session").status_code == 401
    assert browser().sign_in("lost@first.example", LONG).status_code == 401
    assert browser().sign_in("lost@first.example", "another long sentence").status_code == 200


def test_a_link_can_be_closed_and_is_not_guessed(owner, browser, stranger):
    token = invite(owner, "closed@first.example")
    link = owner.get("/api/people").json()["links"][0]
    assert link["email"] == "closed@first.example"
    assert stranger.get("/api/people").json()["links"] == []
    assert owner.post(f"/api/people/links/{link['link_id']}/closing").status_code == 200
    for wrong in (token, "no-such-token-at-all"):
        answer = browser().get(f"/api/session/join/{wrong}")
        assert (answer.status_code, "ask an owner" in answer.json()["detail"]) == (422, True)
        assert join(browser(), wrong).status_code == 422


def test_an_address_of_another_club_is_refused_when_it_is_used(owner, browser):
    token = invite(owner, "owner@second.example")
    taken = join(browser(), token)
    assert (taken.status_code, "already signs in to a club" in taken.json()["detail"]) == (
        409,
        True,
    )
    assert browser().get(f"/api/session/join/{token}").status_code == 200, "the link is not spent"


def test_one_s_own_password_name_and_browsers(owner, browser):
    here, there = browser(), browser()
    assert join(here, invite(owner, "own@first.example"), "Own Account").status_code == 200
    assert there.sign_in("own@first.example", LONG).status_code == 200
    account = here.get("/api/session/account").json()
    assert (account["name"], account["email"]) == ("Own Account", "own@first.example")
    assert [b["here"] for b in account["browsers"]] in ([False, True], [True, False])

    wrong = here.send(
        "PUT", "/api/session/account/password", {"old": "no", "new": "quite long enough"}
    )
    assert (wrong.status_code, wrong.json()["errors"][0]["path"]) == (422, "old")
    assert there.get("/api/session").status_code == 200
    right = {"old": LONG, "new": "quite long enough"}
    assert here.send("PUT", "/api/session/account/password", right).status_code == 200
    assert here.get("/api/session").status_code == 200
    assert there.get("/api/session").status_code == 401
    assert there.sign_in("own@first.example", "quite long enough").status_code == 200

    other = next(b for b in here.get("/api/session/account").json()["browsers"] if not b["here"])
    ended = here.send("DELETE", f"/api/session/account/browsers/{other['session_id']}")
    assert ended.status_code == 200
    assert there.get("/api/session").status_code == 401
    assert here.send("PUT", "/api/session/account/name", {"name": "Renamed"}).status_code == 200
    assert here.get("/api/session").json()["coach"] == "Renamed"
    only_reads = browser()
    token = invite(owner, "reads@first.example", "read_only")
    assert join(only_reads, token, "Only Reads").status_code == 200
    renamed = only_reads.send("PUT", "/api/session/account/name", {"name": "Reads On"})
    assert renamed.status_code == 200
    assert only_reads.get("/api/session").json()["coach"] == "Reads On"


def test_the_operator_s_link_sets_a_password_and_leaves_a_line(owner, browser, server, empty_name):
    database = Database(server.app_url(empty_name))
    database.open()
    try:
        with pytest.raises(NotFoundError, match="nobody signs in with"):
            people.reset_link(database, "nobody@first.example")
        token = people.reset_link(database, " Reader@First.example ")
    finally:
        database.close()
    visitor = browser()
    assert visitor.get(f"/api/session/join/{token}").json()["email"] == "reader@first.example"
    assert join(visitor, token, name="", password="set by the operator").status_code == 200
    line = next(
        d for d in owner.get("/api/audit").json() if d["action"] == "password link by the operator"
    )
    assert (line["who"], line["subject"]) == ("", visitor.get("/api/session").json()["coach"])
