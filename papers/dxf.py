"""A drawing as DXF at full size: millimetres, one named layer for each kind of line."""

from __future__ import annotations

from io import StringIO

from papers.drawing import DASHES, Drawing, Layer

_ANCHORS = {"start": "LEFT", "middle": "CENTER", "end": "RIGHT"}


def to_dxf(drawing: Drawing) -> str:
    """The drawing as the text of a DXF file; its lower left corner is at the origin, as DXF counts upwards."""
    # Read in where it is wanted: it takes a third of a second, and most programs of ours draw nothing.
    from ezdxf import units
    from ezdxf.enums import TextEntityAlignment
    from ezdxf.filemanagement import new

    made = new("R2010", units=units.MM)
    space = made.modelspace()
    for layer in Layer:
        dashes = DASHES.get(layer)
        kind = "CONTINUOUS"
        if dashes:
            kind = _name(layer)
            pattern = [length if index % 2 == 0 else -length for index, length in enumerate(dashes)]
            made.linetypes.add(kind, [sum(dashes), *pattern])
        made.layers.add(_name(layer), linetype=kind)
    for line in drawing.lines:
        bends = (*line.bends, 0.0) if line.bends else (0.0,) * len(line.points)
        points = [(x, drawing.height - y, bend) for (x, y), bend in zip(line.points, bends, strict=False)]
        space.add_lwpolyline(points, format="xyb", close=line.closed, dxfattribs={"layer": _name(line.layer)})
    for one in drawing.words:
        text = space.add_text(
            one.text,
            height=one.height,
            rotation=90 if one.upright else 0,
            dxfattribs={"layer": _name(Layer.WORDS)},
        )
        text.set_placement((one.at[0], drawing.height - one.at[1]), align=TextEntityAlignment[_ANCHORS[one.anchor]])
    written = StringIO()
    made.write(written)
    return written.getvalue()


def _name(layer: Layer) -> str:
    return layer.replace(" ", "_").upper()
