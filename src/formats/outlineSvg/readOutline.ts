import { XMLParser, XMLValidator } from 'fast-xml-parser';
import SVGPathCommander from 'svg-path-commander';
import { flattened, outlineOf, type Curve, type Outline, type Point } from '@/core/worksheets';

/** Why an SVG file gives no outline; `what` is the element or attribute, where it is one. */
export interface OutlineFault {
  readonly code:
    | 'tooLarge'
    | 'notSvg'
    | 'declares'
    | 'element'
    | 'attribute'
    | 'noPath'
    | 'severalPaths'
    | 'severalParts'
    | 'badPath'
    | 'tooFewPlaces'
    | 'tooManyPlaces';
  readonly what?: string;
}
export type ReadOutline = { readonly ok: true; readonly value: Outline } | { readonly ok: false; readonly faults: readonly OutlineFault[] };

const MOST_BYTES = 200_000;
const MOST_DEPTH = 12;
/** Groups without an act of their own, and words that nobody runs. Everything else is refused. */
const ELEMENTS = new Set(['svg', 'g', 'path', 'title', 'desc']);
/** Attributes of style are ignored; those that move a path, or lead somewhere, are refused. */
const ATTRIBUTES = new Set(
  'd xmlns version width height viewBox id class fill stroke stroke-width stroke-linecap stroke-linejoin stroke-miterlimit fill-rule clip-rule opacity fill-opacity stroke-opacity stroke-dasharray preserveAspectRatio xml:space'.split(
    ' ',
  ),
);
const MOST_SEGMENTS = 2000;

type XmlNode = Readonly<Record<string, unknown>>;

/**
 * Reads the one outline of an SVG file: paths alone. Scripts, links, styles, pictures, text, transforms and declarations are refused by name, nothing is fetched, and
 * nothing of the file is kept but the places of its path.
 * @param sizeMm the longer side that it is to have, above 0
 */
export function readOutline(file: string, sizeMm: number): ReadOutline {
  const refuse = (code: OutlineFault['code'], what?: string): ReadOutline => ({
    ok: false,
    faults: [{ code, ...(what && { what: what.slice(0, 40) }) }],
  });
  if (file.length > MOST_BYTES) return refuse('tooLarge');
  // Declarations of one's own are how a small file becomes a large one, or reads another.
  if (/<!(?!--)/.test(file)) return refuse('declares');
  if (XMLValidator.validate(file) !== true) return refuse('notSvg');
  let nodes: readonly XmlNode[];
  try {
    nodes = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      attributeNamePrefix: '',
      processEntities: false,
      allowBooleanAttributes: true,
    }).parse(file) as XmlNode[];
  } catch {
    return refuse('notSvg');
  }
  const found = collect(nodes, 0);
  if ('code' in found) return refuse(found.code, found.what);
  if (!found.isSvg) return refuse('notSvg');
  if (found.paths.length === 0) return refuse('noPath');
  if (found.paths.length > 1) return refuse('severalPaths');
  const places = placesOf(found.paths[0]!);
  if (typeof places === 'string') return refuse(places);
  const outline = outlineOf(places, sizeMm);
  return outline.ok ? outline : { ok: false, faults: outline.issues };
}

function collect(nodes: readonly XmlNode[], depth: number): { readonly isSvg: boolean; readonly paths: readonly string[] } | OutlineFault {
  const paths: string[] = [];
  let isSvg = false;
  if (depth > MOST_DEPTH) return { code: 'notSvg' };
  for (const node of nodes) {
    const name = Object.keys(node).find((key) => key !== ':@');
    if (name === undefined || name === '#text' || name.startsWith('?xml')) continue;
    if (!ELEMENTS.has(name)) return { code: 'element', what: name };
    if (depth === 0) isSvg = name === 'svg';
    const attributes = (node[':@'] ?? {}) as Readonly<Record<string, unknown>>;
    const strange = Object.keys(attributes).find((attribute) => !ATTRIBUTES.has(attribute));
    if (strange) return { code: 'attribute', what: strange };
    if (name === 'path') paths.push(typeof attributes.d === 'string' ? attributes.d : '');
    if (name === 'svg' || name === 'g') {
      const inner = collect(node[name] as readonly XmlNode[], depth + 1);
      if ('code' in inner) return inner;
      paths.push(...inner.paths);
    }
  }
  return { isSvg: isSvg || depth > 0, paths };
}

/** The places along a path, close enough to be cut along; or why there are none. */
function placesOf(d: string): readonly Point[] | 'badPath' | 'severalParts' | 'tooManyPlaces' {
  if ((d.match(/[a-z]/gi) ?? []).length > MOST_SEGMENTS || d.length > 100_000) return 'tooManyPlaces';
  let segments: readonly (readonly [string, ...number[]])[];
  try {
    segments = new SVGPathCommander(d, { round: 4 }).toCurve().segments as never;
  } catch {
    return 'badPath';
  }
  const curves: Curve[] = [];
  let at: Point | null = null;
  for (const [letter, ...numbers] of segments) {
    if (numbers.some((number) => !Number.isFinite(number) || Math.abs(number) > 1e6)) return 'badPath';
    if (letter === 'M') {
      if (at && curves.length > 0) return 'severalParts';
      at = [numbers[0]!, numbers[1]!];
    } else if (letter === 'C' && at) {
      const to: Point = [numbers[4]!, numbers[5]!];
      curves.push({
        kind: 'cubic',
        from: at,
        by: [
          [numbers[0]!, numbers[1]!],
          [numbers[2]!, numbers[3]!],
        ],
        to,
      });
      at = to;
    } else if (letter !== 'Z') return 'badPath';
  }
  if (curves.length === 0) return 'badPath';
  const reach = Math.max(...curves.flatMap((curve) => (curve.kind === 'cubic' ? [Math.abs(curve.to[0]), Math.abs(curve.to[1])] : [])), 1);
  return flattened(curves, reach / 2000);
}
