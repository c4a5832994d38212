"""A reason: what a line of a plan rests on."""

from dataclasses import dataclass

from pavrik.words import say


@dataclass(frozen=True)
class Reason:
    """A reason: the rule in words and the ids of the facts it rests on. A fact is a set, a flag, or
    "fit:" and the lift, "fault:" and its id, "ratio:" and the variation."""

    text: str
    facts: tuple[str, ...] = ()


def in_kg(value: float) -> str:
    """A mass in words, without idle zeros."""
    return f"{value:.1f}".rstrip("0").rstrip(".") + " kg"


def reps_words(reps: int) -> str:
    """A count of reps in words."""
    return (
        say("prescription.reps_rep", reps=reps)
        if reps == 1
        else say("prescription.reps_reps", reps=reps)
    )
