import { ensureInstalled, ensurePageBuilt } from './lib/workspace.mjs';

ensureInstalled();
ensurePageBuilt();
await import('../apps/server/dist/main.js');

// npm runs this in a shell that dies of a SIGTERM without passing it on. When that shell is gone, stop as if told.
const parent = process.ppid;
setInterval(() => {
  if (process.ppid !== parent) process.kill(process.pid, 'SIGTERM');
}, 500).unref();
