import { pointAt, type Curve, type Point } from './curve';

/** An arc as cubic curves of at most an eighth of a turn each: off by less than a thousandth of a millimeter on any sheet. */
function cubicsOf(curve: Extract<Curve, { kind: 'arc' }>): Extract<Curve, { kind: 'cubic' }>[] {
  const count = Math.max(1, Math.ceil(Math.abs(curve.sweep) / (Math.PI / 4)));
  const each = curve.sweep / count;
  const reach = (4 / 3) * Math.tan(each / 4);
  return Array.from({ length: count }, (_, index) => {
    const [a, b] = [curve.start + index * each, curve.start + (index + 1) * each];
    const [from, to] = [pointAt(curve, index / count), pointAt(curve, (index + 1) / count)];
    const [rx, ry] = curve.radii;
    return {
      kind: 'cubic',
      from,
      by: [
        [from[0] - reach * rx * Math.sin(a), from[1] + reach * ry * Math.cos(a)],
        [to[0] + reach * rx * Math.sin(b), to[1] - reach * ry * Math.cos(b)],
      ],
      to,
    };
  });
}

/** A thousandth of a millimeter is finer than any printer. */
const round = (value: number) => String(Math.round(value * 1000) / 1000 + 0);
const at = ([x, y]: Point) => `${round(x)} ${round(y)}`;

/** Curves as the d of an SVG path, absolute, in mm, which `parsePath` reads where it is one way. */
export function svgPath(curves: readonly Curve[], isClosed = false): string {
  let d = '';
  let before: Point | null = null;
  const go = (curve: Exclude<Curve, { kind: 'arc' }>) => {
    if (!before || Math.hypot(before[0] - curve.from[0], before[1] - curve.from[1]) > 1e-6) d += `M${at(curve.from)}`;
    if (curve.kind === 'line') d += `L${at(curve.to)}`;
    else if (curve.kind === 'quadratic') d += `Q${at(curve.by)} ${at(curve.to)}`;
    else d += `C${at(curve.by[0])} ${at(curve.by[1])} ${at(curve.to)}`;
    before = curve.to;
  };
  for (const curve of curves) {
    if (curve.kind === 'arc') cubicsOf(curve).forEach(go);
    else go(curve);
  }
  return d + (isClosed && d ? 'Z' : '');
}
