"""Forecasts of a game, computed in other processes."""
