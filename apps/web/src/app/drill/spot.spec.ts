import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Conditions } from '@inky-shoal/core';
import { BehaviorSubject, of } from 'rxjs';
import { INPUT, press, text, until, WATER } from '../../testing/test-lake';
import { ChartEngineService } from '../water/chart-engine.service';
import { ChartService, type ChartState } from '../water/chart.service';
import { PracticeService } from './practice.service';
import { SpotView } from './spot.view';

// The picture itself is looked at in the browser.
jest.mock('./spot-picture', () => ({ ...jest.requireActual<object>('./spot-picture'), drawSpots: jest.fn() }));

const chart = (date = INPUT.date): ChartState =>
  ({
    state: 'ready',
    chart: {
      water: WATER,
      conditions: Conditions.parse({ ...INPUT, date }),
      minutes: [400, 460, 520],
      cols: 90,
      rows: 70,
    },
  }) as unknown as ChartState;

async function open() {
  const state = new BehaviorSubject(chart());
  const engine = {
    hourAt: () => of({ tint: null }),
    gradeSpot: () => of({ score: 0.8, verdict: 'right', words: [] }),
    scanAt: () => of({ heat: null, spots: [] }),
  };
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: ChartService, useValue: { chartState$: state } },
      { provide: ChartEngineService, useValue: engine },
      { provide: PracticeService, useValue: { add: () => ({ id: 'x' }), takeBack: () => undefined } },
    ],
  });
  const fixture = TestBed.createComponent(SpotView);
  await fixture.whenStable();
  return { fixture, state };
}

describe('a place to be found on the chart', () => {
  it('stays the question while the chart is told anew, and is another one on another day', async () => {
    const { fixture, state } = await open();
    await press(fixture, 'Begin');
    expect(text(fixture)).toMatch(/press it\. \d+ s/);
    for (const again of [{ state: 'reading' } as const, chart()]) {
      state.next(again);
      await fixture.whenStable();
      expect(text(fixture)).toMatch(/press it\. \d+ s/);
    }
    state.next(chart('2027-03-14'));
    await until(fixture, () => text(fixture).includes('You have a minute.'));
  });
});
