"""Addresses."""

from django.urls import path, re_path

from server.api import api
from server.config.pages import page

urlpatterns = [
    path("api/", api.urls),
    re_path(r"^(?:works/[^/]+(?:/(?:table|fold)/[^/]+|/papers)?/?|cloth/?|tape/?|handbook/?)?$", page),
]
handler400 = "server.config.pages.bad_request"
handler404 = "server.config.pages.not_found"
handler500 = "server.config.pages.server_error"
