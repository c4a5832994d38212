"""What was tracked as open files: CSV, TRC and C3D. Places in metres (TRC and C3D: millimetres), x
forward, z up, y to the near side; a place that was not seen is empty."""

import csv
import io
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from pathlib import Path
from tempfile import TemporaryDirectory

import ezc3d
import numpy as np
from numpy.typing import NDArray

from pavrik.words import say

Floats = NDArray[np.float64]
MARKERS = ("bar", "ankle", "knee", "hip", "shoulder")


@dataclass(frozen=True)
class Motion:
    """Markers over time: ``times_s`` (frames,), each marker (frames, 3) in m, NaN where unseen."""

    times_s: Floats
    markers: Mapping[str, Floats]

    @property
    def rate_hz(self) -> float:
        """Frames a second."""
        return 1.0 / float(np.median(np.diff(self.times_s))) if len(self.times_s) > 1 else 1.0


def to_csv(motion: Motion) -> bytes:
    """One row a frame."""
    out = io.StringIO()
    table = csv.writer(out)
    table.writerow(["time_s", *(f"{name}_{axis}_m" for name in motion.markers for axis in "xyz")])
    for frame, time_s in enumerate(motion.times_s):
        cells = [value for places in motion.markers.values() for value in places[frame]]
        table.writerow(
            [f"{time_s:.4f}", *("" if np.isnan(value) else f"{value:.4f}" for value in cells)]
        )
    return out.getvalue().encode()


def to_trc(motion: Motion) -> bytes:
    """Tab-separated marker file: X forward, Y up, Z to the near side, in mm."""
    names, frames = list(motion.markers), len(motion.times_s)
    rate = f"{motion.rate_hz:.2f}"
    lines = [
        "PathFileType\t4\t(X/Y/Z)\tpavrik.trc",
        "DataRate\tCameraRate\tNumFrames\tNumMarkers\tUnits\tOrigDataRate\tOrigDataStartFrame"
        "\tOrigNumFrames",
        f"{rate}\t{rate}\t{frames}\t{len(names)}\tmm\t{rate}\t1\t{frames}",
        "Frame#\tTime\t" + "\t\t\t".join(names),
        "\t\t" + "\t".join(f"{axis}{n}" for n in range(1, len(names) + 1) for axis in "XYZ"),
        "",
    ]
    for frame, time_s in enumerate(motion.times_s):
        cells: list[str] = []
        for places in motion.markers.values():
            x, y, z = places[frame] * 1000
            cells += ["" if np.isnan(v) else f"{v:.2f}" for v in (x, z, y)]
        lines.append("\t".join([str(frame + 1), f"{time_s:.4f}", *cells]))
    return ("\n".join(lines) + "\n").encode()


def to_c3d(motion: Motion) -> bytes:
    """Binary marker file in mm."""
    made = ezc3d.c3d()
    made["parameters"]["POINT"]["UNITS"]["value"] = ["mm"]
    made["parameters"]["POINT"]["RATE"]["value"] = [motion.rate_hz]
    made["parameters"]["POINT"]["LABELS"]["value"] = list(motion.markers)
    places = np.stack(list(motion.markers.values()))
    points = np.ones((4, len(motion.markers), len(motion.times_s)))
    points[:3] = places.transpose(2, 0, 1) * 1000
    made["data"]["points"] = points
    with TemporaryDirectory() as folder:
        path = Path(folder) / "motion.c3d"
        made.write(str(path))
        return path.read_bytes()


def read_c3d(data: bytes) -> Motion:
    """Markers of a C3D file. Raises ValueError where it is none."""
    with TemporaryDirectory() as folder:
        path = Path(folder) / "motion.c3d"
        path.write_bytes(data)
        try:
            found = ezc3d.c3d(str(path))
        except (OSError, RuntimeError, ValueError) as error:
            raise ValueError(say("formats.not_c3d_file_can")) from error
    point = found["parameters"]["POINT"]
    units = (point["UNITS"]["value"] or ["mm"])[0].strip().lower()
    scale = {"mm": 1e-3, "cm": 1e-2, "m": 1.0}.get(units)
    if scale is None:
        raise ValueError(say("formats.files_lengths_mm_cm", units=units))
    rate = float(point["RATE"]["value"][0])
    places = np.asarray(found["data"]["points"][:3], dtype=float) * scale
    times = np.arange(places.shape[2]) / rate
    labels = [label.strip() for label in point["LABELS"]["value"]]
    return Motion(times, {name: places[:, at].T for at, name in enumerate(labels)})


def read_trc(text: str) -> Motion:
    """Markers of a TRC file. Raises ValueError with the line that cannot be read."""
    lines = text.splitlines()
    if len(lines) < 6 or not lines[0].startswith("PathFileType"):
        raise ValueError(say("formats.no_trc_file"))
    head = dict(zip(lines[1].split("\t"), lines[2].split("\t"), strict=False))
    scale = {"mm": 1e-3, "cm": 1e-2, "m": 1.0}.get(head.get("Units", "mm").strip())
    if scale is None:
        raise ValueError(say("formats.files_lengths_mm_cm", units=head.get("Units")))
    names = [cell for cell in lines[3].split("\t")[2:] if cell]
    rows = [_numbers(line, at) for at, line in enumerate(lines[5:], 6) if line.strip()]
    wanted = 2 + 3 * len(names)
    table = np.array([(row + [np.nan] * wanted)[:wanted] for row in rows])
    xyz = table[:, 2:].reshape(len(table), len(names), 3) * scale
    return Motion(table[:, 1], {name: xyz[:, at][:, [0, 2, 1]] for at, name in enumerate(names)})


def read_csv(text: str) -> Motion:
    """Markers of a CSV file of our own form. Raises ValueError."""
    rows = list(csv.reader(io.StringIO(text)))
    if len(rows) < 2 or rows[0][:1] != ["time_s"]:
        raise ValueError(say("formats.first_column_must_called"))
    names = [name.removesuffix("_x_m") for name in rows[0] if name.endswith("_x_m")]
    table = np.array([_cells(row, at) for at, row in enumerate(rows[1:], 2) if row])
    columns = {name: at for at, name in enumerate(rows[0])}
    missing = [f"{n}_{a}_m" for n in names for a in "xyz" if f"{n}_{a}_m" not in columns]
    if missing:
        raise ValueError(say("formats.columns_missing", missing=", ".join(missing)))
    return Motion(
        table[:, 0],
        {n: np.stack([table[:, columns[f"{n}_{a}_m"]] for a in "xyz"], -1) for n in names},
    )


def _numbers(line: str, at: int) -> list[float]:
    return _cells(line.split("\t"), at)


def _cells(cells: Sequence[str], at: int) -> list[float]:
    try:
        return [float(cell) if cell.strip() else float("nan") for cell in cells]
    except ValueError as error:
        raise ValueError(say("formats.line_at", at=at, error=error)) from error
