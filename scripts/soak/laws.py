"""The laws of the core, and that the API is as it is described, tried with many examples that are new each time."""

from __future__ import annotations

import os
import random
import re
import subprocess
import sys
from collections import Counter
from collections.abc import Callable
from pathlib import Path

_LAWS = ("tests/core", "tests/papers", "tests/api/test_door.py", "tests/api/test_offers.py")


def laws(chance: random.Random, going: Callable[[], bool], place: Path) -> Counter[str]:
    """How many laws were tried, with a new seed for each round; `faults` are those that failed."""
    found: Counter[str] = Counter()
    around = {**os.environ, "YOUNG_RIBBON_EXAMPLES": "4", "YOUNG_RIBBON_DATA": str(place)}
    while going() or not found:
        seed = chance.randrange(10**9)
        command = [sys.executable, "-m", "pytest", "-q", f"--hypothesis-seed={seed}", *_LAWS]
        said = subprocess.run(command, env=around, capture_output=True, text=True, check=False)
        found["rounds"] += 1
        found["held"] += sum(int(many) for many in re.findall(r"(\d+) passed", said.stdout))
        if said.returncode:
            found["faults"] += 1
            print(f"a law failed with --hypothesis-seed={seed}:\n{said.stdout[-4000:]}", flush=True)
    return found
