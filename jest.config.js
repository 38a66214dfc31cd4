const swc = {
  transform: {
    '^.+\\.m?[tj]s$': [
      '@swc/jest',
      { jsc: { target: 'es2022', parser: { syntax: 'typescript', decorators: true } }, module: { type: 'commonjs' } },
    ],
  },
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^@inky-shoal/core$': '<rootDir>/packages/core/src/index.ts',
    '^@inky-shoal/demo$': '<rootDir>/demo/src/index.ts',
  },
  extensionsToTreatAsEsm: [],
  testEnvironment: 'node',
};

/** @type {import('jest').Config} */
export default {
  projects: [
    { ...swc, displayName: 'core', testMatch: ['<rootDir>/packages/core/**/*.spec.ts', '<rootDir>/demo/**/*.spec.ts'] },
    { ...swc, displayName: 'server', testMatch: ['<rootDir>/apps/server/**/*.spec.ts'] },
    { ...swc, displayName: 'scripts', testMatch: ['<rootDir>/scripts/**/*.spec.ts'] },
  ],
};
