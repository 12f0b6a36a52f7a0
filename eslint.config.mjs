import { defineConfig, globalIgnores } from 'eslint/config';
import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTs from 'eslint-config-next/typescript';

/** A topic of the core shows what its index lists, and nothing else. Single files at its ground (`random`, `whole`, …) are topics, too. */
const BY_INDEX = { regex: '^@/core/[a-zA-Z]+/', message: 'Import a topic of the core by its index.' };

/** Imports by where they end up, written as `@/area/…` or as any number of `../`. */
const from = (areas, message, more = {}) => ({ regex: `^(@/|(\\.\\./)+(src/)?)(${areas})(/|$)`, message, ...more });
const only = (...patterns) => ({ 'no-restricted-imports': ['error', { patterns }] });
const onlyWithTypes = (...patterns) => ({ '@typescript-eslint/no-restricted-imports': ['error', { patterns }] });

const NO_CLOCK_NO_CHANCE = [
  { selector: 'NewExpression[callee.name="Date"][arguments.length=0]', message: 'The core takes the time as an argument.' },
  { selector: 'CallExpression[callee.name="Date"]', message: 'The core takes the time as an argument.' },
  { selector: 'MemberExpression[object.name="Date"][property.name="now"]', message: 'The core takes the time as an argument.' },
  { selector: 'MemberExpression[object.name="Math"][property.name="random"]', message: 'The core takes chance as an argument.' },
  { selector: 'ImportExpression', message: 'The core loads nothing at run time.' },
];

/** Tables are written where their columns are known: a use case calls a repository by what it means. */
const NO_RAW_TABLES = [
  {
    selector:
      'CallExpression > MemberExpression.callee[object.name="work"][property.name=/^(select|insert|insertAll|insertOrKeep|update|remove)$/]',
    message: 'Reach the tables through a repository.',
  },
  { selector: 'CallExpression > MemberExpression.callee[property.name="query"]', message: 'Reach the tables through a repository.' },
];

const OURS = 'main|app|ui|server|outside|db|formats|workers';
const CORE_KNOWS_NOTHING = from(OURS, 'core imports nothing of ours outside core.');

const COMPONENTS = ['src/{app,ui}/**/*.{ts,tsx}'];
/** The rules that run the React compiler: half of the time of all rules together. */
const COMPILER_RULES_OFF = Object.fromEntries(
  nextVitals
    .flatMap(({ rules = {} }) => Object.keys(rules))
    .filter((rule) => /^react-hooks\/(?!rules-of-hooks|exhaustive-deps)/.test(rule))
    .map((rule) => [rule, 'off']),
);

const TESTS = ['**/*.test.{ts,tsx}'];
const longest = (max) => ({ 'max-lines-per-function': ['error', { max }] });

