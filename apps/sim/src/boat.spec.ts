import { connect, type AddressInfo, type Server } from 'node:net';
import { globeM } from '@inky-shoal/core/formats/features';
import { InstrumentListener, type Heard } from '@inky-shoal/core/formats/nmea';
import { Boat, NO_FAULTS, overTheLine } from './boat.js';
import { boatLine } from './boat-line.js';
import { demoBoat, USUAL_FAULTS } from './demo-boat.js';

const START = [-88.41, 35.9] as const;
const POINT = [-88.4, 35.9] as const;
const DITCH = [-88.4, 35.905] as const;
const WATER = { depthM: ([longitude]: readonly [number, number]) => 3 + (longitude + 88.4) * 100, tempC: () => 12.8 };
const boat = new Boat(
  START,
  [
    { to: POINT, staySeconds: 120 },
    { to: DITCH, staySeconds: 60 },
  ],
  10,
  WATER,
);
const FAULTS = { badChecksum: 0.2, garbled: 0.1, silentEvery: 60, silentFor: 20 };
/** Numbers that are no pattern and always the same. */
const numbers = () => {
  let state = 7;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
};
const hear = (text: string) => {
  const listener = new InstrumentListener();
  return { heard: listener.push(text), counts: listener.heardSoFar };
};

describe('a boat', () => {
  const wayS = globeM(START, POINT) / 10;

  it('runs, stays, runs on, and lies where it came to', () => {
    expect(boat.at(0)).toMatchObject({ lonLat: START, speedMps: 10 });
    const half = boat.at(wayS / 2);
    expect(half.lonLat[0]).toBeCloseTo(-88.405, 6);
    expect(half.courseDeg).toBeCloseTo(90, 0);
    expect(boat.at(wayS + 60)).toMatchObject({ lonLat: POINT, speedMps: 0 });
    expect(boat.at(wayS + 125).courseDeg % 360).toBeCloseTo(0, 0);
    expect(boat.at(90_000)).toMatchObject({ lonLat: DITCH, speedMps: 0 });
  });

  it('tells where it is, how deep it is from the surface, and how warm, as its instruments would', () => {
    const { heard, counts } = hear(boat.sentences(30).join(''));
    expect(counts).toEqual({ sentences: 3, badChecksums: 0, garbled: 0 });
    const [position, motion, depth, temp] = heard as [Heard, Heard, Heard, Heard];
    const truth = boat.at(30);
    if (position.kind !== 'position') throw new Error(position.kind);
    expect(globeM(position.lonLat, truth.lonLat)).toBeLessThan(0.3);
    expect(motion).toMatchObject({ kind: 'motion', speedMps: expect.closeTo(10, 1) as number });
    expect(depth).toEqual({ kind: 'depth', depthM: expect.closeTo(WATER.depthM(truth.lonLat), 0) as number });
    expect(temp).toEqual({ kind: 'water-temp', tempC: 12.8 });
  });
});

describe('a line with faults', () => {
  it('spoils some sentences and is silent at times; what is heard is never wrong', () => {
    const random = numbers();
    const text = Array.from({ length: 240 }, (_, second) =>
      overTheLine(boat.sentences(second), second, FAULTS, random),
    );
    expect(text.filter((each) => each === '')).toHaveLength(80);
    const { heard, counts } = hear(text.join(''));
    expect(counts.badChecksums).toBeGreaterThan(40);
    expect(counts.garbled).toBeGreaterThan(20);
    expect(counts.sentences).toBeGreaterThan(250);
    for (const each of heard) if (each.kind === 'water-temp') expect(each.tempC).toBe(12.8);
    expect(overTheLine(['x'], 5, NO_FAULTS, random)).toBe('x');
  });
});

describe('a boat on the line', () => {
  let server: Server;
  beforeAll(async () => {
    server = boatLine(boat, NO_FAULTS, Math.random, 5);
    server.listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
  });
  afterAll(() => new Promise((resolve) => server.close(resolve)));

  it('speaks to everyone who listens, and goes on when one goes away', async () => {
    const { port } = server.address() as AddressInfo;
    const listen = (seconds: number) =>
      new Promise<Heard[]>((resolve, reject) => {
        const listener = new InstrumentListener();
        const heard: Heard[] = [];
        const socket = connect(port, '127.0.0.1');
        socket.on('error', reject);
        socket.on('data', (piece) => {
          heard.push(...listener.push(piece.toString('latin1')));
          if (heard.filter(({ kind }) => kind === 'position').length < seconds) return;
          socket.destroy();
          resolve(heard);
        });
      });
    const [short, long] = await Promise.all([listen(3), listen(12)]);
    expect(short.length).toBeLessThan(long.length);
    const east = long.flatMap((each) => (each.kind === 'position' ? [each.lonLat[0]] : []));
    expect(east).toEqual([...east].sort((a, b) => a - b));
    expect(east.at(-1)).toBeGreaterThan(east[0] as number);
  });
});

describe('the boat of the demo', () => {
  it('stays over water, is heard through its faults, and comes to the places on the chart', () => {
    const own = demoBoat();
    const listener = new InstrumentListener();
    const random = numbers();
    const heard: Heard[] = [];
    for (let second = 0; second < 6000; second += 3) {
      heard.push(...listener.push(overTheLine(own.sentences(second), second, USUAL_FAULTS, random)));
    }
    const depths = heard.flatMap((each) => (each.kind === 'depth' ? [each.depthM] : []));
    expect(depths.length).toBeGreaterThan(1500);
    expect(depths.filter((depthM) => depthM > 0.5).length / depths.length).toBeGreaterThan(0.75);
    expect(Math.max(...depths)).toBeGreaterThan(3);
    const stays = Array.from({ length: 6000 }, (_, second) => own.at(second)).filter(({ speedMps }) => speedMps === 0);
    expect(stays.length).toBeGreaterThan(1200);
    expect(listener.heardSoFar.badChecksums).toBeGreaterThan(0);
  });
});
