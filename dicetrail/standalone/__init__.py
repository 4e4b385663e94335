"""The standalone runtime that is exported with a game. It uses the standard library only, as the
core does."""
