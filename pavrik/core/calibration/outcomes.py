"""What the model's judgements come to over a population: shares, ratios, responses.

Every number has a target in ``targets.json``, with its source or "common practice".
"""

import json
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from importlib.resources import files
from typing import Any

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import make_body
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.styles import DeadliftSetup, usual_setup
from pavrik.core.fitting.limited_by import TOGETHER
from pavrik.core.fitting.report import pose_report
from pavrik.core.fitting.search import evaluate
from pavrik.core.lifter.lifter import Lifter, default_lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS, BarPosition
from pavrik.core.lifter.schools import SquatSchools
from pavrik.core.lifts.lift import Lift
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.strength.capacities import assumed_capacities, scaled_by
from pavrik.core.units import Floats, radians

STANCES_M = (0.28, 0.36, 0.44, 0.52, 0.60, 0.68)
TOES_DEG = (8.0, 18.0, 28.0, 38.0)
INSIDE = slice(1, -1)
FLAT = slice(1, 5)
"""36 to 60 cm of the stances."""
PULLS: Mapping[str, tuple[tuple[float, ...], tuple[float, ...], tuple[float, ...]]] = {
    "conventional": ((0.26, 0.32, 0.38), (8.0, 16.0), (0.50, 0.56)),
    "semi_sumo": ((0.46, 0.52), (15.0, 22.0, 34.0), (0.38, 0.42)),
    "sumo": ((0.60, 0.68, 0.78), (28.0, 32.0, 40.0, 46.0), (0.38, 0.44)),
}
"""Stances (m), toes (deg) and hands (m) that are tried in each style."""
VARIATIONS = ("deficit", "block", "trap_low", "trap_high", "romanian")
LIMITING: Mapping[str, tuple[str, ...]] = {
    "hips": TOGETHER["hips"],
    "quads": TOGETHER["quads"],
    "back": ("lower_back", "upper_back", "lats"),
}
STEP = 0.02
ERRORS_DRAWN = 100


@dataclass(frozen=True)
class Target:
    """Where an outcome should lie, and who says so; ``open`` says why this model does not get
    there, where it does not."""

    what: str
    low: float
    high: float
    source: str
    open: str = ""

    def missed(self, value: float) -> float:
        """By how many half-widths of the band a value lies outside it; 0 inside."""
        half = (self.high - self.low) / 2
        return max(self.low - value, value - self.high, 0.0) / half


def targets() -> list[Target]:
    """The calibration's targets."""
    rows = json.loads(files(__package__).joinpath("targets.json").read_text("utf-8"))
    return [Target(**row) for row in rows]


def _maxes(lift: Lift[Any], lifters: Lifter, setups: Sequence[Any], *shape: int) -> Floats:
    case = lift.kinematics.case(lifters, setups, before=(1,))
    kg = evaluate(lift, case, lift.quick).predicted_max_kg
    return np.where(kg > 0, kg, np.nan).reshape(len(kg), *shape)


@dataclass(frozen=True)
class Population:
    """Lifters of one sex with their maxes, worked out once each."""

    lifters: Lifter

    @cached_property
    def squats(self) -> Mapping[str, Floats]:
        """By bar position: kg, shape (lifters, stances, toes)."""
        return {
            position: _maxes(
                SQUAT, self.lifters,
                [SquatSetup(position, s, float(radians(t))) for s in STANCES_M for t in TOES_DEG],
                len(STANCES_M), len(TOES_DEG),
            )
            for position in BAR_POSITIONS
        }  # fmt: skip

    @cached_property
    def pulls(self) -> Mapping[str, Floats]:
        """By style: kg, shape (lifters, stances, toes, hands)."""
        return {
            style: _maxes(
                DEADLIFT, self.lifters,
                [DeadliftSetup(style, s, float(radians(t)), g)
                 for s in stances for t in toes for g in grips],
                len(stances), len(toes), len(grips),
            )
            for style, (stances, toes, grips) in PULLS.items()
        }  # fmt: skip

    def best(self, kg: Floats) -> Floats:
        """Best of each lifter; NaN where nothing is open."""
        flat = kg.reshape(len(kg), -1)
        return np.where(np.isnan(flat).all(axis=1), np.nan, np.nanmax(np.nan_to_num(flat), axis=1))

    @cached_property
    def variations(self) -> Mapping[str, Floats]:
        """By pull that nobody competes in: its max over the conventional pull's."""
        setups = [usual_setup("conventional"), *map(usual_setup, VARIATIONS)]
        kg = [_maxes(DEADLIFT, self.lifters, [setup], 1)[:, 0] for setup in setups]
        return {name: kg[at + 1] / kg[0] for at, name in enumerate(VARIATIONS)}

    @cached_property
    def largest_share(self) -> Mapping[str, Floats]:
        """Which of hips, quads and back gains most from a little more of it, yes or no for each
        lifter, in a low bar squat and a pull of either style."""
        lifts: list[tuple[Lift[Any], Any]] = [
            (SQUAT, SquatSetup("low", 0.44, float(radians(18.0)))),
            (DEADLIFT, usual_setup("conventional")),
            (DEADLIFT, replace(usual_setup("sumo"), stance_m=0.62)),
        ]
        largest = []
        for lift, setup in lifts:
            gained = {g: self._gained(lift, setup, groups) for g, groups in LIMITING.items()}
            largest.append(np.argmax(np.nan_to_num(np.stack(list(gained.values()))), axis=0))
        together = np.concatenate(largest)
        return {name: together == at for at, name in enumerate(LIMITING)}

    def _gained(self, lift: Lift[Any], setup: Any, groups: Sequence[str]) -> Floats:
        """What a little more of some muscle groups adds to the log of the max, lifter by lifter."""
        stronger = scaled_by(self.lifters.capacities, 1.0 + STEP, groups)
        kg = [
            _maxes(lift, lifters, [setup], 1)[:, 0]
            for lifters in (self.lifters, replace(self.lifters, capacities=stronger))
        ]
        return np.log(kg[1] / kg[0])


