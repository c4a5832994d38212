import pytest

from pavrik.core.units import dorsiflexion_from_knee_to_wall


def test_knee_to_wall():
    """Bennell et al. (1998), from memory: about 3.6 deg per cm, so 10 cm are about 36 deg."""
    assert dorsiflexion_from_knee_to_wall(10.0) == pytest.approx(0.628, abs=0.001)
