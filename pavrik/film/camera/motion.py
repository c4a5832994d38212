"""How a lifter moves: his own computed way at a pace, with chosen faults, as places over time."""

from collections.abc import Mapping
from dataclasses import dataclass, field

import numpy as np

from pavrik.core.lifts.drawn import Drawn
from pavrik.core.lifts.lift import Carried
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.units import Floats

STILL_S = 0.9
_NEWTON = 14
FAULTS: dict[str, tuple[Carried, str]] = {
    "hips-rise": ("back", "hips up before the bar"),
    "bar-forward": ("back", "bar forward out of the hole"),
    "heels-up": ("back", "heels off the floor"),
    "dive": ("back", "dropped into the hole"),
    "high": ("back", "cut high"),
    "hips-shoot": ("hands", "hips up before the plates leave"),
    "bar-away": ("hands", "bar off the legs"),
}
"""What can be asked for: where the bar is carried, and the words."""
USUAL_SIZE = {
    "hips-rise": 0.05, "bar-forward": 0.04, "heels-up": 0.02, "dive": 0.65, "high": 0.10,
    "hips-shoot": 0.05, "bar-away": 0.04,
}  # fmt: skip
"""Metres; seconds for the dive."""


def faults_of(carried: Carried) -> dict[str, str]:
    """What can be asked for where the bar is carried so: words by fault."""
    return {fault: words for fault, (where, words) in FAULTS.items() if where == carried}


@dataclass(frozen=True)
class Pace:
    """Reps and how long their parts last, in s."""

    reps: int = 2
    down_s: float = 1.5
    up_s: float = 1.4
    between_s: float = STILL_S


@dataclass(frozen=True)
class Motion:
    """Places in m over time: (frames, 3) by joint (near side; x forward, y to the near side, z up),
    ``heel_m`` how far the heel is off the floor, ``turns_s`` the middle of each rep, ``aside``
    (frames,) how much of a fault to one side shows, 0 to 1: out of the hole, before the landing."""

    times_s: Floats
    points: dict[str, Floats]
    heel_m: Floats
    turns_s: list[float]
    aside: Floats


@dataclass(frozen=True)
class _Way:
    """The computed way by progress: angles and places as columns to be asked."""

    progress: Floats
    hip: Floats
    bar: Floats
    shank: Floats
    linkage: SideLinkage
    faults: Mapping[str, float] = field(default_factory=dict)

    def at(self, progress: Floats, places: Floats) -> Floats:
        order = np.argsort(self.progress)
        return np.stack(
            [np.interp(progress, self.progress[order], column[order]) for column in places.T], -1
        )


def _ease(share: Floats) -> Floats:
    """From rest to rest."""
    return share**3 * (10 - 15 * share + 6 * share**2)


def _grind(share: Floats) -> Floats:
    """From rest to rest with a slow stretch before the middle."""
    tau = np.linspace(0, 1, 400)
    speed = np.sin(np.pi * tau) ** 0.8 * (1 - 0.45 * np.exp(-(((tau - 0.42) / 0.11) ** 2)))
    way = np.concatenate([[0.0], np.cumsum((speed[1:] + speed[:-1]) / 2)])
    return np.asarray(np.interp(share, tau, way / way[-1]))


def _early(share_up: Floats) -> Floats:
    """A fault out of the hole: nothing at the bottom, all of it a fifth up, gone at the top."""
    s = np.clip(share_up, 0.0, 1.0) / 0.2
    fading = 1 - _ease(np.clip((share_up - 0.5) / 0.3, 0, 1))
    return np.asarray(s * np.exp(1 - s) * fading)


def _knee_below(linkage: SideLinkage, hip: Floats, ankle: Floats, shank: Floats) -> Floats:
    """The knee (frames, 3) that carries a hip at a place; by Newton's way from a shank near it."""
    for _ in range(_NEWTON):
        gap = _thigh_gap(linkage, hip, ankle, shank)
        slope = (_thigh_gap(linkage, hip, ankle, shank + 1e-5) - gap) / 1e-5
        step = np.where(np.abs(slope) > 1e-4, gap / np.where(slope == 0, 1.0, slope), 0.0)
        shank = np.clip(shank - np.clip(step, -0.15, 0.15), -0.3, 1.2)
    return _knee(linkage, ankle, shank)


