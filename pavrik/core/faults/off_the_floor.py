"""When a pull will not leave the floor: the questions in their order, answered from the record.

Common practice, no source: first whether it was simply too heavy, then legs, pattern, fear and
fatigue. A pain flag ends the walk.
"""

from dataclasses import dataclass
from typing import Literal

from pavrik.core.assumptions import assume
from pavrik.words import all_of, say

HONEST_STEP_KG, HONEST_STEP_SHARE = 5.0, 0.02
NOTHING_SAID_KG, NOTHING_SAID_SHARE = 20.0, 0.10
LEG_GAP_KG = 90.0
BENT_KNEES_DEG = 55.0
MOSTLY_REBOUND = 0.5
REBOUND_FLATTERS = 0.04
LONG_WAIT_S = assume(
    "long_wait_s",
    2.0,
    "s",
    "seconds by which the wait before heavy pulls exceeds that before light ones",
)

State = Literal["yes", "no", "unknown"]


@dataclass(frozen=True)
class FloorFacts:
    """What is known when the walk begins; None where nobody knows.

    ``attempt_kg`` the pull that stayed, ``best_single_kg`` the best clean single, ``squat_kg`` and
    ``pull_kg`` today's estimated maxes, ``knee_flexion_deg`` and ``legs_limit`` from the start in
    the fit, ``rebound_share`` of the reps, ``rebound_gap`` by which rebound sets flatter the max,
    ``wait_light_s``/``wait_heavy_s`` hands to pull, ``all_out_before`` whether an all-out attempt
    came just before, ``hurts`` the regions with a pain flag.
    """

    attempt_kg: float | None = None
    best_single_kg: float | None = None
    squat_kg: float | None = None
    pull_kg: float | None = None
    knee_flexion_deg: float | None = None
    legs_limit: bool | None = None
    rebound_share: float | None = None
    rebound_gap: float | None = None
    wait_light_s: float | None = None
    wait_heavy_s: float | None = None
    all_out_before: bool | None = None
    old_injury: bool | None = None
    hurts: tuple[str, ...] = ()


@dataclass(frozen=True)
class Step:
    """One question of the walk with its answer, what that rests on, and what to do on a yes."""

    id: str
    question: str
    answer: State
    reason: str
    remedies: tuple[str, ...]


@dataclass(frozen=True)
class Walk:
    """The steps in order and the sentence they end in; ``stop`` where somebody hurts."""

    steps: list[Step]
    verdict: str
    likely: str | None
    stop: bool


def _heavy(facts: FloorFacts) -> Step:
    question = say("faults.simply_too_heavy")
    if facts.attempt_kg is None or facts.best_single_kg is None:
        return Step(
            "heavy", question, "unknown",
            say("faults.log_attempt_clean_single"), ("lighter",),
        )  # fmt: skip
    jump = facts.attempt_kg - facts.best_single_kg
    share = jump / facts.best_single_kg
    step = max(HONEST_STEP_KG, HONEST_STEP_SHARE * facts.best_single_kg)
    size = say(
        "faults.kg_over_best_clean", jump=jump, share=share, best_single_kg=facts.best_single_kg
    )
    if jump >= NOTHING_SAID_KG or share >= NOTHING_SAID_SHARE:
        return Step(
            "heavy", question, "yes", say("faults.jump_like_says_nothing", size=size), ("lighter",)
        )
    if jump > step:
        return Step(
            "heavy", question, "yes", say("faults.more_honest_step", size=size), ("lighter",)
        )
    return Step("heavy", question, "no", say("faults.honest_step", size=size), ("lighter",))


