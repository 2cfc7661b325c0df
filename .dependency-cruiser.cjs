/** Imports run downward only: app → ui, services → connectors, store, formats → core. No circles. */
const layer = (name, from, allowed) => ({
  name,
  severity: 'error',
  comment: `${from} may import only: ${['itself', ...allowed].join(', ')}`,
  from: { path: `^src/${from}/`, pathNot: '(\\.test\\.tsx?$|__tests__)' },
  to: { path: '^src/', pathNot: `^src/(${[from, ...allowed].join('|')})/` },
});

/**
 * Services stand on floors: `keep` knows rows and blobs, `do` changes them, `show` gives screens what they show, `wire`
 * puts it all together. Each imports from those below alone.
 */
const floor = (name, below) => ({
  name: `services-floor-${name}`,
  severity: 'error',
  comment: `services/${name} may import only: ${['itself', ...below].join(', ')}`,
  from: { path: `^src/services/${name}/`, pathNot: '(\\.test\\.tsx?$|__tests__)' },
  to: { path: '^src/services/', pathNot: `^src/services/(${[name, ...below].join('|')})/` },
});

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      comment: 'types included: each file can be read with nothing but what stands below it',
      from: {},
      to: { circular: true },
    },
    layer('core-is-the-ground', 'core', []),
    layer('formats-over-core', 'formats', ['core']),
    layer('store-over-core', 'store', ['core', 'formats']),
    layer('connectors-below-services', 'connectors', ['core', 'formats', 'store']),
    layer('services-below-interface', 'services', ['core', 'formats', 'store', 'connectors']),
    layer('workers-call-services', 'workers', ['core', 'formats', 'store', 'connectors', 'services']),
    layer('server-is-the-door', 'server', ['core', 'formats', 'services']),
    layer('interface-without-app', 'ui', ['core', 'services']),
    layer('command-line-without-interface', 'cli', ['core', 'formats', 'store', 'connectors', 'services']),
    floor('keep', []),
    floor('do', ['keep']),
    floor('show', ['keep', 'do']),
    {
      name: 'core-is-pure',
      severity: 'error',
      comment: 'the core knows no interface, database, file system or network',
      from: { path: '^src/core/', pathNot: '(\\.test\\.tsx?$|__tests__)' },
      to: {
        path: '^(node:)?(fs|net|http|https|child_process|worker_threads|dns|os)(/|$)|node_modules/(next|react|react-dom|@mui|better-sqlite3|drizzle-orm)/',
      },
    },
    {
      name: 'nothing-knows-stand-ins',
      severity: 'error',
      comment: 'the application does not know that an outside service is not the real one',
      from: { path: '^src/', pathNot: '(\\.test\\.tsx?$|__tests__)' },
      to: { path: '^stand-ins/' },
    },
    { name: 'no-unresolved', severity: 'error', from: {}, to: { couldNotResolve: true } },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    doNotFollow: { path: 'node_modules' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
    },
  },
};
