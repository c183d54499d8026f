/** The arrows of docs/architecture.md. Each room lists the rooms that it may import; everything else is forbidden. */
const core = (...rooms) => rooms.map((room) => `^src/core/${room}(/|\\.ts$)`);

const MAY = {
  'core/quantities': [],
  'core/physics': core('quantities'),
  'core/circuit': core('physics', 'quantities'),
  'core/parts': core('physics', 'quantities'),
  'core/build': core('physics', 'parts', 'quantities'),
  'core/vehicle': core('circuit', 'physics', 'parts', 'build', 'quantities'),
  'core/simulate': core('vehicle', 'circuit', 'physics', 'parts', 'build', 'quantities'),
  'core/bench': core('simulate', 'vehicle', 'circuit', 'physics', 'parts', 'build', 'quantities'),
  'core/rules': core('quantities'),
  'core/checks': core('build', 'quantities', 'vehicle'),
  'core/proposals': core('vehicle', 'simulate', 'physics', 'checks', 'parts', 'build', 'quantities'),
  'core/stations': core('proposals', 'vehicle', 'simulate', 'physics', 'parts', 'rules', 'checks', 'build', 'quantities'),
  'core/assess': core('stations', 'vehicle', 'simulate', 'checks', 'rules', 'build', 'quantities'),
  'core/remedies': core('assess', 'stations', 'proposals', 'vehicle', 'simulate', 'physics', 'checks', 'parts', 'build', 'quantities'),
  'core/formats': core('build', 'parts', 'quantities', 'assess', 'vehicle', 'circuit', 'checks'),
  'core/handover': core('formats', 'assess', 'stations', 'simulate', 'vehicle', 'physics', 'checks', 'build', 'quantities'),
  'core/logs': core('formats'),
  'core/calc': core('simulate', 'circuit', 'physics', 'checks', 'build', 'quantities', 'parts'),
  store: ['^src/core/', '^src/workers/'],
  workers: ['^src/core/'],
  ui: core('quantities'),
  screens: ['^src/(ui|store|workers|core)/'],
  app: ['^src/(screens|core)/', '^src/cli/answers\\.ts$'],
  cli: ['^src/core/'],
};

const tests = '\\.(test|fuzz\\.test|bench)\\.tsx?$';

module.exports = {
  forbidden: [
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
    ...Object.entries(MAY).map(([room, allowed]) => ({
      name: `${room.replace('/', '-')}-imports`,
      severity: 'error',
      from: { path: `^src/${room}(/|\\.ts$)`, pathNot: tests },
      to: { path: '^src/', pathNot: [`^src/${room}(/|\\.ts$)`, '\\.css$', ...allowed] },
    })),
    {
      name: 'a-station-never-imports-another',
      severity: 'error',
      from: { path: '^src/core/stations/([^/]+)/' },
      to: { path: '^src/core/stations/([^/]+)/', pathNot: '^src/core/stations/$1/' },
    },
    {
      name: 'a-screen-never-imports-another',
      severity: 'error',
      from: { path: '^src/screens/([^/]+)/', pathNot: '^src/screens/shell/' },
      to: { path: '^src/screens/([^/]+)/', pathNot: ['^src/screens/$1/', '^src/screens/shell/'] },
    },
    {
      name: 'the-core-is-pure',
      severity: 'error',
      from: { path: '^src/core/', pathNot: [tests, '/testing/'] },
      to: { dependencyTypes: ['npm', 'core'], pathNot: ['node_modules/immer/', 'node_modules/joi/', 'node_modules/date-fns/', 'node_modules/papaparse/', 'node_modules/fast-xml-parser/', 'node_modules/@noble/hashes/', 'node_modules/fflate/'] },
    },
    {
      name: 'testing-is-for-tests',
      severity: 'error',
      from: { path: '^src/', pathNot: [tests, '^src/core/testing/'] },
      to: { path: '^src/core/testing/' },
    },
    {
      name: 'joi-only-in-schema',
      severity: 'error',
      from: { path: '^src/', pathNot: '^src/core/(build|calc)/schema/' },
      to: { path: 'node_modules/joi/' },
    },
    {
      name: 'schema-is-loaded-by-files-api-and-command-line',
      severity: 'error',
      from: { path: '^src/(ui|screens|store|workers|core)/', pathNot: [tests, '^src/core/(build|calc)/schema/', '^src/workers/files\\.worker\\.ts$'] },
      to: { path: '^src/core/(build|calc)/schema/' },
    },
  ],
  options: { tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.json' }, doNotFollow: { path: 'node_modules' }, exclude: { path: '\\.ttf$' } },
};
