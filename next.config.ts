import type { NextConfig } from 'next';
import { headersFor } from './src/main/headers';

const listed = (headers: Readonly<Record<string, string>>) => Object.entries(headers).map(([key, value]) => ({ key, value }));

const config: NextConfig = {
  serverExternalPackages: ['sequelize', 'mariadb', '@node-rs/argon2', 'pino'],
  poweredByHeader: false,
  // src/main/web.ts compresses.
  compress: false,
  reactStrictMode: true,
  experimental: { serverActions: { bodySizeLimit: '1200kb' } },
  // `./yard test types` checks them; a build need not do it again.
  typescript: { ignoreBuildErrors: true },
  devIndicators: false,
  distDir: process.env.YARD_DIST ?? '.next',
  // src/main/web.ts writes them for each answer; the development server stands without it.
  async headers() {
    if (process.env.NODE_ENV !== 'development') return [];
    const wish = { scripts: 'development', isSecure: false } as const;
    return [
      { source: '/:path*', headers: listed(headersFor({ ...wish, isFamily: false })) },
      { source: '/f/:path*', headers: listed(headersFor({ ...wish, isFamily: true })) },
    ];
  },
};

export default config;
