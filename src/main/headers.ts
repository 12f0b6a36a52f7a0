/** The headers that every answer carries, whichever door it leaves by. */
export function securityHeaders(isDevelopment: boolean): Readonly<Record<string, string>> {
  return {
    'X-Content-Type-Options': 'nosniff',
    'X-Frame-Options': 'DENY',
    // A private link is an address: it must not travel to anywhere else.
    'Referrer-Policy': 'same-origin',
    'Content-Security-Policy': [
      "default-src 'self'",
      // Next writes its start-up script into the page.
      `script-src 'self' 'unsafe-inline'${isDevelopment ? " 'unsafe-eval'" : ''}`,
      "style-src 'self' 'unsafe-inline'",
      "img-src 'self' data:",
      "frame-ancestors 'none'",
      "form-action 'self'",
      "base-uri 'self'",
    ].join('; '),
  };
}

/** What a family's pages carry beside. */
export const FAMILY_HEADERS: Readonly<Record<string, string>> = { 'Referrer-Policy': 'no-referrer', 'X-Robots-Tag': 'noindex' };

/** The same headers for a page whose scripts may not run: its plain forms stand. */
export function withoutScripts(headers: Readonly<Record<string, string>>): Readonly<Record<string, string>> {
  const policy = headers['Content-Security-Policy']!.replace(/script-src [^;]*/, "script-src 'none'");
  return { ...headers, 'Content-Security-Policy': policy };
}
