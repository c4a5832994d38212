"""A plate's face in the picture, against the whole pinhole; and where its edge is another's."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from pavrik.core.tracking.camera import (
    FOCAL_OF_WIDTH,
    PLATE_RADIUS_M,
    SLEEVE_END_M,
    Camera,
    plate_face_m,
)
from pavrik.film.stack import RAYS, Stack, stack_of

SIZE = (1280, 720)
FACE_M = plate_face_m(2)


def camera(yaw: float, facing: int, height_m: float = 0.9) -> Camera:
    y_m = 3.9
    return Camera(
        FOCAL_OF_WIDTH * SIZE[0], (640.0, 360.0), (FACE_M - y_m) * np.tan(yaw), y_m, height_m, yaw,
        0.0, facing,
    )  # fmt: skip


def tapped(view: Camera, bar: tuple[float, float]) -> tuple[np.ndarray, float, np.ndarray]:
    """Centre, radius and sleeve's end of a bar at (x, z) in the picture."""
    centre = np.array(view.project(bar[0], FACE_M, bar[1]))
    radius = view.focal_px * PLATE_RADIUS_M / float(view.depth(bar[0], FACE_M))
    return centre, radius, np.array(view.project(bar[0], SLEEVE_END_M, bar[1]))


def stack(view: Camera, bar: tuple[float, float]) -> Stack:
    centre, radius, end = tapped(view, bar)
    return stack_of(SIZE, tuple(centre), radius, tuple(end))


yaws = st.floats(-0.25, 0.25)
bars = st.tuples(st.floats(-0.4, 0.4), st.floats(0.25, 1.6))


@settings(max_examples=60, deadline=None)
@given(yaws, st.sampled_from([-1, 1]), bars)
def test_the_bow_is_the_pinholes_own_rim(yaw, facing, bar):
    view = camera(yaw, facing)
    centre, radius, _ = tapped(view, bar)
    ahead, up = view.facing * RAYS[:, 0], -RAYS[:, 1]
    u, v = view.project(bar[0] + PLATE_RADIUS_M * ahead, FACE_M, bar[1] + PLATE_RADIUS_M * up)
    rim = centre + RAYS * radius + stack(view, bar).bow(centre, radius)
    assert rim == pytest.approx(np.stack([u, v], -1), abs=0.35)


@settings(max_examples=60, deadline=None)
@given(yaws, st.sampled_from([-1, 1]), bars, bars)
def test_own_rim_is_where_the_face_covers_the_rim_behind_it(yaw, facing, at, bar):
    """Tapped at one height, told at another: the far face's rim beyond the near one's is left
    out."""
    view = camera(yaw, facing)
    centre, radius, _ = tapped(view, bar)
    far = np.array(view.project(bar[0], FACE_M - 0.06, bar[1]))
    back = far - centre
    if np.hypot(*back) < 0.02 * radius:
        return
    own = stack(view, at).own_rim(centre, radius)
    along = RAYS @ (back / np.hypot(*back))
    assert not own[along > 0.45].any()
    assert own[along < -0.25].all()


def test_without_the_sleeves_end_a_plate_is_a_circle_all_round():
    plain = stack_of(SIZE, (300.0, 200.0), 60.0, None)
    assert plain.own_rim(np.array([300.0, 200.0]), 60.0).all()
    assert plain.bow(np.array([300.0, 200.0]), 60.0) == pytest.approx(0.0, abs=1e-12)


def test_straight_on_in_the_middle_of_the_picture_nothing_is_left_out():
    view = camera(0.0, 1)
    assert stack(view, (0.0, 0.9)).own_rim(np.array([640.0, 360.0]), 60.0).all()
