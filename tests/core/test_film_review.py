"""What a film says of depth, phase by phase and in a word, on places without a picture."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.competition_lifts import LIFTS
from pavrik.core.tracking.detectors import DETECTORS
from pavrik.core.tracking.findings import find
from pavrik.core.tracking.review import (
    first_against_last,
    frame_in_phase,
    overall,
    phase_rows,
    worst_by_fault,
)
from pavrik.demo.made_up import made_up, shot, told_of
from pavrik.film.camera.motion import Pace
from pavrik.film.camera.seen import seen_clip


class TestDepth:
    def told(self, cut_m, reps=2):
        of = made_up("squat")
        taken = shot(of, {"high": cut_m}, pace=Pace(reps=reps))
        return told_of(of, seen_clip(taken, 1))[2]

    def test_level_is_never_called(self):
        assert self.told(0.015)["depth"].state == "cannot tell"
        assert "than a film can tell" in self.told(0.015)["depth"].why

    def test_cut_high_fails_with_its_size_and_is_no_clean_set(self):
        found = self.told(0.13)
        assert found["depth"].state == "fails"
        assert np.mean(found["depth"].by_rep) == pytest.approx(0.115, abs=0.02)
        assert overall(list(found.values())) == "one thing to mend"
        assert found["depth"].detector.fault_id == "high"

    def test_a_single_cut_clearly_high_is_enough(self):
        assert self.told(0.13, reps=1)["depth"].state == "fails"

    def test_well_below_holds(self):
        of = made_up("squat")
        measured, reps, _ = told_of(of, seen_clip(shot(of), 1))
        deeper = replace(of.linkage, hip_at_level_m=of.linkage.hip_at_level_m + 0.06)
        found = find(replace(measured, linkage=deeper), of.expected, reps)
        depth = next(one for one in found if one.detector.id == "depth")
        assert depth.state == "holds"
        assert depth.value < -0.035

    def test_light_reps_of_one_s_own_do_not_move_it(self):
        depth = next(d for d in DETECTORS if d.id == "depth")
        assert depth.told([0.08] * 20) == depth.told_from


class TestReview:
    def test_a_squat_s_phases_are_looked_at_in_their_order(self):
        of = made_up("squat")
        measured, reps, _ = told_of(of, seen_clip(shot(of), 1))
        frames = [
            frame_in_phase(of.expected, measured.bar[:, 1], reps[0], phase.id, phase.progress)
            for phase in LIFTS["squat"].phases
            if phase.computed
        ]
        assert frames == sorted(frames)
        assert (frames[0], frames[2]) == (reps[0].first, reps[0].turn)
        assert frames[1] < reps[0].turn < frames[3]

    def test_a_pull_s_phases_follow_the_bar_past_the_knee(self):
        of = made_up("deadlift")
        measured, reps, found = told_of(of, seen_clip(shot(of), 1))
        rows = phase_rows(LIFTS["deadlift"], measured, of.expected, reps, list(found.values()))
        assert [row.phase for row in rows] == [
            "off the floor", "below the knee", "at the knee", "lockout"]  # fmt: skip
        heights = [
            measured.bar[np.argmin(np.abs(measured.times_s - row.instant.time_s)), 1]
            for row in rows
        ]
        knee = measured.knee[reps[-1].first, 1]
        assert heights == sorted(heights)
        assert heights[1] < knee < heights[3]
        assert heights[2] == pytest.approx(knee, abs=0.12)

    def test_a_phase_that_nobody_looks_at_holds_only_where_nothing_stands_out(self):
        of = made_up("squat")
        measured, reps, _ = told_of(of, seen_clip(shot(of), 1))
        lift = LIFTS["squat"]

        def rows(seen):
            told = phase_rows(lift, seen, of.expected, reps, [])
            return {row.phase: (row.state, row.says) for row in told}

        assert set(rows(measured).values()) == {("holds", "")}
        tipped = replace(measured, solved=replace(measured.solved, lean=measured.solved.lean + 0.2))
        assert rows(tipped)["middle"] == ("slight", "leans 12° more than computed")
        oblique = replace(measured, camera=replace(measured.camera, yaw=0.4))
        assert set(rows(oblique).values()) == {("cannot tell", "")}
        shifted = replace(measured, bar=measured.bar - np.array([0.06, 0.0]))
        assert "behind where computed" in rows(shifted)["finish"][1]

    def test_two_detectors_of_one_fault_count_once(self):
        of = made_up("deadlift")
        _, _, found = told_of(of, seen_clip(shot(of), 1))
        both = [
            replace(found["hips-before-plates"], state="fails"),
            replace(found["back-tips"], state="fails"),
        ]
        assert worst_by_fault(both) == {"hips-shoot": "fails"}
        assert overall(both) == "one thing to mend"
        assert worst_by_fault([both[0], found["back-tips"]]) == {"hips-shoot": "fails"}

    def test_a_fault_that_grows_over_a_set_is_compared(self):
        of = made_up("squat")
        _, _, found = told_of(of, seen_clip(shot(of, pace=Pace(reps=3)), 1))
        grown = replace(found["hips-rise"], by_rep=(0.005, 0.02, 0.04))
        told = first_against_last([grown, found["bar-forward"]])
        assert [(c.detector, c.first, c.last) for c in told] == [("hips-rise", 0.005, 0.04)]

    def test_the_overall_word_follows_its_weights(self):
        of = made_up("squat")
        _, _, found = told_of(of, seen_clip(shot(of), 1))
        ones = list(found.values())

        def word(*states):
            return overall([replace(o, state=s) for o, s in zip(ones, states, strict=False)])

        assert word("holds", "cannot tell") == "clean"
        assert word("slight", "holds") == "nearly clean"
        assert word("fails", "holds") == "one thing to mend"
        assert word("fails", "slight", "slight") == "work on it"
        assert word("cannot tell", "cannot tell") == "cannot tell"
