"""``pavrik``: JSON in, JSON out; exit 2 and one line on standard error for bad input."""

import argparse
import json
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Any

from pydantic import BaseModel, TypeAdapter, ValidationError

from pavrik.cli import clubs, operation
from pavrik.cli.bench import run_bench
from pavrik.cli.bench_data import run_data_bench
from pavrik.cli.bench_load import run_load_bench
from pavrik.cli.bench_plans import run_plans_bench
from pavrik.cli.bench_population import run_population_bench
from pavrik.cli.bench_watch import run_watch_bench
from pavrik.cli.mail_stand_in import USUAL_PORT, run_mail_stand_in
from pavrik.cli.start import FIRST_PORT, LOOPBACK, start
from pavrik.errors import BadInputError, PavrikError
from pavrik.formats.model.computations import (
    AnyCostRequest,
    AnyFitRequest,
    AtLoadRequest,
    PoseRequest,
)
from pavrik.formats.model.picture import LengthsRequest, PictureRequest
from pavrik.formats.model.requests import PlatesRequest
from pavrik.formats.plan_request import PublicPlanRequest
from pavrik.formats.refusals import sentence
from pavrik.formats.wire.shapes import StoryRequest
from pavrik.formats.wire.watch_compute import WatchRequest
from pavrik.services.compute import by_lift, model, picture, plan, watch
from pavrik.services.plans import shapes
from pavrik.services.setups import analysis

Command = Callable[[argparse.Namespace], None]


COMPUTATIONS: dict[str, tuple[Any, Callable[[Any], BaseModel], str]] = {
    "pose": (PoseRequest, model.pose, "one fully specified pose"),
    "fit": (AnyFitRequest, by_lift.fit, "the whole fit of a lifter for a lift"),
    "path": (AtLoadRequest, by_lift.path, "the bar's path at the load and for a ladder of loads"),
    "cost": (AnyCostRequest, analysis.cost, "what every fault costs in a set-up at a load"),
    "plan": (PublicPlanRequest, plan.plan, "weeks and days of work with their reasons"),
    "story": (StoryRequest, shapes.story, "a made-up lifter through twelve weeks of a shape"),
    "watch": (WatchRequest, watch.watch, "a tracked film: its findings with their errors"),
    "picture": (PictureRequest, picture.picture, "a mobility screen from taps in one picture"),
    "lengths": (LengthsRequest, picture.lengths, "limbs from taps in a picture, to check the tape"),
    "plates": (PlatesRequest, model.plates, "plates for a target from the gym's stock"),
}


def _one_line(error: ValidationError) -> str:
    return "; ".join(
        f"{'.'.join(str(part) for part in e['loc']) or 'input'}: {sentence(e)}"
        for e in error.errors()
    )


def _read(name: str) -> Any:
    try:
        text = sys.stdin.read() if name == "-" else Path(name).read_text(encoding="utf-8")
    except (OSError, UnicodeDecodeError) as error:
        raise BadInputError(f"cannot read {name}: {error}") from error
    try:
        return json.loads(text)
    except ValueError as error:
        raise BadInputError(f"{name} is not JSON: {error}") from error


def _compute(arguments: argparse.Namespace) -> None:
    request_type, service, _ = COMPUTATIONS[arguments.command]
    try:
        request = TypeAdapter(request_type).validate_python(_read(arguments.file))
        answer = service(request)
    except ValidationError as error:
        raise BadInputError(_one_line(error)) from error
    except ValueError as error:
        raise BadInputError("; ".join(str(error).splitlines())) from error
    print(answer.model_dump_json(indent=2))


def _bench(asked: argparse.Namespace) -> None:
    if asked.data:
        run_data_bench()
    elif asked.population:
        run_population_bench()
    elif asked.plans:
        run_plans_bench()
    elif asked.load:
        run_load_bench()
    elif asked.watch:
        run_watch_bench()
    else:
        run_bench()


