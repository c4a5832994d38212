"""The catalogue, the club's own library, schools, assumptions."""

from fastapi import APIRouter

from pavrik.api.security import DatabaseIn, KeyIn, WhoIn
from pavrik.core.assumptions import Assumption, collected
from pavrik.core.faults.catalogue import PURPOSES
from pavrik.core.faults.schools import shipped_schools
from pavrik.formats.wire.library import (
    CatalogueAnswer,
    KeptAnswer,
    LibraryFile,
    SchoolsAnswer,
)
from pavrik.services.club import library
from pavrik.services.facts import Entry

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