def _share(where: Any) -> float:
    return float(np.mean(where))


def _median(values: Floats) -> float:
    return float(np.nanmedian(values))


def _of_reference_man(assumed: Assumptions) -> dict[str, float]:
    """Postures and responses of the 83 kg man of average build."""
    body = make_body("male", 83.0, 1.75)
    known = {"capacities": assumed_capacities(body, assumed), "assumed": assumed}
    man = default_lifter(body, schools=SquatSchools(width="wide"), **known)
    found: dict[str, float] = {}
    low = [SquatSetup("low", s, float(radians(t))) for s in STANCES_M for t in TOES_DEG]
    found["low bar of the reference man, kg"] = float(
        evaluate(SQUAT, SQUAT.kinematics.case(man, low), SQUAT.quick).predicted_max_kg.max()
    )
    for position in BAR_POSITIONS[1::2]:
        setup = SquatSetup(position, 0.44, float(radians(20.0)))
        kg = float(
            evaluate(SQUAT, SQUAT.kinematics.case(man, [setup]), SQUAT.quick).predicted_max_kg[0]
        )
        report = pose_report(SQUAT, man, setup, kg)
        found[f"shank of the {position} bar, deg"] = report.angles["shank_deg"]
        found[f"lean of the {position} bar, deg"] = report.angles["trunk_lean_deg"]
        moments = report.moments_nm
        found[f"hip over knee moment of the {position} bar"] = moments["hip_sagittal"] / max(
            moments["knee"], 1.0
        )
    starts = {s: pose_report(DEADLIFT, man, usual_setup(s), 180.0) for s in ("conventional",)}
    sumo = pose_report(DEADLIFT, man, replace(usual_setup("sumo"), stance_m=0.60), 180.0)
    conventional = starts["conventional"]
    found["back of the conventional start, deg"] = conventional.angles["back_deg"]
    found["sumo more upright, deg"] = sumo.angles["back_deg"] - conventional.angles["back_deg"]
    found["lumbar moment of sumo over conventional"] = (
        sumo.moments_nm["lumbar"] / conventional.moments_nm["lumbar"]
    )
    return found


def _responses(lifters: Lifter) -> dict[str, float]:
    """What a longer thigh and a deeper bottom cost, on the median."""
    setup = SquatSetup("low", 0.44, float(radians(18.0)))
    longer = replace(lifters, body=replace(lifters.body, thigh_m=lifters.body.thigh_m * 1.01))
    own, stretched = (_maxes(SQUAT, each, [setup], 1)[:, 0] for each in (lifters, longer))
    depth = lifters.body.knee_top_m - lifters.body.hip_crease_m - 0.015
    above, below = (
        _maxes(SQUAT, replace(lifters, own_depth_m=depth + step), [setup], 1)[:, 0]
        for step in (0.01, -0.01)
    )
    return {
        "elasticity of the squat in the thigh": _median(np.log(stretched / own)) / np.log(1.01),
        "one centimetre of depth, share": _median((above - below) / (2 * own)),
    }


