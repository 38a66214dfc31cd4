import 'fake-indexeddb/auto';
import type { Dexie } from 'dexie';
import { IDBFactory } from 'fake-indexeddb';
import { firstValueFrom } from 'rxjs';
import * as z from 'zod';
import type * as store from './store';

type StoreModule = typeof store;

/** The page as it is loaded anew: nothing of the former one but what this browser kept. */
function load(): StoreModule {
  jest.resetModules();
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- a second instance of the module is wanted
  return require('./store') as StoreModule;
}

const text = (page: StoreModule, name: string) => new page.Store(name, z.string().nullable(), null);

beforeEach(() => {
  localStorage.clear();
  globalThis.indexedDB = new IDBFactory();
});
afterEach(() => jest.restoreAllMocks());

const full = () => {
  throw Object.assign(new Error('full'), { name: 'QuotaExceededError' });
};

it('two windows write rows of their own, and neither overwrites the other', async () => {
  const [one, two] = [load(), load()];
  text(one, 'draft/own').write('typed in the first');
  text(two, 'draft/demo').write('typed in the second');
  await Promise.all([one.beginKeeping(), two.beginKeeping()]);
  localStorage.clear();
  const next = load();
  await next.beginKeeping();
  expect(text(next, 'draft/own').read()).toBe('typed in the first');
  expect(text(next, 'draft/demo').read()).toBe('typed in the second');
});

it('what the small storage has no room for is in the database, and there at the next start', async () => {
  const page = load();
  await page.beginKeeping();
  text(page, 'draft/own').write('old');
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(full);
  expect(text(page, 'draft/own').write('new')).toBe(false);
  await page.beginKeeping();
  expect(await firstValueFrom(page.keeping$)).toBe(true);
  expect(text(page, 'draft/own').read()).toBe('new');
  jest.restoreAllMocks();
  const next = load();
  const seen: unknown[] = [];
  text(next, 'draft/own').changed$.subscribe((change) => seen.push(change));
  expect(text(next, 'draft/own').read()).toBe('old');
  await next.beginKeeping();
  expect(text(next, 'draft/own').read()).toBe('new');
  expect(seen).toEqual([{ name: 'draft/own', by: 'disk' }]);
});

it('what neither keeps is said for as long as it lasts', async () => {
  const page = load();
  jest.spyOn(Storage.prototype, 'setItem').mockImplementation(full);
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- that of the page loaded last
  const { Dexie: Db } = require('dexie') as { Dexie: typeof Dexie };
  const open = jest.spyOn(Db.prototype, 'open').mockImplementation(full);
  text(page, 'draft/own').write('typed');
  await page.beginKeeping();
  expect(await firstValueFrom(page.keeping$)).toBe(false);
  // It still stands in this window.
  expect(text(page, 'draft/own').read()).toBe('typed');
  open.mockRestore();
  text(page, 'draft/own').write('typed on');
  await page.beginKeeping();
  expect(await firstValueFrom(page.keeping$)).toBe(true);
});

it('what was removed stays removed, and what lies here later than the database is kept', async () => {
  const page = load();
  const runs = (of: StoreModule) => new of.StoreSet('run', z.string());
  await page.beginKeeping();
  runs(page).write('2027-03-13/1', 'a run');
  runs(page).write('2027-03-14/1', 'another');
  runs(page).remove('2027-03-13/1');
  await page.beginKeeping();
  const next = load();
  await next.beginKeeping();
  expect(runs(next).ids()).toEqual(['2027-03-14/1']);
  // Written, and the page was gone before its database was open.
  runs(load()).write('2027-03-15/1', 'the latest');
  const later = load();
  await later.beginKeeping();
  localStorage.clear();
  const last = load();
  await last.beginKeeping();
  expect(runs(last).all()).toEqual(['another', 'the latest']);
  expect(runs(last).read('2027-03-13/1')).toBeNull();
});

it('a row that does not fit its form gives way to the fallback, or is passed over', () => {
  const page = load();
  localStorage.setItem('inky.count', '"many"');
  localStorage.setItem('inky.run/a', '{');
  expect(new page.Store('count', z.number(), 3).read()).toBe(3);
  expect(new page.StoreSet('run', z.string()).all()).toEqual([]);
});

it('another window is heard', () => {
  const page = load();
  const seen: unknown[] = [];
  new page.StoreSet('run', z.string()).changed$.subscribe((id) => seen.push(id));
  dispatchEvent(new StorageEvent('storage', { key: 'inky.run/a' }));
  dispatchEvent(new StorageEvent('storage', { key: 'inky.at/run/a' }));
  dispatchEvent(new StorageEvent('storage', { key: 'inky.draft/own' }));
  expect(seen).toEqual(['a']);
});
