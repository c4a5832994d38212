"""The platform: everything that logging a session needs, in one answer that works offline."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from functools import lru_cache
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS, LiftId
from pavrik.core.equipment.plates import Loading, loadings_between
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.schools import silenced_faults
from pavrik.core.log.training_set import COMPETITION, TrainingSet
from pavrik.core.prescription.back_off import back_off
from pavrik.core.prescription.next_load import Gym, Target
from pavrik.core.prescription.novice import on_the_way, ramp_is_over
from pavrik.core.prescription.plan_parts import OTHER, Day, Line
from pavrik.core.prescription.reason import Reason
from pavrik.core.prescription.turns import Turn, turn_order
from pavrik.core.squat.squat import SQUAT
from pavrik.errors import InvalidError
from pavrik.formats.plan_words import line_words, title_of
from pavrik.formats.wire.card import CardAnswer, DeadliftCard, SquatCard
from pavrik.formats.wire.library import BarAnswer
from pavrik.formats.wire.log import Gear, SetAnswer
from pavrik.formats.wire.session import (
    CueAnswer,
    FrequentAnswer,
    GymLoadings,
    LoadingAnswer,
    NextSetAnswer,
    PlannedLine,
    PlatformAnswer,
    PlatformLift,
    PlatformLifter,
)
from pavrik.services import stored
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import LifterInputs, load_inputs
from pavrik.services.plans.lift_state import variation_names
from pavrik.services.plans.prescribing import (
    NextLoadFacts,
    ladder_to,
    proposed,
    read_next_load_facts,
    recorded_gym,
)
from pavrik.services.plans.standing import day_in
from pavrik.services.setups.card import CardFacts, card_facts_of, card_of
from pavrik.services.training.caps import Caps, LiftCap, caps_of
from pavrik.services.training.cues import Told, told_of_the_day
from pavrik.services.training.history import history, schools_in_force
from pavrik.services.training.log import shown_sets_in
from pavrik.store import equipment, training
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.words import say

MOST_LIFTERS = 8
MOST_LOAD_KG = 420.0
RECENT = 12
USUAL = Target(5, 8.0, 3)
_NOTHING = NextSetAnswer(
    sets=USUAL.sets, reps=USUAL.reps, rpe=USUAL.rpe, estimated_max_kg=None, load_kg=None,
    per_side=[], bar_kg=20.0, collars_kg=0.0, warm_up=[], variation=COMPETITION, reasons=[],
    prescribed=False,
)  # fmt: skip


def _frequent(sets: list[TrainingSet]) -> list[FrequentAnswer]:
    """Fault and phase as this lifter shows them, the most frequent first."""
    counts = Counter((f.fault_id, f.phase) for s in sets[-80:] for f in s.faults)
    return [FrequentAnswer(fault_id=f, phase=p, count=n) for (f, p), n in counts.most_common(12)]


def _squat_words(settled: SquatCard) -> tuple[list[str], int | None]:
    words = [
        say("training.bar_hands_grip_words", bar=settled.bar, grip_words=settled.grip_words),
        say(
            "training.stance_cm_toes",
            stance_m=settled.stance_m * 100,
            toe_out_deg=settled.toe_out_deg,
        ),
    ]
    if settled.heel_lift_m:
        words.append(say("training.heels_cm_up", heel_lift_m=settled.heel_lift_m * 100))
    if not settled.racks:
        return words, None
    rack = settled.racks[0]
    words.append(
        say(
            "training.hooks_safeties",
            rack=rack.rack,
            hook_hole=rack.hook_hole,
            safety_hole=rack.safety_hole,
        )
    )
    return words, rack.hook_hole


def _deadlift_words(settled: DeadliftCard) -> tuple[list[str], int | None]:
    return [
        f"{settled.style}, {settled.foot_words}",
        say(
            "training.feet_cm_toes_hands",
            stance_m=settled.stance_m * 100,
            toe_out_deg=settled.toe_out_deg,
            grip_words=settled.grip_words,
        ),
    ], None


def _setup_words(card: CardAnswer, lift: str) -> tuple[list[str], int | None]:
    """The set-up of the day in words a lifter can check, and the hook hole."""
    if lift == SQUAT.id:
        return _squat_words(card.squat) if card.squat else ([], None)
    return _deadlift_words(card.deadlift) if card.deadlift else ([], None)


def _planned(day: Day | None, lift: str, sets: list[TrainingSet], today: str) -> list[PlannedLine]:
    """Today's lines of the lift with how many of their sets are logged."""
    done = Counter(s.variation for s in sets if s.day == today)
    found = []
    for line in day.lines if day else ():
        if line.lift != lift or line.left_out:
            continue
        logged = min(done[line.variation], line.sets)
        done[line.variation] -= logged
        found.append(
            PlannedLine(
                line_id=line.line_id, variation=line.variation, kind=line.kind,
                title=title_of(line), sets=line.sets, done=logged, reps=line.reps, rpe=line.rpe,
                load_kg=line.load_kg, per_side=list(line.per_side), rest_s=line.rest_s,
                note=line.note, reasons=list(line.reasons), until_rpe=line.until_rpe,
                unit=line.unit,
            )
        )  # fmt: skip
    return found


