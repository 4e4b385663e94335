"""Games."""
