"""The start of a deadlift in closed form: arms straight, the bar against the shin, the hips where
knee and shoulder put them. Nothing depends on the load, so every moment is a straight line in it.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from pavrik.core.assumptions import Assumptions
from pavrik.core.body.segments import Number
from pavrik.core.deadlift.styles import PLATE_RADIUS_M, DeadliftSetup
from pavrik.core.deadlift.under_the_bar import (
    Place,
    UpperMass,
    balanced_offset_m,
    effective_arm,
    shin_on_bar,
    standing_shoulder_m,
    upper_masses,
)
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.case import DEEPEST, Case
from pavrik.core.lifts.lift import Unknown
from pavrik.core.lifts.posture import LoadedPosture, Posture, UpperPlaces, hip_flexion
from pavrik.core.linkage.balance import Balanced
from pavrik.core.linkage.foot import FootPlacement, place_foot
from pavrik.core.linkage.geometry import safe_root
from pavrik.core.linkage.legs import LegPose, leg_masses, legs_below_shoulder
from pavrik.core.linkage.moments import LegMoments, Line, leg_moments
from pavrik.core.linkage.rounded_trunk import RoundedTrunk, trunk_of
from pavrik.core.strength.capacities import (
    GROUPS,
    Capacities,
    knee_share,
    scaled_by,
    weaker_when_rounded,
)
from pavrik.core.strength.predicted_max import FIRST_BODY_MASSES, load_at_full_utilization
from pavrik.core.units import GRAVITY_M_S2, Floats, Mask, radians
from pavrik.words import say

LEAST_SHANK_DEG, MOST_SHANK_DEG = 2.0, 34.0
"""Where nothing fixes the shank."""
STRAIGHT_SHANK_DEG = 1.0
"""How far a shank turns back on the way up."""
SHORT_OF_LOCKOUT_M = 0.01
"""The way ends so far below the height at which legs and trunk are one line."""
FIRST_OFFSET_M = 0.03
"""Where the search for the bar's place over the foot begins."""
PLACINGS, HALVINGS = 3, 10


@dataclass(frozen=True, kw_only=True)
class DeadliftPosture(Posture):
    """Legs, trunk and bar in place; the trunk's ``lean`` (rad) is the same under any load.

    ``reach_gap_m`` is what thigh and trunk are too short or too long by.
    """

    shoulder: Place
    bar: Place
    grip_m: Number
    lean: Floats
    sine: Floats
    cosine: Floats
    hip_flexion: Floats
    reach_gap_m: Floats
    no_pose: Mask
    lines: LegMoments
    lumbar: Line
    midback: Line
    first_moment: Floats
    upper_masses: list[UpperMass]

    @property
    def impossible(self) -> Mask:
        return self.no_pose

    @property
    def leg_lines(self) -> LegMoments:
        return self.lines

    @property
    def body_centre_x_m(self) -> Floats:
        """Mass centre of the lifter alone, without the bar."""
        return self.first_moment / self.body.mass_kg

    @property
    def back_angle(self) -> Floats:
        """The back above horizontal in rad."""
        return np.pi / 2 - self.lean

    def at_load(self, load_kg: Number) -> LoadedPosture:
        everything = self.first_moment + load_kg * self.bar[0]
        balanced = Balanced(self.sine, self.cosine, everything, self.no_pose)
        trunk_nm = self.lumbar.at(load_kg), self.midback.at(load_kg)
        ahead_m = np.maximum(self.shoulder[0] - self.bar[0], 0.0)
        shoulder_nm = GRAVITY_M_S2 * load_kg * ahead_m
        return self._loaded(load_kg, balanced, self.hip_flexion, self.lines, trunk_nm, shoulder_nm)

    def upper(self, balanced: Balanced) -> UpperPlaces:
        hip, body = self.legs.hip, self.body
        head = body.trunk_m + self.assumed.head_centre * body.head_neck_m
        return UpperPlaces(
            shoulder=self.shoulder,
            head=(hip.x + head * balanced.sine, hip.z + head * balanced.cosine),
            bar=self.bar,
            bar_y_m=np.asarray(self.grip_m) / 2,
            masses=[(mass.name, mass.kg, mass.x, mass.z) for mass in self.upper_masses],
        )


