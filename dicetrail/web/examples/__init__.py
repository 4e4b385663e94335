"""Small examples of what each stop decides."""
