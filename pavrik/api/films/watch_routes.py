"""Films in, tracked in the background and gone; clips with what they say, and words to them."""

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Request, Response
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import FileResponse

from pavrik.api.files import FileIn, file_answer
from pavrik.api.films.folder import FILM_BODY, FilmsIn
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.api.setups.job_routes import JobsIn
from pavrik.formats.model.lift_answers import JobAnswer
from pavrik.formats.motion_files import MARKERS, to_c3d, to_csv, to_trc
from pavrik.formats.wire.log import SetRef
from pavrik.formats.wire.watch import ClipReading, ClipRef, ClipsAnswer, FilmRef
from pavrik.formats.wire.watch_requests import (
    ClipFacts,
    ClipLogRequest,
    ClipWordRequest,
    DepthRequest,
    FileFacts,
    HeadOnPointsRequest,
    HeadOnTapsIn,
    HeadOnTrackRequest,
    PointsRequest,
    ReadyMadeFilm,
    ReadyMadeRequest,
    SimulateRequest,
    TapsIn,
    TrackRequest,
)
from pavrik.services.watch import (
    clips,
    depth,
    points,
    ready_made,
    simulated,
    tracked_files,
    tracking,
    words,
)
from pavrik.services.watch.films import check_sender, media_type_of
from pavrik.services.watch.lifting import lifting_of

router = APIRouter(prefix="/api/lifters/{lifter_id}", tags=["watch"])


@router.put("/films/{film_id}", openapi_extra=FILM_BODY)
async def send_film(
    lifter_id: UUID, film_id: UUID, request: Request, database: DatabaseIn, who: WhoIn,
    films: FilmsIn,
) -> FilmRef:  # fmt: skip
    """Send a film to be tracked. It is kept until that ends, an hour at most, and never in the
    database."""
    await run_in_threadpool(check_sender, database, who, lifter_id)
    size = await films.take(who.club_id, film_id, request.stream())
    return FilmRef(film_id=film_id, size_bytes=size)


@router.get("/films/{film_id}", response_class=FileResponse)
def play_film(lifter_id: UUID, film_id: UUID, who: WhoIn, films: FilmsIn) -> FileResponse:
    """A film that waits, to be played."""
    path = films.find(who.club_id, film_id)
    return FileResponse(path, media_type=media_type_of(path))


@router.get(
    "/films/{film_id}/still",
    response_class=Response,
    responses={200: {"content": {"image/jpeg": {}}}},
)
def show_still(
    lifter_id: UUID, film_id: UUID, who: WhoIn, films: FilmsIn,
    time_s: Annotated[float, Query(ge=0, le=60)] = 0.0,
) -> Response:  # fmt: skip
    """The picture of a film that waits at a time, for a browser that cannot play it."""
    jpeg, at_s = tracking.still_of(films, who, film_id, time_s)
    return Response(jpeg, media_type="image/jpeg", headers={"X-Time-S": f"{at_s:.4f}"})


@router.delete("/films/{film_id}")
def drop_film(
    lifter_id: UUID, film_id: UUID, database: DatabaseIn, who: WhoIn, films: FilmsIn
) -> FilmRef:
    """Delete a film that waits."""
    check_sender(database, who, lifter_id)
    films.drop(who.club_id, film_id)
    return FilmRef(film_id=film_id, size_bytes=0)


@router.post("/simulated-films")
def simulate(
    lifter_id: UUID, body: SimulateRequest, database: DatabaseIn, who: WhoIn, jobs: JobsIn,
    films: FilmsIn,
) -> JobAnswer:  # fmt: skip
    """Film a set of the lifter with the simulated phone, in the background."""
    return JobAnswer(**vars(simulated.ask_to_film(database, who, jobs, films, lifter_id, body)))


@router.post("/simulated-films/taps")
def simulated_taps(
    lifter_id: UUID, body: SimulateRequest, database: DatabaseIn, who: WhoIn
) -> TapsIn:
    """Where a careful hand would tap in the first picture of a simulated film."""
    lifting = lifting_of(database, who, lifter_id, body.lift, body.load_kg, body.style)
    return simulated.taps_for(lifting, body)


@router.post("/simulated-films/head-on-taps")
def simulated_head_on_taps(
    lifter_id: UUID, body: SimulateRequest, database: DatabaseIn, who: WhoIn
) -> HeadOnTapsIn:
    """The same for a film from the front or from behind."""
    lifting = lifting_of(database, who, lifter_id, body.lift, body.load_kg, body.style)
    return simulated.head_on_taps_for(lifting, body)


