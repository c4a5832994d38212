"""Whether the screens leave any squat to depth open to a body."""

import numpy as np

from pavrik.core.fitting.candidates import assess, quick_maxes_kg
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT


def closed_because(lifter: Lifter, setup: SquatSetup) -> str:
    """Why no squat is open, in the words of the set-up in force; empty where it or any other of
    the grid is."""
    open_ones, rejected = assess(SQUAT, lifter, [setup])
    if open_ones or _any_open(lifter):
        return ""
    return rejected[0].reasons[0]


def _any_open(lifter: Lifter) -> bool:
    """Whether any set-up of the grid is open: the most promising one is looked at first."""
    setups = [one for one in SetupGrid(SQUAT).setups() if not SQUAT.gates(lifter, one)]
    if not setups:
        return False
    promising = setups[int(np.argmax(quick_maxes_kg(SQUAT, lifter, setups)))]
    return bool(assess(SQUAT, lifter, [promising])[0] or assess(SQUAT, lifter, setups)[0])
