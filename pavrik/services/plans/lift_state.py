"""What the record says of both lifts for a plan: log, set-up, kit, flags, words of coaches."""

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from typing import Any
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.analysis import (
    LiftAnalysis,
    LiftFacts,
    analyse_lift,
    computed_of,
)
from pavrik.core.prescription.choice import Circumstances, Said
from pavrik.core.variations.catalogue import Variations, shipped_variations, with_own
from pavrik.services.club.library import catalogue_of, own_variations
from pavrik.services.lifters.known_lifts import known_bests, with_known_bests
from pavrik.services.lifters.model_inputs import (
    LifterInputs,
    load_inputs,
    setups_in_force,
)
from pavrik.services.plans.prescribing import NEWEST
from pavrik.services.setups.fits import model_of
from pavrik.services.setups.remembered import closed_to, load_all_of
from pavrik.services.training.causes import CauseFacts, causes_of, read_cause_facts
from pavrik.services.training.cues import Told, told_of_the_day
from pavrik.services.training.history import history
from pavrik.store import equipment, lifters, plans
from pavrik.store.accounts import today
from pavrik.store.database import Connection
from pavrik.store.library import passed_stages


def kit_of(connection: Connection) -> frozenset[str]:
    """What the gym owns: as it was said, and what bars and racks say by themselves."""
    owned = set(equipment.get_kit(connection))
    if any(bar.handles for bar in equipment.list_bars(connection)):
        owned.add("safety bar")
    if equipment.list_racks(connection):
        owned.add("pins")
    if any(plate.kg < 0.5 for plate in equipment.list_plates(connection)):
        owned.add("micro discs")
    return frozenset(owned)


def variations_of(connection: Connection) -> Variations:
    """The shipped variations and the club's own."""
    return with_own(shipped_variations(), own_variations(connection))


def variation_names(connection: Connection) -> dict[str, list[str]]:
    """What can be logged by lift, the competition lift first."""
    found = variations_of(connection)
    return {lift: [COMPETITION, *(v.name for v in found.of(lift))] for lift in LIFT_IDS}


def _circumstances(connection: Connection, inputs: LifterInputs) -> Circumstances:
    """Kit, flags, training age, goal."""
    flags = lifters.list_open_flags(connection, inputs.profile.lifter_id)
    return Circumstances(
        kit_of(connection),
        tuple(flag.region for flag in flags),
        inputs.profile.novice,
        inputs.profile.goal,
        schools=inputs.request.schools,
    )


PASS_LASTS = timedelta(days=120)
"""A fault that is back after so long is drilled anew."""


@dataclass(frozen=True)
class PlanningFacts:
    """What a plan is made from: facts of the lifter and the day it is made."""

    on: date
    variations: Variations
    about: Circumstances
    in_force: Mapping[str, Any]
    said: Mapping[str, Said]
    told: Mapping[str, Told]
    passed: frozenset[tuple[str, str]]
    causes: CauseFacts


def read_planning_facts(connection: Connection, lifter_id: UUID) -> PlanningFacts:
    """Read, nothing computed yet; what both lifts share is read once. Raises NotFoundError."""
    inputs = load_inputs(connection, lifter_id)
    catalogue = catalogue_of(connection)
    in_force, told = setups_in_force(connection, inputs), known_bests(connection, lifter_id)
    sets: dict[str, list[TrainingSet]] = {
        lift: with_known_bests(
            history(connection, lifter_id, lift, most=NEWEST), told, lift, in_force[lift].style
        )
        for lift in LIFT_IDS
    }
    said = {
        w.variation: Said(w.coach, w.reason, w.word == "use")
        for w in plans.variation_words(connection, lifter_id)
    }
    told_now: dict[str, Told] = {
        lift: told_of_the_day(connection, inputs.profile, lift, sets[lift], catalogue)
        for lift in LIFT_IDS
    }
    return PlanningFacts(
        today(connection),
        variations_of(connection),
        _circumstances(connection, inputs),
        in_force,
        said,
        told_now,
        frozenset(passed_stages(connection, lifter_id, datetime.now(UTC) - PASS_LASTS)),
        read_cause_facts(connection, catalogue, inputs, sets),
    )


def studies_of(facts: PlanningFacts) -> dict[str, LiftAnalysis]:
    """The study of both lifts."""
    causes, found = facts.causes, dict[str, LiftAnalysis]()
    inputs = causes.fit.inputs
    for lift in LIFT_IDS:
        setup, variations = facts.in_force[lift], facts.variations.of(lift)
        of_lift = LiftFacts(
            lift=lift,
            lifter=model_of(inputs)[0],
            setup=setup,
            sets=causes.sets[lift],
            cues=tuple(cue.text for cue in facts.told[lift].cues),
            said=facts.said,
            checks=tuple(facts.told[lift].checks),
            passed=frozenset(stage for of_lift, stage in facts.passed if of_lift == lift),
            age=inputs.profile.training_age,
            load_all=load_all_of(inputs, lift, setup, computed_of(variations)),
            closed=closed_to(inputs, lift, setup),
        )
        found[lift] = analyse_lift(
            of_lift, variations, causes.catalogue, facts.about,
            causes_of(causes, lift), facts.on.isoformat(),
        )  # fmt: skip
    return found
