"""A transaction that only reads: it writes nothing, sees one moment, and asks each thing once."""

from uuid import UUID

import psycopg
import pytest
from uuid6 import uuid7

from pavrik.store import lifters
from pavrik.store.database import Database, answers_of
from pavrik.store.kept import NOBODY, Asked, look_up
from pavrik.store.lifters import list_away
from pavrik.store.statements import tuples_of
from tests.api.helpers import add_club


@pytest.fixture
def database(server, empty_name, open_database) -> Database:
    return open_database(server.app_url(empty_name))


@pytest.fixture
def club_id(server, empty_name) -> UUID:
    return add_club(server.owner_url(empty_name), "Readers")


def asked(connection: psycopg.Connection, monkeypatch) -> list[object]:
    """A cursor for every question that goes to the server from here on."""
    sent: list[object] = []
    cursor = connection.cursor

    def noting(**how):
        sent.append(cursor(**how))
        return sent[-1]

    monkeypatch.setattr(connection, "cursor", noting)
    return sent


def test_it_writes_nothing(database, club_id):
    with pytest.raises(psycopg.errors.ReadOnlySqlTransaction), database.reading(club_id) as one:
        one.execute("insert into lifter values (%s, %s)", (club_id, uuid7()))


def test_what_was_asked_once_is_not_asked_again_and_answers_are_the_callers_own(
    database, club_id, monkeypatch
):
    stamp = {"lifter_ids": [uuid7()], "nobody": NOBODY}
    with database.reading(club_id) as connection:
        sent = asked(connection, monkeypatch)
        first = tuples_of(connection, "list_stamps", **stamp)
        first.clear()
        assert len(tuples_of(connection, "list_stamps", **stamp)) == 1
        assert len(sent) == 1
        lifters.list_school_choices(connection, None)
        lifters.list_school_choices(connection, uuid7())
        assert len(sent) == 3


def test_another_transaction_asks_anew(database, club_id, monkeypatch):
    for _ in range(2):
        with database.reading(club_id) as connection:
            sent = asked(connection, monkeypatch)
            list_away(connection)
            assert len(sent) == 1
            monkeypatch.undo()
        assert connection not in answers_of


def test_where_something_may_be_written_everything_is_asked_again(database, club_id, monkeypatch):
    with database.club(club_id) as connection:
        sent = asked(connection, monkeypatch)
        list_away(connection)
        list_away(connection)
        assert len(sent) == 2


def test_a_read_that_failed_leaves_nothing_behind(database, club_id):
    with pytest.raises(RuntimeError, match="broken"), database.reading(club_id) as connection:
        raise RuntimeError("broken")
    assert connection not in answers_of


def test_it_sees_one_moment(database, club_id):
    with database.reading(club_id) as connection:
        count = "select count(*) from lifter"
        before = connection.execute(count).fetchone()
        with database.club(club_id) as other:
            other.execute("insert into lifter values (%s, %s)", (club_id, uuid7()))
        assert connection.execute(count).fetchone() == before == (0,)
    with database.reading(club_id) as connection:
        assert connection.execute(count).fetchone() == (1,)


def test_one_statement_enters_a_club_for_itself_alone(database, club_id):
    """Nothing of it is left on the connection, which others get next."""
    question = Asked(NOBODY, "floor", "", "")
    with database.one_statement() as connection:
        stamp, _ = look_up(connection, club_id, question)
        assert stamp.rests_on
        assert connection.execute("select current_club(), named_by_sign_in()").fetchone() == (
            None, None,
        )  # fmt: skip
        assert connection.execute("select count(*) from lifter").fetchone() == (0,)
    with database.club(club_id) as again:
        assert again.execute("select count(*) from club").fetchone() == (1,)
    assert not again.autocommit