def _with_load(shown: PlannedLine, loading: Loading, why: Reason) -> PlannedLine:
    told = {"load_kg": loading.total_kg, "per_side": list(loading.per_side)}
    return shown.model_copy(update=told | {"reasons": [why, *shown.reasons]})


def _next_five(line: Line, shown: PlannedLine, own: Sequence[TrainingSet], gym: Gym
               ) -> PlannedLine | None:  # fmt: skip
    """A line of the way up that is not done: by what the last five showed; None once one ended
    it."""
    if ramp_is_over(own):
        return None
    load_kg = on_the_way(line.load_kg or gym.empty_kg, own, gym)
    if load_kg == line.load_kg:
        return shown
    why = Reason(say("training.small_jump_last_five"), (own[-1].set_id,))
    return _with_load(shown, gym.loading(load_kg), why)


def _as_the_day_goes(facts: "_LiftFacts", gym: Gym | None) -> list[PlannedLine]:
    """Today's lines moved by what was done: back-off sets by the top single, a way up by its last
    five."""
    if gym is None or facts.day is None:
        return facts.planned
    lines = {line.line_id: line for line in facts.day.lines}
    done = [s for s in facts.sets if s.day == facts.day.on.isoformat()]
    moved: list[PlannedLine | None] = []
    for shown in facts.planned:
        line = lines[shown.line_id]
        own = [s for s in done if s.variation == line.variation]
        if line.until_rpe is not None and not shown.done:
            moved.append(_next_five(line, shown, own, gym))
            continue
        found = back_off(line, list(facts.day.lines), own, gym)
        moved.append(_with_load(shown, found.loading, found.reason) if found else shown)
    return [shown for shown in moved if shown is not None]


def _from_plan(gym: Gym | None, planned: list[PlannedLine]) -> NextSetAnswer | None:
    """The next set of today's plan: the first loaded line that is not done."""
    line = next((x for x in planned if x.load_kg is not None and x.done < x.sets), None)
    if line is None:
        return None
    told = line.model_dump(include={"sets", "reps", "load_kg", "per_side", "variation"})
    aim = line.rpe or line.until_rpe or USUAL.rpe
    told |= {
        "reasons": line.reasons,
        "rpe": aim,
        "prescribed": True,
    }
    if gym is not None and line.load_kg is not None:
        told |= {
            "bar_kg": gym.bar_kg, "collars_kg": gym.collars_kg,
            "warm_up": ladder_to(line.load_kg, gym),
        }  # fmt: skip
    return _NOTHING.model_copy(update=told)


@dataclass(frozen=True)
class _LiftFacts:
    """A lift's part of a session: its sets and cues, the plan's day, its lines, and the newest
    prescription; without one what the next load follows from, or why there is none."""

    lift: LiftId
    sets: list[TrainingSet]
    told: Told
    day: Day | None
    planned: list[PlannedLine]
    given: training.Prescription | NextLoadFacts | str
    cap: LiftCap | None


@dataclass(frozen=True)
class _LifterFacts:
    """A lifter's part of a session."""

    lifter_id: UUID
    name: str
    card: CardFacts
    silenced: list[str]
    recent: list[SetAnswer]
    day: Day | None
    lifts: list[_LiftFacts]


def _given(facts: _LiftFacts) -> NextSetAnswer:
    """The newest prescription of the lift, else what would be prescribed."""
    given = facts.given
    if isinstance(given, str):
        return _NOTHING.model_copy(update={"reasons": [Reason(given)]})
    if isinstance(given, NextLoadFacts):
        now = proposed(given, USUAL)
        return NextSetAnswer(**dict(now), variation=COMPETITION, prescribed=False)
    found = NextSetAnswer(**{"variation": COMPETITION, **given.answer, "prescribed": True})
    return found.model_copy(update={"load_kg": given.overruled_kg or found.load_kg})


def _next_load(
    connection: Connection, inputs: LifterInputs, lift: LiftId, sets: list[TrainingSet]
) -> NextLoadFacts | str:
    try:
        return read_next_load_facts(connection, inputs, lift, sets)
    except InvalidError as error:
        return str(error)


