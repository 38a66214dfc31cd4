import { readFileSync } from 'node:fs';

/** The core's rooms in order: each may use what stands before it. The same list is on the architecture page. */
const rooms = JSON.parse(readFileSync(new URL('packages/core/rooms.json', import.meta.url), 'utf8')).map(
  ({ room }) => room,
);
const SRC = '^packages/core/src';
const NOT_TESTS = '\\.spec\\.ts$|/testing/';

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    {
      name: 'no-circle',
      comment: 'Two files that import one another cannot be understood one after the other.',
      severity: 'error',
      from: { pathNot: NOT_TESTS },
      to: { circular: true },
    },
    ...rooms.slice(0, -1).map((room, at) => ({
      name: `core-${room}-imports-no-later-room`,
      comment: 'Rooms of the core stand in the order of packages/core/rooms.json.',
      severity: 'error',
      from: { path: `${SRC}/${room}/`, pathNot: NOT_TESTS },
      to: { path: `${SRC}/(${rooms.slice(at + 1).join('|')})/` },
    })),
    {
      name: 'core-imports-no-door',
      comment: 'The door of the core is for those outside.',
      severity: 'error',
      from: { path: `${SRC}/[^/]+/`, pathNot: NOT_TESTS },
      to: { path: `${SRC}/index\\.ts$` },
    },
    {
      name: 'page-base-knows-no-view',
      comment: 'What serves many imports nothing of those whom it serves.',
      severity: 'error',
      from: { path: '^apps/web/src/app/(base|ui)/', pathNot: NOT_TESTS },
      to: { path: '^apps/web/src/app/(?!base/|ui/)' },
    },
    {
      name: 'server-in-layers',
      comment: 'routes, services, repositories, db: each uses what stands after it.',
      severity: 'error',
      from: { path: '^apps/server/src/(services|repositories|db)/', pathNot: NOT_TESTS },
      to: { path: '^apps/server/src/routes/' },
    },
    {
      name: 'repositories-know-no-services',
      severity: 'error',
      from: { path: '^apps/server/src/(repositories|db)/', pathNot: NOT_TESTS },
      to: { path: '^apps/server/src/services/' },
    },
    {
      name: 'sql-in-repositories-alone',
      severity: 'error',
      from: { path: '^apps/server/src/(routes|http)/', pathNot: NOT_TESTS },
      to: { path: '^apps/server/src/(repositories|db/(open|schema|file|salvage))', pathNot: '/set-aside\\.ts$' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules|/dist/' },
    exclude: { path: 'node_modules|/dist/|\\.worker$' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.check.json' },
  },
};
