"""The films that ship: small, and read as they were made."""

from datetime import UTC, datetime
from threading import Event

import pytest
from uuid6 import uuid7

from pavrik.demo.load import WHO
from pavrik.errors import NotFoundError
from pavrik.formats.wire.watch_requests import HeadOnTrackRequest, TrackRequest
from pavrik.services.jobs import Jobs
from pavrik.services.watch import clips, ready_made
from pavrik.services.watch.films import SIMULATED, Films
from pavrik.services.watch.tracking import ask_to_track

SHIPPED = ready_made.every_film()


@pytest.fixture(scope="module")
def demo(server, demo_name, open_database):
    return open_database(server.app_url(demo_name))


@pytest.fixture
def films(tmp_path):
    return Films(tmp_path)


def test_three_small_films_ship_of_both_lifts_and_both_views():
    assert len(SHIPPED) == 3
    assert {film.lift for film in SHIPPED} == {"squat", "deadlift"}
    assert {film.view for film in SHIPPED} == {"side", "front"}
    sizes = [(ready_made.HOME / f"{film.name}.webm").stat().st_size for film in SHIPPED]
    assert max(sizes) < 750_000


def request_for(shipped, film_id):
    facts = {
        "clip_id": uuid7(), "film_id": film_id, "lift": shipped.lift, "load_kg": shipped.load_kg,
        "filmed_on": datetime.now(UTC).date(), "large_plates": shipped.large_plates,
        "tapped_s": 0.0,
    }  # fmt: skip
    if shipped.view == "side":
        return TrackRequest(**facts, taps=shipped.taps)
    return HeadOnTrackRequest(**facts, view=shipped.view, taps=shipped.head_on_taps)


def tracked(demo, films, lifter_id, request):
    jobs, pause = Jobs(demo), Event()
    job = ask_to_track(demo, WHO, jobs, films, lifter_id, request)
    while job.state == "running":
        pause.wait(0.05)
        job = jobs.state(WHO, job.job_id)
    jobs.close()
    return job


@pytest.mark.parametrize("shipped", SHIPPED, ids=lambda film: film.name)
def test_what_was_put_into_a_film_is_found_and_nothing_else(demo, films, shipped):
    film_id, lifter_id = uuid7(), shipped.lifter_id
    assert shipped in ready_made.films_of(demo, WHO, lifter_id)
    ready_made.lay_out(demo, WHO, films, lifter_id, film_id, shipped.name)
    assert films.path(WHO.club_id, film_id).with_suffix(SIMULATED).exists()
    request = request_for(shipped, film_id)
    assert tracked(demo, films, lifter_id, request).state == "done"
    told = clips.read(demo, WHO, lifter_id, request.clip_id)
    assert (told.way, len(told.reps)) == ("simulated", shipped.reps)
    fails = {f.fault_id for f in told.findings if f.state in ("fails", "slight")}
    assert fails == set(shipped.faults)


def test_a_film_of_somebody_else_is_not_opened(demo, films):
    squatter, puller = SHIPPED[0].lifter_id, SHIPPED[1].lifter_id
    with pytest.raises(NotFoundError, match=f"there are: {SHIPPED[0].name}"):
        ready_made.lay_out(demo, WHO, films, squatter, uuid7(), SHIPPED[1].name)
    assert puller != squatter
