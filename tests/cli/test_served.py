"""A process that serves keeps what it is made of out of the search for dead objects."""

import subprocess
import sys

import pytest

SCRIPT = """
import gc
from pavrik.cli import serving
import pavrik.api.app as app, uvicorn
from pavrik.api.settings import Settings
uvicorn.run = lambda *args, **named: None
{how}
print(gc.get_freeze_count() > 10_000, gc.get_threshold()[0] == app.YOUNG_OBJECTS)
"""
ALONE = "serving.serve_app(Settings('postgresql://nowhere', None), '127.0.0.1', 1)"
WORKER = (
    "import os; os.environ['PAVRIK_DATABASE_URL'] = 'postgresql://nowhere'; app.from_environment()"
)


@pytest.mark.parametrize("how", [ALONE, WORKER])
def test_alone_or_one_of_several(how):
    said = subprocess.run(
        [sys.executable, "-c", SCRIPT.format(how=how)], capture_output=True, text=True, check=True
    )
    assert said.stdout.split() == ["True", "True"]
