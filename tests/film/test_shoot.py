"""How a simulated film is written."""

import os

import av
import numpy as np
import pytest

from pavrik.film.camera.shoot import Stand, expose

STAND = Stand(size=(640, 480), shake_px=1.0)
FRAMES = 12


@pytest.fixture
def one_core():
    cores = os.sched_getaffinity(0)
    os.sched_setaffinity(0, {min(cores)})
    yield
    os.sched_setaffinity(0, cores)


def written(path):
    floor = np.indices(STAND.size[::-1]).sum(axis=0).astype(np.uint8)
    pictures = [
        np.repeat(np.roll(floor, 3 * n, axis=1)[:, :, None], 3, axis=2) for n in range(FRAMES)
    ]
    assert list(expose(pictures.__getitem__, FRAMES, STAND, 1, path))[-1] == 1.0
    with av.open(path) as film:
        return [bytes(packet) for packet in film.demux(video=0)]


@pytest.fixture
def on_every_core(tmp_path):
    return written(tmp_path / "every.webm")


def test_a_film_is_the_same_on_a_machine_with_one_core(on_every_core, one_core, tmp_path):
    assert written(tmp_path / "one.webm") == on_every_core
