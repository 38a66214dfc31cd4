import { readdirSync, readFileSync } from 'node:fs';

interface Room {
  readonly room: string;
  readonly what: string;
}
const rooms = JSON.parse(readFileSync('packages/core/rooms.json', 'utf8')) as Room[];
const folders = readdirSync('packages/core/src', { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && entry.name !== 'testing')
  .map(({ name }) => name);

describe('the rooms of the core', () => {
  it('are its folders, every one', () => {
    expect(rooms.map(({ room }) => room).sort()).toEqual(folders.sort());
  });

  it('stand on the architecture page in the same order, with the same words', () => {
    const page = readFileSync('docs/architecture.md', 'utf8');
    const told = [...page.matchAll(/^\| `([a-z]+)` +\| ([^|]*?) +\|$/gm)].map(([, room, what]) => ({ room, what }));
    expect(told.slice(0, rooms.length)).toEqual(rooms);
  });
});

describe('the pages', () => {
  const files = (folder: string): string[] =>
    readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
      if (['node_modules', 'dist', 'program', '.git', '.angular'].includes(entry.name)) return [];
      const path = `${folder}/${entry.name}`;
      return entry.isDirectory() ? files(path) : [path];
    });
  const all = [...readdirSync('.'), ...['apps', 'packages', 'demo', 'scripts', 'bench', 'e2e'].flatMap(files)];

  it.each(['docs/architecture.md', 'docs/knowledge.md', 'docs/arithmetic.md', 'docs/safety.md', 'CONTRIBUTING.md'])(
    '%s names no file that is not there',
    (page) => {
      const named = [...readFileSync(page, 'utf8').matchAll(/`([\w./-]+\.(?:ts|mjs))`/g)].map(([, path]) => `/${path}`);
      // A file in `demo/dist` is built, not kept.
      const missing = named.filter(
        (path) => !path.includes('/dist/') && !all.some((file) => `/${file}`.endsWith(path)),
      );
      expect(missing).toEqual([]);
    },
  );
});
