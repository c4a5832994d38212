"""Pydantic's failures in words: the fact, the number with its unit, the remedy."""

from collections.abc import Callable, Mapping, Sequence
from typing import Any

from pydantic_core import ErrorDetails

from pavrik.core.units import KG_PER_LB, M_PER_IN

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
        return f"{value * 100:.4g} cm ({value / M_PER_IN:.3g} in)"
    if unit == "kg":
        return f"{value:g} kg ({value / KG_PER_LB:.3g} lb)"
    return f"{value:g}{unit}" if unit == "°" else f"{value:g} {unit}".strip()


def _beyond(side: str, bound: str) -> Callable[[ErrorDetails, Mapping[str, Any], str], str]:
    def words(error: ErrorDetails, context: Mapping[str, Any], unit: str) -> str:
        given = _with_unit(error["input"], unit)
        return (
            f"{given} is {side} {_with_unit(context[bound], unit)}: check the number and its unit"
        )

    return words


def _length(side: str, bound: str) -> Callable[[ErrorDetails, Mapping[str, Any], str], str]:
    def words(error: ErrorDetails, context: Mapping[str, Any], _: str) -> str:
        if context[bound] == 1 and side == "at least":
            return "this may not be empty: fill it in"
        what = "letters" if isinstance(error["input"], str) else "entries"
        return f"this takes {side} {context[bound]} {what}"

    return words


_WORDS: dict[str, Callable[[ErrorDetails, Mapping[str, Any], str], str]] = {
    "greater_than_equal": _beyond("less than the least that is taken,", "ge"),
    "greater_than": _beyond("not above", "gt"),
    "less_than_equal": _beyond("more than the most that is taken,", "le"),
    "less_than": _beyond("not below", "lt"),
    "string_too_short": _length("at least", "min_length"),
    "too_short": _length("at least", "min_length"),
    "string_too_long": _length("at most", "max_length"),
    "too_long": _length("at most", "max_length"),
    "missing": lambda *_: "this is missing: give it",
    "extra_forbidden": lambda *_: "there is no field of this name here: correct or remove it",
    "literal_error": lambda e, c, _: f"“{e['input']}” is not one of {c['expected']}",
    "float_parsing": lambda e, *_: f"“{e['input']}” is not a number: write it like 82.5",
    "float_type": lambda e, *_: f"“{e['input']}” is not a number: write it like 82.5",
    "int_parsing": lambda e, *_: f"“{e['input']}” is not a whole number",
    "int_from_float": lambda e, *_: f"{e['input']:g} is not a whole number",
    "finite_number": lambda *_: "this is not a finite number: give one",
}


def sentence(error: ErrorDetails) -> str:
    """What is wrong with one field and what to do; pydantic's own words where none fit."""
    words = _WORDS.get(error["type"])
    if words is None:
        return error["msg"].removeprefix("Value error, ")
    return words(error, error.get("ctx", {}), _unit_of(error["loc"]))
