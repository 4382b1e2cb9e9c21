"""The keepers of a mask at true size: every outline in its place with its number, to be printed and laid beside."""

import shapely

from dunestead.core.cutting.drawing import FLAG, MarkText, SheetDrawing
from dunestead.core.cutting.paths import CutPath
from dunestead.core.cutting.promise import promise_of
from dunestead.core.geometry.affine import Affine
from dunestead.core.plan.plan import MaskPlan, Plan, mask_title

__all__ = ["draw_keepers"]

# Around the keepers, mm; and the strip below them for the label.
_AROUND, _STRIP = 10.0, 8.0
_MOST_HIGH, _LEAST_HIGH = 6.0, 2.0
# A digit is so many times as wide as high.
_DIGIT = 0.56


def draw_keepers(plan: Plan, mask: MaskPlan) -> SheetDrawing:
    """Return the outlines of a mask's keepers as they lie on the blank, mm; seen through, as from its back."""
    keepers = mask.cut.keepers
    x0, y0, x1, y1 = shapely.total_bounds([keeper.shape for keeper in keepers])
    width, height = x1 - x0 + 2 * _AROUND, y1 - y0 + 2 * _AROUND
    back = plan.job.blank.is_seen_through
    onto = Affine(a=-1.0 if back else 1.0, e=(x1 if back else -x0) + _AROUND, f=_AROUND - y0)
    shapes = [shapely.Polygon(shapely.transform(keeper.shape, onto.apply)) for keeper in keepers]
    cuts = tuple(CutPath(shapely.get_coordinates(ring)) for shape in shapes for ring in shapely.get_rings(shape))
    texts = [_number(str(keeper.number), shape) for keeper, shape in zip(keepers, shapes, strict=True)]
    label = f"{mask_title(plan.job, mask.laid)} / keepers in their places / this side up"
    page = (float(width), float(height + _STRIP))
    texts.append(MarkText((_STRIP, float(height + _STRIP - 3.0)), label, min(3.0, 1.6 * page[0] / max(len(label), 1))))
    flag = tuple((1.0 + (_STRIP - 3.0) * x, float(height) + 1.5 + (_STRIP - 3.0) * y) for x, y in FLAG)
    promise = promise_of(cuts, page, page, mirrored=back)
    return SheetDrawing(mask.number, page, cuts, (), tuple(texts), flag, label, promise)


def _number(text: str, shape: shapely.Polygon) -> MarkText:
    """Return a number in its piece where that is wide enough, else beside it on its right."""
    line = shapely.maximum_inscribed_circle(shape, tolerance=0.2)
    (x, y), room = line.coords[0], float(line.length)
    high = min(_MOST_HIGH, 1.6 * room / max(len(text) * _DIGIT, 1.0))
    if high >= _LEAST_HIGH:
        return MarkText((x - len(text) * _DIGIT * high / 2, y + 0.36 * high), text, high)
    return MarkText((shape.bounds[2] + 0.8, y + 0.36 * _LEAST_HIGH), text, _LEAST_HIGH)
