"""The lifter's pocket card."""

from datetime import datetime

from pydantic import BaseModel

from pavrik.formats.wire.setups import RackAnswer


class SettledOnCard(BaseModel):
    """When and why a set-up was settled, what was predicted, what has changed since."""

    predicted_max_kg: float
    settled_at: datetime
    reason: str
    model_version: str
    stale_because: list[str]


class SquatCard(SettledOnCard):
    """The squat on the card."""

    bar: str
    stance_m: float
    stance_feet: float
    toe_out_deg: int
    heel_lift_m: float
    grip_m: float
    grip_words: str
    grip_from_screen: bool
    racks: list[RackAnswer]
    lean_deg: int
    shank_deg: int
    crease_below_knee_m: float
    depth_school: str


class DeadliftCard(SettledOnCard):
    """The deadlift on the card."""

    style: str
    stance_m: float
    stance_feet: float
    toe_out_deg: int
    grip_m: float
    grip_words: str
    foot_words: str
    bar_from_shin_m: float
    back_deg: int
    hip_over_knee_m: float


class CardAnswer(BaseModel):
    """The lifter's pocket card."""

    name: str
    mass_kg: float
    cues: list[str]
    pull_cues: list[str]
    checks: list[str]
    pull_checks: list[str]
    cautions: list[str]
    pain: list[str]
    squat: SquatCard | None
    deadlift: DeadliftCard | None
