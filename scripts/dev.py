"""Serves the page and the program while both are edited: the page reloads as it is saved, the program starts anew.

The page comes from Vite on PORT, what it asks goes to Django's own server one port higher; works are kept in data-dev.
"""

from __future__ import annotations

import os
import signal
import subprocess
import sys
import time
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]


def main() -> None:
    """Start both, and end both when either ends."""
    port = int(os.environ.get("PORT", "8420"))
    data = Path(os.environ.get("YOUNG_RIBBON_DATA") or ROOT / "data-dev")
    around = {**os.environ, "YOUNG_RIBBON_DATA": str(data), "YOUNG_RIBBON_BEHIND": str(port + 1)}
    manage = [sys.executable, "-W", "ignore", "manage.py"]
    for command in (["migrate", "-v", "0"], ["demo_works"], ["demo_cloths"], ["demo_swatches"]):
        subprocess.run([*manage, *command], cwd=ROOT, env=around, check=True)
    programs = [
        subprocess.Popen([*manage, "runserver", f"127.0.0.1:{port + 1}"], cwd=ROOT, env=around),
        subprocess.Popen(
            ["npx", "--no-install", "vite", "--host", "127.0.0.1", "--port", str(port), "--strictPort"],
            cwd=ROOT / "web",
            env=around,
        ),
    ]
    print(f"Edit away: http://127.0.0.1:{port}/ (Ctrl-C ends it). Works are kept in {data}.", flush=True)
    signal.signal(signal.SIGTERM, signal.default_int_handler)
    try:
        while all(program.poll() is None for program in programs):
            time.sleep(0.5)
    except KeyboardInterrupt:
        pass
    for program in programs:
        program.terminate()


if __name__ == "__main__":
    main()
