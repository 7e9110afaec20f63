"""How a value that was sent is quoted in a message."""


def shown(value: object) -> str:
    """A value that was sent, as text short enough to quote."""
    text = value if isinstance(value, str) else repr(value)
    return text if len(text) <= 80 else text[:79] + "…"
