"""The lifter's pocket card: settings a lifter can check without a computer."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from uuid import UUID

from pavrik.core.competition_lifts import LIFT_IDS
from pavrik.core.deadlift.deadlift import DEADLIFT
from pavrik.core.equipment.hand_marks import ring_words
from pavrik.core.equipment.racks import Rack, feet_width_m, fit_rack
from pavrik.core.faults.catalogue import Catalogue
from pavrik.core.fitting.explorer import ExactSetup, exact_setup
from pavrik.core.fitting.report import one
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.squat.bar_positions import usual_grip_m
from pavrik.core.squat.depth import hip_above_knee_m, parallel_m
from pavrik.core.squat.grip import WIDEST_M, grip_pose, narrowest_by_elbow_m
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT
from pavrik.core.units import degrees, radians
from pavrik.formats.model.requests import DeadliftSetupIn, SquatSetupIn
from pavrik.formats.model.setup_codec import deadlift_from_wire, read_setup, squat_from_wire
from pavrik.formats.wire.card import CardAnswer, DeadliftCard, SettledOnCard, SquatCard
from pavrik.formats.wire.setups import FurnitureAnswer, GripAnswer, RackAnswer
from pavrik.services.club.library import catalogue_of
from pavrik.services.context import Who
from pavrik.services.lifters.model_inputs import LifterInputs, load_inputs
from pavrik.services.lifters.model_lifter import squat_for
from pavrik.services.setups.fits import SettledView, model_of
from pavrik.services.setups.remembered import pull_at, squat_at
from pavrik.services.training.cues import RECENT_SETS, Told, told_of_the_day
from pavrik.services.training.fit_signals import RecordOfFit, read_record
from pavrik.services.training.history import history
from pavrik.store import equipment
from pavrik.store.database import Connection, Database
from pavrik.store.lifters import Profile
from pavrik.words import say

CAUTIONS = (
    say("setups.spotters_safeties_written_hole"),
    say("setups.stop_sharp_radiating_new"),
    say("setups.holding_breath_raises_blood"),
    say("setups.rule_book_force_gyms"),
)


WIDE_HANDS_M = 0.25
"""What the wide school adds to the narrowest bearable grip: assumption."""


def grip_advice(lifter: Lifter, setup: SquatSetup, lean: float, hands: str) -> GripAnswer:
    """As narrow as stays bearable, wider in the wide school; the usual start where no shoulder
    screen was taken. ``lean`` in rad."""
    body, shelf = lifter.body, setup.shelf
    if shelf.handles:
        return GripAnswer(
            grip_m=0.0, ring_words=say("setups.hands_handles"), set_by_screen=False,
            elbow_flexion_deg=None, forearm_tilt_deg=None, problem=None,
        )  # fmt: skip
    narrowest = lifter.screens.narrowest_grip_m.get(setup.bar_position)
    least = narrowest or max(usual_grip_m(body, shelf), narrowest_by_elbow_m(lifter, shelf))
    wide = WIDE_HANDS_M if hands == "wide" and setup.bar_position != "front" else 0.0
    grip = setup.grip_m or min(least + wide, WIDEST_M)
    pose = grip_pose(lifter, shelf, grip, lean)
    return GripAnswer(
        grip_m=grip,
        ring_words=ring_words(grip, float(body.stature_m)),
        set_by_screen=narrowest is not None,
        elbow_flexion_deg=pose.elbow_flexion_deg,
        forearm_tilt_deg=pose.forearm_tilt_deg,
        problem=pose.problem,
    )


def rack_advice(
    racks: Sequence[equipment.RackRecord], found: ExactSetup[SquatSetup], foot_m: float
) -> list[RackAnswer]:
    """Hook and safety holes in every rack."""
    feet = feet_width_m(found.setup.stance_m, found.setup.toe_out, foot_m)
    standing = float(found.path.points["bar"][2][0])
    bottom = float(found.deepest.points["bar"][2][0])
    found_racks = []
    for rack in racks:
        measured = Rack(
            rack.name, rack.first_hole_m, rack.pitch_m, rack.holes, rack.lip_m, rack.inner_width_m,
            rack.first_safety_m, rack.safety_pitch_m,
        )  # fmt: skip
        holes = fit_rack(measured, standing, bottom, feet)
        found_racks.append(RackAnswer(rack=rack.name, **vars(holes)))
    return found_racks


def _grip(
    lifter: Lifter, setup: SquatSetup, found: ExactSetup[SquatSetup], inputs: LifterInputs
) -> GripAnswer:
    lean = float(radians(found.deepest.angles_deg["trunk_lean"][0]))
    return grip_advice(lifter, setup, lean, inputs.request.schools.get("squat_hands", "narrow"))


def _told(connection: Connection, profile: Profile, lift: str, catalogue: Catalogue) -> Told:
    sets = history(connection, profile.lifter_id, lift, most=RECENT_SETS)
    return told_of_the_day(connection, profile, lift, sets, catalogue)


def _foot_words(bar_offset_m: float, foot_m: float) -> str:
    """Where the bar stands over the foot, in words a lifter can check."""
    share = 0.5 + bar_offset_m / foot_m
    if share < 0.53:
        return say("setups.bar_over_mid_foot")
    return (
        say("setups.bar_over_bottom_laces") if share < 0.62 else say("setups.bar_over_laces_middle")
    )


def _settled(view: SettledView) -> SettledOnCard:
    """When and why a set-up was settled, what was predicted, what has changed since."""
    return SettledOnCard(
        predicted_max_kg=view.settled.prediction["predicted_max_kg"],
        settled_at=view.settled.settled_at,
        reason=view.settled.reason,
        model_version=view.settled.model_version,
        stale_because=view.stale_because,
    )


@dataclass(frozen=True)
class CardFacts:
    """What a card is made from."""

    record: RecordOfFit
    told: Mapping[str, Told]
    racks: Sequence[equipment.RackRecord]


def read_card_facts(connection: Connection, lifter_id: UUID) -> CardFacts:
    """Read, nothing computed yet. Raises NotFoundError."""
    inputs, catalogue = load_inputs(connection, lifter_id), catalogue_of(connection)
    told = {str(lift): _told(connection, inputs.profile, lift, catalogue) for lift in LIFT_IDS}
    return card_facts_of(connection, inputs, told)


def card_facts_of(
    connection: Connection, inputs: LifterInputs, told: Mapping[str, Told]
) -> CardFacts:
    """The same where inputs and what is told of the day were read already."""
    return CardFacts(read_record(connection, inputs), told, equipment.list_racks(connection))


def _deadlift_card(facts: CardFacts) -> DeadliftCard | None:
    view, inputs = facts.record.settled[DEADLIFT.id], facts.record.inputs
    if view is None:
        return None
    setup = deadlift_from_wire(read_setup(DeadliftSetupIn, view.settled.setup))
    lifter, _ = model_of(inputs)
    predicted = view.settled.prediction["predicted_max_kg"]
    placed = pull_at(inputs, setup, 0.8 * predicted).placed
    start, setup = placed.posture, placed.setup
    foot = float(lifter.body.foot_m)
    return DeadliftCard(
        style=setup.kind.name,
        stance_m=setup.stance_m,
        stance_feet=round(setup.stance_m / foot, 1),
        toe_out_deg=round(float(degrees(setup.toe_out))),
        grip_m=setup.grip_m,
        grip_words=ring_words(setup.grip_m, float(lifter.body.stature_m))
        if not setup.kind.trap
        else say("setups.hands_handles"),
        foot_words=_foot_words(setup.bar_at_m, foot),
        bar_from_shin_m=setup.bar_at_m + 0.25 * foot,
        back_deg=round(one(degrees(start.back_angle))),
        hip_over_knee_m=one(start.legs.hip.z - start.legs.knee.z),
        **dict(_settled(view)),
    )


def _squat_card(facts: CardFacts) -> SquatCard | None:
    view, inputs = facts.record.settled[SQUAT.id], facts.record.inputs
    if view is None:
        return None
    setup = squat_from_wire(read_setup(SquatSetupIn, view.settled.setup))
    lifter, _ = model_of(inputs)
    found = squat_at(inputs, setup, 0.8 * view.settled.prediction["predicted_max_kg"])
    grip = _grip(lifter, setup, found, inputs)
    foot = float(lifter.body.foot_m)
    return SquatCard(
        bar=setup.shelf.name,
        stance_m=setup.stance_m,
        stance_feet=round(setup.stance_m / foot, 1),
        toe_out_deg=round(float(degrees(setup.toe_out))),
        heel_lift_m=setup.heel_lift_m,
        grip_m=grip.grip_m,
        grip_words=grip.ring_words,
        grip_from_screen=grip.set_by_screen,
        racks=rack_advice(facts.racks, found, foot),
        lean_deg=round(float(found.deepest.angles_deg["trunk_lean"][0])),
        shank_deg=round(float(found.deepest.angles_deg["shank"][0])),
        crease_below_knee_m=float(parallel_m(lifter.body)) - hip_above_knee_m(lifter, setup),
        depth_school=lifter.schools.depth,
        **dict(_settled(view)),
    )


def card_of(facts: CardFacts) -> CardAnswer:
    """The card; a lift without a settled set-up is null."""
    return CardAnswer(
        name=facts.record.inputs.profile.name,
        mass_kg=facts.record.inputs.profile.mass_kg,
        cues=[cue.text for cue in facts.told[SQUAT.id].cues],
        pull_cues=[cue.text for cue in facts.told[DEADLIFT.id].cues],
        checks=facts.told[SQUAT.id].checks,
        pull_checks=facts.told[DEADLIFT.id].checks,
        cautions=list(CAUTIONS),
        pain=list(facts.record.pain),
        squat=_squat_card(facts),
        deadlift=_deadlift_card(facts),
    )


def card(database: Database, who: Who, lifter_id: UUID) -> CardAnswer:
    """The lifter's card. Raises NotFoundError."""
    with database.reading(who.club_id) as connection:
        facts = read_card_facts(connection, lifter_id)
    return card_of(facts)


def furniture(
    database: Database, who: Who, lifter_id: UUID, setup: SquatSetupIn, load_kg: float
) -> FurnitureAnswer:
    """Hands and rack holes for a set-up that is being tried."""
    with database.reading(who.club_id) as connection:
        inputs, racks = load_inputs(connection, lifter_id), equipment.list_racks(connection)
    lifter, _ = model_of(inputs)
    wanted = squat_for(lifter, setup)
    found = exact_setup(SQUAT, lifter, wanted, load_kg)
    return FurnitureAnswer(
        grip=_grip(lifter, wanted, found, inputs),
        racks=rack_advice(racks, found, float(lifter.body.foot_m)),
    )
