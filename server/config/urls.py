"""Addresses."""

from django.urls import path, re_path

from server.api import api
from server.config.pages import description, page
from server.config.trouble import begin_empty, bring_back

urlpatterns = [
    path("api/openapi.json", description),
    path("api/", api.urls),
    path("trouble/backup", bring_back),
    path("trouble/empty", begin_empty),
    re_path(
        r"^(?:works/[^/]+(?:/(?:table|fold)/[^/]+|/papers)?/?|(?:cloth|swatches|lesson|tape|handbook|backups|ways)/?)?$",
        page,
    ),
]
handler400 = "server.config.pages.bad_request"
handler404 = "server.config.pages.not_found"
handler500 = "server.config.pages.server_error"
