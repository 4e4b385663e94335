"""What stands before every request."""
