import { createHash, randomBytes, randomInt, randomUUID, scrypt, timingSafeEqual } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { promisify } from 'node:util';
import * as z from 'zod';

const derive = promisify(scrypt) as (text: string, salt: Buffer, bytes: number) => Promise<Buffer>;

const KeptDevice = z.object({
  id: z.string(),
  name: z.string(),
  /** Of its session's token, which only the device has. */
  tokenHash: z.string(),
  pairedAt: z.string(),
  seenAt: z.string(),
});
type KeptDevice = z.infer<typeof KeptDevice>;

const Kept = z.object({
  on: z.boolean().default(false),
  passcode: z.object({ salt: z.string(), hash: z.string() }).nullable().default(null),
  devices: z.array(KeptDevice).default([]),
});
type Kept = z.infer<typeof Kept>;

/** A device as it is told. */
export type Device = Omit<KeptDevice, 'tokenHash'>;

/** Why a device was not let in, in words. */
export class NotPaired extends Error {
  constructor(
    message: string,
    readonly tooOften = false,
  ) {
    super(message);
  }
}

/** Letters and figures that are not taken for one another. */
const SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const CODE_SIGNS = 8;
const CODE_MS = 5 * 60_000;
/** Wrong tries from one address, and from all, before one has to wait. */
const MAX_TRIES = 5;
const MAX_TRIES_OF_ALL = 20;
const TRIES_OVER_MS = 5 * 60_000;
const MAX_DEVICES = 20;
/** When a device was seen is noted no more often than this. */
const SEEN_MS = 60 * 60_000;

const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const same = (a: string, b: string): boolean => {
  const [left, right] = [Buffer.from(hashOf(a)), Buffer.from(hashOf(b))];
  return timingSafeEqual(left, right);
};
const plain = (code: string): string => code.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** The devices that are let in: paired by a code of short life, kept by the hash of their token. */
export class Devices {
  private kept: Kept;
  private code: { readonly text: string; readonly endsAt: number } | null = null;
  private tries: { readonly from: string; readonly at: number }[] = [];

  /** @param file where they are kept */
  constructor(
    private readonly file: string,
    private readonly now: () => Date = () => new Date(),
  ) {
    this.kept = this.read();
  }

  get on(): boolean {
    return this.kept.on;
  }

  get hasPasscode(): boolean {
    return this.kept.passcode !== null;
  }

  list(): Device[] {
    return this.kept.devices.map(({ tokenHash: _, ...device }) => device);
  }

  turn(on: boolean): void {
    this.write({ ...this.kept, on });
    this.code = null;
  }

  /** Sets the passcode that is asked for beside the code; null asks for none. */
  async setPasscode(passcode: string | null): Promise<void> {
    if (passcode === null) return this.write({ ...this.kept, passcode: null });
    const salt = randomBytes(16);
    const hash = (await derive(passcode.normalize(), salt, 32)).toString('hex');
    this.write({ ...this.kept, passcode: { salt: salt.toString('hex'), hash } });
  }

  /** A new code; the one before holds no longer. */
  newCode(): { readonly text: string; readonly endsAt: number } {
    const text = Array.from({ length: CODE_SIGNS }, () => SIGNS[randomInt(SIGNS.length)]).join('');
    this.code = { text, endsAt: this.now().getTime() + CODE_MS };
    return this.code;
  }

  /** The code that holds now; null where there is none. */
  currentCode(): { readonly text: string; readonly endsAt: number } | null {
    return this.code && this.code.endsAt > this.now().getTime() ? this.code : null;
  }

  /**
   * Lets a device in for the code, and the passcode where one is set. @param from the address it comes from
   * @returns the token of its session @throws NotPaired in words
   */
  async pair(given: { code: string; passcode: string; name: string }, from: string): Promise<string> {
    const now = this.now().getTime();
    this.tries = this.tries.filter(({ at }) => now - at < TRIES_OVER_MS);
    const own = this.tries.filter((each) => each.from === from).length;
    if (own >= MAX_TRIES || this.tries.length >= MAX_TRIES_OF_ALL)
      throw new NotPaired('Too many wrong tries: wait five minutes, then use a new code.', true);
    // Noted before it is known to be wrong: many at once are many.
    this.tries.push({ from, at: now });
    const code = this.currentCode();
    const fits = code !== null && same(plain(given.code), code.text);
    const passes = await this.passes(given.passcode);
    if (!fits || !passes) {
      if (this.tries.filter((each) => each.from === from).length >= MAX_TRIES) this.code = null;
      throw new NotPaired(
        this.hasPasscode ? 'Code or passcode is wrong, or the code is too old.' : 'The code is wrong, or too old.',
      );
    }
    if (this.kept.devices.length >= MAX_DEVICES)
      throw new NotPaired(`${MAX_DEVICES} devices are paired already: remove one first.`);
    this.code = null;
    this.tries = this.tries.filter((each) => each.from !== from);
    const token = randomBytes(32).toString('base64url');
    const at = this.now().toISOString();
    const name = given.name.trim().slice(0, 60) || 'Phone';
    const device = { id: randomUUID(), name, tokenHash: hashOf(token), pairedAt: at, seenAt: at };
    this.write({ ...this.kept, devices: [...this.kept.devices, device] });
    return token;
  }

  /** The device whose session a token is; undefined where it is none, or was removed. */
  of(token: string): Device | undefined {
    const tokenHash = hashOf(token);
    const found = this.kept.devices.find((each) => each.tokenHash === tokenHash);
    if (!found) return undefined;
    if (this.now().getTime() - Date.parse(found.seenAt) > SEEN_MS) {
      const seenAt = this.now().toISOString();
      const devices = this.kept.devices.map((each) => (each === found ? { ...each, seenAt } : each));
      this.write({ ...this.kept, devices });
    }
    return found;
  }

  /** @returns whether there was such a device */
  remove(id: string): boolean {
    const devices = this.kept.devices.filter((each) => each.id !== id);
    if (devices.length === this.kept.devices.length) return false;
    this.write({ ...this.kept, devices });
    return true;
  }

  private async passes(passcode: string): Promise<boolean> {
    const { passcode: kept } = this.kept;
    if (!kept) return true;
    const hash = await derive(passcode.normalize(), Buffer.from(kept.salt, 'hex'), 32);
    return timingSafeEqual(hash, Buffer.from(kept.hash, 'hex'));
  }

  private read(): Kept {
    if (!existsSync(this.file)) return Kept.parse({});
    try {
      return Kept.parse(JSON.parse(readFileSync(this.file, 'utf8')));
    } catch {
      // Nobody is let in by a list that cannot be read: devices are paired anew.
      return Kept.parse({});
    }
  }

  private write(kept: Kept): void {
    mkdirSync(dirname(this.file), { recursive: true, mode: 0o700 });
    writeFileSync(`${this.file}.new`, JSON.stringify(kept, null, 2), { mode: 0o600 });
    renameSync(`${this.file}.new`, this.file);
    this.kept = kept;
  }
}
