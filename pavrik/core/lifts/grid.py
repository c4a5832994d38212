"""The set-ups that are looked at: every style, every value of every axis."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from itertools import product
from math import prod
from typing import Generic

from pavrik.core.lifts.candidate import S
from pavrik.core.lifts.lift import Lift


@dataclass(frozen=True)
class SetupGrid(Generic[S]):
    """The axes of a search. ``chosen`` by axis id (values in the axis's unit) counts before a
    style's own values and those before the axis's; empty ``styles`` are those that a fit ranks."""

    lift: Lift[S]
    styles: tuple[str, ...] = ()
    chosen: Mapping[str, tuple[float, ...]] = field(default_factory=dict)

    def __len__(self) -> int:
        return sum(prod(map(len, self._values(style).values())) for style in self._styles())

    def setups(self) -> list[S]:
        """Every set-up, style slowest, then the axes in their order."""
        return [setup for style in self._styles() for setup in self._of(style)]

    def coarse(self) -> list[S]:
        """Every second stance and toe angle, and the first value of what a lever moves."""
        moved = {lever.id for lever in self.lift.levers}
        found: list[S] = []
        for style in self._styles():
            values = self._values(style)
            fewer = {name: some[:1] for name, some in values.items() if name in moved}
            fewer |= {name: values[name][::2] for name in ("stance_m", "toe_out_deg")}
            found += replace(self, styles=(style,), chosen={**self.chosen, **fewer}).setups()
        return found

    def _styles(self) -> tuple[str, ...]:
        return self.styles or self.lift.searched

    def _values(self, style: str) -> dict[str, tuple[float, ...]]:
        own = self.lift.styles[style]
        found: dict[str, tuple[float, ...]] = {}
        for axis in self.lift.axes:
            if axis.id in own.fixed:
                found[axis.id] = (own.fixed[axis.id],)
                continue
            values = self.chosen.get(axis.id) or own.grid.get(axis.id) or axis.grid
            if values:
                found[axis.id] = values
        return found

    def _of(self, style: str) -> list[S]:
        axes = [(self.lift.axis(name), values) for name, values in self._values(style).items()]
        fields = [axis.field for axis, _ in axes]
        columns = [[axis.inside(value) for value in values] for axis, values in axes]
        named = {self.lift.style_field: style}
        return [
            self.lift.setup_type(**named, **dict(zip(fields, chosen, strict=True)))
            for chosen in product(*columns)
        ]
