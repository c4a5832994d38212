"""Requests of the public computations that take either lift, told apart by ``lift``."""

from typing import Annotated

from pydantic import Field

from pavrik.formats.model.deadlift_answers import DeadliftAtLoadRequest, DeadliftCostRequest
from pavrik.formats.model.lift_answers import CostRequest, SquatAtLoadRequest
from pavrik.formats.model.requests import (
    DeadliftFitRequest,
    DeadliftPoseRequest,
    SquatFitRequest,
    SquatPoseRequest,
)

PoseRequest = Annotated[SquatPoseRequest | DeadliftPoseRequest, Field(discriminator="lift")]
AnyFitRequest = Annotated[SquatFitRequest | DeadliftFitRequest, Field(discriminator="lift")]
AtLoadRequest = Annotated[SquatAtLoadRequest | DeadliftAtLoadRequest, Field(discriminator="lift")]
AnyCostRequest = Annotated[CostRequest | DeadliftCostRequest, Field(discriminator="lift")]
