/** The rooms of the house and which doors are open between them. */
module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/' },
    },
    {
      name: 'core-subject-by-its-face',
      comment:
        'Another subject of the core is reached through its index.ts only. Proving takes the engine apart.',
      severity: 'error',
      from: { path: '^core/([^/]+)/' },
      to: {
        path: '^core/([^/]+)/',
        pathNot: ['^core/$1/', '^core/[^/]+/index\\.ts$', '^core/diagnosis/'],
      },
    },
    {
      name: 'diagnosis-by-its-face',
      severity: 'error',
      from: { path: '^core/', pathNot: '^core/(diagnosis|proving)/' },
      to: { path: '^core/diagnosis/', pathNot: '^core/diagnosis/index\\.ts$' },
    },
    {
      name: 'what-ships-proves-nothing',
      severity: 'error',
      from: {
        path: '^(core|contract|server|web)/',
        pathNot: ['^core/(proving|practice)/', '^web/src/practice/'],
      },
      to: { path: '^core/proving/' },
    },
    {
      name: 'practice-stays-practice',
      comment: 'Hidden machines and their answers are no part of real work.',
      severity: 'error',
      from: { path: '^(core|contract|server|web)/', pathNot: ['^core/practice/', '^web/src/practice/'] },
      to: { path: '^core/practice/' },
    },
    {
      name: 'contract-knows-only-core',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(server|web|e2e|scripts)/' },
    },
    {
      name: 'server-knows-core-and-contract',
      severity: 'error',
      from: { path: '^server/' },
      to: { path: '^(web|e2e|scripts)/' },
    },
    {
      name: 'web-knows-core-and-contract',
      severity: 'error',
      from: { path: '^web/' },
      to: { path: '^(server|e2e|scripts)/' },
    },
    {
      name: 'web-needs-no-node',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'e2e-knows-nobody',
      severity: 'error',
      from: { path: '^e2e/' },
      to: { path: '^(core|contract|server|web|scripts)/' },
    },
    {
      name: 'core-by-its-face-from-outside',
      severity: 'error',
      from: { path: '^(contract|server|web|scripts)/' },
      to: { path: '^core/', pathNot: '^core/[^/]+/index\\.ts$' },
    },
    {
      name: 'nothing-unresolved',
      severity: 'error',
      from: { pathNot: '\\.d\\.ts$' },
      to: { couldNotResolve: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules)/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.css'],
    },
  },
};
