"""The pull bench: how the pull is fitted, starts in full, costs, why not, maps."""

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any
from uuid import UUID

from pavrik.core import MODEL_VERSION
from pavrik.core.deadlift.advice import one_bad_week, squat_to_pull_gap
from pavrik.core.deadlift.bar_bend import bar_bend
from pavrik.core.deadlift.candidates import PullCandidate, assess_pulls
from pavrik.core.deadlift.cases import pull_case
from pavrik.core.deadlift.costs import PullCost, pull_costs
from pavrik.core.deadlift.drawing import draw_pull
from pavrik.core.deadlift.evaluation import BACK_M, FORWARD_M
from pavrik.core.deadlift.fit import (
    PullFit,
    PullGrid,
    best_pulls_kg,
    fit_pull,
    sample_pulls,
    with_pull_sureness,
)
from pavrik.core.deadlift.lockout import lockout
from pavrik.core.deadlift.maps import PullAcross, pull_map
from pavrik.core.deadlift.report import PullReport, one, pull_report
from pavrik.core.deadlift.styles import COMPETING, STYLES, PullSetup, Style
from pavrik.core.deadlift.why_not import pull_why_not
from pavrik.core.equipment.hand_marks import ring_words
from pavrik.core.fitting.deciding import deciding_words, input_words, what_decides
from pavrik.core.fitting.sampling import Sureness
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.strength.estimated_max import estimate_max
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import Floats, degrees
from pavrik.formats.bench import drawn_columns
from pavrik.formats.model_requests import PullSetupIn
from pavrik.formats.pull import (
    BarBendOut,
    GripOut,
    NaturalStartOut,
    PerCentimetre,
    PullCandidateOut,
    PullCostAnswer,
    PullMapAnswer,
    StartAnswer,
)
from pavrik.formats.squat_study import (
    DecidingAnswer,
    FaultCostOut,
    FlipOut,
    MovedUse,
    RemedyOut,
    WhyNotAnswer,
)
from pavrik.services.fits import SAMPLES, SEED, Fitting, Prediction
from pavrik.services.model import pull_setup_from
from pavrik.store import training
from pavrik.store.database import Connection

NAMES: dict[str, str] = {style: kind.name for style, kind in STYLES.items()}


def setup_out(setup: PullSetup) -> PullSetupIn:
    """A start in the answer's terms."""
    return PullSetupIn(
        style=setup.style,
        stance_m=setup.stance_m,
        toe_out_deg=round(float(degrees(setup.toe_out)), 3),
        grip_m=setup.grip_m,
        bar_offset_m=setup.bar_offset_m,
        shoulder_offset_m=setup.shoulder_offset_m,
        bar_height_m=setup.bar_height_m,
        shank_deg=None if setup.shank is None else round(float(degrees(setup.shank)), 3),
    )


def candidate_out(
    lifter: Lifter, candidate: PullCandidate, sure: Sureness | None = None
) -> PullCandidateOut:
    """A start in the answer's terms, with its travel and work."""
    case = pull_case(lifter, [candidate.setup])
    pose = case.held()
    end = lockout(case, pose, candidate.predicted_max_kg, lifter.pull.blades_down)
    return PullCandidateOut(
        setup=setup_out(candidate.setup),
        shank_deg=float(degrees(candidate.shank)),
        back_deg=float(degrees(candidate.back_angle)),
        hip_closing_deg=float(degrees(candidate.closing)),
        hip_abduction_deg=float(degrees(candidate.abduction)),
        hip_over_knee_m=candidate.hip_over_knee_m,
        predicted_max_kg=candidate.predicted_max_kg,
        band_kg=list(sure.band_kg) if sure else None,
        median_kg=sure.median_kg if sure else None,
        chance_best=sure.chance_best if sure else None,
        limiter=candidate.limiter,
        use=candidate.use,
        travel_m=end.travel_m,
        work_j=end.work_j,
        hip_rotation_deg=one(degrees(pose.legs.rotation)),
    )


def leaders_out(lifter: Lifter, fit: PullFit) -> list[PullCandidateOut]:
    """The leaders of a fit in the answer's terms."""
    sureness: list[Sureness | None] = [*fit.sureness] or [None] * len(fit.leaders)
    return [candidate_out(lifter, c, s) for c, s in zip(fit.leaders, sureness, strict=True)]


def _both_lifts(inferred: Inferred | None) -> str:
    if inferred is None or len(inferred.residual) < 2:
        return "two lifts are needed before one set of strengths can explain both"
    if inferred.told:
        return f"one set of strengths explains the lifts, but {'; '.join(inferred.told)}"
    return "one set of strengths explains both lifts: neither lags behind the body"


def _why_not(fit: PullFit) -> dict[str, list[str]]:
    leading = {c.setup.style for c in fit.leaders}
    found: dict[str, list[str]] = {}
    for style in COMPETING:
        rejected = [r for r in fit.rejected if r.setup.style == style]
        if style not in leading and rejected:
            found[style] = min(rejected, key=lambda r: len(r.reasons)).reasons[:4]
    return found