def _legs(facts: FloorFacts) -> Step:
    question = say("faults.do_legs_fail_where")
    cure = ("quad-volume", "quads-trap-bar", "deficit")
    bent = facts.knee_flexion_deg is not None and facts.knee_flexion_deg >= BENT_KNEES_DEG
    depends = bool(bent or facts.legs_limit)
    if facts.pull_kg is None or facts.squat_kg is None:
        return Step("legs", question, "unknown", say("faults.estimate_both_lifts_missing"), cure)
    gap = facts.pull_kg - facts.squat_kg
    text = say("faults.pull_exceeds_squat_kg", gap=gap)
    if facts.knee_flexion_deg is None and facts.legs_limit is None:
        return Step(
            "legs", question, "unknown", say("faults.no_start_settled_judge", gap=text), cure
        )
    start = say("faults.knees_clearly_bent_start") if depends else say("faults.start_mainly_back")
    yes = depends and (gap >= LEG_GAP_KG or bool(facts.legs_limit))
    return Step(
        "legs",
        question,
        "yes" if yes else "no",
        say("faults.gap_and_start", gap=text, start=start),
        cure,
    )


def _pattern(facts: FloorFacts) -> Step:
    question = say("faults.start_never_trained_because")
    cure = ("dead-stop", "deficit", "pause-off-floor")
    if facts.rebound_share is None:
        return Step("pattern", question, "unknown", say("faults.no_pull_rep_style"), cure)
    text = say("faults.reps_rebound_reps", rebound_share=facts.rebound_share)
    gap = facts.rebound_gap
    flatters = gap is not None and gap >= REBOUND_FLATTERS
    if gap is not None:
        text += say("faults.flatter_estimate", gap=gap)
    yes = facts.rebound_share >= MOSTLY_REBOUND or flatters
    return Step("pattern", question, "yes" if yes else "no", text, cure)


def _fear(facts: FloorFacts) -> Step:
    question = say("faults.does_lifter_wait_bar")
    cure = ("fixed-ritual", "quick-entry", "heavy-singles")
    if facts.old_injury:
        injury = say("faults.old_injury_guarded_clinician")
        return Step("fear", question, "yes", injury, ("fixed-ritual",))
    if facts.wait_light_s is None or facts.wait_heavy_s is None:
        return Step(
            "fear", question, "unknown",
            say("faults.time_seconds_from_hands"), cure,
        )  # fmt: skip
    heavy, light = facts.wait_heavy_s, facts.wait_light_s
    text = say("faults.hands_pull_s_when", heavy=heavy, light=light)
    yes = heavy - light >= LONG_WAIT_S
    return Step("fear", question, "yes" if yes else "no", text, cure)


def _fatigue(facts: FloorFacts) -> Step:
    question = say("faults.there_all_out_attempt")
    if facts.all_out_before is None:
        return Step("fatigue", question, "unknown", say("faults.nobody_said"), ("lighter",))
    if facts.all_out_before:
        return Step("fatigue", question, "yes", say("faults.all_out_set_came"), ("lighter",))
    return Step("fatigue", question, "no", say("faults.none_logged_day"), ("lighter",))


_WORDS = {
    "heavy": say("faults.simply_too_heavy_2"),
    "legs": say("faults.legs_likely_what_fails"),
    "pattern": say("faults.start_likely_untrained"),
    "fear": say("faults.hesitation_likely_cause"),
    "fatigue": say("faults.fatigue_likely_cause"),
}


def floor_walk(facts: FloorFacts) -> Walk:
    """The questions in order. A lifter who starts mainly with the back and misses a small step
    goes to fear and fatigue before legs."""
    steps = [_heavy(facts), _legs(facts), _pattern(facts), _fear(facts), _fatigue(facts)]
    if facts.hurts:
        where = all_of(facts.hurts)
        return Walk(
            steps,
            say("faults.stop_pain_flag_sharp", where=where),
            None,
            True,
        )
    if steps[0].answer == "no" and steps[1].answer == "no":
        steps = [steps[0], steps[3], steps[4], steps[2], steps[1]]
    first = next((step for step in steps if step.answer == "yes"), None)
    if first:
        return Walk(steps, f"{_WORDS[first.id]}: {first.reason}", first.id, False)
    open_steps = [step for step in steps if step.answer == "unknown"]
    if open_steps:
        return Walk(steps, say("faults.not_clear_yet", reason=open_steps[0].reason), None, False)
    return Walk(steps, say("faults.none_five_explains_test"), None, False)
