"""The whole shelf in one file."""
