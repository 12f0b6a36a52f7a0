import type { NextConfig } from 'next';
import { FAMILY_HEADERS, securityHeaders, withoutScripts } from './src/main/headers';
import { PLAIN_COOKIE } from './src/ui/shared/plainCookie';

const listed = (headers: Readonly<Record<string, string>>) => Object.entries(headers).map(([key, value]) => ({ key, value }));

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'mariadb', '@node-rs/argon2', 'pino'],
  poweredByHeader: false,
  // src/main/web.ts compresses.
  compress: false,
  reactStrictMode: true,
  // `./yard test types` checks them; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  distDir: process.env.YARD_DIST ?? '.next',
  async headers() {
    const everywhere = securityHeaders(process.env.NODE_ENV === 'development');
    return [
      { source: '/:path*', headers: listed(everywhere) },
      { source: '/f/:path*', headers: listed(FAMILY_HEADERS) },
      { source: '/f/:path*', has: [{ type: 'cookie', key: PLAIN_COOKIE }], headers: listed(withoutScripts(everywhere)) },
    ];
  },
};

export default config;
