"""Prints the description of the API, as it is committed in docs/openapi.json; with `file`, the schema of the open file."""

import json
import os
import sys

import django


def main() -> None:
    """Print it."""
    os.environ["DJANGO_SETTINGS_MODULE"] = "server.config.settings"
    django.setup()
    from server.api import api
    from server.journal.openfile import schema

    said = schema() if "file" in sys.argv[1:] else api.get_openapi_schema()
    print(json.dumps(said, indent=1, ensure_ascii=False, sort_keys=True))


if __name__ == "__main__":
    main()
