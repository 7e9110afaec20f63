"""Prints the description of the API, as it is committed in docs/openapi.json."""

import json
import os

import django


def main() -> None:
    """Print it."""
    os.environ["DJANGO_SETTINGS_MODULE"] = "server.config.settings"
    django.setup()
    from server.api import api

    print(json.dumps(api.get_openapi_schema(), indent=1, ensure_ascii=False, sort_keys=True))


if __name__ == "__main__":
    main()