def _answer(lifter: Lifter, inferred: Inferred | None, fit: PullFit) -> dict[str, Any]:
    return {
        "leaders": [leader.model_dump() for leader in leaders_out(lifter, fit)],
        "toss_up": fit.toss_up,
        "verdict": fit.verdict,
        "coach_rule": fit.coach_rule,
        "why_not": _why_not(fit),
        "rejected_count": len(fit.rejected),
        "feasible_count": len(fit.leaders) + len(fit.rest),
        "strengths": inferred.firmness if inferred else "nothing",
        "lifts_told": list(inferred.told) if inferred else [],
        "assumed_screens": sorted(lifter.screens.assumed - {"shoulder"}),
        "both_lifts": _both_lifts(inferred),
        "model_version": MODEL_VERSION,
        "seed": SEED,
    }


def grid_of(lifter: Lifter) -> PullGrid:
    """The grid that the lifter's schools search."""
    return PullGrid(shoulder_offset_m=lifter.pull.shoulder_offset_m)


def _draw(lifter: Lifter, fit: PullFit) -> Iterator[Floats]:
    setups = [c.setup for c in fit.leaders]
    return sample_pulls(lifter, setups, SAMPLES, SEED) if setups else iter(())


def _predict(lifter: Lifter, setup: PullSetupIn) -> Prediction:
    candidates, rejected = assess_pulls(lifter, [pull_setup_from(setup)])
    if rejected:
        return Prediction(0.0, "", rejected[0].reasons)
    return Prediction(candidates[0].predicted_max_kg, candidates[0].limiter, [])


PULL = Fitting(
    lift="deadlift",
    setup_type=PullSetupIn,
    point=lambda lifter: fit_pull(lifter, grid_of(lifter)),
    draw=_draw,
    sure=with_pull_sureness,
    answer=_answer,
    predict=_predict,
)


def _travel_m(lifter: Lifter, setup: PullSetup) -> float:
    case = pull_case(lifter, [setup])
    return lockout(case, case.held(), 0.0, lifter.pull.blades_down).travel_m


def _max_kg(lifter: Lifter, setup: PullSetup) -> float | None:
    candidates, _ = assess_pulls(lifter, [setup])
    return candidates[0].predicted_max_kg if candidates else None


def _per_cm(lifter: Lifter, setup: PullSetup) -> dict[str, PerCentimetre]:
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


def _explanations(report: PullReport) -> dict[str, str]:
    moments = {name: one(value) for name, value in report.loaded.moments._asdict().items()}
    centre = one(report.loaded.centre_x_m)
    return {
        "predicted_max": f"{report.predicted_max_kg:.1f} kg is the load at which the "
        f"{report.limiter.replace('_', ' ')} reach 100 % at the start; the way up is drawn "
        "and not judged yet. A static linkage: no speed, no bar whip, no skill",
        "moments": f"knee {moments['knee']:.0f}, hip from the side {moments['hip_sagittal']:.0f}, "
        f"from the front {moments['hip_frontal']:.0f}, lower back {moments['lumbar']:.0f}, upper "
        f"back {moments['midback']:.0f} N m",
        "lats": f"{report.lat_moment_nm:.0f} N m hold the bar back: weight times the shoulder's "
        f"{report.setup.shoulder_offset_m * 100:.0f} cm in front of it",
        "balance": f"at this load the mass centre stands {centre * 100:+.1f} cm from mid-foot "
        "(window −3 to +1 cm at the max)",
    }


def start_answer(
    lifter: Lifter, setup: PullSetup, load_kg: float, bars: Sequence[tuple[str, float, float]]
) -> StartAnswer:
    """One start in full; ``bars`` lists name, mass in kg and shaft in mm."""
    report = pull_report(lifter, setup, load_kg)
    setup, natural = report.setup, report.natural
    path_loaded = report.path.pose.under(load_kg)
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
        setup=setup_out(setup),
        predicted_max_kg=report.predicted_max_kg,
        limiter=report.limiter,
        reasons=report.reasons,
        start=drawn_columns(draw_pull(report.pose, report.loaded, setup.grip_m)),
        path=drawn_columns(draw_pull(report.path.pose, path_loaded, setup.grip_m)),
        phases=report.path.phase,
        hardest_step=report.hardest_step,
        hardest_phase=report.path.phase[report.hardest_step],
        hardest_height_m=report.hardest_height_m,
        path_max_kg=report.predicted_max_kg,
        lat_moment_nm=report.lat_moment_nm,
        back_deg=one(degrees(report.pose.back_angle)),
        hip_over_knee_m=one(report.pose.legs.hip.z) - one(report.pose.legs.knee.z),
        mass_centre_m=one(report.loaded.centre_x_m),
        lockout_m=report.lockout.bar_height_m,
        travel_m=report.lockout.travel_m,
        work_j=report.lockout.work_j,
        natural=NaturalStartOut(
            rise_m=natural.rise_m,
            let_go_m=natural.let_go_m,
            low_let_go_m=natural.low_let_go_m,
            low=drawn_columns(draw_pull(natural.low, natural.low.under(load_kg), setup.grip_m)),
        ),
        bends=bends,
        grip=GripOut(
            grip_m=setup.grip_m,
            ring_words=ring_words(setup.grip_m, float(lifter.body.stature_m)),
            room_m=report.room_m,
        ),
        per_cm=_per_cm(lifter, setup),
        explanations=_explanations(report),
    )


