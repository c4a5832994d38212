"""Set-ups studied: from request to answer, without a database. Faults, why not, maps, what the
answer is sensitive to and goals for every lift; paths and depth of the squat."""

from collections.abc import Sequence
from typing import Any

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.competition_lifts import LIFTS
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.explorer import exact_setup
from pavrik.core.fitting.fault_cost import FaultCost, fault_costs
from pavrik.core.fitting.maps import setup_map
from pavrik.core.fitting.remedies import why_not
from pavrik.core.fitting.sensitivity import Flip, input_words, sensitivity, sensitivity_words
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.phases import computed_phases
from pavrik.core.squat.depth import hip_above_knee_m, parallel_m
from pavrik.core.squat.natural_bottom import cost_per_centimetre, natural_bottom
from pavrik.core.squat.path_ladder import PLUMB_FROM_BODY_MASSES, path_ladder
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import degrees
from pavrik.formats.model.answers import CandidateOut
from pavrik.formats.model.deadlift_answers import (
    DeadliftAtLoadRequest,
    DeadliftCandidateOut,
    DeadliftCostRequest,
)
from pavrik.formats.model.figure_columns import drawn_columns
from pavrik.formats.model.lift_answers import (
    BarPathOut,
    CostAnswer,
    CostRequest,
    DecidingAnswer,
    DepthAnswer,
    FaultCostOut,
    FlipOut,
    MapAnswer,
    MovedUse,
    PathAnswer,
    RemedyOut,
    SquatAtLoadRequest,
    WhyNotAnswer,
)
from pavrik.formats.model.requests import SquatSetupIn
from pavrik.formats.model.setup_codec import (
    SAID_BY_RANKING,
    WIRE,
    from_wire,
    read_setup,
    squat_from_wire,
)
from pavrik.services.lifters.model_lifter import lifter_from


def _cost_out(cost: FaultCost) -> FaultCostOut:
    name, before, after = cost.most_moved
    fields = {k: v for k, v in vars(cost).items() if k not in ("most_moved", "drawn")}
    return FaultCostOut(
        **fields,
        lost_kg=cost.lost_kg,
        lost_share=cost.lost_share,
        most_moved=MovedUse(name=name, before=before, after=after),
        drawn=drawn_columns(cost.drawn) if cost.drawn else None,
    )


def costs_of(
    lift: Lift[Any], lifter: Lifter, setup: Any, load_kg: float, amounts: dict[str, float]
) -> CostAnswer:
    """What every priced fault costs in a set-up at a load."""
    _, rejected = assess(lift, lifter, [setup])
    reasons = rejected[0].reasons if rejected else []
    costs = [] if reasons else fault_costs(lift, lifter, setup, load_kg, amounts)
    return CostAnswer(
        costs=[_cost_out(cost) for cost in costs], reasons=reasons, model_version=MODEL_VERSION
    )


def lifter_at_load(request: SquatAtLoadRequest | DeadliftAtLoadRequest) -> Lifter:
    """The lifter of a request for one set-up at a load."""
    balance = request.setup.balance if isinstance(request.setup, SquatSetupIn) else None
    return lifter_from(request.body, request.screens, request.schools, balance)


def cost(request: CostRequest | DeadliftCostRequest) -> CostAnswer:
    """The ``pavrik cost`` computation."""
    setup = from_wire(request.setup)
    lifter = lifter_at_load(request)
    return costs_of(LIFTS[request.lift], lifter, setup, request.load_kg, request.amounts)


