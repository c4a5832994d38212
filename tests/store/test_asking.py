"""Single statements from the event loop: who asks sees the own club alone, nothing of one statement
is left for the next, a server that was lost is asked once more."""

import asyncio
from collections.abc import Awaitable, Callable
from uuid import UUID, uuid4

import psycopg
import pytest
from pydantic import RootModel

from pavrik.services.club.accounts import Accounts, digest, find_account
from pavrik.services.club.passwords import Passwords
from pavrik.services.context import Who
from pavrik.services.kept import NOBODY, Question, kept_answer, standing_answer
from pavrik.store.asking import Asking
from tests.api.helpers import PASSWORD, add_club
from tests.conftest import CHEAP

FLOOR = Question("floor", NOBODY)
Ask = Callable[[Callable[[Asking], Awaitable[object]]], object]


@pytest.fixture
def ask(server, empty_name) -> Ask:
    """Runs what asks in a loop of its own, over one connection."""

    async def run(what: Callable[[Asking], Awaitable[object]]) -> object:
        asking = Asking(server.app_url(empty_name), most_connections=1)
        await asking.open()
        try:
            return await what(asking)
        finally:
            await asking.close()

    return lambda what: asyncio.run(run(what))


@pytest.fixture
def coach_of(server, empty_name, open_database) -> Callable[[str], str]:
    """The token of a coach whose club's floor was answered with some words."""
    database = open_database(server.app_url(empty_name))

    def make(words: str) -> str:
        email = f"{uuid4()}@askers.example"
        club_id = add_club(server.owner_url(empty_name), words, (email, "owner"))
        nobody = Who(club_id, UUID(int=0), "read_only")
        kept_answer(database, nobody, FLOOR, lambda: RootModel(words))
        return Accounts(database, Passwords(CHEAP)).sign_in(email, PASSWORD).token

    return make


def test_each_coach_finds_the_answer_of_the_own_club_and_nobody_finds_none(ask, coach_of):
    tokens = [digest(coach_of(words)) for words in ("here", "there")]

    async def answers(asking: Asking) -> object:
        return [await standing_answer(asking, token, FLOOR) for token in (*tokens, digest(""))]

    here, there, nobody = ask(answers)
    assert [here[1], there[1], nobody] == ['"here"', '"there"', None]
    assert here[0].club_id != there[0].club_id
    assert here[0].role == "owner"


def test_nothing_of_a_statement_is_left_for_the_next(ask, coach_of):
    token = coach_of("once")

    async def left(asking: Asking) -> object:
        await find_account(asking, token)
        await standing_answer(asking, digest(token), FLOOR)
        async with asking._pool.connection() as connection:
            asked = await connection.execute(
                """select current_club(), named_by_sign_in(), current_user,
                          (select count(*) from coach), (select count(*) from session)"""
            )
            return await asked.fetchone()

    assert ask(left) == (None, None, "pavrik_app", 0, 0)


def test_a_server_that_was_lost_is_asked_once_more(ask, coach_of, server, empty_name):
    token = coach_of("again")

    async def lost(asking: Asking) -> object:
        assert await find_account(asking, token)
        with psycopg.connect(server.owner_url(empty_name)) as owner:
            owner.execute(
                """select pg_terminate_backend(pid, 5000) from pg_stat_activity
                   where datname = current_database() and pid <> pg_backend_pid()"""
            )
        return await find_account(asking, token)

    found = ask(lost)
    assert found.club_name == "again"
