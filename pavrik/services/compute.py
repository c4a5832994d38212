"""The public computations that take either lift, told apart by the request's ``lift``."""

from collections.abc import Callable, Mapping
from typing import Any

from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.squat.squat import SQUAT
from pavrik.formats.computations import AnyFitRequest, AtLoadRequest
from pavrik.formats.deadlift import DeadliftFitAnswer, StartAnswer
from pavrik.formats.model_answers import FitAnswer
from pavrik.formats.squat_study import PathAnswer
from pavrik.services import deadlift_public, model, study

_FIT: Mapping[str, Callable[[Any], FitAnswer | DeadliftFitAnswer]] = {
    SQUAT.id: model.fit,
    DEADLIFT.id: deadlift_public.fit,
}
_PATH: Mapping[str, Callable[[Any], PathAnswer | StartAnswer]] = {
    SQUAT.id: study.path,
    DEADLIFT.id: deadlift_public.path,
}


def fit(request: AnyFitRequest) -> FitAnswer | DeadliftFitAnswer:
    """The ``pavrik fit`` computation."""
    return _FIT[request.lift](request)


def path(request: AtLoadRequest) -> PathAnswer | StartAnswer:
    """The ``pavrik path`` computation."""
    return _PATH[request.lift](request)
