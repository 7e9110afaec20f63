"""The application's one page, and what is said when a request is turned away."""

from __future__ import annotations

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse
from django.views.decorators.csrf import ensure_csrf_cookie
from django.views.decorators.http import require_safe

_NOT_BUILT = "The pages are not built yet: run `make setup`."


@require_safe
@ensure_csrf_cookie
def page(request: HttpRequest) -> HttpResponse:
    """The page, with this answer's nonce in it; the script decides from the address what to show."""
    index = settings.WEB_BUILD / "index.html"
    if not index.is_file():
        return HttpResponse(_NOT_BUILT, status=503, content_type="text/plain; charset=utf-8")
    html = index.read_text(encoding="utf-8").replace("__NONCE__", request.META["young_ribbon.nonce"])
    response = HttpResponse(html)
    response["Cache-Control"] = "no-store"
    return response


@require_safe
def description(request: HttpRequest) -> HttpResponse:
    """The description of the API, as it is committed: a test holds it to be that of the program."""
    return HttpResponse((settings.ROOT / "docs" / "openapi.json").read_bytes(), content_type="application/json")


def _turned_away(code: str, message: str, way_out: str, status: int) -> JsonResponse:
    problem = {"code": code, "message": message, "path": "", "value": "", "way_out": way_out}
    return JsonResponse({"problems": [problem]}, status=status)


def csrf_failure(request: HttpRequest, reason: str = "") -> HttpResponse:
    """Answers a write that lacks this page's own token."""
    return _turned_away("not_from_here", "this change did not come from the page itself", "load the page again", 403)


def bad_request(request: HttpRequest, exception: Exception) -> HttpResponse:
    """Answers a request that could not be read at all."""
    return _turned_away("bad_request", "the request could not be read", "check the address and the body", 400)


def not_found(request: HttpRequest, exception: Exception) -> HttpResponse:
    """Answers a request for an address that does not exist: the page says so itself, to whoever looks at pages."""
    looks = request.method in ("GET", "HEAD") and "text/html" in request.headers.get("Accept", "")
    if looks and not request.path.startswith(("/api/", "/static/")):
        found: HttpResponse = page(request)
        found.status_code = 404 if found.status_code == 200 else found.status_code
        return found
    return _turned_away("not_found", "there is nothing at this address", "start from /", 404)


def server_error(request: HttpRequest) -> HttpResponse:
    """Answers a request that met a fault of the program; the log has the details."""
    return _turned_away("fault", "the program made a mistake; nothing typed here is lost", "load the page again", 500)
