"""Sizes of what a film tells, as a coach says them."""

from pavrik.formats.wire.watch import FindingOut
from pavrik.words import say


def size_text(one: FindingOut, value: float | None) -> str:
    """A size with its unit."""
    if value is None:
        return say("formats.not_seen")
    if one.unit == "m":
        return f"{value * 100:.1f} cm"
    return f"{value:.1f}°" if one.unit == "deg" else f"{value:.2f} s"


def in_rep(one: FindingOut, rep: int) -> str:
    """The size of a finding in a rep, with what it is the size of."""
    value = one.by_rep[rep - 1]
    return size_text(one, value) if value is None else f"{size_text(one, value)} {one.says}"


def whose(one: FindingOut) -> str:
    """A finding by its name, and the lifter's own side where it has one."""
    return f"{one.name}, {one.side}" if one.side else one.name
