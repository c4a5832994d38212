"""One line of a plan: load from the projected max, held under the caps, loaded from the stock."""

from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date

from pavrik.core.assumptions import assume
from pavrik.core.equipment.light_start import light_start_words
from pavrik.core.log.training_set import COMPETITION
from pavrik.core.prescription.choice import Special
from pavrik.core.prescription.effort import rest_after_s, rpe_at
from pavrik.core.prescription.lift_work import EVERYDAY_GOALS, WORK
from pavrik.core.prescription.next_load import (
    CAPPED_KG,
    Target,
    keep_floor,
    session_load,
)
from pavrik.core.prescription.novice_lines import (
    Allow,
    first_session,
    is_first_session,
    stepped,
)
from pavrik.core.prescription.plan_maker import Maker
from pavrik.core.prescription.plan_parts import (
    Kind,
    Line,
    When,
)
from pavrik.core.prescription.reason import Reason, in_kg
from pavrik.core.prescription.return_to_lift import eased
from pavrik.core.prescription.season import PRIMER, anchored, before_meet
from pavrik.core.prescription.shape import Dose, Part
from pavrik.core.strength.estimated_max import load_for
from pavrik.words import say

HEAVY_SINGLE = 0.85
LIGHTER = assume(
    "light_week_special_share",
    0.92,
    "share",
    "share of its usual load that a special keeps in a light week",
)
TECHNIQUE_SHARE = 0.99
"""A technique line stays this far below its cap."""
BACK = "lower back"
TIRED_STYLE = "trap bar, low"
"""What a tired back pulls instead of a second straight-bar day: common practice."""
TEST_SHARE = assume(
    "least_test_share", 0.90, "share", "a single below this share of the expected max tests nothing"
)


@dataclass(frozen=True)
class _Made:
    """What the bar is loaded with; ``load_kg`` None where even the empty bar is too much."""

    load_kg: float | None
    per_side: tuple[float, ...]
    cap_kg: float | None
    reasons: tuple[Reason, ...]


def _held(
    make: Maker, lift: str, on: date, kind: Kind, wanted_kg: float, ratio: float
) -> tuple[float, float | None, tuple[Reason, ...]]:
    """The load under the lowest cap, that cap, and the reason where it binds."""
    lowest = min(make.caps(lift, kind, on), key=lambda c: c.load_kg, default=None)
    if lowest is None:
        return wanted_kg, None, ()
    cap_kg = lowest.load_kg * ratio
    if wanted_kg <= cap_kg:
        return wanted_kg, cap_kg, ()
    told = f" × {ratio:.2f}" if ratio != 1.0 else ""
    held = say(
        "prescription.held_at_2", cap=in_kg(cap_kg), words=lowest.words, told=told, ends=lowest.ends
    )
    why = Reason(held, lowest.facts)
    return cap_kg * (TECHNIQUE_SHARE if lowest.technique else 1.0), cap_kg, (why,)


def _load(
    make: Maker, lift: str, on: date, kind: Kind, wanted_kg: float, ratio: float, *,
    held_back: bool,
) -> _Made:  # fmt: skip
    """What the plates make of a wanted load under the caps; ``held_back`` where something lowered
    it already, so that rounding never goes above."""
    held_kg, cap_kg, reasons = _held(make, lift, on, kind, wanted_kg, ratio)
    gym = make.gym
    if held_kg < gym.empty_kg:
        why = Reason(
            say(
                "prescription.empty_bar_more_wanted", bar=in_kg(gym.empty_kg), wanted=in_kg(held_kg)
            )
        )
        return _Made(None, (), cap_kg, (*reasons, why))
    made = gym.loading(held_kg, capped=held_back or bool(reasons))
    if cap_kg is not None and made.total_kg > cap_kg:
        made = gym.loading(held_kg, capped=True)
    return _Made(made.total_kg, made.per_side, cap_kg, reasons)


def by_feel(
    line_id: str, lift: str, name: str, sets: int, reps: int, reasons: tuple[Reason, ...],
    rpe: float | None = None,
) -> Line:  # fmt: skip
    """Support work, and learning steps: no load is known for them."""
    return Line(
        line_id, lift, name, "special", sets, reps, rpe, None, (), 90, reasons,
        note=say("prescription.feel_two_reps_left") if rpe is None else say("prescription.by_feel"),
    )  # fmt: skip


def special_by_feel(special: Special, lift: str, line_id: str, sets: int) -> Line:
    """A special that no load is known of; of seconds or metres nobody leaves two."""
    name = special.variation.name
    line = by_feel(line_id, lift, name, sets, special.reps, special.reasons, special.rpe)
    if special.unit == "reps":
        return line
    return replace(line, unit=special.unit, note=say("prescription.by_feel"))


