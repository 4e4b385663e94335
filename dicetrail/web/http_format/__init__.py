"""Read, refuse and describe requests."""
