"""A blueprint whose endpoints say by their signature what they take and answer."""

import inspect
from collections.abc import Callable
from dataclasses import is_dataclass
from functools import wraps
from typing import Any, TypeVar, cast, get_args

from apiflask import APIBlueprint
from pydantic import BaseModel

from dunestead.api.wire import model_of

__all__ = ["Endpoints"]

View = TypeVar("View", bound=Callable[..., Any])
# The parameter that is read from the address; each other model of a view is the body of the request.
_QUERY = "query"


class Endpoints(APIBlueprint):
    """A blueprint that describes a view by its annotations.

    A parameter called ``query`` is read from the address, another one that is a model or an entry of the core from
    the body; what a view returns is what it answers, and where it returns nothing it answers with nothing. A route
    may name another ``status`` of what went well, and what is answered where the view makes the response by itself.
    """

    def _method_route(self, method: str, rule: str, options: Any) -> Callable[[View], View]:
        status, answers = options.pop("status", 200), options.pop("answers", None)
        register = super()._method_route(method, rule, options)
        return lambda view: register(self._described(view, status, answers))

    def _described(self, view: View, status: int, answers: type[BaseModel] | None) -> View:
        signature = inspect.signature(view)
        answers = answers or _model_in(signature.return_annotation)
        described: View = view
        if answers:
            described = self.output(answers, status_code=status)(described)
        elif signature.return_annotation is None:
            described = self.output({}, status_code=204)(_silent(described))
        for name, parameter in signature.parameters.items():
            if model := _model_in(parameter.annotation):
                where = "query" if name == _QUERY else "json"
                if is_dataclass(parameter.annotation):
                    described = _with_entry(described, name, cast("type", parameter.annotation))
                described = self.input(model, location=where, arg_name=name)(described)
        return described


def _model_in(annotation: Any) -> type[BaseModel] | None:
    """Return the model of what an annotation allows, also of an entry of the core; None where it is neither."""
    for kind in (annotation, *get_args(annotation)):
        if isinstance(kind, type) and is_dataclass(kind):
            return model_of(kind)
        if isinstance(kind, type) and issubclass(kind, BaseModel):
            return kind
    return None


def _with_entry(view: Callable[..., Any], name: str, kind: type) -> Any:
    """Return a view that is given an entry of the core in place of the model that it came in."""

    @wraps(view)
    def answered(*args: Any, **given: Any) -> Any:
        return view(*args, **given | {name: given[name].into(kind)})

    return answered


def _silent(view: Callable[..., Any]) -> Any:
    @wraps(view)
    def answered(*args: Any, **given: Any) -> str:
        view(*args, **given)
        return ""

    return answered
