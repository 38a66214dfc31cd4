import { startStandIns } from './lib/server.mjs';
import { ensureInstalled, ensurePageBuilt, say } from './lib/workspace.mjs';

ensureInstalled();
ensurePageBuilt();
try {
  // The demo's weather and gauge are made up by a program of their own, so that its going away can be tried out.
  process.env.INKY_DEMO_OUTSIDE ??= (await startStandIns(Number(process.env.INKY_SIM_PORT ?? 0))).address;
} catch (error) {
  say(`The demo goes without its weather: ${error.message}`);
}
await import('../apps/server/dist/main.js');

// npm runs this in a shell that dies of a SIGTERM without passing it on. When that shell is gone, stop as if told.
const parent = process.ppid;
setInterval(() => {
  if (process.ppid !== parent) process.kill(process.pid, 'SIGTERM');
}, 500).unref();
