"""Clips that a coach shows the lifter on his own link: words and a drawing, never the film."""

from uuid import UUID

from pavrik.formats.clip_words import in_rep, whose
from pavrik.formats.wire.watch import ClipReading, SharedClip
from pavrik.services.watch.clips import reading_in
from pavrik.store import clips as store
from pavrik.store.database import Connection

MOST_SHOWN = 3


def shown_clips(connection: Connection, lifter_id: UUID) -> list[SharedClip]:
    """The newest that are shown."""
    shown = store.shown_clip_ids(connection, lifter_id, MOST_SHOWN)
    return [_shared(reading_in(connection, lifter_id, one)) for one in shown]


def _shared(reading: ClipReading) -> SharedClip:
    told = [one for one in reading.findings if one.reps and one.word != "dismissed"]
    frames = reading.frames
    heights = frames.bar_z_m if reading.view == "side" else []
    path = [
        (x, z) for x, z in zip(frames.bar_x_m, heights, strict=True)
        if x is not None and z is not None
    ]  # fmt: skip
    return SharedClip(
        clip_id=reading.clip_id,
        lift=reading.lift,
        view=reading.view,
        load_kg=reading.load_kg,
        filmed_on=reading.filmed_on,
        overall=reading.verdict.overall,
        not_seen=reading.verdict.not_seen,
        fails=list(dict.fromkeys(one.name for one in told)),
        told=[f"{whose(one)}: {in_rep(one, one.reps[0])}" for one in told],
        said=reading.verdict.said,
        lines=[f"{row.phase}: {row.said}" for row in reading.phases if row.said],
        cue=reading.verdict.said_cue or reading.verdict.cue,
        bar_path=path[:: max(1, len(path) // 120)],
    )