export default defineConfig([
  globalIgnores([
    '.next/**',
    '.data/**',
    'node_modules/**',
    'next-env.d.ts',
    'test-results/**',
    '.stryker-tmp/**',
    'reports/**',
    'public/f/**',
    'public/visit/**',
    'public/plan/**',
    'public/lab/**',
  ]),
  ...nextVitals.map((config) => ('rules' in config ? { ...config, files: COMPONENTS } : config)),
  // What is rendered on the server once has no state that these rules could find mistakes in.
  { files: COMPONENTS, ignores: ['**/*.client.tsx', '**/use*.ts'], rules: COMPILER_RULES_OFF },
  ...nextTs,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      // Family pages are plain links on purpose: they work before any script.
      '@next/next/no-html-link-for-pages': 'off',
      'import/no-anonymous-default-export': 'off',
    },
  },
  { files: ['{src,scripts,demo,measure,library}/**/*.{ts,tsx}'], ignores: TESTS, rules: longest(200) },
  { files: ['src/ui/**/*.{ts,tsx}'], ignores: TESTS, rules: longest(150) },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...only(
        CORE_KNOWS_NOTHING,
        { regex: '^(?!\\.|@/core/|zod$)', message: 'core stands on zod alone.' },
        { regex: '^\\.\\./[a-zA-Z]+/', message: 'Import another topic by its index.' },
      ),
      'no-restricted-syntax': ['error', ...NO_CLOCK_NO_CHANCE],
    },
  },
  {
    // Syllables are counted by dictionaries and rules that others keep.
    files: ['src/core/wording/readingEase.ts'],
    rules: only(CORE_KNOWS_NOTHING, { regex: '^(?!\\.|zod$|syllable$|silabea$)', message: 'Only the two syllable counters.' }),
  },
  {
    // The generator of chance is one that others keep.
    files: ['src/core/random.ts'],
    rules: only(CORE_KNOWS_NOTHING, { regex: '^(?!\\.|pure-rand/)', message: 'Only the random generator.' }),
  },
  {
    // The trembles of a drawn line are taken out by what others keep.
    files: ['src/core/worksheets/outline.ts'],
    rules: only(CORE_KNOWS_NOTHING, { regex: '^(?!\\.|simplify-js$)', message: 'Only the simplifier of lines.' }),
  },
  {
    files: ['src/ui/**/*.{ts,tsx}'],
    rules: {
      ...only(BY_INDEX),
      ...onlyWithTypes(
        from('main|app|outside|db|formats|workers', 'ui stands on core alone and never reaches the database.'),
        from('server', 'ui takes from server the types of its views alone.', { allowTypeImports: true }),
      ),
    },
  },
  {
    files: ['src/ui/desk/**/*.{ts,tsx}'],
    rules: only(BY_INDEX, {
      regex: '^(\\.\\./)+family(/|$)|^@/ui/family(/|$)',
      message: 'desk and family are two faces: what both show is in ui/task, ui/flight or ui/shared.',
    }),
  },
  {
    files: ['src/ui/family/**/*.{ts,tsx}', 'src/ui/task/**/*.{ts,tsx}'],
    rules: only(
      BY_INDEX,
      {
        regex: '^(\\.\\./)+desk(/|$)|^@/ui/desk(/|$)',
        message: 'desk and family are two faces: what both show is in ui/task, ui/flight or ui/shared.',
      },
      { regex: '^(radix-ui|cmdk|echarts|react-hook-form)(/|$)', message: 'A family’s page stays light.' },
      { regex: 'deskWords$', message: 'A page loads its own face’s words alone.' },
    ),
  },
  { files: ['src/db/**/*.ts'], rules: only(from('main|app|ui|server|outside|formats|workers', 'db stands on core alone.'), BY_INDEX) },
  { files: ['src/formats/**/*.ts'], rules: only(from('main|app|ui|server|outside|db|workers', 'formats stand on core alone.'), BY_INDEX) },
  {
    files: ['src/server/**/*.ts'],
    rules: {
      ...only(from('main|app|ui|outside', 'server knows no screens, no processes and nothing behind its ports.'), BY_INDEX, {
        regex: '^(sequelize|mariadb|umzug)$',
        message: 'Reach the tables through a repository.',
      }),
      'no-restricted-syntax': ['error', ...NO_RAW_TABLES],
    },
  },
  {
    files: ['src/outside/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...only(BY_INDEX),
      ...onlyWithTypes(
        from('main|app|ui|db|workers', 'What stands behind a port knows the port alone.'),
        from('server', 'What stands behind a port knows the port’s types alone.', { allowTypeImports: true }),
      ),
    },
  },
  {
    files: ['src/app/**/*.{ts,tsx}'],
    rules: {
      ...only(
        from('db|formats|outside|main', 'Routes call one use case; they do not reach the database.'),
        { regex: '^(sequelize|mariadb|umzug)$', message: 'Routes do not reach the database.' },
        BY_INDEX,
      ),
      'max-lines': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
    },
  },
]);
