/** The house's boundaries (docs/architecture.md). */
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
    {
      name: 'ways-do-not-know-ways',
      severity: 'error',
      from: { path: '^src/core/cover/ways/(?!index|way\\.ts|parts\\.ts)[^/]+\\.ts$', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/cover/ways/(?!way\\.ts|parts\\.ts)' },
    },
    {
      name: 'kinds-do-not-know-kinds',
      severity: 'error',
      from: { path: '^src/core/piece/kinds/(?!index)[^/]+\\.ts$', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/piece/kinds/(?!kind\\.ts)' },
    },
    {
      name: 'fasteners-do-not-know-fasteners',
      comment: 'a leg is chosen in a file of its own',
      severity: 'error',
      from: { path: '^src/core/fastening/fasteners/(?!index)[^/]+\\.ts$', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/fastening/fasteners/(?!fastener\\.ts|staple-leg\\.ts)' },
    },
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
