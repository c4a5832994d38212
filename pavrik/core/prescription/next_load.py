"""The next session's load: what the estimated max asks for, and what today allows of it.

The estimated max comes from evidence of strength alone. Steps, last time's RPE, faults, caps and
pain hold this session's load and nothing else. Every one leaves a reason with its facts.
"""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, field, replace
from datetime import date
from functools import lru_cache

import numpy as np

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.equipment.plates import Loading, PlatePair, load_bar
from pavrik.core.log.ability import AWAY_DAYS
from pavrik.core.log.training_set import LoggedFault, TrainingSet, competition_sets
from pavrik.core.prescription.ability import ability_of
from pavrik.core.prescription.attempts import most_tried
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.pain import PAIN_CAP_SHARE, PainFlag, regions_of
from pavrik.core.prescription.reason import Reason, in_kg, reps_words
from pavrik.core.prescription.return_to_lift import days_away
from pavrik.core.strength.estimated_max import LEAST_TRUSTED_RPE, MOST_REPS, load_for
from pavrik.words import say

MOST_STEP = 0.025
MOST_STEP_NOVICE = 0.05
RPE_TOLERANCE = 0.5
LEAST_FELT_RPE = 5.0
"""Easier than this tells no more than this about what a step may be."""
FRESH_DAYS = 10
"""How long a main session holds the next one, counted in the log."""
LIKE_REPS = 1
"""So near in reps two sessions are of one kind: common practice."""
FAULT_CUT = assume_each(
    "fault_cut", {1: 0.0, 2: 0.05, 3: 0.10}, "share",
    "taken off the session for a fault seen twice, by its worst severity",
)  # fmt: skip
NAMED_JUMP = 0.10
STEP_KG, FINE_STEP_KG, FINE_SHARE = 2.5, 1.0, 0.025
"""Steps of a load; the fine one where the usual one is a larger share of it."""
CAPPED_KG = 0.05
"""So far below what was asked for, something holds it, and rounding never goes above."""
REPEATED = 2
FLOOR_DAYS = assume(
    "clean_work_stands_days",
    28,
    "days",
    "how long clean work stands as the least that is asked for again",
)
CLEAR = 2
"""Severity from which a fault keeps a set from being clean."""


@dataclass(frozen=True)
class Target:
    """What the next set should be."""

    reps: int
    rpe: float
    sets: int = 3


@dataclass(frozen=True)
class Gym:
    """What the bar is loaded with."""

    bar_kg: float
    collars_kg: float
    stock: tuple[PlatePair, ...]
    light_discs: bool = False

    @property
    def empty_kg(self) -> float:
        """The bar with its collars."""
        return self.bar_kg + self.collars_kg

    def step_kg(self, load_kg: float) -> float:
        """Step that a coach would think in: 2.5 kg, 1 where that is more than 2.5 % of the load and
        the plates allow it."""
        finest = 2 * min((plate.kg for plate in self.stock if plate.pairs), default=STEP_KG / 2)
        fine = finest <= FINE_STEP_KG and FINE_SHARE * load_kg < STEP_KG
        return FINE_STEP_KG if fine else STEP_KG

    def as_said(self, load_kg: float) -> Loading:
        """The most that the plates make up to a load that somebody named."""
        return load_bar(load_kg, self.bar_kg, self.collars_kg, self.stock, never_above=True)

    def loading(self, load_kg: float, *, capped: bool = True) -> Loading:
        """What the bar is given for a load: on the nearest step, or, where the load is a cap, on
        the last one that is not above it; then what the plates make of that."""
        step = self.step_kg(load_kg)
        steps = (load_kg - self.empty_kg) / step
        whole = np.floor(steps + 1e-6) if capped else np.floor(steps + 0.5)
        target = max(self.empty_kg + step * float(whole), self.empty_kg)
        made = _made(self, target, capped)
        return replace(made, error_kg=made.total_kg - load_kg)


@lru_cache(maxsize=2048)
def _made(gym: Gym, target_kg: float, capped: bool) -> Loading:
    return load_bar(target_kg, gym.bar_kg, gym.collars_kg, gym.stock, never_above=capped)


