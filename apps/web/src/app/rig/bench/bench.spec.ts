import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { lurePreset, presetOf, type TackleItem } from '@inky-shoal/core/tackle';
import { choose, fill } from '../../../testing/controls';
import { text, until } from '../../../testing/test-lake';
import { BenchView } from './bench.view';

jest.mock('../../ui/drawn-chart', () => jest.requireActual<object>('../../../testing/undrawn'));

const id = (n: number) => `01990000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const OWNED: TackleItem[] = [
  { id: id(1), ...lurePreset('flat-sided-crankbait'), name: 'Flat crank', statedDepthM: 1.5 },
  { id: id(3), ...presetOf('rod'), name: 'Crank rod', reelId: id(4) },
  { id: id(4), ...presetOf('reel'), name: 'Reel', lineId: id(5) },
  { id: id(5), ...presetOf('line'), name: 'Line', material: 'nylon', testLb: 12 },
];

let fixture: ComponentFixture<BenchView>;
const answer = () =>
  (fixture.nativeElement as HTMLElement).querySelector('.answer')?.textContent?.replace(/\s+/g, ' ').trim() ?? '';
const answers = (words: RegExp) => until(fixture, () => words.test(answer()));

/** Opens the bench at an address, the boxes read. */
async function open(inputs: Partial<Record<'tool' | 'lure' | 'rod', string>>): Promise<void> {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
  fixture = TestBed.createComponent(BenchView);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  const http = TestBed.inject(HttpTestingController);
  await fixture.whenStable();
  for (const each of http.match('/api/books/demo/tackle')) {
    each.flush(OWNED.map(({ id: itemId, ...item }) => ({ id: itemId, item, updatedAt: '2027-01-01T00:00:00Z' })));
  }
  await fixture.whenStable();
}

describe('the bench', () => {
  it.each([
    ['balance', /Neutral|Slow/],
    ['countdown', /^Count to \d+/],
    ['retrieve', /each of .* of line/],
    ['coverage', /of bank an hour/],
    ['offset', /^Hold .* off the edge/],
  ])('answers on %s with a picture that says the same', async (tool, words) => {
    await open({ tool });
    await answers(words);
    const pictures = (fixture.nativeElement as HTMLElement).querySelectorAll('[role=img]');
    expect([...pictures].map((each) => each.getAttribute('aria-label'))).toContain(answer());
  });

  it('is filled from a lure and a rod that are owned, and refuses what no lure is beside its field', async () => {
    await open({ tool: 'running-depth', lure: id(1), rod: id(3) });
    await answers(/^It runs to [\d½]+ ft/);
    expect(text(fixture)).toContain('Crank rod');
    const onNylon = answer();
    await choose(fixture, 'depth-material', 'braid');
    await until(fixture, () => answer() !== '' && answer() !== onNylon);
    await fill(fixture, '#depth-statedDepthM', '0');
    await until(fixture, () => /from 0.1 to 12, got 0/.test(text(fixture)));
  });

  it('says what a larger hook does, and the least that undoes it', async () => {
    await open({ tool: 'balance' });
    await choose(fixture, 'balance-hook1', '4');
    await answers(/Slow sink, .*nose up/);
    await choose(fixture, 'balance-wantedBehaviour', 'neutral');
    await until(fixture, () => /To make it so:.*(treble of size|take off|strip)/.test(text(fixture)));
  });
});
