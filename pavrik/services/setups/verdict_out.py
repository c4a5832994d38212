"""How sure a fit is, in the answer's terms: the same for every lift."""

from typing import Any, TypedDict

from pavrik.core.fitting.fit import Fit
from pavrik.core.fitting.limited_by import limited_by
from pavrik.core.fitting.sampling import PredictionInterval
from pavrik.formats.model.answers import FamilyOut, VerdictOut


class SureOut(TypedDict):
    """What a candidate's answer says of how sure it is."""

    band_kg: list[float] | None
    median_kg: float | None
    chance_best: float | None
    stance_range_m: list[float]
    toe_range_deg: list[float]
    limited_by: str


class ChoiceOut(TypedDict):
    """What a fit's answer says of the choice."""

    families: list[FamilyOut]
    none_clearly_best: float | None
    verdict: VerdictOut


def choice_out(fit: Fit[Any]) -> ChoiceOut:
    """Families, what their chances leave over, and the verdict."""
    choice = fit.choice
    return ChoiceOut(
        families=[
            FamilyOut(
                styles=list(f.styles),
                chance_best=f.chance_best,
                expected_loss_kg=f.expected_loss_kg,
            )
            for f in (choice.families if choice else ())
        ],
        none_clearly_best=choice.none_clearly_best if choice else None,
        verdict=VerdictOut(kind=fit.verdict.kind, sentence=fit.verdict.sentence),
    )


def sure_of_leaders(fit: Fit[Any]) -> list[SureOut]:
    """For each leader its band, its family's chance, and how wide it is as good."""
    of_style = {
        style: family.chance_best
        for family in (fit.choice.families if fit.choice else ())
        for style in family.styles
    }
    drawn: list[PredictionInterval | None] = [*fit.intervals] or [None] * len(fit.leaders)
    return [
        SureOut(
            band_kg=list(sure.band_kg) if sure else None,
            median_kg=sure.median_kg if sure else None,
            chance_best=of_style.get(leader.setup.style) if sure else None,
            stance_range_m=list(ranges.stance_m),
            toe_range_deg=list(ranges.toe_out_deg),
            limited_by=limited_by(shares),
        )
        for leader, sure, ranges, shares in zip(
            fit.leaders, drawn, fit.ranges, fit.shares, strict=True
        )
    ]
