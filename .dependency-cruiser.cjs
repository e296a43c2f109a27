/** The arrows between the packages, and inside core, go one way. What is not allowed here is a mistake in the architecture. */
const core = (folder) => `^packages/core/src/${folder}/`;

const web = (folder) => `^apps/web/src/${folder}/`;

/** The floors of core from the ground up. A floor may use itself and those below it. */
const CORE_FLOORS = [
  ['text', 'assign', 'codecs'],
  ['model'],
  ['parts', 'dialects'],
  ['graph', 'edits'],
  ['layout'],
  ['links', 'harness', 'radio'],
  ['ports'],
  ['power'],
  ['field', 'rc'],
  ['outputs'],
  ['firmware'],
  ['checks'],
  ['moves'],
  ['formats', 'demo'],
];

/** The floors of the web application, likewise. Rooms of one floor do not use each other. */
const WEB_FLOORS = [
  ['ui', 'addresses'],
  ['session'],
  ['selection', 'workers'],
  ['drawing', 'entry', 'adopt', 'partDrafts'],
  ['frame', 'stages', 'workshop'],
  ['app'],
];

const upward = (name, floors, at) =>
  floors.flatMap((floor, i) =>
    floor.map((folder) => ({
      name: `${name}-${folder}-uses-no-floor-above`,
      severity: 'error',
      from: { path: at(folder), pathNot: '\\.test\\.ts$' },
      to: {
        path: at(
          `(${
            floors
              .slice(i + 1)
              .flat()
              .join('|') || 'nothing-above'
          })`,
        ),
      },
    })),
  );

const beside = (name, floors, at) =>
  floors.flatMap((floor) =>
    floor
      .filter(() => floor.length > 1)
      .map((folder) => ({
        name: `${name}-${folder}-uses-no-room-beside-it`,
        severity: 'error',
        from: { path: at(folder), pathNot: '\\.test\\.ts$' },
        to: { path: at(`(${floor.filter((other) => other !== folder).join('|')})`) },
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
      to: {
        path: 'node_modules/',
        pathNot: 'node_modules/(@sinclair/typebox|es-toolkit|@noble/hashes|papaparse|jsonc-parser|@types/papaparse)/',
      },
    },
    { name: 'contract-uses-core-only', severity: 'error', from: { path: '^packages/contract/' }, to: { path: '^apps/' } },
    { name: 'server-and-web-are-apart', severity: 'error', from: { path: '^apps/server/' }, to: { path: '^apps/web/' } },
    { name: 'web-and-server-are-apart', severity: 'error', from: { path: '^apps/web/' }, to: { path: '^apps/server/' } },
    { name: 'nobody-needs-the-worlds', severity: 'error', from: { pathNot: '^worlds/' }, to: { path: '^worlds/' } },
    ...upward('core', CORE_FLOORS, core),
    ...upward('web', WEB_FLOORS, web),
    ...beside('web', WEB_FLOORS, web),
    {
      name: 'every-room-of-the-web-is-on-a-floor',
      severity: 'error',
      from: { path: '^apps/web/src/' },
      to: { path: '^apps/web/src/[^/]+/', pathNot: web(`(${WEB_FLOORS.flat().join('|')})`) },
    },
    {
      name: 'a-stage-uses-no-other-stage',
      severity: 'error',
      from: { path: '^apps/web/src/stages/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^apps/web/src/stages/[^/]+/', pathNot: '^apps/web/src/stages/$1/' },
    },
    {
      name: 'what-is-imported-is-declared',
      severity: 'error',
      // Tools of the tests are declared once, for all of them.
      from: { path: '^(packages|apps)/', pathNot: '(\\.test\\.ts$|/test/|/oldWorkshops/makeWorkshop)' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown'] },
    },
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
