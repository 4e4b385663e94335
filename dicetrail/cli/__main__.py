"""`python -m dicetrail.cli`, where the command itself is not on the path."""

from dicetrail.cli import app

if __name__ == "__main__":  # worker processes import this module again
    app()
