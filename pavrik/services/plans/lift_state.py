"""What the record says of both lifts for a plan: log, set-up, kit, flags, words of coaches."""

from datetime import date
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.analysis import LiftAnalysis, LiftFacts, analyse_lift
from pavrik.core.prescription.choice import Circumstances, Said
from pavrik.core.variations.catalogue import Variations, shipped_variations, with_own
from pavrik.services.club.library import catalogue_of, own_variations
from pavrik.services.lifters.model_inputs import (
    LifterInputs,
    load_inputs,
    setups_in_force,
)
from pavrik.services.plans.prescribing import NEWEST
from pavrik.services.setups.fits import model_of
from pavrik.services.training.causes import causes_of
from pavrik.services.training.cues import cues_of_the_day
from pavrik.services.training.history import history
from pavrik.store import equipment, lifters, plans
from pavrik.store.database import Connection


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
        inputs.profile.training_age == "novice",
        inputs.profile.goal,
    )


def studies_of(connection: Connection, lifter_id: UUID, on: date) -> dict[str, LiftAnalysis]:
    """The study of both lifts; what they share is read once. Raises NotFoundError."""
    inputs = load_inputs(connection, lifter_id)
    catalogue, variations = catalogue_of(connection), variations_of(connection)
    about, in_force = _circumstances(connection, inputs), setups_in_force(connection, inputs)
    sets: dict[str, list[TrainingSet]] = {
        lift: history(connection, lifter_id, lift, most=NEWEST) for lift in LIFT_IDS
    }
    said = {
        w.variation: Said(w.coach, w.reason, w.word == "use")
        for w in plans.variation_words(connection, lifter_id)
    }
    found: dict[str, LiftAnalysis] = {}
    for lift in LIFT_IDS:
        cues = cues_of_the_day(connection, lifter_id, lift, sets[lift], catalogue)
        facts = LiftFacts(
            lift=lift,
            lifter=model_of(inputs)[0],
            setup=in_force[lift],
            sets=sets[lift],
            cues=tuple(cue.text for cue in cues),
            said=said,
        )
        ranked = causes_of(connection, catalogue, inputs, lift, sets)
        found[lift] = analyse_lift(
            facts, variations.of(lift), catalogue, about, ranked, on.isoformat()
        )
    return found
