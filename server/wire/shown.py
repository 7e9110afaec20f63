"""Saying back what was got."""


def shown(value: object) -> str:
    """A value that was got, as text short enough to say back."""
    text = value if isinstance(value, str) else repr(value)
    return text if len(text) <= 80 else text[:79] + "…"