def _add_operation(commands: "argparse._SubParsersAction[argparse.ArgumentParser]") -> None:
    start_command = commands.add_parser("start", help="database, demo club and server in one")
    start_command.add_argument("--port", type=int, help="port of the page, else the first free one")
    start_command.add_argument("--no-demo", action="store_true", help="leave the demo club out")
    start_command.add_argument("--prepare", action="store_true", help="set up and stop")
    start_command.add_argument("--host", default=LOOPBACK, help="address to listen on")
    start_command.add_argument("--workers", type=int, default=1, help="processes that answer")
    start_command.set_defaults(
        run=lambda a: start(a.port, not a.no_demo, a.prepare, a.host, a.workers)
    )
    serve = commands.add_parser("serve", help="serve PAVRIK_DATABASE_URL")
    serve.add_argument("--port", type=int, default=FIRST_PORT)
    serve.add_argument("--host", default=LOOPBACK, help="address to listen on")
    serve.add_argument("--workers", type=int, default=1, help="processes that answer")
    serve.set_defaults(run=lambda a: operation.run_serve(a.host, a.port, a.workers))
    for name, about, run in (
        ("migrate", "apply missing migrations to PAVRIK_DATABASE_URL", operation.run_migrate),
        ("openapi", "print the HTTP API's description", operation.print_openapi),
    ):
        commands.add_parser(name, help=about).set_defaults(run=lambda _, run=run: run())
    demo = commands.add_parser("demo", help="load the demo club")
    how = demo.add_mutually_exclusive_group()
    how.add_argument("--reset", action="store_true", help="anew, as it was at first")
    how.add_argument("--remove", action="store_true", help="take it away; start leaves it out then")
    demo.set_defaults(run=lambda a: operation.run_demo(a.reset, a.remove))
    club = commands.add_parser("club", help="clubs on this server").add_subparsers(required=True)
    new = club.add_parser("new", help="print a one-time link with which an owner starts a club")
    new.add_argument("--name", required=True, help="the club's name")
    new.add_argument("--owner-email", required=True, help="with which the owner will sign in")
    new.set_defaults(run=lambda a: clubs.new_club(a.name, a.owner_email))
    coach = commands.add_parser("coach", help="who signs in").add_subparsers(required=True)
    reset = coach.add_parser("reset", help="print a one-time link that sets a forgotten password")
    reset.add_argument("email", help="with which the coach signs in")
    reset.set_defaults(run=lambda a: clubs.reset_coach(a.email))
    bring = commands.add_parser("import", help="bring a club in from its archive")
    bring.add_argument("file", help="the ZIP that its owner took out under People")
    bring.add_argument("--owner", default="", help="e-mail of who owns it, where several do")
    bring.set_defaults(run=lambda a: clubs.bring_in(a.file, a.owner))
    mail = commands.add_parser("mail-stand-in", help="a mail server that shows what it received")
    mail.add_argument("--port", type=int, default=USUAL_PORT)
    mail.set_defaults(run=lambda a: run_mail_stand_in(a.port))
    bench = commands.add_parser("bench", help="time the core against its own baselines")
    bench.add_argument("--data", action="store_true", help="time the screens over a large log")
    bench.add_argument(
        "--plans", action="store_true", help="what comes of obeyed plans, in every shape"
    )
    bench.add_argument(
        "--population", action="store_true", help="the model's judgements over 600 made-up lifters"
    )
    bench.add_argument("--load", action="store_true", help="fifty coaches at once over HTTP")
    bench.add_argument("--watch", action="store_true", help="what films are measured to")
    bench.set_defaults(run=_bench)
    backup = commands.add_parser("backup", help="dump the database to a file")
    backup.add_argument("file", help="the file, or with --keep a folder")
    backup.add_argument("--keep", type=int, help="keep so many of the newest dumps in the folder")
    backup.set_defaults(run=lambda a: operation.run_backup(a.file, a.keep))
    restore = commands.add_parser("restore", help="restore a dump, for the next start to serve")
    restore.add_argument("file")
    restore.add_argument("--replace", action="store_true", help="though a club of its own is there")
    restore.set_defaults(run=lambda a: operation.run_restore(a.file, a.replace))


def _parser() -> argparse.ArgumentParser:
    parser = argparse.ArgumentParser(prog="pavrik", description=__doc__)
    commands = parser.add_subparsers(dest="command", required=True)
    for name, (_, _, about) in COMPUTATIONS.items():
        command = commands.add_parser(name, help=about)
        command.add_argument("file", help='a JSON file, or "-" for standard input')
        command.set_defaults(run=_compute)
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
