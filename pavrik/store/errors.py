"""A broken rule of the database in the trade's words."""

import psycopg

from pavrik.errors import RefusedError
from pavrik.words import say

_SENTENCES: dict[str, tuple[str, str]] = {
    "coach_email_taken": (say("store.email_signs_in_already"), "email"),
    "measurement_readings": (say("store.readings_one_to_three"), "readings_m"),
    "screen_angle_range": (say("store.outside_what_a_body_does"), "value"),
    "bar_centre_whole": (say("store.bar_centre_needs_all_three"), "beyond_shoulder_m"),
    "plan_replaced_once": (say("store.plan_changed_meanwhile"), "plan"),
    "set_replaced_once": (say("store.set_already_amended"), "replaces"),
    "set_pull_style_for_pulls": (say("store.pull_style_for_pulls_only"), "pull_style"),
    "set_says_something": (say("store.a_rep_or_a_miss"), "reps"),
    "set_cue": (say("store.cue_by_id"), "cue"),
    "measure_value": (say("store.measure_outside_what_can_be"), "measures"),
    "entry_own_or_hidden": (say("store.shipped_entries_unchanged"), "id"),
    "prescription_overruled_with_reason": (
        say("store.overruling_needs_reason"), "overruled_because",
    ),
}  # fmt: skip


def refused(error: psycopg.IntegrityError) -> RefusedError:
    """The domain's words for a named constraint."""
    name = error.diag.constraint_name or ""
    if name in _SENTENCES:
        sentence, field = _SENTENCES[name]
        return RefusedError(sentence, field)
    if isinstance(error, psycopg.errors.ForeignKeyViolation):
        return RefusedError(say("store.not_in_club"))
    if isinstance(error, psycopg.errors.UniqueViolation):
        return RefusedError(say("store.same_id_other_content"))
    return RefusedError(say("store.rule_does_not_allow", rule=name.replace("_", " ")))
