/** What both kinds of suites share. */
const common = {
  roots: ['<rootDir>/src'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: {
    '^.+\\.[mc]?[jt]sx?$': [
      '@swc/jest',
      {
        jsc: {
          target: 'es2022',
          parser: { syntax: 'typescript', tsx: true },
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(culori|image-size|immer|d3-[a-z-]+|internmap|parse5|entities|srcset)/)',
  ],
};

/** @type {import('jest').Config} */
const node = {
  ...common,
  displayName: 'node',
  testEnvironment: 'node',
  testMatch: ['**/*.test.ts'],
  setupFiles: ['<rootDir>/scripts/jestTransfer.ts'],
  // Handed in as arguments: looked up as globals of Jest's sandbox they slow loops down, those over
  // pixels thirtyfold, those over the tokens of a style sheet fivefold.
  sandboxInjectedGlobals: [
    'Math',
    'Boolean',
    'Object',
    'Array',
    'Map',
    'Set',
    'WeakMap',
    'JSON',
    'RegExp',
    'Error',
    'Uint8Array',
    'Uint8ClampedArray',
    'Uint16Array',
    'Uint32Array',
    'Int16Array',
    'Int32Array',
    'Float32Array',
    'Float64Array',
    'DataView',
    'ArrayBuffer',
    'TextEncoder',
    'TextDecoder',
    'parseInt',
    'parseFloat',
    'isNaN',
    'Infinity',
  ],
};

/** Panels and hooks, rendered over a model in memory. */
/** @type {import('jest').Config} */
const panels = {
  ...common,
  displayName: 'panels',
  testEnvironment: 'jsdom',
  testMatch: ['**/*.test.tsx'],
  setupFiles: ['<rootDir>/src/ui/testing/jsdomParts.ts'],
};

export default {
  maxWorkers: 2,
  // Two cores that share their machine, with the build beside them, are at times much slower.
  testTimeout: 120_000,
  projects: [node, panels],
};
