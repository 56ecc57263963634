/** The walls of the house: which room may import from which. */
const onlyMayImport = (name, from, allowed, comment, except = '[.]test[.]tsx?$') => ({
  name,
  comment,
  severity: 'error',
  from: { path: from, pathNot: except },
  to: { path: '^(core|server|web|cli|e2e|bench|scripts|schemas)/', pathNot: allowed },
});

/** The science's own storeys, from the ground up: each leans only on those below it. */
const STOREYS = [
  'schema',
  'units',
  'numerics',
  'film',
  'motor',
  'run',
  'car',
  'predict',
  'bench',
  'solid',
  'geometry',
  'brief',
  'checks',
  'explore',
  'trials',
  'rig',
  'build',
  'meet',
  'class',
  'learn',
  'files',
];
const storeys = STOREYS.map((name, i) => ({
  name: `core-${name}-below-others`,
  comment: `core/${name} is below ${STOREYS.slice(i + 1).join(', ') || 'nothing'}.`,
  severity: 'error',
  from: { path: `^core/${name}/`, pathNot: '([.]test[.]ts|/reference/.*)$' },
  to: { path: `^core/(${STOREYS.slice(i + 1).join('|') || 'nothing'})/` },
}));

module.exports = {
  forbidden: [
    ...storeys,
    onlyMayImport('core-stands-alone', '^core/(?!.*/reference/)', '^core/', 'The science knows no other room.'),
    {
      name: 'core-small-packages',
      comment: 'The science leans on small maths packages and the compiled validators only.',
      severity: 'error',
      // Writers of drawings and printed parts stand on a package for their format.
      from: { path: '^core/', pathNot: '([.]test[.]ts|/reference/.*|^core/files/(drawing-(dxf|pdf)|printed-(mesh|3mf))[.]ts)$' },
      to: {
        dependencyTypes: ['npm', 'npm-dev', 'core'],
        pathNot: 'node_modules/(simple-statistics|@stdlib|ml-levenberg-marquardt|ml-matrix|ajv|ajv-formats)/',
      },
    },
    onlyMayImport(
      'server-keeps',
      '^server/',
      '^(server/|core/(files|schema|fault(-words)?[.]ts|car/car-design))',
      'The server only keeps: schemas and types of the science, no computation.',
      '[.]test[.]tsx?$|^server/(testing[.]ts|attack/)',
    ),
    onlyMayImport('web-shows', '^web/', '^(web|core)/', 'The page takes everything computed from the science.'),
    onlyMayImport('cli-is-thin', '^cli/', '^(cli|core|server)/', 'Commands are thin over the science, and over what keeps it.'),
    {
      name: 'stations-apart',
      comment: 'What two stations need has a home of its own: open-car, open-brief, brief-fields, charts, drawing, ui.',
      severity: 'error',
      from: { path: '^web/stations/([^/]+)/', pathNot: '[.]test[.]tsx?$' },
      to: { path: '^web/stations/', pathNot: '^web/stations/$1/' },
    },
    {
      name: 'shared-below-stations',
      comment: 'What is shared knows no station.',
      severity: 'error',
      from: { path: '^web/(ui|charts|drawing|brief-fields|open-document|open-car|open-brief|workers|live)/', pathNot: '[.]test[.]tsx?$' },
      to: { path: '^web/stations/' },
    },
    {
      name: 'ui-at-the-bottom',
      comment: 'Fields, drawers and words know neither the app nor what is drawn with them.',
      severity: 'error',
      from: { path: '^web/ui/' },
      to: { path: '^web/(app|charts|drawing|brief-fields|open-document|open-car|open-brief|workers)/' },
    },
    {
      name: 'no-circles',
      comment: 'Those of types too: they cost a reader as much.',
      severity: 'error',
      from: { path: '^(core|server|web|cli)/' },
      to: { circular: true },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs'] },
  },
};
