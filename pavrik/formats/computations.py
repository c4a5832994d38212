"""Requests of the public computations that take either lift, told apart by ``lift``."""

from typing import Annotated

from pydantic import Field

from pavrik.formats.deadlift import DeadliftAtLoadRequest, DeadliftCostRequest
from pavrik.formats.model_requests import (
    DeadliftFitRequest,
    DeadliftPoseRequest,
    SquatFitRequest,
    SquatPoseRequest,
)
from pavrik.formats.squat_study import CostRequest, SquatAtLoadRequest

PoseRequest = Annotated[SquatPoseRequest | DeadliftPoseRequest, Field(discriminator="lift")]
AnyFitRequest = Annotated[SquatFitRequest | DeadliftFitRequest, Field(discriminator="lift")]
AtLoadRequest = Annotated[SquatAtLoadRequest | DeadliftAtLoadRequest, Field(discriminator="lift")]
AnyCostRequest = Annotated[CostRequest | DeadliftCostRequest, Field(discriminator="lift")]
