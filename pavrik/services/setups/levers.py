"""What a centimetre of each length is worth to a lifter in the set-ups in force."""

from functools import lru_cache
from typing import Any
from uuid import UUID

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.fitting.levers import kg_per_centimetre, worth_of_reading_kg
from pavrik.formats.wire.setups import LeversAnswer
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import load_inputs, setups_in_force
from pavrik.services.setups.fits import Content, content_key, model
from pavrik.store.database import Database


@lru_cache(maxsize=128)
def _of_lift(of: Content, lift: str, setup: Any) -> dict[str, float]:
    return kg_per_centimetre(LIFTS[lift], model(of)[0], setup)


def levers(database: Database, who: Who, lifter_id: UUID) -> LeversAnswer:
    """For both lifts. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        inputs = load_inputs(connection, lifter_id)
        in_force = setups_in_force(connection, inputs)
    of = content_key(inputs)
    kg_per_cm = {lift: _of_lift(of, lift, setup) for lift, setup in in_force.items()}
    return LeversAnswer(kg_per_cm=kg_per_cm, worth_kg=worth_of_reading_kg(model(of)[0], kg_per_cm))
