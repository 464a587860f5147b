import nextVitals from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';
import regexp from 'eslint-plugin-regexp';

/** Imports run only downwards; what a room may not reach is listed here once. */
const forbidden = {
  app: [],
  ui: ['app'],
  work: ['app', 'ui', 'engine', 'store', 'standins', 'demo'],
  engine: ['app', 'ui', 'work', 'store', 'standins', 'demo'],
  store: ['app', 'ui', 'work', 'engine', 'standins', 'demo'],
  standins: ['app', 'ui', 'work', 'engine', 'store', 'demo'],
  demo: ['app', 'ui', 'work', 'engine', 'store', 'standins'],
  served: ['app', 'ui', 'work', 'engine', 'store', 'standins', 'demo'],
  core: ['app', 'ui', 'work', 'engine', 'store', 'standins', 'demo', 'served'],
  kernels: ['app', 'ui', 'work', 'engine', 'store', 'standins', 'demo', 'core'],
  offline: ['app', 'ui', 'work', 'engine', 'store', 'standins', 'demo', 'core', 'kernels'],
};

const zones = Object.entries(forbidden).flatMap(([room, rooms]) =>
  rooms.map((other) => ({
    target: `./src/${room}`,
    from: `./src/${other}`,
    message: `${room} may not import ${other}.`,
  })),
);

/** Screens reach the engine, the store and the work on them through hooks alone. */
const hooksOnly = ['engine', 'store', 'work'].map((other) => ({
  target: './src/ui/!(hooks)/**/*',
  from: `./src/${other}`,
  message: `Reach ${other} through src/ui/hooks.`,
}));

const config = [
  {
    ignores: [
      '.next/**',
      'public/**',
      'next-env.d.ts',
      'node_modules/**',
      'src/kernels/**/{assembly/**,module.ts}',
    ],
  },
  ...nextVitals,
  ...nextTypescript,
  {
    rules: {
      'import/no-restricted-paths': ['error', { zones: [...zones, ...hooksOnly] }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-console': 'error',
      // One line, one thought.
      'one-var': ['error', 'never'],
      curly: ['error', 'all'],
      'no-nested-ternary': 'error',
      // A ref callback that is new at each render is taken off and put on at each render.
      'no-restricted-syntax': [
        'error',
        {
          selector: 'JSXAttribute[name.name="ref"] ArrowFunctionExpression',
          message: 'Make the ref callback once: useRef, useCallback or a function of the module.',
        },
        {
          selector:
            'JSXOpeningElement[name.type="JSXIdentifier"] > JSXAttribute[name.name="value"] ' +
            '> JSXExpressionContainer > ObjectExpression',
          message: 'A context value is a new object only when it has changed: useMemo.',
        },
      ],
      'max-statements-per-line': ['error', { max: 1 }],
      'max-len': [
        'error',
        {
          code: 120,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignoreUrls: true,
        },
      ],
    },
  },
  {
    // Whatever comes in is read by some of these: none may take a time that grows faster than a file.
    files: ['src/**'],
    ignores: ['**/*.test.ts', '**/*.fixture.ts'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { ignoreSticky: false, report: 'potential' }],
    },
  },
  {
    // Tests of panels put a model in memory below them.
    files: ['src/ui/testing/**', 'src/ui/**/*.test.tsx'],
    rules: { 'import/no-restricted-paths': ['error', { zones }] },
  },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
  { files: ['e2e/**'], rules: { 'react-hooks/rules-of-hooks': 'off' } },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'document',
        'window',
        'self',
        'navigator',
        'ImageData',
        'OffscreenCanvas',
        'performance',
        'fetch',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            'react',
            'react-*',
            'next',
            'next/*',
            'dexie',
            'zustand',
            'wasm-vips',
            'node:*',
          ],
        },
      ],
    },
  },
];

export default config;
