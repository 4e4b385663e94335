"""Report every error as problem details (RFC 9457), with a list of problems and their places."""

import errno
from collections.abc import Mapping, Sequence
from http import HTTPStatus
from typing import Any, Literal

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from dicetrail.core import GameProblems, Problem, Severity
from dicetrail.core.document import as_whole_text
from dicetrail.core.play import RunIsFull, StaleRun
from dicetrail.core.workbench import PackRefused
from dicetrail.files import FileProblem
from dicetrail.services.errors import NotTaken, Refused
from dicetrail.services.spoilt import in_words
from dicetrail.store import NotFound, Spoilt, StaleRevision, StoreTrouble
from dicetrail.web.http_format.bodies import UnreadableBody, place_in_body

ProblemType = Literal["about:blank", "/problems/faulty-game", "/problems/run-moved-on"]


class ToldProblem(BaseModel):
    """One thing that is wrong: where it stands, as a path and in words, and how to mend it."""

    where: str
    place: str
    what: str
    mend: str
    severity: Severity = Severity.FAULT


class ProblemDetails(BaseModel):
    """An error as RFC 9457 has it; `problems` is an extension member."""

    type: ProblemType = "about:blank"
    """What kind of error it is, where its status alone does not tell."""
    title: str
    status: int
    detail: str
    problems: list[ToldProblem] = []


class DoesNotFit(ValueError):
    """What was asked for does not fit the game it was asked of."""

    def __init__(self, problem: Problem) -> None:
        self.problem = problem
        super().__init__(problem.what)


class Faulty(GameProblems):
    """What has faults is not a game that somebody would play; `told` says what it is."""

    def __init__(self, told: str, problems: tuple[Problem, ...]) -> None:
        self.told = told
        super().__init__(problems)

    def __reduce__(self) -> "tuple[type[GameProblems], tuple[object, ...]]":
        """How pickle makes it again in another process."""
        return type(self), (self.told, self.problems)


ERROR_RESPONSES: dict[int | str, dict[str, Any]] = {
    "default": {"model": ProblemDetails, "description": "What went wrong, and how to mend it"}
}


def explain_errors(app: FastAPI) -> None:
    """Have the application answer every error with problem details."""

    @app.exception_handler(HTTPException)
    def http_error(_: Request, error: HTTPException) -> JSONResponse:
        return refusal(error.status_code, str(error.detail), error.headers)

    @app.exception_handler(UnreadableBody)
    def unreadable(_: Request, error: UnreadableBody) -> JSONResponse:
        return _response(422, "The request cannot be read.", [error.problem])

    @app.exception_handler(RequestValidationError)
    def invalid(_: Request, error: RequestValidationError) -> JSONResponse:
        problems = [_problem(fault) for fault in error.errors()]
        return _response(422, "The request does not have the expected form.", problems)

    @app.exception_handler(NotFound)
    def not_found(_: Request, error: NotFound) -> JSONResponse:
        return _response(404, f"T{str(error)[1:]}.")

    @app.exception_handler(Spoilt)
    def spoilt(_: Request, error: Spoilt) -> JSONResponse:
        return _response(409, in_words(error))

    @app.exception_handler(StaleRevision)
    def stale_revision(_: Request, error: StaleRevision) -> JSONResponse:
        return _response(
            412,
            f"This {error.kind} was changed elsewhere: you edited revision {error.saved_on}, and "
            f"revision {error.newest} is the newest. Your edit was not saved.",
        )

    @app.exception_handler(StaleRun)
    def stale_run(_: Request, error: StaleRun) -> JSONResponse:
        told = f"This run has gone on elsewhere; your input was {error}."
        return _response(409, told, type_="/problems/run-moved-on")

    @app.exception_handler(RunIsFull)
    @app.exception_handler(Refused)
    def refused(_: Request, error: RunIsFull | Refused) -> JSONResponse:
        return _response(422 if isinstance(error, NotTaken) else 409, str(error))

    @app.exception_handler(GameProblems)
    def game_problems(_: Request, error: GameProblems) -> JSONResponse:
        faults = [fault for fault in error.problems if fault.severity is Severity.FAULT]
        cannot = "This game cannot be played until its faults are mended."
        told = error.told if isinstance(error, Faulty) else cannot
        return _response(409, told, faults, "/problems/faulty-game")

    @app.exception_handler(DoesNotFit)
    def unfit(_: Request, error: DoesNotFit) -> JSONResponse:
        return _response(422, "This cannot be done, and nothing changed.", [error.problem])

    @app.exception_handler(PackRefused)
    def pack_refused(_: Request, error: PackRefused) -> JSONResponse:
        return _response(422, "This cannot be done, and nothing changed.", [error.problem])

    @app.exception_handler(FileProblem)
    def file_problem(request: Request, error: FileProblem) -> JSONResponse:
        done = "written" if request.method == "GET" else "loaded"
        return _response(422, f"This file was not {done}, and nothing changed.", [error.problem])

    @app.exception_handler(StoreTrouble)
    def store_trouble(_: Request, error: StoreTrouble) -> JSONResponse:
        return refusal(507 if error.is_full else 503, error.told, {"retry-after": "5"})

    @app.exception_handler(OSError)
    def disk_failed(request: Request, error: OSError) -> JSONResponse:
        if error.errno not in _NO_ROOM:
            return unforeseen(request, error)
        told = "There is no room on the server's disk for what was sent, and nothing changed."
        return refusal(507, f"{told} Make room on it, then try again.", {"retry-after": "5"})

    @app.exception_handler(Exception)
    def unforeseen(_: Request, __: Exception) -> JSONResponse:
        return _response(500, "Something failed inside the server. What you saved is safe.")


_NO_ROOM = {errno.ENOSPC, errno.EDQUOT, errno.EFBIG}


def refusal(status: int, detail: str, headers: Mapping[str, str] | None = None) -> JSONResponse:
    """An error as problem details, for what stands before the application."""
    answer = _response(status, detail)
    answer.headers.update(headers or {})
    return answer


def _response(
    status: int,
    detail: str,
    problems: Sequence[Problem] = (),
    type_: ProblemType = "about:blank",
) -> JSONResponse:
    body = ProblemDetails(
        type=type_,
        title=HTTPStatus(status).phrase,
        status=status,
        detail=detail,
        problems=[
            ToldProblem(
                where=problem.where,
                place=problem.place,
                what=problem.what,
                mend=problem.mend,
                severity=problem.severity,
            )
            for problem in problems
        ],
    )
    return JSONResponse(body.model_dump(mode="json"), status, media_type="application/problem+json")


def _problem(fault: Mapping[str, Any]) -> Problem:
    """What is wrong with a value that was sent, where it stands, and what to send instead."""
    where = place_in_body(fault["loc"][1:]) or str(fault["loc"][0])
    return Problem(where, as_whole_text(fault["msg"]), _mend(fault))


def _mend(fault: Mapping[str, Any]) -> str:
    match fault["type"]:
        case "unexpected_keyword_argument" | "extra_forbidden":
            return "leave this field out"
        case "missing":
            return "add this field"
        case "less_than_equal":
            return f"keep to at most {fault['ctx']['le']:,}"
        case "greater_than_equal":
            return f"keep to at least {fault['ctx']['ge']:,}"
    return "send a value of the expected kind"