def _read_lift(
    connection: Connection, inputs: LifterInputs, lift: LiftId, catalogue: Catalogue, on: date,
    day: Day | None, caps: Caps,
) -> _LiftFacts:  # fmt: skip
    lifter_id = inputs.profile.lifter_id
    sets = history(connection, lifter_id, lift, most=200)
    prescriptions = stored.list_prescriptions(connection, lifter_id)
    given = next((p for p in prescriptions if p.lift == lift), None)
    return _LiftFacts(
        lift,
        sets,
        told_of_the_day(connection, inputs.profile, lift, sets, catalogue),
        day,
        _planned(day, lift, sets, on.isoformat()),
        given or _next_load(connection, inputs, lift, sets),
        caps.by_lift.get(lift),
    )


def _read_lifter(connection: Connection, catalogue: Catalogue, caps: Caps) -> _LifterFacts:
    """Read, nothing computed yet. Raises NotFoundError."""
    lifter_id, on = caps.lifter_id, today(connection)
    inputs, day = load_inputs(connection, lifter_id), day_in(connection, lifter_id, on)
    lifts = [_read_lift(connection, inputs, lift, catalogue, on, day, caps) for lift in LIFT_IDS]
    return _LifterFacts(
        lifter_id,
        inputs.profile.name,
        card_facts_of(connection, inputs, {of.lift: of.told for of in lifts}),
        sorted(silenced_faults(schools_in_force(connection, lifter_id))),
        shown_sets_in(connection, lifter_id, None, RECENT),
        day,
        lifts,
    )


def _lift(facts: _LiftFacts, card: CardAnswer, gym: Gym | None) -> PlatformLift:
    """Next is today's plan, else the newest prescription, else what would be prescribed."""
    words, hole = _setup_words(card, facts.lift)
    planned = _as_the_day_goes(facts, gym)
    return PlatformLift(
        lift=facts.lift,
        next=_from_plan(gym, planned) or _given(facts),
        planned=planned,
        setup_words=words,
        hook_hole=hole,
        cues=[CueAnswer(**vars(cue)) for cue in facts.told.cues],
        checks=facts.told.checks,
        frequent=_frequent(facts.sets),
        cap_kg=facts.cap.load_kg if facts.cap else None,
        cap_words=facts.cap.words if facts.cap else "",
    )


def _other_work(day: Day | None) -> list[str]:
    lines = day.lines if day else ()
    return [line_words(x) for x in lines if x.lift == OTHER and not x.left_out]


def _one(facts: _LifterFacts, gym: Gym | None) -> PlatformLifter:
    card = card_of(facts.card)
    return PlatformLifter(
        lifter_id=facts.lifter_id,
        name=facts.name,
        pain=list(facts.card.record.pain),
        silenced=facts.silenced,
        lifts=[_lift(lift, card, gym) for lift in facts.lifts],
        gear=facts.recent[0].gear if facts.recent else Gear(),
        recent=facts.recent,
        other_work=_other_work(facts.day),
    )


@lru_cache(maxsize=64)
def _loadings(gym: Gym | None) -> GymLoadings:
    """Every load that the gym's first bar can be given, for a phone without a network."""
    if gym is None:
        return GymLoadings(bar_kg=20.0, collars_kg=0.0, loadings=[])
    found = loadings_between(0.0, MOST_LOAD_KG, gym.bar_kg, gym.collars_kg, gym.stock)
    return GymLoadings(
        bar_kg=gym.bar_kg,
        collars_kg=gym.collars_kg,
        loadings=[
            LoadingAnswer(total_kg=one.total_kg, per_side=list(one.per_side)) for one in found
        ],
    )


def platform(database: Database, who: Who, lifter_ids: list[UUID], lift: str) -> PlatformAnswer:
    """The session of one lifter or of a group in turn. Raises NotFoundError, InvalidError."""
    if not 1 <= len(lifter_ids) <= MOST_LIFTERS:
        raise InvalidError(
            say(
                "training.lifters_platform_takes_1",
                lifter_ids=len(lifter_ids),
                most_lifters=MOST_LIFTERS,
            ),
            "lifter_id",
        )
    with database.club(who.club_id) as connection:
        caps = caps_of(connection, who, dict.fromkeys(lifter_ids))
    with database.reading(who.club_id) as connection:
        catalogue = catalogue_of(connection)
        known = [_read_lifter(connection, catalogue, caps[i]) for i in dict.fromkeys(lifter_ids)]
        gym = recorded_gym(connection)
        bars = [BarAnswer(**vars(bar)) for bar in equipment.list_bars(connection)]
        racks = [rack.name for rack in equipment.list_racks(connection)]
        variations = variation_names(connection)
    found = {str(facts.lifter_id): _one(facts, gym) for facts in known}
    turns = []
    for lifter_id, one in found.items():
        of_lift = next(x for x in one.lifts if x.lift == lift)
        turns.append(Turn(lifter_id, one.name, of_lift.hook_hole, of_lift.next.load_kg))
    return PlatformAnswer(
        lifters=[found[turn.lifter_id] for turn in turn_order(turns)],
        gym=_loadings(gym),
        bars=bars,
        racks=racks,
        variations=variations,
    )
