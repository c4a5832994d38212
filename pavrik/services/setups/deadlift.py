"""The deadlift explored: how it is ranked, starts in full, what the log advises."""

from collections.abc import Sequence
from dataclasses import replace
from uuid import UUID

import numpy as np

from pavrik.core import MODEL_VERSION
from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.deadlift.advice import (
    coach_rule,
    one_bad_week,
    shoulders_words,
    squat_to_deadlift_gap,
)
from pavrik.core.deadlift.bar_bend import bar_bend
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.deadlift.kinematics import DeadliftKinematics
from pavrik.core.deadlift.limits import STEADY_M
from pavrik.core.deadlift.lockout import lockout
from pavrik.core.deadlift.path import pace_words
from pavrik.core.deadlift.start import StartReport, place_starts, start_report
from pavrik.core.deadlift.styles import DeadliftSetup
from pavrik.core.equipment.hand_marks import ring_words
from pavrik.core.fitting.candidates import assess
from pavrik.core.fitting.explain import explain_max
from pavrik.core.fitting.fit import Fit, closed_styles
from pavrik.core.fitting.report import one
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.lifts.drawn import draw
from pavrik.core.strength.estimated_max import estimate_max
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import degrees
from pavrik.formats.model.deadlift_answers import (
    BarBendOut,
    DeadliftCandidateOut,
    DeadliftRankingAnswer,
    GripOut,
    NaturalStartOut,
    PerCentimetre,
    StartAnswer,
)
from pavrik.formats.model.figure_columns import drawn_columns
from pavrik.formats.model.requests import DeadliftSetupIn
from pavrik.formats.model.setup_codec import deadlift_from_wire, deadlift_to_wire
from pavrik.services.context import Who
from pavrik.services.setups.fits import SEED, Fitting, lifter_model
from pavrik.services.setups.verdict_out import choice_out, sure_of_leaders
from pavrik.store import equipment, training
from pavrik.store.database import Connection, Database
from pavrik.words import say


def candidates_out(
    lifter: Lifter, candidates: Sequence[Candidate[DeadliftSetup]]
) -> list[DeadliftCandidateOut]:
    """Starts in the answer's terms, with their travel and work."""
    if not candidates:
        return []
    case = DeadliftKinematics().case(lifter, [candidate.setup for candidate in candidates])
    start = case.start()
    max_kg = np.array([candidate.predicted_max_kg for candidate in candidates])
    end = lockout(case, start, max_kg, lifter.deadlift_schools.blades_down)
    rotation_deg = np.broadcast_to(np.ravel(degrees(start.legs.rotation)), len(candidates))
    return [
        DeadliftCandidateOut(
            setup=deadlift_to_wire(candidate.setup),
            shank_deg=float(degrees(candidate.shank)),
            back_deg=90.0 - float(degrees(candidate.lean)),
            hip_closing_deg=float(degrees(candidate.hip_flexion)),
            hip_abduction_deg=float(degrees(candidate.abduction)),
            hip_over_knee_m=candidate.hip_over_knee_m,
            predicted_max_kg=candidate.predicted_max_kg,
            limiter=candidate.limiter,
            oversteps=list(candidate.oversteps),
            use=candidate.utilization,
            travel_m=float(end.travel_m[at]),
            work_j=float(end.work_j[at]),
            hip_rotation_deg=float(rotation_deg[at]),
        )
        for at, candidate in enumerate(candidates)
    ]


def leaders_out(lifter: Lifter, fit: Fit[DeadliftSetup]) -> list[DeadliftCandidateOut]:
    """The leaders of a fit in the answer's terms."""
    told = candidates_out(lifter, fit.leaders)
    return [
        leader.model_copy(update=dict(sure))
        for leader, sure in zip(told, sure_of_leaders(fit), strict=True)
    ]


def _both_lifts(inferred: Inferred | None) -> str:
    if inferred is None or len(inferred.residual) < 2:
        return say("setups.two_lifts_needed_before")
    if inferred.told:
        return say("setups.set_strengths_explains_lifts", told="; ".join(inferred.told))
    return say("setups.set_strengths_explains_both")


def _answer(
    lifter: Lifter, inferred: Inferred | None, fit: Fit[DeadliftSetup]
) -> DeadliftRankingAnswer:
    return DeadliftRankingAnswer(
        leaders=leaders_out(lifter, fit),
        **choice_out(fit),
        coach_rule=coach_rule(fit.rivals()),
        why_not=closed_styles(fit),
        rejected_count=len(fit.rejected),
        feasible_count=len(fit.leaders) + len(fit.rest),
        strengths=inferred.firmness if inferred else "nothing",
        lifts_told=list(inferred.told) if inferred else [],
        assumed_screens=sorted(lifter.screens.assumed - {"shoulder"}),
        both_lifts=_both_lifts(inferred),
        model_version=MODEL_VERSION,
        seed=SEED,
    )


def _advice(connection: Connection, lifter_id: UUID) -> list[str]:
    """What the log says: one bad week, and the gap between squat and pull."""
    best: dict[str, float] = {}
    weekly: dict[tuple[int, int], float] = {}
    for logged in training.list_sets(connection, lifter_id):
        if logged.variation != "competition" or logged.missed_reps or not 1 <= logged.reps <= 10:
            continue
        kg = estimate_max(logged.load_kg, logged.reps, logged.rpe).kg
        best[logged.lift] = max(best.get(logged.lift, 0.0), kg)
        if logged.lift == DEADLIFT.id:
            year, week, _ = logged.performed_at.isocalendar()
            weekly[year, week] = max(weekly.get((year, week), 0.0), kg)
    said = [one_bad_week([weekly[week] for week in sorted(weekly)])]
    if set(LIFT_IDS) <= best.keys():
        said.append(squat_to_deadlift_gap(*(best[lift] for lift in LIFT_IDS)))
    return [sentence for sentence in said if sentence]


