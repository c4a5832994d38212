"""Whether the screens leave any squat to depth open to a body."""

from pavrik.core.fitting.candidates import assess
from pavrik.core.lifter.lifter import Lifter
from pavrik.core.lifts.grid import SetupGrid
from pavrik.core.squat.setup import SquatSetup
from pavrik.core.squat.squat import SQUAT


def closed_because(lifter: Lifter, setup: SquatSetup) -> str:
    """Why no squat is open, in the words of the set-up in force; empty where it or any other of
    the grid is."""
    open_ones, rejected = assess(SQUAT, lifter, [setup])
    if open_ones or assess(SQUAT, lifter, SetupGrid(SQUAT).setups())[0]:
        return ""
    return rejected[0].reasons[0]
