"""The facts that a club records, as services take them: words that routes and services share."""

from pavrik.store.equipment import Bar, Plates, RackRecord
from pavrik.store.library import CauseTest, Entry
from pavrik.store.plans import VariationWord
from pavrik.store.training import Observation, StoredSet

__all__ = (
    "Bar",
    "CauseTest",
    "Entry",
    "Observation",
    "Plates",
    "RackRecord",
    "StoredSet",
    "VariationWord",
)
