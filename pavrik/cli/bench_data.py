"""``pavrik bench --data``: screens over a club with two million reps, in a throw-away database."""

import time
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from uuid import UUID

import psycopg
from uuid6 import uuid7

from pavrik.core.faults.findings import findings
from pavrik.core.log.ability import ability_series
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.wire.plans import PlanFrame
from pavrik.services.club import board
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.plans import club_planning
from pavrik.services.training import log, outbox, review, session
from pavrik.services.training.history import history
from pavrik.services.training.log import shown_sets
from pavrik.store import lifters
from pavrik.store.database import Database
from pavrik.store.setup import throwaway
from pavrik.store.training import StoredSet

LIFTERS = 100
REPS_OF_A_SET = 5
LONG_LOG_REPS = 20_000
CAREER_SETS, CAREER_DAYS = 20_000, 2_500
CLUB_REPS = 2_000_000
QUEUED = 200
GROUP = 6

_SETS = """
insert into training_set (club_id, set_id, lifter_id, lift, variation, load_kg, reps, rpe,
    performed_at)
  select %(club)s, gen_random_uuid(), %(lifter)s,
    case when %(both)s and n %% 2 = 0 then 'deadlift' else 'squat' end,
    case when n %% 5 = 0 then 'pause squat' else 'competition' end,
    100 + 60 * random(), 5, 7 + 3 * random(), now() - n * interval '9 hours'
  from generate_series(1, %(sets)s) n"""
_FAULTS = """
insert into fault_observation (club_id, observation_id, set_id, rep, fault_id, phase, severity)
  select s.club_id, gen_random_uuid(), s.set_id, 1 + (random() * 4)::int,
    (case when s.lift = 'squat' then array['hips-rise', 'bar-forward', 'butt-wink']
          else array['hips-shoot', 'low-round', 'bar-away'] end)[1 + (random() * 2)::int],
    'out of the hole', 1 + (random() * 1.4)::int
  from training_set s where s.club_id = %(club)s and random() < (s.load_kg - 95) / 90"""


@dataclass(frozen=True)
class _Club:
    who: Who
    lifter_ids: list[UUID]


