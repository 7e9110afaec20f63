"""A piece that pleats are let into, as it is cut and printed: spread by them, its top trued."""

from __future__ import annotations

import re
from itertools import pairwise
from typing import Any

import pytest
from django.test import Client

FRONT: dict[str, Any] = {
    "kind": "box", "unit": "cm", "tape": None, "pins": {"finished": "24", "depth": "2", "box": "4"}, "lead": {"fold": True},
    "placed": [{"at": "0"}, {"at": "12"}], "piece": {"rise": "2", "times": 2},
    "allowance": {"end": "1.5"}, "cloth": {"usable": "138"},
    "cutting": {"drop": {"finished": "50", "heading": "1.5", "hem": "4", "hem_turns": 1}},
}  # fmt: skip


def test_a_piece_with_pleats_let_in_is_cut_as_it_is_spread_and_trued(client: Client) -> None:
    asked = {"sections": [{"key": "f", "name": "Front", "spec": FRONT}], "cloths": {}}
    cut = client.post("/api/cut", {**asked, "quick": True}, content_type="application/json").json()
    (front,) = cut["plans"][0]["placed"]
    # Half of it 36 and a seam of 1.5, opened on its fold; 50 long, 2 more at its end, a seam above and a hem of 4 below.
    assert front["on_fold"]
    assert front["wide"]["mm"] == pytest.approx(2 * (360 + 15))
    assert front["long"]["mm"] == pytest.approx(500 + 20 + 40 + 15, abs=3)
    assert front["outline"]
    pattern = client.post(
        "/api/papers/pages", {**asked, "paper": "pattern", "work": "W"}, content_type="application/json"
    ).json()
    assert any("on the fold" in page for page in pattern["pages"])
    # Without its piece it is a strip, and so is one that is wider than its cloth.
    for other in ({"piece": None}, {"cloth": {"usable": "70"}}):
        spec = {**FRONT, **other}
        plain = client.post(
            "/api/cut",
            {"sections": [{"key": "f", "name": "Front", "spec": spec}], "cloths": {}, "quick": True},
            content_type="application/json",
        ).json()
        assert not any(one["outline"] for one in plain["plans"][0]["placed"])


def test_the_area_of_a_piece_is_its_block_and_what_its_pleats_take(client: Client) -> None:
    """Every stretch of the top, as high as it comes to lie, walked by trapezes in floats alone."""
    bare = {
        **FRONT,
        "allowance": {"end": "0", "start": "0"},
        "cutting": {"drop": {"finished": "50", "heading": "0", "hem": "0"}},
    }
    asked = {
        "sections": [{"key": "f", "name": "Front", "spec": bare}],
        "cloths": {},
        "paper": "pattern",
        "format": "svg",
    }
    drawn = client.post("/api/papers/file", asked, content_type="application/json").content.decode()
    path = re.search(r'<g id="cut"[^>]*>\s*<path d="M([^"]+)"', drawn)
    assert path is not None
    numbers = [float(one) for one in re.findall(r"-?[0-9.]+", path[1])]
    points = list(zip(numbers[::2], numbers[1::2], strict=True))
    area = abs(sum(a * d - b * c for (a, b), (c, d) in zip(points, [*points[1:], points[0]], strict=True))) / 2
    trued = client.post("/api/plan", bare, content_type="application/json").json()["inserted"]["trued"]
    at = [(one["at"]["mm"], one["height"]["mm"]) for one in trued]
    above = sum((b - a) * (low + high) / 2 for (a, low), (b, high) in pairwise(at))
    assert area == pytest.approx(360 * 500 + above, rel=1e-5)
    # Half a block of 24 with a rise of 2 is 24 · (50 + 1); what the pleats take, 12 more wide, is cut on above it.
    assert area > 240 * 510 + 120 * 500
