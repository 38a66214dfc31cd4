/** Unit tests alone, without a build: `npm run test:unit -- FILE` for those of some files, all of them without one. */
import { ensureInstalled } from './lib/workspace.mjs';
import { runJest } from './lib/jest.mjs';

ensureInstalled();
process.exit(runJest(['core', 'server', 'web', 'scripts'], process.argv.slice(2)));
