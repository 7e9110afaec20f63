"""The page that stands in for all others while the works cannot be kept: what is wrong, and what can be done."""

from __future__ import annotations

from collections.abc import Callable
from html import escape

from django.db import DatabaseError
from django.http import HttpRequest, HttpResponse, HttpResponseRedirect
from django.middleware.csrf import get_token
from django.views.decorators.csrf import csrf_protect
from django.views.decorators.http import require_POST

from ribbon.errors import Refusal
from server.keeping import job, kept
from server.keeping.health import Trouble, health, look, trouble_of
from server.keeping.start import put_aside, ready
from server.wire.json import answer
from server.wire.problems import from_core, one

_PAGE = """<!doctype html>
<html lang="en"><head><meta charset="utf-8"><title>Young Ribbon: the works cannot be kept</title>
<meta name="viewport" content="width=device-width, initial-scale=1">
<style nonce="{nonce}">
body {{ font: 1.1rem/1.5 system-ui, sans-serif; color: #1c2230; background: #f4f5f2; margin: 0 auto; max-width: 44rem; padding: 2rem 1.25rem }}
h1 {{ font-size: 1.6rem }} p.says {{ border-left: 6px solid #c9a227; padding-left: .75rem }}
button {{ font: inherit; min-height: 44px; padding: 0 1rem; border: 1px solid #27466b; border-radius: 4px; background: #fff; color: #27466b }}
button.main {{ background: #27466b; color: #fff }} ul {{ list-style: none; padding: 0 }} li {{ margin: .75rem 0 }} form {{ display: inline }}
</style></head><body><main><h1>The works cannot be kept just now</h1>
<p class="says" role="alert">{says}</p><p>{way_out}</p>{more}{backups}
<p>Nothing that was typed in an open window is lost: it is kept there and sent when this is mended.</p></main></body></html>"""


class StandIn:
    """Answers every address but those of static files and of the mending itself while the works cannot be kept."""

    def __init__(self, get_response: Callable[[HttpRequest], HttpResponse]) -> None:
        self.get_response = get_response

    def __call__(self, request: HttpRequest) -> HttpResponse:
        if request.path.startswith(("/static/", "/trouble/")):
            return self.get_response(request)
        found = health.now()
        # A full disk can be read from and reckoned beside; what writes to it says that there is no room.
        if found is None or found.kind == "full":
            return self.get_response(request)
        return _stands_in(request, found)

    def process_exception(self, request: HttpRequest, error: Exception) -> HttpResponse | None:
        """What is said where something is raised beside what an address does; None leaves it to be a fault."""
        if isinstance(error, Refusal):
            return answer(from_core(error.problems), 422)
        trouble = trouble_of(error) if isinstance(error, DatabaseError | OSError) else None
        if trouble is None:
            return None
        # What is wrong with the file is said until it is right; a moment's wait for another writer is not that.
        if trouble.kind != "locked" and isinstance(error, DatabaseError):
            health.say(look(whole=False))
        return answer(one(trouble.kind, trouble.says, trouble.way_out), 503)


def _stands_in(request: HttpRequest, trouble: Trouble) -> HttpResponse:
    """The answer to any address while there is that trouble: a page, or for the API the problem alone."""
    if request.path.startswith("/api/"):
        return answer(one(trouble.kind, trouble.says, trouble.way_out), 503)
    return _page(request, trouble, "")


def _page(request: HttpRequest, trouble: Trouble, more: str) -> HttpResponse:
    backups = _backups(request) if trouble.replaced else ""
    html = _PAGE.format(
        nonce=request.META["young_ribbon.nonce"],
        says=escape(trouble.says),
        way_out=escape(trouble.way_out),
        more=f'<p class="says" role="alert">{escape(more)}</p>' if more else "",
        backups=backups,
    )
    return HttpResponse(html, status=503, headers={"Cache-Control": "no-store", "Retry-After": "2"})


def _backups(request: HttpRequest) -> str:
    token = escape(get_token(request))
    hidden = f'<input type="hidden" name="csrfmiddlewaretoken" value="{token}">'
    rows = []
    for number, made in enumerate(kept.told(each) for each in kept.kept()):
        words = f"{made['at'][:16].replace('T', ' ')}, {made['why']}: {made['says']}, {made['size']}"
        rows.append(
            f'<li><form method="post" action="/trouble/backup">{hidden}'
            f'<input type="hidden" name="name" value="{escape(made["name"])}">'
            f"<button{' class=main' if number == 0 else ''}>Bring back</button></form> {escape(words)}</li>"
        )
    empty = f'<form method="post" action="/trouble/empty">{hidden}<button>Begin with an empty shelf</button></form>'
    if not rows:
        return f"<p>There is no backup in the data folder. Put one into its folder “backups”, or:</p>{empty}"
    return f"<h2>Backups</h2><ul>{''.join(rows)}</ul>{empty}"


@require_POST
@csrf_protect
def bring_back(request: HttpRequest) -> HttpResponse:
    """Put the database aside and bring a backup back in its place."""
    return _replaced(request, request.POST.get("name", ""))


@require_POST
@csrf_protect
def begin_empty(request: HttpRequest) -> HttpResponse:
    """Put the database aside and begin with none."""
    return _replaced(request, None)


def _replaced(request: HttpRequest, name: str | None) -> HttpResponse:
    trouble = look()  # now: it may have been mended by another window
    if trouble is None or not trouble.replaced:
        health.say(trouble)
        return HttpResponseRedirect("/")
    path = None if name is None else kept.path_of(name)
    if name is not None and path is None:
        return _page(request, trouble, "That backup is not there any more.")
    put_aside()
    try:
        found = ready(fresh=True)
        if found is None and path is not None:
            job.run("restore-own", path, path.name)
    except job.Busy:
        return _page(request, trouble, "Another backup is under way just now: wait until it is over.")
    except Refusal as refusal:
        return _page(request, trouble, f"{refusal.problems[0].message}; {refusal.problems[0].way_out}")
    health.say(found)
    return HttpResponseRedirect("/")
