"""Load the invented club through the application's own role, once."""

from datetime import datetime, timedelta
from uuid import UUID

import numpy as np
from argon2 import PasswordHasher

from pavrik.core.body.measurement import LANDMARKS
from pavrik.core.prescription.next_load import Target
from pavrik.demo.filmed import film_lifters
from pavrik.demo.history import history_of, stable_id
from pavrik.demo.people import (
    BARS,
    CLUB_NAME,
    KIT,
    OWNER_EMAIL,
    OWNER_NAME,
    OWNER_PASSWORD,
    PEOPLE,
    PLATES,
    RACKS,
    Person,
)
from pavrik.formats.model.setup_codec import SAID_BY_RANKING, read_setup
from pavrik.formats.wire.plans import PlanFrame
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import load_inputs
from pavrik.services.plans import planning, prescribing
from pavrik.services.setups import fits
from pavrik.services.setups.sureness import FITTINGS
from pavrik.store import accounts, equipment, library, lifters, training
from pavrik.store.database import Connection, Database

SEED = 20
PLAN_WEEKS = 12
CLUB_ID = stable_id("club")
OWNER_ID = stable_id("owner")
WHO = Who(CLUB_ID, OWNER_ID, "owner")
_LANDMARK_OF = {landmark.segment.removesuffix("_m"): landmark.id for landmark in LANDMARKS}


def is_loaded(database: Database) -> bool:
    """True when the demo club is there, whole."""
    with database.club(CLUB_ID) as connection:
        row = connection.execute("select count(*) from prescription").fetchone()
    return bool(row and row[0] >= len(PEOPLE))


def _add_club(connection: Connection, hasher: PasswordHasher) -> None:
    connection.execute(
        "insert into club (club_id, name, is_demo) values (%s, %s, true)", (CLUB_ID, CLUB_NAME)
    )
    connection.execute(
        """insert into coach (club_id, coach_id, email, name, role, password_hash)
           values (%s, %s, %s, %s, 'owner', %s)""",
        (CLUB_ID, OWNER_ID, OWNER_EMAIL, OWNER_NAME, hasher.hash(OWNER_PASSWORD)),
    )
    for bar in BARS:
        record = equipment.Bar(bar_id=stable_id("bar", bar["name"]), **bar)
        equipment.save_bar(connection, CLUB_ID, record)
    equipment.set_plates(connection, CLUB_ID, [equipment.Plates(kg, pairs) for kg, pairs in PLATES])
    equipment.add_kit(connection, CLUB_ID, OWNER_ID, stable_id("kit"), list(KIT))
    for rack in RACKS:
        measured = equipment.RackRecord(stable_id("rack", rack.name), **vars(rack))
        equipment.save_rack(connection, CLUB_ID, measured)


def _profile(person: Person, lifter_id: UUID, mass_kg: float, at: datetime) -> lifters.Profile:
    return lifters.Profile(
        lifter_id, person.name, person.sex, person.born_year, mass_kg, person.stature_m,
        person.goal, person.training_age, person.walks_out, person.gear, person.history, at,
    )  # fmt: skip


def _measure(connection: Connection, person: Person, lifter_id: UUID, at: datetime) -> None:
    random = np.random.default_rng([SEED, 7, lifter_id.int % 2**32])
    for segment, length in person.segments_m.items():
        error = random.normal(0, 0.002, 2)
        readings = [round(float(length + e), 3) for e in error]
        measurement = lifters.Measurement(_LANDMARK_OF[segment], readings, "", at)
        lifters.add_measurement(
            connection, CLUB_ID, stable_id(lifter_id, segment), lifter_id, OWNER_ID, measurement
        )


def _screen(connection: Connection, person: Person, lifter_id: UUID, at: datetime) -> None:
    angles = {
        "ankle": person.ankle_deg, "neutral_depth": person.closing_deg, "hip": person.hip_deg,
        "hip_rotation": person.rotation_deg, "hop": person.hop_m,
    }  # fmt: skip
    taken: dict[str, float | None] = {k: v for k, v in angles.items() if v is not None}
    taken |= {f"grip_{position}": grip for position, grip in person.grips_m.items()}
    for kind, value in taken.items():
        lifters.add_screen(
            connection, CLUB_ID, stable_id(lifter_id, "screen", kind), lifter_id, OWNER_ID,
            lifters.ScreenResult(kind, value, at),
        )  # fmt: skip


