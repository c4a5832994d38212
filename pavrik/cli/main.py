"""``pavrik``: JSON in, JSON out; exit 2 and one line on standard error for bad input."""

import argparse
import sys
from collections.abc import Callable
from functools import partial
from importlib import import_module

from pavrik.cli.ports import FIRST_PORT, LOOPBACK, MAIL_PORT
from pavrik.errors import PavrikError

Command = Callable[[argparse.Namespace], None]
"""Commands import what they need when they run: the parser is there at once."""

COMPUTED = {
    "pose": "one fully specified pose",
    "fit": "the whole fit of a lifter for a lift",
    "path": "the bar's path at the load and for a ladder of loads",
    "cost": "what every fault costs in a set-up at a load",
    "plan": "weeks and days of work with their reasons",
    "story": "a made-up lifter through twelve weeks of a shape",
    "watch": "a tracked film: its findings with their errors",
    "picture": "a mobility screen from taps in one picture",
    "lengths": "limbs from taps in a picture, to check the tape",
    "plates": "plates for a target from the gym's stock",
}


def _run(module: str, function: str, told: tuple[str, ...], asked: argparse.Namespace) -> None:
    found = getattr(import_module(f"pavrik.cli.{module}"), function)
    found(*(getattr(asked, one) for one in told))


def _later(module: str, function: str, *told: str) -> Command:
    """A function of a module, imported when the command runs, given what was told on the command
    line under these names."""
    return partial(_run, module, function, told)


BENCHES = {
    "data": ("bench_data", "run_data_bench", "time the screens over a large log"),
    "plans": ("bench_plans", "run_plans_bench", "what comes of obeyed plans, in every shape"),
    "population": (
        "bench_population", "run_population_bench",
        "the model's judgements over 600 made-up lifters",
    ),
    "proofs": (
        "bench_proofs", "run_proofs_bench", "the long proofs whose ground has changed, whole"
    ),
    "load": ("bench_load", "run_load_bench", "fifty coaches at once over HTTP"),
    "watch": ("bench_watch", "run_watch_bench", "what films are measured to"),
}  # fmt: skip


def _bench(asked: argparse.Namespace) -> None:
    chosen = next((name for name in BENCHES if getattr(asked, name)), None)
    module, function, _ = BENCHES[chosen] if chosen else ("bench", "run_bench", "")
    _later(module, function)(asked)


def _add_operation(commands: "argparse._SubParsersAction[argparse.ArgumentParser]") -> None:
    start_command = commands.add_parser("start", help="database, demo club and server in one")
    start_command.add_argument("--port", type=int, help="port of the page, else the first free one")
    start_command.add_argument("--no-demo", action="store_true", help="leave the demo club out")
    start_command.add_argument("--prepare", action="store_true", help="set up and stop")
    start_command.add_argument("--host", default=LOOPBACK, help="address to listen on")
    start_command.add_argument("--workers", type=int, default=1, help="processes that answer")
    start_command.set_defaults(
        run=_later("start", "start", "port", "no_demo", "prepare", "host", "workers")
    )
    serve = commands.add_parser("serve", help="serve PAVRIK_DATABASE_URL")
    serve.add_argument("--port", type=int, default=FIRST_PORT)
    serve.add_argument("--host", default=LOOPBACK, help="address to listen on")
    serve.add_argument("--workers", type=int, default=1, help="processes that answer")
    serve.set_defaults(run=_later("operation", "run_serve", "host", "port", "workers"))
    for name, about, run in (
        ("migrate", "apply missing migrations to PAVRIK_DATABASE_URL", "run_migrate"),
        ("openapi", "print the HTTP API's description", "print_openapi"),
    ):
        commands.add_parser(name, help=about).set_defaults(run=_later("operation", run))
    demo = commands.add_parser("demo", help="load the demo club")
    how = demo.add_mutually_exclusive_group()
    how.add_argument("--reset", action="store_true", help="anew, as it was at first")
    how.add_argument("--remove", action="store_true", help="take it away; start leaves it out then")
    demo.set_defaults(run=_later("operation", "run_demo", "reset", "remove"))
    club = commands.add_parser("club", help="clubs on this server").add_subparsers(required=True)
    new = club.add_parser("new", help="print a one-time link with which an owner starts a club")
    new.add_argument("--name", required=True, help="the club's name")
    new.add_argument("--owner-email", required=True, help="with which the owner will sign in")
    new.set_defaults(run=_later("clubs", "new_club", "name", "owner_email"))
    coach = commands.add_parser("coach", help="who signs in").add_subparsers(required=True)
    reset = coach.add_parser("reset", help="print a one-time link that sets a forgotten password")
    reset.add_argument("email", help="with which the coach signs in")
    reset.set_defaults(run=_later("clubs", "reset_coach", "email"))
    bring = commands.add_parser("import", help="bring a club in from its archive")
    bring.add_argument("file", help="the ZIP that its owner took out under People")
    bring.add_argument("--owner", default="", help="e-mail of who owns it, where several do")
    bring.set_defaults(run=_later("clubs", "bring_in", "file", "owner"))
    mail = commands.add_parser("mail-stand-in", help="a mail server that shows what it received")
    mail.add_argument("--port", type=int, default=MAIL_PORT)
    mail.set_defaults(run=_later("mail_stand_in", "run_mail_stand_in", "port"))
    bench = commands.add_parser("bench", help="time the core against its own baselines")
    for name, (_, _, about) in BENCHES.items():
        bench.add_argument(f"--{name}", action="store_true", help=about)
    bench.set_defaults(run=_bench)
    backup = commands.add_parser("backup", help="dump the database to a file")
    backup.add_argument("file", help="the file, or with --keep a folder")
    backup.add_argument("--keep", type=int, help="keep so many of the newest dumps in the folder")
    backup.set_defaults(run=_later("operation", "run_backup", "file", "keep"))
    restore = commands.add_parser("restore", help="restore a dump, for the next start to serve")
    restore.add_argument("file")
    restore.add_argument("--replace", action="store_true", help="though a club of its own is there")
    restore.set_defaults(run=_later("operation", "run_restore", "file", "replace"))


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="pavrik", description=__doc__)
    commands = parser.add_subparsers(dest="command", required=True)
    for name, about in COMPUTED.items():
        command = commands.add_parser(name, help=about)
        command.add_argument("file", help='a JSON file, or "-" for standard input')
        command.set_defaults(run=_later("computations", "print_answer", "command", "file"))
    _add_operation(commands)
    return parser


def main(arguments: list[str] | None = None) -> int:
    """Run one command; the exit code."""
    parsed = _parser().parse_args(arguments)
    run: Command = parsed.run
    try:
        run(parsed)
    except PavrikError as error:
        print(f"pavrik: {error}", file=sys.stderr)
        return 2
    return 0


if __name__ == "__main__":
    sys.exit(main())
