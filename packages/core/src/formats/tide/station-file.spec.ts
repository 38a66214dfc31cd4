import { tideDay } from '../../tide/day.js';
import { springAndNeapRangeM, tideHeights, tideTurns } from '../../tide/harmonic.js';
import { readStationFile, standardTimeAheadH, type StationFileContext } from './station-file.js';

const AT: StationFileContext = { name: 'Bay', latitude: 30, longitude: -88, unit: 'm', phasesAheadH: 0 };
const read = (text: string, more: Partial<StationFileContext> = {}) => {
  const answer = readStationFile(text, { ...AT, ...more });
  if (!answer.ok) throw new Error(answer.problems.map(({ message }) => message).join('; '));
  return answer.value;
};
const problem = (text: string, more: Partial<StationFileContext> = {}) => {
  const answer = readStationFile(text, { ...AT, ...more });
  return answer.ok ? null : answer.problems.map(({ message }) => message).join('; ');
};

describe('a file of constituents', () => {
  const ROWS = 'Name,Amplitude,Phase,Speed\nM2,0.5,200,28.984\nK1,0.1,30.5,15.041\nMSF,0,0,1.016';

  it('is read from CSV, what does not move the water left out', () => {
    expect(read(ROWS)).toMatchObject({
      name: 'Bay',
      datum: 'mean sea level',
      constituents: [
        { name: 'M2', amplitudeM: 0.5, phaseDeg: 200 },
        { name: 'K1', amplitudeM: 0.1, phaseDeg: 30.5 },
      ],
    });
    const german = read('Name;Amplitude cm;Phase\nm2;50,5;200');
    expect(german.constituents).toEqual([{ name: 'm2', amplitudeM: 0.505, phaseDeg: 200 }]);
  });

  it('takes the unit of its title before the one that was said', () => {
    expect(read('name,amplitude (ft),phase\nM2,1,0').constituents[0]!.amplitudeM).toBeCloseTo(0.3048, 5);
    expect(read(ROWS, { unit: 'ft' }).constituents[0]!.amplitudeM).toBeCloseTo(0.1524, 5);
    expect(read('name,amplitude_m,phase\nM2,1,0', { unit: 'ft' }).constituents[0]!.amplitudeM).toBe(1);
  });

  it('brings phases of a clock of its own to Greenwich: the water stands as high at the same instant', () => {
    const local = read(ROWS, { phasesAheadH: -6 });
    expect(local.constituents[0]!.phaseDeg).toBeCloseTo((200 + 6 * 28.9841042) % 360, 3);
    // Phases at Greenwich, on a clock six hours behind it, are those of a tide six hours later.
    const at = Date.UTC(2027, 5, 18, 12);
    const [there] = tideHeights(local, at + 6 * 3_600_000, at + 6 * 3_600_000 + 1, 60);
    const [here] = tideHeights(read(ROWS), at, at + 1, 60);
    expect(there!.levelM).toBeCloseTo(here!.levelM, 1);
  });

  it('is read from JSON: a list, or a station as it goes out', () => {
    const list = '[{"name":"M2","amplitude":1,"phase":10}]';
    expect(read(list, { unit: 'ft' }).constituents[0]!.amplitudeM).toBeCloseTo(0.3048, 5);
    const whole = JSON.stringify({ ...read(ROWS), name: 'Own bay', meanLevelM: 0.4, datum: 'chart datum' });
    expect(read(whole)).toMatchObject({ name: 'Own bay', meanLevelM: 0.4, datum: 'chart datum' });
  });

  it.each([
    [
      'an unknown constituent',
      'name,amplitude,phase\nQ99X,1,0',
      /^line 2: expected the name of a constituent, as M2, got "Q99X"$/,
    ],
    ['a phase over 360', 'name,amplitude,phase\nM2,1,400', /^line 2: expected a phase up to 360 degrees, got 400$/],
    ['feet said to be metres', 'name,amplitude,phase\nM2,9,0', /Are they in feet\?$/],
    ['one twice', 'name,amplitude,phase\nM2,1,0\nM2,1,0', /each constituent once/],
    [
      'a word for a figure',
      'name,amplitude,phase\nM2,high,0',
      /^line 2: expected an amplitude and a phase, got "M2 high 0"$/,
    ],
    ['no phases', 'name,amplitude\nM2,1', /^expected a column of phases in the head$/],
    ['no head', 'M2,1,0\nS2,1,0', /^expected a head that names the columns/],
    ['half a JSON', '[{"name":', /^this is no JSON/],
    ['a JSON of something else', '{"tide":1}', /^expected a list of constituents/],
    ['nothing', '', /nothing to read/],
  ])('is refused in one sentence for %s', (_, text, sentence) => {
    expect(problem(text)).toMatch(sentence);
  });
});

