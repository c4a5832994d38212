"""A trial of two set-ups in a plan: the same main work on its days, in turn in A and B."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date, timedelta

from pavrik.core.log.setup_trial import Arm, SetupTrial, arm_of
from pavrik.core.prescription.next_load import Gym
from pavrik.core.prescription.plan_parts import Day, Line, Plan, Week
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.words import say

NO_TRIAL_DAYS = 21
"""Before a meet: nothing is tried in the last three weeks. Common practice, no source."""
NOT_IN: frozenset[str] = frozenset({"light", "test"})


@dataclass(frozen=True)
class PlannedTrial:
    """A trial that runs: its set-ups by their words, the work, and the days that are done."""

    trial_id: str
    lift: str
    trial: SetupTrial
    sets: int
    names: Mapping[Arm, str]
    done: int
    meet: date | None = None


def _line(line: Line, planned: PlannedTrial, session: int, gym: Gym) -> Line:
    """The main line of a trial's day: its own work, never above what caps the line."""
    trial, arm = planned.trial, arm_of(session)
    capped = line.cap_kg is not None and line.cap_kg < trial.load_kg
    made = gym.as_said(line.cap_kg if capped and line.cap_kg is not None else trial.load_kg)
    name = planned.names[arm]
    told = say(
        "prescription.trial_session_set_up",
        session=session + 1,
        sessions=trial.sessions,
        arm=arm.upper(),
        name=name,
        in_kg=in_kg(trial.load_kg),
    )
    note = say("prescription.trial_note", arm=arm.upper(), name=name)
    share = line.share * made.total_kg / line.load_kg if line.share and line.load_kg else None
    return replace(
        line, sets=planned.sets, reps=trial.reps, rpe=None, load_kg=made.total_kg,
        per_side=made.per_side, share=share, intent_kg=None, note=note,
        reasons=(Reason(told, (f"trial:{planned.trial_id}",)), *line.reasons[:1]),
    )  # fmt: skip


def _takes_it(week: Week, day: Day, planned: PlannedTrial, today: date) -> bool:
    near = planned.meet is not None and planned.meet - day.on < timedelta(days=NO_TRIAL_DAYS)
    return day.on >= today and week.role not in NOT_IN and not near


def with_trial(plan: Plan, planned: PlannedTrial, gym: Gym, today: date) -> Plan:
    """The plan with the first main line of the lift on each coming day turned into the trial's, as
    long as sessions are left."""
    session, weeks = planned.done, []
    for week in plan.weeks:
        days = []
        for day in week.days:
            main = next(
                (n for n in day.lines if n.lift == planned.lift and n.kind == "main"), None
            )  # fmt: skip
            if main is None or not _takes_it(week, day, planned, today) or main.load_kg is None:
                days.append(day)
                continue
            if session < planned.trial.sessions:
                own = [n for n in day.lines if n.lift == planned.lift and n.kind == "main"]
                kept = [n for n in day.lines if n not in own[1:]]
                lines = [_line(n, planned, session, gym) if n is main else n for n in kept]
                day = replace(day, lines=tuple(lines))
                session += 1
            days.append(day)
        weeks.append(replace(week, days=tuple(days)))
    return replace(plan, weeks=tuple(weeks))