@router.get("/ready-made-films")
def list_ready_made(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> list[ReadyMadeFilm]:
    """Films that ship with Pavrik and show this lifter of the demo club."""
    return ready_made.films_of(database, who, lifter_id)


@router.post("/ready-made-films", status_code=201)
def open_ready_made(
    lifter_id: UUID, body: ReadyMadeRequest, database: DatabaseIn, who: WhoIn, films: FilmsIn
) -> FilmRef:
    """Let one of them wait to be tracked, like a film that was sent."""
    return ready_made.lay_out(database, who, films, lifter_id, body.film_id, body.name)


@router.get("/clips")
def read_clips(lifter_id: UUID, database: DatabaseIn, who: WhoIn) -> ClipsAnswer:
    """Clips of a lifter, newest first."""
    return clips.list_clips(database, who, lifter_id)


@router.post("/clips")
def track_film(
    lifter_id: UUID, body: TrackRequest, database: DatabaseIn, who: WhoIn, jobs: JobsIn,
    films: FilmsIn,
) -> JobAnswer:  # fmt: skip
    """Track a film that was sent, in the background; the clip is there when the job is done."""
    return JobAnswer(**vars(tracking.ask_to_track(database, who, jobs, films, lifter_id, body)))


@router.post("/clips/head-on")
def track_head_on(
    lifter_id: UUID, body: HeadOnTrackRequest, database: DatabaseIn, who: WhoIn, jobs: JobsIn,
    films: FilmsIn,
) -> JobAnswer:  # fmt: skip
    """The same for a film from the front or from behind."""
    return JobAnswer(**vars(tracking.ask_to_track(database, who, jobs, films, lifter_id, body)))


@router.post("/clips/points", status_code=201)
def read_points(
    lifter_id: UUID, body: PointsRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> ClipRef:
    """Single pictures by their taps alone: the film stays where it is."""
    return points.read_points(database, who, key, lifter_id, body)


@router.post("/clips/head-on-points", status_code=201)
def read_head_on_points(
    lifter_id: UUID, body: HeadOnPointsRequest, database: DatabaseIn, who: WhoIn, key: KeyIn
) -> ClipRef:
    """The same from the front or from behind."""
    return points.read_points(database, who, key, lifter_id, body)


@router.post("/clips/file", status_code=201)
def read_file(
    lifter_id: UUID, body: FileIn, about: Annotated[FileFacts, Query()], database: DatabaseIn,
    who: WhoIn, key: KeyIn,
) -> ClipRef:  # fmt: skip
    """A tracked file (CSV, TRC or C3D) as a clip."""
    facts = ClipFacts(**about.model_dump(include=set(ClipFacts.model_fields)))
    names = {part: getattr(about, part) for part in MARKERS}
    return tracked_files.keep_file(database, who, key, lifter_id, facts, body, names)


@router.get("/clips/{clip_id}")
def read_clip(lifter_id: UUID, clip_id: UUID, database: DatabaseIn, who: WhoIn) -> ClipReading:
    """Everything that a clip says."""
    return clips.read(database, who, lifter_id, clip_id)


@router.get(
    "/clips/{clip_id}/review.pdf", response_class=Response,
    responses={200: {"content": {"application/pdf": {}}}},
)  # fmt: skip
def read_review(lifter_id: UUID, clip_id: UUID, database: DatabaseIn, who: WhoIn) -> Response:
    """The review for print: drawings and numbers, never the film."""
    data = clips.review_pdf(database, who, lifter_id, clip_id)
    return file_answer(data, "application/pdf", "review.pdf")


@router.post("/clips/{clip_id}/words", status_code=201)
def say(
    lifter_id: UUID, clip_id: UUID, body: ClipWordRequest, database: DatabaseIn, who: WhoIn,
    key: KeyIn,
) -> ClipRef:  # fmt: skip
    """Confirm or dismiss a finding, show the clip to the lifter, or take it back."""
    return words.say_word(database, who, key, lifter_id, clip_id, body)


@router.post("/clips/{clip_id}/depth", status_code=201)
def tap_depth(
    lifter_id: UUID, clip_id: UUID, body: DepthRequest, database: DatabaseIn, who: WhoIn,
    key: KeyIn,
) -> ClipRef:  # fmt: skip
    """Depth of a rep by two taps, the lens's height taken into account."""
    return depth.tap(database, who, key, lifter_id, clip_id, body)


@router.post("/clips/{clip_id}/log", status_code=201)
def write_into_log(
    lifter_id: UUID, clip_id: UUID, body: ClipLogRequest, database: DatabaseIn, who: WhoIn,
    key: KeyIn,
) -> SetRef:  # fmt: skip
    """What was confirmed, as observations of a set."""
    return words.write_into_log(database, who, key, lifter_id, clip_id, body)


_KINDS = {
    "csv": (to_csv, "text/csv"),
    "trc": (to_trc, "text/tab-separated-values"),
    "c3d": (to_c3d, "application/octet-stream"),
}


@router.get("/clips/{clip_id}/track.{kind}", response_class=Response)
def read_track(
    lifter_id: UUID, clip_id: UUID, kind: Literal["csv", "trc", "c3d"], database: DatabaseIn,
    who: WhoIn,
) -> Response:  # fmt: skip
    """Bar and joints of a clip over time as a file."""
    write, media_type = _KINDS[kind]
    return file_answer(
        write(clips.motion_of(database, who, lifter_id, clip_id)), media_type, f"clip.{kind}"
    )
