"""A lifter's record as the Lifter screen and the rail show it."""

from typing import Any
from uuid import UUID

from pavrik.core.body.measurement import LANDMARKS
from pavrik.core.competition_lifts import LIFTS
from pavrik.core.lifts.lift import Lift
from pavrik.core.log.training_set import best_sets
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.wire.lifters import (
    BestLift,
    FlagAnswer,
    LifterAnswer,
    MassOut,
    MeasureAnswer,
    ProfileRequest,
    ScreenAnswer,
    StageState,
    Standing,
)
from pavrik.services import stored
from pavrik.services.context import Who
from pavrik.services.lifters.facts import measure_sheet
from pavrik.services.lifters.known_lifts import known_lifts
from pavrik.services.lifters.model_inputs import (
    LifterInputs,
    facts_of,
    load_inputs,
)
from pavrik.services.lifters.profile import get_profile
from pavrik.services.setups.fits import model_of, settled_in
from pavrik.services.training.history import logged_sets, schools_in_force
from pavrik.store import clips, lifters, training
from pavrik.store.database import Connection, Database
from pavrik.words import say


def _bests(
    connection: Connection, lifter_id: UUID, sets: list[training.StoredSet]
) -> list[BestLift]:
    """The best counting set of every lift and variation, the highest estimated max first."""
    kept = {str(one.set_id): one for one in sets}
    best = best_sets(
        ((kept[s.set_id].lift, s.variation), s) for s in logged_sets(connection, lifter_id, sets)
    )
    return [
        BestLift(
            lift=lift,
            variation=variation,
            estimated_max_kg=says.kg,
            load_kg=says.logged.load_kg,
            reps=says.logged.reps,
            rpe=says.logged.rpe,
            performed_at=kept[says.logged.set_id].performed_at,
        )
        for (lift, variation), says in sorted(best.items(), key=lambda item: -item[1].kg)
    ]


def _stage(state: Standing, note: str = "") -> StageState:
    return StageState(state=state, note=note)


def _measure_stage(connection: Connection, lifter_id: UUID) -> StageState:
    found = lifters.list_measurements(connection, lifter_id)
    twice = sum(len(m.readings_m) > 1 for m in found)
    if not found:
        return _stage("nothing yet", say("lifters.all_estimated"))
    state: Standing = "settled" if twice == len(LANDMARKS) else "drafted"
    return _stage(state, say("lifters.of_twice", twice=twice, landmarks=len(LANDMARKS)))


def _fit_stage(lift: Lift[Any], connection: Connection, inputs: LifterInputs) -> StageState:
    view = settled_in(lift, connection, inputs)
    if view is None:
        return _stage("nothing yet")
    if view.stale_because:
        return _stage("out of date", ", ".join(view.stale_because))
    return _stage("settled")


def _watch_stage(connection: Connection, lifter_id: UUID) -> StageState:
    filmed_on = clips.newest_clip_day(connection, lifter_id)
    return (
        _stage("drafted", say("lifters.on_day", on=filmed_on))
        if filmed_on
        else _stage("nothing yet")
    )


def _stages(
    connection: Connection, inputs: LifterInputs, sets: list[training.StoredSet]
) -> dict[str, StageState]:
    lifter_id = inputs.profile.lifter_id
    fits = {lift.id: _fit_stage(lift, connection, inputs) for lift in LIFTS.values()}
    given = stored.list_prescriptions(connection, lifter_id, 1)
    return {
        "lifter": _stage("settled"),
        "measure": _measure_stage(connection, lifter_id),
        **fits,
        "log": _stage("settled", say("lifters.on_day", on=sets[0].performed_at))
        if sets
        else _stage("nothing yet"),
        "prescribe": _stage("drafted", say("lifters.on_day", on=given[0].prescribed_at))
        if given
        else _stage("nothing yet"),
        "review": _stage("drafted", say("lifters.sets_sets", sets=len(sets)))
        if sets
        else _stage("nothing yet"),
        "watch": _watch_stage(connection, lifter_id),
        "card": fits[SQUAT.id],
    }


def lifter_record(database: Database, who: Who, lifter_id: UUID) -> LifterAnswer:
    """Everything that the Lifter screen shows. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        inputs = load_inputs(connection, lifter_id)
        sets = training.list_sets(connection, lifter_id)
        said = {k: v for k, v in vars(inputs.profile).items() if k in ProfileRequest.model_fields}
        flags = lifters.list_open_flags(connection, lifter_id)
        return LifterAnswer(
            lifter_id=lifter_id,
            away_since=lifters.away_since(connection, lifter_id),
            masses=[MassOut(**vars(m)) for m in lifters.list_masses(connection, lifter_id)],
            profile=ProfileRequest(**said),
            screens=[ScreenAnswer(**vars(s)) for s in lifters.list_screens(connection, lifter_id)],
            flags=[FlagAnswer.model_validate(flag, from_attributes=True) for flag in flags],
            schools=schools_in_force(connection, lifter_id),
            bests=_bests(connection, lifter_id, sets),
            known=known_lifts(connection, lifter_id),
            stages=_stages(connection, inputs, sets),
        )


def measured(database: Database, who: Who, lifter_id: UUID) -> MeasureAnswer:
    """Readings beside what people of that stature have, and the lengths that the model takes.
    Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        facts = facts_of(connection, get_profile(connection, lifter_id))
        body = model_of(facts)[0].body
        lengths = {name: float(v) for name, v in vars(body).items() if name.endswith("_m")}
        return measure_sheet(connection, facts.profile, lengths)
