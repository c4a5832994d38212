"""What a lifter sends by his own link: it waits, a coach takes it up, films go when they should."""

import os
import time
from datetime import UTC, datetime, timedelta

import pytest
from uuid6 import uuid7

from pavrik.services.afar import by_link
from pavrik.services.watch import films as films_module
from tests.api.helpers import add_lifter, ended
from tests.api.planned import ago
from tests.api.test_film import asked, at, facts, say

FILM = b"\x1a\x45\xdf\xa3 not really a film"


@pytest.fixture
def afar(coach):
    """A lifter and the way that his link leads to."""
    lifter = add_lifter(coach, name="Afar Probe", training_age="trained", mass_kg=70.0)
    link = coach.post(at(lifter, "links"), {"link_id": str(uuid7())}).json()["path"]
    return lifter, f"/api/shared/{link.removeprefix('/s/')}"


@pytest.fixture
def films_folder(coach):
    return coach.client.app.state.films._folder


def sent_set(**changes):
    return {
        "item_id": str(uuid7()), "lift": "squat", "load_kg": 92.5, "reps": 4, "rpe": 8.5,
        "note": "felt slow", "performed_at": ago(0),
    } | changes  # fmt: skip


def send_film(nobody, way, data=FILM, item_id=None, **changes):
    item_id = item_id or str(uuid7())
    about = {"lift": "squat", "load_kg": 92.5, "view": "side", "note": "third set",
             "performed_at": ago(0), "agreed": "true"} | changes  # fmt: skip
    answer = nobody.client.put(f"{way}/films/{item_id}", params=about, content=data)
    return item_id, answer


def needs(coach, lifter):
    (row,) = [r for r in coach.get("/api/floor").json() if r["lifter_id"] == lifter]
    return [n["text"] for n in row["needs"] if n["kind"] in ("sent", "film")]


def word(coach, lifter, item_id, what):
    """Under one id for the word and its key, as the page sends it."""
    word_id = uuid7()
    body = {"word_id": str(word_id), "word": what}
    first = coach.post(at(lifter, "sent", item_id, "words"), body, word_id)
    if first.status_code == 201:
        again = coach.post(at(lifter, "sent", item_id, "words"), body, word_id)
        assert again.json() == first.json(), "a lost answer is asked for again"
    return first


def states(coach, lifter):
    return {one["item_id"]: one["state"] for one in coach.get(at(lifter, "sent")).json()}


class TestSets:
    def test_a_set_waits_on_the_floor_and_counts_once_it_is_accepted(self, coach, nobody, afar):
        lifter, way = afar
        body = sent_set()
        assert nobody.client.post(f"{way}/sets", json=body).status_code == 201
        assert nobody.client.post(f"{way}/sets", json=body).status_code == 201, (
            "sent twice, kept once"
        )
        assert coach.get(at(lifter, "sets")).json() == []
        assert needs(coach, lifter) == ["a set waits, sent by the lifter"]
        (mine,) = nobody.client.get(way).json()["sent"]
        assert (mine["state"], mine["rpe"]) == ("waits", 8.5)

        assert word(coach, lifter, body["item_id"], "accepted").status_code == 201
        (logged,) = coach.get(at(lifter, "sets")).json()
        assert (logged["set_id"], logged["reps"], logged["rpe"]) == (body["item_id"], 4, 8.5)
        assert logged["note"] == "sent by the lifter: felt slow"
        assert needs(coach, lifter) == []
        assert nobody.client.get(way).json()["sent"][0]["state"] == "counts"
        late = nobody.client.delete(f"{way}/sent/{body['item_id']}")
        assert (late.status_code, "counts already" in late.json()["detail"]) == (422, True)
        other = word(coach, lifter, body["item_id"], "declined")
        assert "was accepted already" in other.json()["detail"]

    def test_however_many_coaches_accept_a_set_it_is_logged_once(self, coach, nobody, afar):
        lifter, way = afar
        body = sent_set()
        nobody.client.post(f"{way}/sets", json=body)
        for _ in range(2):
            assert word(coach, lifter, body["item_id"], "accepted").status_code == 201
        assert len(coach.get(at(lifter, "sets")).json()) == 1

    def test_what_is_declined_or_taken_back_never_counts(self, coach, nobody, afar):
        lifter, way = afar
        refused, back = sent_set(), sent_set(load_kg=95.0)
        for body in (refused, back):
            assert nobody.client.post(f"{way}/sets", json=body).status_code == 201
        assert needs(coach, lifter) == ["2 sets wait, sent by the lifter"]
        assert word(coach, lifter, refused["item_id"], "declined").status_code == 201
        assert nobody.client.delete(f"{way}/sent/{back['item_id']}").status_code == 200
        assert set(states(coach, lifter).values()) == {"declined", "taken back"}
        assert coach.get(at(lifter, "sets")).json() == []
        assert "taken back already" in word(coach, lifter, back["item_id"], "accepted").text

    def test_a_set_of_next_week_an_impossible_one_and_one_too_many_are_refused(self, nobody, afar):
        _, way = afar
        later = (datetime.now(UTC) + timedelta(days=3)).isoformat()
        for odd in ({"performed_at": later}, {"load_kg": 900}, {"reps": -1}, {"rpe": 11}):
            assert nobody.client.post(f"{way}/sets", json=sent_set(**odd)).status_code == 422, odd
        for _ in range(30):
            assert nobody.client.post(f"{way}/sets", json=sent_set()).status_code == 201
        over = nobody.client.post(f"{way}/sets", json=sent_set())
        assert "at most 30" in over.json()["detail"]

    def test_a_closed_link_sends_nothing_and_one_reaches_no_other_lifter(self, coach, nobody, afar):
        lifter, way = afar
        body = sent_set()
        nobody.client.post(f"{way}/sets", json=body)
        other = add_lifter(coach, name="Other Probe")
        link = coach.post(at(other, "links"), {"link_id": str(uuid7())}).json()["path"]
        theirs = f"/api/shared/{link.removeprefix('/s/')}"
        assert nobody.client.get(theirs).json()["sent"] == []
        assert nobody.client.delete(f"{theirs}/sent/{body['item_id']}").status_code == 404
        film_id, _ = send_film(nobody, way)
        taken = send_film(nobody, theirs, b"another film", film_id)[1]
        assert taken.status_code == 404, "nobody writes over another lifter's film"
        assert coach.get(at(lifter, "films", film_id)).content == FILM
        assert word(coach, other, body["item_id"], "accepted").status_code == 404
        (open_link,) = coach.get(at(lifter, "links")).json()
        coach.post(at(lifter, "links", open_link["link_id"], "closing"), {})
        assert nobody.client.post(f"{way}/sets", json=sent_set()).status_code == 404
        assert send_film(nobody, way)[1].status_code == 404


