"""Packs."""
