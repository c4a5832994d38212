"""Why a start does not work, in sentences: the fact, the number, the remedy."""

from collections.abc import Mapping

from pavrik.core.deadlift.evaluation import weigh
from pavrik.core.deadlift.styles import PullSetup
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.units import degrees


def pull_reasons(
    lifter: Lifter, setup: PullSetup, short: Mapping[str, float], closing_deg: float
) -> list[str]:
    """One sentence for every limit that the start oversteps, most binding first; ``short`` in m or
    deg as the evaluation has it."""
    neutral = float(degrees(lifter.screens.closing))
    narrower_or_wider = "narrower" if setup.kind.hands == "inside" else "wider"
    sentences = {
        "reach": "{cm:.1f} cm of reach are missing with a flat back: more forward shins, blocks, a "
        "narrower grip or another style",
        "closing": f"the hip would close {closing_deg:.0f}°, {{deg:.1f}}° more than the "
        f"{neutral:.0f}° reached with an unchanged lower back: raise the bar on blocks, turn the "
        "toes out, or pull wider",
        "abduction": "the thighs would open {deg:.1f}° further than the hip screen allows here: "
        "stand narrower",
        "rotation": "the thighs would turn out {deg:.1f}° further than the rotation screen allows: "
        "turn the toes in",
        "ankle": "the shins would lean {deg:.1f}° further than the ankle screen allows: bar nearer "
        "to the shins",
        "knee_track": "the thigh would turn {deg:.1f}° more away from the toes than knees bear: "
        "match the toes to the stance",
        "balance_back": "with the bar at its max the weight stands {cm:.1f} cm too far back: the "
        "feet are too close, back off from the bar",
        "balance_forward": "with the bar at its max the weight stands {cm:.1f} cm too far forward: "
        "the feet are too far, step nearer to the bar",
        "room": f"{{cm:.1f}} cm are missing between hands and legs: hands {narrower_or_wider}, or "
        "change the stance",
        "shins": "the bar would start {cm:.1f} cm above the knees: lower it",
        "strength": "the body alone asks more than the strengths allow here: check the strengths "
        "and the body mass",
    }
    over = {name: value for name, value in short.items() if value > 0}
    order = sorted(over, key=lambda name: -float(weigh({name: over[name]})))  # type: ignore[dict-item]
    return [sentences[name].format(cm=over[name] * 100, deg=over[name]) for name in order]
