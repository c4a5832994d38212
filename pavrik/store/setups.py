"""Fits and settled set-ups, with everything needed to compute them again."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from psycopg.rows import class_row
from psycopg.types.json import Jsonb

from pavrik.store.database import Connection


@dataclass(frozen=True)
class Settled:
    """A set-up that a coach settled on, with inputs, prediction, model version and seed."""

    setup_id: UUID
    lifter_id: UUID
    lift: str
    setup: dict[str, Any]
    inputs: dict[str, Any]
    inputs_digest: str
    prediction: dict[str, Any]
    model_version: str
    seed: int
    reason: str
    settled_at: datetime


_SETTLED = """
  setup_id, lifter_id, lift, setup, inputs, inputs_digest, prediction, model_version, seed, reason,
  settled_at
"""


def find_fit(
    connection: Connection, lifter_id: UUID, lift: str, digest: str, model_version: str
) -> dict[str, Any] | None:
    """The answer of a fit that was already computed from the same inputs."""
    row = connection.execute(
        """select answer from fit where lifter_id = %s and lift = %s and inputs_digest = %s
             and model_version = %s""",
        (lifter_id, lift, digest, model_version),
    ).fetchone()
    return row[0] if row else None


def add_fit(
    connection: Connection, club_id: UUID, fit_id: UUID, lifter_id: UUID, lift: str,
    inputs: dict[str, Any], digest: str, answer: dict[str, Any], model_version: str,
) -> None:  # fmt: skip
    """Keep a computed fit; the same one computed at the same time elsewhere is kept once."""
    connection.execute(
        """insert into fit (club_id, fit_id, lifter_id, lift, inputs, inputs_digest, answer,
             model_version) values (%s, %s, %s, %s, %s, %s, %s, %s)
           on conflict on constraint fit_once do nothing""",
        (
            club_id, fit_id, lifter_id, lift, Jsonb(inputs), digest, Jsonb(answer), model_version,
        ),
    )  # fmt: skip


def newest_settled(connection: Connection, lifter_id: UUID, lift: str) -> Settled | None:
    """What the lifter is settled on now."""
    cursor = connection.cursor(row_factory=class_row(Settled))
    return cursor.execute(
        f"""select {_SETTLED} from settled_setup where lifter_id = %s and lift = %s
            order by settled_at desc, setup_id desc limit 1""",
        (lifter_id, lift),
    ).fetchone()


def list_settled(connection: Connection, lifter_id: UUID | None = None) -> list[Settled]:
    """Every settled set-up, newest first, of one lifter or of the club."""
    cursor = connection.cursor(row_factory=class_row(Settled))
    return cursor.execute(
        f"""select {_SETTLED} from settled_setup
            where %(lifter)s::uuid is null or lifter_id = %(lifter)s
            order by settled_at desc, setup_id desc""",
        {"lifter": lifter_id},
    ).fetchall()


def add_settled(
    connection: Connection, club_id: UUID, settled_by: UUID | None, settled: Settled
) -> None:
    """Settle on a set-up; it supersedes the one before."""
    connection.execute(
        """insert into settled_setup (club_id, setup_id, lifter_id, lift, setup, inputs,
             inputs_digest, prediction, model_version, seed, reason, settled_at, settled_by)
           values (%s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s, %s)""",
        (
            club_id, settled.setup_id, settled.lifter_id, settled.lift, Jsonb(settled.setup),
            Jsonb(settled.inputs), settled.inputs_digest, Jsonb(settled.prediction),
            settled.model_version, settled.seed, settled.reason, settled.settled_at, settled_by,
        ),
    )  # fmt: skip