def _arithmetic(
    lift: str, variation: str, share: float, projected_kg: float, ratio: float
) -> Reason:
    """Where a load comes from that is not the main work's."""
    if variation == COMPETITION:
        return Reason(say("prescription.of_the_expected", share=share, in_kg=in_kg(projected_kg)))
    return Reason(
        say(
            "prescription.share_of_expected",
            share=share,
            in_kg=in_kg(projected_kg * ratio),
            ratio=ratio,
            lift=lift,
            expected=in_kg(projected_kg),
        ),
        (f"ratio:{variation}",),
    )


@dataclass(frozen=True)
class Work:
    """What a line is to be: its id, its kind, the dose, why; the competition lift unless said."""

    line_id: str
    kind: Kind
    dose: Dose
    reasons: tuple[Reason, ...]
    variation: str = COMPETITION
    note: str = ""
    by_steps: bool = False
    """A load that goes by steps of kilos says nothing of the max."""


def loaded_line(make: Maker, lift: str, when: When, work: Work, allow: Allow | None = None) -> Line:
    """A line whose load follows from the max projected after so many weeks worked, as far as its
    session allows; by feel where no max is known."""
    dose, variation, projected = work.dose, work.variation, make.projected_kg(lift, when.worked)
    if projected is None:
        return Line(
            work.line_id, lift, variation, work.kind, dose.sets, dose.reps, dose.rpe, None, (),
            rest_after_s(dose.reps, dose.rpe), work.reasons, note=work.note,
        )  # fmt: skip
    ratio = 1.0 if variation == COMPETITION else make.states[lift].ratios[variation].ratio
    own_max = projected * ratio
    intended = own_max * dose.load_share()
    wanted, held = allow(intended) if allow is not None else (intended, [])
    if not work.by_steps:
        own_max *= max(wanted / intended, 1.0)
    held_back = wanted < intended - CAPPED_KG
    made = _load(make, lift, when.on, work.kind, wanted, ratio, held_back=held_back)
    share = made.load_kg / own_max if made.load_kg else None
    asked_kg = make.gym.loading(intended).total_kg
    is_held = made.load_kg is not None and not work.by_steps and made.load_kg < asked_kg
    rpe = rpe_at(share, dose.reps) if share else dose.rpe
    reasons = [*made.reasons, *held]
    if share and work.kind != "main":
        reasons.append(_arithmetic(lift, variation, share, projected, ratio))
    reasons += work.reasons
    if made.load_kg and variation in WORK[lift].from_floor:
        low = light_start_words(made.per_side, make.gym.light_discs)
        reasons += [Reason(low)] if low else []
    return Line(
        work.line_id, lift, variation, work.kind, dose.sets, dose.reps, rpe, made.load_kg,
        made.per_side, rest_after_s(dose.reps, rpe), tuple(reasons), made.cap_kg, share,
        asked_kg if is_held else None, work.note,
    )  # fmt: skip


def _why(make: Maker, lift: str, when: When) -> tuple[Reason, ...]:
    base = make.bases[lift]
    if when.week <= make.first_week or base.max_kg is None:
        return base.reasons
    expected = in_kg(make.projected_kg(lift, when.worked) or base.max_kg)
    weeks = (
        say("prescription.n_1_week")
        if when.worked == 1
        else say("prescription.worked_weeks", worked=when.worked)
    )
    gain = make.gain_per_week(lift)
    grown = (
        say("prescription.week_over_work", gain=gain, weeks=weeks)
        if gain
        else say("prescription.no_gain_while_hurts")
    )
    told = say(
        "prescription.week_expected_today", week=when.week + 1, role=when.role, expected=expected,
        today=in_kg(base.max_kg), grown=grown,
    )  # fmt: skip
    return (Reason(told),)


def _no_test(line: Line) -> Line:
    """A single that a cap or the bar holds far below a max says so."""
    if line.share is None or line.share >= TEST_SHARE:
        return line
    why = Reason(say("prescription.held_expected_max_single", share=line.share))
    return replace(line, reasons=(why, *line.reasons))


