import { randomUUID } from 'node:crypto';
import { HISTORY_KINDS, type HistoryKind, type SetAside } from '@inky-shoal/core';
import { sql } from 'kysely';
import { ARCHIVED, type ArchivedTable } from '../archive/tables.js';
import type { Db } from '../db/open.js';
import { TABLE_WORDS, type BookTable } from '../db/text-columns.js';
import { nameIn } from './history.js';

/** The columns of a row as they lay in the file, bytes as hexadecimal. */
type RowBytes = Readonly<Record<string, string>>;
/** A column as the database knows it. */
interface Column {
  readonly name: string;
  readonly type: string;
  readonly notnull: number;
}
type Value = string | number | Buffer | null;

/** A row that cannot be brought back, and why, in words. */
export class NotWhole extends Error {}

const UUID = /^[\da-f]{8}(-[\da-f]{4}){3}-[\da-f]{12}$/;
const bytesIn = (hex: string | undefined): Buffer => Buffer.from(hex ?? '', 'hex');
/** Text with a mark in the place of every byte that is none. */
const readable = (hex: string | undefined): string => new TextDecoder().decode(bytesIn(hex));

function valueOf({ name, type, notnull }: Column, hex: string | undefined): Value {
  const bytes = bytesIn(hex);
  if (!bytes.length && !notnull) return null;
  if (type === 'BLOB') return bytes;
  const text = readable(hex);
  if (type === 'TEXT') return name === 'id' && !UUID.test(text) ? randomUUID() : text;
  const number = Number(text);
  if (Number.isFinite(number)) return number;
  throw new NotWhole(`its ${name.replaceAll('_', ' ')} is no number any more`);
}

/** A row as it goes into an archive: there it is checked, what holds JSON by what it holds. */
function lineOf({ json, bytes }: ArchivedTable, row: ReadonlyMap<string, Value>): Record<string, unknown> {
  const line: Record<string, unknown> = {};
  for (const [name, value] of row) {
    if (name === bytes?.column) continue;
    try {
      line[name] = json.includes(name) && value !== null ? JSON.parse(String(value)) : value;
    } catch {
      throw new NotWhole(`its ${name.replaceAll('_', ' ')} breaks off`);
    }
  }
  return line;
}

/** Rows that were found damaged when the book was opened: what can be read of them may come back, or they may go. */
export class SetAsideRepository {
  constructor(private readonly db: Db) {}

  /** Those that there are, the latest found first. */
  async all(): Promise<SetAside[]> {
    const rows = await this.rows();
    return rows.map(({ row, table, foundAt, bytes }) => ({
      row,
      kind: TABLE_WORDS[table]?.[0] ?? table,
      name: this.nameOf(table, bytes),
      foundAt,
    }));
  }

  /**
   * Puts back what can be read of a row, a mark in the place of what cannot. @returns whether there was such a row
   * @throws NotWhole where too little of it can be read
   */
  async bringBack(row: number): Promise<boolean> {
    const found = (await this.rows()).find((each) => each.row === row);
    if (!found) return false;
    const { table, bytes } = found;
    const archived = ARCHIVED.find((each) => each.table === table);
    if (!archived) throw new NotWhole(`nothing can be made of a ${TABLE_WORDS[table]?.[0] ?? 'row of this kind'}`);
    const { rows: columns } = await sql<Column>`select name, type, "notnull" from pragma_table_info(${table})`.execute(
      this.db,
    );
    const values = new Map(
      columns.filter(({ name }) => name in bytes).map((column) => [column.name, valueOf(column, bytes[column.name])]),
    );
    const checked = archived.line.safeParse(lineOf(archived, values));
    if (!checked.success) throw new NotWhole(checked.error.issues[0]?.message ?? 'it has another shape');
    const names = [...values.keys()].map((name) => sql.ref(name));
    try {
      await this.db.transaction().execute(async (db) => {
        await sql`insert into ${sql.table(table)} (${sql.join(names)}) values (${sql.join([...values.values()])})`.execute(
          db,
        );
        await sql`delete from damaged_row where rowid = ${row}`.execute(db);
      });
    } catch (error) {
      const { code = '' } = error as { code?: string };
      if (/FOREIGNKEY/.test(code)) throw new NotWhole('what it belonged to is not there');
      if (/PRIMARYKEY|UNIQUE/.test(code)) throw new NotWhole('it is there already');
      throw error;
    }
    return true;
  }

  /** Lets a row go. @returns whether there was one */
  async forget(row: number): Promise<boolean> {
    const { numAffectedRows = 0n } = await sql`delete from damaged_row where rowid = ${row}`.execute(this.db);
    return numAffectedRows > 0n;
  }

  private async rows() {
    const { rows } = await sql<{ number: number; from_table: BookTable; found_at: string; row: Uint8Array }>`
      select rowid as number, from_table, found_at, row from damaged_row order by rowid desc`.execute(this.db);
    return rows.map(({ number, from_table: table, found_at: foundAt, row }) => ({
      row: number,
      table,
      foundAt,
      bytes: JSON.parse(Buffer.from(row).toString()) as RowBytes,
    }));
  }

  private nameOf(table: BookTable, bytes: RowBytes): string {
    const kind = HISTORY_KINDS.find((each): each is HistoryKind => each === table);
    const text = Object.fromEntries(Object.entries(bytes).map(([name, hex]) => [name, readable(hex)]));
    return kind ? nameIn(kind, text) : '';
  }
}
