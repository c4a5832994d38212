"""What the floor shows of the whole club, in a handful of queries whatever the log's length."""

from dataclasses import dataclass
from datetime import date, datetime
from uuid import UUID

from psycopg.rows import class_row

from pavrik.store.database import Connection


@dataclass(frozen=True)
class FaultCount:
    """Faulty reps of one fault of one lifter: since an edge, and in as long a time before it."""

    lifter_id: UUID
    lift: str
    fault_id: str
    recent: int
    before: int


@dataclass(frozen=True)
class LiftEnding:
    """A fault that ended a lift."""

    lifter_id: UUID
    lift: str
    fault_id: str
    load_kg: float
    performed_at: datetime


@dataclass(frozen=True)
class LiftSummary:
    """What the log says of a lift: estimated max and technique cap in kg."""

    lifter_id: UUID
    lift: str
    max_kg: float | None
    cap_kg: float | None
    cap_words: str


_STANDING = """
  not s.withdrawn and not exists (
    select from training_set newer where newer.club_id = s.club_id and newer.replaces = s.set_id)
"""


def count_faults(connection: Connection, start: datetime, edge: datetime) -> list[FaultCount]:
    """Faulty reps since ``start`` by lifter and fault, split at ``edge``."""
    cursor = connection.cursor(row_factory=class_row(FaultCount))
    return cursor.execute(
        f"""select s.lifter_id, s.lift, o.fault_id,
              count(*) filter (where s.performed_at >= %(edge)s) as recent,
              count(*) filter (where s.performed_at < %(edge)s) as before
            from training_set s join fault_observation o using (club_id, set_id)
            where s.performed_at >= %(start)s and {_STANDING}
            group by s.lifter_id, s.lift, o.fault_id""",
        {"start": start, "edge": edge},
    ).fetchall()


def count_reps(
    connection: Connection, start: datetime, edge: datetime
) -> dict[tuple[UUID, str], tuple[int, int]]:
    """Reps (recent, before) since ``start`` by lifter and lift."""
    rows = connection.execute(
        f"""select s.lifter_id, s.lift,
              coalesce(sum(s.reps + s.missed_reps) filter (where s.performed_at >= %(edge)s), 0),
              coalesce(sum(s.reps + s.missed_reps) filter (where s.performed_at < %(edge)s), 0)
            from training_set s where s.performed_at >= %(start)s and {_STANDING}
            group by s.lifter_id, s.lift""",
        {"start": start, "edge": edge},
    )
    return {(lifter_id, lift): (recent, before) for lifter_id, lift, recent, before in rows}


def list_lift_endings(connection: Connection, since: datetime) -> list[LiftEnding]:
    """Faults that ended a lift, newest first."""
    cursor = connection.cursor(row_factory=class_row(LiftEnding))
    return cursor.execute(
        f"""select s.lifter_id, s.lift, o.fault_id, s.load_kg, s.performed_at
            from training_set s join fault_observation o using (club_id, set_id)
            where s.performed_at >= %s and o.severity = 3 and {_STANDING}
            order by s.performed_at desc""",
        (since,),
    ).fetchall()


def last_sets(connection: Connection) -> dict[UUID, datetime]:
    """When each lifter was last on the platform."""
    rows = connection.execute(
        """select l.lifter_id, newest.at from lifter l cross join lateral (
             select max(at) as at from (
               (select performed_at as at from training_set s where s.club_id = l.club_id
                  and s.lifter_id = l.lifter_id and s.lift = 'squat'
                order by performed_at desc limit 1)
               union all
               (select performed_at from training_set s where s.club_id = l.club_id
                  and s.lifter_id = l.lifter_id and s.lift = 'deadlift'
                order by performed_at desc limit 1)) both_lifts) newest
           where newest.at is not null"""
    )
    return dict(rows.fetchall())


def logged_days(connection: Connection, since: datetime) -> set[tuple[UUID, str, date]]:
    """(lifter, lift, day) of everything logged since a moment, on the club's clock."""
    rows = connection.execute(
        f"""select distinct s.lifter_id, s.lift, s.performed_at::date
            from training_set s where s.performed_at >= %s and {_STANDING}""",
        (since,),
    )
    return set(rows.fetchall())


def list_summaries(connection: Connection) -> list[LiftSummary]:
    """What every log says today."""
    return (
        connection.cursor(row_factory=class_row(LiftSummary))
        .execute("select lifter_id, lift, max_kg, cap_kg, cap_words from lift_summary")
        .fetchall()
    )


def find_summary(connection: Connection, lifter_id: UUID, lift: str) -> LiftSummary | None:
    """What the log of one lift says today."""
    return (
        connection.cursor(row_factory=class_row(LiftSummary))
        .execute(
            """select lifter_id, lift, max_kg, cap_kg, cap_words from lift_summary
               where lifter_id = %s and lift = %s""",
            (lifter_id, lift),
        )
        .fetchone()
    )


def save_summary(connection: Connection, club_id: UUID, summary: LiftSummary) -> None:
    """Keep what a log says today."""
    connection.execute(
        """insert into lift_summary (club_id, lifter_id, lift, max_kg, cap_kg, cap_words)
           values (%s, %s, %s, %s, %s, %s)
           on conflict (club_id, lifter_id, lift) do update set max_kg = excluded.max_kg,
             cap_kg = excluded.cap_kg, cap_words = excluded.cap_words, computed_at = now()""",
        (club_id, summary.lifter_id, summary.lift, summary.max_kg, summary.cap_kg,
         summary.cap_words),
    )  # fmt: skip
