"""What will happen when people play a game, worked out beside the server."""
