"""The predicted max and its limiter over two of a set-up's axes, as a table."""

from dataclasses import dataclass


@dataclass(frozen=True)
class SetupMap:
    """Rows run along ``across``, columns along stance. ``kg`` is 0 and ``limit`` names the limit
    that forbids it where a cell is not feasible, else the limiter."""

    across: str
    rows: list[str]
    stance_m: list[float]
    kg: list[list[float]]
    limit: list[list[str]]
