import { ensureInstalled, ensurePageBuilt } from './lib/workspace.mjs';

ensureInstalled();
ensurePageBuilt();
await import('../apps/server/dist/main.js');
