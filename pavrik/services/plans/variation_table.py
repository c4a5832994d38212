"""The variation table: computed loading beside the competition lift, ratios, what is chosen."""

from collections.abc import Sequence
from uuid import UUID

from pavrik.core.prescription.analysis import LiftAnalysis
from pavrik.core.prescription.reason import Reason
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.variations.catalogue import Variation
from pavrik.core.variations.gains import gains, time_share, way_share
from pavrik.core.variations.goals import goal_share
from pavrik.core.variations.loading import COMPETITION, EFFORT, Loading
from pavrik.core.variations.ratio import LearntRatio
from pavrik.formats.model.figure_columns import drawn_columns
from pavrik.formats.wire.plans import (
    GoalAnswer,
    LoadingAnswerOfPhases,
    RatioAnswer,
    RatioStepAnswer,
    VariationAnswer,
    VariationNames,
    VariationTable,
    VariationWordAnswer,
)
from pavrik.services.context import Who
from pavrik.services.plans.lift_state import (
    read_planning_facts,
    studies_of,
    variation_names,
    variations_of,
)
from pavrik.store import plans
from pavrik.store.database import Database


def _loading(loading: Loading | None) -> LoadingAnswerOfPhases | None:
    if loading is None:
        return None
    return LoadingAnswerOfPhases(
        load_kg=loading.load_kg,
        phases=list(loading.phases),
        use={
            name: [round(float(u), 3) for u in loading.utilization[:, i]]
            for i, name in enumerate(LIMITERS)
        },
        limiter=loading.limiter,
        drawn=drawn_columns(loading.draw()),
        reasons=list(loading.reasons),
    )


def _ratio(ratio: LearntRatio | None) -> RatioAnswer | None:
    if ratio is None:
        return None
    return RatioAnswer(
        ratio=ratio.ratio, low=ratio.low, high=ratio.high, days=ratio.days,
        steps=[RatioStepAnswer(**vars(step)) for step in ratio.steps],
    )  # fmt: skip


def _goal(one: Variation, loading: Loading, competition: Loading, goal: str) -> GoalAnswer:
    time, way = time_share(one), way_share(loading, competition)
    return GoalAnswer(**vars(goal_share(loading, competition, goal, time, way)))


def _row(study: LiftAnalysis, one: Variation, kit: frozenset[str], goal: str) -> VariationAnswer:
    considered = next((c for c in study.choice.considered if c.name == one.name), None)
    special = next((s for s in study.choice.specials if s.variation.name == one.name), None)
    reasons: Sequence[Reason] = special.reasons if special else ()
    loading, competition = study.loadings.get(one.name), study.loadings[COMPETITION]
    return VariationAnswer(
        name=one.name,
        good_for=one.good_for,
        role=one.role,
        place=one.place,
        hold_s=one.hold_s,
        kit=list(one.kit),
        missing_kit=[item for item in one.kit if item not in kit],
        blocked=study.blocked.get(one.name, ""),
        trains=list(one.trains),
        gains=gains(one, loading, competition) if loading else [],
        own=one.own,
        ratio=_ratio(study.ratios.get(one.name)),
        loading=_loading(loading),
        score=considered.score if considered else None,
        chosen=special is not None,
        why_not=considered.why if considered and not considered.chosen else "",
        reasons=list(reasons),
        goal=_goal(one, loading, competition, goal) if loading else None,
    )


def table(database: Database, who: Who, lifter_id: UUID, lift: str) -> VariationTable:
    """Every variation of a lift for a lifter. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        facts = read_planning_facts(connection, lifter_id)
        words = plans.variation_words(connection, lifter_id)
    study, kit, goal = studies_of(facts)[lift], facts.about.kit, facts.about.goal
    return VariationTable(
        lift=lift,
        max_kg=study.max_kg if study.max_is_known else None,
        effort=EFFORT,
        goal=goal,
        competition=_loading(study.loadings[COMPETITION]),
        variations=[_row(study, one, kit, goal) for one in study.variations],
        words=[VariationWordAnswer(**vars(word)) for word in words],
        caps=list(study.state.caps),
    )


def names(database: Database, who: Who) -> VariationNames:
    """Names of all variations by lift, and what a gym may own for them."""
    with database.reading(who.club_id) as connection:
        return VariationNames(
            **variation_names(connection), kit=dict(variations_of(connection).kit)
        )
