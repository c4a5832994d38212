"""OpenCV's functions as they are used here, with the types that they really have."""

from typing import Any, cast

import cv2
import numpy as np
from numpy.typing import NDArray

Picture = NDArray[np.uint8]
Place = NDArray[np.float64]
Affine = NDArray[np.float64]
"""(2, 3): a turn with a scale, and a shift."""
Corners = NDArray[np.float32]
_cv = cast(Any, cv2)
_BACK_PX = 1.0


def corners(picture: Picture, most: int, quality: float, apart: float, mask: Picture) -> Corners:
    """Places (n, 1, 2) that can be followed, where the mask is set."""
    found = _cv.goodFeaturesToTrack(picture, most, quality, apart, mask=mask)
    return np.zeros((0, 1, 2), np.float32) if found is None else cast(Corners, found)


def flow(
    before: Picture, now: Picture, places: Corners, window: int, guess: Corners | None = None
) -> tuple[Corners, NDArray[np.bool_]]:
    """Where places of one picture are in the next, and whether they were found."""
    flags = 0 if guess is None else cv2.OPTFLOW_USE_INITIAL_FLOW
    found, seen, _ = _cv.calcOpticalFlowPyrLK(
        before, now, places, guess, winSize=(window, window), maxLevel=3, flags=flags
    )
    return found, seen.ravel() == 1


def flow_there_and_back(
    before: Picture, now: Picture, places: Corners, window: int
) -> tuple[Corners, NDArray[np.bool_]]:
    """The same, found only where the way back ends where it began."""
    there, seen = flow(before, now, places, window)
    back, seen_back = flow(now, before, there, window)
    apart = np.hypot(*(back - places).reshape(-1, 2).T)
    return there, seen & seen_back & (apart < _BACK_PX)


def similarity(
    source: NDArray[Any], target: NDArray[Any], stray_px: float
) -> tuple[Affine | None, int]:
    """The turn, scale and shift that carries places to others, and how many agree with it."""
    made, inside = _cv.estimateAffinePartial2D(source, target, ransacReprojThreshold=stray_px)
    return (None, 0) if made is None else (made, int(inside.sum()))


def inverse(transform: Affine) -> Affine:
    """The transform back."""
    return np.asarray(_cv.invertAffineTransform(transform), dtype=np.float64)


def moved(place: Place, by: Affine) -> Place:
    """A place (2,) or places (n, 2) under a transform; NaN stays NaN."""
    return np.asarray(place @ by[:, :2].T + by[:, 2])


def disc_mask(shape: tuple[int, ...], centre: Place, radius: float) -> Picture:
    """A mask that is set within a circle."""
    mask = np.zeros(shape, np.uint8)
    at = (round(float(centre[0])), round(float(centre[1])))
    cv2.circle(mask, at, max(1, round(radius)), 255, -1)
    return mask


def patch(picture: Picture, place: Place, side: int, tall: int | None = None) -> Picture:
    """A piece round a place, between pixels too; square where no other height is given."""
    at = (float(place[0]), float(place[1]))
    return cast(Picture, _cv.getRectSubPix(picture, (side, tall or side), at))


def likeness(
    picture: Picture, looks: Picture
) -> tuple[NDArray[np.float32], float, tuple[int, int]]:
    """How alike every place of a picture is to a smaller one, the best score and where (u, v)."""
    score = _cv.matchTemplate(picture, looks, cv2.TM_CCOEFF_NORMED)
    _, best, _, at = _cv.minMaxLoc(score)
    return score, float(best), (int(at[0]), int(at[1]))


def peak(score: NDArray[np.float32], at: int) -> float:
    """Where a parabola through the best score and its neighbours is highest."""
    if not 0 < at < len(score) - 1:
        return float(at)
    left, top, right = (float(score[at + off]) for off in (-1, 0, 1))
    bend = left - 2 * top + right
    return at + (0.5 * (left - right) / bend if abs(bend) > 1e-9 else 0.0)
