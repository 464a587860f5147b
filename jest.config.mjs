/** @type {import('jest').Config} */
const config = {
  testEnvironment: 'node',
  // Handed in as an argument: looked up as a global of Jest's sandbox it slows loops over pixels
  // down thirtyfold.
  sandboxInjectedGlobals: ['Math'],
  maxWorkers: 2,
  // Two cores that share their machine, with the build beside them, are at times much slower.
  testTimeout: 240_000,
  roots: ['<rootDir>/src'],
  moduleNameMapper: { '^@/(.*)$': '<rootDir>/src/$1' },
  transform: {
    '^.+\\.[mc]?[jt]sx?$': [
      '@swc/jest',
      {
        jsc: { target: 'es2022', parser: { syntax: 'typescript', tsx: true } },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: [
    '/node_modules/(?!(culori|image-size|immer|d3-[a-z-]+|internmap|parse5|entities|srcset)/)',
  ],
};

export default config;
