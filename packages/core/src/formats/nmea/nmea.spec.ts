import fc from 'fast-check';
import { seededNumbers } from '../../numbers/seeded';
import { checksumOf, InstrumentListener, readSentence, sentenceOf, type Heard } from '.';

const hear = (...bodies: string[]): Heard[] => new InstrumentListener().push(bodies.map(sentenceOf).join(''));

describe('a sentence', () => {
  it('is held by its checksum, as the standard reckons it', () => {
    // Worked out by hand: the exclusive or of the characters' codes.
    expect(checksumOf('A')).toBe('41');
    expect(checksumOf('AA')).toBe('00');
    expect(checksumOf('GPGLL,5057.970,N,00146.110,E,142451,A')).toBe('27');
    expect(readSentence('$GPGLL,5057.970,N,00146.110,E,142451,A*27')).toMatchObject({ talker: 'GP', kind: 'GLL' });
    expect(readSentence('$GPGLL,5057.970,N,00146.110,E,142451,A*28')).toBe('bad-checksum');
  });

  it.each(['', 'GPGLL,1*00', '$GPGLL,1', '$gpgll,1*00', '$GPGLL,1*0', '$GP,1*00', 'noise $GPGLL,1*00'])(
    'is not made of "%s"',
    (line) => expect(readSentence(line)).toBe('garbled'),
  );
});

describe('instruments', () => {
  it('tell position and motion', () => {
    const [position, motion] = hear('GPRMC,120000.00,A,3554.0000,N,08824.0000,W,5.40,087.5,130327,,,A');
    expect(position).toEqual({ kind: 'position', lonLat: [expect.closeTo(-88.4, 9), expect.closeTo(35.9, 9)] });
    expect(motion).toEqual({ kind: 'motion', speedMps: expect.closeTo(2.778, 3) as number, courseDeg: 87.5 });
    expect(hear('GPGGA,120000,3554.0000,S,08824.0000,E,1,8,1.0,90,M,,M,,')[0]).toEqual({
      kind: 'position',
      lonLat: [expect.closeTo(88.4, 9), expect.closeTo(-35.9, 9)],
    });
    expect(hear('GPVTG,,T,,M,5.4,N,10.0,K')).toEqual([
      { kind: 'motion', speedMps: expect.closeTo(2.778, 3) as number, courseDeg: null },
    ]);
  });

  it('tell depth from the surface, and the temperature of the water', () => {
    expect(hear('SDDPT,3.4,0.5')).toEqual([{ kind: 'depth', depthM: 3.9 }]);
    expect(hear('SDDPT,3.4,-0.8')).toEqual([{ kind: 'depth', depthM: 3.4 }]);
    expect(hear('SDDPT,3.4,')).toEqual([{ kind: 'depth', depthM: 3.4 }]);
    expect(hear('SDDBT,11.2,f,3.4,M,1.9,F')).toEqual([{ kind: 'depth', depthM: 3.4 }]);
    expect(hear('YXMTW,13.8,C')).toEqual([{ kind: 'water-temp', tempC: 13.8 }]);
  });

  it.each([
    ['a fix that is not valid', 'GPRMC,120000,V,3554,N,08824,W,5,87,130327,,,N'],
    ['no fix', 'GPGGA,120000,,,,,0,0,,,M,,M,,'],
    ['a latitude over ninety', 'GPGLL,9154.0,N,08824.0,W,120000,A'],
    ['a side that is none', 'GPGLL,3554.0,X,08824.0,W,120000,A'],
    ['an empty depth', 'SDDBT,,f,,M,,F'],
    ['a depth of nothing', 'SDDPT,0.0,'],
    ['a depth past all lakes', 'SDDPT,4000.0,'],
    ['a boiling lake', 'YXMTW,99.0,C'],
    ['a temperature in another unit', 'YXMTW,57.0,F'],
    ['a speed past all boats', 'GPVTG,90,T,,M,,N,900,K'],
    ['a kind that is not listened for', 'GPGSV,3,1,11,03,03,111,00'],
  ])('say nothing by %s', (_, body) => {
    expect(hear(body)).toEqual([]);
  });
});

describe('a line that comes in pieces', () => {
  const bodies = ['SDDPT,3.4,0.5', 'YXMTW,13.8,C', 'GPGLL,3554.0000,N,08824.0000,W,120000,A'];
  const whole = bodies.map(sentenceOf).join('');

  it('says the same however it is cut', () => {
    const expected = hear(...bodies);
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: whole.length }), { maxLength: 12 }), (cuts) => {
        const at = [0, ...cuts.sort((a, b) => a - b), whole.length];
        const listener = new InstrumentListener();
        const heard = at.slice(1).flatMap((to, index) => listener.push(whole.slice(at[index], to)));
        expect(heard).toEqual(expected);
        expect(listener.heardSoFar).toEqual({ sentences: 3, badChecksums: 0, garbled: 0 });
      }),
      { numRuns: 200 },
    );
  });

  it('goes on after noise at full speed, keeps little of it, and believes nothing that noise has touched', () => {
    const random = seededNumbers(8);
    const listener = new InstrumentListener();
    const noise = (length: number) =>
      Array.from({ length }, () => String.fromCharCode(Math.floor(random() * 255))).join('');
    for (let turn = 0; turn < 200; turn++) expect(listener.push(noise(997))).toEqual([]);
    const touched = sentenceOf('SDDPT,3.4,0.5').replace('3.4', '8.4');
    expect(listener.push(`\r\n${touched}`)).toEqual([]);
    expect(listener.heardSoFar.badChecksums).toBeGreaterThan(0);
    expect(listener.push(sentenceOf('SDDPT,3.4,0.5'))).toEqual([{ kind: 'depth', depthM: 3.9 }]);
  });
});
