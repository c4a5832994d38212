"""The words that people read: a folder for each language, in it a file for each part of the trade.

No text stands where something is decided; another language is another folder of the same files.
In a text ``{on!d}`` is a day as people write it, ``{on!n}`` one near by, ``{on!w}`` names its
weekday.
"""

import json
import string
from collections.abc import Callable, Iterable
from datetime import date
from importlib.resources import files
from typing import Any

LANGUAGE = "en"


def texts(language: str) -> dict[str, str]:
    """Every text of a language by ``part.name``."""
    return {
        f"{file.name.removesuffix('.json')}.{name}": text
        for file in files(__package__).joinpath(language).iterdir()
        for name, text in json.loads(file.read_text("utf-8")).items()
    }


def _day(on: date) -> str:
    return f"{on.day} {on:%b %Y}"


def _near(on: date) -> str:
    return f"{on.day} {on:%b}"


def _weekday(on: date) -> str:
    return f"{on:%a} {_near(on)}"


_DAYS: dict[str, Callable[[date], str]] = {"d": _day, "n": _near, "w": _weekday}


class _WithDays(string.Formatter):
    """The usual fields, and days: dates, or their ISO form."""

    def convert_field(self, value: Any, conversion: Any) -> Any:
        if conversion not in _DAYS:
            return super().convert_field(value, conversion)
        return _DAYS[conversion](date.fromisoformat(value) if isinstance(value, str) else value)


_TEXTS = texts(LANGUAGE)
_with_days = _WithDays()


def say(text: str, **named: object) -> str:
    """A text in the reader's language, with what it names. Raises KeyError for one that is not
    known."""
    template = _TEXTS[text]
    if "!" in template:
        return _with_days.format(template, **named)
    return template.format(**named)


def all_of(names: Iterable[str]) -> str:
    """Names in a row: "knee and hip"."""
    return say("lists.all_of").join(names)


def one_of(names: Iterable[str]) -> str:
    """Names to choose from: "low bar or middle bar"."""
    return say("lists.one_of").join(names)