@dataclass(frozen=True, kw_only=True)
class DeadliftCase(Case):
    """Starts as columns. ``bar_offset_m`` is given where it is not NaN; else balance decides it.
    ``shank`` in rad likewise: else it leans on the bar, or, where ``free`` (bool, of all of them or
    of none), is searched for."""

    grip_m: Number
    bar_offset_m: Number
    shoulder_offset_m: Number
    bar_height_m: Number
    style_factor: Number
    travel_from_m: Number
    """Height of a start that the way to lockout is counted from."""
    inside: Mask
    beside: Mask
    shank: Floats
    free: bool = False
    rounded: Number | None = None
    """How far (rad) the upper back is rounded at the start; it straightens with the way up."""
    balanced_kg: Floats | None = None
    """Load in kg that the way up is balanced under, once the bar has its place."""

    @cached_property
    def foot(self) -> FootPlacement:
        """Where the left foot stands."""
        return place_foot(self.body, self.stance_m, self.toe_out, 0.0, self.assumed)

    @cached_property
    def _on_bar(self) -> tuple[Floats, Mask]:
        bar = np.asarray(self.bar_offset_m), np.asarray(self.bar_height_m)
        return shin_on_bar(self.foot, *bar)

    def shank_range(self) -> tuple[Floats, Floats]:
        if self.free:
            least = np.full(np.shape(self.shank), radians(LEAST_SHANK_DEG))
            return least, np.full(np.shape(self.shank), radians(MOST_SHANK_DEG))
        touching, _ = self._on_bar
        known = np.where(np.isnan(self.shank), touching, self.shank)
        return known, known

    def strengths(self, capacities: Capacities) -> Capacities:
        return _in_a_pull(capacities, self.style_factor, self.travel_from_m, self.assumed)

    def placed(self, shank: Floats | None = None) -> tuple["DeadliftCase", Floats | None]:
        """The bar where lifter and bar stand over mid-foot at the max, unless its place is given:
        the place and the load that is held there are found in turn. The way up is balanced under
        that load. A free shank has to be given."""
        if self.balanced_kg is not None or (self.free and shank is None):
            return self, shank
        unknown = np.isnan(np.asarray(self.bar_offset_m))

        def moved(place: Floats) -> tuple[DeadliftCase, Floats]:
            case = replace(self, bar_offset_m=place)
            return case, shank if self.free and shank is not None else case.shank_range()[0]

        def at(place: Floats) -> DeadliftPosture:
            case, stands = moved(place)
            return case.posture(stands, DEEPEST)

        def balanced(place: Floats, load: Floats) -> Floats:
            def centre(offset: Floats) -> Floats:
                case, stands = moved(offset)
                return case._centre_x_m(stands, load)

            return np.where(unknown, balanced_offset_m(centre, place), place)

        def held_kg(posture: DeadliftPosture) -> Floats:
            return load_at_full_utilization(
                lambda kg: posture.at_load(kg).utilization.most, self.body.mass_kg
            )

        place = np.where(unknown, FIRST_OFFSET_M, self.bar_offset_m)
        load = FIRST_BODY_MASSES[-1] * np.asarray(self.body.mass_kg)
        for _ in range(PLACINGS if np.any(unknown) else 1):
            place = balanced(place, load) if np.any(unknown) else place
            load = held_kg(at(place))
        case, stands = moved(place)
        return replace(case, balanced_kg=load), stands

    def posture(self, shank: Floats, progress: Floats) -> DeadliftPosture:
        if np.any(np.isnan(np.asarray(self.bar_offset_m))):
            raise ValueError(say("deadlift.bar_no_place_over"))
        bar, shoulder, out_of_reach = self._hands(progress)
        if not np.all(np.asarray(progress) == 1.0):
            shank = self._balanced_shank(shank, progress, bar, shoulder)
        trunk = self._trunk(progress)
        legs, gap = self._legs(shank, shoulder, trunk)
        no_pose = out_of_reach | legs.unreachable
        if not self.free:
            _, too_close = self._on_bar
            no_pose = no_pose | (too_close & np.isnan(self.shank))
        return replace(self.hold(legs, shoulder, bar, trunk), reach_gap_m=gap, no_pose=no_pose)

    def _hands(self, progress: Floats) -> tuple[Place, Place, Mask]:
        """The bar and the shoulder at the ends of the arms, and where no arm reaches."""
        arm, arms_short = effective_arm(self.body, self.grip_m)
        ahead = np.asarray(self.shoulder_offset_m) * progress
        rise, ahead_too_far = safe_root(arm**2 - ahead**2)
        bar = np.asarray(self.bar_offset_m), self._bar_z(arm, progress)
        return bar, (bar[0] + ahead, bar[1] + rise), arms_short | ahead_too_far

    def _centre_x_m(self, shank: Floats, load_kg: Floats) -> Floats:
        """Mass centre of lifter and bar at the start, in front of mid-foot."""
        bar, shoulder, _ = self._hands(DEEPEST)
        trunk = self._trunk(DEEPEST)
        legs, _ = self._legs(shank, shoulder, trunk)
        body = self._first_moment(legs, self._upper(legs, shoulder, bar, trunk))
        return np.asarray((body + load_kg * bar[0]) / (self.body.mass_kg + load_kg))

    def _trunk(self, progress: Floats) -> RoundedTrunk | None:
        """The trunk where it is not straight."""
        if self.rounded is None:
            return None
        return trunk_of(self.body, np.asarray(self.rounded) * progress, self.assumed)

    def _legs(
        self, shank: Number, shoulder: Place, trunk: RoundedTrunk | None
    ) -> tuple[LegPose, Floats]:
        body = replace(self.body, trunk_m=trunk.chord_m) if trunk else self.body
        return legs_below_shoulder(body, self.foot, shank, *shoulder)

    def _bar_z(self, arm: Floats, progress: Floats) -> Floats:
        """The bar's height along the way: straight up from the start to just below lockout."""
        low: Floats = np.asarray(self.bar_height_m)
        if np.all(np.asarray(progress) == 1.0):
            return low
        top = standing_shoulder_m(self.body, self.foot) - arm - SHORT_OF_LOCKOUT_M
        height: Floats = low + (1.0 - np.asarray(progress)) * np.maximum(top - low, 0.0)
        return height

    def _balanced_shank(
        self, start: Floats, progress: Floats, bar: Place, shoulder: Place
    ) -> Floats:
        """Shank in rad that keeps lifter and bar over mid-foot on the way up, by halving: it turns
        back as the bar rises, may touch the bar below the knee and never pass it. At the start it
        is the given one."""
        if self.balanced_kg is None:
            raise ValueError(say("deadlift.way_up_balanced_under"))
        touching, _ = shin_on_bar(self.foot, *bar)
        knee_z = self.foot.ankle.z + self.body.shank_m * np.cos(touching)
        held_back = (bar[1] < knee_z) & ~np.asarray(self.beside)
        least = radians(STRAIGHT_SHANK_DEG)
        high = np.maximum(np.where(held_back, touching, radians(MOST_SHANK_DEG)), least)
        trunk = self._trunk(progress)
        low = np.full_like(high, least)
        for _ in range(HALVINGS):
            middle = (low + high) / 2
            legs, gap = self._legs(middle, shoulder, trunk)
            upper = self._upper(legs, shoulder, bar, trunk)
            forward = self._first_moment(legs, upper) + self.balanced_kg * np.asarray(bar[0])
            lean_in = (forward > 0) | (gap > 0)
            low, high = np.where(lean_in, low, middle), np.where(lean_in, middle, high)
        found: Floats = np.where(np.asarray(progress) == 1.0, start, (low + high) / 2)
        return found

    def _upper(
        self, legs: LegPose, shoulder: Place, bar: Place, trunk: RoundedTrunk | None = None
    ) -> list[UpperMass]:
        hip = legs.hip
        lean = np.arctan2(shoulder[0] - hip.x, shoulder[1] - hip.z)
        return upper_masses(self.body, lean, hip, bar, shoulder, self.assumed, trunk)

    def _first_moment(self, legs: LegPose, upper: list[UpperMass]) -> Floats:
        masses = leg_masses(self.body, legs)
        return np.asarray(masses.first_moment + sum(mass.kg * mass.x for mass in upper))

    def start(self) -> DeadliftPosture:
        """The start of set-ups whose shank is known."""
        return self.posture(self.shank_range()[0], DEEPEST)

    def hold(
        self, legs: LegPose, shoulder: Place, bar: Place, trunk: RoundedTrunk | None = None
    ) -> DeadliftPosture:
        """Legs, shoulder and bar (x and z in m) put together, ready to be loaded; ``trunk`` where
        it is not straight."""
        body, assumed, hip = self.body, self.assumed, legs.hip
        lean = np.arctan2(shoulder[0] - hip.x, shoulder[1] - hip.z)
        sine, cosine = np.sin(lean), np.cos(lean)
        pelvis = lean - trunk.pelvis_turn if trunk else lean
        upper = self._upper(legs, shoulder, bar, trunk)
        masses = leg_masses(body, legs)
        first_moment = self._first_moment(legs, upper)

        def cut(place: float) -> Line:
            along = place * body.trunk_m
            at = hip.x + (trunk.at(along, lean)[0] if trunk else along * sine)
            above = sum(mass.kg * (mass.x - at) for mass in upper if mass.along > place)
            return Line(GRAVITY_M_S2 * np.asarray(above), GRAVITY_M_S2 * (bar[0] - at))

        return DeadliftPosture(
            body=body, legs=legs, masses=masses, assumed=assumed,
            capacities=weaker_when_rounded(self.capacities, trunk.turn) if trunk
            else self.capacities,
            knee_share=knee_share(legs.knee_flexion, assumed),
            push_limit=self.push_limit,
            suit_nm=self.suit_nm,
            shoulder=shoulder, bar=bar, grip_m=self.grip_m, lean=lean,
            sine=sine, cosine=cosine, hip_flexion=hip_flexion(legs, np.sin(pelvis), np.cos(pelvis)),
            reach_gap_m=np.zeros(()), no_pose=legs.unreachable,
            lines=leg_moments(body, legs, masses, first_moment, assumed.floor_friction, bar[0]),
            lumbar=cut(assumed.lumbar_cut), midback=cut(assumed.midback_cut),
            first_moment=first_moment, upper_masses=upper,
        )  # fmt: skip


