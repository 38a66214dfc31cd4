import { ensureInstalled, ensurePageBuilt, say } from './lib/workspace.mjs';

ensureInstalled();
ensurePageBuilt();
say('Built.');
