"""A clip from markers that somebody else tracked: CSV, TRC or C3D, in metres, with a mapping of
their names to bar and joints. They are seen again through a camera that stands square beside the
lifter, so that a tracked file goes the same way as a film."""

from collections.abc import Mapping
from uuid import UUID

import numpy as np

from pavrik.core.tracking.camera import PLATE_RADIUS_M, SLEEVE_END_M, Camera, plate_face_m
from pavrik.core.tracking.clip import Clip, Pixel, Taps
from pavrik.core.tracking.linkage import SideLinkage
from pavrik.core.units import Floats
from pavrik.errors import InvalidError
from pavrik.film.camera.shoot import Stand
from pavrik.formats.motion_files import Motion, read_c3d, read_csv, read_trc
from pavrik.formats.wire.watch import ClipRef
from pavrik.formats.wire.watch_requests import ClipFacts
from pavrik.services.context import Who
from pavrik.services.watch.clips import keep_once
from pavrik.services.writes import digest_of
from pavrik.store.database import Database
from pavrik.words import say

MOST_FRAMES = 3600
LEAST_FRAMES = 20


def read_motion(data: bytes) -> Motion:
    """Markers of a file, whichever of the three it is. Raises ValueError with a sentence."""
    if data[1:2] == b"\x50":
        return read_c3d(data)
    try:
        text = data.decode("utf-8-sig")
    except UnicodeDecodeError:
        raise ValueError(say("watch.file_neither_c3d_nor")) from None
    return read_trc(text) if text.startswith("PathFileType") else read_csv(text)


def _marker(motion: Motion, names: Mapping[str, str], part: str) -> Floats:
    """The marker of a part, by the name that was given or its own. Raises ValueError."""
    name, has = names.get(part) or part, ", ".join(motion.markers) or "none"
    if name in motion.markers:
        return motion.markers[name]
    if names.get(part):
        raise ValueError(say("watch.file_no_marker", name=name, has=has))
    raise ValueError(say("watch.say_marker_file", part=part, has=has))


def clip_of_motion(motion: Motion, names: Mapping[str, str], linkage: SideLinkage) -> Clip:
    """The clip that a camera beside the lifter would see. Raises ValueError where a marker that is
    needed is missing, or the file is too short or too long."""
    frames = len(motion.times_s)
    if not LEAST_FRAMES <= frames <= MOST_FRAMES:
        raise ValueError(
            say(
                "watch.frames_read",
                frames=frames,
                least_frames=LEAST_FRAMES,
                most_frames=MOST_FRAMES,
            )
        )
    last = "ankle" if linkage.bar_on_trunk else "shoulder"
    places = {part: _marker(motion, names, part) for part in ("bar", "knee", "hip", last)}
    ahead = float(np.nansum(places["bar"][:, 0] - places["hip"][:, 0]))
    facing = 1.0 if ahead >= 0 else -1.0
    known = linkage.ankle[0] if linkage.bar_on_trunk else linkage.bar_start_x_m
    start = places["ankle" if linkage.bar_on_trunk else "bar"][:, 0] * facing
    off = known - float(np.nanmedian(start[:LEAST_FRAMES]))
    camera, face = Stand().camera(), plate_face_m(1)
    beside = {"bar": face, "knee": linkage.ankle[1], "hip": linkage.hip_y_m,
              "shoulder": linkage.shoulder_y_m, "ankle": linkage.ankle[1]}  # fmt: skip

    def seen(part: str) -> Floats:
        if part not in places:
            return np.full((frames, 2), np.nan)
        at = places[part]
        return np.stack(camera.project(at[:, 0] * facing + off, beside[part], at[:, 2]), -1)

    pixels = {part: seen(part) for part in ("bar", "knee", "hip", "shoulder", "ankle")}
    return Clip(
        times_s=motion.times_s,
        width=round(camera.middle[0] * 2),
        height=round(camera.middle[1] * 2),
        bar=pixels["bar"],
        knee=pixels["knee"],
        hip=pixels["hip"],
        shoulder=pixels["shoulder"],
        heel=np.full((frames, 2), np.nan),
        taps=_taps(pixels, places["bar"], camera, facing, off),
    )


def _taps(
    pixels: Mapping[str, Floats], bar: Floats, camera: Camera, facing: float, off: float
) -> Taps:
    def at(part: str) -> Pixel:
        return float(pixels[part][0, 0]), float(pixels[part][0, 1])

    x, face = float(bar[0, 0]) * facing + off, plate_face_m(1)
    end = camera.project(x, SLEEVE_END_M, float(bar[0, 2]))
    tapped = {part: at(part) for part in ("ankle", "shoulder") if np.isfinite(pixels[part][0, 0])}
    return Taps(
        plate=at("bar"),
        plate_radius=camera.focal_px * PLATE_RADIUS_M / float(camera.depth(x, face)),
        knee=at("knee"),
        hip=at("hip"),
        sleeve_end=(float(end[0]), float(end[1])),
        **tapped,
    )


def keep_file(
    database: Database, who: Who, key: UUID, lifter_id: UUID, facts: ClipFacts, data: bytes,
    names: Mapping[str, str],
) -> ClipRef:  # fmt: skip
    """Read a tracked file and keep what it says. Raises NotFoundError, ForbiddenError,
    InvalidError."""

    def make(linkage: SideLinkage) -> Clip:
        try:
            return clip_of_motion(read_motion(data), names, linkage)
        except ValueError as error:
            raise InvalidError(str(error), "file") from error

    asked = {**facts.model_dump(mode="json"), "file": digest_of(data.hex()), **names}
    return keep_once(database, who, key, lifter_id, facts, "file", make, asked)
