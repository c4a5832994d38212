"""The catalogue, schools, assumptions, equipment, and the model's public computations."""

from typing import Any

from fastapi import APIRouter

from pavrik.api.club.library_schemas import (
    CatalogueAnswer,
    KeptAnswer,
    LibraryFile,
    SchoolsAnswer,
)
from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.core.assumptions import Assumption, collected
from pavrik.core.faults.catalogue import PURPOSES
from pavrik.core.faults.schools import shipped_schools
from pavrik.formats.model.answers import FitAnswer, PlatesAnswer, PoseAnswer
from pavrik.formats.model.computations import (
    AnyCostRequest,
    AnyFitRequest,
    AtLoadRequest,
    PoseRequest,
)
from pavrik.formats.model.deadlift_answers import DeadliftFitAnswer, StartAnswer
from pavrik.formats.model.lift_answers import CostAnswer, PathAnswer
from pavrik.formats.model.requests import PlatesRequest
from pavrik.formats.plan_request import PublicPlanAnswer, PublicPlanRequest
from pavrik.services.club import library
from pavrik.services.compute import by_lift, model, plan
from pavrik.services.facts import Entry
from pavrik.services.setups import analysis

router = APIRouter(prefix="/api", tags=["library"])


@router.get("/catalogue", response_model=CatalogueAnswer)
def read_catalogue(database: DatabaseIn, who: WhoIn) -> Any:
    """Faults, causes and remedies, shipped and the club's own."""
    catalogue = library.read_catalogue(database, who)
    return {
        "version": catalogue.version,
        "phases": catalogue.phases,
        "faults": [vars(fault) for fault in catalogue.faults.values()],
        "causes": [vars(cause) for cause in catalogue.causes.values()],
        "remedies": [vars(remedy) for remedy in catalogue.remedies.values()],
        "own": sorted(catalogue.own),
        "hidden": sorted(catalogue.hidden),
        "purposes": list(PURPOSES),
    }


@router.get("/library/own", response_model=LibraryFile)
def export_library(database: DatabaseIn, who: WhoIn) -> Any:
    """The club's own entries and what it hides, as a file that can be imported again."""
    entries = library.own_entries(database, who)
    return {"entries": [vars(e) for e in entries]}


@router.post("/library/own", response_model=KeptAnswer)
def import_library(body: LibraryFile, database: DatabaseIn, who: WhoIn, key: KeyIn) -> Any:
    """Add, change or hide entries: all of them, or none with every reason."""
    entries = [Entry(**entry.model_dump(by_alias=True)) for entry in body.entries]
    return library.save_entries(database, who, key, entries)


@router.get("/schools", response_model=SchoolsAnswer)
def read_schools(database: DatabaseIn, who: WhoIn) -> Any:
    """Schools and the club's choices."""
    return {
        "schools": [
            {**vars(school), "positions": [vars(p) for p in school.positions]}
            for school in shipped_schools().values()
        ],
        "club": library.clubs_schools(database, who),
    }


@router.get("/assumptions")
def read_assumptions(_: WhoIn) -> list[Assumption]:
    """Every starting value of Pavrik's own, the model's first."""
    return collected()


@router.post("/compute/pose")
def compute_pose(body: PoseRequest, _: WhoIn) -> PoseAnswer:
    """The ``pavrik pose`` computation."""
    return model.pose(body)


@router.post("/compute/fit")
def compute_fit(body: AnyFitRequest, _: WhoIn) -> FitAnswer | DeadliftFitAnswer:
    """The ``pavrik fit`` computation."""
    return by_lift.fit(body)


@router.post("/compute/path")
def compute_path(body: AtLoadRequest, _: WhoIn) -> PathAnswer | StartAnswer:
    """The ``pavrik path`` computation."""
    return by_lift.path(body)


@router.post("/compute/cost")
def compute_cost(body: AnyCostRequest, _: WhoIn) -> CostAnswer:
    """The ``pavrik cost`` computation."""
    return analysis.cost(body)


@router.post("/compute/plan")
def compute_plan(body: PublicPlanRequest, _: WhoIn) -> PublicPlanAnswer:
    """The ``pavrik plan`` computation."""
    return plan.plan(body)


@router.post("/compute/plates")
def compute_plates(body: PlatesRequest, _: WhoIn) -> PlatesAnswer:
    """The ``pavrik plates`` computation."""
    return model.plates(body)
