"""The web application: JSON under /api, the pages everywhere else."""

from dicetrail.web.app import create_app

__all__ = ["create_app"]