def path_of(lifter: Lifter, setup: SquatSetup, load_kg: float) -> PathAnswer:
    """The descent at a load and the bar's paths for a ladder of loads."""
    found = exact_setup(SQUAT, lifter, setup, load_kg)
    return PathAnswer(
        progress=[float(p) for p in found.progress],
        phases=list(computed_phases(SQUAT.phases)),
        drawn=drawn_columns(found.path),
        ladder=[
            BarPathOut(**vars(path), range_m=path.range_m)
            for path in path_ladder(lifter, setup, load_kg)
        ],
        plumb_from_kg=PLUMB_FROM_BODY_MASSES * float(np.asarray(lifter.body.mass_kg)),
        predicted_max_kg=found.predicted_max_kg,
        reasons=found.reasons,
        model_version=MODEL_VERSION,
    )


def path(request: SquatAtLoadRequest) -> PathAnswer:
    """The ``pavrik path`` computation of a squat."""
    return path_of(lifter_at_load(request), squat_from_wire(request.setup), request.load_kg)


def why_not_answer(lift: Lift[Any], lifter: Lifter, style: str) -> WhyNotAnswer:
    """Why a style is closed, and the smallest changes that open it."""
    found = why_not(lift, lifter, style)
    return WhyNotAnswer(
        bar_position=style,
        feasible=found.feasible,
        gates=found.gates,
        binding=found.binding,
        remedies=[
            RemedyOut(
                words=remedy.words,
                stance_m=remedy.setup.stance_m,
                toe_out_deg=round(float(degrees(remedy.setup.toe_out)), 3),
                heel_lift_m=getattr(remedy.setup, "heel_lift_m", 0.0),
                predicted_max_kg=remedy.predicted_max_kg,
            )
            for remedy in found.remedies
        ],
    )


def map_answer(lift: Lift[Any], lifter: Lifter, around: Any, across: str) -> MapAnswer:
    """A map round a set-up."""
    found = setup_map(lift, lifter, around, across)
    kg = [[round(value, 1) for value in row] for row in found.kg]
    return MapAnswer(
        across=across, rows=found.rows, stance_m=found.stance_m, kg=kg, limit=found.limit
    )


def depth_answer(lifter: Lifter, setup: SquatSetup) -> DepthAnswer:
    """Natural bottoms and the price of depth."""
    bottom = natural_bottom(lifter, setup)
    price = cost_per_centimetre(lifter, setup)
    level = float(parallel_m(lifter.body))
    return DepthAnswer(
        **vars(bottom),
        competition_m=lifter.assumed.competition_margin_m,
        per_cm_kg=price[0] if price else None,
        per_cm_share=price[1] if price else None,
        target_below_parallel_m=level - hip_above_knee_m(lifter, setup),
    )


def _flip_out(flip: Flip) -> FlipOut:
    return FlipOut(
        name=flip.name,
        words=input_words(flip.name),
        unit=flip.unit,
        measured=flip.measured,
        by=flip.by,
        errors=flip.errors,
        to=flip.to,
    )


def leaders_from_answer(
    lift: Lift[Any], leaders: Sequence[CandidateOut | DeadliftCandidateOut]
) -> list[Any]:
    """Set-ups of the rivals of a kept ranking in the core's terms, the heaviest first."""
    by_max = sorted(leaders, key=lambda leader: -leader.predicted_max_kg)
    setups = [
        from_wire(read_setup(WIRE[lift.id], dict(leader.setup), SAID_BY_RANKING))
        for leader in by_max
    ]
    return [setup for setup in setups if lift.style_of(setup).rival]


def sensitivity_answer(
    lift: Lift[Any], lifter: Lifter, leaders: Sequence[CandidateOut | DeadliftCandidateOut]
) -> DecidingAnswer:
    """Which input decides between the leaders of a kept ranking."""
    setups = leaders_from_answer(lift, leaders)
    if len(setups) < 2:
        return DecidingAnswer(sentence=lift.sentences.nothing_decides, flips=[])
    flips = sensitivity(lift, lifter, setups)
    names = {style.id: style.name for style in lift.styles.values()}
    sentence = sensitivity_words(flips, names[setups[0].style], names)
    return DecidingAnswer(sentence=sentence, flips=[_flip_out(flip) for flip in flips])
