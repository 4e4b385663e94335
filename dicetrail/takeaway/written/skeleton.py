"""The text every plain program is cut from."""

from importlib.resources import files

SKELETON = files(__package__).joinpath("skeleton.txt").read_text("utf-8")
