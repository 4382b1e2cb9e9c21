"""A blueprint whose endpoints say by their signature what they take and answer."""

import inspect
from collections.abc import Callable
from functools import wraps
from typing import Any, TypeVar, get_args

from apiflask import APIBlueprint
from pydantic import BaseModel

__all__ = ["Endpoints"]

View = TypeVar("View", bound=Callable[..., Any])
# The parameter that is read from the address; each other model of a view is the body of the request.
_QUERY = "query"


class Endpoints(APIBlueprint):
    """A blueprint that describes a view by its annotations.

    A parameter called ``query`` is read from the address, another one that is a model from the body; the model that
    a view returns is what it answers, and where it returns nothing it answers with nothing. A route may name another
    ``status`` of what went well, and what is answered where the view makes the response by itself.
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
                described = self.input(model, location=where, arg_name=name)(described)
        return described


def _model_in(annotation: Any) -> type[BaseModel] | None:
    """Return the model among the kinds that an annotation allows, None where there is none."""
    kinds = [annotation, *get_args(annotation)]
    return next((kind for kind in kinds if isinstance(kind, type) and issubclass(kind, BaseModel)), None)


def _silent(view: Callable[..., Any]) -> Any:
    @wraps(view)
    def answered(*args: Any, **given: Any) -> str:
        view(*args, **given)
        return ""

    return answered
