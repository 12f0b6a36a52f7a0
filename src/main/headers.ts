/** Content security policy for scripts. */
export type Scripts =
  /** Ours, and those of the page that carry the nonce of this answer. */
  | { readonly nonce: string }
  /** None at all: for answers without any, and for pages whose scripts failed. */
  | 'none'
  /** Ours, and WebAssembly: for the solver's own thread, which draws nothing and holds no address. */
  | 'solver'
  /** Policy for the development server's inline scripts. */
  | 'development';

export interface HeaderOptions {
  readonly scripts: Scripts;
  /** Behind TLS a browser is to come by https alone. */
  readonly isSecure: boolean;
  /** A family's pages carry a private link in their address. */
  readonly isFamily: boolean;
}

const YEAR_SECONDS = 31_536_000;

const SOURCES = {
  none: "script-src 'none'",
  solver: "script-src 'self' 'wasm-unsafe-eval'",
  development: "script-src 'self' 'unsafe-inline' 'unsafe-eval'",
} as const;

/**
 * The headers that every answer carries, whichever door it leaves by.
 * Source: OWASP ASVS 5, chapter V3 (from memory), and its secure headers project.
 */
export function headersFor({ scripts, isSecure, isFamily }: HeaderOptions): Readonly<Record<string, string>> {
  return {
    'Content-Security-Policy': contentPolicy(scripts),
    'X-Content-Type-Options': 'nosniff',
    'X-Frame-Options': 'DENY',
    // A private link is an address: it must not travel to anywhere else.
    'Referrer-Policy': isFamily ? 'no-referrer' : 'same-origin',
    'Cross-Origin-Opener-Policy': 'same-origin',
    'Cross-Origin-Resource-Policy': 'same-origin',
    // A therapist films in the page itself; a family's phone films by its own camera, and sends the file.
    'Permissions-Policy': `camera=(${isFamily ? '' : 'self'}), microphone=(${isFamily ? '' : 'self'}), geolocation=(), payment=(), usb=()`,
    ...(isSecure && { 'Strict-Transport-Security': `max-age=${YEAR_SECONDS}` }),
    ...(isFamily && { 'X-Robots-Tag': 'noindex' }),
  };
}

function contentPolicy(scripts: Scripts): string {
  const own = typeof scripts === 'object';
  return [
    "default-src 'self'",
    own ? `script-src 'self' 'nonce-${scripts.nonce}'` : SOURCES[scripts],
    // Style sheets are files, and blocks carry the nonce; drawings place their marks by attributes. The page that mends a form brings its own.
    own ? `style-src 'self' 'nonce-${scripts.nonce}'` : "style-src 'self' 'unsafe-inline'",
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "media-src 'self' blob:",
    "object-src 'none'",
    "frame-ancestors 'none'",
    "form-action 'self'",
    "base-uri 'none'",
  ].join('; ');
}
