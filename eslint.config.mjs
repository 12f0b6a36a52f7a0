import { defineConfig, globalIgnores } from 'eslint/config';
import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';

/** A topic of the core shows what its index lists, and nothing else. */
const BY_INDEX = { regex: '^@/core/[a-zA-Z]+/', message: 'Import a topic of the core by its index.' };

/** Forbids imports by what they end up in, written as `@/area/…` or as any number of `../`. */
const notFrom = (areas, message) => ({
  patterns: [{ regex: `^(@/|(\\.\\./)+(src/)?)(${areas})(/|$)`, message }, BY_INDEX],
});

const NO_CLOCK_NO_CHANCE = [
  { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'The core takes the time as an argument.' },
  { selector: 'CallExpression[callee.name="Date"]', message: 'The core takes the time as an argument.' },
  { selector: 'MemberExpression[object.name="Date"][property.name="now"]', message: 'The core takes the time as an argument.' },
  { selector: 'MemberExpression[object.name="Math"][property.name="random"]', message: 'The core takes chance as an argument.' },
  { selector: 'ImportExpression', message: 'The core loads nothing at run time.' },
];

export default defineConfig([
  globalIgnores(['.next/**', '.data/**', 'node_modules/**', 'next-env.d.ts', 'test-results/**']),
  ...nextVitals,
  ...nextTs,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Family pages are plain links on purpose: they work before any script.
      '@next/next/no-html-link-for-pages': 'off',
      'import/no-anonymous-default-export': 'off',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(@/|(\\.\\./)+(src/)?)(app|ui|server|db|formats|workers)(/|$)',
              message: 'core imports nothing of ours outside core.',
            },
            { regex: '^(?!\\.|@/core/|zod$)', message: 'core stands on zod alone.' },
            { regex: '^\\.\\./[a-zA-Z]+/', message: 'Import another topic by its index.' },
          ],
        },
      ],
      'no-restricted-syntax': ['error', ...NO_CLOCK_NO_CHANCE],
    },
  },
  {
    // Syllables are counted by dictionaries and rules that others keep.
    files: ['src/core/wording/readingEase.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(@/|(\\.\\./)+(src/)?)(app|ui|server|db|formats|workers)(/|$)',
              message: 'core imports nothing of ours outside core.',
            },
            { regex: '^(?!\\.|zod$|syllable$|silabea$)', message: 'Only the two syllable counters.' },
          ],
        },
      ],
    },
  },
  {
    files: ['src/ui/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        notFrom('app|server|db|formats|workers', 'ui stands on core alone and never reaches the database.'),
      ],
    },
  },
  {
    files: ['src/db/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', notFrom('app|ui|server|formats|workers', 'db stands on core alone.')] },
  },
  {
    files: ['src/formats/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', notFrom('app|ui|server|db|workers', 'formats stand on core alone.')] },
  },
  { files: ['src/server/**/*.ts'], rules: { 'no-restricted-imports': ['error', notFrom('app|ui', 'server knows no screens.')] } },
  {
    files: ['src/app/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { regex: '^(@/|(\\.\\./)+(src/)?)(db|formats)(/|$)', message: 'Routes call one use case; they do not reach the database.' },
            { regex: '^(sequelize|mariadb|umzug)$', message: 'Routes do not reach the database.' },
            BY_INDEX,
          ],
        },
      ],
      'max-lines': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
    },
  },
]);
