"""Stored JSON and the version of its form.

Plans, settled set-ups, prescribed loads and answers kept for a repeated request are stored with the
version of their form and read through :func:`current`. A change of form is one function here; rows
that were written before it stay as they are.
"""

from collections.abc import Callable, Mapping
from typing import Any

from pavrik.words import say

JSON_VERSION = 3
"""The form in which JSON is stored now."""


def _reasons_named(value: Any) -> Any:
    """Version 2 calls a reason ``reason`` and several ``reasons``; version 1 said ``because``."""
    if isinstance(value, list):
        return [_reasons_named(item) for item in value]
    if not isinstance(value, dict):
        return value
    renamed = {}
    for key, item in value.items():
        name = key
        if key == "because":
            name = "reason" if isinstance(item, str) else "reasons"
        renamed[name] = _reasons_named(item)
    return renamed


def _verdict_of_a_kind(value: Any) -> Any:
    """Version 3 gives a verdict its kind; version 2 said whether it was a toss-up."""
    if not (isinstance(value, dict) and "toss_up" in value):
        return value
    kind = "worth_a_trial" if value["toss_up"] else "clear"
    rest = {name: item for name, item in value.items() if name != "toss_up"}
    return {**rest, "verdict": {"kind": kind, "sentence": value["verdict"]}}


_STEPS: Mapping[int, Callable[[Any], Any]] = {1: _reasons_named, 2: _verdict_of_a_kind}


def current(value: Any, version: int) -> Any:
    """Stored JSON in today's form. Raises ValueError where it is newer than this program."""
    if version > JSON_VERSION:
        raise ValueError(
            say("formats.stored_form_newer_pavrik", version=version, json_version=JSON_VERSION)
        )
    for step in range(version, JSON_VERSION):
        value = _STEPS[step](value)
    return value
