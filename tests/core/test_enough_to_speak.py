"""How much log it takes before the log speaks, and what tips each sign: every border from both
sides."""

from dataclasses import replace

import numpy as np
import pytest

from pavrik.core.faults.catalogue import shipped_catalogue
from pavrik.core.faults.evidence import rank_causes
from pavrik.core.faults.findings import FaultFindings
from pavrik.core.faults.log_signals import signals_of_fault, signals_of_log
from pavrik.core.log.comparison import compare
from pavrik.core.log.onset import fit_onset, onset_words
from pavrik.core.log.rates import Rate
from pavrik.core.log.training_set import LoggedFault, TrainingSet

CATALOGUE = shipped_catalogue()
TOO_FEW = fit_onset(np.array([]), np.array([], dtype=bool))


def onset_of(reps: int, faulty: int):
    """``faulty`` of ``reps``, the heaviest ones."""
    return fit_onset(np.linspace(0.6, 0.95, reps), np.arange(reps) >= reps - faulty)


@pytest.mark.parametrize(
    ("reps", "faulty", "speaks"), [(14, 6, False), (15, 6, True), (40, 2, False), (40, 3, True)]
)
def test_an_onset_takes_fifteen_reps_and_three_faults(reps, faulty, speaks):
    found = onset_of(reps, faulty)
    assert (found.reps, found.faulty) == (reps, faulty)
    assert (found.verdict != "too few") == speaks
    if not speaks:
        assert onset_words("Dive", found, 200.0) == (
            f"Dive: {faulty} of {reps} reps, too few to tie to a load"
        )
        assert found.rises == 0.5, "nothing is claimed either way"


@pytest.mark.parametrize(("each", "outcome"), [(11, "too few reps"), (12, "helped")])
def test_did_it_help_takes_twelve_reps_on_either_side(each, outcome):
    share = np.full(2 * each, 0.8)
    after = np.arange(2 * each) >= each
    found = compare(share, ~after, after)
    assert (found.before, found.after) == ((each, each), (0, each))
    assert found.outcome == outcome


def test_did_it_help_compares_only_loads_of_both_sides():
    """What was done at 95 % before says nothing of 80 % after; a neighbour by 2.5 % does."""
    share = np.array([0.95] * 12 + [0.80] * 12 + [0.82] * 12 + [0.78] * 12)
    after = np.arange(48) >= 24
    found = compare(share, np.arange(48) < 12, after)
    assert found.before == (0, 12)
    assert found.after == (0, 24)
    assert found.loads == pytest.approx((0.80, 0.82))
    apart = compare(np.array([0.9, 0.7]), np.array([True, False]), np.array([False, True]))
    assert apart.words() == "too few reps: no load was lifted both before and after"


def known(by_load=(), by_rep=(), onset=TOO_FEW) -> FaultFindings:
    rates = [
        [Rate(label, reps, faulty, 0.0, 1.0) for label, reps, faulty in told]
        for told in (by_load, by_rep)
    ]
    return FaultFindings("dive", "Dive", 0, 0, 0, onset, "told", *rates, [], [])


def signals(fault: FaultFindings, sets=()) -> dict[str, bool | None]:
    return {
        signal.id: signal.holds
        for signal in [*signals_of_fault(sets, fault), *signals_of_log(sets)]
    }


@pytest.mark.parametrize(
    ("light", "holds"), [((9, 9), None), ((10, 1), True), ((11, 1), False), ((10, 0), False)]
)
def test_a_fault_at_any_load_is_one_rep_in_ten_of_ten_light_ones(light, holds):
    fault = known(by_load=[("60–70%", *light), ("90–95%", 50, 50)])
    assert signals(fault)["at_any_load"] is holds


@pytest.mark.parametrize(
    ("first", "fourth", "late", "early"),
    [
        ((20, 5), (20, 8), True, False), ((20, 5), (20, 7), False, True),
        ((20, 0), (20, 1), True, False), ((20, 0), (20, 0), False, False),
        ((9, 5), (20, 8), None, None), ((20, 5), (9, 8), None, None),
    ],
)  # fmt: skip
def test_late_reps_are_those_from_the_fourth_on_against_the_first(first, fourth, late, early):
    """Late where six in ten more often; the second and third rep decide nothing."""
    by_rep = [("rep 1", *first), ("rep 2", 20, 20), ("rep 3", 20, 20), ("rep 4", *fourth)]
    found = signals(known(by_rep=by_rep))
    assert found["late_reps"] is late
    assert found["first_reps"] is early


@pytest.mark.parametrize(
    ("left", "right", "holds"), [(3, 0, None), (4, 0, True), (7, 3, True), (5, 5, False)]
)
def test_one_side_is_seven_times_in_ten(left, right, holds):
    sides = ["left"] * left + ["right"] * right
    sets = [
        TrainingSet(
            f"s{i}", f"2026-10-{i + 1:02d}", 100.0, 3, 8.0,
            faults=(LoggedFault("dive", "Dive", 1, 1, "descent", side=side),),
        )
        for i, side in enumerate(sides)
    ]  # fmt: skip
    assert signals(known(), sets)["one_side"] is holds


@pytest.mark.parametrize(("waited_s", "holds"), [(4.1, True), (3.9, False)])
def test_two_seconds_longer_over_a_heavy_bar_is_a_wait(waited_s, holds):
    sets = [
        TrainingSet(
            f"s{i}", f"2026-10-{i + 1:02d}", load, 3, 8.0, measures=(("hands_to_pull_s", wait),)
        )
        for i, (load, wait) in enumerate([(100.0, 2.0)] * 3 + [(190.0, waited_s)] * 3)
    ]
    assert signals(known(), sets)["waits_when_heavy"] is holds


@pytest.mark.parametrize(("styles", "holds"), [("rrd", True), ("rdd", False), ("r", None)])
def test_half_of_ten_pulls_bounced_is_a_habit(styles, holds):
    names = {"r": "rebound", "d": "dead stop"}
    sets = [
        TrainingSet(f"s{i}", "2026-10-01", 150.0, 5, 8.0, pull_style=names[letter])
        for i, letter in enumerate(styles)
    ]
    assert signals(known(), sets).get("rebound_reps") is holds


def test_a_hidden_cause_is_passed_over_and_those_behind_it_are_not():
    causes = CATALOGUE.faults["hips-rise"].causes
    assert len(causes) > 2
    hidden = replace(CATALOGUE, hidden=frozenset(causes[:1]))
    assert {c.cause_id for c in rank_causes(hidden, "hips-rise", [])} == set(causes[1:])
