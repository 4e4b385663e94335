"""What is dropped on the shelf."""
