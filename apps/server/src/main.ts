import { fileURLToPath } from 'node:url';
import { readConfig } from './config.js';
import { BookTrouble } from './db/trouble.js';
import { startServer } from './server.js';

const rootDir = fileURLToPath(new URL('../../..', import.meta.url));
const programDir = fileURLToPath(new URL('.', import.meta.url));

try {
  const server = await startServer(readConfig(process.env, rootDir, programDir));
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    void server.stop().then(() => process.exit(0));
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
  // The starting script waits for this line.
  process.stdout.write(`Inky Shoal is at ${server.address}\n`);
} catch (error) {
  const { code, message } = error as NodeJS.ErrnoException;
  process.stderr.write(
    code === 'EADDRINUSE'
      ? 'The port is taken: stop the other program or set INKY_PORT.\n'
      : error instanceof BookTrouble
        ? `${message}\n`
        : `Could not start: ${message}\n`,
  );
  process.exit(1);
}
