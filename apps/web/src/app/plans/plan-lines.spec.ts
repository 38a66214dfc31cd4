import { Conditions, makePlan, type SchoolSide } from '@inky-shoal/core';
import { linesOf } from './plan-lines';

const planned = (schools: Record<string, SchoolSide>) => {
  const conditions = Conditions.parse({
    discipline: 'bass',
    date: '2027-04-03',
    surfaceTempC: 16,
    visibilityM: 0.5,
    normalVisibilityM: 1.2,
    place: { latitude: 36, longitude: -88, timeZone: 'America/Chicago' },
    schools,
  });
  return { conditions, plan: makePlan(conditions) };
};

it('tells the colours of two plans that differ in nothing else', () => {
  const [one, two] = [planned({}), planned({})];
  const [window] = two.plan.windows;
  const [first, ...rest] = window!.presentations;
  const recoloured = {
    ...first!,
    colour: { ...first!.colour, tone: 'bold' as const, families: ['chartreuse' as const] },
  };
  const other = {
    ...two,
    plan: {
      ...two.plan,
      windows: [{ ...window!, presentations: [recoloured, ...rest] }, ...two.plan.windows.slice(1)],
    },
  };
  const differing = linesOf(one, other, 'us').filter(({ differs }) => differs);
  expect(differing).toHaveLength(1);
  expect(differing[0]!.right).toContain('bold: chartreuse');
});