@dataclass(frozen=True)
class NextLoad:
    """Sets x reps @ RPE at a load that the gym can make; None where nothing is known."""

    target: Target
    estimated_max_kg: float | None
    wanted_kg: float | None
    loading: Loading | None
    reasons: list[Reason] = field(default_factory=list)
    rounding: list[Reason] = field(default_factory=list)
    """What the plates made of it."""


def days_between(earlier: str, later: str) -> int:
    """Days from one ISO day to another."""
    return (date.fromisoformat(later) - date.fromisoformat(earlier)).days


def is_clean(logged: TrainingSet) -> bool:
    """Counts for the max and shows no clear fault."""
    return logged.counts_for_max and all(f.severity < CLEAR for f in logged.faults)


def _was_too_much(logged: TrainingSet, target: Target) -> bool:
    """A miss, a clear fault, or no more reps than the target's that felt clearly harder."""
    harder = logged.rpe is not None and logged.rpe - target.rpe > RPE_TOLERANCE
    return (harder and logged.reps <= target.reps) or not is_clean(logged)


def done_clean(history: Sequence[TrainingSet], target: Target) -> TrainingSet | None:
    """The heaviest clean work of at least these reps at no more than this RPE, of the last four
    weeks of the log, that nothing since has shown to be too much; None without it."""
    own = competition_sets(history)
    if not own:
        return None
    best: TrainingSet | None = None
    for logged in own:
        if days_between(logged.day, own[-1].day) > FLOOR_DAYS:
            continue
        if best is not None and _was_too_much(logged, target) and logged.load_kg <= best.load_kg:
            best = None
        alike = logged.rpe is not None and logged.rpe <= target.rpe and logged.reps >= target.reps
        if alike and is_clean(logged) and (best is None or logged.load_kg >= best.load_kg):
            best = logged
    return best


def keep_floor(
    wanted: float, history: Sequence[TrainingSet], target: Target, *, away_days: int = 0
) -> tuple[float, list[Reason]]:
    """Never below the last clean work of the same reps and RPE, and why where that binds; after
    time away it binds no more."""
    done = done_clean(history, target) if away_days <= AWAY_DAYS else None
    if done is None or wanted >= done.load_kg:
        return wanted, []
    text = say(
        "prescription.not_below_done_clean",
        reps_words=reps_words(done.reps),
        in_kg=in_kg(done.load_kg),
        rpe=done.rpe,
        day=done.day,
    )
    return done.load_kg, [Reason(text, (done.set_id,))]


def _felt(last: TrainingSet) -> float:
    """RPE of a set as far as a step may lean on it."""
    told = last.rpe if last.rpe is not None else last.aimed_rpe or LEAST_TRUSTED_RPE
    return max(told, LEAST_FELT_RPE)


def _worth(last: TrainingSet, target: Target) -> float:
    """Load in kg that the last main session stands for in the reps and RPE of a target."""
    return (
        last.load_kg
        * load_for(1.0, target.reps, target.rpe)
        / load_for(1.0, last.reps, _felt(last))
    )  # fmt: skip


def _hold_step(
    wanted: float, last: TrainingSet | None, target: Target, novice: bool
) -> tuple[float, list[Reason]]:
    """No larger step over the last main session than the lifter's training age allows."""
    if last is None:
        return wanted, []
    share = MOST_STEP_NOVICE if novice else MOST_STEP
    done = max(_worth(last, target), last.load_kg)
    most = done * (1 + share)
    if wanted <= most:
        return wanted, []
    jump = wanted / done - 1
    named = say("prescription.once_would_jump_not", jump=jump) if jump >= NAMED_JUMP else ""
    told = say(
        "prescription.held_step_over",
        share=share,
        load=in_kg(last.load_kg),
        day=last.day,
        named=named,
    )
    return most, [Reason(told, (last.set_id,))]


