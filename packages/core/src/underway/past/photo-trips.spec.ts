import { TripEvent } from '../../contract/trips.js';
import { takenAtOf, tripsOfPhotos } from './photo-trips.js';

const ZONE = 'America/Chicago';
const WATER = { id: '01960000-0000-7000-8000-000000000001', name: 'Test lake' };
const photo = (n: number, takenAt: string, lonLat: [number, number] | null = null) => ({
  photoId: `01960000-0000-7000-8000-0000000001${n.toString().padStart(2, '0')}`,
  takenAt,
  lonLat,
});

describe('trips from photographs', () => {
  it('are one a day, each photograph a fish at its minute and place', () => {
    const trips = tripsOfPhotos(
      [
        photo(1, '2026-04-18T09:40:10', [-88.4, 35.9]),
        photo(2, '2026-04-18T07:12:33'),
        photo(3, '2026-04-11T08:00:00'),
      ],
      WATER,
      ZONE,
    );
    expect(trips.map(({ date, fish, waterName }) => [date, fish, waterName])).toEqual([
      ['2026-04-11', 1, 'Test lake'],
      ['2026-04-18', 2, 'Test lake'],
    ]);
    const [, second] = trips;
    expect(new Date(second!.startMs).toISOString()).toBe('2026-04-18T12:12:00.000Z');
    const [first, last] = second!.told;
    expect(first?.said).toMatchObject({ kind: 'contact', what: 'landed', fish: { photoId: photo(2, '').photoId } });
    expect(last?.said).toMatchObject({ sensed: { from: 'photograph', lonLat: [-88.4, 35.9] } });
    expect(second!.told.map(({ said }) => said.kind)).toEqual(['contact', 'contact', 'finish', 'review']);
  });

  it('are notes that the log takes', () => {
    const [trip] = tripsOfPhotos([photo(1, '2026-04-18T09:40:10', [-88.4, 35.9])], null, ZONE);
    trip!.told.forEach(({ atMs, said }, seq) => {
      const ids = { id: WATER.id, tripId: WATER.id, deviceId: WATER.id, seq, at: new Date(atMs).toISOString() };
      expect(TripEvent.safeParse({ ...said, ...ids }).success).toBe(true);
    });
  });

  it.each([
    ['2026:04:18 07:12:33', '2026-04-18T07:12:33'],
    ['2026:02:30 07:12:33', null],
    ['2026:04:18 27:12:33', null],
    ['0000:00:00 00:00:00', null],
    ['', null],
    [undefined, null],
    [new Date(0), null],
  ])('read %p of a camera as %p', (written, taken) => {
    expect(takenAtOf(written)).toBe(taken);
  });
});
