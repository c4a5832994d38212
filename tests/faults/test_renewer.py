"""The process that renews answers: it hears of writes, and again after the database was away."""

from collections.abc import Iterator
from threading import Event

import psycopg
import pytest

from pavrik.cli.serving import renewing_beside
from tests.api.helpers import a_set

LONGEST_S, STEP_S = 20.0, 0.05
STALE = """
select count(*) from kept_answer k where kind = 'lifter' and whose = %s and rests_on <> (
  select string_agg(number::text, ' ' order by whose) from lifter_change c
  where c.club_id = k.club_id and whose in (k.whose, '00000000-0000-0000-0000-000000000000'))
"""


@pytest.fixture
def beside(server, empty_name) -> Iterator[None]:
    with renewing_beside(server.app_url(empty_name)):
        yield


def renewed(owner_url: str, lifter: str) -> bool:
    """Whether the lifter's record is renewed before long."""
    pause = Event()
    with psycopg.connect(owner_url, autocommit=True) as connection:
        for _ in range(int(LONGEST_S / STEP_S)):
            if connection.execute(STALE, (lifter,)).fetchone() == (0,):
                return True
            pause.wait(STEP_S)
    return False


def log_until_renewed(coach, owner_url: str, lifter: str) -> bool:
    """A process that has not begun to listen hears of the next write."""
    for _ in range(5):
        assert coach.post(f"/api/lifters/{lifter}/sets", a_set()).status_code == 201
        if renewed(owner_url, lifter):
            return True
    return False


def test_it_renews_and_does_so_again_after_its_connections_were_lost(
    coach, lifter, owner_url, beside
):
    assert coach.get(f"/api/lifters/{lifter}").status_code == 200
    assert log_until_renewed(coach, owner_url, lifter)
    with psycopg.connect(owner_url, autocommit=True) as connection:
        connection.execute(
            "select pg_terminate_backend(pid) from pg_stat_activity "
            "where datname = current_database() and query ilike 'listen %'"
        )
    assert log_until_renewed(coach, owner_url, lifter)
