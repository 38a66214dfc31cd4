import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Reading, Water } from '@inky-shoal/core';
import { RulesView } from '../rules/rules.view';
import { fill, unfold } from '../../testing/controls';
import { tableApi } from '../base/tables/table-api';
import { ImportComponent } from './import.component';
import { ReadingFormComponent } from './reading-form.component';
import { ZonesComponent } from './zones.component';
import { written } from '../../testing/written';

const id = (n: number) => `01980000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const WATER: Water = {
  id: id(1),
  name: 'Test lake',
  discipline: 'bass',
  waterKind: 'highland-reservoir',
  place: { latitude: 36, longitude: -88, timeZone: 'America/Chicago' },
  zones: [
    { id: id(2), name: 'Arm', position: 'upstream', mixedDepthM: 2, neighbours: [id(3)] },
    { id: id(3), name: 'Basin', position: 'lower', mixedDepthM: 6.5, maxDepthM: 20, neighbours: [id(2)] },
  ],
  createdAt: '2026-01-01T00:00:00Z',
  updatedAt: '2026-01-01T00:00:00Z',
};
const READING: Reading = {
  id: id(10),
  waterId: id(1),
  zoneId: id(3),
  at: '2027-03-10T20:00:00Z',
  surfaceTempC: 8.37,
  visibilityM: 1.53,
  profile: [
    { depthM: 0, tempC: 8.37 },
    { depthM: 6.1, tempC: 7.03 },
  ],
};
const CLOCK = { now: '2027-03-13T08:12:00-06:00', fixed: true };

let http: HttpTestingController;
beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({
    providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
  });
  http = TestBed.inject(HttpTestingController);
});

/** A component as it is shown, with what one does to it. */
class Shown<T> {
  private constructor(readonly fixture: ComponentFixture<T>) {}

  static async of<T>(component: new () => T, inputs: Record<string, unknown> = {}): Promise<Shown<T>> {
    const shown = new Shown(TestBed.createComponent(component));
    for (const [name, value] of Object.entries(inputs)) shown.fixture.componentRef.setInput(name, value);
    await shown.fixture.whenStable();
    return shown;
  }
  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }
  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ').trim();
  }
  find<E extends HTMLElement>(selector: string): E {
    return this.element.querySelector(selector) as E;
  }
  async type(selector: string, value: string, event = 'input'): Promise<void> {
    await fill(this.fixture, selector, value, event);
  }
  async press(words: string): Promise<void> {
    const button = [...this.element.querySelectorAll('button')].find((each) =>
      each.textContent?.trim().startsWith(words),
    );
    button?.click();
    await this.fixture.whenStable();
  }
}

describe('several readings at once', () => {
  const shown = () => Shown.of(ImportComponent, { water: WATER, record: [READING], clock: CLOCK });

  it('are shown as they are read, in the zone chosen, and sent once agreed', async () => {
    const it = await shown();
    await it.type('#import-text', 'date,time,temp F,seen ft\n2027-03-01,14:00,48,4\n2027-03-02,14:00,hot,4\n');
    expect(it.text).toContain('1 reading to add, 1 that cannot be read');
    expect(it.text).toContain('Line 3: expected a temperature, got "hot"');
    expect(it.text).toContain('2027-03-01 14:00');
    const add = () => it.find<HTMLButtonElement>('.end .p-button');
    expect(add().disabled).toBe(true);
    it.find<HTMLInputElement>('inky-check input').click();
    await it.fixture.whenStable();
    expect(add().disabled).toBe(false);
    await it.type('#import-zone', id(3), 'change');
    expect(it.text).toContain('Basin');
    it.find<HTMLInputElement>('inky-check input').click();
    await it.fixture.whenStable();
    add().click();
    const sent = await written(http, 'PUT', '/readings');
    expect(sent.request.body).toMatchObject([{ at: '2027-03-01T20:00:00Z', zoneId: id(3) }]);
    expect((sent.request.body as { surfaceTempC: number }[])[0]!.surfaceTempC).toBeCloseTo(8.89, 2);
  });

  it('leave out what stands in the record, and say a text that is no table', async () => {
    const it = await shown();
    await it.type('#import-text', 'date,time,temp C,zone\n2027-03-10,14:00,8.4,Basin\n2027-03-11,14:00,8.6,Basin\n');
    expect(it.text).toContain('1 reading to add, 1 left out');
    await it.type('#import-text', '\n\n');
    expect(it.find('.end .p-button').hasAttribute('disabled')).toBe(true);
  });

  it('can be read again after the reader failed once', async () => {
    const it = await shown();
    jest.spyOn(tableApi, 'readText').mockImplementationOnce(() => {
      throw new Error('broken');
    });
    await it.type('#import-text', 'date,temp C\n2027-03-01,8\n');
    expect(it.text).toContain('could not be read, and the fault is ours');
    await it.type('#import-text', 'date,temp C\n2027-03-01,8.5\n');
    expect(it.text).not.toContain('the fault is ours');
    expect(it.text).toContain('8.5');
  });

  it('ask whether the other unit was meant', async () => {
    const it = await shown();
    await it.type('#import-text', 'date,temp C\n2027-03-01,48\n2027-03-02,49\n');
    expect(it.text).toContain('Did you mean °F?');
    await it.press('Yes, °F');
    expect(it.text).toContain('2 readings to add');
  });
});

describe('a reading that is changed', () => {
  it('keeps what was only shown rounded, its profile too, and sends the mark of doubt', async () => {
    const it = await Shown.of(ReadingFormComponent, {
      water: WATER,
      record: [READING],
      clock: CLOCK,
      reading: READING,
    });
    expect(it.find<HTMLInputElement>('#change-temp').value).toBe('47');
    await unfold(it.fixture, 'Temperatures by depth');
    expect(it.find<HTMLTextAreaElement>('#change-profile').value).toBe('0 47.1\n20 44.7');
    it.find<HTMLInputElement>('inky-check input').click();
    await it.press('Keep the change');
    const { request } = await written(http, 'PUT', `/readings/${id(10)}`);
    expect(request.body).toMatchObject({
      surfaceTempC: 8.37,
      visibilityM: 1.53,
      profile: READING.profile,
      suspect: true,
      zoneId: id(3),
    });
  });

  it('is refused in the future, and at a minute that has one already', async () => {
    const it = await Shown.of(ReadingFormComponent, { water: WATER, record: [READING], clock: CLOCK });
    await it.type('#reading-temp', '50');
    await it.type('#reading-at', '2027-03-20T10:00');
    await it.press('Add');
    expect(it.text).toContain('That is still to come.');
    await it.type('#reading-at', '2027-03-10T14:00');
    await it.type('#reading-zone', id(3), 'change');
    await it.press('Add');
    expect(it.text).toContain('There is a reading of that minute there already');
    http.expectNone((request) => request.method === 'PUT');
  });
});

describe('zones', () => {
  it('lie beside one another both ways, keep what was only shown rounded, and are refused with the field', async () => {
    const it = await Shown.of(ZonesComponent, { water: WATER });
    await it.press('One more zone');
    await it.press('Keep the zones');
    expect(it.text).toContain('Expected a name');
    expect(it.text).toContain('Expected ½ to 197 ft.');
    await it.type('#zone-name-2', 'Pocket');
    await it.type('#zone-mixed-2', '5');
    const boxes = () => [...it.element.querySelectorAll<HTMLInputElement>('li:nth-child(3) .beside input')];
    boxes()[0]!.click();
    await it.fixture.whenStable();
    await it.press('Keep the zones');
    const { request } = await written(http, 'PUT', `/waters/${id(1)}`);
    const { zones } = request.body as { zones: { id: string; mixedDepthM: number; neighbours: string[] }[] };
    expect(zones).toHaveLength(3);
    expect(zones[0]!.neighbours).toContain(zones[2]!.id);
    expect(zones[2]!.neighbours).toEqual([id(2)]);
    expect(zones.map(({ mixedDepthM }) => mixedDepthM).slice(0, 2)).toEqual([2, 6.5]);
  });
});

describe('the rule library', () => {
  it('narrows by words, step and school', async () => {
    const it = await Shown.of(RulesView);
    const count = () => it.element.querySelectorAll('li').length;
    const all = count();
    expect(all).toBeGreaterThan(280);
    await it.type('#rules-words', 'jerk nobody says');
    expect(it.text).toContain('No rule says that');
    await it.type('#rules-words', 'thermocline');
    await it.type('#rules-words', '');
    await it.type('#rules-step', 'blades', 'change');
    expect(count()).toBeLessThan(20);
    await it.type('#rules-school', 'mud-blade', 'change');
    expect(it.text).toContain('School mud-blade: round.');
  });
});
