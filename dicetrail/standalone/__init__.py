"""What leaves with a game beside the core. Standard library only, as the core itself."""
