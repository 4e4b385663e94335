"""What did happen when people played: evidence of questions and of the game."""
