"""Middleware: rejects requests that are too large, come from another site or are not JSON; sets the security headers."""

from __future__ import annotations

import secrets
from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse
from django.http.request import split_domain_port, validate_host

from server.wire.json import answer
from server.wire.problems import one

# Nothing inline runs, and nothing comes from elsewhere.  Radix's dialogs lock scrolling with a <style> of
# their own: the page's nonce admits that one, so that 'unsafe-inline' is needed nowhere.
_POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
)
_SAFE = ("GET", "HEAD", "OPTIONS")
_FILES = "multipart/form-data"


class Door:
    """Rejects requests that are too large, come from another site or are not JSON; sets the content security policy."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        request.META["young_ribbon.nonce"] = nonce = secrets.token_urlsafe(16)
        response = _too_large(request) or _from_elsewhere(request) or _not_json(request) or self.get_response(request)
        response["Content-Security-Policy"] = _POLICY.format(nonce=nonce)
        if request.path.startswith("/api/") and "Cache-Control" not in response:
            response["Cache-Control"] = "no-store"  # what was typed goes into no cache
        return response


def _too_large(request: HttpRequest) -> HttpResponse | None:
    # Files are streamed to disk and measured where they are taken in.
    most = settings.MOST_UPLOADED if request.content_type == _FILES else settings.DATA_UPLOAD_MAX_MEMORY_SIZE
    said = request.META.get("CONTENT_LENGTH") or "0"
    if said.isdigit() and (int(said) <= most or (request.path == settings.BACKUP and request.content_type == _FILES)):
        return None
    message = f"{said[:40]} bytes are more than this address takes"
    return answer(one("too_large", message, f"send at most {most} bytes", "", said), 413)


def _from_elsewhere(request: HttpRequest) -> HttpResponse | None:
    """A page of another site may not have this program work, though nothing is kept."""
    origin, site = request.headers.get("Origin"), request.headers.get("Sec-Fetch-Site", "same-origin")
    if request.method in _SAFE and (site in ("same-origin", "none") or not request.path.startswith("/api/")):
        return None
    if (
        request.method not in _SAFE
        and site in ("same-origin", "none")
        and (origin is None or origin == f"{request.scheme}://{_host(request)}")
    ):
        return None
    return answer(one("not_from_here", "this request did not come from the page itself", "load the page again"), 403)


def _host(request: HttpRequest) -> str:
    said = request.META.get("HTTP_HOST", request.META.get("SERVER_NAME", ""))
    return said if validate_host(split_domain_port(said)[0], settings.ALLOWED_HOSTS) else ""


def _not_json(request: HttpRequest) -> HttpResponse | None:
    """Of what changes or asks nothing is read that does not say it is JSON, or a form with files."""
    if request.method in _SAFE or not request.path.startswith("/api/"):
        return None
    said = request.content_type or ""
    empty = (request.META.get("CONTENT_LENGTH") or "0") == "0"
    if empty or said in ("application/json", _FILES):
        return None
    return answer(one("not_json", f"a body of “{said[:60]}” is not read", "send application/json", "", said), 415)