def _add_lifter(connection: Connection, person: Person, now: datetime) -> UUID:
    lifter_id = stable_id("lifter", person.name)
    first = now - timedelta(weeks=17)
    lifters.add_lifter(connection, CLUB_ID, lifter_id)
    profile = _profile(person, lifter_id, person.mass_kg, first)
    lifters.add_profile(connection, CLUB_ID, stable_id(lifter_id, "first"), OWNER_ID, profile)
    _measure(connection, person, lifter_id, first)
    _screen(connection, person, lifter_id, first)
    for question, position in person.schools.items():
        lifters.add_school_choice(
            connection, CLUB_ID, stable_id(lifter_id, question), lifter_id, OWNER_ID,
            question, position,
        )  # fmt: skip
    return lifter_id


def _train(connection: Connection, person: Person, lifter_id: UUID, now: datetime) -> None:
    for day in history_of(person, lifter_id, now, SEED):
        training.add_set(connection, CLUB_ID, OWNER_ID, day.logged, day.seen)
        training.add_measures(connection, CLUB_ID, day.logged.set_id, day.measures)
    if person.cue:
        since = now - timedelta(weeks=person.cue.weeks)
        choice = library.CueChoice(person.cue.lift, person.cue.cue, since)
        library.add_cue_choice(
            connection, CLUB_ID, stable_id(lifter_id, "cue"), lifter_id, OWNER_ID, choice
        )
    if person.pain:
        region, note = person.pain
        flag = lifters.PainFlag(
            stable_id(lifter_id, "pain"), lifter_id, region, note, now - timedelta(days=9)
        )
        lifters.add_flag(connection, CLUB_ID, OWNER_ID, flag)


def _settle(database: Database, lifter_id: UUID, at: datetime) -> None:
    reason = "Fitted at the start of the season."
    for fitting in FITTINGS.values():
        with database.club(CLUB_ID) as connection:
            inputs = load_inputs(connection, lifter_id)
        answer = fits.whole_ranking(fitting, database, WHO, inputs).answer
        rivals = [leader.setup.model_dump() for leader in answer.leaders]
        leader = next(x for x in rivals if not x.get("style", "").startswith("trap"))
        setup = read_setup(fitting.setup_type, leader, SAID_BY_RANKING)
        fits.settle(
            fitting, database, WHO, stable_id(lifter_id, "settle", fitting.lift), lifter_id,
            stable_id(lifter_id, "setup", fitting.lift), setup, reason, at,
        )  # fmt: skip


def _gain_mass(database: Database, person: Person, lifter_id: UUID, now: datetime) -> None:
    if person.mass_since_kg is None:
        return
    with database.club(CLUB_ID) as connection:
        profile = _profile(person, lifter_id, person.mass_since_kg, now)
        lifters.add_profile(connection, CLUB_ID, stable_id(lifter_id, "gain"), OWNER_ID, profile)


def remove_demo(database: Database) -> None:
    """Take the demo club away; ``start`` leaves it out until it is loaded again."""
    with database.club(CLUB_ID) as connection:
        accounts.erase_demo_club(connection)
        accounts.set_demo_removed(connection, removed=True)


def is_removed(database: Database) -> bool:
    """Whether somebody took the demo club away."""
    with database.club(CLUB_ID) as connection:
        return accounts.demo_is_removed(connection)


def load_demo(database: Database, hasher: PasswordHasher, now: datetime) -> None:
    """Load the club, settle most lifters, prescribe the next squat; nothing when it is there."""
    if is_loaded(database):
        return
    with database.club(CLUB_ID) as connection:
        accounts.erase_demo_club(connection)
        accounts.set_demo_removed(connection, removed=False)
        _add_club(connection, hasher)
        ids = {person.name: _add_lifter(connection, person, now) for person in PEOPLE}
    for person in PEOPLE:
        lifter_id = ids[person.name]
        if person.settles:
            _settle(database, lifter_id, now - timedelta(weeks=17))
        with database.club(CLUB_ID) as connection:
            _train(connection, person, lifter_id, now)
        database.look_through_tables()
        _gain_mass(database, person, lifter_id, now)
        prescribing.prescribe(
            database, WHO, stable_id(lifter_id, "prescribe"), stable_id(lifter_id, "next"),
            lifter_id, "squat", Target(5, 8.0, 3), None, "",
        )  # fmt: skip
        if person.plan_days:
            monday = now.date() - timedelta(days=now.weekday())
            frame = PlanFrame(start=monday, weeks=PLAN_WEEKS, weekdays=list(person.plan_days))
            planning.make(
                database, WHO, stable_id(lifter_id, "make plan"), stable_id(lifter_id, "plan"),
                lifter_id, frame,
            )  # fmt: skip
    film_lifters(database, WHO, {person.name: person for person in PEOPLE}, ids, now)
