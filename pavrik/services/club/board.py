"""Who needs the coach: every lifter of the club with what is open, most pressing first."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from functools import partial
from uuid import UUID

from pydantic import BaseModel

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.schools import silenced_faults
from pavrik.core.log.comparison import chance_lower
from pavrik.core.prescription.reflow import lifts_of
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import told_kg
from pavrik.formats.plan_words import day_title
from pavrik.formats.wire.log import FloorRow, Need, NextOnFloor, PlannedDay, Pressing
from pavrik.services import stored
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.kept import kept_parts
from pavrik.services.lifters.model_inputs import LifterInputs, facts_of
from pavrik.services.plans.standing import Standing, standing
from pavrik.services.setups.fits import settled_in
from pavrik.services.training.caps import Caps, caps_of
from pavrik.services.training.setup_trials import running
from pavrik.store import board as store
from pavrik.store import lifters, sent
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database
from pavrik.store.lifters import Profile
from pavrik.words import say

RECENT_DAYS = 14
OVERDUE_DAYS = 10
MISSED_DAYS = 7
RISING = 3
"""Fewer faulty reps than this are no trend."""
SURE_RISING = 0.90
_PRESSING: dict[Pressing, int] = {
    "pain": 0, "lift_ending": 1, "film": 2, "sent": 2, "rising": 3, "stale": 4, "cap": 5,
    "missed": 6, "trial": 7, "open": 8, "overdue": 9,
}  # fmt: skip
Needs = dict[UUID, list[Need]]


def _need(kind: Pressing, text: str, lift: str = SQUAT.id) -> Need:
    return Need(kind=kind, text=text, lift=lift)


def _lift_endings(found: Iterable[store.LiftEnding], catalogue: Catalogue, needs: Needs) -> None:
    """The newest lift-ending of each fault, with how often it happened."""
    grouped: dict[tuple[UUID, str, str], list[store.LiftEnding]] = defaultdict(list)
    for ending in found:
        grouped[ending.lifter_id, ending.lift, ending.fault_id].append(ending)
    for (lifter_id, lift, fault_id), endings in grouped.items():
        often = (
            say("club.times_days", endings=len(endings), recent_days=RECENT_DAYS)
            if len(endings) > 1
            else ""
        )
        name = catalogue.name_of(fault_id)
        text = say(
            "club.ended_a_at",
            name=name,
            lift=lift,
            told_kg=told_kg(endings[0].load_kg),
            often=often,
        )
        needs[lifter_id].append(_need("lift_ending", text, lift))


@dataclass(frozen=True)
class _Seen:
    """How often a fault was seen, (faulty, all) of what it is counted in: lately and before."""

    recent: tuple[int, int]
    before: tuple[int, int]
    counted: str

    def rises(self) -> bool:
        """Whether it is seen more often, and that is hardly chance."""
        (seen, done), (seen_before, done_before) = self.recent, self.before
        if seen < RISING or not done:
            return False
        if not done_before:
            return True
        if seen * done_before <= seen_before * done:
            return False
        now, then = (min(seen, done), done), (min(seen_before, done_before), done_before)
        return 1 - chance_lower(then, now) >= SURE_RISING

    def words(self) -> str:
        """The counts."""
        (seen, done), (seen_before, done_before) = self.recent, self.before
        return say(
            "club.days_before",
            seen=seen,
            done=done,
            counted=self.counted,
            recent_days=RECENT_DAYS,
            seen_before=seen_before,
            done_before=done_before,
        )


def _seen(fault: store.FaultCount, done: store.Done, catalogue: Catalogue) -> _Seen:
    if catalogue.is_once_a_set(fault.fault_id):
        recent, before = (fault.recent_sets, done.sets), (fault.sets_before, done.sets_before)
        return _Seen(recent, before, "sets")
    return _Seen((fault.recent, done.reps), (fault.before, done.reps_before), "reps")


def _rising(
    connection: Connection, now: datetime, catalogue: Catalogue, silenced: dict[UUID, set[str]],
    needs: Needs,
) -> None:  # fmt: skip
    edge = now - timedelta(days=RECENT_DAYS)
    start = edge - timedelta(days=RECENT_DAYS)
    done = store.count_done(connection, start, edge)
    faults = store.count_faults(connection, start, edge)
    for fault in sorted(faults, key=lambda f: (-f.recent, f.fault_id)):
        if fault.fault_id in silenced.get(fault.lifter_id, set()):
            continue
        seen = _seen(fault, done[fault.lifter_id, fault.lift], catalogue)
        if seen.rises():
            text = say(
                "club.more_often", name_of=catalogue.name_of(fault.fault_id), words=seen.words()
            )
            needs[fault.lifter_id].append(_need("rising", text, fault.lift))
    _lift_endings(store.list_lift_endings(connection, edge), catalogue, needs)


def _missed(
    connection: Connection, parts: Iterable["FloorPart"], now: datetime, needs: Needs
) -> None:
    """Sessions of the standing plans that nobody logged within the last days."""
    logged = store.logged_days(connection, now - timedelta(days=MISSED_DAYS + 2))
    for part in parts:
        for expected in part.expected:
            if (part.lifter_id, expected.lift, expected.on) not in logged:
                text = say("club.missed_plan_can_follow", lift=expected.lift, on=expected.on)
                needs[part.lifter_id].append(_need("missed", text, expected.lift))


def _expected(plan: Standing, day_now: date) -> list["ExpectedSession"]:
    """What the plan asked for within the last days, since it was made."""
    since = max(day_now - timedelta(days=MISSED_DAYS), plan.record.made_at.date())
    return [
        ExpectedSession(lift=lift, on=day.on)
        for day in plan.plan.days()
        if since <= day.on < day_now
        for lift in sorted(lifts_of(day))
    ]


def _next_day(plan: Standing, day_now: date) -> PlannedDay | None:
    day = next((d for d in plan.plan.days() if d.on >= day_now), None)
    return PlannedDay(on=day.on, title=day_title(day)) if day is not None else None


def _sent(connection: Connection, needs: Needs) -> None:
    """What lifters sent by their links and nobody took up."""
    for one in sent.count_waiting(connection):
        many = (
            say("club.s_wait", waiting=one.waiting, kind=one.kind)
            if one.waiting > 1
            else say("club.a_waits", kind=one.kind)
        )
        kind: Pressing = "film" if one.kind == "film" else "sent"
        needs[one.lifter_id].append(_need(kind, say("club.sent_lifter", many=many)))


def _caps(known: Iterable[Caps], needs: Needs) -> None:
    for caps in known:
        for lift, cap in caps.by_lift.items():
            text = say("club.cap_kg", lift=lift, cap_kg=cap.load_kg, cap_words=cap.words)
            needs[caps.lifter_id].append(_need("cap", text, lift))


def _setup_needs(connection: Connection, inputs: LifterInputs) -> tuple[list[Need], str]:
    needs: list[Need] = []
    states: dict[str, str] = {}
    for lift, of in LIFTS.items():
        view = settled_in(of, connection, inputs)
        states[lift] = "settled" if view else "nothing yet"
        if view is None:
            needs.append(_need("open", say("club.no_set_up_settled", lift=lift), lift))
        elif view.stale_because:
            states[lift] = "stale"
            changed = ", ".join(view.stale_because)
            needs.append(
                _need("stale", say("club.set_up_out_date", lift=lift, changed=changed), lift)
            )
        elif (trial := running(connection, inputs.profile.lifter_id, lift)) is not None:
            needs.append(_need("trial", trial.sentence(), lift))
        elif view.settled.prediction["verdict"]["kind"] == "worth_a_trial":
            told = view.settled.prediction["verdict"]["sentence"].split(";")[0]
            needs.append(_need("trial", f"{lift} {told}", lift))
        elif view.settled.prediction["verdict"]["kind"] == "measure_first":
            told = view.settled.prediction["verdict"]["sentence"]
            needs.append(_need("open", say("club.set_up", lift=lift, told=told), lift))
    return needs, states[SQUAT.id]


class ExpectedSession(BaseModel):
    """A lift that the plan asked for on a day."""

    lift: str
    on: date


class FloorPart(BaseModel):
    """What the floor says of a lifter by himself: it stands until a fact of him or of what the
    club has in common changes, or the day ends."""

    lifter_id: UUID
    squat_state: str
    needs: list[Need]
    silenced: list[str]
    planned: PlannedDay | None
    expected: list[ExpectedSession]
    next: NextOnFloor | None


def _part(connection: Connection, profile: Profile) -> FloorPart:
    inputs, lifter_id, day_now = facts_of(connection, profile), profile.lifter_id, today(connection)
    flags = lifters.list_open_flags(connection, lifter_id)
    setup_needs, squat_state = _setup_needs(connection, inputs)
    plan = standing(connection, lifter_id)
    given = stored.list_prescriptions(connection, lifter_id, 1)
    return FloorPart(
        lifter_id=lifter_id,
        squat_state=squat_state,
        needs=[
            *(_need("pain", say("club.pain_flag_loads_capped", region=f.region)) for f in flags),
            *setup_needs,
        ],
        silenced=sorted(silenced_faults(inputs.request.schools)),
        planned=_next_day(plan, day_now) if plan else None,
        expected=_expected(plan, day_now) if plan else [],
        next=NextOnFloor(**given[0].answer, lift=given[0].lift) if given else None,
    )


def _row(
    profile: Profile, part: FloorPart, of_club: list[Need], last: datetime | None, now: datetime
) -> FloorRow:
    needs = part.needs + of_club
    if last and now - last > timedelta(days=OVERDUE_DAYS):
        needs.append(_need("overdue", say("club.last_set_days_ago", days=(now - last).days)))
    needs.sort(key=lambda need: _PRESSING[need.kind])
    return FloorRow(
        lifter_id=profile.lifter_id,
        name=profile.name,
        mass_kg=profile.mass_kg,
        stature_m=profile.stature_m,
        goal=profile.goal,
        squat_state=part.squat_state,
        needs=needs,
        last_set_at=last,
        planned=part.planned,
        next=part.next,
    )


def board(database: Database, who: Who) -> list[FloorRow]:
    """One row per lifter, the most pressing first."""
    now = datetime.now(UTC)
    with database.club(who.club_id) as connection:
        profiles = {p.lifter_id: p for p in lifters.list_profiles(connection)}
        parts = kept_parts(
            connection, who, "floor part", FloorPart,
            {i: partial(_part, connection, profile) for i, profile in profiles.items()},
        )  # fmt: skip
        silenced = {i: set(part.silenced) for i, part in parts.items()}
        needs: Needs = defaultdict(list)
        _rising(connection, now, catalogue_of(connection), silenced, needs)
        _caps(caps_of(connection, who, profiles).values(), needs)
        _sent(connection, needs)
        _missed(connection, parts.values(), now, needs)
        last = store.last_sets(connection)
    rows = [_row(profiles[i], part, needs[i], last.get(i), now) for i, part in parts.items()]
    return sorted(
        rows,
        key=lambda row: (
            _PRESSING[row.needs[0].kind] if row.needs else len(_PRESSING),
            row.name,
        ),
    )
