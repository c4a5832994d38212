"""Which specials: for a cause in a phase, prefer what works the wanted muscles there harder than
the competition lift does at the same effort, and the flagged region less; what the gym can load.

At most two for a lift. Everything that was considered keeps its score and the reason against it.
"""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

from pavrik.core.prescription.reason import Reason
from pavrik.core.strength.utilization import LIMITERS
from pavrik.core.variations.catalogue import Role, Unit, Variation, contraindicated
from pavrik.core.variations.gains import time_share, way_share
from pavrik.core.variations.goals import goal_share
from pavrik.core.variations.loading import COMPETITION, Loading
from pavrik.core.variations.ratio import LearntRatio
from pavrik.words import say

MOST_SPECIALS = 2
MARGIN = 0.03
"""Use above the competition lift's by less than this is no difference."""
SPARED = 1.02
"""A flagged region is spared where neither its moment at the prescribed load nor the use of what
the joint's angle leaves there is more than the capped competition lift's; the rest is the model's
own error. Both lie at the same share of their maxes."""
NAMED, HELD_THERE, STATED, SPARES_BACK = 0.5, 0.35, 0.3, 0.4
MOST_GAIN = 0.5
LEAST_SCORE = 0.15
IDLE_SETS = 3
IDLE_SCORE = 0.05
"""Below this score a variation does no more for what is weak than the competition lift itself."""
LESS, MORE = 0.5, 1.5
"""What a school takes from a variation's score, or gives it."""
GOAL_WEIGHT, SUPPORT_GAIN = 0.10, 0.05
CAPACITY_OF_CAUSE: Mapping[str, str] = {
    "quads-limit": "quads", "quads-weak": "quads", "upper-back-gives": "upper_back",
    "mid-back-limit": "upper_back", "back-too-weak": "upper_back", "rounded-back": "upper_back",
    "shelf-small": "upper_back", "hips-weak-knee": "hips", "glutes": "hips",
    "hip-rotators": "hips", "grip-weak": "grip", "lats-slack": "lats", "brace-lost": "brace",
    "breath-high": "brace",
}  # fmt: skip
"""What a cause asks to be made stronger: common practice, no source."""
CAPACITY_OF_REGION: Mapping[str, tuple[str, ...]] = {
    "lower back": ("lower_back",), "upper back": ("upper_back",), "knee": ("quads",),
    "hip": ("hips",),
}  # fmt: skip
DOSES: Mapping[Role, tuple[int, int, float | None]] = {
    "skill": (3, 3, 6.5), "strength": (3, 6, 7.5), "overload": (2, 3, 8.0),
    "learning": (3, 8, 6.0), "support": (3, 10, None),
}  # fmt: skip
"""Sets, reps, RPE by role: skill light and often, strength moderate, overload rare."""


@dataclass(frozen=True)
class Weakness:
    """What a special is to mend. ``capacity`` names the muscles to strengthen where the cause is
    one of strength, ``named`` the variations that the cause's remedies prescribe; ``weight`` says
    how sure the evidence is, 0 to 1."""

    words: str
    phase: str | None
    capacity: str | None
    named: frozenset[str] = frozenset()
    weight: float = 1.0
    facts: tuple[str, ...] = ()
    tired_back: bool = False


@dataclass(frozen=True)
class Circumstances:
    """What the gym owns, what hurts, who lifts, what goes wrong, which schools are in force."""

    kit: frozenset[str] = frozenset()
    hurts: tuple[str, ...] = ()
    novice: bool = False
    goal: str = "competition"
    style: str = ""
    """Of the competition lift: the variation of that name is the lift itself."""
    faults: frozenset[str] = frozenset()
    """Ids of the faults that the lift's log shows today."""
    schools: Mapping[str, str] = field(default_factory=dict)


@dataclass(frozen=True)
class Said:
    """A coach's word on a variation: use it, or leave it out, with the reason."""

    coach: str
    reason: str
    use: bool


