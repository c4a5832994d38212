"""The squat studied for one lifter: computations from request to answer, without a database."""

from collections.abc import Sequence

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.equipment.gear import gear_advice
from pavrik.core.fitting.deciding import Flip, deciding_words, input_words, what_decides
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.lifts.phases import computed_phases
from pavrik.core.squat.bar_positions import SHELVES
from pavrik.core.squat.bench import exact_setup
from pavrik.core.squat.candidates import assess
from pavrik.core.squat.cases import SetupGrid
from pavrik.core.squat.costs import FaultCost, fault_costs
from pavrik.core.squat.depth import hip_above_knee_m, parallel_m
from pavrik.core.squat.goals import Weights, goal_scores, weights_for
from pavrik.core.squat.learning import learning_ladder
from pavrik.core.squat.maps import Across, setup_map
from pavrik.core.squat.natural_bottom import cost_per_centimetre, natural_bottom
from pavrik.core.squat.path_ladder import PLUMB_FROM_BODY_MASSES, path_ladder
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.uncertainty import best_maxes_kg
from pavrik.core.squat.why_not import why_not
from pavrik.core.units import degrees
from pavrik.formats.bench import drawn_columns
from pavrik.formats.model_answers import CandidateOut
from pavrik.formats.squat_study import (
    BarPathOut,
    CostAnswer,
    CostRequest,
    DecidingAnswer,
    DepthAnswer,
    FaultCostOut,
    FlipOut,
    GoalsAnswer,
    GoalScoreOut,
    MapAnswer,
    MovedUse,
    PathAnswer,
    RemedyOut,
    RungOut,
    SquatAtLoadRequest,
    WhyNotAnswer,
)
from pavrik.services.model import lifter_from, setup_from

NAMES: dict[str, str] = {position: shelf.name for position, shelf in SHELVES.items()}


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
    lifter: Lifter, setup: SquatSetup, load_kg: float, amounts: dict[str, float]
) -> CostAnswer:
    """What every priced fault costs in a set-up at a load."""
    reasons = exact_setup(lifter, setup, load_kg).reasons
    costs = [] if reasons else fault_costs(lifter, setup, load_kg, amounts)
    return CostAnswer(
        costs=[_cost_out(cost) for cost in costs], reasons=reasons, model_version=MODEL_VERSION
    )


def cost(request: CostRequest) -> CostAnswer:
    """The ``pavrik cost`` computation."""
    lifter = lifter_from(request.body, request.screens, request.schools, request.setup.balance)
    return costs_of(lifter, setup_from(request.setup), request.load_kg, request.amounts)


def path_of(lifter: Lifter, setup: SquatSetup, load_kg: float) -> PathAnswer:
    """The descent at a load and the bar's paths for a ladder of loads."""
    found = exact_setup(lifter, setup, load_kg)
    return PathAnswer(
        progress=[float(p) for p in found.progress],
        phases=list(computed_phases("squat")),
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
    """The ``pavrik path`` computation."""
    lifter = lifter_from(request.body, request.screens, request.schools, request.setup.balance)
    return path_of(lifter, setup_from(request.setup), request.load_kg)


def nearest_reasons(lifter: Lifter, position: BarPosition) -> list[str]:
    """What binds the nearest set-up of a bar position that the body cannot take."""
    _, rejected = assess(lifter, SetupGrid(bar_positions=(position,)).setups())
    if not rejected:
        return []
    return min(rejected, key=lambda r: len(r.reasons)).reasons


def why_not_answer(lifter: Lifter, position: BarPosition) -> WhyNotAnswer:
    """Why a style is closed, and the smallest changes that open it."""
    found = why_not(lifter, position, nearest_reasons(lifter, position))
    return WhyNotAnswer(
        bar_position=position,
        feasible=found.feasible,
        gates=found.gates,
        binding=found.binding,
        remedies=[
            RemedyOut(
                words=remedy.words,
                stance_m=remedy.setup.stance_m,
                toe_out_deg=round(float(degrees(remedy.setup.toe_out)), 3),
                heel_lift_m=remedy.setup.heel_lift_m,
                predicted_max_kg=remedy.predicted_max_kg,
            )
            for remedy in found.remedies
        ],
    )


def map_answer(lifter: Lifter, around: SquatSetup, across: Across) -> MapAnswer:
    """A map round a set-up."""
    found = setup_map(lifter, around, across)
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


def leader_setups(leaders: Sequence[CandidateOut]) -> list[SquatSetup]:
    """Leaders of a stored ranking in the core's terms."""
    return [
        SquatSetup(
            leader.setup.bar_position,  # type: ignore[arg-type]
            leader.setup.stance_m,
            float(np.deg2rad(leader.setup.toe_out_deg)),
            leader.setup.heel_lift_m,
        )
        for leader in leaders
    ]


def deciding_answer(lifter: Lifter, leaders: Sequence[CandidateOut]) -> DecidingAnswer:
    """Which input decides between the leaders."""
    by_max = sorted(leaders, key=lambda leader: -leader.predicted_max_kg)
    if len(by_max) < 2:
        return DecidingAnswer(sentence="only one bar position is open: nothing to decide", flips=[])
    setups = leader_setups(by_max)
    flips = what_decides(
        lifter, [s.bar_position for s in setups], lambda many: best_maxes_kg(many, setups)
    )
    sentence = deciding_words(flips, NAMES[by_max[0].setup.bar_position], NAMES)
    return DecidingAnswer(sentence=sentence, flips=[_flip_out(flip) for flip in flips])


def _goal_sentence(
    goal: str, scores: Sequence[GoalScoreOut], leaders: Sequence[CandidateOut]
) -> str:
    if not scores:
        return "no full squat is open yet: take the learning ladder from its first closed rung"
    first = max(scores, key=lambda score: score.total)
    heaviest = max(leaders, key=lambda leader: leader.predicted_max_kg).setup.bar_position
    chosen = NAMES[first.bar_position]
    if first.bar_position == heaviest:
        return f"for {goal}, {chosen} comes first, as it does for the heaviest squat"
    return f"for {goal}, {chosen} comes first; {NAMES[heaviest]} would lift the most"


def goals_answer(
    lifter: Lifter,
    leaders: Sequence[CandidateOut],
    goal: str,
    gear: str,
    novice: bool,
    pain: Sequence[str],
    weights: Weights | None,
) -> GoalsAnswer:
    """How the goal orders the leaders, with the learning ladder and what the gear changes."""
    used = weights if weights else weights_for(goal, novice, pain)
    total = sum(used.values())
    used = {part: weight / total for part, weight in used.items()} if total > 0 else {"max": 1.0}
    scores = [
        GoalScoreOut(
            bar_position=leader.setup.bar_position,
            total=score.total,
            parts={str(part): value for part, value in score.parts.items()},
            school=score.school,
        )
        for leader, score in zip(
            leaders, goal_scores(lifter, leader_setups(leaders), used, pain), strict=True
        )
    ]
    return GoalsAnswer(
        goal=goal,
        weights={str(part): weight for part, weight in used.items()},
        scores=scores,
        sentence=_goal_sentence(goal, scores, leaders),
        ladder=[RungOut(**vars(rung)) for rung in learning_ladder(lifter)],
        advice=gear_advice(gear),
    )
