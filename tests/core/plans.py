"""Made-up lifters for plans: a log, caps, flags, a gym, what the coach asks for."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date, timedelta
from functools import cache

import numpy as np

from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.styles import usual_setup
from pavrik.core.equipment.plates import PlatePair
from pavrik.core.lifter.lifter import default_lifter
from pavrik.core.log.training_set import LoggedFault, TrainingSet
from pavrik.core.prescription.caps import Cap
from pavrik.core.prescription.choice import Circumstances, Weakness, blocked_because, choose
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.pain import PainFlag
from pavrik.core.prescription.plan import make_plan
from pavrik.core.prescription.plan_parts import LiftState, Plan, PlanAsk
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.variations.catalogue import Variation, shipped_variations
from pavrik.core.variations.loading import Loading, place_pulls, place_squats
from pavrik.core.variations.ratio import learn_ratio

GYM = Gym(
    20.0, 0.0, tuple(PlatePair(kg, 4) for kg in (25.0, 20.0, 15.0, 10.0, 5.0, 2.5, 1.25, 0.5))
)
MONDAY = date(2026, 11, 30)
FAULTS = {
    "squat": (("hips-rise", "out of the hole"), ("upper-round", "middle")),
    "deadlift": (("hips-shoot", "off the floor"), ("pull-upper-round", "below the knee")),
}
KIT = tuple(shipped_variations().kit)


@cache
def loadings(lift: str) -> tuple[list[Variation], dict[str, Loading]]:
    """All variations of a lift and the computed loading of one body."""
    lifter = default_lifter(make_body("male", 83, 1.75))
    variations = shipped_variations().of(lift)
    computed = [v for v in variations if v.knob is not None]
    ratios = [v.ratio[0] for v in computed if v.ratio]
    if lift == "squat":
        found = place_squats(lifter, SquatSetup("low", 0.42, 0.35), computed).at(180.0, ratios)
    else:
        found = place_pulls(lifter, usual_setup("conventional"), computed).at(210.0, ratios)
    return variations, {one.name: one for one in found}


def a_log(random: np.random.Generator, lift: str, max_kg: float) -> list[TrainingSet]:
    """Days of one lift up to just before the plan's start."""
    sets = []
    for day in range(int(random.integers(2, 10))):
        reps, rpe = int(random.integers(1, 7)), float(random.choice([7.0, 7.5, 8.0, 8.5, 9.0]))
        faults = tuple(
            LoggedFault(fault_id, fault_id, 1, int(random.integers(1, 4)), phase)
            for fault_id, phase in FAULTS[lift]
            if random.random() < 0.25
        )
        sets.append(
            TrainingSet(
                f"{lift}{day}", (MONDAY - timedelta(days=60 - 6 * day)).isoformat(),
                round(max_kg * float(random.uniform(0.6, 0.95)), 1), reps, rpe, 0, faults,
                float(random.choice([7.0, 8.0])),
            )
        )  # fmt: skip
    return sets


@dataclass(frozen=True)
class MadeUp:
    """One made-up lifter with the plan's inputs."""

    ask: PlanAsk
    states: Mapping[str, LiftState]
    pain: tuple[PainFlag, ...]
    about: Circumstances
    maxes: Mapping[str, float]

    def plan(self, **more: object) -> Plan:
        return make_plan(self.ask, self.states, GYM, pain=self.pain, **more)  # type: ignore[arg-type]


def _state(
    random: np.random.Generator, lift: str, max_kg: float, about: Circumstances
) -> LiftState:
    variations, computed = loadings(lift)
    ratios = {v.name: learn_ratio(v.ratio, []) for v in variations if v.ratio is not None}
    weaknesses = [
        Weakness(
            f"{fault_id} in the phase {phase}", phase,
            str(random.choice(["quads", "hips", "upper_back"])),
            frozenset(random.choice([v.name for v in variations], 2)),
            float(random.uniform(0.3, 1)),
            tired_back=bool(random.random() < 0.3),
        )
        for fault_id, phase in FAULTS[lift]
    ]  # fmt: skip
    caps = []
    if random.random() < 0.4:
        caps.append(Cap(max_kg * float(random.uniform(0.6, 0.95)), "the back rounds", (), True))
    if random.random() < 0.3:
        caps.append(Cap(max_kg * float(random.uniform(0.75, 1.0)), "the back rounds often", ()))
    own = computed["competition"]
    allowed = tuple(
        v.name for v in variations if not blocked_because(v, computed.get(v.name), own, about)
    )
    return LiftState(
        lift, a_log(random, lift, max_kg),
        choose(variations, computed, ratios, weaknesses, about), tuple(caps), ("one", "two"),
        ratios=ratios, allowed=allowed, tired_back=bool(random.random() < 0.2),
    )  # fmt: skip


def made_up(seed: int) -> MadeUp:
    """The lifter of a seed: the same one every time."""
    random = np.random.default_rng(seed)
    weeks = int(random.integers(3, 17))
    days = int(random.integers(1, 7))
    weekdays = tuple(sorted(int(d) for d in random.choice(7, days, replace=False)))
    meet = None
    if random.random() < 0.3:
        meet = MONDAY + timedelta(days=7 * weeks - 1 - int(random.integers(0, 7)))
    pain = ()
    if random.random() < 0.25:
        region = str(random.choice(["lower back", "knee", "shoulder", "hip"]))
        pain = (PainFlag("flag", region),)
    ask = PlanAsk(
        MONDAY, weeks, weekdays, meet,
        str(random.choice(["competition", "strength", "muscle", "sport", "health"])),
        str(random.choice(["novice", "trained", "advanced"])),
    )  # fmt: skip
    kit = frozenset(item for item in KIT if random.random() < 0.6)
    about = Circumstances(kit, tuple(f.region for f in pain), ask.novice, ask.goal)
    maxes = {lift: float(random.uniform(45, 300)) for lift in ("squat", "deadlift")}
    states = {lift: _state(random, lift, kg, about) for lift, kg in maxes.items()}
    return MadeUp(ask, states, pain, about, maxes)


def a_state(lift: str = "squat", **more) -> LiftState:
    base = made_up(1).states[lift]
    history = [
        TrainingSet(
            f"s{i}", (MONDAY - timedelta(days=21 - 7 * i)).isoformat(), 140.0, 5, 8.0, 0, ()
        )
        for i in range(3)
    ]
    return replace(base, lift=lift, history=history, caps=(), tired_back=False, **more)


ASK = PlanAsk(MONDAY, 8, (0, 2, 4))
