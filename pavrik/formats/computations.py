"""Requests of the public computations that take either lift, told apart by ``lift``."""

from typing import Annotated

from pydantic import Field

from pavrik.formats.model_requests import (
    PullFitRequest,
    PullPoseRequest,
    SquatFitRequest,
    SquatPoseRequest,
)
from pavrik.formats.pull import PullAtLoadRequest, PullCostRequest
from pavrik.formats.squat_study import CostRequest, SquatAtLoadRequest

PoseRequest = Annotated[SquatPoseRequest | PullPoseRequest, Field(discriminator="lift")]
AnyFitRequest = Annotated[SquatFitRequest | PullFitRequest, Field(discriminator="lift")]
AtLoadRequest = Annotated[SquatAtLoadRequest | PullAtLoadRequest, Field(discriminator="lift")]
AnyCostRequest = Annotated[CostRequest | PullCostRequest, Field(discriminator="lift")]
