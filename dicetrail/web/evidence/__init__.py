"""Evidence of questions and of the game from real play."""
