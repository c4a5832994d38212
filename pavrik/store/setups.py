"""Fits and settled set-ups, with everything needed to compute them again."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any
from uuid import UUID

from pavrik.store.database import Connection
from pavrik.store.statements import all_of, one_of, run, value_of


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
    json_version: int


@dataclass(frozen=True)
class FitKey:
    """What a computed fit is found again by."""

    lifter_id: UUID
    lift: str
    digest: str
    model_version: str
    json_version: int


def find_fit(connection: Connection, key: FitKey) -> dict[str, Any] | None:
    """The answer of a fit that was already computed from the same inputs."""
    found: dict[str, Any] | None = value_of(connection, "find_fit", **vars(key))
    return found


def add_fit(
    connection: Connection, club_id: UUID, fit_id: UUID, key: FitKey, inputs: dict[str, Any],
    answer: dict[str, Any],
) -> None:  # fmt: skip
    """Keep a computed fit; the same one computed at the same time elsewhere is kept once."""
    run(
        connection, "add_fit", club_id=club_id, fit_id=fit_id, inputs=inputs, answer=answer,
        **vars(key),
    )  # fmt: skip


def newest_settled(connection: Connection, lifter_id: UUID, lift: str) -> Settled | None:
    """What the lifter is settled on now."""
    return one_of(connection, Settled, "newest_settled", lifter_id=lifter_id, lift=lift)


def list_settled(connection: Connection, lifter_id: UUID | None = None) -> list[Settled]:
    """Every settled set-up, newest first, of one lifter or of the club."""
    return all_of(connection, Settled, "list_settled", lifter_id=lifter_id)


def add_settled(
    connection: Connection, club_id: UUID, settled_by: UUID | None, settled: Settled
) -> None:
    """Settle on a set-up; it supersedes the one before."""
    run(connection, "add_settled", club_id=club_id, settled_by=settled_by, **vars(settled))
