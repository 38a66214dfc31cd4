import { BehaviorSubject, distinctUntilChanged, filter, map, Subject } from 'rxjs';
import type * as z from 'zod';
import type { KeptDb, KeptRow } from './kept-db';

/** A row that changed behind this window's back: in another window, or found on the disk where less was known here. */
export interface RowChanged {
  readonly name: string;
  readonly by: 'window' | 'disk';
}

const PREFIX = 'inky.';
const STAMP = 'inky.at/';

const keeping = new BehaviorSubject(true);
/** Whether this browser could keep what it was last given: where not, that is said for as long as it lasts. */
export const keeping$ = keeping.pipe(distinctUntilChanged());
const changed = new Subject<RowChanged>();

/** On their way to the database. */
const pending = new Map<string, KeptRow>();
/** What the small storage, that is read at once, had no room for. */
const unmirrored = new Map<string, string | null>();
let lastAt = 0;
let begun = false;
let flushing: Promise<void> | undefined;
let opened: Promise<KeptDb> | undefined;

function open(): Promise<KeptDb> {
  opened ??= import('./kept-db')
    .then(async ({ KeptDb: Db }) => {
      const db = new Db();
      await db.open();
      return db;
    })
    .catch((error: unknown) => {
      opened = undefined;
      throw error;
    });
  return opened;
}

async function sendAll(): Promise<void> {
  try {
    const db = await open();
    while (pending.size) {
      const rows = [...pending.values()];
      await db.rows.bulkPut(rows);
      for (const row of rows) if (pending.get(row.name) === row) pending.delete(row.name);
    }
    keeping.next(true);
  } catch {
    // What the small storage has is kept by that until the next write tries again.
    keeping.next(![...pending.keys()].some((name) => unmirrored.has(name)));
  }
}

const flush = (): Promise<void> => (flushing ??= sendAll().finally(() => (flushing = undefined)));

/** Puts a row where it is read at once. @throws where there is no room */
function mirror({ name, text, at }: KeptRow): void {
  if (text === null) localStorage.removeItem(PREFIX + name);
  else localStorage.setItem(PREFIX + name, text);
  localStorage.setItem(STAMP + name, String(at));
}

function readRow(name: string): string | null {
  return unmirrored.has(name) ? (unmirrored.get(name) ?? null) : localStorage.getItem(PREFIX + name);
}

function writeRow(name: string, text: string | null): boolean {
  lastAt = Math.max(Date.now(), lastAt + 1);
  const row = { name, text, at: lastAt };
  pending.set(name, row);
  try {
    mirror(row);
    unmirrored.delete(name);
  } catch {
    unmirrored.set(name, text);
  }
  // The first view does not wait for the database; what nothing else keeps does.
  if (begun || unmirrored.size) void flush();
  return !unmirrored.has(name);
}

/**
 * Begins to keep rows in the database, and takes from it what the small storage does not have (it may be cleared, full, or
 * cut off before it was written).
 */
export async function beginKeeping(): Promise<void> {
  begun = true;
  try {
    const rows = await (await open()).rows.toArray();
    for (const row of rows) {
      const here = localStorage.getItem(PREFIX + row.name);
      const stamp = localStorage.getItem(STAMP + row.name);
      // What lies here without a stamp was put here by hand, or by a page that kept no rows: it stands.
      if (pending.has(row.name) || Number(stamp ?? (here === null ? -1 : Infinity)) >= row.at) continue;
      lastAt = Math.max(lastAt, row.at);
      try {
        mirror(row);
      } catch {
        unmirrored.set(row.name, row.text);
      }
      changed.next({ name: row.name, by: 'disk' });
    }
    const known = new Map(rows.map(({ name, at }) => [name, at]));
    for (const key of Object.keys(localStorage)) {
      const name = key.startsWith(STAMP) ? key.slice(STAMP.length) : null;
      const at = Number(localStorage.getItem(key));
      if (name === null || at <= (known.get(name) ?? -1) || pending.has(name)) continue;
      pending.set(name, { name, text: localStorage.getItem(PREFIX + name), at });
    }
  } catch {
    // A browser without a database: the small storage is what there is.
  }
  await flush();
}

if (typeof addEventListener === 'function') {
  addEventListener('storage', ({ key }) => {
    if (key?.startsWith(PREFIX) && !key.startsWith(STAMP))
      changed.next({ name: key.slice(PREFIX.length), by: 'window' });
  });
}

/** A value of the small storage alone: true for a moment, or a way out where the database cannot be had. */
export class QuickStore<T> {
  constructor(
    protected readonly name: string,
    private readonly schema: z.ZodType<T>,
    private readonly fallback: T,
  ) {}

  /** Under what it is kept in the small storage. */
  get key(): string {
    return PREFIX + this.name;
  }

  /** The value, checked: what does not fit gives way to the fallback. */
  read(): T {
    try {
      const text = readRow(this.name);
      return text === null ? this.fallback : this.schema.parse(JSON.parse(text));
    } catch {
      // Storage that is switched off or holds something else is no reason to stop: the fallback stands.
      return this.fallback;
    }
  }

  /** @returns whether it could be kept */
  write(value: T): boolean {
    try {
      localStorage.setItem(this.key, JSON.stringify(value));
      return true;
    } catch {
      return false;
    }
  }
}

/** A value kept in this browser's database, and in its small storage, where it is read at once. */
export class Store<T> extends QuickStore<T> {
  /** It changed in another window, or was found on the disk. */
  readonly changed$ = changed.pipe(filter(({ name }) => name === this.name));

  /** @returns whether the small storage has it; the database is told of where it has not, either (`keeping$`) */
  override write(value: T): boolean {
    return writeRow(this.name, JSON.stringify(value));
  }
}

/** Values of one kind kept in this browser, a row each under a name and an id. What does not fit is passed over. */
export class StoreSet<T> {
  /** One of them changed in another window, or was found on the disk. */
  readonly changed$ = changed.pipe(
    filter(({ name }) => name.startsWith(this.prefix)),
    map(({ name }) => name.slice(this.prefix.length)),
  );

  constructor(
    private readonly name: string,
    private readonly schema: z.ZodType<T>,
  ) {}

  private get prefix(): string {
    return `${this.name}/`;
  }

  /** Whether there is one. */
  get any(): boolean {
    return this.ids().length > 0;
  }

  ids(): string[] {
    try {
      const names = [
        ...Object.keys(localStorage).flatMap((key) => (key.startsWith(PREFIX) ? key.slice(PREFIX.length) : [])),
        ...unmirrored.keys(),
      ].filter((name) => name.startsWith(this.prefix) && readRow(name) !== null);
      return [...new Set(names)].map((name) => name.slice(this.prefix.length)).sort();
    } catch {
      return [];
    }
  }

  read(id: string): T | null {
    try {
      const text = readRow(this.prefix + id);
      return text === null ? null : this.schema.parse(JSON.parse(text));
    } catch {
      return null;
    }
  }

  all(): T[] {
    return this.ids().flatMap((id) => this.read(id) ?? []);
  }

  write(id: string, value: T): void {
    writeRow(this.prefix + id, JSON.stringify(value));
  }

  remove(id: string): void {
    writeRow(this.prefix + id, null);
  }
}