class DeadliftKinematics:
    """Starts as columns; the shank leans on the bar but in a trap bar and a Romanian."""

    def free_shank(self, setup: DeadliftSetup, /) -> bool:
        return setup.shank is None and setup.kind.shank == "free"

    def as_found(
        self, setup: DeadliftSetup, case: DeadliftCase, shank: float, at: int, /
    ) -> DeadliftSetup:
        placed = replace(setup, bar_offset_m=float(np.ravel(case.bar_offset_m)[at]))
        return placed if setup.kind.shank == "on bar" else replace(placed, shank=shank)

    def without_shank(self, setup: DeadliftSetup, /) -> DeadliftSetup:
        return setup if setup.kind.shank == "on bar" else replace(setup, shank=None)

    def case(
        self, lifter: Lifter, setups: Sequence[DeadliftSetup], before: tuple[int, ...] = ()
    ) -> DeadliftCase:
        shape = (*before, len(setups), 1, 1)

        def column(values: Sequence[float]) -> Floats:
            return np.reshape(np.array(values, dtype=np.float64), shape)

        travel_from = column(
            [s.bar_height_m if s.kind.stands_on_something else PLATE_RADIUS_M for s in setups]
        )
        factor = column([setup.kind.factor for setup in setups])
        return DeadliftCase(
            body=lifter.body,
            capacities=_in_a_pull(lifter.capacities, factor, travel_from, lifter.assumed),
            style_factor=factor,
            travel_from_m=travel_from,
            screens=lifter.screens,
            assumed=lifter.assumed,
            suit_nm=lifter.suit_nm,
            stance_m=column([setup.stance_m for setup in setups]),
            toe_out=column([setup.toe_out for setup in setups]),
            grip_m=column([setup.grip_m for setup in setups]),
            bar_offset_m=column(
                [np.nan if s.bar_offset_m is None else s.bar_offset_m for s in setups]
            ),
            shoulder_offset_m=column([setup.shoulder_offset_m for setup in setups]),
            bar_height_m=column([setup.bar_height_m for setup in setups]),
            inside=np.reshape([setup.kind.hands == "inside" for setup in setups], shape),
            beside=np.reshape([setup.kind.trap for setup in setups], shape),
            shank=column([_known_shank(setup) for setup in setups]),
            free=any(self.free_shank(setup) for setup in setups),
        )

    def unknown(
        self, assumed: Assumptions, random: np.random.Generator, shape: tuple[int, ...]
    ) -> Unknown:
        limit = random.uniform(assumed.push_low, 1.0, shape)

        def put(case: DeadliftCase) -> DeadliftCase:
            return replace(case, push_limit=limit)

        return put


def _in_a_pull(
    capacities: Capacities, style_factor: Number, travel_from_m: Number, assumed: Assumptions
) -> Capacities:
    """What strengths come to where the arms hang, in a style, and from a start that is not the
    floor's: a longer way costs, a shorter one gains."""
    above_cm = (np.asarray(travel_from_m) - PLATE_RADIUS_M) * 100
    travel = 1.0 + np.where(
        above_cm < 0, assumed.deficit_per_cm * above_cm, assumed.block_per_cm * above_cm
    )
    hanging = scaled_by(capacities, assumed.upper_back_in_pulls, ("upper_back",))
    return scaled_by(hanging, style_factor * np.clip(travel, 0.5, 1.2), GROUPS)


def _known_shank(setup: DeadliftSetup) -> float:
    if setup.shank is not None:
        return setup.shank
    shank = setup.kind.shank
    return float(radians(shank)) if isinstance(shank, float) else np.nan
