"""What the server does, without HTTP and without SQL: packs, programs, runs, loads and exports.

Routes call the services and shape what they return. Services call the store and the core, and raise
errors of their own, which `web/http_format/errors.py` turns into answers.
"""
