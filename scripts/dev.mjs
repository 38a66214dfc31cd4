/**
 * For working on it: core and server are compiled as they are saved and the server starts anew, the page reloads itself,
 * both with source maps; the demo's weather, gauge and boat stand in as in `npm start`.
 */
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { freePort, startStandIns } from './lib/server.mjs';
import { ensureInstalled, ensureServerBuilt, ROOT, say } from './lib/workspace.mjs';

const SERVER_PORT = process.env.INKY_PORT ?? '4720';
const PAGE_PORT = process.env.INKY_PAGE_PORT ?? '4730';

ensureInstalled();
ensureServerBuilt();

const [outsidePort, boatPort] = [await freePort(), await freePort()];
const standIns = await startStandIns(outsidePort, boatPort);

const children = [
  ['compiler', 'node_modules/typescript/bin/tsc', ['-b', '--watch', '--preserveWatchOutput'], ROOT, {}],
  ['server', null, ['--watch', '--enable-source-maps', 'apps/server/dist/main.js'], ROOT, { INKY_PORT: SERVER_PORT }],
  [
    'page',
    'node_modules/@angular/cli/bin/ng.js',
    ['serve', '--host', '127.0.0.1', '--port', PAGE_PORT],
    join(ROOT, 'apps/web'),
    { INKY_PORT: SERVER_PORT },
  ],
].map(([name, script, args, cwd, env]) => {
  const child = spawn(process.execPath, [...(script ? [join(ROOT, script)] : []), ...args], {
    cwd,
    env: {
      ...process.env,
      NG_CLI_ANALYTICS: 'false',
      INKY_DEMO_OUTSIDE: `http://127.0.0.1:${outsidePort}`,
      INKY_DEMO_BOAT: `tcp://127.0.0.1:${boatPort}`,
      ...env,
    },
    stdio: ['ignore', 'inherit', 'inherit'],
  });
  child.on('exit', (code) => {
    if (!stopping) say(`The ${name} ended with ${code}.`);
    stop();
  });
  return child;
});

let stopping = false;
function stop() {
  if (stopping) return;
  stopping = true;
  for (const child of children) child.kill();
  void standIns.kill();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
say(`The page: http://127.0.0.1:${PAGE_PORT} (the API behind it at ${SERVER_PORT}). Ctrl-C ends all.`);

// npm runs this in a shell that dies of a SIGTERM without passing it on. When that shell is gone, stop as if told.
const parent = process.ppid;
setInterval(() => {
  if (process.ppid !== parent) stop();
}, 500).unref();
