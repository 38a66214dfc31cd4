import { Conditions } from '../contract/conditions.js';
import { day } from '../testing/days.js';
import { makePlan } from './make-plan.js';

const NIGHT = { window: { from: '21:30', to: '03:00' }, date: '2027-07-10', surfaceTempC: 27.5 } as const;
const firstNight = (more: Parameters<typeof day>[0] = {}) =>
  makePlan(day({ ...NIGHT, ...more })).windows.find(({ night }) => night)!;
const rulesOf = ({ because }: { readonly because: readonly { readonly rule: string }[] }) =>
  because.map(({ rule }) => rule);

describe('a plan for the night', () => {
  it('shows a dark outline, felt and heard, fished slowly', () => {
    const night = firstNight();
    expect(night.presentations.filter(({ colour }) => colour.tone === 'dark').length).toBeGreaterThanOrEqual(3);
    const rules = night.presentations.flatMap(rulesOf);
    expect(rules).toContain('tone-night');
    expect(rules).toContain('night-felt');
  });

  it('has them come in to feed along the edge, shallower than by day', () => {
    const depth = ({ holding }: ReturnType<typeof firstNight>) =>
      holding.reduce((sum, { depthM, weight }) => sum + (weight * (depthM[0] + depthM[1])) / 2, 0);
    const noon = makePlan(day({ ...NIGHT, window: { from: '11:00', to: '14:00' } })).windows[0]!;
    expect(depth(firstNight())).toBeLessThan(depth(noon));
    expect(firstNight().holding.flatMap(rulesOf)).toContain('night-feeds-on-the-edge');
  });

  it('waits at the lights of a dock', () => {
    const night = firstNight({ structures: ['dock', 'flat'], covers: ['dock'] });
    expect(night.holding.filter(({ structure }) => structure === 'dock').flatMap(rulesOf)).toContain('lights-by-night');
  });

  it('has the shad spawn all night, until it ends after the sunrise that follows', () => {
    const { windows } = makePlan(
      day({
        date: '2027-05-08',
        window: { from: '22:00', to: '11:00' },
        surfaceTempC: 21.3,
        tempTrendCPerDay: 0.2,
        visibilityM: 0.9,
        normalVisibilityM: 0.9,
      }),
    );
    const spawning = (at: number) =>
      windows[at]!.presentations.some(({ because }) => because.some(({ rule }) => /shad-spawn/.test(rule)));
    expect(windows[0]!.night).toBe(true);
    expect(spawning(0)).toBe(true);
    expect(spawning(windows.length - 1)).toBe(false);
  });

  it('carries the tide of the hours over midnight', () => {
    const levels = ['20:00', '22:00', '00:00', '02:00', '04:00'].map((at, index) => ({ at, levelM: 1 - index * 0.25 }));
    const given = { ...NIGHT, discipline: 'inshore', structures: undefined, covers: undefined, waterKind: undefined };
    const plan = makePlan(Conditions.parse({ ...day(), ...given, hourlyTide: levels }));
    expect(plan.cautions.map(({ id }) => id)).toContain('dark-running');
    const twice = [...levels, { at: '01:00', levelM: 0 }, { at: '03:00', levelM: 0 }];
    expect(() => Conditions.parse({ ...day(), hourlyTide: twice })).toThrow(/over midnight at most once/);
  });

  it('asks for hours that have a length', () => {
    expect(() => day({ window: { from: '06:00', to: '06:00' } })).toThrow(/does not end when it begins/);
  });
});