def _answer_rpe(
    wanted: float, last: TrainingSet | None, target: Target
) -> tuple[float, list[Reason]]:
    """Harder than aimed for last time: no more than what that set stands for. Easier adds nothing
    by itself."""
    if last is None or last.rpe is None or last.aimed_rpe is None:
        return wanted, []
    if last.rpe - last.aimed_rpe <= RPE_TOLERANCE or wanted <= _worth(last, target):
        return wanted, []
    worth = _worth(last, target)
    told = say(
        "prescription.felt_like_rpe_when", reps=reps_words(last.reps), load=in_kg(last.load_kg),
        rpe=last.rpe, aimed=last.aimed_rpe, worth=in_kg(worth),
    )  # fmt: skip
    return worth, [Reason(told, (last.set_id,))]


def _repeated_faults(
    recent: Sequence[TrainingSet],
) -> dict[str, list[tuple[TrainingSet, LoggedFault]]]:
    seen: dict[str, list[tuple[TrainingSet, LoggedFault]]] = {}
    for logged in recent:
        for fault in logged.faults:
            seen.setdefault(fault.fault_id, []).append((logged, fault))
    return {fault_id: cases for fault_id, cases in seen.items() if len(cases) >= REPEATED}


def answer_faults(wanted: float, recent: Sequence[TrainingSet]) -> tuple[float, list[Reason]]:
    """A fault seen twice holds the load, or lowers it when it was clear or lift-ending."""
    reasons: list[Reason] = []
    for cases in _repeated_faults(recent).values():
        worst = max(fault.severity for _, fault in cases)
        lightest = min(logged.load_kg for logged, _ in cases)
        allowed = lightest * (1 - FAULT_CUT[worst])
        name = cases[0][1].name
        facts = tuple(dict.fromkeys(logged.set_id for logged, _ in cases))
        seen = say(
            "prescription.seen_times_from_up", name=name, cases=len(cases), in_kg=in_kg(lightest)
        )
        if wanted <= allowed:
            reasons.append(Reason(say("prescription.load_stays_below_anyway", seen=seen), facts))
            continue
        wanted = allowed
        cut = FAULT_CUT[worst]
        what = say("prescription.lowered_below", cut=cut) if cut else say("prescription.held_there")
        reasons.append(
            Reason(say("prescription.until_two_clean_sets", seen=seen, what=what), facts)
        )
    return wanted, reasons


def _respect_pain(
    wanted: float, max_kg: float, flags: Sequence[PainFlag]
) -> tuple[float, list[Reason]]:
    if not flags:
        return wanted, []
    cap = PAIN_CAP_SHARE * max_kg
    told = say(
        "prescription.pain_flag_capped_estimated", regions=regions_of(flags), share=PAIN_CAP_SHARE,
        cap=in_kg(cap),
    )  # fmt: skip
    return min(wanted, cap), [Reason(told, tuple(flag.fact for flag in flags))]


def _respect_test(
    wanted: float, max_kg: float, history: Sequence[TrainingSet], target: Target
) -> tuple[float, list[Reason]]:
    """No single goes further over what was done than a test would."""
    allowed = most_tried(max_kg, history)
    if target.reps > 1 or allowed is None or wanted <= allowed[0]:
        return wanted, []
    return allowed[0], [allowed[1]]


def _respect_caps(wanted: float, caps: Sequence[Cap]) -> tuple[float, list[Reason]]:
    """Below the load where every second rep shows a fault of the back."""
    lowest = min((c for c in caps if not c.technique), key=lambda c: c.load_kg, default=None)
    if lowest is None or wanted <= lowest.load_kg:
        return wanted, []
    held = in_kg(lowest.load_kg)
    return lowest.load_kg, [
        Reason(
            say("prescription.held_at", in_kg=held, words=lowest.words, ends=lowest.ends),
            lowest.facts,
        )
    ]


def _make(wanted: float, gym: Gym, *, capped: bool) -> tuple[Loading, list[Reason]]:
    loading = gym.loading(wanted, capped=capped)
    if abs(loading.total_kg - wanted) < 0.05:
        return loading, []
    what = say("prescription.most_bar_takes_up") if capped else say("prescription.nearest_step")
    got, asked = in_kg(loading.total_kg), in_kg(wanted)
    return loading, [
        Reason(say("prescription.what_the_plates_make", got=got, what=what, asked=asked))
    ]