def _knee(linkage: SideLinkage, ankle: Floats, shank: Floats) -> Floats:
    reach = linkage.shank_m * np.sin(shank)
    return np.stack(
        [
            ankle[:, 0] + reach * np.cos(linkage.toe_out),
            ankle[:, 1] + reach * np.sin(linkage.toe_out),
            ankle[:, 2] + linkage.shank_m * np.cos(shank),
        ],
        -1,
    )


def _thigh_gap(linkage: SideLinkage, hip: Floats, ankle: Floats, shank: Floats) -> Floats:
    off = hip - _knee(linkage, ankle, shank)
    return np.asarray(np.linalg.norm(off, axis=1) - linkage.thigh_m)


def perform(
    path: Drawn, progress: Floats, linkage: SideLinkage, pace: Pace,
    faults: Mapping[str, float] | None = None, rate_hz: float = 30.0,
) -> Motion:  # fmt: skip
    """A set on film: the way of ``path`` (columns by ``progress``) at a pace, with faults by id in
    m (s for the dive). Raises ValueError for a fault that the camera does not know."""
    asked = dict(faults or {})
    known = faults_of(linkage.carried)
    for fault in asked:
        if fault not in known:
            raise ValueError(
                f"the simulated phone cannot film “{fault}” here: choose of {', '.join(known)}"
            )
    places = {name: np.stack([x, z], -1) for name, (x, _, z) in path.points.items()}
    way = _Way(
        np.asarray(progress), places["hip"], places["bar"],
        np.deg2rad(path.angles_deg["shank"])[:, None], linkage, asked,
    )  # fmt: skip
    return (_on_the_back if linkage.bar_on_trunk else _from_the_floor)(way, pace, rate_hz)


def _on_the_back(way: _Way, pace: Pace, rate_hz: float) -> Motion:
    faults = way.faults
    down_s = faults.get("dive", pace.down_s)
    each = down_s + pace.up_s + pace.between_s
    times = np.arange(0, STILL_S + pace.reps * each, 1 / rate_hz)
    inside = (times - STILL_S) % each
    inside = np.where(times < STILL_S, 0.0, inside)
    inside = np.where(times - STILL_S >= pace.reps * each - 1e-9, 0.0, inside)
    going_up = np.clip((inside - down_s) / pace.up_s, 0, 1)
    deep = np.where(inside < down_s, _ease(np.clip(inside / down_s, 0, 1)), 1 - _grind(going_up))
    deep = deep * _deepest(way, faults.get("high", 0.0))
    hip, bar = way.at(deep, way.hip), way.at(deep, way.bar)
    coming = inside > down_s
    low, high = bar[:, 1].min(), bar[:, 1].max()
    early = np.where(coming, _early((bar[:, 1] - low) / (high - low)), 0.0)
    bar, hip = _led(bar, hip, early * faults.get("hips-rise", 0.0),
                    early * faults.get("bar-forward", 0.0))  # fmt: skip
    heel = faults.get("heels-up", 0.0) * _ease(np.clip((deep - 0.6) / 0.35, 0, 1))
    turns = [STILL_S + rep * each + down_s for rep in range(pace.reps)]
    return _embodied(way, times, deep, hip, bar, heel, turns, early)


def _deepest(way: _Way, cut_m: float) -> float:
    """Progress at which the hip is so far above its lowest."""
    if not cut_m:
        return 1.0
    order = np.argsort(way.progress)
    heights = way.hip[order, 1]
    return float(np.interp(-(heights[-1] + cut_m), -heights, way.progress[order]))