def _allow(make: Maker, lift: str, when: When, dose: Dose) -> Allow | None:
    """What the session of a day makes of a wanted load: the next one answers the last sessions,
    the later ones only never fall below clean work."""
    light = dose.share is not None or when.role == "light"
    history = make.states[lift].history
    rpe = rpe_at(dose.share, dose.reps) if dose.share is not None else dose.rpe
    target = Target(dose.reps, rpe, dose.sets)
    away = make.away_days(lift)
    ahead = make.ahead(lift, when.on)
    if ahead == 0:
        return lambda load: session_load(
            history, load, target, novice=make.ask.novice, light=light, away_days=away
        )
    return None if light else lambda load: keep_floor(load, history, target, away_days=away)


def _without_heavy_singles(doses: tuple[Dose, ...]) -> tuple[Dose, ...]:
    """Nothing that tests a max: for novices and while it hurts."""
    return tuple(d for d in doses if d.reps > 1 or d.load_share() <= HEAVY_SINGLE) or doses


def _without_singles(doses: tuple[Dose, ...]) -> tuple[Dose, ...]:
    """Work of a main lift that takes turns with others: nothing of it is tested."""
    return tuple(dose for dose in doses if dose.reps > 1) or doses


EVERYDAY_WEEKS = 3
"""How long a main lift stays for whom no meet waits: common practice, no source."""


