"""The application that waitress serves."""

import gc
import os
from importlib import import_module

from django.core.wsgi import get_wsgi_application

os.environ.setdefault("DJANGO_SETTINGS_MODULE", "server.config.settings")
application = get_wsgi_application()
# What some request needs is read in before the first one comes.
for _name in ("server.config.urls", "ezdxf.filemanagement", "ortools.sat.python.cp_model", "spyrrow"):
    import_module(_name)


def settle_memory() -> None:
    """Keep the garbage collector from walking what was loaded at the start, and run it less often.

    An answer is some thousands of small objects that live for one request; walking everything else while they are
    made is a fifth of the time.
    """
    gc.collect()
    gc.freeze()
    gc.set_threshold(100_000, 50, 50)


settle_memory()