def _led(bar: Floats, hip: Floats, lead_m: Floats, forward_m: Floats) -> tuple[Floats, Floats]:
    """Hips ahead of a bar that drifts forward: the trunk keeps its length from hip to bar."""
    length = np.hypot(*(bar - hip).T)
    bar = bar + np.stack([forward_m, np.zeros_like(forward_m)], -1)
    height = hip[:, 1] + lead_m
    back = np.sqrt(np.maximum(length**2 - (bar[:, 1] - height) ** 2, 1e-6))
    back = np.copysign(back, bar[:, 0] - forward_m - hip[:, 0])
    return bar, np.stack([bar[:, 0] - back, height], -1)


def _from_the_floor(way: _Way, pace: Pace, rate_hz: float) -> Motion:
    faults = way.faults
    ready, held = 1.3, 0.8
    each = ready + pace.up_s + held + pace.down_s
    times = np.arange(0, pace.reps * each + STILL_S, 1 / rate_hz)
    inside = np.where(times >= pace.reps * each, 0.0, times % each)
    rising = np.clip((inside - ready) / pace.up_s, 0, 1)
    sinking = np.clip((inside - ready - pace.up_s - held) / pace.down_s, 0, 1)
    up = _grind(rising) * (1 - _ease(sinking))
    deep = 1 - up
    hip, bar = way.at(deep, way.hip), way.at(deep, way.bar)
    lower = faults.get("hips-shoot", 0.0)
    rise = _ease(np.clip((inside - (ready - 0.55)) / 0.5, 0, 1))
    rise = np.where(sinking > 0, 1 - _ease(np.clip((sinking - 0.5) / 0.5, 0, 1)), rise)
    hip = hip - np.stack([np.zeros_like(rise), lower * (1 - rise)], -1)
    away = np.where(sinking > 0, 0.0, _early(up / 0.75)) * faults.get("bar-away", 0.0)
    bar = bar + np.stack([away, np.zeros_like(away)], -1)
    turns = [rep * each + ready + pace.up_s for rep in range(pace.reps)]
    landing = np.sin(np.pi * np.clip((sinking - 0.45) / 0.55, 0, 1))
    return _embodied(way, times, deep, hip, bar, np.zeros_like(times), turns, landing)


def _embodied(
    way: _Way, times: Floats, deep: Floats, hip: Floats, bar: Floats, heel: Floats,
    turns: list[float], aside: Floats,
) -> Motion:  # fmt: skip
    """Knees and shoulders that go with hips and bar."""
    linkage = way.linkage
    full = len(times)
    foot = 0.19
    ankle = np.tile(np.array(linkage.ankle), (full, 1))
    ankle[:, 2] += heel * 0.65
    ankle[:, 0] += heel**2 / foot
    hip3 = np.stack([hip[:, 0], np.full(full, linkage.hip_y_m), hip[:, 1]], -1)
    knee = _knee_below(linkage, hip3, ankle, way.at(deep, way.shank)[:, 0])
    shoulder = _shoulder(linkage, hip, bar)
    off = shoulder - hip
    head = hip + off * 1.3
    zero = np.zeros(full)
    points = {
        "ankle": ankle,
        "knee": knee,
        "hip": hip3,
        "shoulder": np.stack([shoulder[:, 0], zero + linkage.shoulder_y_m, shoulder[:, 1]], -1),
        "head": np.stack([head[:, 0], zero, head[:, 1]], -1),
        "bar": np.stack([bar[:, 0], zero, bar[:, 1]], -1),
    }
    return Motion(times, points, heel, turns, aside)


def _shoulder(linkage: SideLinkage, hip: Floats, bar: Floats) -> Floats:
    off = bar - hip
    if linkage.bar_on_trunk:
        lean = np.arctan2(off[:, 0], off[:, 1]) - np.arctan2(*linkage.bar_on_trunk[::-1])
    else:
        apart = np.hypot(off[:, 0], off[:, 1])
        cosine = (linkage.trunk_m**2 + apart**2 - linkage.arm_m**2) / (2 * linkage.trunk_m * apart)
        lean = np.arctan2(off[:, 0], off[:, 1]) - np.arccos(np.clip(cosine, -1.0, 1.0))
    return hip + linkage.trunk_m * np.stack([np.sin(lean), np.cos(lean)], -1)
