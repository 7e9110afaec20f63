"""The program's own settings, with a data folder that goes away."""

import os
import tempfile

_kept = tempfile.TemporaryDirectory(prefix="young-ribbon-test-")
os.environ["YOUNG_RIBBON_DATA"] = _kept.name

from server.config.settings import *  # noqa: E402

# Works of a test are in no other program's sight.
JOBS_APART = False
