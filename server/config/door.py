"""What stands at the door: request sizes, and what a page may load."""

from __future__ import annotations

import secrets
from collections.abc import Callable

from django.conf import settings
from django.http import HttpRequest, HttpResponse, JsonResponse

# Nothing inline runs, and nothing comes from elsewhere.  Radix's dialogs lock scrolling with a <style> of
# their own: the page's nonce admits that one, so that 'unsafe-inline' is needed nowhere.
_POLICY = (
    "default-src 'none'; script-src 'self'; style-src 'self' 'nonce-{nonce}'; img-src 'self' data:; "
    "font-src 'self'; connect-src 'self'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
)


class Door:
    """Refuses bodies that are too large before they are read, and sets the content security policy."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        request.csp_nonce = nonce = secrets.token_urlsafe(16)
        response = self._too_large(request) or self.get_response(request)
        response["Content-Security-Policy"] = _POLICY.format(nonce=nonce)
        return response

    def _too_large(self, request: HttpRequest) -> HttpResponse | None:
        # Files are streamed to disk and measured where they are taken in.
        whole = (request.content_type or "") == "multipart/form-data"
        most = settings.MOST_UPLOADED if whole else settings.DATA_UPLOAD_MAX_MEMORY_SIZE
        said = request.META.get("CONTENT_LENGTH") or "0"
        if said.isdigit() and int(said) <= most:
            return None
        problem = {
            "code": "too_large",
            "message": f"{said} bytes are more than this address takes",
            "path": "",
            "value": said,
            "way_out": f"send at most {most} bytes",
        }
        return JsonResponse({"problems": [problem]}, status=413)
