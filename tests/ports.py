"""A port for a server of a test's own: none that another test, or a browser's connection, can be given meanwhile."""

import os
import socket
from itertools import count

FIRST, EACH = 20_000, 1_000
"""Below what systems hand out by themselves (RFC 6335: from 49152; Linux: from 32768), a thousand a worker."""
_turn = count()


def free_port() -> int:
    """A port that is free, and that no other worker of the same run takes."""
    worker = int(os.environ.get("PYTEST_XDIST_WORKER", "gw0").removeprefix("gw"))
    for _ in range(EACH):
        port = FIRST + worker % 10 * EACH + next(_turn) % EACH
        with socket.socket() as probe:
            probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
            try:
                probe.bind(("127.0.0.1", port))
            except OSError:
                continue
            return port
    raise RuntimeError("no port is free")