def _make_club(connection: psycopg.Connection, database: Database, reps: int) -> _Club:
    who = Who(uuid7(), uuid7(), "owner")
    connection.execute(
        "insert into club (club_id, name, is_demo) values (%s, 'Bench', false)", (who.club_id,)
    )
    connection.execute(
        """insert into coach (club_id, coach_id, email, name, role, password_hash)
           values (%s, %s, %s, 'Bench', 'owner', 'none')""",
        (who.club_id, who.coach_id, f"{who.coach_id}@bench.invalid"),
    )
    connection.commit()
    ids: list[UUID] = [uuid7() for _ in range(LIFTERS)]
    with database.club(who.club_id) as club:
        for number, lifter_id in enumerate(ids):
            lifters.add_lifter(club, who.club_id, lifter_id)
            profile = lifters.Profile(
                lifter_id, f"Lifter {number}", "male", 2000, 83.0, 1.75, "competition", "trained",
                True, "raw", "", datetime.now(UTC),
            )  # fmt: skip
            lifters.add_profile(club, who.club_id, uuid7(), who.coach_id, profile)
    long_sets = min(LONG_LOG_REPS, reps // 2) // REPS_OF_A_SET
    other_sets = (reps // REPS_OF_A_SET - long_sets) // (LIFTERS - 1)
    for number, lifter_id in enumerate(ids):
        sets = long_sets if number == 0 else other_sets
        connection.execute(
            _SETS,
            {"club": who.club_id, "lifter": lifter_id, "sets": sets, "both": number > 0},
        )
    connection.execute(_FAULTS, {"club": who.club_id})
    connection.commit()
    return _Club(who, ids)


def _seconds(action: Callable[[], object]) -> float:
    action()
    started = time.perf_counter()
    action()
    return time.perf_counter() - started


def _screens(database: Database, club: _Club) -> dict[str, Callable[[], object]]:
    who, one, group = club.who, club.lifter_ids[1], club.lifter_ids[1 : 1 + GROUP]
    lift = SQUAT.id
    return {
        "floor": lambda: board.board(database, who),
        "review of one lifter": lambda: review.review(database, who, one, lift),
        "platform of one lifter": lambda: session.platform(database, who, [one], lift),
        f"platform of a group of {GROUP}": lambda: session.platform(database, who, group, SQUAT.id),
        "newest sets": lambda: shown_sets(database, who, one, lift, 50),
    }


def _queue(database: Database, club: _Club) -> None:
    lifter_id, now = club.lifter_ids[1], datetime.now(UTC)
    items = [
        log.QueuedSet(
            uuid7(),
            StoredSet(
                uuid7(), lifter_id, None, SQUAT.id, "competition", 100.0, 5, 0, 8.0, None, None,
                {}, "", now,
            ),
            [],
            {},
        )
        for _ in range(QUEUED)
    ]  # fmt: skip
    outbox.take_outbox(database, club.who, items)


def _analysis_s(database: Database, club: _Club) -> float:
    with database.club(club.who.club_id) as connection:
        sets = history(connection, club.lifter_ids[0], SQUAT.id, most=None)
        catalogue = catalogue_of(connection)
    assert sum(s.reps for s in sets) == LONG_LOG_REPS
    return _seconds(lambda: findings(sets, catalogue, SQUAT.id, "trained"))


def _career_s() -> float:
    """The max on every day of a long career, from its sets alone."""
    days = [date(2010, 1, 1) + timedelta(days=2 * at) for at in range(CAREER_DAYS)]
    loads = (100.0, 110.0, 120.0, 130.0)
    per_day = CAREER_SETS // CAREER_DAYS
    sets = [
        TrainingSet(f"{day}-{at}", day.isoformat(), loads[at % 4], 3 + at % 3, 7.0 + at % 2)
        for day in days
        for at in range(per_day)
    ]
    return min(_seconds(lambda: ability_series(sets)) for _ in range(5))


def run_data_bench() -> None:
    """Make a club with two million reps and one a hundredth of it, and time every screen."""
    with throwaway() as urls:
        _measure(*urls)


def _additions_s() -> float:
    """Ten million additions: what the other times are to be read against."""
    return _seconds(lambda: sum(range(10_000_000)))


def _measure(owner_url: str, app_url: str) -> None:
    database = Database(app_url)
    database.open()
    with psycopg.connect(owner_url) as connection:
        connection.execute("set session_replication_role = replica")
        connection.execute("set row_security = off")
        small = _make_club(connection, database, CLUB_REPS // 100)
        large = _make_club(connection, database, CLUB_REPS)
        connection.execute("analyze")
        connection.commit()
    print(f"{'this machine: 10,000,000 additions':42}{_additions_s() * 1e3:9.0f} ms")
    analysis = _analysis_s(database, large)
    told = f"analysis of one lifter's {LONG_LOG_REPS:,} reps"
    print(f"{told:42}{analysis * 1e3:9.0f} ms")
    told = f"filter of {CAREER_SETS:,} sets, {CAREER_DAYS:,} days"
    print(f"{told:42}{_career_s() * 1e3:9.0f} ms")
    print(f"{'club of':30}{CLUB_REPS // 100:>12,}{CLUB_REPS:>12,} reps")
    little = _screens(database, small)
    for name, screen in _screens(database, large).items():
        before, after = _seconds(little[name]), _seconds(screen)
        ratio = after / before
        print(f"{name:30}{before * 1e3:9.0f} ms{after * 1e3:9.0f} ms{ratio:8.1f} times")
    long_review = _seconds(
        lambda: review.review(database, large.who, large.lifter_ids[0], SQUAT.id)
    )
    print(f"{'review of the longest log':42}{long_review * 1e3:9.0f} ms")
    print(f"{f'{QUEUED} queued sets':42}{_seconds(lambda: _queue(database, large)) * 1e3:9.0f} ms")
    with psycopg.connect(owner_url) as connection:
        connection.execute("set row_security = off")
        for kg in (25, 20, 15, 10, 5, 2.5):
            connection.execute(
                "insert into plate_stock values (%s, %s, 4)", (small.who.club_id, kg)
            )
        connection.execute(
            """insert into bar (club_id, bar_id, name, mass_kg, shaft_mm, collars_kg)
               values (%s, %s, 'Bar', 20, 28, 0)""",
            (small.who.club_id, uuid7()),
        )
    started = time.perf_counter()
    progress = list(
        club_planning.club_steps(
            database,
            small.who,
            PlanFrame(start=datetime.now(UTC).date(), weeks=12, weekdays=[0, 1, 3, 4]),
        )
    )
    taken = time.perf_counter() - started
    print(f"{f'plans for {len(progress) - 1} lifters':42}{taken * 1e3:9.0f} ms")
    database.close()
