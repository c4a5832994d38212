"""What a lifter is told on a day: at most two cues, the one on trial first, then those for the
faults seen most, and checks before the set. Nothing is told of a cause that a test ruled out."""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace
from uuid import UUID

from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.faults.evidence import ruled_out_causes
from pavrik.core.faults.rituals import checks_of, cues_for
from pavrik.core.faults.schools import shipped_schools
from pavrik.core.log.training_set import TrainingSet
from pavrik.services.training.causes import results_of
from pavrik.services.training.history import schools_in_force
from pavrik.store import library
from pavrik.store.database import Connection
from pavrik.store.lifters import Profile

MOST_CUES = 2
RECENT_SETS = 12
SeenFault = tuple[str, frozenset[str]]
"""A fault of the newest sets, and its causes that a test ruled out."""


@dataclass(frozen=True)
class Cue:
    """A cue with its id; a school's own has none that could be tried."""

    id: str
    text: str
    on_trial: bool = False
    next_id: str = ""
    """The cue to swap it for: the next one for the same fault; empty where there is none."""


def cue_on_trial(connection: Connection, lifter_id: UUID, lift: str) -> str:
    """The cue being tried in a lift, empty where none."""
    choices = library.list_cue_choices(connection, lifter_id)
    return next((c.cue for c in choices if c.lift == lift), "")


def _from_schools(connection: Connection, lifter_id: UUID, lift: str) -> list[Cue]:
    """Cues of the positions that differ from the default: what this lifter's school says."""
    chosen = schools_in_force(connection, lifter_id)
    return [
        Cue("", position.cue)
        for school in shipped_schools().values()
        if school.lift == lift and chosen[school.id] != school.default
        for position in school.positions
        if position.id == chosen[school.id] and position.cue
    ]


def _recent_faults(
    connection: Connection, lifter_id: UUID, sets: Sequence[TrainingSet]
) -> list[SeenFault]:
    """Faults of the newest sets with the causes that tests ruled out, the most frequent first."""
    tests = library.list_cause_tests(connection, lifter_id)
    counts = Counter(f.fault_id for s in sets[-RECENT_SETS:] for f in s.faults)
    return [
        (fault_id, ruled_out_causes(results_of(tests, fault_id)))
        for fault_id, _ in counts.most_common()
    ]


@dataclass(frozen=True)
class Told:
    """What a lifter is told of a lift on a day: cues, and what is checked before the set."""

    cues: list[Cue]
    checks: list[str]


def _cues(faults: Sequence[SeenFault], catalogue: Catalogue, tried: str, novice: bool) -> list[Cue]:
    """The cue on trial first, then one for each fault."""
    found = (
        [Cue(tried, catalogue.remedies[tried].text, True)] if tried in catalogue.remedies else []
    )
    for fault_id, ruled_out in faults:
        if fault_id not in catalogue.faults:
            continue
        cues = cues_for(catalogue.remedies_of(fault_id, ruled_out), novice=novice)
        ids = [cue.id for cue in cues]
        if tried in ids:
            following = ids[(ids.index(tried) + 1) % len(ids)]
            found = [replace(one, next_id=following) if one.on_trial else one for one in found]
        elif cues:
            found.append(Cue(ids[0], cues[0].text, next_id=ids[1] if len(ids) > 1 else ""))
    return found


def told_of_the_day(
    connection: Connection, profile: Profile, lift: str, sets: Sequence[TrainingSet],
    catalogue: Catalogue,
) -> Told:  # fmt: skip
    """What is told of a lift, the schools' own cues last; sets oldest first."""
    faults = _recent_faults(connection, profile.lifter_id, sets)
    tried = cue_on_trial(connection, profile.lifter_id, lift)
    found = _cues(faults, catalogue, tried, profile.novice)
    found += _from_schools(connection, profile.lifter_id, lift)
    once = list({cue.text: cue for cue in reversed(found)}.values())[::-1]
    return Told(once[:MOST_CUES], checks_of(faults, catalogue))
