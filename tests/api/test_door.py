"""Which requests are rejected, and that the API answers as it is described."""

from __future__ import annotations

import json
import re
import stat
from collections.abc import Callable
from pathlib import Path

import pytest
import schemathesis
from django.conf import settings
from django.test import Client
from hypothesis import HealthCheck
from hypothesis import settings as how
from schemathesis.specs.openapi.checks import negative_data_rejection, positive_data_acceptance

from server.api import api
from server.config.secret import secret_key
from server.config.wsgi import application
from tests.examples import FRESH, law

ROOT = Path(__file__).resolve().parents[2]
HERE = Client(SERVER_NAME="127.0.0.1")


def test_the_committed_description_is_that_of_the_program() -> None:
    committed = json.loads((ROOT / "docs" / "openapi.json").read_text(encoding="utf-8"))
    assert committed == json.loads(json.dumps(api.get_openapi_schema())), "run `make api`"


def test_nothing_inline_and_nothing_from_elsewhere() -> None:
    answer = HERE.get("/")
    policy = answer["Content-Security-Policy"]
    assert "default-src 'none'; script-src 'self';" in policy
    assert "unsafe" not in policy
    nonce = policy.partition("'nonce-")[2].partition("'")[0]
    assert f'content="{nonce}"' in answer.content.decode()
    assert HERE.get("/")["Content-Security-Policy"] != policy
    assert (answer["X-Frame-Options"], answer["X-Content-Type-Options"]) == ("DENY", "nosniff")


def test_other_hosts_are_turned_away() -> None:
    answer = Client(SERVER_NAME="elsewhere.example").get("/")
    assert answer.status_code == 400
    assert answer.json()["problems"][0]["code"] == "bad_request"


def test_a_body_that_is_too_large_is_not_read() -> None:
    answer = HERE.post("/api/plan", "x" * 300_000, content_type="application/json")
    assert answer.status_code == 413
    assert answer.json()["problems"][0]["way_out"] == "send at most 262144 bytes"


def test_the_secret_key_is_its_owners_alone(tmp_path: Path) -> None:
    key = secret_key(tmp_path)
    assert len(key) > 50
    assert secret_key(tmp_path) == key
    assert stat.S_IMODE((tmp_path / "secret-key").stat().st_mode) == 0o600


def test_the_settings_are_the_safe_ones() -> None:
    assert settings.DEBUG is False
    assert set(settings.ALLOWED_HOSTS) - {"testserver"} == {"127.0.0.1", "localhost", "[::1]"}
    assert "django.middleware.csrf.CsrfViewMiddleware" in settings.MIDDLEWARE
    assert stat.S_IMODE(settings.DATA.stat().st_mode) & 0o077 == 0


def test_the_description_can_be_read_with_no_network() -> None:
    page = HERE.get("/api/docs").content.decode()
    assert "/static/ninja/swagger-ui-bundle.js" in page
    assert "https://" not in page


def test_nothing_is_at_other_addresses() -> None:
    for address in ("/nowhere", "/api/nowhere", "/works/a/b"):
        answer = HERE.get(address)
        assert answer.status_code == 404
        assert answer.json()["problems"][0]["way_out"]


# Addresses that take a whole section have so many fields that going through them one by one takes minutes: in
# `make soak` alone, and there for the first of them, a plan, and what changes pins.  The others get requests at random.
_AT_RANDOM = r"^/api/(chalk|check|cloth|cut|fold|lies|papers/.*|works|works/\{key\}/(sections|settle).*)$"
_AT_RANDOM_IN_A_TEST = (
    r"^/api/(cloth/read|even|move|pick|plan|ruffle|thing|cloths.*|swatches.*"
    r"|works/ways|works/\{key\}/(checks|cloths|log|order|thing).*)$"
)


_DESCRIPTION = json.loads((ROOT / "docs" / "openapi.json").read_text(encoding="utf-8"))
_by_field, _by_chance = (schemathesis.openapi.from_dict(_DESCRIPTION) for _ in range(2))
_by_field.app = _by_chance.app = application
_by_chance.config.phases.coverage.enabled = False


def _described(name: str, *, at_random: bool) -> Callable[..., None]:
    """The test that one address, `name`, answers generated requests as it is described."""

    @(_by_chance if at_random else _by_field).include(operation_id=name).parametrize()
    @how(law(25), suppress_health_check=list(HealthCheck))
    @pytest.mark.django_db
    def test(case: schemathesis.Case) -> None:
        page = Client(SERVER_NAME="127.0.0.1").get("/")
        token = page.cookies["csrftoken"].value
        case.headers = {
            **dict(case.headers or {}),
            "X-CSRFToken": token,
            "Cookie": f"csrftoken={token}",
            "Host": "127.0.0.1",
        }
        # Facts of the right shape may still be impossible, and a wrong shape may be too large before it is wrong.
        case.call_and_validate(excluded_checks=[positive_data_acceptance, negative_data_rejection])

    return test


# A test each by its own name: of several tests with one name only one would be run.
for _address, _ways in _DESCRIPTION["paths"].items():
    for _way in _ways.values():
        _name = _way["operationId"]
        globals()[f"test_{_name}_answers_as_described"] = _described(
            _name,
            at_random=bool(re.match(_AT_RANDOM, _address) or (not FRESH and re.match(_AT_RANDOM_IN_A_TEST, _address))),
        )
