"""Depth by two taps at the deepest picture of a rep: where the lens stands decides what is level in
the picture, so that the taps are told in metres."""

from uuid import UUID

from pavrik.core.tracking.depth import depth_by_taps
from pavrik.core.tracking.measured import camera_of
from pavrik.errors import InvalidError
from pavrik.formats.wire.watch import ClipRef
from pavrik.formats.wire.watch_requests import DepthRequest
from pavrik.services.context import Who
from pavrik.services.watch.clips import clip_from, depth_line, reading_in
from pavrik.services.watch.films import check_sender
from pavrik.services.watch.lifting import read_lifting
from pavrik.services.writes import compute_and_write
from pavrik.store import clips as store
from pavrik.store.database import Connection, Database
from pavrik.words import say

FURTHEST_M = 0.30
"""No crease is further below or above the knee at the bottom of a squat."""


def tap(
    database: Database, who: Who, key: UUID, lifter_id: UUID, clip_id: UUID, request: DepthRequest
) -> ClipRef:
    """Keep how deep a rep was by two taps. Raises NotFoundError, ForbiddenError, InvalidError."""
    check_sender(database, who, lifter_id)

    def compute() -> float:
        with database.reading(who.club_id) as connection:
            reading = reading_in(connection, lifter_id, clip_id)
            facts = read_lifting(
                connection, lifter_id, reading.lift, reading.filmed_on, reading.style
            )
            asked, track = store.get_track(connection, clip_id)
        if reading.view != "side" or facts.lift.carried != "back":
            raise InvalidError(say("watch.depth_told_squat_filmed"))
        if request.rep > len(reading.reps):
            raise InvalidError(
                say("watch.clip_shows_no_rep", rep=request.rep, reps=len(reading.reps)), "rep"
            )
        if not reading.camera.angles_told:
            raise InvalidError(say("watch.view_too_oblique_depth"))
        linkage = facts.at_load(reading.load_kg).linkage
        plates = int(asked.get("large_plates", 1))
        camera = camera_of(clip_from(track), linkage, large_plates=plates)
        below_m = depth_by_taps(camera, linkage, request.crease, request.knee_top)
        if abs(below_m) > FURTHEST_M:
            raise InvalidError(
                say(
                    "watch.these_two_places_cm",
                    below_m=abs(below_m) * 100,
                    furthest_m=FURTHEST_M * 100,
                )
            )
        return below_m

    def action(connection: Connection, below_m: float) -> ClipRef:
        word = store.ClipWord(depth_line(request.rep), "tapped", f"{below_m:.4f}")
        store.say(connection, who.club_id, who.coach_id, clip_id, request.word_id, word)
        return ClipRef(clip_id=clip_id)

    asked = {"lifter": str(lifter_id), "clip": str(clip_id), **request.model_dump(mode="json")}
    return compute_and_write(
        database, who, key, "depth by taps", asked, ClipRef, compute, action,
        subject=str(lifter_id),
    )  # fmt: skip
