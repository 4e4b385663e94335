"""Runs on the players' page."""
