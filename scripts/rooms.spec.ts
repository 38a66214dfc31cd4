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
