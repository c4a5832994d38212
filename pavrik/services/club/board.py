"""Who needs the coach: every lifter of the club with what is open, most pressing first."""

from collections import defaultdict
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import UTC, date, datetime, timedelta
from uuid import UUID

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.schools import silenced_faults
from pavrik.core.log.comparison import chance_lower
from pavrik.core.prescription.reflow import lifts_of
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.plan_words import day_title
from pavrik.formats.wire.log import FloorRow, Need, NextOnFloor, PlannedDay, Pressing
from pavrik.services import stored
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import LifterInputs, facts_of
from pavrik.services.plans.standing import Standing, standing_of_club
from pavrik.services.setups.fits import settled_in
from pavrik.services.training.setup_trials import running
from pavrik.store import board as store
from pavrik.store import lifters, sent
from pavrik.store.accounts import today
from pavrik.store.database import Connection, Database

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
        often = f", {len(endings)} times in {RECENT_DAYS} days" if len(endings) > 1 else ""
        name = catalogue.name_of(fault_id)
        text = f"{name} ended a {lift} at {endings[0].load_kg:g} kg{often}"
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
        return (
            f"{seen} of {done} {self.counted} in {RECENT_DAYS} days, {seen_before} of "
            f"{done_before} before"
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
            text = f"{catalogue.name_of(fault.fault_id)} more often: {seen.words()}"
            needs[fault.lifter_id].append(_need("rising", text, fault.lift))
    _lift_endings(store.list_lift_endings(connection, edge), catalogue, needs)


def _missed(
    connection: Connection, standing: Sequence[Standing], now: datetime,
    day_now: date, needs: Needs,
) -> None:  # fmt: skip
    """Sessions of the standing plans that nobody logged within the last days."""
    since = day_now - timedelta(days=MISSED_DAYS)
    logged = store.logged_days(connection, now - timedelta(days=MISSED_DAYS + 2))
    for one in standing:
        record = one.record
        for day in one.plan.days():
            if not max(since, record.made_at.date()) <= day.on < day_now:
                continue
            for lift in sorted(lifts_of(day)):
                if (record.lifter_id, lift, day.on) not in logged:
                    text = f"missed the {lift} of {day.on:%A %d %b}: the plan can follow"
                    needs[record.lifter_id].append(_need("missed", text, lift))


def _next_days(standing: Sequence[Standing], day_now: date) -> dict[UUID, PlannedDay]:
    """The next planned day of every lifter who has one."""
    found = {}
    for one in standing:
        day = next((d for d in one.plan.days() if d.on >= day_now), None)
        if day is not None:
            found[one.record.lifter_id] = PlannedDay(on=day.on, title=day_title(day))
    return found


def _sent(connection: Connection, needs: Needs) -> None:
    """What lifters sent by their links and nobody took up."""
    for one in sent.count_waiting(connection):
        many = f"{one.waiting} {one.kind}s wait" if one.waiting > 1 else f"a {one.kind} waits"
        kind: Pressing = "film" if one.kind == "film" else "sent"
        needs[one.lifter_id].append(_need(kind, f"{many}, sent by the lifter"))


def _caps(connection: Connection, needs: Needs) -> None:
    for summary in store.list_summaries(connection):
        if summary.cap_kg is not None:
            text = f"{summary.lift} cap {summary.cap_kg:.0f} kg: {summary.cap_words}"
            needs[summary.lifter_id].append(_need("cap", text, summary.lift))


def _setup_needs(connection: Connection, inputs: LifterInputs) -> tuple[list[Need], str]:
    needs: list[Need] = []
    states: dict[str, str] = {}
    for lift, of in LIFTS.items():
        view = settled_in(of, connection, inputs)
        states[lift] = "settled" if view else "nothing yet"
        if view is None:
            needs.append(_need("open", f"no {lift} set-up settled yet", lift))
        elif view.stale_because:
            states[lift] = "stale"
            changed = ", ".join(view.stale_because)
            needs.append(_need("stale", f"{lift} set-up out of date: {changed}", lift))
        elif (trial := running(connection, inputs.profile.lifter_id, lift)) is not None:
            needs.append(_need("trial", trial.sentence(), lift))
        elif view.settled.prediction["verdict"]["kind"] == "worth_a_trial":
            told = view.settled.prediction["verdict"]["sentence"].split(";")[0]
            needs.append(_need("trial", f"{lift} {told}", lift))
        elif view.settled.prediction["verdict"]["kind"] == "measure_first":
            told = view.settled.prediction["verdict"]["sentence"]
            needs.append(_need("open", f"{lift} set-up: {told}", lift))
    return needs, states[SQUAT.id]


def _row(
    connection: Connection, inputs: LifterInputs, needs: list[Need],
    last: datetime | None, planned: PlannedDay | None, now: datetime,
) -> FloorRow:  # fmt: skip
    profile = inputs.profile
    flags = lifters.list_open_flags(connection, profile.lifter_id)
    setup_needs, squat_state = _setup_needs(connection, inputs)
    needs = [_need("pain", f"pain flag on the {f.region}: loads capped") for f in flags] + needs
    needs += setup_needs
    if last and now - last > timedelta(days=OVERDUE_DAYS):
        needs.append(_need("overdue", f"last set {(now - last).days} days ago"))
    needs.sort(key=lambda need: _PRESSING[need.kind])
    given = stored.list_prescriptions(connection, profile.lifter_id, 1)
    return FloorRow(
        lifter_id=profile.lifter_id,
        name=profile.name,
        mass_kg=profile.mass_kg,
        stature_m=profile.stature_m,
        goal=profile.goal,
        squat_state=squat_state,
        needs=needs,
        last_set_at=last,
        planned=planned,
        next=NextOnFloor(**given[0].answer, lift=given[0].lift) if given else None,
    )


def board(database: Database, who: Who) -> list[FloorRow]:
    """One row per lifter, the most pressing first."""
    now = datetime.now(UTC)
    with database.club(who.club_id) as connection:
        profiles = lifters.list_profiles(connection)
        inputs = [facts_of(connection, profile) for profile in profiles]
        silenced = {i.profile.lifter_id: set(silenced_faults(i.request.schools)) for i in inputs}
        needs: Needs = defaultdict(list)
        _rising(connection, now, catalogue_of(connection), silenced, needs)
        _caps(connection, needs)
        _sent(connection, needs)
        day_now = today(connection)
        standing = standing_of_club(connection)
        if standing:
            _missed(connection, standing, now, day_now, needs)
        planned = _next_days(standing, day_now)
        last = store.last_sets(connection)
        rows = [
            _row(
                connection,
                i,
                needs[i.profile.lifter_id],
                last.get(i.profile.lifter_id),
                planned.get(i.profile.lifter_id),
                now,
            )
            for i in inputs
        ]
    return sorted(
        rows,
        key=lambda row: (
            _PRESSING[row.needs[0].kind] if row.needs else len(_PRESSING),
            row.name,
        ),
    )
