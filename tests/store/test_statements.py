"""Every named statement is used, has its line of purpose, and fits the migrated database."""

import re
from pathlib import Path

import psycopg
import pytest

from pavrik import store
from pavrik.store.statements import statement

FOLDER = Path(store.__file__).parent
SQL = "\n".join(path.read_text() for path in sorted((FOLDER / "sql").glob("*.sql")))
NAMES = re.findall(r"^-- name: (\w+)", SQL, re.M)


def test_names_are_used_once_each_and_every_one_is_used():
    code = "\n".join(path.read_text() for path in FOLDER.glob("*.py"))
    assert len(NAMES) == len(set(NAMES))
    assert {name for name in NAMES if f'"{name}"' not in code} == set()


def test_every_statement_says_what_it_is_for():
    assert len(re.findall(r"^-- name: \w+[!$]?\n-- [A-Z].+\.\n[a-z]", SQL, re.M)) == len(NAMES)


@pytest.mark.parametrize("name", NAMES)
def test_a_statement_fits_the_tables(server, empty_name, name):
    text = re.sub(r"%\((\w+)\)s", "null", statement(name).decode()).rstrip(";")
    with psycopg.connect(server.owner_url(empty_name)) as connection:
        connection.execute(f"explain {text}".encode())
