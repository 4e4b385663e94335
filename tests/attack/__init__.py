"""Attacks that once worked: bounded, and on this machine alone."""
