import { airOfDays } from './day-air.js';

const day = (date: string, windMps: number, windFromDeg: number | null, pressureHpa: number | null = 1016) => ({
  date,
  windMps,
  windFromDeg,
  pressureHpa,
});
const at = (text: string) => Date.parse(text);

describe('the air between means of days', () => {
  const air = airOfDays([day('2027-03-10', 4, 0, 1020), day('2027-03-11', 8, 90, 1010)], 'UTC');

  it('stands for noon, and changes evenly between two', () => {
    expect(air(at('2027-03-10T12:00:00Z'))).toMatchObject({ mps: 4, hPa: 1020 });
    const middle = air(at('2027-03-11T00:00:00Z'))!;
    expect(middle.hPa).toBeCloseTo(1015, 9);
    expect(middle.mps).toBeCloseTo(Math.hypot(2, 4), 9);
    expect(middle.fromDeg).toBeCloseTo((Math.atan2(4, 2) * 180) / Math.PI, 9);
    expect(air(at('2027-03-11T12:00:00Z'))!.fromDeg).toBeCloseTo(90, 9);
  });

  it('holds to the end of the last day, and is not known beyond, in a gap, or with no direction', () => {
    expect(air(at('2027-03-11T23:00:00Z'))!.mps).toBeCloseTo(8, 9);
    expect(air(at('2027-03-12T01:00:00Z'))).toBeUndefined();
    expect(air(at('2027-03-09T20:00:00Z'))).toBeUndefined();
    expect(airOfDays([], 'UTC')(0)).toBeUndefined();
    const gap = airOfDays([day('2027-03-10', 4, 0), day('2027-03-11', 5, null), day('2027-03-20', 8, 90)], 'UTC');
    expect(gap(at('2027-03-15T12:00:00Z'))).toBeUndefined();
    expect(airOfDays([day('2027-03-10', 4, 0, null)], 'UTC')(at('2027-03-10T12:00:00Z'))!.hPa).toBeUndefined();
  });

  it('begins its days at the midnight of the place', () => {
    const chicago = airOfDays([day('2027-03-10', 4, 0)], 'America/Chicago');
    expect(chicago(at('2027-03-10T18:00:00Z'))!.mps).toBeCloseTo(4, 9);
    expect(chicago(at('2027-03-10T05:00:00Z'))).toBeUndefined();
  });
});
