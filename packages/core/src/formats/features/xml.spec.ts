import { readFeatures } from './index.js';

describe('a file that means harm', () => {
  const read = (text: string) => readFeatures(text, () => '0198fc22-dd00-7274-8a2d-03750edf4dd2');

  it.each([
    [
      'entities that grow',
      '<!DOCTYPE gpx [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;">]><gpx><wpt lat="1" lon="2"><name>&b;</name></wpt></gpx>',
    ],
    ['an element that is not closed', '<gpx>\n<wpt lat="1" lon="2">\n</gpx>'],
    ['two roots', '<gpx></gpx>\n<gpx></gpx>'],
  ])('is refused with its line: %s', (_, text) => {
    expect(() => read(text)).toThrow(/^line \d+: this is no whole XML file\. /);
  });

  it('changes nothing but what it tells', () => {
    const [mark] = read('<gpx><__proto__ polluted="1"/><wpt lat="1" lon="2"><constructor>x</constructor></wpt></gpx>');
    expect(mark?.shape).toEqual({ type: 'Point', coordinates: [2, 1] });
    expect(({} as Record<string, unknown>)['@polluted']).toBeUndefined();
  });

  it('tells the line of the point that is wrong', () => {
    expect(() => read('<gpx>\n<wpt lat="1" lon="2"/>\n<wpt\n lat="1" lon="200"/></gpx>')).toThrow(/^line 4: /);
  });
});
