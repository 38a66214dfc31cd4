import { DRILL_STEPS } from '@inky-shoal/core/drill';
import { deserialize, serialize } from 'node:v8';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { WORKERS_IN_PAGE } from '../../testing/workers';
import { drillApi, type SceneQuestion } from './drill-api';
import { DrillService } from './drill.service';
import { FeltWaits } from './felt-waits';

const question: SceneQuestion = { seed: 5, discipline: 'bass', units: 'us' };

beforeEach(() => localStorage.clear());

describe('a day to judge', () => {
  it('goes over the border whole, the same whenever it is asked', () => {
    const scene = drillApi.scene(question);
    expect(deserialize(serialize(scene))).toEqual(scene);
    expect(drillApi.scene({ ...question, seed: 6 })).not.toEqual(scene);
    expect(drillApi.scene(question)).toEqual(scene);
    const graded = drillApi.grade(question, { step: 'phase', phase: scene.options.phases[0]! });
    expect(deserialize(serialize(graded))).toEqual(graded);
    const bands = drillApi.bands(question);
    expect(bands.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 6);
  });

  it('is asked in a worker; marks are kept and told step by step, the last twenty of each', async () => {
    TestBed.configureTestingModule({ providers: [...WORKERS_IN_PAGE] });
    const service = TestBed.inject(DrillService);
    const seed = service.seed;
    expect(service.goOn()).toBe(seed + 1);
    expect((await firstValueFrom(service.scene(question))).words.length).toBeGreaterThan(3);
    for (let at = 0; at < 30; at++) service.keep(at, 'depth', at < 10 ? 0 : 1);
    service.keep(31, 'lure', 0.5);
    expect(await firstValueFrom(service.known$)).toEqual([
      { step: 'depth', answers: 20, marks: 1 },
      { step: 'lure', answers: 1, marks: 0.5 },
    ]);
    expect(DRILL_STEPS).toContain('depth');
  });
});

describe('waits that were felt', () => {
  it('are kept, the latest two hundred, and forgotten until that is taken back', async () => {
    const waits = TestBed.inject(FeltWaits);
    for (let at = 0; at < 205; at++) waits.add({ at: '2027-03-13T20:00:00Z', wantedS: 8, feltS: 7 + at / 100 });
    const kept = await firstValueFrom(waits.waits$);
    expect(kept).toHaveLength(200);
    expect(kept[0]?.feltS).toBeCloseTo(7.05, 6);
    waits.clear();
    expect(await firstValueFrom(waits.waits$)).toEqual([]);
  });
});
