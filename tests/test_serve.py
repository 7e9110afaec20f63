"""Starting the program: clear sentences, never a traceback."""

from __future__ import annotations

import signal
import socket
import subprocess
import sys
from pathlib import Path

import pytest

from tests.browser.conftest import ROOT, serve


def started(*arguments: str) -> subprocess.CompletedProcess[str]:
    command = [sys.executable, "-m", "scripts.serve", *arguments]
    return subprocess.run(command, cwd=ROOT, capture_output=True, text=True, timeout=60, check=False)


@pytest.mark.parametrize("port", ["eighty", "0", "99999"])
def test_what_is_no_port_is_said(tmp_path: Path, port: str) -> None:
    ended = started("--data", str(tmp_path), "--port", port)
    assert ended.returncode == 1
    assert ended.stderr.startswith(f"PORT={port} is not a port")


def test_a_taken_port_is_said(tmp_path: Path) -> None:
    with socket.socket() as taken:
        taken.bind(("127.0.0.1", 0))
        taken.listen()
        ended = started("--data", str(tmp_path), "--port", str(taken.getsockname()[1]))
    assert ended.returncode == 1
    assert "is taken, perhaps by Young Ribbon itself" in ended.stderr
    assert "Traceback" not in ended.stderr


def test_a_folder_that_cannot_be_is_said(tmp_path: Path) -> None:
    (tmp_path / "file").write_text("x")
    ended = started("--data", str(tmp_path / "file" / "works"), "--port", "18999")
    assert ended.returncode == 1
    assert "The works cannot be kept in" in ended.stderr
    assert "Traceback" not in ended.stderr


def test_it_ends_cleanly_and_keeps_its_works_to_itself(tmp_path: Path) -> None:
    running, _ = serve(tmp_path / "works", "--demo")
    running.send_signal(signal.SIGINT)
    assert running.wait(20) == 0
    assert (tmp_path / "works").stat().st_mode & 0o077 == 0
