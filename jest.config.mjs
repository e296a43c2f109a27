import { fileURLToPath } from 'node:url';

/** @type {import('jest').Config} */

const shared = {
  transform: {
    '^.+\\.(t|j)sx?$': [
      '@swc/jest',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true, decorators: true },
          transform: { legacyDecorator: true, decoratorMetadata: true, react: { runtime: 'automatic' } },
          target: 'es2022',
          keepClassNames: true,
        },
        module: { type: 'commonjs' },
      },
    ],
  },
  transformIgnorePatterns: ['/node_modules/(?!(nanoid|fast-check|pure-rand|@mikro-orm|@noble)/)'],
  testEnvironmentOptions: { customExportConditions: ['@wired-falcon/source', 'node', 'require', 'default'] },
  extensionsToTreatAsEsm: [],
  setupFiles: [fileURLToPath(new URL('tools/fixedSeed.cjs', import.meta.url))],
};

const config = {
  projects: [
    { ...shared, displayName: 'core', rootDir: 'packages/core', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...shared, displayName: 'contract', rootDir: 'packages/contract', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...shared, displayName: 'server', rootDir: 'apps/server', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...shared, displayName: 'worlds', rootDir: 'worlds', testMatch: ['<rootDir>/src/**/*.test.ts'] },
    { ...shared, displayName: 'web', rootDir: 'apps/web', testMatch: ['<rootDir>/src/**/*.test.ts'] },
  ],
  // Ends what hangs, also on a machine that is much slower than usual; no test waits for time to pass.
  testTimeout: 300_000,
};
export default config;
