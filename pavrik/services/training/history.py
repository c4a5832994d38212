"""The log of a lifter as the core reads it: standing sets with what was seen in them."""

from collections.abc import Sequence
from uuid import UUID

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.faults.expected import is_expected
from pavrik.core.faults.schools import in_force, silenced_faults
from pavrik.core.log.repeatability import REP_SPEED
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.variations.catalogue import shares_of_max
from pavrik.services.club.library import catalogue_of, own_variations
from pavrik.store import lifters
from pavrik.store import training as store
from pavrik.store.database import Connection


def schools_in_force(connection: Connection, lifter_id: UUID) -> dict[str, str]:
    """The club's schools, overridden by the lifter's own."""
    return in_force(
        lifters.list_school_choices(connection, None),
        lifters.list_school_choices(connection, lifter_id),
    )


def logged_sets(
    connection: Connection, lifter_id: UUID, sets: Sequence[store.StoredSet]
) -> list[TrainingSet]:
    """Stored sets of one lifter in the order given, without the faults that the schools silence and
    without a light bar's own bow. A film measures what is beyond the bow, so it counts."""
    silenced = silenced_faults(schools_in_force(connection, lifter_id))
    profile = lifters.get_profile(connection, lifter_id)
    mass_kg = profile.mass_kg if profile is not None else 0.0

    def counts(seen: store.Observation, load_kg: float) -> bool:
        if seen.fault_id in silenced:
            return False
        filmed = seen.film_s is not None
        return filmed or not is_expected(seen.fault_id, seen.severity, load_kg, mass_kg)

    catalogue, shares = catalogue_of(connection), shares_of_max(own_variations(connection))
    ids = [s.set_id for s in sets]
    seen = store.observations_of(connection, ids)
    measured = store.measures_of(connection, ids)
    return [
        TrainingSet(
            set_id=str(s.set_id),
            day=s.performed_at.date().isoformat(),
            load_kg=s.load_kg,
            reps=s.reps,
            rpe=s.rpe,
            missed_reps=s.missed_reps,
            faults=tuple(
                LoggedFault(
                    o.fault_id, catalogue.name_of(o.fault_id), o.rep, o.severity, o.phase, o.side
                )
                for o in seen[s.set_id]
                if counts(o, s.load_kg)
            ),
            aimed_rpe=s.aimed_rpe,
            variation=s.variation,
            pull_style=s.pull_style,
            cue=s.cue or None,
            measures=measured.get(s.set_id, ()),
            of_max=shares.get(s.variation),
            over_slowest_m_s=LIFTS[s.lift].over_slowest_m_s(
                dict(measured.get(s.set_id, ())).get(REP_SPEED)
            ),
        )
        for s in sets
    ]


def history(
    connection: Connection, lifter_id: UUID, lift: str, variation: str | None = None,
    most: int | None = 500,
) -> list[TrainingSet]:  # fmt: skip
    """Standing sets of a lift, oldest first."""
    sets = store.list_sets(connection, lifter_id, lift, most)
    wanted = [s for s in sets if variation is None or s.variation == variation]
    return logged_sets(connection, lifter_id, wanted[::-1])
