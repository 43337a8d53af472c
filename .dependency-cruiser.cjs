const { FLOORS, rulesOfRooms } = require('./scripts/rooms.cjs');

/** Imports run one way only: core ← preview, standins, server, cli, app; within the core, as `scripts/rooms.cjs` tells. */
const STEPS = Object.keys(FLOORS.find(({ floor }) => floor === 'steps').rooms);

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'core-stands-alone',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(?!core/)' },
    },
    {
      name: 'core-is-pure',
      comment: 'No page, no network, no clock, no storage: only libraries for what is not the heart.',
      severity: 'error',
      from: { path: '^src/core/', pathNot: '\\.test\\.ts$' },
      to: {
        path: [
          '^node:',
          'node_modules/(?!@types/culori|zod|entities|htmlparser2|url-template|mustache|culori|papaparse|@types/papaparse|fast-xml-parser|@noble/hashes|crc-32|ical-generator|fflate|feedsmith|media-captions|diff|mdast-util-from-markdown)',
        ],
        dependencyTypesNot: ['type-only'],
      },
    },
    ...rulesOfRooms(),
    {
      name: 'messages-know-only-core',
      severity: 'error',
      from: { path: '^src/messages/' },
      to: { path: '^src/(?!core/|messages/)' },
    },
    {
      name: 'programs-know-only-core-and-messages',
      severity: 'error',
      from: { path: '^src/programs/' },
      to: { path: '^src/(?!core/|messages/|programs/)' },
    },
    {
      name: 'app-knows-no-server',
      severity: 'error',
      from: { path: '^src/(app|preview)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/(server|standins|cli)/' },
    },
    {
      name: 'server-knows-no-app',
      severity: 'error',
      from: { path: '^src/(server|standins|cli)/' },
      to: { path: '^src/(app|preview)/' },
    },
    {
      name: 'standins-know-no-core-step',
      severity: 'error',
      from: { path: '^src/standins/', pathNot: '\\.test\\.ts$' },
      to: { path: `^src/core/(steps/(${STEPS.join('|')})/|pipeline|known/hosts/)` },
    },
    {
      name: 'storage-knows-no-screen',
      severity: 'error',
      from: { path: '^src/app/(state|storage|commands)/' },
      to: { path: '^src/app/(screens|ui)/' },
    },
  ],
  options: { doNotFollow: { path: 'node_modules' }, tsPreCompilationDeps: true, tsConfig: { fileName: 'tsconfig.json' } },
};
