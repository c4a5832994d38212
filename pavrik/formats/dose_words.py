"""Doses as coaches write them: ``1 x 1 @ 7.5; 4 x 3 @ 8`` or ``2 x 4 at 68 %``."""

import re

from pavrik.core.prescription.shape import Dose, dose_problem
from pavrik.words import say

BETWEEN = re.compile(r"\s*(?:[;+\n]|,\s)\s*")
NUMBER = r"\d+(?:[.,]\d+)?"
DOSE = re.compile(
    rf"(\d+)\s*[x×*]\s*(\d+)\s*(?:@\s*(?:rpe\s*)?({NUMBER})|(?:at|@)?\s*({NUMBER})\s*%)",
    re.IGNORECASE,
)
LIKE = say("formats.write_like_4_x")


def _number(text: str) -> float:
    return float(text.replace(",", "."))


def _dose(text: str) -> Dose:
    found = DOSE.fullmatch(text)
    if found is None:
        raise ValueError(say("formats.no_sets_x_reps", written=text, like=LIKE))
    sets, reps, rpe, share = found.groups()
    if share is not None:
        dose = Dose(int(sets), int(reps), share=round(_number(share) / 100, 4))
    else:
        dose = Dose(int(sets), int(reps), _number(rpe))
    problem = dose_problem(dose)
    if problem is not None:
        raise ValueError(f"“{text}”: {problem}")
    return dose


def read_doses(text: str) -> tuple[Dose, ...]:
    """The doses of a line, between them ``;``, ``+`` or a comma. Raises ValueError with what
    was written and how it is meant."""
    parts = [part for part in BETWEEN.split(text.strip()) if part]
    if not parts:
        raise ValueError(say("formats.nothing_written_here", like=LIKE))
    return tuple(map(_dose, parts))


def dose_words(dose: Dose) -> str:
    """A dose so that it reads back as itself."""
    if dose.share is not None:
        return say("formats.x_at", sets=dose.sets, reps=dose.reps, share=round(dose.share * 100, 2))
    return f"{dose.sets} x {dose.reps} @ {dose.rpe:g}"


def doses_words(doses: tuple[Dose, ...]) -> str:
    """The doses of a day on one line."""
    return "; ".join(map(dose_words, doses))
