"""The queue for requests that come while very many are being worked on."""

import asyncio
import random
import unittest

import httpx2
from starlette.applications import Starlette
from starlette.responses import PlainTextResponse
from starlette.routing import Route

from dicetrail.web.middleware.queue import HELD_S, MAX_IN_QUEUE, PER_SECOND, TICKET, InTurn, Queue


class TestQueue(unittest.TestCase):
    def test_those_who_come_first_go_first_and_nobody_is_forgotten(self):
        """Senders who come again when they were told to, beside a server that works off what it
        is measured at; the order is checked by when each first came."""
        chances, queue = random.Random(4), Queue(most=20)
        now, in_work, done, first = 0.0, [], [], {}
        coming = [(chances.uniform(0, 3), sender, "") for sender in range(900)]
        while coming:
            coming.sort()
            now, sender, ticket = coming.pop(0)
            first.setdefault(sender, now)
            in_work = [end for end in in_work if end > now]
            wait = queue.enter(len(in_work), ticket, now)
            if wait is None:
                in_work.append(now + 20 / PER_SECOND)
                done.append((sender, now))
            else:
                coming.append((now + wait[1] + chances.uniform(0, 0.01), sender, wait[0]))
        self.assertEqual(sorted(sender for sender, _ in done), list(range(900)))
        self.assertLess(now, 3 + 2 * 900 / PER_SECOND)
        served = [first[sender] for sender, _ in done]
        overtaken = max(
            max(served[:place]) - came for place, came in enumerate(served) if place > 0
        )
        self.assertLess(overtaken, 3, "seconds by which anybody went before another")

    def test_who_comes_without_a_ticket_waits_behind_those_who_wait(self):
        queue = Queue(most=1)
        self.assertIsNone(queue.enter(0, "", 0.0))
        ticket, seconds = queue.enter(1, "", 0.0)
        self.assertIsNotNone(queue.enter(0, "", 0.5), "there is room, but somebody waits")
        self.assertIsNotNone(queue.enter(0, "made up", seconds), "no ticket of this server")
        again, _ = queue.enter(1, ticket, seconds)
        self.assertEqual(again, ticket, "no room yet: the place is kept")
        self.assertIsNone(queue.enter(0, ticket, seconds + 1))
        self.assertIsNone(queue.enter(0, "", seconds + 4 * HELD_S), "who never came holds none up")

    def test_what_is_remembered_is_bounded(self):
        queue = Queue(most=0)
        for _ in range(MAX_IN_QUEUE + 50):
            queue.enter(0, "", 0.0)
        self.assertLessEqual(len(queue._turns), MAX_IN_QUEUE)


class TestInTurn(unittest.IsolatedAsyncioTestCase):
    async def test_what_is_beyond_is_told_to_come_again_and_then_taken(self):
        going, most_at_once, at_once = asyncio.Event(), 0, 0

        async def work(request):
            nonlocal at_once, most_at_once
            await request.body()
            at_once += 1
            most_at_once = max(most_at_once, at_once)
            await going.wait()
            at_once -= 1
            return PlainTextResponse("done")

        app = Starlette(routes=[Route("/{path:path}", work, methods=["GET", "POST"])])
        transport = httpx2.ASGITransport(InTurn(app, most=2))
        async with httpx2.AsyncClient(transport=transport, base_url="http://localhost") as http:
            begun = [asyncio.create_task(http.post("/api/x", content=b"a")) for _ in range(2)]
            while at_once < 2:
                await asyncio.sleep(0)
            told = await http.get("/api/x")
            self.assertEqual(told.status_code, 503)
            self.assertEqual(told.headers["retry-after"], "1")
            self.assertEqual(told.headers["content-type"], "application/problem+json")
            shown = asyncio.create_task(
                http.get("/api/media/a", headers={"sec-fetch-dest": "image"})
            )
            while at_once < 3:
                await asyncio.sleep(0)
            going.set()
            await asyncio.gather(shown, *begun)
            self.assertEqual((await http.get("/api/x")).status_code, 503, "behind who waits")
            await asyncio.sleep(1)
            taken = await http.get("/api/x", headers={TICKET: told.headers[TICKET]})
            self.assertEqual((taken.status_code, taken.text), (200, "done"))
