"""What a variation asks of each muscle group in each phase, beside the competition lift.

Everything is compared at equal effort: the same share of each lift's own max. Static use; what a
pause or a tempo adds is the time it is held, which is given apart.
"""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, replace
from functools import cache, partial

import numpy as np

from pavrik.core.assumptions import assume, assume_each
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.path import PHASES as WAY_UP
from pavrik.core.deadlift.path import DeadliftPath, deadlift_path
from pavrik.core.deadlift.start import PlacedStart, place_starts
from pavrik.core.deadlift.styles import DeadliftSetup, usual_setup
from pavrik.core.fitting.candidates import reasons_against
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.drawn import Drawn, draw
from pavrik.core.lifts.posture import Posture
from pavrik.core.linkage.foot import place_foot
from pavrik.core.linkage.legs import squat_legs
from pavrik.core.squat.bar_positions import SAFETY_BAR
from pavrik.core.squat.depth import hip_above_knee_m
from pavrik.core.squat.kinematics import SquatCase, SquatPosture
from pavrik.core.squat.phases import progress_at
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.utilization import LIMITERS, JointMoments, Utilization
from pavrik.core.units import Floats, radians
from pavrik.core.variations.catalogue import Knob, Variation
from pavrik.words import say

EFFORT = 0.80
"""Share of its own max at which a variation is compared."""
SQUAT_PHASES = ("bottom", "out of the hole", "middle", "finish")
_PROGRESS = np.array([progress_at(phase) for phase in SQUAT_PHASES])
_HINGE_SHANK_DEG = assume("hinge_shank_deg", 2.0, "deg", "shank lean of a good morning")
_HINGE_THIGH_DEG = tuple(
    assume_each(
        "hinge_thigh_deg", dict(zip(SQUAT_PHASES, (47.0, 58.0, 70.0, 82.0), strict=True)), "deg",
        "thigh above horizontal in a good morning",
    ).values()
)  # fmt: skip
_ALIKE = {"lowering": "below the knee", "descent": "bottom", "between reps": "off the floor",
          "slack": "off the floor", "grip": "off the floor", "approach": "off the floor",
          "set": "finish"}  # fmt: skip
COMPETITION = "competition"
REGIONS = ("lower back", "upper back", "knee", "hip")
"""What a flag may stand on and the model has a moment for."""


@dataclass(frozen=True)
class Loading:
    """One lift at ``load_kg``: ``use`` of each capacity (columns as ``LIMITERS``) in each phase
    (rows), and the moment on each region in N m (columns as ``REGIONS``); ``draw`` makes its
    figure; ``reasons`` why the lifter's screens do not allow it; ``way_m`` how far hips (squat) or
    bar (pull) travel in a rep, None where it is not told."""

    name: str
    load_kg: float
    phases: tuple[str, ...]
    utilization: Floats
    moments_nm: Floats
    draw: Callable[[], Drawn] = field(compare=False)
    reasons: tuple[str, ...] = ()
    way_m: float | None = None

    def at(self, phase: str | None, capacity: str) -> float:
        """Use of a capacity in a phase; the most along the way without a phase or a known one."""
        column = self.utilization[:, LIMITERS.index(capacity)]
        named = _ALIKE.get(phase or "", phase)
        if named in self.phases:
            return float(column[self.phases.index(named)])
        return float(np.max(column))

    def moment_nm(self, region: str) -> float | None:
        """Most moment on a region anywhere, both sides; None where the model has none for it."""
        if region not in REGIONS:
            return None
        return float(np.max(self.moments_nm[:, REGIONS.index(region)]))

    @property
    def limiter(self) -> str:
        """The capacity that is used most anywhere."""
        return LIMITERS[int(np.argmax(np.max(self.utilization, axis=0)))]


def _squat_setup(setup: SquatSetup, knob: Knob, depth_m: float) -> SquatSetup:
    changed = replace(setup, stance_m=setup.stance_m + knob.stance_m)
    if knob.hip_above_knee_m:
        changed = replace(changed, hip_above_knee_m=depth_m + knob.hip_above_knee_m)
    if knob.bar == "safety":
        return replace(changed, specialty=SAFETY_BAR, grip_m=None)
    if knob.bar is not None:
        return replace(changed, bar_position=knob.bar, specialty=None, grip_m=None)  # type: ignore[arg-type]
    return changed


