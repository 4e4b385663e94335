"""Sounds and voices."""
