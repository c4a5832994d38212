"""The public computations that take either lift, told apart by the request's ``lift``."""

from collections.abc import Callable, Mapping
from typing import Any

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.model.answers import FitAnswer
from pavrik.formats.model.computations import AnyFitRequest, AtLoadRequest
from pavrik.formats.model.deadlift_answers import DeadliftFitAnswer, StartAnswer
from pavrik.formats.model.lift_answers import PathAnswer
from pavrik.services.compute import deadlift, model
from pavrik.services.setups import analysis

_FIT: Mapping[str, Callable[[Any], FitAnswer | DeadliftFitAnswer]] = {
    SQUAT.id: model.fit,
    DEADLIFT.id: deadlift.fit,
}
_PATH: Mapping[str, Callable[[Any], PathAnswer | StartAnswer]] = {
    SQUAT.id: analysis.path,
    DEADLIFT.id: deadlift.path,
}


def fit(request: AnyFitRequest) -> FitAnswer | DeadliftFitAnswer:
    """The ``pavrik fit`` computation."""
    return _FIT[request.lift](request)


def path(request: AtLoadRequest) -> PathAnswer | StartAnswer:
    """The ``pavrik path`` computation."""
    return _PATH[request.lift](request)
