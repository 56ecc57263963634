/** The walls of the house: which room may import from which. */
const onlyMayImport = (name, from, allowed, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from, pathNot: '[.]test[.]tsx?$' },
  to: { path: '^(core|server|web|cli|e2e|bench|scripts|schemas)/', pathNot: allowed },
});

module.exports = {
  forbidden: [
    onlyMayImport('core-stands-alone', '^core/(?!.*/reference/)', '^core/', 'The science knows no other room.'),
    {
      name: 'core-small-packages',
      comment: 'The science leans on small maths packages and the compiled validators only.',
      severity: 'error',
      from: { path: '^core/', pathNot: '([.]test[.]ts|/reference/.*)$' },
      to: { dependencyTypes: ['npm', 'npm-dev', 'core'], pathNot: 'node_modules/(simple-statistics|@stdlib|ajv|ajv-formats)/' },
    },
    onlyMayImport(
      'server-keeps',
      '^server/',
      '^(server/|core/(files|design/car-design|fault))',
      'The server only keeps: schemas and types of the science, no computation.',
    ),
    onlyMayImport('web-shows', '^web/', '^(web|core)/', 'The page takes everything computed from the science.'),
    onlyMayImport('cli-is-thin', '^cli/', '^(cli|core|server)/', 'Commands are thin over the science, and over what keeps it.'),
    {
      name: 'no-circles',
      severity: 'error',
      from: { path: '^(core|server|web|cli)/' },
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs'] },
  },
};
