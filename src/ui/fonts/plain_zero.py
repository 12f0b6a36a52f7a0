"""Write the letters of the app: Atkinson Hyperlegible Next with a zero that has no slash.

A slashed zero is read as another letter by families who have never seen one, and the font has no feature that turns it off. The counter of
the zero is rebuilt from the two halves that the slash leaves: the lower left and the upper right quarter are whole, and the glyph is
symmetrical. Everything else (widths, kerning, tabular figures) is kept.

The fonts are committed. To write them again from another version of the package @fontsource/atkinson-hyperlegible-next, with Debian's
python3-fonttools and python3-brotli:
    npm pack @fontsource/atkinson-hyperlegible-next && tar xzf fontsource-atkinson-hyperlegible-next-*.tgz
    /usr/bin/python3 src/ui/fonts/plain_zero.py package/files
"""

import sys
from pathlib import Path

from fontTools.pens.recordingPen import DecomposingRecordingPen
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTFont

HERE = Path(__file__).parent
SOURCE = Path(sys.argv[1])
FAMILY = 'Yard Sans'


def contours(font, name):
    """The contours of a glyph: lists of quadratic segments (control point, end point); the first holds the start alone."""
    pen = DecomposingRecordingPen(font.getGlyphSet())
    font.getGlyphSet()[name].draw(pen)
    found = []
    for operator, points in pen.value:
        if operator == 'moveTo':
            found.append([(None, points[0])])
        elif operator == 'lineTo':
            found[-1].append((None, points[0]))
        elif operator == 'qCurveTo':
            controls, end = list(points[:-1]), points[-1]
            for index, control in enumerate(controls):
                after = controls[index + 1] if index + 1 < len(controls) else None
                on = ((control[0] + after[0]) / 2, (control[1] + after[1]) / 2) if after else end
                found[-1].append((control, on))
    return found


def quarter(contour, start, end):
    """The curve between two points of a contour, in its direction."""
    points = [on for _, on in contour]
    first = points.index(start)
    turned = contour[first:] + contour[1 : first + 1]
    kept = []
    for control, on in turned[1:]:
        kept.append((control, on))
        if on == end:
            return kept
    raise ValueError(f'no curve from {start} to {end}')


def plain_zero(font, name):
    outer, left, right = contours(font, name)
    bottom = min((on for _, on in left), key=lambda point: point[1])
    west = min((on for _, on in left), key=lambda point: point[0])
    top = max((on for _, on in right), key=lambda point: point[1])
    east = max((on for _, on in right), key=lambda point: point[0])
    center_x, center_y = bottom[0], west[1]
    mirror_x = lambda point: (2 * center_x - point[0], point[1])
    # Clockwise or not, both quarters run the same way: from the west to the bottom, or back.
    lower_left = try_both(left, west, bottom)
    upper_right = try_both(right, east, top)

    pen = TTGlyphPen(None)
    pen.moveTo(outer[0][1])
    for control, on in outer[1:]:
        pen.qCurveTo(control, on) if control else pen.lineTo(on)
    pen.closePath()
    # The counter against the outline's direction: top, west (mirrored), bottom, east (mirrored), top.
    upper_left = [(mirror_x(control), mirror_x(on)) for control, on in upper_right]
    lower_right = [(mirror_x(control), mirror_x(on)) for control, on in lower_left]
    ring = backwards(upper_left, mirror_x(east)) + lower_left + backwards(lower_right, mirror_x(west)) + upper_right
    if area(ring) * area(outer[1:]) > 0:
        ring = backwards(ring, ring[-1][1])
    pen.moveTo(ring[-1][1])
    for control, on in ring:
        pen.qCurveTo(control, on)
    pen.closePath()
    return pen.glyph()


def try_both(contour, start, end):
    try:
        found = quarter(contour, start, end)
        if all(control for control, _ in found):
            return found
    except ValueError:
        pass
    return backwards(quarter(contour, end, start), end)


def backwards(curve, start):
    """The same curve from its end to its start."""
    ons = [start] + [on for _, on in curve]
    return [(control, on) for (control, _), on in zip(reversed(curve), reversed(ons[:-1]))]


def area(curve):
    ons = [on for _, on in curve]
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(ons, ons[1:] + ons[:1]))


for weight in (400, 600, 700):
    font = TTFont(SOURCE / f'atkinson-hyperlegible-next-latin-{weight}-normal.woff2')
    # Both before either is replaced: the tabular zero may be drawn from the proportional one.
    for name, glyph in [(name, plain_zero(font, name)) for name in ('zero', 'zero.tf')]:
        width_and_margin = font['hmtx'][name]
        font['glyf'][name] = glyph
        font['hmtx'][name] = width_and_margin
    for record in font['name'].names:
        if record.nameID in (1, 3, 4, 6, 16):
            record.string = record.toUnicode().replace('Atkinson Hyperlegible Next', FAMILY).replace('AtkinsonHyperlegibleNext', 'YardSans')
    # Pages use woff2. PDF files need woff: fontkit cannot make a subset of a woff2 font.
    for flavor in ('woff2', 'woff'):
        font.flavor = flavor
        font.save(HERE / f'yard-sans-{weight}.{flavor}')