def outcomes(men: Population, women: Population) -> dict[str, float]:
    """Every outcome by its name."""
    both = (men, women)

    def joined(of: Any) -> Floats:
        return np.concatenate([np.ravel(of(group)) for group in both])

    squat = {p: joined(lambda g, p=p: g.best(g.squats[p])) for p in BAR_POSITIONS}
    pull = {s: joined(lambda g, s=s: g.best(g.pulls[s])) for s in PULLS}
    ratio = np.fmax(pull["conventional"], np.fmax(pull["sumo"], pull["semi_sumo"])) / np.fmax(
        np.fmax(squat["low"], squat["middle"]), np.fmax(squat["high"], squat["front"])
    )
    wide = pull["sumo"] / pull["conventional"]
    stature = [np.ravel(group.lifters.body.stature_m) for group in both]
    short = np.concatenate([own < np.median(own) for own in stature])
    female = np.concatenate([np.full(len(stature[0]), False), np.full(len(stature[1]), True)])
    found = {
        "best pull over best squat": _median(ratio),
        "the same, 5th percentile": float(np.nanpercentile(ratio, 5)),
        "the same, 95th percentile": float(np.nanpercentile(ratio, 95)),
        "wide over narrow pull": _median(wide),
        "conventional beats sumo, share": _share(wide < 1),
        "wide pulls of women over those of men, share": _share(wide[female] > 1)
        - _share(wide[~female] > 1),
        "wide pulls of the short over those of the tall, share": _share(wide[short] > 1)
        - _share(wide[~short] > 1),
        "semi-sumo over the better of the others": _median(
            pull["semi_sumo"] / np.fmax(pull["sumo"], pull["conventional"])
        ),
        "high over low bar": _median(squat["high"] / squat["low"]),
        "middle over low bar": _median(squat["middle"] / squat["low"]),
        "front over low bar": _median(squat["front"] / squat["low"]),
    }
    found |= _who_leads(both, squat) | _stances(both, joined)
    for name in VARIATIONS:
        found[f"{name.replace('_', ' ')} over the floor pull"] = _median(
            joined(lambda g, n=name: g.variations[n])
        )
    for name in LIMITING:
        found[f"{name} hold the largest share, of lifts"] = _share(
            joined(lambda g, n=name: g.largest_share[n])
        )
    return found | _of_reference_man(men.lifters.assumed) | _responses(men.lifters)


def _who_leads(both: Sequence[Population], squat: Mapping[BarPosition, Floats]) -> dict[str, float]:
    """Who leads once every style has an error of its own."""
    random = np.random.default_rng(1)
    error = both[0].lifters.assumed.style_error
    kg = np.stack([np.nan_to_num(squat[p]) for p in BAR_POSITIONS])[..., None]
    seen = kg * np.exp(error * random.standard_normal((*kg.shape[:-1], ERRORS_DRAWN)))
    leader = np.array(BAR_POSITIONS)[np.argmax(seen, axis=0)]
    thigh = np.concatenate([np.ravel(g.lifters.body.thigh_m / g.lifters.body.stature_m)
                            for g in both])  # fmt: skip
    ankle = np.concatenate([np.ravel(g.lifters.screens.dorsiflexion) for g in both])
    suited = (thigh < np.median(thigh)) & (ankle > np.median(ankle))
    high = np.mean(leader == "high", axis=1)
    rest = max(_share(high[~suited]), 0.01)
    return {
        "low or middle bar leads, share": _share(np.isin(leader, ("low", "middle"))),
        "high bar among the suited over the rest": _share(high[suited]) / rest,
    }


def _stances(both: Sequence[Population], joined: Any) -> dict[str, float]:
    kg, high = (
        np.concatenate([np.nan_to_num(group.squats[position]) for group in both])
        for position in ("low", "high")
    )
    by_stance = kg.max(axis=2)
    at = by_stance.argmax(axis=1)
    flat = by_stance[:, FLAT] / by_stance[:, FLAT].max(axis=1, keepdims=True)
    thigh = joined(lambda g: g.lifters.body.thigh_m / g.lifters.body.stature_m)
    hips = joined(lambda g: g.lifters.screens.abduction)
    place = _vertex(by_stance)
    return {
        "own stance inside the range, share": _share((at > 0) & (at < len(STANCES_M) - 1)),
        "least of 36 to 60 cm over the best of them, average body": float(flat.mean(axis=0).min()),
        "stance and thigh, correlation": float(np.corrcoef(place, thigh)[0, 1]),
        "stance and hip opening, correlation": float(np.corrcoef(place, hips)[0, 1]),
        "toes beside their ends, share": _share(np.isin(kg.max(axis=1).argmax(axis=1), (1, 2))),
        "high bar's stance less the low bar's, m": _median(_vertex(high.max(axis=2)) - place),
    }


def _vertex(by_stance: Floats) -> Floats:
    """Stance in m at the top of the parabola through the best and its neighbours."""
    at = np.clip(by_stance.argmax(axis=1), 1, by_stance.shape[1] - 2)
    left, top, right = (
        np.take_along_axis(by_stance, (at + by)[:, None], axis=1)[:, 0] for by in (-1, 0, 1)
    )
    bend = np.minimum(left - 2 * top + right, -1e-6)
    step = np.clip((left - right) / (2 * bend), -1.0, 1.0)
    return np.asarray(np.array(STANCES_M)[at] + step * (STANCES_M[1] - STANCES_M[0]))
