"""Django settings.  Everything a person may change is an environment variable named YOUNG_RIBBON_…"""

from __future__ import annotations

import os
from pathlib import Path

from server.config.secret import secret_key

ROOT = Path(__file__).resolve().parents[2]
DATA = Path(os.environ.get("YOUNG_RIBBON_DATA") or ROOT / "data").resolve()
DATA.mkdir(mode=0o700, parents=True, exist_ok=True)

DEBUG = False
SECRET_KEY = secret_key(DATA)
ALLOWED_HOSTS = ["127.0.0.1", "localhost", "[::1]"]

INSTALLED_APPS = [
    "django.contrib.contenttypes",
    "django.contrib.staticfiles",
    "ninja",
    "server.works",
    "server.shelf",
    "server.journal",
    "server.swatches",
    "server.keeping",
]
MIDDLEWARE = [
    "django.middleware.security.SecurityMiddleware",
    "server.config.door.Door",
    "server.config.guard.Guard",
    "whitenoise.middleware.WhiteNoiseMiddleware",
    "django.middleware.common.CommonMiddleware",
    "django.middleware.csrf.CsrfViewMiddleware",
    "django.middleware.clickjacking.XFrameOptionsMiddleware",
    "server.config.trouble.StandIn",
]
ROOT_URLCONF = "server.config.urls"
WSGI_APPLICATION = "server.config.wsgi.application"
TEMPLATES = [{"BACKEND": "django.template.backends.django.DjangoTemplates", "APP_DIRS": True}]

DATABASES = {
    "default": {
        "ENGINE": "django.db.backends.sqlite3",
        "NAME": DATA / "ribbon.sqlite3",
        "OPTIONS": {
            "timeout": 10,
            "transaction_mode": "IMMEDIATE",
            "init_command": "PRAGMA journal_mode=WAL; PRAGMA synchronous=FULL; PRAGMA foreign_keys=ON;",
        },
    }
}
DEFAULT_AUTO_FIELD = "django.db.models.BigAutoField"

# Uploads wait where the works are: whole photographs and backups need no second disk.
FILE_UPLOAD_TEMP_DIR = DATA
FILE_UPLOAD_PERMISSIONS = 0o600
# Backups are made and brought back by a program of their own.
JOBS_APART = True

USE_TZ = True
TIME_ZONE = "UTC"
USE_I18N = False

STATIC_URL = "/static/"
STATIC_ROOT = ROOT / "web" / "served"
WEB_BUILD = ROOT / "web" / "dist"
STATICFILES_DIRS = [WEB_BUILD] if WEB_BUILD.is_dir() else []
STORAGES = {"staticfiles": {"BACKEND": "whitenoise.storage.CompressedStaticFilesStorage"}}
# Vite puts a hash of the contents into the names below assets/, so these never change.
WHITENOISE_IMMUTABLE_FILE_TEST = r"^/static/assets/"

CSRF_COOKIE_SAMESITE = "Strict"
CSRF_FAILURE_VIEW = "server.config.pages.csrf_failure"
SECURE_CONTENT_TYPE_NOSNIFF = True
SECURE_REFERRER_POLICY = "same-origin"
SECURE_CROSS_ORIGIN_OPENER_POLICY = "same-origin"
X_FRAME_OPTIONS = "DENY"
# A section is a few hundred bytes, a work a few thousand.
DATA_UPLOAD_MAX_MEMORY_SIZE = 256 * 1024
# A photograph or an open file; a backup is as large as it is.
MOST_UPLOADED = 32 * 1024 * 1024
BACKUP = "/api/backup"
LOGGING = {
    "version": 1,
    "disable_existing_loggers": False,
    "formatters": {"bare": {"()": "server.config.logs.Bare"}},
    "handlers": {"kept": {"()": "server.config.logs.OfProcess", "folder": DATA / "logs", "formatter": "bare"}},
    "loggers": {
        "django": {"handlers": ["kept"], "level": "ERROR", "propagate": False},
        "django.security.DisallowedHost": {"handlers": ["kept"], "propagate": False},
        "server": {"handlers": ["kept"], "level": "INFO", "propagate": False},
        "waitress": {"handlers": ["kept"], "level": "ERROR", "propagate": False},
    },
}
