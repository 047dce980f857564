// The rooms of the core, the highest first. A room imports only rooms below it; nothing imports in a circle, not even types.
const layers = [
  'documents',
  'evaluate',
  'signoff',
  'cutover',
  'connect',
  'allocate',
  'decide',
  'test',
  'survey',
  'model',
  'physics',
  'solver',
  'shared',
];

const isTest = '\\.test\\.ts$';

/** Forbids what would run back up from a layer. */
const upwards = layers.slice(1).map((layer, index) => ({
  name: `${layer}-imports-only-below`,
  severity: 'error',
  from: { path: `^core/${layer}/`, pathNot: isTest },
  to: { path: `^core/(${layers.slice(0, index + 1).join('|')})/` },
}));

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    ...upwards,
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'the-core-stands-alone',
      severity: 'error',
      from: { path: '^core/', pathNot: isTest },
      to: { path: '^(contract|web|server|cli|stand-ins|tests|scripts|bench)/' },
    },
    {
      name: 'the-contract-knows-the-core-alone',
      severity: 'error',
      from: { path: '^contract/' },
      to: { path: '^(web|server|cli|stand-ins|tests|scripts|bench)/' },
    },
    {
      name: 'server-and-pages-know-each-other-by-the-contract',
      severity: 'error',
      from: { path: '^web/', pathNot: isTest },
      to: { path: '^server/' },
    },
    {
      name: 'solver-knows-no-cameras',
      severity: 'error',
      from: { path: '^core/solver/', pathNot: isTest },
      to: { path: '^core/(model|physics)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.(css|json)$|\\?raw$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default'] },
  },
};