def _rows(use: Utilization, shape: tuple[int, ...]) -> Floats:
    """(set-ups, phases, capacities)."""
    return np.stack([np.broadcast_to(u, shape) for u in use], axis=-1)


def _on_regions(moments: JointMoments, shape: tuple[int, ...]) -> Floats:
    """Moments on the regions in N m, positive where muscles must work: (..., regions)."""
    hip = np.hypot(moments.hip_sagittal, moments.hip_frontal)
    of_region = (moments.lumbar, moments.midback, moments.knee, hip)
    return np.stack([np.broadcast_to(np.maximum(m, 0.0), shape) for m in of_region], axis=-1)


def _hinge_posture(case: SquatCase) -> SquatPosture:
    """A good morning: shanks plumb, the hips go back, the trunk leans until it balances."""
    foot = place_foot(case.body, case.stance_m, case.toe_out, case.heel_lift_m, case.assumed)
    legs = squat_legs(
        case.body, foot, radians(np.full(len(SQUAT_PHASES), _HINGE_SHANK_DEG)),
        radians(np.array(_HINGE_THIGH_DEG)),
    )  # fmt: skip
    return case.hold(legs)


@dataclass(frozen=True)
class PlacedSquats:
    """The competition squat and then computed variations of it, each where it is held; what they
    ask is told for any max."""

    lifter: Lifter
    setups: list[SquatSetup]
    names: list[str]
    knobs: list[Knob]
    posture: Posture
    reasons: list[list[str]]

    def at(self, max_kg: float, ratios: Sequence[float], effort: float = EFFORT) -> list[Loading]:
        """Each at its share of the max; ``ratios`` are the variations' maxes over ``max_kg``, in
        the same order."""
        loads = effort * max_kg * np.array([1.0, *ratios])
        loaded = self.posture.at_load(loads[:, None, None])
        shape = (len(self.setups), 1, len(_PROGRESS))
        use = _rows(loaded.utilization, shape)[:, 0]
        moments = _on_regions(loaded.moments, shape)[:, 0]
        drawn = cache(partial(draw, self.posture, loaded))
        ways, steps = _hips_way_m(self.posture, self.lifter), len(_PROGRESS)
        answer = []
        for index, (name, knob) in enumerate(zip(self.names, self.knobs, strict=True)):
            if knob.hinge:
                answer.append(_hinge(self.lifter, self.setups[index], name, float(loads[index])))
                continue
            answer.append(
                Loading(
                    name, float(loads[index]), SQUAT_PHASES, use[index], moments[index],
                    partial(_one_of, drawn, index * steps),
                    tuple(self.reasons[index]), float(ways[index]),
                )
            )  # fmt: skip
        return answer


def place_squats(
    lifter: Lifter, setup: SquatSetup, variations: Sequence[Variation]
) -> PlacedSquats:
    """All set-ups are searched at once."""
    depth = hip_above_knee_m(lifter, setup)
    knobs = [Knob(), *(v.knob or Knob() for v in variations)]
    setups = [_squat_setup(setup, knob, depth) for knob in knobs]
    case = SQUAT.kinematics.case(lifter, setups)
    found = evaluate(SQUAT, case)
    return PlacedSquats(
        lifter, setups, [COMPETITION, *(v.name for v in variations)], knobs,
        case.posture(found.shank[:, None, None], _PROGRESS),
        reasons_against(SQUAT, lifter, setups, found),
    )  # fmt: skip


def _hips_way_m(posture: Posture, lifter: Lifter) -> Floats:
    """From the bottom to standing, in m, shape (set-ups,)."""
    legs, body = posture.legs, lifter.body
    aside = legs.foot.ankle.y - legs.hip.y
    leg = body.shank_m + body.thigh_m
    standing = legs.foot.ankle.z + np.sqrt(np.maximum(leg**2 - aside**2, 0.0))
    return np.asarray(standing - legs.hip.z)[:, 0, 0]


