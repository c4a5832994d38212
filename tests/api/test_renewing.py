"""What was asked lately is answered anew by itself when facts change, before it is asked again."""

from uuid import UUID

import psycopg
import pytest

from pavrik.errors import NotFoundError
from pavrik.services import questions, renewing
from pavrik.services.club import board
from pavrik.services.plans import planning
from pavrik.services.questions import find_answer
from pavrik.services.renewing import Renewer
from pavrik.services.training import review, session
from pavrik.store.changes import Changes
from tests.api.helpers import a_set, add_lifter
from tests.api.planned import make
from tests.api.test_writes import counted

SOON_S = 20.0


@pytest.fixture
def database(server, empty_name, open_database):
    return open_database(server.app_url(empty_name))


@pytest.fixture
def renewer(database) -> Renewer:
    return Renewer(database)


@pytest.fixture
def club_id(coach, owner_url) -> UUID:
    with psycopg.connect(owner_url) as connection:
        found = connection.execute("select club_id from club where name = 'First'").fetchone()
    return found[0]


def renew(renewer: Renewer, club_id: UUID) -> int:
    renewer.hear([club_id])
    made = 0
    while not renewer.is_done:
        made += renewer.renew_next()
    return made


def paths(lifter: str) -> list[str]:
    return [
        "/api/floor", f"/api/platform?lifter_id={lifter}", f"/api/lifters/{lifter}/plan",
        f"/api/lifters/{lifter}/review?lift=deadlift",
    ]  # fmt: skip


def test_after_a_set_nobody_waits_for_what_was_asked_before(
    coach, lifter, renewer, club_id, monkeypatch
):
    make(coach, lifter)
    before = [coach.get(path) for path in paths(lifter)]
    coach.post(f"/api/lifters/{lifter}/sets", a_set())
    assert renew(renewer, club_id) >= len(before)
    computed = [
        counted(monkeypatch, module, name)
        for module, name in (
            (board, "board"), (session, "platform"), (planning, "read"), (review, "review"),
        )
    ]  # fmt: skip
    after = [coach.get(path) for path in paths(lifter)]
    assert computed == [[], [], [], []]
    assert after[1].json() != before[1].json(), "the platform shows the set"
    assert renew(renewer, club_id) == 0, "and nothing is renewed that stands"


def test_what_nobody_asks_any_more_is_left(coach, lifter, renewer, club_id, owner_url):
    coach.get(f"/api/lifters/{lifter}/review")
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute("update kept_answer set asked_at = now() - interval '2 hours'")
    coach.post(f"/api/lifters/{lifter}/sets", a_set())
    assert renew(renewer, club_id) == 0


def test_to_be_renewed_is_not_to_be_asked(coach, lifter, renewer, club_id, owner_url):
    """Else what was asked once would be renewed for ever."""
    coach.get(f"/api/lifters/{lifter}/review")
    asked = "select asked_at from kept_answer where kind = 'review' and whose = %s"
    with psycopg.connect(owner_url, autocommit=True) as connection:
        before = connection.execute(asked, (lifter,)).fetchall()
        assert before
        coach.post(f"/api/lifters/{lifter}/sets", a_set())
        assert renew(renewer, club_id) > 0
        assert connection.execute(asked, (lifter,)).fetchall() == before


def test_a_club_with_much_to_renew_lets_the_floor_of_others_go_before(renewer, monkeypatch):
    one, other = UUID(int=1), UUID(int=2)
    left = {club: [questions.FLOOR, questions.plan(club)] for club in (one, other)}
    served = []

    def to_renew(_, who):
        return left[who.club_id].pop(0) if left[who.club_id] else None

    def answered(_, who, question, **__):
        served.append((who.club_id, question.kind))
        return "{}"

    monkeypatch.setattr(renewing, "question_to_renew", to_renew)
    monkeypatch.setattr(renewing, "find_answer", answered)
    renewer.hear([one, other, one])
    while not renewer.is_done:
        renewer.renew_next()
    assert served == [(one, "floor"), (other, "floor"), (one, "plan"), (other, "plan")]


@pytest.mark.parametrize("found", [None, NotFoundError("gone"), ZeroDivisionError("our mistake")])
def test_what_has_no_answer_leaves_the_others_their_turn_until_it_is_asked_again(
    coach, renewer, club_id, monkeypatch, found
):
    """A ranking whose bodies are not drawn yet, a lifter who left meanwhile, a mistake of ours."""
    there = [add_lifter(coach, name=f"There {number}") for number in range(10)]
    for lifter in there:
        coach.get(f"/api/lifters/{lifter}")
        coach.post(f"/api/lifters/{lifter}/sets", a_set())

    def answer(database, who, question, renewing):
        if question.kind != "lifter" or str(question.whose) == there[0]:
            return find_answer(database, who, question, renewing=renewing)
        if isinstance(found, Exception):
            raise found
        return found

    monkeypatch.setattr(renewing, "find_answer", answer)
    assert renew(renewer, club_id) > 0, "the one that was asked first comes after all the others"
    monkeypatch.undo()
    assert renew(renewer, club_id) == 0
    coach.get(f"/api/lifters/{there[1]}")
    coach.post(f"/api/lifters/{there[1]}/sets", a_set())
    assert renew(renewer, club_id) == 1


def other_clubs_heard(changes: Changes, club_id: UUID) -> list[UUID]:
    """The first that are heard of beside this club, whose later word may still be under way."""
    while heard := changes.heard(SOON_S):
        if others := [club for club in heard if club != club_id]:
            return others
    return []


def test_the_database_says_whose_facts_changed_once_it_is_so(
    coach, stranger, lifter, club_id, server, empty_name
):
    with Changes(server.app_url(empty_name)) as changes:
        assert changes.heard(0.0) == []
        coach.get("/api/floor")
        assert changes.heard(0.0) == [], "who only reads changes nothing"
        coach.post(f"/api/lifters/{lifter}/sets", a_set())
        coach.post(f"/api/lifters/{lifter}/sets", a_set())
        assert changes.heard(SOON_S) == [club_id]
        add_lifter(stranger, name="Of The Others")
        assert len(other_clubs_heard(changes, club_id)) == 1
