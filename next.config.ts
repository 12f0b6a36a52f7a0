import type { NextConfig } from 'next';
import { headersFor } from './src/main/headers';

const listed = (headers: Readonly<Record<string, string>>) => Object.entries(headers).map(([key, value]) => ({ key, value }));

/** Addresses of earlier versions, so that a bookmark still opens its screen. */
const EARLIER_ADDRESSES = [
  ['/rounds', '/review'],
  ['/yard', '/caseload'],
  ['/caseloads', '/caseload/all'],
  ['/children', '/students'],
  ['/plan', '/planner'],
  ['/logbook', '/reports'],
  ['/post', '/messages'],
  ['/sheets', '/worksheets'],
  ['/clips', '/videos'],
  ['/lab', '/step-rules'],
  ['/paper', '/print'],
  ['/second-factor', '/two-step'],
  ['/forgotten', '/forgot-password'],
] as const;

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
  redirects: async () =>
    EARLIER_ADDRESSES.flatMap(([earlier, now]) => [
      { source: earlier, destination: now, permanent: true },
      { source: `${earlier}/:id(\\d+)/:rest*`, destination: `${now}/:id/:rest*`, permanent: true },
    ]),
  // src/main/web.ts writes them for each answer; the development server stands without it.
  async headers() {
    if (process.env.NODE_ENV !== 'development') return [];
    const options = { scripts: 'development', isSecure: false } as const;
    return [
      { source: '/:path*', headers: listed(headersFor({ ...options, isFamily: false })) },
      { source: '/f/:path*', headers: listed(headersFor({ ...options, isFamily: true })) },
    ];
  },
};

export default config;
