"""How a lifter's goal orders the leaders of a lift, and the ladder to a lift that is not open."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any
from uuid import UUID

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.learning import learning_ladder as deadlift_ladder
from pavrik.core.equipment.gear import gear_advice
from pavrik.core.fitting.goals import Target, Weights, goal_scores, weights_for
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.lift import Lift
from pavrik.core.lifts.rung import Rung, where_to_stand
from pavrik.core.squat.learning import learning_ladder as squat_ladder
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.model.answers import CandidateOut
from pavrik.formats.model.deadlift_answers import DeadliftCandidateOut
from pavrik.formats.model.lift_answers import GoalsAnswer, GoalScoreOut, RungOut, WeightsRequest
from pavrik.services.context import Who
from pavrik.services.setups.analysis import leaders_from_answer
from pavrik.services.setups.fits import Fitting, answer_now
from pavrik.store import lifters
from pavrik.store.database import Database
from pavrik.words import say


def _on_the_ladder(lift: Lift[Any], ladder: Sequence[Rung]) -> str:
    """Where to stand while no full lift is open: only rungs that there are."""
    stands, above = where_to_stand(ladder)
    told = say("setups.no_full_open_yet", name=lift.name)
    if stands is not None:
        told += say("setups.stand_rung", name=stands.name)
    return told + (say("setups.work_toward", name=above.name, why=above.why) if above else "")


def _goal_sentence(
    lift: Lift[Any], goal: str, ranked: Sequence[str], ladder: Sequence[Rung]
) -> str:
    """``ranked`` are the styles of the leaders: the first by the goal, then the heaviest."""
    if not ranked:
        return _on_the_ladder(lift, ladder)
    first, heaviest = (lift.styles[style].name for style in ranked)
    if first == heaviest:
        return say("setups.comes_first_does_heaviest", goal=goal, first=first, name=lift.name)
    return say("setups.comes_first_would_lift", goal=goal, first=first, heaviest=heaviest)


BY_MAX = frozenset({"competition", "strength"})
"""Goals for which the predicted max decides what is shown first."""
LADDERS: Mapping[str, Callable[[Lifter, str, int | None], list[Rung]]] = {
    SQUAT.id: squat_ladder,
    DEADLIFT.id: deadlift_ladder,
}


def _heading(lift: Lift[Any], aim: "Aim", ranked: Sequence[str]) -> str:
    """What the goal makes of the fit, short enough for a heading."""
    if not ranked:
        return say("setups.no_full_open_yet_2", name=lift.name)
    name = lift.styles[ranked[0]].name
    return say(
        "setups.first_for", name=name[:1].upper(), rest=name[1:], target=aim.target or aim.goal
    )


@dataclass(frozen=True)
class Aim:
    """What a lifter trains for, in which gear, and what hurts; ``weights`` None are the goal's.
    ``target`` is a muscle to train, ``teaching`` the school of it, ``weeks`` the time there is."""

    goal: str
    gear: str
    novice: bool
    pain: tuple[str, ...]
    weights: Weights | None = None
    target: Target | None = None
    teaching: str = ""
    weeks: int | None = None


def goals_answer(
    lift: Lift[Any],
    lifter: Lifter,
    leaders: Sequence[CandidateOut | DeadliftCandidateOut],
    aim: Aim,
) -> GoalsAnswer:
    """How the goal orders the leaders of a kept ranking, with the learning ladder and what the
    gear changes."""
    used = aim.weights or weights_for(aim.goal, aim.novice, aim.pain)
    total = sum(used.values())
    used = {part: weight / total for part, weight in used.items()} if total > 0 else {"max": 1.0}
    setups = leaders_from_answer(lift, leaders)
    scores = goal_scores(lift, lifter, setups, used, aim.pain, aim.target)
    ladder = LADDERS[lift.id](lifter, aim.teaching, aim.weeks)
    shown = [
        GoalScoreOut(
            bar_position=setup.style,
            total=score.total,
            parts={str(part): value for part, value in score.parts.items()},
            school=score.school,
        )
        for setup, score in zip(setups, scores, strict=True)
    ]
    by_goal = sorted(shown, key=lambda score: -score.total)
    ranked = [by_goal[0].bar_position, setups[0].style] if setups else []
    return GoalsAnswer(
        first=ranked[0] if ranked else None,
        heading=_heading(lift, aim, ranked),
        told=aim.goal not in BY_MAX or aim.weights is not None or aim.target is not None,
        goal=aim.goal,
        weights={str(part): weight for part, weight in used.items()},
        scores=shown,
        sentence=_goal_sentence(lift, aim.target or aim.goal, ranked, ladder),
        ladder=[RungOut(**vars(rung)) for rung in ladder],
        advice=gear_advice(aim.gear),
    )


TEACHING = {"squat": "squat_teaching", "deadlift": "pull_teaching"}
"""The school that says how a lift is taught."""


def goals_of(
    fitting: Fitting, database: Database, who: Who, lifter_id: UUID, asked: WeightsRequest
) -> GoalsAnswer:
    """By the weights of the lifter's own goal, or by others."""
    inputs, lifter, answer = answer_now(fitting, database, who, lifter_id)
    with database.reading(who.club_id) as connection:
        pain = tuple(flag.region for flag in lifters.list_open_flags(connection, lifter_id))
    profile = inputs.profile
    weights: Weights | None = {**asked.weights} if asked.weights is not None else None
    teaching = inputs.request.schools.get(TEACHING[fitting.lift], "")
    aim = Aim(
        profile.goal, profile.gear, profile.novice, pain, weights, asked.target,
        teaching, asked.weeks,
    )  # fmt: skip
    return goals_answer(fitting.of, lifter, answer.leaders, aim)
