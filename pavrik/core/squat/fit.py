"""The squat fit: every set-up of the grid, ranked, with the verdict in words."""

from dataclasses import dataclass, replace

from pavrik.core.assumptions import Assumptions
from pavrik.core.fitting.sampling import Sureness, how_sure
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifter.mobility import BarPosition
from pavrik.core.squat.bar_positions import SHELVES
from pavrik.core.squat.candidates import Candidate, Rejected, assess
from pavrik.core.squat.cases import SetupGrid
from pavrik.core.squat.uncertainty import sample_maxes_kg
from pavrik.core.units import Floats, degrees


@dataclass(frozen=True)
class SquatFit:
    """Leaders (best of each bar position, best first), the rest, the rejected, the verdict.

    ``sureness`` runs parallel to ``leaders`` and is empty when it was not asked for.
    """

    leaders: list[Candidate]
    rest: list[Candidate]
    rejected: list[Rejected]
    sureness: list[Sureness]
    toss_up: bool
    verdict: str


def _best_of(candidates: list[Candidate], clear_lead: float) -> Candidate:
    """The highest predicted max; a raised heel has to earn a clear lead over a lower one."""
    top = max(candidate.predicted_max_kg for candidate in candidates)
    close = [c for c in candidates if c.predicted_max_kg >= top * (1.0 - clear_lead)]
    return min(close, key=lambda c: (c.setup.heel_lift_m, -c.predicted_max_kg))


def _leaders(candidates: list[Candidate], clear_lead: float) -> list[Candidate]:
    by_position: dict[BarPosition, list[Candidate]] = {}
    for candidate in candidates:
        by_position.setdefault(candidate.setup.bar_position, []).append(candidate)
    best = [_best_of(group, clear_lead) for group in by_position.values()]
    return sorted(best, key=lambda c: -c.predicted_max_kg)


def _in_words(candidate: Candidate) -> str:
    setup = candidate.setup
    heel = f", heel raised {setup.heel_lift_m * 100:.0f} cm" if setup.heel_lift_m else ""
    toes = float(degrees(setup.toe_out))
    return (
        f"{SHELVES[setup.bar_position].name}, {setup.stance_m * 100:.0f} cm, toes {toes:.0f}°{heel}"
    )


def _verdict(
    leaders: list[Candidate], sureness: list[Sureness], toss_up_below: float, clear_lead: float
) -> tuple[bool, str]:
    if not leaders:
        return False, (
            "no set-up of the grid is feasible for this body: see the reasons, raise the heel or "
            "work on what the screens show before loading a squat"
        )
    first = leaders[0]
    name = _in_words(first)
    if len(leaders) == 1:
        return False, f"{name} is the only bar position that this body can take"
    second = leaders[1]
    if sureness:
        chance = sureness[0].chance_best
        if chance < toss_up_below:
            return True, (
                f"toss-up: {name} leads {_in_words(second)} with a chance of {chance:.0%} to be "
                "the better by 1 %; try both over fixed weeks before settling"
            )
        return False, f"{name} fits best: {chance:.0%} sure"
    lead = first.predicted_max_kg / second.predicted_max_kg - 1.0
    if lead < clear_lead:
        return True, (
            f"toss-up: {name} and {_in_words(second)} differ by {lead:.1%}; "
            "try both before settling"
        )
    return False, f"{name} fits best, {lead:.1%} ahead of {_in_words(second)}"


def _by_chance(
    leaders: list[Candidate], sureness: list[Sureness]
) -> tuple[list[Candidate], list[Sureness]]:
    pairs = sorted(
        zip(leaders, sureness, strict=True),
        key=lambda pair: (-pair[1].chance_best, -pair[1].median_kg),
    )
    return [leader for leader, _ in pairs], [sure for _, sure in pairs]


def fit_squat(
    lifter: Lifter, grid: SetupGrid | None = None, samples: int = 0, seed: int = 1
) -> SquatFit:
    """Fit over bar position, stance, toes and heel, each with its best feasible shank.

    ``samples`` bodies are drawn for bands and chances, which then order the leaders; with 0 the
    predicted max does.
    """
    assumed = lifter.assumed
    candidates, rejected = assess(lifter, (grid or SetupGrid()).setups())
    leaders = _leaders(candidates, assumed.clear_lead)
    toss_up, verdict = _verdict(leaders, [], assumed.toss_up_below, assumed.clear_lead)
    leading = {id(candidate) for candidate in leaders}
    rest = sorted(
        (c for c in candidates if id(c) not in leading), key=lambda c: -c.predicted_max_kg
    )
    fit = SquatFit(leaders, rest, rejected, [], toss_up, verdict)
    if not (leaders and samples):
        return fit
    maxes = sample_maxes_kg(lifter, [c.setup for c in leaders], samples, seed)
    return with_sureness(fit, maxes, assumed)


def with_sureness(fit: SquatFit, maxes_kg: Floats, assumed: Assumptions) -> SquatFit:
    """A fit with its leaders ordered by chance; ``maxes_kg`` has shape (samples, leaders)."""
    leaders, sureness = _by_chance(fit.leaders, how_sure(maxes_kg, assumed.clear_lead))
    toss_up, verdict = _verdict(leaders, sureness, assumed.toss_up_below, assumed.clear_lead)
    return replace(fit, leaders=leaders, sureness=sureness, toss_up=toss_up, verdict=verdict)
