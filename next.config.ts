import type { NextConfig } from 'next';
import { FAMILY_HEADERS, securityHeaders } from './src/main/headers';

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
    return [
      { source: '/:path*', headers: listed(securityHeaders(process.env.NODE_ENV === 'development')) },
      { source: '/f/:path*', headers: listed(FAMILY_HEADERS) },
    ];
  },
};

export default config;
