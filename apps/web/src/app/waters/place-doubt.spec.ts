import { doubtOf, isTimeZone } from './place-doubt';

const LAKE = { latitude: 34.93, longitude: -88.12 };
const EAST = { latitude: 34.93, longitude: 88.12 };
const device = (timeZone: string) => ({ timeZone, typed: false });
const typed = (timeZone: string) => ({ timeZone, typed: true });

describe('a place and its time zone', () => {
  it('fit where they are the same or neighbours', () => {
    expect(doubtOf(LAKE, 'America/Chicago', 'Asia/Shanghai', device('America/Chicago'))).toBeNull();
    expect(doubtOf(LAKE, 'America/Chicago', 'Asia/Shanghai', typed('America/New_York'))).toBeNull();
    // One keeps summer time and the other does not.
    expect(doubtOf(LAKE, 'America/Phoenix', 'Asia/Shanghai', typed('America/Los_Angeles'))).toBeNull();
  });

  it('are asked about where the minus of a western longitude was left out', () => {
    expect(doubtOf(EAST, 'Asia/Shanghai', 'America/Chicago', device('America/New_York'))).toEqual({
      question: 'That place keeps the time of Asia/Shanghai; this device keeps America/New York. Is it west?',
      mirrored: LAKE,
      zoneThere: null,
    });
  });

  it('are not asked about where one plans far from home', () => {
    expect(doubtOf(EAST, 'Asia/Shanghai', 'America/Chicago', device('Europe/Berlin'))).toBeNull();
  });

  it('are asked about where another zone was typed, with the one there to take', () => {
    expect(doubtOf(LAKE, 'America/Chicago', 'Asia/Shanghai', typed('Europe/Berlin'))).toMatchObject({
      question: 'That place keeps the time of America/Chicago; you gave Europe/Berlin.',
      mirrored: null,
      zoneThere: 'America/Chicago',
    });
  });

  it('say nothing of a zone that there is not', () => {
    expect(isTimeZone('Atlantis/Harbour')).toBe(false);
    expect(isTimeZone('Europe/Berlin')).toBe(true);
    expect(doubtOf(LAKE, 'America/Chicago', 'Asia/Shanghai', typed('Atlantis/Harbour'))).toBeNull();
  });
});
