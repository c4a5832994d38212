"""Shank, thigh and lean in every frame of a film, all frames at once.

The bar is known to millimetres, knee and hip to a centimetre or two, and limbs do not change their
length: one sparse least-squares problem over the clip, with a few unknowns for the whole of it (how
long the limbs really are, how far beside the joints was tapped).
"""

from dataclasses import dataclass, replace

import numpy as np
from scipy.optimize import least_squares
from scipy.sparse import csr_matrix

from pavrik.core.assumptions import assume
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.tracking.linkage_slopes import slopes
from pavrik.core.units import Floats
from pavrik.words import say

BAR_SD_M = assume("track_bar_sd_m", 0.004, "m", "error of the bar's place in a film")
JOINT_SD_M = assume("track_joint_sd_m", 0.015, "m", "error of a tracked joint")
TAP_SD_M = assume("tap_sd_m", 0.015, "m", "how far beside a joint is tapped")
ARM_SD_M = assume("track_arm_sd_m", 0.012, "m", "error of the length of hanging arms")
LENGTH_SD = assume("track_length_sd", 0.02, "share", "error of a limb's length")
INDEPENDENT = assume(
    "track_independent", 8.0, "pictures", "as many pictures of a clip err independently"
)
SMOOTH_RAD_S2 = assume("track_smooth_rad_s2", 25.0, "rad/s2", "usual change of an angle's speed")
SCALE_SD = assume("track_scale_sd", 0.01, "share", "error of a film's scale at the plate")
_PER_CLIP = 12
"""Shares of shank, thigh and trunk; taps of knee, hip and shoulder beside the joint (x, z); where
the bar stands (x, z) and the scale of its heights."""
_PARTS = 8
"""Rows of each picture: knee, hip, shoulder and bar, x and z."""


@dataclass(frozen=True)
class Seen:
    """Where things were seen in every picture, in m: (frames, 2), x and z; NaN where not seen."""

    bar: Floats
    knee: Floats
    hip: Floats
    shoulder: Floats


@dataclass(frozen=True)
class Solved:
    """Angles in rad and places in m of every frame, (frames,) and (frames, 2)."""

    shank: Floats
    elevation: Floats
    lean: Floats
    knee: Floats
    hip: Floats
    shoulder: Floats
    misfit_m: float
    """Root mean square of what joints and bar are off the linkage, in m."""


