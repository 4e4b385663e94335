"""How games are dressed."""
