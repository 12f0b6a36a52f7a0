// Far from UTC and off the full hour, so that nothing leans on the zone of the process.
process.env.TZ = 'Asia/Kathmandu';

const shared = {
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true }, transform: { react: { runtime: 'automatic' } } } },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(pure-rand|syllable|ml-regression-base|is-any-array|cmu-pronouncing-dictionary|flesch-kincaid|temporal-polyfill|temporal-spec|temporal-utils|next-intl|use-intl|intl-messageformat|@formatjs|svg-path-commander|@thednp)/)',
  ],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  modulePathIgnorePatterns: ['<rootDir>/.next/', '<rootDir>/.data/'],
  testEnvironment: 'node',
};

export default {
  // On a busy machine a disk may take its time.
  testTimeout: 60_000,
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testMatch: [
        '<rootDir>/src/**/*.test.ts',
        '<rootDir>/src/**/*.test.tsx',
        '<rootDir>/library/**/*.test.ts',
        '<rootDir>/scripts/**/*.test.ts',
        '<rootDir>/demo/**/*.test.ts',
      ],
    },
    {
      ...shared,
      displayName: 'integration',
      testMatch: ['<rootDir>/tests/integration/**/*.test.ts'],
      globalSetup: '<rootDir>/tests/integration/globalSetup.ts',
      globalTeardown: '<rootDir>/tests/integration/globalTeardown.ts',
    },
  ],
};
