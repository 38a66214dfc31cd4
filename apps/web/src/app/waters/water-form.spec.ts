import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { DeferBlockBehavior, TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Water } from '@inky-shoal/core';
import { throwError, of } from 'rxjs';
import { choose, fill } from '../../testing/controls';
import { PositionService } from '../base/position.service';
import { WaterFormComponent } from './water-form.component';
import { noStationNear } from '../../testing/stations';

// The map itself is looked at in the browser.
jest.mock('./place-map', () => ({ PlaceMap: jest.fn() }));

const WATER: Water = {
  id: '01980000-0000-7000-8000-000000000001',
  name: 'Test lake',
  discipline: 'bass',
  waterKind: 'lowland-reservoir',
  place: { latitude: 34.93, longitude: -88.12, timeZone: 'America/Chicago' },
  normalVisibilityM: 1.53,
  covers: ['stump'],
  createdAt: '2026-01-01T00:00:00Z',
  updatedAt: '2026-01-01T00:00:00Z',
  version: 3,
};
const here = jest.fn();

let http: HttpTestingController;
let fixture: ComponentFixture<WaterFormComponent>;
beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      provideRouter([]),
      { provide: PositionService, useValue: { here } },
    ],
    deferBlockBehavior: DeferBlockBehavior.Manual,
  });
  http = TestBed.inject(HttpTestingController);
});

async function open(inputs: Record<string, unknown> = {}): Promise<void> {
  fixture = TestBed.createComponent(WaterFormComponent);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  for (const list of http.match(({ url }) => url.endsWith('/waters'))) list.flush([WATER]);
  await fixture.whenStable();
}
const page = () => fixture.nativeElement as HTMLElement;
const said = (id: string) => page().querySelector(`#${id}-problem`)?.textContent;
const zone = () => page().querySelector<HTMLInputElement>('#water-zone')?.value;
const where = () => page().querySelector<HTMLInputElement>('#water-where')?.value;
async function press(words: string): Promise<void> {
  const button = [...page().querySelectorAll('button')].find((each) => each.textContent?.trim() === words);
  if (!button) throw new Error(`No ${words} in "${page().textContent}"`);
  button.click();
  await fixture.whenStable();
}
async function type(selector: string, value: string): Promise<void> {
  await fill(fixture, selector, value);
  // The table of zones is read after what was typed.
  await import('@photostructure/tz-lookup');
  await fixture.whenStable();
}
const sent = () => http.match(({ method }) => method === 'PUT').map(({ request }) => request);

describe('the form of a water', () => {
  it('takes a place as it is pasted, and the time zone of that place', async () => {
    await open();
    await type('#water-name', 'Deep Hole');
    await type('#water-where', `34°56'N 106°40'W`);
    expect(page().textContent).toContain('34.9333° N, 106.6667° W');
    expect(zone()).toBe('America/Denver');
    await press('Add it');
    // The tests keep UTC, and a place seven hours from it is no doubt of its own.
    const [request] = sent();
    expect(request?.body).toMatchObject({
      name: 'Deep Hole',
      place: { longitude: -106.66666666666667, timeZone: 'America/Denver' },
    });
  });

  it('keeps a zone that was typed, and asks where the place has another', async () => {
    await open();
    await type('#water-name', 'Deep Hole');
    await type('#water-zone', 'America/Chicago');
    await type('#water-where', '34.93, 88.12');
    expect(zone()).toBe('America/Chicago');
    expect(page().textContent).toContain('you gave America/Chicago. Is it west?');
    await press('Add it');
    expect(sent()).toEqual([]);
    await press('West');
    expect(where()).toBe('34.93° N, 88.12° W');
    expect(page().textContent).not.toContain('Is it west?');
    await press('Add it');
    expect(sent()).toHaveLength(1);
  });

  it('takes a doubtful place once it is told that it is right, or the zone that is there', async () => {
    await open();
    await type('#water-name', 'Deep Hole');
    await type('#water-zone', 'America/Chicago');
    await type('#water-where', '34.93, 88.12');
    await press('It is right as it stands');
    expect(page().textContent).not.toContain('Is it west?');
    await type('#water-where', '34.93, 88.13');
    await press('Take the zone there');
    expect(zone()).toMatch(/^Asia\//);
    await press('Add it');
    expect(sent()).toHaveLength(1);
  });

  it('says what is wrong with each field', async () => {
    await open();
    await type('#water-name', 'test LAKE');
    await type('#water-where', '134.93, 88.12');
    await type('#water-zone', 'Atlantis');
    await type('#water-normal', 'clear');
    await press('Add it');
    expect(said('water-name')).toBe('There is a test LAKE already: give this one a name of its own.');
    expect(said('water-where')).toContain('latitude from -90 to 90 degrees, got 134.93');
    expect(said('water-zone')).toContain('got "Atlantis"');
    expect(said('water-normal')).toContain('got "clear"');
    expect(sent()).toEqual([]);
  });

  it('offers the kinds of water that are fished so', async () => {
    await open();
    await choose(fixture, 'water-discipline', 'inshore');
    await expect(choose(fixture, 'water-kind', 'highland-reservoir')).rejects.toThrow();
    await type('#water-name', 'The flats');
    await type('#water-where', '27.5, -82.6');
    await press('Add it');
    noStationNear();
    expect(sent()[0]?.body).toMatchObject({ discipline: 'inshore', waterKind: 'estuary' });
  });

  it('takes where one is from the browser, or says why it cannot', async () => {
    await open();
    here.mockReturnValueOnce(throwError(() => new Error('This browser may not tell where you are.')));
    await press('Here, where I am');
    expect(page().textContent).toContain('This browser may not tell where you are.');
    here.mockReturnValueOnce(of({ lonLat: [-88.12, 34.93], withinM: 10 }));
    await press('Here, where I am');
    expect(where()).toBe('34.93° N, 88.12° W');
    expect(page().textContent).not.toContain('may not tell');
  });

  it('changes a water from the version it had, and leaves what it does not show as it was', async () => {
    await open({ water: WATER });
    expect(page().querySelector('h2')?.textContent).toBe('Change this water');
    expect(where()).toBe('34.93° N, 88.12° W');
    await type('#water-name', 'Test lake, upper');
    await press('Keep the change');
    const [request] = sent();
    expect(request?.url).toContain(WATER.id);
    expect(request?.body).toMatchObject({
      name: 'Test lake, upper',
      waterKind: 'lowland-reservoir',
      place: WATER.place,
      normalVisibilityM: 1.53,
      covers: ['stump'],
    });
    expect(request?.body).not.toHaveProperty('version');
  });
});