DEADLIFT_FITTING = Fitting(DEADLIFT, DeadliftRankingAnswer, _answer, _advice)


def _travel_m(lifter: Lifter, setup: DeadliftSetup) -> float:
    placed = place_starts(lifter, [setup])[0]
    return lockout(
        placed.case, placed.posture, 0.0, lifter.deadlift_schools.blades_down
    ).travel_m.item()


def _max_kg(lifter: Lifter, setup: DeadliftSetup) -> float | None:
    candidates, _ = assess(DEADLIFT, lifter, [setup])
    return candidates[0].predicted_max_kg if candidates else None


def _per_cm(lifter: Lifter, setup: DeadliftSetup) -> dict[str, PerCentimetre]:
    """What a centimetre more of stance, grip and bar height does. A centimetre of bar height is
    a centimetre less of deficit, or of plate radius more."""
    now = _max_kg(lifter, setup)
    here = _travel_m(lifter, setup)
    moved = {
        "stance": replace(setup, stance_m=setup.stance_m + 0.01),
        "grip": replace(setup, grip_m=setup.grip_m + 0.01),
        "bar height": replace(setup, bar_height_m=setup.bar_height_m + 0.01),
    }
    return {
        name: PerCentimetre(
            travel_m=_travel_m(lifter, other) - here,
            max_kg=None if now is None or (then := _max_kg(lifter, other)) is None else then - now,
        )
        for name, other in moved.items()
    }


def _explanations(report: StartReport, load_kg: float) -> dict[str, str]:
    moments = {name: one(value) for name, value in report.loaded.moments._asdict().items()}
    centre, placed = one(report.loaded.centre_x_m), report.placed
    return {
        "predicted_max": explain_max(DEADLIFT, placed.predicted_max_kg, placed.limiter, 1.0, 0.0),
        "moments": say(
            "setups.knee_hip_from_side",
            knee=moments["knee"],
            side=moments["hip_sagittal"],
            front=moments["hip_frontal"],
            lower=moments["lumbar"],
            upper=moments["midback"],
        ),
        "lats": say("setups.n_m_hold_bar", lat_moment_nm=report.lat_moment_nm),
        "pace": pace_words(report.path, load_kg),
        "shoulders": shoulders_words(placed.setup.shoulder_offset_m),
        "balance": say(
            "setups.load_mass_centre_stands", centre=centre * 100, steady_m=STEADY_M * 100
        ),
    }


def start_answer(
    lifter: Lifter, setup: DeadliftSetup, load_kg: float, bars: Sequence[tuple[str, float, float]]
) -> StartAnswer:
    """One start in full; ``bars`` lists name, mass in kg and shaft in mm."""
    report = start_report(lifter, setup, load_kg)
    placed, natural, path = report.placed, report.natural, report.path
    setup, start = placed.setup, placed.posture
    bends = [
        BarBendOut(
            bar=name, shaft_mm=shaft,
            sleeve_ends_slack_m=bar_bend(
                load_kg, mass, shaft, setup.grip_m, setup.bar_height_m, at_sleeve_ends=True
            ).slack_m,
            **vars(bar_bend(load_kg, mass, shaft, setup.grip_m, setup.bar_height_m)),
        )
        for name, mass, shaft in bars
    ]  # fmt: skip
    return StartAnswer(
        setup=deadlift_to_wire(setup),
        predicted_max_kg=placed.predicted_max_kg,
        limiter=placed.limiter,
        reasons=placed.reasons,
        start=drawn_columns(draw(start, report.loaded)),
        path=drawn_columns(draw(path.posture, path.posture.at_load(load_kg))),
        phases=path.phase,
        hardest_step=report.hardest_step,
        hardest_phase=path.phase[report.hardest_step],
        hardest_height_m=report.hardest_height_m,
        path_max_kg=placed.predicted_max_kg,
        lat_moment_nm=report.lat_moment_nm,
        back_deg=one(degrees(start.back_angle)),
        hip_over_knee_m=one(start.legs.hip.z) - one(start.legs.knee.z),
        mass_centre_m=one(report.loaded.centre_x_m),
        lockout_m=report.lockout.bar_height_m.item(),
        travel_m=report.lockout.travel_m.item(),
        work_j=report.lockout.work_j.item(),
        natural=NaturalStartOut(
            rise_m=natural.rise_m,
            let_go_m=natural.let_go_m,
            low_let_go_m=natural.low_let_go_m,
            low=drawn_columns(draw(natural.low, natural.low.at_load(load_kg))),
        ),
        bends=bends,
        grip=GripOut(
            grip_m=setup.grip_m,
            ring_words=ring_words(setup.grip_m, float(lifter.body.stature_m)),
            room_m=report.room_m,
        ),
        per_cm=_per_cm(lifter, setup),
        explanations=_explanations(report, load_kg),
    )


def start(
    database: Database, who: Who, lifter_id: UUID, setup: DeadliftSetupIn, load_kg: float
) -> StartAnswer:
    """One start of a lifter in full, on the club's own bars."""
    lifter = lifter_model(database, who, lifter_id)
    with database.reading(who.club_id) as connection:
        bars = [
            (bar.name, bar.mass_kg, bar.shaft_mm)
            for bar in equipment.list_bars(connection)
            if not bar.is_specialty
        ]
    return start_answer(lifter, deadlift_from_wire(setup), load_kg, bars)