def _cost_out(cost: PullCost, load_kg: float, grip_m: float) -> FaultCostOut:
    name, before, after = cost.most_moved
    pose = cost.pose
    drawn = drawn_columns(draw_pull(pose, pose.under(load_kg), grip_m)) if pose else None
    more = ""
    if cost.hip_rise_m > 0:
        more = f"; the hips still rise {cost.hip_rise_m * 100:.0f} cm for nothing"
    elif pose and cost.fault_id in ("feet-far", "toes-heavy", "feet-close"):
        centre = one(pose.under(load_kg).centre_x_m)
        if not BACK_M <= centre <= FORWARD_M:
            more = f"; the weight stands {centre * 100:+.0f} cm from mid-foot, out of balance"
    return FaultCostOut(
        fault_id=cost.fault_id,
        words=cost.words + more,
        amount=cost.amount,
        unit="m",
        before_kg=cost.before_kg,
        after_kg=cost.after_kg,
        lost_kg=cost.lost_kg,
        lost_share=cost.lost_share,
        limiter_before=cost.limiter_before,
        limiter_after=cost.limiter_after,
        knee_inward_nm=0.0,
        most_moved=MovedUse(name=name, before=before, after=after),
        drawn=drawn,
    )


def costs_of(
    lifter: Lifter, setup: PullSetup, load_kg: float, amounts: dict[str, float]
) -> PullCostAnswer:
    """What every priced pull fault costs."""
    _, rejected = assess_pulls(lifter, [setup])
    costs = pull_costs(lifter, setup, load_kg, amounts) if not rejected else []
    return PullCostAnswer(
        costs=[_cost_out(cost, load_kg, setup.grip_m) for cost in costs],
        reasons=rejected[0].reasons if rejected else [],
        model_version=MODEL_VERSION,
    )


def why_not_answer(lifter: Lifter, style: Style) -> WhyNotAnswer:
    """Why a style is closed, and the smallest changes that open it."""
    found = pull_why_not(lifter, style)
    return WhyNotAnswer(
        bar_position=style,
        feasible=found.feasible,
        gates=[],
        binding=found.binding,
        remedies=[
            RemedyOut(
                words=remedy.words,
                stance_m=remedy.candidate.setup.stance_m,
                toe_out_deg=round(float(degrees(remedy.candidate.setup.toe_out)), 3),
                heel_lift_m=0.0,
                predicted_max_kg=remedy.candidate.predicted_max_kg,
            )
            for remedy in found.remedies
        ],
    )


def map_answer(lifter: Lifter, around: PullSetup, across: PullAcross) -> PullMapAnswer:
    """A map round a start."""
    found = pull_map(lifter, around, across)
    kg = [[round(value, 1) for value in row] for row in found.kg]
    return PullMapAnswer(
        across=across, rows=found.rows, stance_m=found.stance_m, kg=kg, limit=found.limit
    )


def deciding_answer(lifter: Lifter, leaders: Sequence[dict[str, Any]]) -> DecidingAnswer:
    """Which input decides between the straight-bar styles."""
    straight = [x for x in leaders if not x["setup"]["style"].startswith("trap")]
    by_max = sorted(straight, key=lambda x: -x["predicted_max_kg"])
    if len(by_max) < 2:
        return DecidingAnswer(sentence="only one style is open: nothing to decide", flips=[])
    setups = [pull_setup_from(PullSetupIn.model_validate(x["setup"])) for x in by_max]
    styles: list[str] = [s.style for s in setups]
    flips = what_decides(lifter, styles, lambda many: best_pulls_kg(many, setups), axes=2)
    return DecidingAnswer(
        sentence=deciding_words(flips, NAMES[styles[0]], NAMES),
        flips=[
            FlipOut(
                name=f.name, words=input_words(f.name), unit=f.unit, measured=f.measured, by=f.by,
                errors=f.errors, to=f.to,
            )
            for f in flips
        ],
    )  # fmt: skip


def advice(connection: Connection, lifter_id: UUID) -> list[str]:
    """What the log says: one bad week, and the gap between squat and pull."""
    best: dict[str, float] = {}
    weekly: dict[tuple[int, int], float] = {}
    for logged in training.list_sets(connection, lifter_id):
        if logged.variation != "competition" or logged.missed_reps or not 1 <= logged.reps <= 10:
            continue
        kg = estimate_max(logged.load_kg, logged.reps, logged.rpe).kg
        best[logged.lift] = max(best.get(logged.lift, 0.0), kg)
        if logged.lift == "deadlift":
            year, week, _ = logged.performed_at.isocalendar()
            weekly[year, week] = max(weekly.get((year, week), 0.0), kg)
    said = [one_bad_week([weekly[week] for week in sorted(weekly)])]
    if {"squat", "deadlift"} <= best.keys():
        said.append(squat_to_pull_gap(best["squat"], best["deadlift"]))
    return [sentence for sentence in said if sentence]
