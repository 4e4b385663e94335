"""The rule script's language."""
