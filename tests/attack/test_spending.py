"""Players cannot spend us: not with answers, made-up names, half-sent requests or idle ones."""

import gc
import random
import socket
import threading
import time
import tracemalloc
import unittest
from collections.abc import Callable
from datetime import timedelta
from unittest.mock import patch

import uvicorn
from hypothesis import given, settings
from hypothesis import strategies as st

from dicetrail.core.play import session
from dicetrail.services.live_runs import LiveRuns
from dicetrail.web.app import UNBEGUN_FOR, let_go_of_unbegun
from dicetrail.web.middleware import connections as connections
from dicetrail.web.middleware import rates as rates
from tests.exhaustive import exhaustive
from tests.web.demo import DemoTest

GAME = "harvest-supper"
GET = b"GET / HTTP/1.1\r\nhost: localhost\r\n\r\n"


class Serving:
    """A server of an application that answers with 40 MB at /much."""

    def __init__(self, most: int) -> None:
        http = connections.timed(most)
        config = uvicorn.Config(
            self.app, log_level="critical", http=http, lifespan="off", timeout_keep_alive=60
        )
        self.server = uvicorn.Server(config)
        self.listener = socket.create_server(("127.0.0.1", 0))
        self.address = self.listener.getsockname()
        self.opened = [self.listener]
        self.thread = threading.Thread(target=self.server.run, args=([self.listener],))

    @staticmethod
    async def app(scope, receive, send):
        while (await receive()).get("more_body"):
            pass
        times = 40 if scope["path"] == "/much" else 0
        size = str(times * 2**20 + 2).encode()
        headers = [(b"content-length", size)]
        await send({"type": "http.response.start", "status": 200, "headers": headers})
        for _ in range(times):
            await send({"type": "http.response.body", "body": b"x" * 2**20, "more_body": True})
        await send({"type": "http.response.body", "body": b"ok"})

    def connected(self, sender: str = "127.0.0.1", sent: bytes = b"") -> socket.socket:
        connection = socket.create_connection(self.address, 10, (sender, 0))
        self.opened.append(connection)
        connection.sendall(sent)
        return connection

    def lets_go_of(self, connected: list[socket.socket]) -> bool:
        """Whether it soon has none left, those among them. To look at one would stir it, so
        the server is looked at first."""
        held = self.server.server_state.connections
        return come(lambda: not held and not any(map(is_open, connected)))

    def __enter__(self) -> "Serving":
        self.thread.start()
        while not self.server.started:
            time.sleep(0.01)
        return self

    def __exit__(self, *_: object) -> None:
        _, *connected = self.opened
        for connection in connected:
            connection.close()
        come(lambda: not self.server.server_state.connections)
        self.server.should_exit = self.server.force_exit = True
        self.thread.join()
        self.listener.close()


def is_open(connection: socket.socket) -> bool:
    """Whether the other side has not let go, however much it has said before."""
    connection.setblocking(False)
    try:
        while connection.recv(2**20):
            pass
    except BlockingIOError:
        return True
    except OSError:
        pass
    return False


def goes_on(connection: socket.socket) -> bool:
    """Whether another byte can be sent."""
    try:
        connection.sendall(b"y")
    except OSError:
        return False
    return True


def asked(connection: socket.socket) -> bool:
    """Whether a whole request is answered on a connection."""
    connection.settimeout(10)
    try:
        connection.sendall(GET)
        return connection.recv(1000).startswith(b"HTTP/1.1 200")
    except OSError:
        return False


def come(has_come: Callable[[], bool]) -> bool:
    """Whether something comes soon; of patience for half a second, on a busy machine too."""
    until = time.monotonic() + 10
    while time.monotonic() < until:
        if has_come():
            return True
        time.sleep(0.05)
    return False


@exhaustive
class TestConnections(unittest.TestCase):
    def test_what_is_half_sent_idle_or_not_taken_is_let_go_of_and_hinders_nobody(self):
        halves = {
            "nothing": b"",
            "empty lines": b"\r\n\r\n",
            "half a header": GET[:-3],
            "half a body": GET[:-2] + b"content-length: 100000\r\n\r\nhalf",
            "a body in parts": GET[:-2] + b"transfer-encoding: chunked\r\n\r\n4\r\nhalf\r\n",
            "a body it says is endless": GET[:-2] + b"content-length: 999999999999\r\n\r\nhalf",
            "an answer nobody takes": GET.replace(b"/", b"/much", 1),
            "another half": GET + GET[:20],
        }
        with Serving(500) as server:
            held = [server.connected(sent=sent) for sent in halves.values() for _ in range(20)]
            for _ in range(8):
                self.assertTrue(asked(server.connected()), "whoever asks is answered")
            self.assertTrue(all(map(is_open, held)), "and nobody had to go for that")
        with (
            patch.multiple(connections, HEADER_S=0.5, BODY_S=0.5, ANSWER_S=0.5, SLOWEST=10**9),
            Serving(500) as server,
        ):
            for name, sent in halves.items():
                with self.subTest(sent=name):
                    held = [server.connected(sent=sent) for _ in range(20)]
                    self.assertTrue(server.lets_go_of(held))
            trickled = server.connected(sent=GET[:-2] + b"x-much: ")
            self.assertTrue(come(lambda: not goes_on(trickled)), "byte by byte is not sooner")

    def test_headers_without_end_are_not_read_to_their_end(self):
        with Serving(10) as server:
            flood = server.connected(sent=GET[:-2])
            with self.assertRaises(OSError):
                for number in range(100_000):
                    flood.sendall(b"x-%d: " % number + b"y" * 1000 + b"\r\n")

    def test_whoever_opens_most_connections_takes_them_from_themselves(self):
        with Serving(30) as server:
            player = server.connected("127.0.0.2")
            self.assertTrue(asked(player))
            crowd = [server.connected() for _ in range(100)]
            self.assertTrue(asked(player), "one who was there stays")
            self.assertTrue(asked(server.connected("127.0.0.3")), "one who comes has room")
            self.assertTrue(asked(crowd[-1]), "the newest of the crowd too")
            self.assertLessEqual(sum(map(is_open, crowd)), 30)