@dataclass(frozen=True)
class Problem:
    """What is unknown of a clip, and how far off what was seen it is: three angles (rad) of every
    picture, one after another, then what the whole clip has in common, in standard deviations."""

    linkage: SideLinkage
    steps_s: Floats
    seen: Seen

    @property
    def frames(self) -> int:
        return len(self.seen.bar)

    @property
    def share(self) -> float:
        """What one picture counts: pictures close to each other err alike."""
        return float(np.sqrt(min(1.0, INDEPENDENT / self.frames)))

    def split(self, unknown: Floats) -> tuple[Floats, Floats, Floats, Floats]:
        angles = unknown[:-_PER_CLIP].reshape(3, self.frames)
        return angles[0], angles[1], angles[2], unknown[-_PER_CLIP:]

    def longer(self, clip: Floats) -> SideLinkage:
        own, (shank, thigh, trunk) = self.linkage, 1.0 + clip[:3] * LENGTH_SD
        rests = own.bar_on_trunk
        return replace(
            own,
            shank_m=own.shank_m * shank,
            thigh_m=own.thigh_m * thigh,
            trunk_m=own.trunk_m * trunk,
            bar_on_trunk=(rests[0] * trunk, rests[1]) if rests else None,
        )

    def places(self, unknown: Floats) -> tuple[Floats, Floats, Floats, Floats]:
        """Knee, hip, shoulder and bar (frames, 2); the bar is where the trunk holds it, or NaN."""
        shank, elevation, lean, clip = self.split(unknown)
        linkage = self.longer(clip)
        knee = linkage.knee(shank)
        hip = linkage.hip(shank, elevation)
        shoulder = linkage.on_trunk(hip, lean, linkage.trunk_m)
        bar = (
            linkage.on_trunk(hip, lean, *linkage.bar_on_trunk)
            if linkage.bar_on_trunk
            else (np.full(self.frames, np.nan),) * 2
        )
        return (
            np.stack([knee[0], knee[2]], -1), np.stack(hip, -1), np.stack(shoulder, -1),
            np.stack(bar, -1),
        )  # fmt: skip

    @property
    def bar_over_middle_m(self) -> Floats:
        """How far the bar is above the middle of its way."""
        height = self.seen.bar[:, 1]
        return np.asarray(height - np.nanmean(height))

    def bar_held(self, clip: Floats) -> Floats:
        """The bar with what the whole clip places wrong taken off."""
        shift = clip[9:11] * TAP_SD_M
        stretch = self.bar_over_middle_m * clip[11] * SCALE_SD
        return np.asarray(self.seen.bar - shift - np.stack([np.zeros_like(stretch), stretch], -1))

    def residuals(self, unknown: Floats) -> Floats:
        shank, elevation, lean, clip = self.split(unknown)
        knee, hip, shoulder, bar = self.places(unknown)
        parts = [part / JOINT_SD_M for part in self.off_joints(knee, hip, shoulder, clip)]
        if self.linkage.bar_on_trunk:
            parts.append((self.bar_held(clip) - bar) / BAR_SD_M)
        else:
            arm = np.hypot(*(self.bar_held(clip) - shoulder).T) - self.linkage.arm_m
            parts.append(np.stack([arm / ARM_SD_M, np.zeros_like(arm)], -1))
        rough = [self._rough(angle) for angle in (shank, elevation, lean)]
        each = [np.nan_to_num(part).T.reshape(-1) for part in parts] + rough
        return np.concatenate([self.share * np.concatenate(each), clip])

    def off_joints(self, knee: Floats, hip: Floats, shoulder: Floats, clip: Floats) -> list[Floats]:
        """How far (m) joints were seen off the linkage, what was tapped beside them taken off."""
        beside = clip[3:9].reshape(3, 2) * TAP_SD_M
        pairs = ((self.seen.knee, knee), (self.seen.hip, hip), (self.seen.shoulder, shoulder))
        return [seen - at - off for (seen, at), off in zip(pairs, beside, strict=True)]

    def _rough(self, angle: Floats) -> Floats:
        in_a_row = (angle[:-2], angle[1:-1], angle[2:])
        pairs = zip(self._bends(), in_a_row, strict=True)
        return np.asarray(sum((weight * at for weight, at in pairs), np.zeros(())))

    def slopes(self, unknown: Floats) -> csr_matrix:
        """How every residual changes with every unknown, (residuals, unknowns)."""
        by_angle, by_clip = self._of_places(unknown)
        frames, bends = self.frames, max(self.frames - 2, 0)
        each, own, bend = np.arange(frames), np.arange(_PER_CLIP), np.arange(bends)
        row = np.arange(_PARTS)[:, None] * frames + each
        angle = np.arange(3)[:, None]
        blocks = [
            (by_angle, row[..., None], angle[:, 0] * frames + each[:, None]),
            (by_clip, row[..., None], 3 * frames + own),
            *(
                (weight, _PARTS * frames + angle * bends + bend, angle * frames + bend + off)
                for off, weight in enumerate(self._bends())
            ),
        ]
        filled = [[np.ravel(x) for x in np.broadcast_arrays(*block)] for block in blocks]
        values, rows, columns = (np.concatenate(x) for x in zip(*filled, strict=True))
        last = _PARTS * frames + 3 * bends
        return csr_matrix(
            (
                np.concatenate([self.share * values, np.ones(_PER_CLIP)]),
                (np.concatenate([rows, last + own]), np.concatenate([columns, 3 * frames + own])),
            ),
            shape=(last + _PER_CLIP, 3 * frames + _PER_CLIP),
        )

    def _of_places(self, unknown: Floats) -> tuple[Floats, Floats]:
        """Slopes of what joints and bar are off, in their standard deviations, with each angle
        (parts, frames, 3) and with what the whole clip has in common (parts, frames, clip)."""
        *angles, clip = self.split(unknown)
        moved, lengthened = slopes(self.longer(clip), *angles)
        by_angle = -moved
        by_clip = np.zeros((4, self.frames, 2, _PER_CLIP))
        by_clip[..., :3] = -lengthened * LENGTH_SD / (1.0 + clip[:3] * LENGTH_SD)
        by_clip[3, :, 0, 9] = by_clip[3, :, 1, 10] = -TAP_SD_M
        by_clip[3, :, 1, 11] = -SCALE_SD * self.bar_over_middle_m
        sd = np.array([JOINT_SD_M] * 3 + [BAR_SD_M])
        if not self.linkage.bar_on_trunk:
            sd[3] = ARM_SD_M
            arm = self.bar_held(clip) - self.places(unknown)[2]
            toward = arm / np.hypot(*arm.T)[:, None]
            for by in (by_angle, by_clip):
                by[3, :, 0] = np.einsum("fx,fxk->fk", toward, by[3] + by[2])
                by[3, :, 1] = 0.0
        for joint, axis in np.ndindex(3, 2):
            by_clip[joint, :, axis, 3 + 2 * joint + axis] = -TAP_SD_M
        seen = np.stack([self.seen.knee, self.seen.hip, self.seen.shoulder, self.seen.bar])
        weight = (np.isfinite(seen) / sd[:, None, None])[..., None]

        def in_rows(by: Floats) -> Floats:
            weighed = np.where(weight > 0, by * weight, 0.0)
            return weighed.swapaxes(1, 2).reshape(_PARTS, self.frames, -1)

        return in_rows(by_angle), in_rows(by_clip)

    def _bends(self) -> tuple[Floats, Floats, Floats]:
        """What three angles in a row weigh in how rough they are."""
        before, after = self.steps_s[:-1], self.steps_s[1:]
        each = 2.0 / (before + after) / SMOOTH_RAD_S2
        return each / before, -each * (1.0 / before + 1.0 / after), each / after