@dataclass(frozen=True)
class Special:
    """A chosen variation with its dose and its reasons; ``reps`` are of ``unit``."""

    variation: Variation
    sets: int
    reps: int
    rpe: float | None
    reasons: tuple[Reason, ...]
    unit: Unit = "reps"


@dataclass(frozen=True)
class Considered:
    """A variation that was looked at: its score and, where it was not chosen, why."""

    name: str
    score: float
    chosen: bool
    why: str


@dataclass(frozen=True)
class Choice:
    """The specials of a lift and everything else that was considered, the best first."""

    specials: tuple[Special, ...]
    considered: tuple[Considered, ...]


def _percent(share: float) -> str:
    return f"{share * 100:.0f} %"


def _region_reason(one: Variation, loading: Loading | None, own: Loading, region: str) -> str:
    """Why a variation loads a region that hurts; empty where it does not."""
    if region in one.spares:
        return ""
    if region in one.strains:
        return say("prescription.strains_flagged", region=region)
    capacities = CAPACITY_OF_REGION.get(region, ())
    if loading is None:
        trained = set(one.trains) & (
            set(capacities) | {"legs"} if region == "knee" else set(capacities)
        )
        doubtful = region == "lower back" and bool(one.trains)
        if trained or doubtful:
            return say("prescription.not_known_spare_flagged", region=region)
        return ""
    for capacity in capacities:
        here, there = loading.at(None, capacity), own.at(None, capacity)
        if there > 0 and here > SPARED * there:
            return say(
                "prescription.uses_against_competition_lift",
                capacity=capacity.replace("_", " "),
                percent=_percent(here),
                usual=_percent(there),
                region=region,
            )
    moment, most = loading.moment_nm(region), own.moment_nm(region)
    if moment is None or not most or moment <= SPARED * most:
        return ""
    return say(
        "prescription.loads_more_competition_lift",
        region=region,
        percent=_percent(moment / most - 1),
    )


def blocked_because(
    one: Variation, loading: Loading | None, own: Loading, about: Circumstances
) -> str:
    """The first reason that rules a variation out; empty where none does."""
    missing = [item for item in one.kit if item not in about.kit]
    if missing:
        return say("prescription.gym_no", missing=missing[0])
    for region in about.hurts:
        reason = _region_reason(one, loading, own, region)
        if reason:
            return reason
    if one.knob is not None and about.style and about.style in (one.knob.bar, one.knob.style):
        return say("prescription.competition_lift_itself")
    harmful = contraindicated(one, about.faults)
    if harmful:
        return harmful
    if loading is not None and loading.reasons:
        return loading.reasons[0]
    if about.novice and one.role == "overload":
        return say("prescription.overload_not_novices")
    if not about.novice and one.role == "learning":
        return say("prescription.step_learning_lift")
    return ""


@dataclass(frozen=True)
class _Scored:
    variation: Variation
    weakness: Weakness
    score: float
    reasons: tuple[Reason, ...]


def _gain(
    one: Variation, loading: Loading | None, own: Loading, weakness: Weakness
) -> tuple[float, list[Reason]]:
    """How much harder the wanted muscles work in the wanted phase, at the same effort."""
    capacity = weakness.capacity
    if capacity is None:
        return 0.0, []
    if loading is None or capacity not in LIMITERS:
        if capacity in one.trains or (capacity == "quads" and "legs" in one.trains):
            return STATED, [
                Reason(say("prescription.trains_the", capacity=capacity.replace("_", " ")))
            ]
        return 0.0, []
    here, there = loading.at(weakness.phase, capacity), own.at(weakness.phase, capacity)
    if abs(here - there) < MARGIN:
        return 0.0, []
    share = max(min((here - there) / max(there, 0.1), MOST_GAIN), -MOST_GAIN)
    where = say("prescription.in_the_phase", phase=weakness.phase) if weakness.phase else ""
    return share, [
        Reason(
            say(
                "prescription.used_against_competition_lift",
                capacity=capacity.replace("_", " "),
                where=where,
                percent=_percent(here),
                usual=_percent(there),
            ),
            (f"fit:{one.lift}",),
        )
    ]


