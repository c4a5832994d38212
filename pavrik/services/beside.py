"""Processes and threads that work beside those who wait for an answer."""

import os
import signal
from multiprocessing import parent_process
from threading import Thread, get_native_id

GIVES_WAY = 10


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