def _turned_to(make: Maker, lift: str, when: When) -> tuple[str, str]:
    """The main variation of a week and why: in a shape that turns it, or for a goal to which no
    lift of the sport is owed, while nothing is sharpened."""
    ask, state, own = make.ask, make.states[lift], WORK[lift]
    every, names, whose = (
        make.shape.rotates_weeks,
        own.rotation,
        say("prescription.name_shape", name=make.shape.name.lower()),
    )
    if not every and ask.goal in EVERYDAY_GOALS and not (ask.meet or ask.novice or make.pain):
        every, names, whose = (
            EVERYDAY_WEEKS,
            own.everyday,
            say("prescription.main_lift_turns", goal=ask.goal),
        )
    if not every or when.role in ("sharpen", "test", "light"):
        return COMPETITION, ""
    turn = [COMPETITION, *(n for n in names if n in state.allowed and n in state.ratios)]
    variation = turn[(when.week // every) % len(turn)]
    return variation, say("prescription.for_weeks", whose=whose, variation=variation, every=every)


def _near_meet(make: Maker, lift: str, when: When) -> tuple[tuple[Dose, ...], str] | None:
    """Main work where the meet is near, and why; None where the role's work stands."""
    if make.ask.meet is None:
        return None
    left_days = (make.ask.meet - when.on).days
    anchor = make.anchors.get((lift, when.on))
    if anchor is not None:
        return anchored(anchor, left_days)
    return before_meet(lift, left_days, WORK[lift].no_heavy_days, when.role)


MORE_SETS = 2


def _within(dose: Dose, most: int) -> Dose:
    """The same load in shorter sets, a set or two more of them."""
    if dose.reps <= most:
        return dose
    sets = min(round(dose.sets * dose.reps / most), dose.sets + MORE_SETS)
    if dose.share is not None:
        return replace(dose, sets=sets, reps=most)
    return replace(dose, sets=sets, reps=most, rpe=rpe_at(dose.load_share(), most))


def _main_line(make: Maker, lift: str, when: When, work: Work) -> Line:
    if work.variation != COMPETITION:
        return loaded_line(make, lift, when, work)
    by_steps = stepped(make, lift, when, work.dose)
    if by_steps is not None:
        return loaded_line(make, lift, when, replace(work, by_steps=True), by_steps)
    return loaded_line(make, lift, when, work, _allow(make, lift, when, work.dose))


def main_lines(make: Maker, lift: str, when: When, prefix: str) -> list[Line]:
    """Main work of a day: the role's, or less where the meet is near."""
    if is_first_session(make, lift, when):
        return first_session(make, lift, prefix)
    near, ahead = _near_meet(make, lift, when), make.ahead(lift, when.on)
    doses, why = make.shape.main_of(when.role, when.step), _why(make, lift, when)
    variation, turned = _turned_to(make, lift, when)
    if near is not None:
        doses, why, variation = near[0], (Reason(near[1]),), COMPETITION
    elif variation != COMPETITION:
        doses = doses if make.shape.rotates_weeks else _without_singles(doses)
        why = (Reason(turned), *why)
    if make.pain or make.ask.novice:
        doses = _without_heavy_singles(doses)
    instead = make.states[lift].stand_in
    if make.pain and instead is not None:
        variation, why = instead.variation, (Reason(instead.words, make.flags), *why)
    rep_cap = make.states[lift].rep_cap
    if rep_cap is not None and any(dose.reps > rep_cap.reps for dose in doses):
        doses = tuple(_within(dose, rep_cap.reps) for dose in doses)
        why = (Reason(rep_cap.words, rep_cap.facts), *why)
    if near is None and ahead is not None:
        doses, back = eased(doses, make.away_days(lift), ahead)
        why = (back, *why) if back is not None else why
    lines = [
        _main_line(make, lift, when, Work(f"{prefix}-{i}", "main", dose, why, variation))
        for i, dose in enumerate(doses)
    ]
    tests = when.role == "test" and make.ask.meet is None
    return [_no_test(line) for line in lines] if tests else lines


def _spared_second(make: Maker, lift: str, when: When, line_id: str, told: str) -> Line:
    """A second day off the straight bar: the first sparer style that is allowed, else work by feel
    that leaves the back alone."""
    own, why = WORK[lift], (Reason(told),)
    style = next((name for name in own.sparer if name in make.states[lift].allowed), None)
    if style is None:
        return by_feel(line_id, lift, own.by_feel, 3, 10, why)
    work = Work(line_id, "second", make.shape.side_of("second", when.role), why, style)
    return loaded_line(make, lift, when, work)


def second_line(make: Maker, lift: str, when: When, prefix: str, part: Part = "second") -> Line:
    """The second or the volume day of a lift: its position, its season's style, a sparer one."""
    state, own, line_id = make.states[lift], WORK[lift], f"{prefix}-0"
    near = _near_meet(make, lift, when)
    near_meet = near is not None and when.role != "build"
    dose = make.shape.side_of("second" if near_meet else part, when.role)
    if near is not None and near[0] is PRIMER:
        dose = PRIMER[0]
    if any(flag.region == BACK for flag in make.pain):
        told = say("prescription.pain_flag_sparer_style", back=BACK)
        return _spared_second(make, lift, when, line_id, told)
    if make.pain and state.stand_in is not None:
        why = (Reason(state.stand_in.words, make.flags),)
        instead = Work(line_id, "second", dose, why, state.stand_in.variation)
        return loaded_line(make, lift, when, instead)
    if state.tired_back and TIRED_STYLE in state.allowed:
        told = say("prescription.back_tired_trap_bar")
        return _spared_second(make, lift, when, line_id, told)
    turned = own.style_for(make.ask.goal, when.role, state.allowed)
    cap = next((c for c in state.caps if c.technique), None)
    if turned is not None and cap is None and turned != _turned_to(make, lift, when)[0]:
        why = (Reason(say("prescription.seasons_style_goal", goal=make.ask.goal, turned=turned)),)
        return loaded_line(make, lift, when, Work(line_id, "second", dose, why, turned))
    dose = _within(dose, state.rep_cap.reps) if state.rep_cap is not None else dose
    note = (
        own.capped_note
        if cap is not None
        else say("prescription.day_names_day", day_names=_DAY_NAMES[part])
    )
    text = _DAY_WORDS[part]
    if cap is not None:
        text = say(
            "prescription.below_where", before=text, in_kg=in_kg(cap.load_kg), words=cap.words
        )
    why = (Reason(text, cap.facts if cap else ()),)
    return loaded_line(make, lift, when, Work(line_id, "second", dose, why, note=note))


_DAY_NAMES: Mapping[Part, str] = {"main": "main", "second": "position", "volume": "volume"}
_DAY_WORDS: Mapping[Part, str] = {
    "main": say("prescription.main_day"),
    "second": say("prescription.second_day_light_enough"),
    "volume": say("prescription.volume_day_more_reps"),
}


def rung_lines(make: Maker, lift: str, prefix: str) -> list[Line]:
    """Steps towards a lift that the screens close today."""
    why = Reason(
        say("prescription.screens_close_every_lifter", lift=lift, closed=make.states[lift].closed)
    )
    return [
        by_feel(f"{prefix}-{i}", lift, name, 3, 8, (why,))
        for i, name in enumerate(WORK[lift].rungs)
    ]


def special_line(make: Maker, special: Special, lift: str, when: When, line_id: str) -> Line:
    """A variation that serves a weakness: lighter and a set less in light weeks."""
    name = special.variation.name
    sets = max(special.sets - (1 if when.light else 0), 1)
    if special.rpe is None or name not in make.states[lift].ratios:
        return special_by_feel(special, lift, line_id, sets)
    share = load_for(1.0, special.reps, special.rpe) * (LIGHTER if when.light else 1.0)
    dose = Dose(sets, special.reps, special.rpe, share)
    work = Work(line_id, "special", dose, tuple(special.reasons), name)
    return loaded_line(make, lift, when, work)
