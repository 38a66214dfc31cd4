/** Tests of the real page, built first where something changed: `npm run test:page -- FILE`, all of them without one. */
import { ensureChromium } from './lib/chromium.mjs';
import { ensureInstalled, ensurePageBuilt } from './lib/workspace.mjs';
import { runJest } from './lib/jest.mjs';

ensureInstalled();
ensurePageBuilt();
process.exit((await ensureChromium()) ? runJest(['e2e'], process.argv.slice(2)) : 1);