def _is_main(logged: TrainingSet) -> bool:
    """Main work was meant to be felt: aimed at RPE 6 or more, or told so where no aim is known;
    more reps than the formulas tell are none."""
    effort = logged.aimed_rpe if logged.aimed_rpe is not None else logged.rpe
    felt = effort is not None and effort >= LEAST_TRUSTED_RPE
    return felt and 0 < logged.reps <= MOST_REPS


def _last_main(history: Sequence[TrainingSet], target: Target) -> TrainingSet | None:
    """The heaviest main set of the newest day with sets like the target's, else of the newest day,
    while it is fresh: what it said ends with the sessions that follow. A volume day tells little of
    a heavy one."""
    fresh = [
        s for s in history
        if _is_main(s) and days_between(s.day, history[-1].day) <= FRESH_DAYS
    ]  # fmt: skip
    alike = [s for s in fresh if abs(s.reps - target.reps) <= LIKE_REPS] or fresh
    if not alike:
        return None
    return max((s for s in alike if s.day == alike[-1].day), key=lambda s: s.load_kg)


def recent_sets(history: Sequence[TrainingSet]) -> list[TrainingSet]:
    """Sets of the competition lift of its last two days."""
    own = competition_sets(history)
    days = sorted({logged.day for logged in own})[-2:]
    return [logged for logged in own if logged.day in days]


def session_load(
    history: Sequence[TrainingSet],
    wanted_kg: float,
    target: Target,
    *,
    novice: bool = False,
    light: bool = False,
    away_days: int = 0,
) -> tuple[float, list[Reason]]:
    """What the newest sessions make of a wanted load, in the next session only. Faults of the
    last two days count."""
    own = competition_sets(history)
    recent, last = recent_sets(own), _last_main(own, target)
    reasons: list[Reason] = []
    answers: list[Callable[[float], tuple[float, list[Reason]]]] = [
        lambda load: (load, []) if light else keep_floor(load, own, target, away_days=away_days),
        lambda load: _hold_step(load, last, target, novice),
        lambda load: _answer_rpe(load, last, target),
        lambda load: answer_faults(load, recent),
    ]
    for answer in answers:
        wanted_kg, lines = answer(wanted_kg)
        reasons += lines
    return wanted_kg, reasons


def next_load(
    history: Sequence[TrainingSet],
    target: Target,
    gym: Gym,
    *,
    age: str = "trained",
    today: date | None = None,
    pain: Sequence[PainFlag] = (),
    caps: Sequence[Cap] = (),
) -> NextLoad:
    """Next load of one lift from its log (oldest first) by training age, rounded down to the gym's
    plates; time away until ``today`` counts."""
    ability = ability_of(history, age, today)
    if ability is None:
        return NextLoad(
            target, None, None, None,
            [Reason(say("prescription.no_clean_set_logged_work"))],
        )  # fmt: skip
    max_kg, wanted = ability.kg, load_for(ability.kg, target.reps, target.rpe)
    asked = wanted
    text = say(
        "prescription.ability_and_reps",
        ability=ability.reason.text,
        reps=target.reps,
        rpe=target.rpe,
        in_kg=in_kg(wanted),
    )
    reasons = [Reason(text, ability.reason.facts)]
    away = days_away(history, today) if today is not None else 0
    wanted, lines = session_load(history, wanted, target, novice=age == "novice", away_days=away)
    reasons += lines
    answers: list[Callable[[float], tuple[float, list[Reason]]]] = [
        lambda load: _respect_test(load, max_kg, history, target),
        lambda load: _respect_caps(load, caps),
        lambda load: _respect_pain(load, max_kg, pain),
    ]
    for answer in answers:
        wanted, lines = answer(wanted)
        reasons += lines
    if wanted < gym.empty_kg:
        reasons.append(
            Reason(say("prescription.empty_bar_collars_already", in_kg=in_kg(gym.empty_kg)))
        )
        wanted = gym.empty_kg
    loading, lines = _make(wanted, gym, capped=wanted < asked - CAPPED_KG)
    if any(answer(loading.total_kg)[0] < loading.total_kg for answer in answers):
        loading, lines = _make(wanted, gym, capped=True)
    return NextLoad(target, max_kg, wanted, loading, reasons, lines)
