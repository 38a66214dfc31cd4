import { openForms } from './archive/open-forms.js';

const conditions = (window: { from: string; to: string }) => ({
  discipline: 'bass',
  date: '2027-07-31',
  window,
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 27,
});

describe('plans as a calendar', () => {
  const calendarOf = (window: { from: string; to: string }) => {
    const forms = openForms({ plan: [{ id: 'p1', name: 'By the lights', conditions: conditions(window) }] });
    return forms.find(([file]) => file.endsWith('.ics'))?.[1];
  };

  it('end on the day after, where their hours cross midnight', () => {
    const text = calendarOf({ from: '21:00', to: '02:30' });
    expect(text).toContain('DTSTART:20270731T210000');
    expect(text).toContain('DTEND:20270801T023000');
  });

  it('end on their day otherwise', () => {
    expect(calendarOf({ from: '06:00', to: '15:00' })).toContain('DTEND:20270731T150000');
  });
});

describe('trips and fish', () => {
  const own = {
    tripId: '01960000-0000-7000-8000-000000000001',
    deviceId: '01960000-0000-7000-8000-0000000000d1',
    at: '2027-03-13T13:00:00Z',
  };
  const fishing = {
    spot: 'Ditch bend',
    structure: 'ditch',
    cover: 'stump',
    depthM: 1.6,
    category: 'suspending-jerkbait',
    trim: null,
    paceMps: 0.3,
  };
  const begin = { kind: 'begin', name: 'Long ago', place: null, plan: null, stops: [], aheadMs: 0 };
  const sensed = { from: 'browser', lonLat: [-88.4, 35.9] };
  const landed = { kind: 'contact', what: 'landed', fishing, fish: { lengthMm: 410, tag: '=7' }, sensed };
  const events = [begin, landed, { kind: 'finish' }].map((said, seq) => ({
    ...said,
    ...own,
    seq,
    id: `01960000-0000-7000-8000-00000000000${seq + 2}`,
  }));
  const formsOf = (told: readonly object[]) => new Map(openForms({ trip_event: told.map((event) => ({ event })) }));

  it('go out as CSV and as marks, of a water that was removed too; no cell is a formula', () => {
    const forms = formsOf([{ ...events[0], waterId: '01960000-0000-7000-8000-0000000000aa' }, ...events.slice(1)]);
    expect(forms.get('open/trips.csv')?.split('\r\n')[1]).toMatch(/^2027-03-13,,Long ago,/);
    expect(forms.get('open/fish.csv')?.split('\r\n')[1]).toMatch(/Ditch bend,,410,,,'=7,suspending jerkbait,1\.6/);
    expect(forms.get('open/fish.gpx')).toContain('lat="35.9"');
    expect(JSON.parse(forms.get('open/fish.geojson') ?? '{}')).toMatchObject({ features: [{ type: 'Feature' }] });
  });

  it('are no marks where nobody knows where it was', () => {
    const forms = formsOf(events.map((event) => ({ ...event, sensed: undefined })));
    expect(forms.has('open/fish.gpx')).toBe(false);
    expect(forms.get('open/fish.csv')?.split('\r\n')).toHaveLength(3);
  });
});
