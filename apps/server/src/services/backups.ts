import { existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { Keeper } from '../db/keeper.js';

/** Why a backup was made. */
export const BACKUP_REASONS = ['daily', 'asked', 'before-import', 'before-migration', 'before-restore'] as const;
export type BackupReason = (typeof BACKUP_REASONS)[number];

/** A backup as it lies in its folder. */
export interface Backup {
  readonly name: string;
  /** UTC instant at which it was made. */
  readonly at: string;
  readonly reason: BackupReason;
  readonly bytes: number;
}

const DAYS_KEPT = 7;
const WEEKS_KEPT = 8;
/** Of those made before something, and those asked for. */
const OTHERS_KEPT = 5;

const stampOf = (at: string): string => at.replaceAll(':', '-').replace(/\.\d+Z$/, 'Z');
const DAY_MS = 86_400_000;
/** The Monday of the week of a moment. */
function weekOf(at: string): string {
  const daysSinceMonday = (new Date(at).getUTCDay() + 6) % 7;
  return new Date(Date.parse(at) - daysSinceMonday * DAY_MS).toISOString().slice(0, 10);
}

/** Which daily backups are let go: all but the last of seven days, and the last of eight weeks. */
export function toLetGo(backups: readonly Backup[]): Backup[] {
  const latestFirst = [...backups].sort((a, b) => b.at.localeCompare(a.at));
  const keep = new Set<Backup>();
  const keepFirst = (of: (backup: Backup) => string, most: number, among: readonly Backup[]) => {
    const seen = new Set<string>();
    for (const each of among) {
      const group = of(each);
      if (seen.has(group) || seen.size >= most) continue;
      seen.add(group);
      keep.add(each);
    }
  };
  const daily = latestFirst.filter(({ reason }) => reason === 'daily');
  keepFirst(({ at }) => at.slice(0, 10), DAYS_KEPT, daily);
  keepFirst(({ at }) => weekOf(at), WEEKS_KEPT, daily);
  for (const reason of BACKUP_REASONS) {
    if (reason !== 'daily')
      keepFirst(
        ({ name }) => name,
        OTHERS_KEPT,
        latestFirst.filter((each) => each.reason === reason),
      );
  }
  return latestFirst.filter((each) => !keep.has(each));
}

/** Backups of one book: verified copies in a folder, made while the book is used. */
export class BackupService {
  private making: Promise<Backup> | undefined;

  constructor(
    private readonly id: string,
    private readonly file: string,
    /** Where they lie. */
    readonly folder: string,
    private readonly keeper: Keeper,
    private readonly now: () => Date,
  ) {}

  /** Those that there are, latest first. */
  list(): Backup[] {
    if (!existsSync(this.folder)) return [];
    const names = new RegExp(
      `^${this.id}\\.(\\d{4}-\\d\\d-\\d\\d)T(\\d\\d)-(\\d\\d)-(\\d\\d)Z\\.(${BACKUP_REASONS.join('|')})\\.sqlite$`,
    );
    return readdirSync(this.folder)
      .flatMap((name): Backup[] => {
        const [, day, hour, minute, second, reason] = names.exec(name) ?? [];
        if (!day) return [];
        const at = `${day}T${hour}:${minute}:${second}.000Z`;
        return [{ name, at, reason: reason as BackupReason, bytes: statSync(join(this.folder, name)).size }];
      })
      .sort((a, b) => b.at.localeCompare(a.at));
  }

  /** The path of a backup that there is; undefined where there is none of that name. */
  pathOf(name: string): string | undefined {
    return this.list().some((each) => each.name === name) ? join(this.folder, name) : undefined;
  }

  /** Makes one now; two at once are one. @throws where it could not be made whole */
  make(reason: BackupReason): Promise<Backup> {
    this.making ??= this.copy(reason).finally(() => (this.making = undefined));
    return this.making;
  }

  /** Makes one where today has none. @returns whether it was made */
  async daily(): Promise<boolean> {
    const today = this.now().toISOString().slice(0, 10);
    if (this.list().some(({ at, reason }) => reason === 'daily' && at.startsWith(today))) return false;
    await this.make('daily');
    return true;
  }

  /** Waits for one that is being made. */
  async settle(): Promise<void> {
    await this.making?.catch(() => undefined);
  }

  private async copy(reason: BackupReason): Promise<Backup> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 });
    const at = this.now().toISOString();
    const name = `${this.id}.${stampOf(at)}.${reason}.sqlite`;
    const { bytes } = await this.keeper.copy(this.file, join(this.folder, name));
    for (const each of toLetGo(this.list())) rmSync(join(this.folder, each.name), { force: true });
    return { name, at, reason, bytes };
  }
}
