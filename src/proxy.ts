import { NextResponse, type NextRequest } from 'next/server';

/** Tells the frame of a family's page which language its address names: a layout is not told of the address. */
export const LANGUAGE_HEADER = 'x-yard-language';

export function proxy(request: NextRequest): NextResponse {
  const headers = new Headers(request.headers);
  const wished = request.nextUrl.searchParams.get('lang');
  if (wished === null) headers.delete(LANGUAGE_HEADER);
  else headers.set(LANGUAGE_HEADER, wished);
  return NextResponse.next({ request: { headers } });
}

export const config = { matcher: '/f/:token((?!worker\\.js).*)' };
