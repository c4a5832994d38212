"""A process that serves keeps what it is made of out of the search for dead objects."""

import os
import subprocess
import sys

SCRIPT = """
import gc
import uvicorn
from pavrik.cli import serving
import pavrik.api.app as app
from pavrik.api.settings import Settings
uvicorn.run = lambda *args, **named: None
nowhere = Settings('postgresql://nowhere', None)
plain = gc.get_threshold()
for begin in (lambda: serving.serve_app(nowhere, '127.0.0.1', 1), app.from_environment):
    gc.unfreeze()
    gc.set_threshold(*plain)
    begin()
    print(gc.get_freeze_count() > 10_000, gc.get_threshold()[0] == app.YOUNG_OBJECTS)
"""


def test_alone_or_one_of_several():
    there = os.environ | {"PAVRIK_DATABASE_URL": "postgresql://nowhere"}
    said = subprocess.run(
        [sys.executable, "-c", SCRIPT], env=there, capture_output=True, text=True, check=True
    )
    assert said.stdout.split() == ["True"] * 4
