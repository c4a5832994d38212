"""Why not this style: what binds its nearest start, and the smallest change that opens it."""

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace

from pavrik.core.deadlift.candidates import PullCandidate, assess_pulls
from pavrik.core.deadlift.fit import PullGrid
from pavrik.core.deadlift.styles import STYLES, PullSetup, Style
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.units import radians

Changed = tuple[Lifter, list[PullSetup]]


def _screen(name: str) -> Callable[[Lifter, list[PullSetup], float], Changed]:
    def apply(lifter: Lifter, setups: list[PullSetup], step: float) -> Changed:
        screens = lifter.screens
        wider = replace(screens, **{name: getattr(screens, name) + float(radians(step))})
        return replace(lifter, screens=wider), setups

    return apply


def _blocks(lifter: Lifter, setups: list[PullSetup], step: float) -> Changed:
    raised = [replace(s, bar_height_m=s.bar_height_m + step / 100) for s in setups]
    return lifter, raised


LEVERS: tuple[
    tuple[str, float, tuple[float, ...], Callable[[Lifter, list[PullSetup], float], Changed]], ...
] = (
    ("the bar raised {step:g} cm on blocks", 1.0, (2, 4, 6, 8, 10, 14, 18), _blocks),
    ("{step:g}° more neutral depth", 3.0, (3, 6, 9, 12, 16, 20), _screen("closing")),
    ("{step:g}° more hip opening", 3.0, (3, 6, 9, 12, 16, 20), _screen("abduction")),
    ("{step:g}° more hip rotation", 3.0, (3, 6, 9, 12, 16, 20), _screen("rotation")),
    ("{step:g}° more ankle bend", 3.0, (3, 6, 9, 12), _screen("dorsiflexion")),
)


@dataclass(frozen=True)
class PullRemedy:
    """The least change that opens a style, and its best start there."""

    words: str
    candidate: PullCandidate
    effort: float


@dataclass(frozen=True)
class PullWhyNot:
    """What binds the nearest start of a style, and what opens it, the easiest first."""

    style: Style
    feasible: bool
    binding: list[str]
    remedies: list[PullRemedy]


def _coarse(style: Style) -> list[PullSetup]:
    kind = STYLES[style]
    grid = PullGrid(styles=(style,), stance_m=kind.stances_m[::2], toe_out_deg=kind.toes_deg[::2])
    return grid.setups()


def _best(lifter: Lifter, setups: Sequence[PullSetup]) -> PullCandidate | None:
    candidates, _ = assess_pulls(lifter, setups)
    return max(candidates, key=lambda c: c.predicted_max_kg, default=None)


def pull_why_not(lifter: Lifter, style: Style) -> PullWhyNot:
    """Why a style is closed to this body, and what would open it."""
    setups = _coarse(style)
    if _best(lifter, setups):
        return PullWhyNot(style, True, [], [])
    _, rejected = assess_pulls(lifter, setups)
    nearest = min(rejected, key=lambda r: len(r.reasons)).reasons
    remedies = []
    for words, weight, steps, apply in LEVERS:
        for count, step in enumerate(steps, start=1):
            found = _best(*apply(lifter, setups, step))
            if found:
                remedies.append(PullRemedy(words.format(step=step), found, weight * count))
                break
    return PullWhyNot(style, False, nearest, sorted(remedies, key=lambda r: r.effort))
