"""The middleware of all requests."""
