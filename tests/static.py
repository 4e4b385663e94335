"""A plain web server that hands out files and nothing else, and remembers what it was asked."""

import http.server
import threading
from functools import partial
from pathlib import Path
from tempfile import TemporaryDirectory


class _Files(http.server.SimpleHTTPRequestHandler):
    def __init__(self, *arguments, asked, **named):
        self.asked = asked
        super().__init__(*arguments, **named)

    def do_GET(self):
        self.asked.append(self.path)
        super().do_GET()

    def log_message(self, *_arguments):
        pass


class _Server(http.server.ThreadingHTTPServer):
    def handle_error(self, request, client_address):
        """A browser that has what it wants may hang up."""


def served_beside(test_class):
    """A folder and a server of its own for all tests of a class: their paths and address."""
    held = TemporaryDirectory()
    test_class.addClassCleanup(held.cleanup)
    files = Files(held.name)
    test_class.addClassCleanup(files.close)
    return Path(held.name), files


class Files:
    """The files of a folder at an address of their own. Use as a context manager."""

    def __init__(self, folder):
        self.asked = []
        serving = partial(_Files, directory=str(folder), asked=self.asked)
        self._server = _Server(("127.0.0.1", 0), serving)
        self.address = f"http://127.0.0.1:{self._server.server_port}"
        self._thread = threading.Thread(target=self._server.serve_forever, daemon=True)
        self._thread.start()

    def close(self):
        self._server.shutdown()
        self._server.server_close()
        self._thread.join()