describe('a table of highs and lows', () => {
  const ROWS = [
    'Date,Time,High/Low,Height (ft)',
    '06/18/2027,1:10 AM,H,3.0',
    '06/18/2027,7:20 AM,L,0.4',
    '06/18/2027,1:40 PM,H,3.4',
    '06/18/2027,7:55 PM,L,0.2',
    '06/19/2027,2:05 AM,H,3.1',
  ];
  const text = (rows = ROWS) => rows.join('\n');
  const at = (clock: string) => Date.parse(`2027-06-18T${clock}:00-05:00`);

  it('is read by the clock of the water, in the unit of its title, and joined by cosines', () => {
    const station = read(text(), { timeZone: 'America/Chicago' });
    expect(station.turns).toHaveLength(5);
    expect(station.turns![1]).toEqual({ atMs: at('07:20'), levelM: 0.1219 });
    const [half] = tideHeights(station, at('04:15'), at('04:15') + 1, 15);
    expect(half!.levelM).toBeCloseTo(((3 + 0.4) / 2) * 0.3048, 3);
    expect(tideTurns(station, at('00:00'), at('23:00')).map(({ kind }) => kind)).toEqual([
      'high',
      'low',
      'high',
      'low',
    ]);
    // Nothing is told of hours that are not in it.
    expect(tideHeights(station, at('00:00'), at('01:00'), 15)).toEqual([]);
    const { levels } = tideDay(station, '2027-06-18', 'America/Chicago', { fromMin: 120, toMin: 1320 });
    expect(levels[0]!.at).toBe('02:00');
    expect(springAndNeapRangeM(station).springM).toBeCloseTo(3.2 * 0.3048, 3);
  });

  it.each([
    ['out of order', [ROWS[0]!, ROWS[2]!, ROWS[1]!, ROWS[3]!], /^line 3: expected highs and lows in the order/],
    [
      'two highs on end',
      [...ROWS.slice(0, 3), '06/18/2027,1:40 PM,L,0.1'],
      /^line 4: expected high and low water in turn/,
    ],
    ['one missing', [ROWS[0]!, ROWS[1]!, ROWS[2]!, ROWS[5]!.replace('19', '20')], /is one missing\?$/],
    ['no figure', [ROWS[0]!, '06/18/2027,1:10 AM,H,high'], /^line 2: expected a date, a time and a height/],
    ['feet said to be metres', ['Date,Height', '2027-06-18 01:10,15', '2027-06-18 07:20,-1'], /Are they in feet\?$/],
  ])('is refused in one sentence for %s', (_, rows, sentence) => {
    expect(problem(text(rows), { timeZone: 'America/Chicago' })).toMatch(sentence);
  });
});

it('knows the standard time of a zone, whatever the season of its half of the world', () => {
  expect(standardTimeAheadH('America/Chicago', 2027)).toBe(-6);
  expect(standardTimeAheadH('Australia/Sydney', 2027)).toBe(10);
  expect(standardTimeAheadH('Asia/Kolkata', 2027)).toBe(5.5);
});
