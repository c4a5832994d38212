"""A broken rule of the database in the trade's words."""

import psycopg

from pavrik.errors import RefusedError

_SENTENCES: dict[str, tuple[str, str]] = {
    "coach_email_taken": ("this e-mail already signs in to a club: use another", "email"),
    "measurement_readings": ("readings are one to three lengths up to 150 cm", "readings_m"),
    "screen_angle_range": ("this value is outside what a body can do: take it again", "value"),
    "bar_centre_whole": (
        "a bar with a centre of its own needs all three: beyond the shoulders, forward, lean",
        "beyond_shoulder_m",
    ),
    "plan_replaced_once": ("this plan was changed by someone else just now: reload it", "plan"),
    "set_replaced_once": ("this set was already amended: amend the newer one", "replaces"),
    "set_pull_style_for_pulls": ("dead-stop or rebound is noted for pulls only", "pull_style"),
    "set_says_something": ("a set has at least one rep or one miss", "reps"),
    "set_cue": ("a cue is named by its id of up to 60 characters", "cue"),
    "measure_value": (
        "a measure is outside what can be: hands to pull 0 to 120 s, steps 0 to 20, bar to "
        "mid-foot within 15 cm, stance 10 to 140 cm, hip 10 to 120 cm",
        "measures",
    ),
    "entry_own_or_hidden": ("shipped entries can be hidden but not changed: add your own", "id"),
    "prescription_overruled_with_reason": ("overruling a load needs a reason", "overruled_because"),
}  # fmt: skip


def refused(error: psycopg.IntegrityError) -> RefusedError:
    """The domain's words for a named constraint."""
    name = error.diag.constraint_name or ""
    if name in _SENTENCES:
        sentence, field = _SENTENCES[name]
        return RefusedError(sentence, field)
    if isinstance(error, psycopg.errors.ForeignKeyViolation):
        return RefusedError("this refers to something that is not in this club")
    if isinstance(error, psycopg.errors.UniqueViolation):
        return RefusedError("this is already recorded under the same id with other content")
    return RefusedError(f"the database's rule {name.replace('_', ' ')} does not allow this")
