"""Plans for everyone in a club who has none, in the background: on every core where there are many.

Making a plan is mostly computing, so many lifters are shared out over processes, each with a
connection of its own.
"""

import os
from concurrent.futures import ProcessPoolExecutor, as_completed
from functools import partial
from uuid import UUID

from uuid6 import uuid7

from pavrik.errors import InvalidError
from pavrik.formats.wire.plans import PlanFrame
from pavrik.services import stored
from pavrik.services.beside import processes
from pavrik.services.context import Who
from pavrik.services.jobs import Jobs, Steps
from pavrik.services.plans import planning
from pavrik.store import lifters
from pavrik.store.database import Database
from pavrik.store.jobs import Job
from pavrik.words import say

SHARED_FROM = 8
"""From so many lifters on it is worth starting processes."""
MOST_PROCESSES = 4
ONE_AT_A_TIME = "one at a time"
_own: list[Database] = []


def _begin(url: str) -> None:
    """In a fresh process: its own way to the database."""
    database = Database(url, most_connections=1)
    database.open()
    _own.append(database)


def _plan_one(who: Who, lifter_id: UUID, frame: PlanFrame) -> None:
    plan_id = uuid7()
    planning.make(_own[-1], who, plan_id, plan_id, lifter_id, frame)


def _without_plan(database: Database, who: Who) -> list[UUID]:
    with database.club(who.club_id) as connection:
        everyone = [p.lifter_id for p in lifters.list_profiles(connection)]
        have = {record.lifter_id for record in stored.standing_plans(connection)}
    return [lifter_id for lifter_id in everyone if lifter_id not in have]


def _one_by_one(database: Database, who: Who, wanted: list[UUID], frame: PlanFrame) -> Steps:
    for done, lifter_id in enumerate(wanted, start=1):
        plan_id = uuid7()
        planning.make(database, who, plan_id, plan_id, lifter_id, frame)
        yield done / len(wanted)


def _shared_out(database: Database, who: Who, wanted: list[UUID], frame: PlanFrame) -> Steps:
    at_once = min(MOST_PROCESSES, os.cpu_count() or 1)
    with ProcessPoolExecutor(
        at_once, mp_context=processes(), initializer=_begin, initargs=(database.url,)
    ) as pool:
        tasks = [pool.submit(_plan_one, who, lifter_id, frame) for lifter_id in wanted]
        try:
            for done, task in enumerate(as_completed(tasks), start=1):
                task.result()
                yield done / len(wanted)
        finally:
            pool.shutdown(wait=True, cancel_futures=True)


def club_steps(database: Database, who: Who, frame: PlanFrame) -> Steps:
    """Plan after plan, with progress from 0 to 1."""
    wanted = _without_plan(database, who)
    way = _shared_out if len(wanted) >= SHARED_FROM else _one_by_one
    yield from way(database, who, wanted, frame)
    yield 1.0


def plan_club(database: Database, who: Who, jobs: Jobs, frame: PlanFrame) -> Job:
    """Plan for everyone without a plan, once at a time: asked again it is the job that runs.

    Raises ForbiddenError, InvalidError.
    """
    who.must_write()
    with database.club(who.club_id) as connection:
        everyone = [p.lifter_id for p in lifters.list_profiles(connection)]
    if not everyone:
        raise InvalidError(say("plans.club_no_lifters_yet"))
    task = partial(club_steps, who=who, frame=frame)
    return jobs.ask(who, everyone[0], "club plans", ONE_AT_A_TIME, task)
