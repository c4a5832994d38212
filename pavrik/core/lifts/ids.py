"""The competition lifts that there are, in the order of the day: the one place that names them."""

from typing import Literal, get_args

Lift = Literal["squat", "deadlift"]
LIFTS: tuple[str, ...] = get_args(Lift)
