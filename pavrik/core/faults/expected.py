"""What is seen and is no fault: a light bar cannot run straight under a lifter in balance."""

from pavrik.core.squat.path_ladder import PLUMB_FROM_BODY_MASSES

BOWS = frozenset({"bar-forward"})
SLIGHT = 1


def is_expected(fault_id: str, severity: int, load_kg: float, body_mass_kg: float) -> bool:
    """Whether a slight drift of the bar (severity 1 of 3) is what balance asks of so light a load,
    as the computed path has it."""
    light = load_kg < PLUMB_FROM_BODY_MASSES * body_mass_kg
    return fault_id in BOWS and severity <= SLIGHT and light
