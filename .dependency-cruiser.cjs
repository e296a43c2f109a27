/** The arrows between the packages, and inside core, go one way. What is not allowed here is a mistake in the architecture. */
const core = (folder) => `^packages/core/src/${folder}/`;

/** The floors of core from the ground up. A floor may use itself and those below it. */
const FLOORS = [
  ['model'],
  ['parts', 'firmware'],
  ['graph', 'edits'],
  ['layout'],
  ['links', 'harness', 'radio'],
  ['power'],
  ['field'],
  ['checks'],
  ['formats', 'demo'],
];

const upward = FLOORS.flatMap((floor, i) =>
  floor.map((folder) => ({
    name: `core-${folder}-uses-no-floor-above`,
    severity: 'error',
    from: { path: core(folder), pathNot: '\\.test\\.ts$' },
    to: {
      path: core(
        `(${
          FLOORS.slice(i + 1)
            .flat()
            .join('|') || 'nothing-above'
        })`,
      ),
    },
  })),
);

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-knows-nobody',
      severity: 'error',
      from: { path: '^packages/core/', pathNot: '(\\.test\\.ts$|/test/)' },
      to: { path: '^(packages/contract|apps|e2e|bench|worlds)/' },
    },
    {
      name: 'core-does-no-io',
      severity: 'error',
      from: { path: '^packages/core/', pathNot: '(\\.test\\.ts$|/test/)' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-uses-no-framework',
      severity: 'error',
      from: { path: '^packages/core/', pathNot: '(\\.test\\.ts$|/test/)' },
      to: { path: 'node_modules/', pathNot: 'node_modules/(@sinclair/typebox|@noble/hashes|papaparse|@types/papaparse)/' },
    },
    { name: 'contract-uses-core-only', severity: 'error', from: { path: '^packages/contract/' }, to: { path: '^apps/' } },
    { name: 'server-and-web-are-apart', severity: 'error', from: { path: '^apps/server/' }, to: { path: '^apps/web/' } },
    { name: 'web-and-server-are-apart', severity: 'error', from: { path: '^apps/web/' }, to: { path: '^apps/server/' } },
    { name: 'nobody-needs-the-worlds', severity: 'error', from: { pathNot: '^worlds/' }, to: { path: '^worlds/' } },
    ...upward,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules/\\.)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.lint.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['@wired-falcon/source', 'import', 'require', 'node', 'default'],
      extensions: ['.ts', '.tsx', '.js', '.json'],
    },
  },
};
