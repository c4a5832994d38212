"""One process of a server answers anew what was asked lately and no longer stands, before somebody
asks again: a coach who logged a set finds the floor, the session and the plan as they are now.

Nothing waits for it. Where it is behind, or gone, a question is answered by who asks it.
"""

import logging
from collections.abc import Iterable
from contextlib import closing
from threading import Event
from typing import NoReturn
from uuid import UUID

import psycopg
from psycopg_pool import PoolTimeout

from pavrik.services.beside import begin_beside
from pavrik.services.context import Who
from pavrik.services.kept import Question, give_up, question_to_renew
from pavrik.services.questions import find_answer
from pavrik.store.changes import Changes
from pavrik.store.database import Database

log = logging.getLogger("pavrik")
WAITS_S = 30.0
TRIES_AGAIN_S = 2.0


class Renewer:
    """What is left to renew, club by club: who changed first is served first."""

    def __init__(self, database: Database) -> None:
        self._database = database
        self._clubs: dict[UUID, None] = {}

    def hear(self, clubs: Iterable[UUID]) -> None:
        """Facts of these clubs changed."""
        self._clubs.update(dict.fromkeys(clubs))

    @property
    def is_done(self) -> bool:
        """Whether nothing is left."""
        return not self._clubs

    def renew_next(self) -> bool:
        """Give the club that waits longest one answer anew; whether it got one. It waits again
        behind the others, so that each has its floor before any has the rest."""
        club_id = next(iter(self._clubs), None)
        if club_id is None:
            return False
        del self._clubs[club_id]
        nobody = Who(club_id, UUID(int=0), "read_only")
        question = question_to_renew(self._database, nobody)
        if question is None:
            return False
        self._clubs[club_id] = None
        return self._renew(nobody, question)

    def _renew(self, who: Who, question: Question) -> bool:
        """Whether it has an answer; one that has none leaves the others their turn."""
        try:
            if find_answer(self._database, who, question, renewing=True) is not None:
                return True
        except (psycopg.Error, PoolTimeout):
            raise
        except Exception as error:
            log.warning("%s is not renewed: %s", question.kind, type(error).__name__)
        give_up(self._database, who, question)
        return False


def _renew_while_it_answers(url: str) -> NoReturn:
    with closing(Database(url, most_connections=2)) as database, Changes(url) as changes:
        database.open()
        renewer = Renewer(database)
        while True:
            renewer.hear(changes.heard(WAITS_S if renewer.is_done else 0.0))
            renewer.renew_next()


def renew_for_ever(url: str) -> NoReturn:
    """What the process does."""
    begin_beside()
    pause = Event()
    while True:
        try:
            _renew_while_it_answers(url)
        except (psycopg.Error, PoolTimeout) as error:
            log.warning("nothing is renewed for now: %s", type(error).__name__)
            pause.wait(TRIES_AGAIN_S)
