"""What a fault leaves of the predicted max, the same for both lifts."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Price:
    """One fault: before and after in kg and what limits; ``most_moved`` the capacity whose use at
    the load rises most, with its share before and after."""

    fault_id: str
    words: str
    amount: float
    before_kg: float
    after_kg: float
    limiter_before: str
    limiter_after: str
    most_moved: tuple[str, float, float]

    @property
    def lost_kg(self) -> float:
        return self.before_kg - self.after_kg

    @property
    def lost_share(self) -> float:
        return self.lost_kg / self.before_kg if self.before_kg > 0 else 0.0


def one_leg_share(shift_m: float, stance_m: float) -> float:
    """What one leg bears when the mass centre is that far off the middle of the stance."""
    return min(0.5 + shift_m / max(stance_m, 0.1), 1.0)
