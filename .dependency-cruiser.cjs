/** Floors: imports only go down. Core folders are entered by their doors. */
const floor = (name, from, allowed) => ({
  name,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path: '^(core|words|contract|server|web|demo|checks|e2e|bench)/', pathNot: `^(${allowed.join('|')})/` },
})

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    floor('core-imports-core', 'core', ['core']),
    floor('words-import-core', 'words', ['words', 'core']),
    floor('contract-imports-down', 'contract', ['contract', 'words', 'core']),
    floor('web-imports-down', 'web', ['web', 'contract', 'words', 'core']),
    floor('demo-imports-core', 'demo', ['demo', 'core']),
    {
      name: 'server-imports-down',
      comment: 'Only the start of the program knows the demonstration.',
      severity: 'error',
      from: { path: '^server/', pathNot: '^server/(beginning|.*[.]test)[.]ts$' },
      to: { path: '^(web|demo|checks|e2e|bench)/' },
    },
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^core/', pathNot: '[.]test[.]ts$' },
      to: { dependencyTypes: ['npm', 'core'], pathNot: 'node_modules/zod/' },
    },
    {
      name: 'core-by-its-doors',
      comment: 'A subject of the core is imported by its index, never from inside.',
      severity: 'error',
      from: { path: '^core/([^/]+)/' },
      to: { path: '^core/[^/]+/.+', pathNot: ['^core/$1/', '^core/[^/]+/index[.]ts$'] },
    },
    {
      name: 'words-by-their-door',
      severity: 'error',
      from: { path: '^(contract|server|web|demo|checks)/' },
      to: { path: '^words/.+', pathNot: '^words/index[.]ts$' },
    },
    {
      name: 'fixtures-in-tests-only',
      severity: 'error',
      from: { pathNot: '([.]test[.]ts$|^(core|web)/fixtures/|^bench/)' },
      to: { path: '^(core|web|server)/fixtures/' },
    },
    {
      name: 'others-by-the-doors',
      severity: 'error',
      from: { path: '^(words|contract|server|web|demo)/' },
      to: { path: '^core/[^/]+/.+', pathNot: '^core/[^/]+/index[.]ts$' },
    },
    {
      name: 'no-orphans',
      severity: 'error',
      from: { orphan: true, pathNot: ['[.]d[.]ts$', '[.]test[.]ts$', '^web/offline/'] },
      to: {},
    },
    {
      name: 'views-apart',
      severity: 'error',
      from: { path: '^web/views/([^/]+)/' },
      to: { path: '^web/views/([^/]+)/', pathNot: '^web/views/$1/' },
    },
    {
      name: 'no-unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^(pdfmake/interfaces|virtual:pwa-register)$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types', 'node', 'default'],
      extensions: ['.ts', '.vue', '.mjs', '.js'],
    },
  },
}