def _start(problem: Problem) -> Floats:
    """Angles from the tracked joints as they are; gaps are filled from their neighbours."""
    linkage, seen = problem.linkage, problem.seen
    knee, hip = _filled(seen.knee), _filled(seen.hip)
    shank = np.arctan2(knee[:, 0] - linkage.ankle[0], knee[:, 1] - linkage.ankle[2])
    elevation = np.arctan2(hip[:, 1] - knee[:, 1], knee[:, 0] - hip[:, 0])
    off = seen.bar - hip
    if linkage.bar_on_trunk:
        lean = np.arctan2(off[:, 0], off[:, 1]) - np.arctan2(*linkage.bar_on_trunk[::-1])
    else:
        lean = _lean_of_arms(linkage, off)
    return np.concatenate([shank, elevation, lean, np.zeros(_PER_CLIP)])


def _lean_of_arms(linkage: SideLinkage, off: Floats) -> Floats:
    """The lean at which hanging arms reach the bar, the shoulder above and behind it or in front:
    the crossing of the circles round hip and bar that is further up."""
    apart = np.maximum(np.hypot(off[:, 0], off[:, 1]), 1e-6)
    cosine = (linkage.trunk_m**2 + apart**2 - linkage.arm_m**2) / (2 * linkage.trunk_m * apart)
    toward = np.arctan2(off[:, 0], off[:, 1])
    return np.asarray(toward - np.arccos(np.clip(cosine, -1.0, 1.0)))


def _filled(places: Floats) -> Floats:
    frames = np.arange(len(places))
    filled = []
    for column in places.T:
        seen = np.isfinite(column)
        filled.append(
            np.interp(frames, frames[seen], column[seen]) if seen.any() else np.zeros(len(column))
        )
    return np.stack(filled, -1)


def solve(linkage: SideLinkage, times_s: Floats, seen: Seen) -> Solved:
    """Fit the linkage to what was seen. Raises ValueError where knee or hip was seen nowhere."""
    for name, places in (("knee", seen.knee), ("hip", seen.hip)):
        if not np.isfinite(places).any():
            raise ValueError(say("tracking.seen_no_picture_tap", name=name))
    problem = Problem(linkage, np.diff(times_s), seen)
    found = least_squares(
        problem.residuals, _start(problem), jac=problem.slopes, method="trf",
        loss="soft_l1", max_nfev=40, xtol=1e-9, ftol=1e-9,
    ).x  # fmt: skip
    shank, elevation, lean, clip = problem.split(found)
    knee, hip, shoulder, held = problem.places(found)
    off = problem.off_joints(knee, hip, shoulder, clip)
    if linkage.bar_on_trunk:
        off.append(problem.bar_held(clip) - held)
    misfit = float(np.sqrt(np.nanmean(np.concatenate(off) ** 2)))
    return Solved(shank, elevation, lean, knee, hip, shoulder, misfit)
