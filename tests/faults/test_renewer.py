"""The process that renews answers: it hears of writes, and again after the database was away."""

from collections.abc import Iterator
from threading import Event

import psycopg
import pytest

from pavrik.cli.serving import renewing_beside
from tests.api.helpers import a_set

LONGEST_S, STEP_S = 90.0, 0.05
LISTENS = """
select exists (select from pg_stat_activity
  where datname = current_database() and query ilike 'listen %%' and pid <> all(%s))
"""
RENEWED = """
select bool_and(rests_on = (
  select string_agg(number::text, ' ' order by whose) from lifter_change c
  where c.club_id = k.club_id and whose in (k.whose, '00000000-0000-0000-0000-000000000000')))
from kept_answer k where kind = 'lifter' and whose = %s
"""
CUT_OFF = """
select pid, pg_terminate_backend(pid) from pg_stat_activity
where datname = current_database() and query ilike 'listen %'
"""


@pytest.fixture
def beside(server, empty_name) -> Iterator[None]:
    with renewing_beside(server.app_url(empty_name)):
        yield


def comes(connection: psycopg.Connection, question: str, asked: object) -> bool:
    """Whether the answer is yes before long."""
    pause = Event()
    for _ in range(int(LONGEST_S / STEP_S)):
        if connection.execute(question, (asked,)).fetchone() == (True,):
            return True
        pause.wait(STEP_S)
    return False


def test_it_renews_and_does_so_again_after_its_connections_were_lost(
    coach, lifter, owner_url, beside
):
    gone: list[int] = []
    with psycopg.connect(owner_url, autocommit=True) as connection:
        for _ in range(2):
            assert comes(connection, LISTENS, gone)
            assert coach.get(f"/api/lifters/{lifter}").status_code == 200
            assert coach.post(f"/api/lifters/{lifter}/sets", a_set()).status_code == 201
            assert comes(connection, RENEWED, lifter)
            gone += [pid for pid, _ in connection.execute(CUT_OFF)]
    assert len(gone) == 2
