"""Runs at the maker's table."""
