import type { TripEvent } from '../../contract/trips.js';
import { blocksOf } from '../blocks.js';
import { dayClock } from '../moment.js';
import { tripOf } from '../trip.js';
import { tripByHand } from './by-hand.js';

const HAND = {
  date: '2026-04-18',
  from: '06:30',
  to: '11:00',
  timeZone: 'America/Chicago',
  fished: [
    {
      category: 'suspending-jerkbait',
      spot: 'Ditch bend',
      depthM: 1.5,
      minutes: 120,
      bites: 3,
      fish: 2,
      species: 'largemouth',
      lengthMm: 480,
    },
    { category: 'finesse-jig', minutes: 90, bites: 0, fish: 0 },
  ],
  note: 'Fog until eight.',
};
const idOf = (n: number): string => `01960000-0000-7000-8000-${n.toString(16).padStart(12, '0')}`;

function written(value: unknown) {
  const answer = tripByHand(value);
  if (!answer.ok) throw new Error(JSON.stringify(answer.problems));
  return answer.value;
}
const problems = (change: object) => {
  const answer = tripByHand({ ...HAND, ...change });
  return answer.ok ? [] : answer.problems.map(({ path, message }) => `${path}: ${message}`);
};

describe('a trip written down by hand', () => {
  it('becomes notes of that day on the water’s own clock, hours and bites as they were said', () => {
    const { startMs, told } = written(HAND);
    expect(new Date(startMs).toISOString()).toBe('2026-04-18T11:30:00.000Z');
    const begin = { kind: 'begin', name: 'Then', place: null, plan: null, stops: [], aheadMs: 0, afterwards: true };
    const events = [{ atMs: startMs, said: begin }, ...told].map(({ atMs, said }, seq) => ({
      ...said,
      id: idOf(seq + 1),
      tripId: idOf(99),
      deviceId: idOf(98),
      seq,
      at: new Date(atMs).toISOString(),
    })) as TripEvent[];
    const trip = tripOf(events, idOf(99))!;
    expect(trip.state).toBe('over');
    expect(trip.review?.note).toBe('Fog until eight.');
    const blocks = blocksOf(trip, trip.stoppedMs!, dayClock(trip));
    expect(blocks.map(({ category, hours, bites, landed }) => ({ category, hours, bites, landed }))).toEqual([
      { category: 'suspending-jerkbait', hours: 2, bites: 3, landed: 2 },
      { category: 'finesse-jig', hours: 1.5, bites: 0, landed: 0 },
    ]);
    expect(blocks[0]).toMatchObject({ spot: 'Ditch bend', depthM: 1.5 });
  });

  it('may go over midnight', () => {
    expect(new Date(written({ ...HAND, from: '21:00', to: '01:00' }).told.at(-1)!.atMs).toISOString()).toBe(
      '2026-04-19T06:00:00.000Z',
    );
  });

  it.each([
    ['ends before it starts', { from: '11:00', to: '06:30' }, ['to: expected an end after 11:00, got 06:30']],
    ['ends when it starts', { to: '06:30' }, ['to: expected an end after 06:30, got 06:30']],
    [
      'is fished longer than it was',
      { to: '09:00' },
      ['fished: expected at most the 150 minutes from 06:30 to 09:00 in all, got 210'],
    ],
    [
      'has more fish than bites',
      { fished: [{ ...HAND.fished[0], bites: 1 }] },
      ['fished[0].fish: expected no more fish than bites'],
    ],
    ['has no lure', { fished: [] }, ['fished: expected at least one lure']],
    [
      'has a fish of 900 cm',
      { fished: [{ ...HAND.fished[0], lengthMm: 9000 }] },
      ['fished[0].lengthMm: expected a length in millimetres from 20 to 2500, got 9000'],
    ],
    ['is of no day', { date: '2026-02-31' }, [expect.stringMatching(/^date: expected a/)]],
  ])('is refused in words where it %s', (_, change, said) => {
    expect(problems(change)).toEqual(said);
  });
});
