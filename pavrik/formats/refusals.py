"""Pydantic's failures in words: the fact, the number with its unit, the remedy."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

from pydantic_core import ErrorDetails

from pavrik.core.units import KG_PER_LB, M_PER_IN
from pavrik.words import say

_UNITS = {"_kg": "kg", "_m": "m", "_cm": "cm", "_deg": "°", "_s": "s", "_mm": "mm"}


def _unit_of(location: Sequence[int | str]) -> str:
    names = [part for part in location if isinstance(part, str)]
    name = names[-1] if names else ""
    return next((unit for suffix, unit in _UNITS.items() if name.endswith(suffix)), "")


def _with_unit(value: Any, unit: str) -> str:
    """A number as a coach reads it: metres in cm and inches, kilograms in kg and pounds."""
    if not isinstance(value, int | float) or isinstance(value, bool):
        return f"“{value}”"
    if unit == "m":
        return say("formats.cm_in", cm=value * 100, inches=value / M_PER_IN)
    if unit == "kg":
        return say("formats.kg_lb", kg=value, pounds=value / KG_PER_LB)
    return f"{value:g}{unit}" if unit == "°" else f"{value:g} {unit}".strip()


def _beyond(side: str, bound: str) -> Callable[[ErrorDetails, Mapping[str, Any], str], str]:
    def words(error: ErrorDetails, context: Mapping[str, Any], unit: str) -> str:
        given = _with_unit(error["input"], unit)
        return say(
            "formats.check_number_unit",
            given=given,
            side=side,
            with_unit=_with_unit(context[bound], unit),
        )

    return words


def _length(side: str, bound: str) -> Callable[[ErrorDetails, Mapping[str, Any], str], str]:
    def words(error: ErrorDetails, context: Mapping[str, Any], _: str) -> str:
        if context[bound] == 1 and side == "at least":
            return say("formats.may_not_empty_fill")
        what = "letters" if isinstance(error["input"], str) else "entries"
        return say("formats.this_takes", side=side, context=context[bound], what=what)

    return words


_WORDS: dict[str, Callable[[ErrorDetails, Mapping[str, Any], str], str]] = {
    "greater_than_equal": _beyond(say("formats.less_least_taken"), "ge"),
    "greater_than": _beyond(say("formats.not_above"), "gt"),
    "less_than_equal": _beyond(say("formats.more_most_taken"), "le"),
    "less_than": _beyond(say("formats.not_below"), "lt"),
    "string_too_short": _length("at least", "min_length"),
    "too_short": _length("at least", "min_length"),
    "string_too_long": _length(say("formats.at_most"), "max_length"),
    "too_long": _length(say("formats.at_most"), "max_length"),
    "missing": lambda *_: say("formats.missing_give"),
    "extra_forbidden": lambda *_: say("formats.there_no_field_name"),
    "literal_error": lambda e, c, _: say("formats.is_not_one_of", e=e["input"], c=c["expected"]),
    "float_parsing": lambda e, *_: say("formats.not_number_write_like", e=e["input"]),
    "float_type": lambda e, *_: say("formats.not_number_write_like", e=e["input"]),
    "int_parsing": lambda e, *_: say("formats.not_whole_number", e=e["input"]),
    "int_from_float": lambda e, *_: say("formats.not_whole_number_2", value=e["input"]),
    "finite_number": lambda *_: say("formats.not_finite_number_give"),
}


def sentence(error: ErrorDetails) -> str:
    """What is wrong with one field and what to do; pydantic's own words where none fit."""
    words = _WORDS.get(error["type"])
    if words is None:
        return error["msg"].removeprefix("Value error, ")
    return words(error, error.get("ctx", {}), _unit_of(error["loc"]))
