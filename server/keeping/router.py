"""The addresses of backups: made, listed, taken away, brought back."""

from __future__ import annotations

import secrets
from collections.abc import Iterator
from pathlib import Path
from typing import Any, BinaryIO

from django.conf import settings
from django.core.files.uploadedfile import TemporaryUploadedFile
from django.http import Http404, HttpRequest, HttpResponse, StreamingHttpResponse
from django.views.decorators.csrf import csrf_protect
from ninja import File, Router
from ninja.files import UploadedFile

from server.keeping import backup, daily, job, kept
from server.keeping import schema as s
from server.wire.files import described
from server.wire.json import answer
from server.wire.problems import Problems

router = Router(tags=["keeping"])
router.add_decorator(csrf_protect, mode="view")
_NO: dict[int, Any] = {
    400: Problems,
    403: Problems,
    404: Problems,
    413: Problems,
    415: Problems,
    422: Problems,
    429: Problems,
    503: Problems,
}


@router.get("/backup", response=_NO, operation_id="backup", openapi_extra=described("application/zip"))
def take_backup(request: HttpRequest) -> StreamingHttpResponse:
    """Everything in one file, read back before it is sent."""
    path = settings.DATA / f".half-{secrets.token_hex(8)}.zip"
    try:
        job.run("backup", path, "by hand")
        return _sent(path, backup.name_of())
    finally:
        path.unlink(missing_ok=True)  # what is open is still sent


@router.post("/backup", response={200: s.RestoredOut, **_NO}, operation_id="restore_backup")
def restore_backup(request: HttpRequest, file: File[UploadedFile]) -> HttpResponse:
    """Everything from one file, in place of what is here; a file that is no backup changes nothing."""
    name = (file.name or "file")[:120]
    if isinstance(file, TemporaryUploadedFile):
        return answer(job.run("restore", Path(file.temporary_file_path()), name))
    path = settings.DATA / f".half-{secrets.token_hex(8)}.zip"
    try:
        with path.open("xb") as out:
            for chunk in file.chunks():
                out.write(chunk)
        return answer(job.run("restore", path, name))
    finally:
        path.unlink(missing_ok=True)


@router.get("/backup/size", response={200: s.SizeOut}, operation_id="backup_size")
def backup_size(request: HttpRequest) -> HttpResponse:
    """How large a backup would be."""
    return answer(backup.size_now())


@router.get("/backup/progress", response={200: s.ProgressOut}, operation_id="backup_progress")
def backup_progress(request: HttpRequest) -> HttpResponse:
    """How far a backup, or bringing one back, has come."""
    return answer(job.progress())


@router.get("/backups", response={200: s.BackupsOut}, operation_id="list_backups")
def list_backups(request: HttpRequest) -> HttpResponse:
    """The backups that the program made by itself."""
    found = [kept.told(one) for one in kept.kept()]
    return answer({"folder": str(kept.folder()), "backups": found, "failed": daily.last_failure()})


@router.get("/backups/{name}", response=_NO, operation_id="kept_backup", openapi_extra=described("application/zip"))
def kept_backup(request: HttpRequest, name: str) -> StreamingHttpResponse:
    """One of them."""
    return _sent(_there(name), name)


@router.post("/backup/restore", response={200: s.RestoredOut, **_NO}, operation_id="restore_kept")
def restore_kept(request: HttpRequest, named: s.Named) -> HttpResponse:
    """Everything from one of them, in place of what is here, which is backed up first."""
    return answer(job.run("restore-own", _there(named.name), named.name))


def _there(name: str) -> Path:
    path = kept.path_of(name)
    if path is None:
        raise Http404
    return path


def _sent(path: Path, name: str) -> StreamingHttpResponse:
    """The file, piece by piece; it is open already, so that it may lose its name."""
    file = path.open("rb")
    response = StreamingHttpResponse(_pieces(file), content_type="application/zip")
    response["Content-Length"] = str(path.stat().st_size)
    response["Content-Disposition"] = f'attachment; filename="{name}"'
    return response


def _pieces(file: BinaryIO) -> Iterator[bytes]:
    with file:
        while piece := file.read(1 << 18):
            yield piece
