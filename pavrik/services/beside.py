"""Processes and threads that work beside those who wait for an answer."""

import os
import signal
from functools import cache
from multiprocessing import get_context, parent_process
from multiprocessing.context import ForkServerContext
from threading import Thread, get_native_id

GIVES_WAY = 10
LOADED = ["pavrik.services.questions", "pavrik.services.plans.club_planning"]
"""What every process beside the server is soon asked for: the model, and plans. What reads films is
loaded by who is given one."""


@cache
def processes() -> ForkServerContext:
    """How processes beside the server begin: each as a copy of one that has loaded the model and
    does nothing else. So the model is loaded once for all of them, and most of it held once."""
    context = get_context("forkserver")
    context.set_forkserver_preload(LOADED)
    return context


def give_way() -> None:
    """Let those who wait for an answer go before: this thread is served by the system last."""
    os.setpriority(os.PRIO_PROCESS, get_native_id(), GIVES_WAY)


def begin_beside() -> None:
    """In a fresh process: served last, stopped by the server alone, gone where the server is."""
    give_way()
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    Thread(target=_follow_parent, daemon=True).start()


def _follow_parent() -> None:
    parent = parent_process()
    if parent is not None:
        parent.join()
        os._exit(1)
