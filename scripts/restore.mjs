import { join } from 'node:path';
import { ensureInstalled, ensureServerBuilt, ROOT, say } from './lib/workspace.mjs';

/** Lists the backups of a book, or puts the book back to one; the server must be stopped. */
const [book = 'own', name, ...rest] = process.argv.slice(2);
const usage = 'usage: npm run restore [own | demo [NAME | latest]]';
if (!['own', 'demo'].includes(book) || rest.length) {
  say(usage);
  process.exit(2);
}
ensureInstalled();
ensureServerBuilt();
const { readConfig } = await import('../apps/server/dist/config.js');
const { Library } = await import('../apps/server/dist/services/library.js');

const told = (counts) =>
  Object.entries(counts)
    .filter(([, count]) => count)
    .map(([table, count]) => `${count} ${table.replaceAll('_', ' ')}`)
    .join(', ') || 'nothing';

let library;
try {
  const config = readConfig(process.env, ROOT);
  library = await Library.open({
    dataDir: config.dataDir,
    backupDir: config.backupDir ?? join(config.dataDir, 'backups'),
    programDir: config.programDir,
    systemNow: () => new Date(),
    demoOutside: null,
    demoBoat: null,
  });
  const backups = library.book(book).backups.list();
  const chosen = name === 'latest' ? backups[0]?.name : name;
  if (!chosen) {
    const lines = backups.map(({ name: each, bytes }) => `${each}  ${Math.ceil(bytes / 1000)} kB\n`);
    process.stdout.write(lines.join('') || 'There is no backup yet.\n');
  } else {
    const compared = await library.compare(book, chosen);
    if (!compared) throw new Error(`There is no backup ${chosen}: npm run restore ${book} lists those there are.`);
    say(`It holds ${told(compared.then)}; the book holds ${told(compared.now)}.`);
    await library.restore(book, chosen);
    process.stdout.write(`The book ${book} is as it was in ${chosen}. What it held is a backup, too.\n`);
  }
} catch (error) {
  say(error.message);
  process.exitCode = 1;
} finally {
  await library?.close();
}
