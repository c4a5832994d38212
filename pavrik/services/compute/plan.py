"""``pavrik plan``: the plan from a request alone; raises ValueError with one line per problem."""

from collections.abc import Mapping, Sequence

from pavrik.core import MODEL_VERSION
from pavrik.core.competition_lifts import LIFT_IDS, LIFTS
from pavrik.core.equipment.light_start import LIGHT_DISCS
from pavrik.core.equipment.plates import PlatePair
from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.evidence import RankedCause, rank_causes
from pavrik.core.faults.expected import is_expected
from pavrik.core.faults.findings import FaultFindings
from pavrik.core.faults.log_signals import signals_of_fault, signals_of_log
from pavrik.core.faults.schools import silenced_faults
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.prescription.analysis import LiftAnalysis, LiftFacts, analyse_lift
from pavrik.core.prescription.choice import Circumstances
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.pain import PainFlag
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import PlanAsk
from pavrik.core.variations.catalogue import shares_of_max, shipped_variations
from pavrik.formats.model.setup_codec import from_wire
from pavrik.formats.plan_request import AnyLogIn, PublicPlanAnswer, PublicPlanRequest, SetIn
from pavrik.services.lifters.model_lifter import lifter_from
from pavrik.words import say


def _logs(request: PublicPlanRequest) -> dict[str, AnyLogIn]:
    return {lift: getattr(request, lift) for lift in LIFT_IDS}


def _check(request: PublicPlanRequest) -> None:
    """Raise ValueError for what the catalogue or the kit does not know."""
    faults, kit = shipped_catalogue().faults, shipped_variations().kit
    problems = [
        say("compute.nothing_needs_leave_out", item=item)
        for item in request.gym.kit
        if item not in kit
    ]
    for lift, log in _logs(request).items():
        seen = {f.fault_id for s in log.sets for f in s.faults}
        problems += [
            say("compute.no_fault_called", lift=lift, fault=fault)
            for fault in sorted(seen)
            if fault not in faults or faults[fault].lift != lift
        ]
    if problems:
        raise ValueError("\n".join(problems))


def _seen(one: SetIn, silenced: Sequence[str], body_mass_kg: float) -> tuple[LoggedFault, ...]:
    """Faults of a set without those that a school silences and a light bar's own bow."""
    return tuple(
        LoggedFault(f.fault_id, shipped_catalogue().name_of(f.fault_id), f.rep, f.severity, f.phase)
        for f in one.faults
        if f.fault_id not in silenced
        and not is_expected(f.fault_id, f.severity, one.load_kg, body_mass_kg)
    )


def _logged(
    index: int,
    lift: str,
    one: SetIn,
    faults: tuple[LoggedFault, ...],
    shares: Mapping[str, tuple[float, float]],
) -> TrainingSet:
    return TrainingSet(
        f"{lift}.sets.{index}", one.day.isoformat(), one.load_kg, one.reps, one.rpe,
        one.missed_reps, faults, one.aimed_rpe, one.variation, one.pull_style,
        of_max=shares.get(one.variation),
        over_slowest_m_s=LIFTS[lift].over_slowest_m_s(one.rep_speed_m_s),
    )  # fmt: skip


def _study(
    request: PublicPlanRequest, lifter: Lifter, lift: str, log: AnyLogIn, about: Circumstances
) -> LiftAnalysis:
    catalogue, silenced = shipped_catalogue(), silenced_faults(request.schools)
    shares = shares_of_max()
    seen = [_seen(s, list(silenced), request.body.mass_kg) for s in log.sets]
    sets = [_logged(i, lift, s, seen[i], shares) for i, s in enumerate(log.sets)]
    sets.sort(key=lambda s: s.day)

    of_log = signals_of_log(sets)

    def causes_of(fault: FaultFindings) -> Sequence[RankedCause]:
        told = [*of_log, *signals_of_fault(sets, fault)]
        return rank_causes(catalogue, fault.fault_id, told)

    usual = LIFTS[lift].usual(request.body.stature_m)
    setup = from_wire(log.setup) if log.setup else usual
    facts = LiftFacts(lift, lifter, setup, sets, age=request.training_age)
    of_lift = shipped_variations().of(lift)
    return analyse_lift(facts, of_lift, catalogue, about, causes_of, request.start.isoformat())


def plan(request: PublicPlanRequest) -> PublicPlanAnswer:
    """The plan of a request; facts of its reasons are places in the request, as
    ``squat.sets.3``."""
    _check(request)
    novice = request.training_age == "novice"
    about = Circumstances(
        frozenset(request.gym.kit), tuple(request.flags), novice, request.goal,
        schools=request.schools,
    )  # fmt: skip
    lifter = lifter_from(request.body, request.screens, request.schools)
    logs = _logs(request)
    studies = {lift: _study(request, lifter, lift, logs[lift], about) for lift in LIFT_IDS}
    stock = tuple(PlatePair(plate.kg, plate.pairs) for plate in request.gym.plates)
    made = make_plan(
        PlanAsk(
            request.start, request.weeks, tuple(request.weekdays), request.meet, request.goal,
            request.training_age, request.shape, request.strategy, tuple(request.blocked),
            own_shape=request.own_shape.as_shape("own") if request.own_shape else None,
        ),
        {lift: study.state for lift, study in studies.items()},
        Gym(
            request.gym.bar_kg, request.gym.collars_kg, stock, LIGHT_DISCS in request.gym.kit
        ),
        pain=tuple(PainFlag(f"flags.{i}", region) for i, region in enumerate(request.flags)),
    )  # fmt: skip
    return PublicPlanAnswer(
        plan=made,
        considered={lift: list(study.choice.considered) for lift, study in studies.items()},
        model_version=MODEL_VERSION,
    )
