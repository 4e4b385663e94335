"""Exports of games."""
