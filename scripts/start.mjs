import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { freePort, startStandIns } from './lib/server.mjs';
import { ensureInstalled, ensurePageBuilt, ROOT, say } from './lib/workspace.mjs';

const [unknown] = process.argv.slice(2).filter((each) => each !== '--share');
if (unknown) {
  say(`${unknown} is not known here: expected nothing, or --share for the devices of this network.`);
  process.exit(2);
}
if (process.argv.includes('--share')) process.env.INKY_SHARE = '1';

ensureInstalled();
ensurePageBuilt();
// The demo's weather, gauge and boat are made up by a program of their own, so that its going away can be tried out.
// Nobody waits for it: until it answers, the demo goes without.
if (process.env.INKY_DEMO_OUTSIDE === undefined) {
  const [port, boatPort] = [await freePort(), await freePort()];
  process.env.INKY_DEMO_OUTSIDE = `http://127.0.0.1:${port}`;
  process.env.INKY_DEMO_BOAT = `tcp://127.0.0.1:${boatPort}`;
  startStandIns(port, boatPort).catch((error) => say(`The demo goes without its weather: ${error.message}`));
}
await import(pathToFileURL(join(ROOT, 'apps/server/program/main.js')).href);

// npm runs this in a shell that dies of a SIGTERM without passing it on. When that shell is gone, stop as if told.
const parent = process.ppid;
setInterval(() => {
  if (process.ppid !== parent) process.kill(process.pid, 'SIGTERM');
}, 500).unref();
