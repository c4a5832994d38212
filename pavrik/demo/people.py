"""Kiln Lane Strength, a club in a former brickworks. Every person and number is invented.

The scenario: nine lifters, twelve weeks before the club's own spring meet. The kiln room has two
racks that were never meant to match, and one set of plates too few.
"""

from dataclasses import dataclass, field
from typing import Any

from pavrik.core.equipment.racks import Rack

CLUB_NAME = "Kiln Lane Strength"
OWNER_NAME = "Ysolde Brackenbury"
OWNER_EMAIL = "ysolde@kilnlane.example"
OWNER_PASSWORD = "brick-by-brick"  # noqa: S105 - the printed sign-in of the invented demo club

BARS: tuple[dict[str, Any], ...] = (
    {"name": "Meet bar", "mass_kg": 20.0, "shaft_mm": 29.0, "collars_kg": 5.0},
    {"name": "Training bar", "mass_kg": 20.0, "shaft_mm": 28.0, "collars_kg": 0.0},
    {"name": "Old ten", "mass_kg": 10.0, "shaft_mm": 25.0, "collars_kg": 0.0},
    {
        "name": "Yoke bar", "mass_kg": 28.0, "shaft_mm": 32.0, "collars_kg": 0.0,
        "beyond_shoulder_m": 0.045, "forward_m": 0.02, "holds_lean_deg": 34.0, "handles": True,
    },
)  # fmt: skip
PLATES = ((25.0, 5), (20.0, 2), (15.0, 2), (10.0, 3), (5.0, 3), (2.5, 2), (1.25, 2), (0.5, 1))
KIT = ("box", "blocks", "step", "trap bar", "leg machine")
RACKS = (
    Rack("North rack", 0.62, 0.05, 24, 0.03, 1.21),
    Rack("Chimney rack", 0.70, 0.08, 14, 0.045, 1.16, 0.30, 0.10),
)


@dataclass(frozen=True)
class Trouble:
    """A fault that comes with load: id, phase, share of the max where it has an even chance."""

    fault_id: str
    phase: str
    onset_share: float
    severity: int = 2
    side: str | None = None


@dataclass(frozen=True)
class CueTrial:
    """A cue tried for the last weeks of a lift, and what it leaves of the fault's chance."""

    lift: str
    cue: str
    weeks: int
    fault_id: str
    leaves: float


@dataclass(frozen=True)
class Person:
    """One invented lifter. Segments in metres (missing ones stay estimated), maxes in kg."""

    name: str
    sex: str
    born_year: int
    mass_kg: float
    stature_m: float
    goal: str
    training_age: str
    history: str
    squat_max_kg: float
    deadlift_max_kg: float
    bar_variation: str = "competition"
    segments_m: dict[str, float] = field(default_factory=dict)
    measured: bool = True
    ankle_deg: float | None = 34.0
    closing_deg: float | None = 152.0
    hip_deg: float | None = 46.0
    rotation_deg: float | None = 48.0
    hop_m: float | None = None
    gear: str = "raw"
    grips_m: dict[str, float | None] = field(default_factory=dict)
    troubles: tuple[Trouble, ...] = ()
    pain: tuple[str, str] | None = None
    settles: bool = True
    mass_since_kg: float | None = None
    walks_out: bool = True
    idle_days: int = 2
    schools: dict[str, str] = field(default_factory=dict)
    weekly_gain: float = 0.004
    wait_s: tuple[float, float] = (2.6, 3.0)
    cue: CueTrial | None = None
    stall_kg: float | None = None
    plan_days: tuple[int, ...] = ()
    """Weekdays of the demo plan, 0 is Monday; empty: no plan yet."""