def _hinge(lifter: Lifter, setup: SquatSetup, name: str, load_kg: float) -> Loading:
    case = SQUAT.kinematics.case(lifter, [setup])
    assert isinstance(case, SquatCase)
    posture = _hinge_posture(case)
    loaded = posture.at_load(load_kg)
    shape = (1, 1, len(SQUAT_PHASES))
    use, moments = (
        of[0, 0] for of in (_rows(loaded.utilization, shape), _on_regions(loaded.moments, shape))
    )
    reasons = SQUAT.gates(lifter, setup)
    if np.any(loaded.balanced.impossible):
        reasons.append(say("variations.trunk_cannot_balance_bar"))
    drawn = partial(_one_of, partial(draw, posture, loaded), 0)
    return Loading(name, load_kg, SQUAT_PHASES, use, moments, drawn, tuple(reasons))


def _one_of(draw_all: Callable[[], Drawn], index: int) -> Drawn:
    return draw_all().at(index)


def _deadlift_setup(setup: DeadliftSetup, knob: Knob) -> DeadliftSetup:
    if knob.style is not None and knob.style != setup.style:
        return usual_setup(knob.style)
    if knob.above_m:
        higher = setup.bar_height_m + knob.above_m
        return replace(setup, bar_height_m=higher, bar_offset_m=None, shank=None)
    return setup


def _deadlift_loads(way: DeadliftPath, load_kg: float) -> tuple[Floats, Floats]:
    """Most use of each capacity and most moment on each region in each phase, (phases, columns); a
    phase that this body passes over counts as its neighbour."""
    loaded = way.posture.at_load(load_kg)
    steps, phase = len(way.phase), np.array([WAY_UP.index(name) for name in way.phase])
    away = np.abs(phase - np.arange(len(WAY_UP))[:, None])
    use = np.stack(
        [np.broadcast_to(np.asarray(u).reshape(-1), steps) for u in loaded.utilization], axis=-1
    )
    shape = np.shape(loaded.moments.lumbar)
    moments = _on_regions(loaded.moments, shape).reshape(steps, len(REGIONS))

    def most(columns: Floats) -> Floats:
        return np.stack([np.max(columns[apart == np.min(apart)], axis=0) for apart in away])

    return most(use), most(moments)


@dataclass(frozen=True)
class PlacedPulls:
    """The competition deadlift and then computed variations of it, as for the squat."""

    setups: list[DeadliftSetup]
    names: list[str]
    starts: Mapping[DeadliftSetup, PlacedStart]
    ways: Mapping[DeadliftSetup, DeadliftPath]

    def at(self, max_kg: float, ratios: Sequence[float], effort: float = EFFORT) -> list[Loading]:
        """Each at its share of the max."""
        answer = []
        for name, one, share in zip(self.names, self.setups, [1.0, *ratios], strict=True):
            load_kg, start, way = effort * max_kg * share, self.starts[one], self.ways[one]
            use, moments = _deadlift_loads(way, load_kg)
            way_m = float(np.ptp(way.bar_height_m()))
            drawn, reasons = partial(_draw_at, start, load_kg), tuple(start.reasons)
            answer.append(Loading(name, load_kg, WAY_UP, use, moments, drawn, reasons, way_m))
        return answer


def place_pulls(
    lifter: Lifter, setup: DeadliftSetup, variations: Sequence[Variation]
) -> PlacedPulls:
    """Every different set-up once."""
    knobs = [Knob(), *(v.knob or Knob() for v in variations)]
    setups = [_deadlift_setup(setup, knob) for knob in knobs]
    different = list(dict.fromkeys(setups))
    starts = dict(zip(different, place_starts(lifter, different), strict=True))
    ways = {one: deadlift_path(at.case, at.posture.legs.shank) for one, at in starts.items()}
    return PlacedPulls(setups, [COMPETITION, *(v.name for v in variations)], starts, ways)


def _draw_at(placed: PlacedStart, load_kg: float) -> Drawn:
    return draw(placed.posture, placed.posture.at_load(load_kg))


Placed = PlacedSquats | PlacedPulls
PLACES: Mapping[str, Callable[..., Placed]] = {SQUAT.id: place_squats, DEADLIFT.id: place_pulls}
"""By lift: (lifter, set-up, variations) -> the competition lift and all of them."""
