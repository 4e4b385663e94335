"""Dice Trail: a workbench in which a game maker programs a quiz game."""