PEOPLE = (
    Person(
        "Marlow Teague", "male", 1994, 83.4, 1.752, "competition", "advanced",
        "Eight years under the bar, low bar since the second. Best meet squat 182.5 kg.",
        185.0, 222.5,
        segments_m={"thigh": 0.431, "shank": 0.428, "trunk": 0.508},
        grips_m={"low": 0.79, "high": 0.62, "front": 0.42},
        troubles=(Trouble("hips-rise", "out of the hole", 0.88),),
        plan_days=(0, 2, 3, 5),
    ),
    Person(
        "Ingrid Vastergaard", "female", 1999, 63.8, 1.694, "competition", "trained",
        "Rower before; long legs. Came to low bar last winter and has not settled.",
        104.0, 137.5,
        segments_m={"thigh": 0.447, "shank": 0.424, "trunk": 0.458, "forearm": 0.255},
        grips_m={"low": 0.76, "high": 0.60, "front": 0.40},
        troubles=(
            Trouble("bar-forward", "out of the hole", 0.86),
            Trouble("high", "bottom", 0.92),
            Trouble("hips-shoot", "off the floor", 0.88),
            Trouble("hip-shift", "out of the hole", 0.93, 1, "left"),
        ),
        plan_days=(1, 3, 5),
    ),
    Person(
        "Bastien Okafor-Lund", "male", 1991, 104.6, 1.883, "strength", "trained",
        "Tall, long thighs, strong back. Pulls far more than he squats.",
        190.0, 265.0,
        segments_m={"thigh": 0.489, "shank": 0.470, "trunk": 0.528, "upper_arm": 0.362},
        grips_m={"low": 0.88, "high": 0.70},
        plan_days=(0, 1, 3, 4),
        troubles=(
            Trouble("hips-rise", "out of the hole", 0.80),
            Trouble("knees-in", "bottom", 0.9),
            Trouble("pull-upper-round", "off the floor", 0.86),
        ),
        cue=CueTrial("squat", "chest-and-hips", 6, "hips-rise", 0.35),
    ),
    Person(
        "Petra Amaro", "female", 2001, 52.3, 1.553, "competition", "trained",
        "Gymnast until sixteen; upright, fearless, sinks deep.",
        96.0, 112.5,
        segments_m={"thigh": 0.358, "shank": 0.376, "trunk": 0.470},
        ankle_deg=42.0, closing_deg=160.0, hip_deg=58.0, bar_variation="high-bar squat",
        grips_m={"low": 0.66, "high": 0.52, "front": 0.36},
        troubles=(Trouble("too-deep", "bottom", 0.90, 1),),
    ),
    Person(
        "Dov Harrowgate", "male", 1983, 92.7, 1.801, "health", "trained",
        "Desk work, two old ankle sprains. Cannot get down in flat shoes.",
        120.0, 170.0,
        segments_m={"thigh": 0.459, "shank": 0.436, "trunk": 0.500},
        ankle_deg=14.0, closing_deg=138.0, hip_deg=38.0,
        grips_m={"low": None, "high": 0.86, "front": None},
        troubles=(Trouble("heels-up", "bottom", 0.72), Trouble("butt-wink", "bottom", 0.8)),
        settles=False,
    ),
    Person(
        "Sunniva Achterberg", "female", 1988, 72.1, 1.721, "strength", "advanced",
        "Back after a winter of climbing. The left knee has been sore since the box jumps.",
        125.0, 160.0,
        segments_m={"thigh": 0.420, "shank": 0.424, "trunk": 0.497},
        grips_m={"low": 0.74, "high": 0.58, "front": 0.40},
        troubles=(Trouble("knees-stay", "out of the hole", 0.85, 1),),
        plan_days=(0, 3),
        pain=("knee", "Sore below the left kneecap on the way up, since the third week."),
    ),
    Person(
        "Theo Rowan-Mbali", "male", 2006, 70.2, 1.784, "strength", "novice",
        "Six weeks in the gym. No tape measure yet: all lengths estimated.",
        82.5, 105.0,
        measured=False, ankle_deg=None, closing_deg=None, hip_deg=None, rotation_deg=None,
        troubles=(
            Trouble("loose-brace", "bottom", 0.9, 1),
            Trouble("knees-first", "descent", 0.9, 1),
        ),
        settles=False, weekly_gain=0.018,
    ),
    Person(
        "Calloway Strand", "male", 1979, 118.3, 1.829, "competition", "advanced",
        "Lifts from the monolift; the right elbow bears no low bar. Gained since the fit.",
        240.0, 270.0,
        segments_m={"thigh": 0.440, "shank": 0.446, "trunk": 0.541},
        grips_m={"low": None, "middle": None, "high": 0.78}, walks_out=False, mass_since_kg=123.9,
        gear="suit", hop_m=0.47,
        schools={"squat_width": "wide"},
        troubles=(
            Trouble("upper-round", "out of the hole", 0.88),
            Trouble("hips-shoot", "off the floor", 0.92),
        ),
        idle_days=13, wait_s=(3.1, 9.4), stall_kg=275.0,
    ),
    Person(
        "Maximiliane-Theodora Featherstone-Quartermaine van der Veldt", "female", 1996, 84.2, 1.703,
        "muscle", "trained",
        "Trains for size and enjoys all bars. Wants one squat to keep.",
        132.5, 165.0,
        segments_m={"thigh": 0.414, "shank": 0.417, "trunk": 0.489},
        grips_m={"low": 0.80, "high": 0.64, "front": 0.44},
        troubles=(Trouble("upper-round", "out of the hole", 0.90),),
    ),
)  # fmt: skip
