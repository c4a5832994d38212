"""Shapes of a season that a club can choose: shipped ones and its own; what a draft comes to."""

from collections.abc import Mapping
from statistics import median

from pavrik.core.prescription.shape import PARTS, Dose, Shape, WeekRole, read_shape, shipped_shapes
from pavrik.core.prescription.shape_outlook import outline, remarks
from pavrik.core.simulation.proof import ask_of, tell
from pavrik.errors import InvalidError
from pavrik.formats.dose_words import dose_words, read_doses
from pavrik.formats.wire.shapes import (
    CellProblem,
    OutlinedDose,
    OutlinedWeek,
    ShapeLook,
    ShapeOut,
    ShapeText,
    StoryAnswer,
    StoryRequest,
    body_of,
    text_of,
)
from pavrik.services.context import Who
from pavrik.store import library
from pavrik.store.database import Connection, Database
from pavrik.words import say

KIND = "shape"
DRAFT = "own-draft"
ONE_DOSE = say("plans.dose_stands_here_not")


def _entries(connection: Connection) -> list[library.Entry]:
    return [entry for entry in library.list_entries(connection) if entry.kind == KIND]


def _read(entry: library.Entry) -> Shape:
    return read_shape({"id": entry.ident, **(entry.body or {})})


def list_shapes(database: Database, who: Who) -> list[ShapeOut]:
    """Shipped ones first, then the club's own; hidden ones are marked."""
    with database.reading(who.club_id) as connection:
        entries = {entry.ident: entry for entry in _entries(connection)}
    own = [_read(entry) for entry in entries.values() if entry.body is not None]
    hidden = {ident for ident, entry in entries.items() if entry.hidden}
    return [
        ShapeOut(
            id=shape.id, name=shape.name, words=shape.words, own=shape.id in entries and ours,
            hidden=shape.id in hidden, text=text_of(shape),
        )
        for ours, shapes in ((False, shipped_shapes().values()), (True, own))
        for shape in shapes
    ]  # fmt: skip


def own_shape(connection: Connection, shape_id: str) -> Shape | None:
    """The club's own shape of that name, None for a shipped one. Raises InvalidError where there
    is neither."""
    if shape_id in shipped_shapes():
        return None
    for entry in _entries(connection):
        if entry.ident == shape_id and entry.body is not None:
            return _read(entry)
    raise InvalidError(
        say(
            "plans.there_no_shape_choose",
            shape_id=shape_id,
            shipped_shapes=", ".join(shipped_shapes()),
        ),
        "shape",
    )


class _Draft:
    """A draft that is read cell by cell, and what is wrong with it."""

    def __init__(self) -> None:
        self.problems: list[CellProblem] = []

    def doses(self, where: str, cell: str, most: int | None = None) -> list[dict[str, object]]:
        try:
            doses = read_doses(cell)
        except ValueError as error:
            self.problems.append(CellProblem(where=where, words=str(error)))
            return []
        if most is not None and len(doses) > most:
            self.problems.append(CellProblem(where=where, words=say("plans.dose_stands_here_not")))
        return [_given(dose) for dose in doses]

    def side(self, part: str, cells: Mapping[WeekRole, str]) -> dict[str, object]:
        """The doses of the second or the volume day, by role."""
        read = {role: self.doses(f"{part} {role}", cell, 1) for role, cell in cells.items()}
        return {role: doses[0] for role, doses in read.items() if doses}


def _given(dose: Dose) -> dict[str, object]:
    effort = {"rpe": dose.rpe} if dose.share is None else {"share": dose.share}
    return {"sets": dose.sets, "reps": dose.reps, **effort}


def _shape_of(text: ShapeText) -> tuple[Shape | None, list[CellProblem]]:
    """The shape of a draft, or every problem with its place."""
    draft = _Draft()
    main = {
        role: [
            draft.doses(say("prescription.main_role_week", role=role, week=week), cell)
            for week, cell in enumerate(cells, start=1)
        ]
        for role, cells in text.main.items()
    }
    given = text.model_dump(include={"name", "words", "light_every", "rotates_weeks", "days"})
    second, volume = draft.side("second", text.second), draft.side("volume", text.volume)
    given |= {"id": DRAFT, "main": main, "second": second, "volume": volume}
    if draft.problems:
        return None, draft.problems
    try:
        return read_shape(given), []
    except ValueError as error:
        told = [line.removeprefix(f"{DRAFT}: ") for line in str(error).splitlines()]
        return None, [_placed(line) for line in told]


def _placed(problem: str) -> CellProblem:
    """A problem with the cell that it begins with, where it is one of a cell."""
    where, _, words = problem.partition(": ")
    part, *at = where.split()
    if part not in PARTS or not words:
        return CellProblem(where="", words=problem)
    return CellProblem(
        where=f"{where} 1" if part == "main" and len(at) == 1 else where, words=words
    )


def _dose_out(dose: Dose) -> OutlinedDose:
    return OutlinedDose(words=dose_words(dose), share=dose.load_share(), reps=dose.sets * dose.reps)


def look_at(text: ShapeText) -> ShapeLook:
    """What a draft comes to. Nothing is kept."""
    shape, problems = _shape_of(text)
    if shape is None:
        return ShapeLook(body=None, problems=problems, remarks=[], outline=[])
    weeks = [
        OutlinedWeek(
            number=week.number, role=week.role, main=[_dose_out(dose) for dose in week.main],
            second=_dose_out(week.second),
            volume=_dose_out(week.volume) if week.volume is not None else None,
        )
        for week in outline(shape)
    ]  # fmt: skip
    return ShapeLook(body=body_of(shape), problems=[], remarks=remarks(shape), outline=weeks)


def story(request: StoryRequest) -> StoryAnswer:
    """A made-up lifter who does what plans of this shape say."""
    shape = request.shape.as_shape(DRAFT)
    told = tell(shape, request.number)
    return StoryAnswer(
        number=request.number, days_a_week=len(ask_of(shape, request.number).weekdays),
        within_three=told.planned_within_three, climbed=median(told.climbed),
        attempts_off=median(map(abs, told.attempts)), missed=told.missed, heavy=told.heavy,
        too_near=told.too_near,
    )  # fmt: skip
