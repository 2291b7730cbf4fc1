/** Arrows between folders point one way; docs/architecture.md draws them. Tests may look anywhere. */
const arrow = (folder, allowed) => ({
  name: `${folder}-points-only-to-${allowed.join('-') || 'nothing'}`,
  severity: 'error',
  from: { path: `^src/${folder}/`, pathNot: '\\.test\\.tsx?$|/testing/' },
  to: { path: '^src/', pathNot: `^src/(${[folder, ...allowed].join('|')})/` },
});

module.exports = {
  forbidden: [
    arrow('core', []),
    arrow('store', ['core']),
    arrow('devices', ['core']),
    arrow('desk', ['store', 'devices', 'core']),
    arrow('workers', ['core']),
    arrow('ui', ['core', 'workers']),
    arrow('app', ['ui', 'desk']),
    arrow('demo', ['desk', 'core']),
    arrow('cli', ['desk', 'core', 'demo']),
    {
      name: 'core-is-pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['core'], pathNot: '^$' },
    },
    {
      name: 'core-knows-no-framework',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: 'node_modules/(react|next|sequelize|sqlite3|umzug)/' },
    },
    {
      name: 'browser-compiles-no-schemas',
      comment: 'Ajv makes code at run time, which the security policy of the pages forbids.',
      severity: 'error',
      from: { path: '^src/(ui|workers)/' },
      to: { path: '^src/core/formats/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.json'] },
  },
};
