"""Kept runs: runs that are replayed after every change."""