class TestRates(unittest.TestCase):
    @given(
        st.lists(st.floats(0, 3), min_size=1, max_size=200),
        st.integers(1, 20),
        st.integers(1, 20),
    )
    @settings(max_examples=100, deadline=None)
    def test_never_more_than_a_burst_and_a_steady_stream(self, waits, times, seconds):
        now, taken = 0.0, []
        rate = rates.Rate(times, seconds)
        for wait in waits:
            now += wait
            with patch.object(rates, "monotonic", lambda now=now: now):
                is_taken = rate.takes("somebody")
            if is_taken:
                taken.append(now)
            elif len(taken) >= times:
                self.assertLess(now - taken[-times], seconds + 1e-6, "one who waited is taken")
        for first, begun in enumerate(taken):
            for last, ended in enumerate(taken[first:], first):
                most = times + (ended - begun) * times / seconds
                self.assertLessEqual(last - first + 1, most + 1e-6)

    def test_made_up_askers_are_forgotten(self):
        rate = rates.Rate(2, 5)
        for number in range(3 * rates.MAX_ASKERS):
            self.assertTrue(rate.takes(f"{number} {'x' * 10_000}"))
        self.assertLessEqual(len(rate._over), rates.MAX_ASKERS)
        self.assertLess(max(map(len, rate._over)), 100)


class TestPlaying(DemoTest):
    def begun(self, game: str = GAME) -> dict:
        run = self.send("POST", f"/api/play/games/{game}/runs", {}).json()
        return self.act(run, action="begin").json()

    def act(self, run: dict, **action: object):
        address = f"/api/play/runs/{run['id']}/inputs"
        return self.send("POST", address, {"seen": run["seen"], "action": action})

    def test_what_cannot_be_read_or_done_is_told_and_not_kept_without_end(self):
        run = self.begun()
        for _ in range(3):
            told = self.act(run, action="letter", char="x").json()
            self.assertTrue(told["refused"])
            self.assertEqual(told["seen"], run["seen"], "what is refused is not kept")
        for _ in range(60):
            run = self.act(run, action="answer", value="?!").json()
            self.assertEqual(run["table"]["feedback"]["result"], "unreadable")
        self.assertEqual(run["seen"], 1 + session.MAX_UNREAD)
        long = self.act(self.begun(), action="answer", value="? " * 4_000).json()
        self.assertEqual(long["seen"], 1)
        self.assertEqual(long["table"]["feedback"]["result"], "unreadable")
        judged = self.act(run, action="answer", value=1).json()
        self.assertIn(judged["table"]["feedback"]["result"], ("right", "wrong"))
        self.assertEqual(judged["seen"], run["seen"] + 1)

    def test_a_run_takes_only_so_much(self):
        with patch.object(session, "MAX_INPUTS", 5):
            run = self.begun()
            for _ in range(4):
                run = self.act(run, action="answer", value="?!").json()
            self.assertEqual(self.act(run, action="answer", value="?!").status_code, 409)

    def test_where_a_run_stands_is_what_its_inputs_make_of_it(self):
        for seed in range(12):
            chances = random.Random(seed)
            run = self.begun(chances.choice(["harvest-supper", "shed-words", "slug-patrol"]))
            for _ in range(25):
                action = chances.choice(
                    [
                        {"action": "answer", "value": chances.randint(1, 4)},
                        {"action": "answer", "value": chances.choice(["?", "a", "7"])},
                        {"action": "letter", "char": chances.choice("aeirst")},
                        {"action": "hint"},
                        {"action": "continue"},
                        {"action": "wait"},
                    ]
                )
                run = self.act(run, **action).json()
            known = self.app.state.live_runs.newest(run["id"])
            anew = LiveRuns(self.app.state.app_state).newest(run["id"])
            self.assertEqual(known.session, anew.session)

    @exhaustive
    def test_made_up_names_and_many_requests_leave_nothing_in_memory(self):
        run = self.begun()

        def ask(times: int) -> None:
            for number in range(times):
                self.http.get(f"/api/play/runs/{number}{'x' * 500}")
                self.http.get(f"/api/play/games/{number}{'x' * 500}/scores?key={number}")
                self.http.get(f"/api/play/games/{GAME}")
            self.act(run, action="wait")

        ask(40)
        tracemalloc.start()
        self.addCleanup(tracemalloc.stop)
        ask(10)
        gc.collect()
        before, _ = tracemalloc.get_traced_memory()
        ask(100)
        gc.collect()
        after, _ = tracemalloc.get_traced_memory()
        self.assertLess(after - before, 100_000)

    def test_runs_that_nobody_began_are_let_go_of_and_no_others(self):
        left = self.send("POST", f"/api/play/games/{GAME}/runs", {}).json()
        begun, now = self.begun(), self.app.state.clock()
        self.assertEqual(let_go_of_unbegun(self.app), 0)
        with patch.object(self.app.state, "clock", lambda: now + UNBEGUN_FOR + timedelta(hours=1)):
            self.assertGreaterEqual(let_go_of_unbegun(self.app), 1)
        fresh = LiveRuns(self.app.state.app_state)
        with patch.object(self.app.state, "live_runs", fresh):
            self.assertEqual(self.http.get(f"/api/play/runs/{left['id']}").status_code, 404)
            self.assertEqual(self.http.get(f"/api/play/runs/{begun['id']}").status_code, 200)
