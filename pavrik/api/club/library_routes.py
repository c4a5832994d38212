"""The catalogue, schools, assumptions, equipment, and the model's public computations."""

from fastapi import APIRouter

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
from pavrik.formats.wire.library import (
    CatalogueAnswer,
    KeptAnswer,
    LibraryFile,
    SchoolsAnswer,
)
from pavrik.formats.wire.watch_compute import WatchAnswer, WatchRequest
from pavrik.services.club import library
from pavrik.services.compute import by_lift, model, plan, watch
from pavrik.services.facts import Entry
from pavrik.services.setups import analysis

router = APIRouter(prefix="/api", tags=["library"])


@router.get("/catalogue")
def read_catalogue(database: DatabaseIn, who: WhoIn) -> CatalogueAnswer:
    """Faults, causes and remedies, shipped and the club's own."""
    catalogue = library.read_catalogue(database, who)
    told: dict[str, object] = {
        kind: list(getattr(catalogue, kind).values()) for kind in ("faults", "causes", "remedies")
    }
    told |= {"version": catalogue.version, "phases": catalogue.phases, "purposes": PURPOSES}
    told |= {"own": sorted(catalogue.own), "hidden": sorted(catalogue.hidden)}
    return CatalogueAnswer.model_validate(told, from_attributes=True)


@router.get("/library/own")
def export_library(database: DatabaseIn, who: WhoIn) -> LibraryFile:
    """The club's own entries and what it hides, as a file that can be imported again."""
    entries = library.own_entries(database, who)
    return LibraryFile.model_validate({"entries": [vars(e) for e in entries]})


@router.post("/library/own")
def import_library(body: LibraryFile, database: DatabaseIn, who: WhoIn, key: KeyIn) -> KeptAnswer:
    """Add, change or hide entries: all of them, or none with every reason."""
    entries = [Entry(**entry.model_dump(by_alias=True)) for entry in body.entries]
    return library.save_entries(database, who, key, entries)


@router.get("/schools")
def read_schools(database: DatabaseIn, who: WhoIn) -> SchoolsAnswer:
    """Schools and the club's choices."""
    shipped = list(shipped_schools().values())
    told = {"schools": shipped, "club": library.clubs_schools(database, who)}
    return SchoolsAnswer.model_validate(told, from_attributes=True)


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


@router.post("/compute/watch")
def compute_watch(body: WatchRequest, _: WhoIn) -> WatchAnswer:
    """The ``pavrik watch`` computation."""
    return watch.watch(body)


@router.post("/compute/plates")
def compute_plates(body: PlatesRequest, _: WhoIn) -> PlatesAnswer:
    """The ``pavrik plates`` computation."""
    return model.plates(body)
