import { TestBed } from '@angular/core/testing';
import { Conditions } from '@inky-shoal/core';
import { movingWater } from '@inky-shoal/core/plan/moving-water';
import { tideDay } from '@inky-shoal/core/tide';
import { of } from 'rxjs';
import { unfold } from '../../testing/controls';
import { PlannerService } from '../base/planner/planner.service';
import { MovingWaterComponent, sayMovingWater, sayOverTable } from './moving-water.component';

const window = { worth: 1, run: 0.8, because: [] };

describe('the moving water of a day', () => {
  it('names the best hours with their places, and when the flats are to be left', () => {
    expect(
      sayMovingWater({
        rangeM: 1,
        turns: [],
        slack: [],
        feeding: [
          { ...window, from: '06:15', to: '08:45', stage: 'falling', structures: ['drain-mouth'] },
          { ...window, from: '12:00', to: '13:30', stage: 'rising', structures: ['oyster-bar', 'pass'], worth: 0.8 },
        ],
        flats: [
          { floodsFrom: null, offBy: '07:30' },
          { floodsFrom: '13:40', offBy: null },
        ],
      }),
    ).toEqual({
      best: 'Best: 6:15 to 8:45 am at drain mouths on the fall; 12 to 1:30 pm at oyster bars on the flood.',
      flats: 'Flats are wet, off them by 7:30 am; flood from 1:40 pm.',
    });
    expect(sayMovingWater({ rangeM: 0, turns: [], slack: [], feeding: [], flats: [] })).toEqual({
      best: 'No hour of these feeds much.',
      flats: 'The flats stay low in these hours.',
    });
  });

  it('says how the water stands to its table, and by what', () => {
    const none = { rangeM: 1, turns: [], slack: [], feeding: [], flats: [] };
    const told = (overTableM: number, gauge: object = {}) => sayOverTable({ ...none, overTableM }, gauge, 'us');
    expect(told(0)).toBeNull();
    expect(told(0.3)).toBe('The wind holds about 1 ft of water in.');
    expect(told(-0.3)).toBe('The wind keeps about 1 ft of water out.');
    expect(told(0.15, { waterOverTableM: 0.15, waterDoubtM: 0.06 })).toBe(
      'By the gauge the water stands 0.5 ft over its table, give or take 0.2 ft.',
    );
    expect(told(-0.15, { waterOverTableM: -0.15 })).toBe('By the gauge the water stands 0.5 ft under its table.');
    expect(told(0, { waterOverTableM: 0 })).toBe('By the gauge the water stands as its table has it.');
  });

  it('shows the reasons of each hour', async () => {
    const { levels } = tideDay(
      {
        name: 'Made-up sound',
        latitude: 30.2,
        longitude: -88.1,
        constituents: [{ name: 'M2', amplitudeM: 0.5, phaseDeg: 214 }],
        meanLevelM: 0.7,
        datum: 'mean lower low water',
      },
      '2027-06-18',
      'America/Chicago',
    );
    const planner = { movingWater: (...asked: Parameters<typeof movingWater>) => of(movingWater(...asked)) };
    TestBed.configureTestingModule({ providers: [{ provide: PlannerService, useValue: planner }] });
    const fixture = TestBed.createComponent(MovingWaterComponent);
    fixture.componentRef.setInput(
      'conditions',
      Conditions.parse({
        discipline: 'inshore',
        date: '2027-06-18',
        place: { latitude: 30.2, longitude: -88.1, timeZone: 'America/Chicago' },
        surfaceTempC: 26,
        structures: ['drain-mouth', 'oyster-bar'],
        hourlyTide: levels,
      }),
    );
    fixture.componentRef.setInput('units', 'us');
    await fixture.whenStable();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.querySelector('strong')?.textContent).toMatch(/^Best: .* on the (flood|fall)/);
    await unfold(fixture, 'Why these hours');
    expect(element.querySelector('li')?.textContent).toMatch(/The water runs|first of the flood|fall/);
  });
});
