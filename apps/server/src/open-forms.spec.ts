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