def _score(one: Variation, loading: Loading | None, own: Loading, weakness: Weakness) -> _Scored:
    score, lines = _gain(one, loading, own, weakness)
    reasons = [Reason(weakness.words, weakness.facts)]
    serves = score > 0 or one.name in weakness.named
    if one.name in weakness.named:
        score += NAMED
        reasons.append(
            Reason(say("prescription.usual_remedy", name=one.name, good_for=one.good_for))
        )
    if serves and one.place is not None and one.place == weakness.phase:
        score += HELD_THERE
        held = say("prescription.held_s", hold_s=one.hold_s) if one.hold_s else "worked"
        reasons.append(
            Reason(say("prescription.just_where_fails", held=held, phase=weakness.phase))
        )
    if weakness.tired_back and loading is not None:
        there = own.at(None, "lower_back")
        spared = (there - loading.at(None, "lower_back")) / max(there, 0.1)
        if spared > MARGIN:
            score += min(SPARES_BACK, 2 * spared)
            reasons.append(Reason(say("prescription.spares_lower_back", percent=_percent(spared))))
    return _Scored(one, weakness, score * weakness.weight, tuple(reasons + lines))


def _by_school(found: _Scored, schools: Mapping[str, str]) -> _Scored:
    """The same with what the schools in force make of it."""
    one = found.variation
    trap = one.knob is not None and (one.knob.style or "").startswith("trap")
    for applies, share, words in (
        (schools.get("weak_point") == "muscle" and one.role == "skill", LESS,
         say("prescription.school_trains_muscle_before")),
        (schools.get("trap_bar") == "occasional" and trap, LESS,
         say("prescription.trap_bar_now_then")),
        (schools.get("grip_aid") == "train" and "grip" in one.trains, MORE,
         say("prescription.school_trains_failing_grip")),
    ):  # fmt: skip
        if applies:
            reasons = (*found.reasons, Reason(words))
            found = replace(found, score=found.score * share, reasons=reasons)
    return found


def _best_for(
    one: Variation, loading: Loading | None, own: Loading, weaknesses: Sequence[Weakness],
    word: Said | None,
) -> _Scored | None:  # fmt: skip
    """The weakness that a variation does most for; a coach's wish is a reason of its own."""
    scored = [_score(one, loading, own, weakness) for weakness in weaknesses]
    best = max(scored, key=lambda s: s.score, default=None)
    if word is None or not word.use:
        return best
    wish = Reason(say("prescription.asks_for_it", coach=word.coach, reason=word.reason))
    if best is None:
        return _Scored(one, Weakness(word.reason, None, None), 0.0, (wish,))
    return _Scored(one, best.weakness, best.score, (wish, *best.reasons))


def _special(found: _Scored, ratio: LearntRatio | None) -> Special:
    sets, reps, rpe = DOSES[found.variation.role]
    reasons = list(found.reasons)
    if ratio is not None and rpe is not None:
        source = (
            say("prescription.learnt_from_days", days=ratio.days)
            if ratio.days
            else say("prescription.prior_common_practice_not")
        )
        reasons.append(
            Reason(
                say(
                    "prescription.competition_lift",
                    name=found.variation.name,
                    ratio=ratio.ratio,
                    low=ratio.low,
                    high=ratio.high,
                    source=source,
                ),
                (f"ratio:{found.variation.name}",),
            )
        )
    reps, unit = found.variation.set_of or (reps, "reps")
    return Special(found.variation, sets, reps, rpe, tuple(reasons), unit)


def _goal_gain(one: Variation, loading: Loading | None, own: Loading, goal: str) -> float:
    """What the goal adds: small beside a cause, so that it decides between equals."""
    if loading is None:
        return SUPPORT_GAIN if goal in ("health", "sport") and one.role == "support" else 0.0
    time, way = time_share(one), way_share(loading, own)
    share = goal_share(loading, own, goal, time, way).share - 1.0
    return GOAL_WEIGHT * max(min(share, 1.0), -1.0)


