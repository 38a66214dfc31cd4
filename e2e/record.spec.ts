import { Conditions, makePlan, nameOf } from '@inky-shoal/core';
import type { Fishing, TripEvent } from '@inky-shoal/core/underway';
import { v7 as uuid } from 'uuid';
import { violations } from './support/axe';
import { PHONE, says, Stage, textOf, until } from './support/stage';

let stage: Stage;
beforeAll(async () => {
  stage = await Stage.set();
});
afterEach(() => stage.closePages());
afterAll(() => stage.strike());

const MINUTE_MS = 60_000;

/** What was fished on a trip, an hour each, and how often it bit. */
type Hours = readonly (readonly [fishing: Fishing, bites: number])[];

/** A trip of some hours on a day like the demo's, as another device would have noted it. */
function noted(conditions: Conditions, hours: Hours, startMs: number): TripEvent[] {
  const own = { tripId: uuid(), deviceId: uuid() };
  const told: [minute: number, event: object][] = [
    [
      0,
      {
        kind: 'begin',
        name: 'Lake Ferrow',
        place: conditions.place,
        plan: { conditions, plan: makePlan(conditions) },
        stops: [],
        aheadMs: 0,
      },
    ],
    ...hours.flatMap(([fishing, bites], at): [number, object][] => [
      [60 * at + 1, { kind: 'effort', casts: 60, fishing }],
      ...Array.from({ length: bites }, (_, bite): [number, object] => [
        60 * at + 5 + 10 * bite,
        { kind: 'contact', what: 'landed', fishing },
      ]),
    ]),
    [60 * hours.length, { kind: 'finish' }],
    [60 * hours.length + 1, { kind: 'review', review: { planned: [], done: [], found: [] } }],
  ];
  return told.map(([minute, event], seq) => ({
    ...event,
    ...own,
    id: uuid(),
    seq,
    at: new Date(startMs + minute * MINUTE_MS).toISOString(),
  })) as unknown as TripEvent[];
}

async function tell(events: readonly TripEvent[]): Promise<void> {
  const answer = await fetch(`${stage.server.address}/api/books/demo/trip-events`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(events),
  });
  expect(answer.status).toBe(200);
}

describe('the record on the sheet', () => {
  it('says nothing while there is none', async () => {
    const page = await stage.page('/sheet');
    await page.locator('.note').waitFor();
    // It is asked a few seconds after the sheet stands.
    await page.waitForTimeout(5000);
    expect(await page.locator('inky-record-on-sheet section').count()).toBe(0);
  });

  it('moves the plan, says by how much, and is turned off and on', async () => {
    const before = await stage.page('/sheet');
    await before.locator('.note').waitFor();
    // The very day that stands on the sheet, so that what is taught is about it.
    const draft = await before.evaluate(() => localStorage.getItem('inky.draft/demo'));
    const conditions = Conditions.parse((JSON.parse(draft!) as { input: unknown }).input);
    const shown = (await textOf(before.locator('#advice h2'))).toLowerCase();
    const { presentations } = makePlan(conditions).windows.find(
      (window) => nameOf(window.presentations[0]!.category) === shown,
    )!;
    const [first, second] = presentations.map(({ category }) => category);
    const fishing = (category: Fishing['category'], depthM: number): Fishing => ({
      spot: null,
      structure: 'secondary-point',
      cover: 'chunk-rock',
      depthM,
      category,
      trim: null,
      paceMps: 0.4,
    });
    const hours: Hours = [
      [fishing(first!, 1.5), 0],
      [fishing(second!, 1.5), 4],
      [fishing(first!, 1.5), 0],
      [fishing(second!, 1.5), 3],
    ];
    for (let trip = 0; trip < 10; trip++) {
      await tell(noted(conditions, hours, Date.parse('2026-03-10T13:00:00Z') + trip * 1440 * MINUTE_MS));
    }
    const page = await stage.page('/sheet', { size: PHONE });
    const record = page.locator('inky-record-on-sheet');
    await says(record, /10 trips, \d+ hours/);
    const lure = page.locator('#advice h2');
    const withIt = await textOf(lure);
    await says(record, /they put the .+ before the .+\./);
    await record.getByText('What it moved').click();
    await says(record, /times the bites the rules expect \(\d+ hours?\)/);
    expect(await violations(page)).toEqual([]);
    await record.getByRole('button', { name: 'Plan without it' }).click();
    await until('the plan stands without it', async () => (await textOf(lure)) !== withIt);
    await says(record, 'They would put');
    await page.reload();
    await says(record, 'They would put');
    await record.getByRole('button', { name: 'Plan with it' }).click();
    await until('the plan leans on it again', async () => (await textOf(lure)) === withIt);
    expect(stage.complaints).toEqual([]);
  });
});
