/** The house's boundaries (docs/architecture.md). */
/**
 * The files of a folder, one a kind of thing, that know nothing of each other but what they share.
 *
 * @param things what they are
 * @param folder where they lie, below src
 * @param shared files that all of them may import
 */
const strangers = (things, folder, shared) => ({
  name: `${things}-do-not-know-${things}`,
  severity: 'error',
  from: { path: `^src/${folder}/(?!(index|list|${shared.join('|')})\\.ts)[^/]+\\.ts$`, pathNot: '\\.test\\.ts$' },
  to: { path: `^src/${folder}/(?!(${shared.join('|')})\\.ts)` },
});

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      comment: 'core imports nothing of ours outside core',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(src/(?!core/)|cli/|demo/)' },
    },
    {
      name: 'core-runs-anywhere',
      comment: 'no React, Next, Node or database in core',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(node:|fs$|path$|.*node_modules/(react|react-dom|next|better-sqlite3)/)' },
    },
    {
      name: 'core-has-no-node-builtins',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'inspection-shares-nothing',
      comment: 'It checks what the rest made: of ours it knows the plan’s published data alone, as types.',
      severity: 'error',
      from: { path: '^src/core/inspection/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core/inspection/)', pathNot: '^src/core/plan-data/' },
    },
    {
      name: 'inspection-knows-the-plan-by-its-types',
      severity: 'error',
      from: { path: '^src/core/inspection/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/plan-data/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'workers-are-thin',
      severity: 'error',
      from: { path: '^src/workers/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core/|workers/)' },
    },
    {
      name: 'ui-has-no-data',
      comment: 'types may be shared, code not',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/(data|server|app)/', dependencyTypesNot: ['type-only'] },
    },
    { name: 'app-knows-server-ui-and-data', severity: 'error', from: { path: '^src/app/' }, to: { path: '^src/(workers|stand-ins)/' } },
    // One of a kind knows nothing of the others: what they share stands in the file that names the kind.
    strangers('ways', 'core/cover/ways', ['way', 'parts']),
    strangers('kinds', 'core/piece/kinds', ['kind']),
    strangers('pad-forms', 'core/pad-forms', ['form', 'shared', 'points']),
    strangers('rims', 'core/pad-rims', ['rim', 'shared', 'dome']),
    // A leg is chosen in a file of its own.
    strangers('fasteners', 'core/fastening/fasteners', ['fastener', 'staple-leg']),
    {
      name: 'stages-do-not-know-stages',
      severity: 'error',
      from: { path: '^src/ui/stages/([^/]+)/', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/ui/stages/', pathNot: '^src/ui/stages/$1/' },
    },
    {
      name: 'the-sheet-knows-stages-by-their-list',
      severity: 'error',
      from: { path: '^src/ui/(?!stages/)', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^src/ui/stages/(?!index\\.ts)' },
    },
    { name: 'stand-ins-know-core-only', severity: 'error', from: { path: '^src/stand-ins/' }, to: { path: '^src/(?!core/|stand-ins/)' } },
    { name: 'data-knows-core-only', severity: 'error', from: { path: '^src/data/' }, to: { path: '^src/(?!core/|data/|testing/)' } },
    {
      name: 'testing-is-for-tests',
      comment: 'What only tests use is in no part of the application.',
      severity: 'error',
      from: { path: '^(src|cli|demo)/', pathNot: '(\\.test\\.tsx?$|^src/testing/|^src/data/torture/)' },
      to: { path: '^src/(testing|data/torture)/|^src/core/document/carriers' },
    },
    { name: 'server-has-no-ui', severity: 'error', from: { path: '^src/server/' }, to: { path: '^src/(ui|app)/' } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs'], conditionNames: ['import', 'default'] },
  },
};
