"""A squat's fit in the answer's terms."""

from pavrik.core import MODEL_VERSION
from pavrik.core.fitting.fit import Fit
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BAR_POSITIONS
from pavrik.core.lifts.candidate import Candidate
from pavrik.core.squat.depth import hip_above_knee_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.strength.inverse import Inferred
from pavrik.core.units import degrees
from pavrik.formats.model.answers import (
    CandidateOut,
    FitAnswer,
    RejectedOut,
    SquatSetupOut,
)
from pavrik.formats.model.setup_codec import degrees_of
from pavrik.services.setups.verdict_out import SureOut, choice_out, sure_of_leaders


def setup_out(lifter: Lifter, setup: SquatSetup) -> SquatSetupOut:
    """A set-up in the answer's terms."""
    return SquatSetupOut(
        bar_position=setup.bar_position,
        stance_m=setup.stance_m,
        toe_out_deg=degrees_of(setup.toe_out),
        heel_lift_m=setup.heel_lift_m,
        hip_above_knee_m=hip_above_knee_m(lifter, setup),
        balance=lifter.schools.balance,
    )


def candidate_out(
    lifter: Lifter, candidate: Candidate[SquatSetup], sure: SureOut | None = None
) -> CandidateOut:
    """A candidate in the answer's terms."""
    told = CandidateOut(
        setup=setup_out(lifter, candidate.setup),
        shank_deg=float(degrees(candidate.shank)),
        trunk_lean_deg=float(degrees(candidate.lean)),
        hip_closing_deg=float(degrees(candidate.hip_flexion)),
        predicted_max_kg=candidate.predicted_max_kg,
        limiter=candidate.limiter,
        oversteps=list(candidate.oversteps),
        use=candidate.utilization,
    )
    return told.model_copy(update=dict(sure)) if sure else told


def fit_out(lifter: Lifter, fit: Fit[SquatSetup], inferred: Inferred | None) -> FitAnswer:
    """A fit in the answer's terms."""
    leaders = [
        candidate_out(lifter, candidate, sure)
        for candidate, sure in zip(fit.leaders, sure_of_leaders(fit), strict=True)
    ]
    by_style = {leader.setup.bar_position: leader for leader in leaders}
    return FitAnswer(
        candidates=leaders + [candidate_out(lifter, candidate) for candidate in fit.rest],
        best_of_style={position: by_style.get(position) for position in BAR_POSITIONS},
        rejected=[
            RejectedOut(setup=setup_out(lifter, r.setup), reasons=r.reasons) for r in fit.rejected
        ],
        **choice_out(fit),
        strengths=inferred.firmness if inferred else "nothing",
        residual_log=inferred.residual if inferred else [],
        lifts_told=list(inferred.told) if inferred else [],
        assumed_screens=sorted(lifter.screens.assumed),
        model_version=MODEL_VERSION,
    )
