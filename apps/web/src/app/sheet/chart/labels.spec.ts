import fc from 'fast-check';
import { cellsOf, meet, placeOf, type Box } from './labels';
import { besidesOf, namesOf } from './tide-layer';

const figure = (min: number, max: number) => fc.integer({ min, max });

it('parts a window by the lines in it, widest stretch first', () => {
  expect(cellsOf(100, 200, [160, 40, 200])).toEqual([
    [100, 160],
    [160, 200],
  ]);
  expect(cellsOf(100, 200, [])).toEqual([[100, 200]]);
});

it('puts words by their stroke, beside the present moment', () => {
  const stroke = { left: 110, right: 190, top: 50, bottom: 66 };
  const place = placeOf({ width: 40, height: 20 }, stroke, cellsOf(100, 200, [130]), [28, 70], () => true);
  expect(place).toEqual({ left: 135, right: 175, top: 28, bottom: 48 });
});

it('says nothing where there is no room', () => {
  const stroke = { left: 110, right: 190, top: 50, bottom: 66 };
  expect(placeOf({ width: 60, height: 20 }, stroke, cellsOf(100, 200, [150]), [28], () => true)).toBeUndefined();
  expect(placeOf({ width: 20, height: 20 }, stroke, cellsOf(100, 200, [150]), [28], () => false)).toBeUndefined();
});

it('never crosses a line or other words, and stays in its window', () => {
  fc.assert(
    fc.property(
      figure(0, 200),
      figure(30, 400),
      fc.array(figure(0, 700), { maxLength: 5 }),
      figure(10, 200),
      fc.array(figure(0, 300), { minLength: 1, maxLength: 6 }),
      fc.array(fc.tuple(figure(0, 600), figure(0, 300)), { maxLength: 6 }),
      (from, wide, lines, width, tops, others) => {
        const boxes: Box[] = others.map(([left, top]) => ({ left, top, right: left + 60, bottom: top + 30 }));
        const stroke = { left: from + 10, right: from + wide - 10, top: 100, bottom: 116 };
        const free = (box: Box) => !boxes.some((other) => meet(box, other));
        const place = placeOf({ width, height: 20 }, stroke, cellsOf(from, from + wide, lines), tops, free);
        if (!place) return;
        expect(place.left).toBeGreaterThan(from);
        expect(place.right).toBeLessThan(from + wide);
        for (const x of lines) expect(x > place.left && x < place.right).toBe(false);
        for (const other of boxes) expect(meet(place, other)).toBe(false);
      },
    ),
  );
});

it('puts the name of a turn beside it: right, else left, else behind a line that is near, else nowhere', () => {
  expect(besidesOf(100, 50, [100], [0, 400])[0]).toBe(105);
  expect(besidesOf(100, 50, [98, 120], [0, 400])[0]).toBe(45);
  expect(besidesOf(390, 50, [], [0, 400])[0]).toBe(335);
  expect(besidesOf(30, 50, [60], [0, 400])[0]).toBe(65);
  expect(besidesOf(30, 50, [60, 90, 110], [0, 110])).toEqual([]);
  fc.assert(
    fc.property(figure(0, 600), figure(10, 120), fc.array(figure(0, 600), { maxLength: 6 }), (x, width, lines) => {
      for (const left of besidesOf(x, width, lines, [0, 600])) {
        expect(left).toBeGreaterThanOrEqual(0);
        expect(left + width).toBeLessThanOrEqual(600);
        expect(lines.some((line) => line >= left && line <= left + width)).toBe(false);
      }
    }),
  );
});

it('names slack with high and low water, and apart where it comes late', () => {
  const turns = [
    { minute: 360, kind: 'high', levelM: 1 },
    { minute: 732, kind: 'low', levelM: 0 },
  ] as const;
  expect(namesOf({ turns, streamTurnsMin: [370, 732] }).map(({ text }) => text)).toEqual([
    'high, slack 6 am',
    'low, slack 12:12 pm',
  ]);
  expect(namesOf({ turns, streamTurnsMin: [420, 740] })).toEqual([
    { minute: 360, text: 'high 6 am' },
    { minute: 732, text: 'low, slack 12:12 pm' },
    { minute: 420, text: 'slack 7 am' },
  ]);
});
