"""Every value of the core is frozen: an answer that was given cannot be changed by who holds it."""

import dataclasses
import importlib
import inspect
import pkgutil

import pavrik.core


def values_of_the_core():
    for module in pkgutil.walk_packages(pavrik.core.__path__, "pavrik.core."):
        for _, kind in inspect.getmembers(importlib.import_module(module.name), inspect.isclass):
            if kind.__module__ == module.name and dataclasses.is_dataclass(kind):
                yield kind


def test_no_value_of_the_core_can_be_changed():
    found = set(values_of_the_core())
    assert len(found) > 80, "the walk finds the core"
    loose = [kind.__qualname__ for kind in found if not kind.__dataclass_params__.frozen]
    assert loose == []
