import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { unfold } from '../../testing/controls';
import { openDay, text, until } from '../../testing/test-lake';
import { SheetView } from './sheet.view';

jest.mock('../ui/drawn-chart', () => jest.requireActual<object>('../../testing/undrawn'));
// The map itself is looked at in the browser.
jest.mock('../waters/place-map', () => ({ PlaceMap: jest.fn() }));
// Nothing comes into view where nothing is drawn.
globalThis.IntersectionObserver ??= class {
  observe = () => undefined;
  unobserve = () => undefined;
  disconnect = () => undefined;
} as never;

let fixture: ComponentFixture<SheetView>;
const host = () => fixture.nativeElement as HTMLElement;
const answer = () => host().querySelector('h1')?.textContent?.trim() ?? '';
const count = (selector: string) => host().querySelectorAll(selector).length;

/** What is open beside a word stands at the end of the page. */
const opened = () => document.querySelector<HTMLElement>('.p-popover');
const problem = () =>
  [...(opened()?.querySelectorAll('.problem') ?? [])].map(({ textContent }) => textContent?.trim() ?? '').join('');
const word = (label: string) =>
  [...host().querySelectorAll<HTMLButtonElement>('button.word')].find((each) =>
    each.getAttribute('aria-label')?.startsWith(`${label}:`),
  );
async function openWord(label: string, control: string): Promise<HTMLInputElement> {
  word(label)?.click();
  await until(fixture, () => !!opened()?.querySelector(control));
  return opened()!.querySelector<HTMLInputElement>(control)!;
}
function type(field: HTMLInputElement, value: string, event = 'input'): void {
  field.value = value;
  field.dispatchEvent(new Event(event));
}

beforeEach(async () => {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  openDay({ surfaceTempC: 10.5 }, null);
  fixture = TestBed.createComponent(SheetView);
  document.body.append(host());
  TestBed.inject(HttpTestingController)
    .match('/api/books/demo')
    .forEach((each) => each.flush({ id: 'demo', clock: { now: '2027-03-13T08:12:00-06:00', fixed: true } }));
  await until(fixture, () => !!host().querySelector('.note'));
});
afterEach(() => {
  fixture.destroy();
  host().remove();
});

describe('the sheet', () => {
  it('plans anew as a word of the sentence is changed', async () => {
    const before = text(fixture);
    await openWord('Sky', '[role=option]');
    const overcast = [...opened()!.querySelectorAll<HTMLElement>('[role=option]')].find(
      ({ textContent }) => textContent?.trim() === 'overcast',
    );
    overcast?.click();
    await until(fixture, () => word('Sky')?.getAttribute('aria-label') === 'Sky: overcast');
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    await until(fixture, () => !opened());
    expect(answer()).toMatch(/^Pre-spawn/);

    type(await openWord('Water temperature', '[role=spinbutton]'), '38');
    await until(fixture, () => /^Winter/.test(answer()));
    expect(text(fixture)).not.toBe(before);
  });

  it('refuses 212 degrees beside the field, in the units of the user, and keeps the last plan', async () => {
    const before = answer();
    const temp = await openWord('Water temperature', '[role=spinbutton]');
    type(temp, '212');
    await until(fixture, () => problem() === 'Expected 28 to 104 °F, got 212 °F.');
    expect(answer()).toBe(before);
    expect(host().querySelector('header > .problem')?.textContent).toContain('not right yet');
    type(temp, '50');
    await until(fixture, () => problem() === '' && !count('header > .problem'));
  });

  it('refuses to see -1 ft', async () => {
    type(await openWord('Clarity today', '[role=spinbutton]'), '-1');
    await until(fixture, () => problem().includes('Expected 0 to 98 ft, got -1 ft'));
  });

  it('refuses hours that end when they begin', async () => {
    const from = await openWord('Hours on the water', '#from');
    type(from, opened()!.querySelector<HTMLInputElement>('#to')!.value, 'change');
    await until(fixture, () => problem().includes('does not end when it begins'));
  });

  it('opens every reason with what it weighed, and calls weights judgement', async () => {
    const reasons = await unfold(fixture, 'Every reason, and what it weighed');
    await until(fixture, () => reasons.querySelectorAll('table tr').length > 5);
    expect(reasons.textContent).toContain('Weights are judgement');
  });

  it('tells the same as a table, a row for each window', async () => {
    const table = await unfold(fixture, 'The day as a table');
    await until(fixture, () => table.querySelectorAll('tbody tr').length === count('[role=tab]'));
    expect(count('[role=tab]')).toBeGreaterThan(2);
  });
});
