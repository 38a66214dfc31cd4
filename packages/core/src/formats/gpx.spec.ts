import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { routeToGpx } from './gpx';

const POINTS = [
  { lonLat: [-88.41, 35.9123456] as const, name: '1 Point & ditch', note: '7 to 8 am, <5 ft' },
  { lonLat: [-88.4, 35.9] as const, name: '2 Hump' },
];

it('writes a route whose points, names and notes are read back as they were', () => {
  const text = routeToGpx('Run of "2027"', POINTS);
  expect(XMLValidator.validate(text)).toBe(true);
  const read = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '@' }).parse(text) as {
    gpx: Record<string, string> & { rte: { name: string; rtept: Record<string, string>[] } };
  };
  expect(read.gpx).toMatchObject({ '@version': '1.1', '@xmlns': 'http://www.topografix.com/GPX/1/1' });
  expect(read.gpx.rte.name).toBe('Run of "2027"');
  expect(read.gpx.rte.rtept).toEqual([
    { '@lat': '35.9123456', '@lon': '-88.4100000', name: '1 Point & ditch', desc: '7 to 8 am, <5 ft' },
    { '@lat': '35.9000000', '@lon': '-88.4000000', name: '2 Hump' },
  ]);
});
