import rangeParser from 'range-parser';
import { LENGTH_HEADER } from '@/server/clientHeader';
import type { ClipFileOut } from '@/server/videos/clipFile';

/**
 * A clip's file, whole or the part that is asked for (RFC 9110, section 14): players ask for the end of a clip before they show its start.
 * Nobody between us and who looks may keep it.
 */
export async function clipAnswer(request: Request, { type, bytes, open }: ClipFileOut): Promise<Response> {
  const headers = { 'content-type': type, 'accept-ranges': 'bytes', 'cache-control': 'private, no-store', 'content-disposition': 'inline' };
  const asked = request.headers.get('range');
  const ranges = asked === null ? -2 : rangeParser(bytes, asked, { combine: true });
  if (ranges === -1) return new Response(null, { status: 416, headers: { ...headers, 'content-range': `bytes */${bytes}` } });
  // An unreadable range, or several, gets the whole file.
  const [range, second] = ranges === -2 || ranges.type !== 'bytes' ? [] : ranges;
  const span = range && !second ? range : undefined;
  const length = span ? span.end - span.start + 1 : bytes;
  // HEAD reads no content.
  const body = request.method === 'HEAD' ? null : await open(span);
  if (!body && request.method !== 'HEAD') return new Response('This file is not here.', { status: 404 });
  return new Response(body, {
    status: span ? 206 : 200,
    headers: { ...headers, [LENGTH_HEADER]: String(length), ...(span && { 'content-range': `bytes ${span.start}-${span.end}/${bytes}` }) },
  });
}
