"""Markers out and in: what one program writes another reads."""

import io

import c3d
import numpy as np
import pytest

from pavrik.formats.motion_files import (
    Motion,
    read_c3d,
    read_csv,
    read_trc,
    to_c3d,
    to_csv,
    to_trc,
)


@pytest.fixture
def motion():
    times = np.arange(40) / 50
    random = np.random.default_rng(1)
    markers = {name: random.uniform(-0.5, 1.5, (40, 3)) for name in ("bar", "knee", "hip")}
    markers["knee"][5] = np.nan
    return Motion(times, markers)


@pytest.mark.parametrize(
    ("write", "read", "within_m"),
    [
        (to_csv, lambda data: read_csv(data.decode()), 1e-4),
        (to_trc, lambda data: read_trc(data.decode()), 1e-5),
        (to_c3d, read_c3d, 1e-6),
    ],
)
def test_what_is_written_is_read_again(motion, write, read, within_m):
    found = read(write(motion))
    assert found.times_s == pytest.approx(motion.times_s, abs=1e-3)
    assert list(found.markers) == ["bar", "knee", "hip"]
    for name, places in motion.markers.items():
        seen = np.isfinite(places)
        assert found.markers[name][seen] == pytest.approx(places[seen], abs=within_m)
    if write is not to_c3d:
        assert np.isnan(found.markers["knee"][5]).all()


@pytest.mark.filterwarnings("ignore:No analog data")
def test_another_library_reads_our_c3d(motion):
    """Against the package c3d."""
    reader = c3d.Reader(io.BytesIO(to_c3d(motion)))
    assert reader.point_rate == pytest.approx(50.0)
    assert [label.strip() for label in reader.point_labels] == ["bar", "knee", "hip"]
    frames = [points for _, points, _ in reader.read_frames()]
    assert len(frames) == 40
    theirs = np.array([points[0, :3] for points in frames]) / 1000
    assert theirs == pytest.approx(motion.markers["bar"], abs=1e-5)


def test_a_trc_has_its_upright_axis_second(motion):
    row = to_trc(motion).decode().splitlines()[6].split("\t")
    x, up, _ = (float(cell) / 1000 for cell in row[2:5])
    assert (x, up) == pytest.approx(motion.markers["bar"][0, [0, 2]], abs=1e-4)


@pytest.mark.parametrize(
    ("read", "text", "says"),
    [
        (read_trc, "nothing\n" * 8, "PathFileType"),
        (read_trc, "PathFileType\nUnits\nfurlong\nx\ny\nz\n", "furlong"),
        (read_csv, "a,b\n1,2\n", "time_s"),
        (read_csv, "time_s,bar_x_m\n0,1\n", "bar_y_m, bar_z_m are missing"),
        (read_csv, "time_s,bar_x_m,bar_y_m,bar_z_m\n0,1,x,1\n", "line 2"),
    ],
)
def test_what_cannot_be_read_is_told(read, text, says):
    with pytest.raises(ValueError, match=says):
        read(text)
