"""One lift studied for a plan: caps, ratios, loadings, weaknesses, specials, drills."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, replace

from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.findings import Findings, findings
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.log.training_set import TrainingSet
from pavrik.core.prescription.caps import caps_of, rep_cap_of
from pavrik.core.prescription.choice import (
    Choice,
    Circumstances,
    Said,
    blocked_because,
    choose,
    idle_variations,
)
from pavrik.core.prescription.lift_work import WORK
from pavrik.core.prescription.plan_parts import LiftState
from pavrik.core.prescription.remedial import CausesOf, care_of
from pavrik.core.prescription.signals import light_week, light_week_because
from pavrik.core.prescription.stand_in import stand_in
from pavrik.core.prescription.weaknesses import RECENT, live_faults, weaknesses
from pavrik.core.squat.closed import closed_because
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.variations.catalogue import Variation
from pavrik.core.variations.loading import COMPETITION, PLACES, Loading
from pavrik.core.variations.ratio import LearntRatio, daily_ratios, learn_ratio

UNKNOWN_RATIO = 0.85
TIRED = frozenset({"lower_back", "upper_back"})


LoadAll = Callable[[float, tuple[float, ...]], Sequence[Loading]]
"""The competition lift and its computed variations at a max, each at its share of it."""


@dataclass(frozen=True)
class LiftFacts:
    """What is known of a lift: the model's lifter, the set-up in force, the log oldest first, the
    cues of the day, what coaches said of variations, the training age, what is checked before the
    set, the stages of drills that were passed; ``closed``, and what loads the computed variations
    at their share of a max, where the caller has them already."""

    lift: str
    lifter: Lifter
    setup: SquatSetup | DeadliftSetup
    sets: Sequence[TrainingSet]
    cues: tuple[str, ...] = ()
    said: Mapping[str, Said] | None = None
    age: str = "trained"
    checks: tuple[str, ...] = ()
    passed: frozenset[str] = frozenset()
    load_all: LoadAll | None = None
    closed: str | None = None


def computed_of(variations: Sequence[Variation]) -> list[Variation]:
    """Variations that the model can compute."""
    return [v for v in variations if v.knob is not None]


@dataclass(frozen=True)
class LiftAnalysis:
    """Everything about a lift and its variations; ``loadings`` by name."""

    lift: str
    variations: Sequence[Variation]
    loadings: Mapping[str, Loading]
    ratios: Mapping[str, LearntRatio]
    choice: Choice
    state: LiftState
    known: Findings
    max_kg: float
    max_is_known: bool
    blocked: Mapping[str, str]
    """Why a variation is ruled out, by name."""


def _loadings(
    facts: LiftFacts, computed: Sequence[Variation], ratios: Mapping[str, LearntRatio],
    max_kg: float,
) -> dict[str, Loading]:  # fmt: skip
    shares = tuple(ratios[v.name].ratio if v.name in ratios else UNKNOWN_RATIO for v in computed)
    load_all = facts.load_all or PLACES[facts.lift](facts.lifter, facts.setup, computed).at
    return {one.name: one for one in load_all(max_kg, shares)}


def _closed(facts: LiftFacts) -> str:
    if facts.closed is not None:
        return facts.closed
    if isinstance(facts.setup, SquatSetup):
        return closed_because(facts.lifter, facts.setup)
    return ""


def _recent(sets: Sequence[TrainingSet]) -> dict[str, list[str]]:
    """Ids of the newest sets of each variation."""
    found: dict[str, list[str]] = {}
    for logged in sets[-RECENT:]:
        found.setdefault(logged.variation, []).append(logged.set_id)
    return found


def analyse_lift(
    facts: LiftFacts, variations: Sequence[Variation], catalogue: Catalogue,
    about: Circumstances, causes_of: CausesOf, today: str,
) -> LiftAnalysis:  # fmt: skip
    """The whole study; ``variations`` of this lift, ``today`` as ISO day."""
    lift, sets = facts.lift, facts.sets
    known = findings(sets, catalogue, lift, facts.age)
    guess_kg = WORK[lift].unknown_max * float(facts.lifter.body.mass_kg)
    max_kg = known.max_kg or guess_kg
    daily = daily_ratios(sets, facts.age)
    ratios = {
        v.name: learn_ratio(v.ratio, daily.get(v.name, ()), today)
        for v in variations
        if v.ratio is not None
    }
    loadings = _loadings(facts, computed_of(variations), ratios, max_kg)
    own = loadings[COMPETITION]
    tired = light_week_because(sets, facts.age)
    tired_back = "lower back" in about.hurts or (bool(tired) and own.limiter in TIRED)
    weak = weaknesses(
        sets, known, catalogue, causes_of, (own.limiter, ""), tired if tired_back else ()
    )
    seen = frozenset(f.fault_id for f in live_faults(sets, known))
    about = replace(about, faults=seen, style=facts.setup.style)
    choice = choose(variations, loadings, ratios, weak, about, facts.said)
    pulls = bool(WORK[lift].from_floor)
    care = care_of(
        lift,
        live_faults(sets, known),
        causes_of,
        catalogue,
        known.max_kg,
        facts.passed,
        learns_slack=pulls and about.novice,
    )
    blocked = {
        v.name: why
        for v in variations
        if (why := blocked_because(v, loadings.get(v.name), own, about))
    }
    allowed = tuple(v.name for v in variations if v.name not in blocked)
    state = LiftState(
        lift=lift,
        history=sets,
        choice=choice,
        caps=tuple(caps_of(known, lift)),
        cues=facts.cues,
        drills=care.drills,
        checks=facts.checks,
        ratios=ratios,
        allowed=allowed,
        proposals=(
            *light_week(tired),
            *care.tasks,
            *idle_variations(choice, _recent(sets)),
        ),
        tired_back=tired_back and pulls,
        closed=_closed(facts),
        guess_kg=guess_kg,
        rep_cap=rep_cap_of(known),
        stand_in=stand_in(lift, variations, loadings, allowed, about.hurts),
    )
    return LiftAnalysis(
        lift,
        variations,
        loadings,
        ratios,
        choice,
        state,
        known,
        max_kg,
        known.max_kg is not None,
        blocked,
    )