class TestFilms:
    def test_a_film_needs_a_yes_and_goes_when_it_is_taken_back(self, coach, nobody, afar):
        lifter, way = afar
        _, unasked = send_film(nobody, way, agreed="false")
        assert (unasked.status_code, "say yes" in unasked.json()["detail"]) == (422, True)
        film_id, answer = send_film(nobody, way)
        assert answer.status_code == 200, answer.text
        assert needs(coach, lifter) == ["a film waits, sent by the lifter"]
        assert coach.get(at(lifter, "films", film_id)).content == FILM
        (mine,) = nobody.client.get(way).json()["sent"]
        assert mine["kept_until"] > (datetime.now(UTC) + timedelta(days=20)).isoformat()
        assert nobody.client.delete(f"{way}/sent/{film_id}").status_code == 200
        assert coach.get(at(lifter, "films", film_id)).status_code == 404
        assert states(coach, lifter) == {film_id: "taken back"}

    @pytest.mark.parametrize(
        ("head", "kind"),
        [
            (b"\0\0\0\x20ftypisom", "video/mp4"),
            (b"\0\0\0\x14ftypqt  ", "video/quicktime"),
            (FILM, "video/webm"),
        ],
    )
    def test_it_is_named_by_what_it_is(self, coach, nobody, afar, head, kind):
        lifter, way = afar
        film_id, _ = send_film(nobody, way, head + b"and so on")
        assert coach.get(at(lifter, "films", film_id)).headers["content-type"] == kind

    def test_a_declined_film_is_gone_and_three_wait_at_most(self, coach, nobody, afar):
        lifter, way = afar
        ids = [send_film(nobody, way)[0] for _ in range(3)]
        assert "at most 3" in send_film(nobody, way)[1].json()["detail"]
        assert "tracked, not accepted" in word(coach, lifter, ids[0], "accepted").text
        assert word(coach, lifter, ids[0], "declined").status_code == 201
        assert coach.get(at(lifter, "films", ids[0])).status_code == 404
        assert send_film(nobody, way)[1].status_code == 200

    def test_a_film_goes_with_its_time_and_with_its_lifter(self, coach, nobody, afar, films_folder):
        lifter, way = afar
        film_id, _ = send_film(nobody, way)
        (path,) = films_folder.rglob(f"{film_id}*")
        assert path.stat().st_mtime == pytest.approx(time.time() + 21 * 86_400, abs=120)
        os.utime(path, (1, 1))
        assert coach.get(at(lifter, "films", film_id)).status_code == 404
        films_module.Films(films_folder).sweep()
        assert not path.exists()
        stays, _ = send_film(nobody, way)
        for _ in range(3):
            for body in [sent_set() for _ in range(25)]:
                assert nobody.client.post(f"{way}/sets", json=body).status_code == 201
                nobody.client.delete(f"{way}/sent/{body['item_id']}")
        films_module.Films(films_folder).sweep()
        assert list(films_folder.rglob(f"{stays}*"))
        coach.post(at(lifter, "erasure"), {"name": "Afar Probe"})
        assert not list(films_folder.rglob(f"{stays}*"))

    def test_too_large_and_empty_films_are_refused(self, nobody, afar, monkeypatch):
        _, way = afar
        monkeypatch.setattr("pavrik.services.afar.by_link.MOST_FILM_BYTES", 10)
        assert "larger than" in send_film(nobody, way)[1].json()["detail"]
        assert "empty" in send_film(nobody, way, b"")[1].json()["detail"]

    def test_it_is_tracked_talked_over_and_read_on_the_link(self, coach, nobody, afar):
        lifter, way = afar
        request = asked()
        ended(coach, coach.post(at(lifter, "simulated-films"), request).json())
        film = coach.get(at(lifter, "films", request["film_id"])).content
        taps = coach.post(at(lifter, "simulated-films", "taps"), request).json()
        film_id, _ = send_film(nobody, way, film)
        body = facts() | {"film_id": film_id, "tapped_s": 0.0, "taps": taps}
        job = ended(coach, coach.post(at(lifter, "clips"), body).json())
        assert job["state"] == "done", job
        told = coach.get(at(lifter, "clips", body["clip_id"])).json()
        assert (told["way"], told["film_id"]) == ("film", film_id)
        assert states(coach, lifter) == {film_id: "looked at"}
        assert needs(coach, lifter) == []
        assert coach.get(at(lifter, "films", film_id)).status_code == 200, "kept as was agreed"
        again = body | {"clip_id": str(uuid7())}
        assert ended(coach, coach.post(at(lifter, "clips"), again).json())["state"] == "done"
        for clip in (body["clip_id"], again["clip_id"]):
            assert coach.get(at(lifter, "clips", clip)).json()["film_id"] == film_id
        say(coach, lifter, body["clip_id"], "clip", "shown")
        answer = nobody.client.get(way).json()
        assert [c["clip_id"] for c in answer["clips"]] == [body["clip_id"]]
        assert word(coach, lifter, film_id, "deleted").status_code == 201
        assert coach.get(at(lifter, "films", film_id)).status_code == 404
        assert coach.get(at(lifter, "clips", body["clip_id"])).json()["film_id"] is None

        kept = facts() | {"film_id": request["film_id"], "tapped_s": 0.0, "taps": taps}
        refused = coach.post(at(lifter, "clips"), kept | {"keep_days": 30})
        assert "only where the lifter said yes" in refused.text
        agreed = kept | {"keep_days": 30, "agreed": True}
        assert ended(coach, coach.post(at(lifter, "clips"), agreed).json())["state"] == "done"
        told = coach.get(at(lifter, "clips", kept["clip_id"])).json()
        assert told["film_id"] == request["film_id"]
        assert told["film_until"] > (datetime.now(UTC) + timedelta(days=29)).isoformat()
        assert coach.get(at(lifter, "films", request["film_id"])).content == film
        assert states(coach, lifter)[request["film_id"]] == "kept"
        assert needs(coach, lifter) == []


