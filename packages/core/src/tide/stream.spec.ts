import { SOUND } from '../testing/tide-station.js';
import { Conditions } from '../contract/conditions.js';
import { dayTide, tideAt } from '../day/tide.js';
import { makePlan } from '../plan/make-plan.js';
import { tideDay } from './day.js';
import { tideTurns } from './harmonic.js';
import { streamRuns } from './stream.js';
import type { TideStation } from '../contract/tide.js';

const ZONE = 'America/Chicago';
const START_MS = Date.UTC(2027, 5, 18, 5);
const END_MS = START_MS + 36 * 3_600_000;
const MIN_MS = 60_000;

/** Instants at which a stream turns, straight between its steps. */
const turnsOf = (runs: readonly { atMs: number; run: number }[]) =>
  runs.slice(1).flatMap((to, at) => {
    const from = runs[at]!;
    return from.run * to.run < 0 ? [from.atMs + ((to.atMs - from.atMs) * from.run) / (from.run - to.run)] : [];
  });

describe('the stream of a station', () => {
  it('turns with the level where nothing is said, and as late as is said', () => {
    const turns = tideTurns(SOUND, START_MS, END_MS);
    const lags = (stream?: TideStation['stream']) => {
      const slack = turnsOf(streamRuns({ ...SOUND, stream }, START_MS, END_MS, 5));
      return turns.slice(1, -1).map(({ atMs, kind }) => {
        const nearest = slack.reduce((a, b) => (Math.abs(b - atMs) < Math.abs(a - atMs) ? b : a));
        return [kind, Math.round((nearest - atMs) / MIN_MS / 5) * 5] as const;
      });
    };
    for (const [, lag] of lags()) expect(Math.abs(lag)).toBe(0);
    const late = lags({ slackAfterHighMin: 45, slackAfterLowMin: 20 });
    expect(late.length).toBeGreaterThanOrEqual(4);
    for (const [kind, lag] of late) expect(lag).toBe(kind === 'high' ? 45 : 20);
  });

  it('runs as hard as the range of the day lets it: about one at springs, less at neaps', () => {
    const hardest = (fromMs: number) =>
      Math.max(...streamRuns(SOUND, fromMs, fromMs + 25 * 3_600_000, 15).map(({ run }) => Math.abs(run)));
    // Full moon on 19 June 2027, last quarter on the 27th; the tide follows by a day or two.
    const [springs, neaps] = [hardest(Date.UTC(2027, 5, 20)), hardest(Date.UTC(2027, 5, 28))];
    expect(springs).toBeGreaterThan(0.85);
    expect(springs).toBeLessThan(1.1);
    expect(neaps).toBeLessThan(0.75 * springs);
  });

  it('is that of its station of currents, flood over 0, with what runs besides', () => {
    const current = {
      name: 'Made-up pass',
      constituents: [{ name: 'M2', amplitudeMps: 1, phaseDeg: 214 }],
      meanMps: 0,
    };
    const at = (meanMps: number) =>
      streamRuns({ ...SOUND, stream: { current: { ...current, meanMps } } }, START_MS, END_MS, 15);
    const still = at(0);
    const flows = at(-0.2);
    still.forEach(({ run }, step) => expect(flows[step]!.run).toBeCloseTo(run - 0.2, 6));
    // A current in step with the level turns half way between high and low.
    const level = { ...SOUND, constituents: [SOUND.constituents[0]!] };
    const [high] = tideTurns(level, START_MS, END_MS);
    const away = turnsOf(still).map((atMs) => Math.abs(atMs - high!.atMs) / MIN_MS);
    expect(Math.abs(Math.min(...away) - 186.3)).toBeLessThan(5);
  });
});

describe('a day with a stream of its own', () => {
  const day = (stream?: TideStation['stream']) => tideDay({ ...SOUND, stream }, '2027-06-18', ZONE);

  it('tells it beside its levels, which stay', () => {
    const [plain, late] = [day(), day({ slackAfterHighMin: 60, slackAfterLowMin: 60 })];
    expect(late.levels.map(({ levelM }) => levelM)).toEqual(plain.levels.map(({ levelM }) => levelM));
    expect(plain.levels.every(({ run }) => run === undefined)).toBe(true);
    expect(late.levels.every(({ run }) => run !== undefined && Math.abs(run) < 1.5)).toBe(true);
  });

  it('parts the plan at slack, and names the stage by how it runs', () => {
    const { levels, turns } = day({ slackAfterHighMin: 75, slackAfterLowMin: 75 });
    const high = turns.find(({ kind, minute }) => kind === 'high' && minute > 360)!;
    const tide = dayTide(levels);
    // Half an hour after high water the flood still runs.
    expect(tideAt(tide, high.minute + 20).stage).toBe('rising');
    expect(tideAt(tide, high.minute + 75).stage).toBe('high-slack');
    expect(tideAt(tide, high.minute + 200).stage).toBe('falling');
    const { windows } = makePlan(
      Conditions.parse({
        discipline: 'inshore',
        date: '2027-06-18',
        window: { from: '04:00', to: '20:00' },
        place: { latitude: 30.2, longitude: -88.1, timeZone: ZONE },
        surfaceTempC: 27,
        hourlyTide: levels,
      }),
    );
    const cuts = windows.map(({ from }) => Number(from.slice(0, 2)) * 60 + Number(from.slice(3)));
    for (const minute of tide.streamTurnsMin.filter((at) => at > 300 && at < 1100)) {
      expect(Math.min(...cuts.map((cut) => Math.abs(cut - minute)))).toBeLessThanOrEqual(15);
    }
  });
});
