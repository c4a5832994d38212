"""Films tracked in the background; the film is deleted when that ends, however it ends, unless the
lifter said for how long it is kept."""

from collections.abc import Generator
from datetime import UTC, datetime, time, timedelta
from functools import partial
from pathlib import Path
from uuid import UUID

from pavrik.core.tracking.clip import Clip
from pavrik.core.tracking.head_on import HeadOnClip
from pavrik.errors import InvalidError
from pavrik.film.decode import FilmError, still
from pavrik.film.head_on import track_head_on
from pavrik.film.track import track
from pavrik.formats.wire.watch import Way
from pavrik.formats.wire.watch_requests import HeadOnTrackRequest, TrackRequest
from pavrik.services.context import Who
from pavrik.services.jobs import Jobs, Steps
from pavrik.services.watch.clips import AnyClip, keep_clip
from pavrik.services.watch.films import SIMULATED, Films, check_sender, digest_of_film
from pavrik.services.watch.lifting import read_lifting
from pavrik.services.watch.taps import head_on_taps_of, taps_of
from pavrik.store.database import Database
from pavrik.store.jobs import Job
from pavrik.store.sent import NewItem, add_item, get_item
from pavrik.words import say

KEPT_CONSENT = say("watch.lifter_agreed_film_kept")
AnyTrackRequest = TrackRequest | HeadOnTrackRequest


def ask_to_track(
    database: Database, who: Who, jobs: Jobs, films: Films, lifter_id: UUID,
    request: AnyTrackRequest,
) -> Job:  # fmt: skip
    """Track a film in the background. Raises NotFoundError, ForbiddenError, InvalidError."""
    check_sender(database, who, lifter_id)
    films.find(who.club_id, request.film_id)
    with database.reading(who.club_id) as connection:
        facts = read_lifting(connection, lifter_id, request.lift, request.filmed_on, request.style)
    facts.at_load(request.load_kg)
    task = partial(_tracking, who=who, films=films, lifter_id=lifter_id, request=request)
    return jobs.ask(who, lifter_id, "film tracked", str(request.clip_id), task)


def still_of(films: Films, who: Who, film_id: UUID, time_s: float) -> tuple[bytes, float]:
    """A film's picture at a time as JPEG, and its own time. Raises NotFoundError, InvalidError."""
    try:
        return still(films.find(who.club_id, film_id), time_s)
    except FilmError as error:
        raise InvalidError(str(error)) from error


def _tracking(
    database: Database, who: Who, films: Films, lifter_id: UUID, request: AnyTrackRequest
) -> Steps:
    found: list[AnyClip] = []
    try:
        path = films.find(who.club_id, request.film_id)
        digest = digest_of_film(path)
        simulated = path.with_suffix(SIMULATED).exists()
        for progress in _following(path, request, found):
            yield 0.9 * progress
        way: Way = "simulated" if simulated else "film"
        keep_clip(database, who, lifter_id, request, way, found[0], digest)
        if request.keep_days:
            _keep_film(database, who, films, lifter_id, request)
        yield 1.0
    except FilmError as error:
        raise InvalidError(str(error)) from error
    finally:
        films.drop(who.club_id, request.film_id)


def _keep_film(
    database: Database, who: Who, films: Films, lifter_id: UUID, request: AnyTrackRequest
) -> None:
    """Keep the film for the days that were agreed to; one that the lifter sent keeps its own."""
    until = datetime.now(UTC) + timedelta(days=request.keep_days)
    view = request.view if isinstance(request, HeadOnTrackRequest) else "side"
    item = NewItem(
        item_id=request.film_id, lifter_id=lifter_id, kind="kept film", lift=request.lift,
        load_kg=request.load_kg, view=view, kept_until=until, sent_by=who.coach_id,
        consent=KEPT_CONSENT.format(request.keep_days),
        performed_at=min(datetime.combine(request.filmed_on, time(12), UTC), datetime.now(UTC)),
    )  # fmt: skip
    with database.club(who.club_id) as connection:
        if get_item(connection, request.film_id) is None:
            films.keep(who.club_id, request.film_id, until)
            add_item(connection, who.club_id, item)


def _following(
    path: Path, request: AnyTrackRequest, found: list[AnyClip]
) -> Generator[float, None, None]:
    if isinstance(request, HeadOnTrackRequest):
        seen: list[HeadOnClip] = []
        taps = head_on_taps_of(request.taps)
        yield from track_head_on(path, request.view, taps, request.tapped_s, seen)
        found += seen
    else:
        from_the_side: list[Clip] = []
        yield from track(path, taps_of(request.taps), request.tapped_s, from_the_side)
        found += from_the_side