def test_an_accepted_set_stands_on_the_platform_at_once(coach, nobody, afar, gym):
    lifter, way = afar
    body = sent_set()
    nobody.client.post(f"{way}/sets", json=body)
    path = f"/api/platform?lifter_id={lifter}"
    before = coach.get(path)
    assert before.status_code == 200, before.text
    assert word(coach, lifter, body["item_id"], "accepted").status_code == 201
    assert body["item_id"] in coach.get(path).text


def test_more_sets_in_a_day_than_anybody_does_wait_for_a_coach(coach, nobody, afar, monkeypatch):
    lifter, way = afar
    choice = {"question": "sent_sets", "position": "count"}
    assert coach.post(at(lifter, "schools"), choice).status_code < 300
    monkeypatch.setitem(by_link.MOST_WAITING, "set", 2)
    counted = [nobody.client.post(f"{way}/sets", json=sent_set()).json()["counts"] for _ in "abc"]
    assert counted == [True, True, False]


def test_where_the_club_says_so_a_set_counts_at_once_and_once(coach, nobody, afar):
    lifter, way = afar
    choice = {"question": "sent_sets", "position": "count"}
    assert coach.post(at(lifter, "schools"), choice).status_code < 300
    body = sent_set()
    for _ in range(2):
        assert nobody.client.post(f"{way}/sets", json=body).json()["counts"] is True
    (logged,) = coach.get(at(lifter, "sets")).json()
    assert (logged["load_kg"], logged["reps"], logged["rpe"]) == (92.5, 4, 8.5)
    assert logged["note"] == "sent by the lifter: felt slow"
    assert states(coach, lifter)[body["item_id"]] == "counts"
    assert needs(coach, lifter) == []
    deeds = coach.get("/api/audit").text
    assert "set of the lifter counts at once" in deeds
    coach.post(at(lifter, "schools"), {**choice, "position": "wait"})
    later = sent_set()
    assert nobody.client.post(f"{way}/sets", json=later).json()["counts"] is False
    assert states(coach, lifter)[later["item_id"]] == "waits"
