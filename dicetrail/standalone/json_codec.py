"""Convert values of the core to plain JSON and back, by the types that their dataclasses declare.

The form is the same as in the API and in game files. A standalone game has no other library to read
it. Fields at their defaults may be left out.

>>> from dicetrail.core.document import To, Way
>>> to_json(Way(To.ROUND, "Shed"))
{'to': 'round', 'name': 'Shed'}
>>> from_json(Way, {"to": "round", "name": "Shed"})
Way(to=<To.ROUND: 'round'>, name='Shed')
"""

import types
from collections.abc import Mapping
from dataclasses import fields, is_dataclass
from enum import Enum
from functools import cache
from typing import Annotated, Any, Literal, Union, get_args, get_origin, get_type_hints


class NotInThisForm(ValueError):
    """A plain value that no value of the type looks like."""


def to_json(value: object) -> Any:
    """A value as it is written in JSON."""
    if isinstance(value, Enum):
        return value.value
    if is_dataclass(value) and not isinstance(value, type):
        return {part.name: to_json(getattr(value, part.name)) for part in fields(value)}
    if isinstance(value, tuple) and hasattr(value, "_fields"):
        return {name: to_json(part) for name, part in zip(value._fields, value, strict=True)}
    if isinstance(value, Mapping):
        return {to_json(name): to_json(part) for name, part in value.items()}
    if isinstance(value, list | tuple):
        return [to_json(part) for part in value]
    return value


def from_json(form: Any, plain: Any) -> Any:
    """The value of a type that looks so. Raises NotInThisForm if there is none."""
    return _read(form, plain)


def _read(form: Any, plain: Any) -> Any:
    origin = get_origin(form)
    if origin is Annotated:
        return _read(get_args(form)[0], plain)
    if origin in (Union, types.UnionType):
        return _read_union(get_args(form), plain)
    if origin is Literal:
        if plain in get_args(form):
            return plain
    elif origin is tuple:
        if isinstance(plain, list):
            inner, *_ = get_args(form)
            return tuple(_read(inner, part) for part in plain)
    elif origin in (dict, Mapping):
        if isinstance(plain, dict):
            of_name, of_part = get_args(form)
            return {_read(of_name, name): _read(of_part, part) for name, part in plain.items()}
    elif isinstance(form, type):
        return _read_type(form, plain)
    raise NotInThisForm(f"{plain!r} is no {form}")


def _read_union(forms: tuple[Any, ...], plain: Any) -> Any:
    if plain is None and types.NoneType in forms:
        return None
    for form in forms:
        if form is not types.NoneType:
            try:
                return _read(form, plain)
            except NotInThisForm:
                continue
    raise NotInThisForm(f"{plain!r} is none of {forms}")


def _read_type(form: type, plain: Any) -> Any:
    if is_dataclass(form):
        if isinstance(plain, dict):
            parts = _parts(form)
            if plain.keys() <= parts.keys():
                try:
                    return form(**{name: _read(parts[name], part) for name, part in plain.items()})
                except TypeError as error:
                    raise NotInThisForm(str(error)) from None
    elif issubclass(form, Enum):
        try:
            return form(plain)
        except ValueError:
            pass
    elif form is float and isinstance(plain, int | float) and not isinstance(plain, bool):
        return float(plain)
    elif type(plain) is form:
        return plain
    raise NotInThisForm(f"{plain!r} is no {form.__name__}")


@cache
def _parts(form: type) -> dict[str, Any]:
    """The types of a dataclass's fields."""
    return get_type_hints(form, include_extras=True)