def choose(
    variations: Sequence[Variation], loadings: Mapping[str, Loading],
    ratios: Mapping[str, LearntRatio], weaknesses: Sequence[Weakness], about: Circumstances,
    said: Mapping[str, Said] | None = None,
) -> Choice:  # fmt: skip
    """At most two specials of a lift. ``loadings`` by name, the competition lift's included.

    A coach may leave a variation out or ask for one; what is blocked by a flag, the gym or a screen
    stays blocked.
    """
    own, words = loadings[COMPETITION], said or {}
    scored: list[_Scored] = []
    considered: list[Considered] = []
    for one in variations:
        loading, word = loadings.get(one.name), words.get(one.name)
        found = _best_for(one, loading, own, weaknesses, word)
        found = _by_school(found, about.schools) if found is not None else None
        if found is None:
            continue
        score = found.score + _goal_gain(one, loading, own, about.goal)
        against = blocked_because(one, loading, own, about) or _against(found, score, word)
        if against:
            considered.append(Considered(one.name, score, False, against))
        else:
            scored.append(_Scored(one, found.weakness, score, found.reasons))
    scored.sort(key=lambda s: (s.variation.name not in _asked(words), -s.score, s.variation.name))
    chosen = _pick(scored, _asked(words))
    names = {s.variation.name for s in chosen}
    for found in scored:
        name = found.variation.name
        why = "" if name in names else _beaten(found, chosen)
        considered.append(Considered(name, found.score, name in names, why))
    considered.sort(key=lambda c: (not c.chosen, -c.score, c.name))
    specials = tuple(_special(found, ratios.get(found.variation.name)) for found in chosen)
    return Choice(specials, tuple(considered))


def idle_variations(
    choice: Choice, logged: Mapping[str, Sequence[str]], most: int = 2
) -> list[Reason]:
    """What was trained lately and does little for anything that was found weak: it could be
    dropped. ``logged`` are the ids of the recent sets of each variation."""
    useless = {c.name for c in choice.considered if not c.chosen and c.score < IDLE_SCORE}
    idle = [(n, ids) for n, ids in logged.items() if n in useless and len(ids) >= IDLE_SETS]
    idle.sort(key=lambda pair: -len(pair[1]))
    return [
        Reason(
            say("prescription.could_dropped_sets_lately", name=name, ids=len(ids)),
            tuple(ids[-3:]),
        )
        for name, ids in idle[:most]
    ]


def _asked(said: Mapping[str, Said]) -> set[str]:
    return {name for name, word in said.items() if word.use}


def _against(found: _Scored, score: float, word: Said | None) -> str:
    if word is not None:
        return (
            "" if word.use else say("prescription.leaves_out", coach=word.coach, reason=word.reason)
        )
    return (
        "" if score >= LEAST_SCORE else say("prescription.does_little", words=found.weakness.words)
    )


def _pick(scored: Sequence[_Scored], asked: set[str]) -> list[_Scored]:
    """What a coach asks for, then the best, and the best of another weakness or another role."""
    chosen: list[_Scored] = []
    for found in scored:
        if len(chosen) == MOST_SPECIALS:
            break
        alike = any(_alike(c, found) for c in chosen)
        if found.variation.name in asked or not alike:
            chosen.append(found)
    return chosen


def _alike(one: _Scored, other: _Scored) -> bool:
    """Two of the same job, or the same bar in two heights."""
    same_bar = one.variation.name.split(",")[0] == other.variation.name.split(",")[0]
    return same_bar or (
        one.variation.role == other.variation.role and one.weakness == other.weakness
    )


def _beaten(found: _Scored, chosen: Sequence[_Scored]) -> str:
    alike = next((c for c in chosen if c.weakness == found.weakness), chosen[0])
    if found.score >= alike.score - 1e-9 or len(chosen) < MOST_SPECIALS:
        return say("prescription.does_same_job_no", name=alike.variation.name)
    return say(
        "prescription.does_more_against",
        name=alike.variation.name,
        score=alike.score,
        other=found.score,
    )
