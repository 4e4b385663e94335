"""The ways a game leaves by."""
