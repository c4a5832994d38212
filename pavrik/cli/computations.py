"""The public computations by name: JSON in, JSON out."""

import json
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Any

from pydantic import BaseModel, TypeAdapter, ValidationError

from pavrik.errors import BadInputError
from pavrik.formats.model.computations import (
    AnyCostRequest,
    AnyFitRequest,
    AtLoadRequest,
    PoseRequest,
)
from pavrik.formats.model.picture import LengthsRequest, PictureRequest
from pavrik.formats.model.requests import PlatesRequest
from pavrik.formats.plan_request import PublicPlanRequest
from pavrik.formats.refusals import sentence
from pavrik.formats.wire.shapes import StoryRequest
from pavrik.formats.wire.watch_compute import WatchRequest
from pavrik.services.compute import by_lift, model, picture, plan, watch
from pavrik.services.plans import shapes
from pavrik.services.setups import analysis

COMPUTATIONS: dict[str, tuple[Any, Callable[[Any], BaseModel]]] = {
    "pose": (PoseRequest, model.pose),
    "fit": (AnyFitRequest, by_lift.fit),
    "path": (AtLoadRequest, by_lift.path),
    "cost": (AnyCostRequest, analysis.cost),
    "plan": (PublicPlanRequest, plan.plan),
    "story": (StoryRequest, shapes.story),
    "watch": (WatchRequest, watch.watch),
    "picture": (PictureRequest, picture.picture),
    "lengths": (LengthsRequest, picture.lengths),
    "plates": (PlatesRequest, model.plates),
}


def _one_line(error: ValidationError) -> str:
    return "; ".join(
        f"{'.'.join(str(part) for part in e['loc']) or 'input'}: {sentence(e)}"
        for e in error.errors()
    )


def _read(file: str) -> Any:
    try:
        text = sys.stdin.read() if file == "-" else Path(file).read_text(encoding="utf-8")
    except (OSError, UnicodeDecodeError) as error:
        raise BadInputError(f"cannot read {file}: {error}") from error
    try:
        return json.loads(text)
    except ValueError as error:
        raise BadInputError(f"{file} is not JSON: {error}") from error


def print_answer(name: str, file: str) -> None:
    """The answer to a request in a file, printed. Raises BadInputError with one line."""
    request_type, service = COMPUTATIONS[name]
    request = _read(file)
    try:
        answer = service(TypeAdapter(request_type).validate_python(request))
    except ValidationError as error:
        raise BadInputError(_one_line(error)) from error
    except ValueError as error:
        raise BadInputError("; ".join(str(error).splitlines())) from error
    print(answer.model_dump_json(indent=2))
