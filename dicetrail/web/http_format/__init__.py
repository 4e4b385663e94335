"""How what is sent is read, refused and described."""
