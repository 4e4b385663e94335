"""The phrases of games for translators: a PO file a language, read by `python -m translations`."""
