import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { Conditions, makePlan, planDay } from '@inky-shoal/core';
import { AdviceComponent } from '../sheet/advice/advice.component';
import { SentenceComponent } from '../sheet/sentence/sentence.component';
import { DayService } from '../sheet/day.service';
import { type Draft } from '../sheet/draft';
import { SettingsService } from '../base/settings.service';
import { unfold } from '../../testing/controls';
import { ProgressComponent } from './progress.component';
import { QuantityComponent } from './quantity.component';

const CONDITIONS = Conditions.parse({
  discipline: 'bass',
  date: '2027-03-13',
  place: { latitude: 35.9, longitude: -88.4, timeZone: 'America/Chicago' },
  surfaceTempC: 10,
  tempTrendCPerDay: 0.3,
  visibilityM: 1.8,
  structures: ['ditch', 'flat'],
});
const DRAFT: Draft = { waterId: null, waterName: 'Test pond', savedId: null, savedName: null, input: CONDITIONS };

beforeEach(() => {
  localStorage.clear();
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])] });
});

async function shown<T>(component: new () => T, inputs: Record<string, unknown>): Promise<ComponentFixture<T>> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  return fixture;
}
const element = (fixture: ComponentFixture<unknown>): HTMLElement => fixture.nativeElement as HTMLElement;
/** Text as it reads: the space inside a control's tags is not seen. */
const text = (fixture: ComponentFixture<unknown>) =>
  (element(fixture).textContent ?? '')
    .replace(/\s+/g, ' ')
    .replace(/ ([,.])/g, '$1')
    .trim();

describe('a quantity', () => {
  async function quantity(si: number | undefined, units: 'us' | 'metric' = 'us') {
    TestBed.inject(SettingsService).set({ units });
    const fixture = await shown(QuantityComponent, { label: 'Water temperature', measure: 'temp', si });
    const heard: (number | undefined)[] = [];
    fixture.componentInstance.siChange.subscribe((value) => {
      heard.push(value);
      fixture.componentRef.setInput('si', value);
    });
    const field = element(fixture).querySelector('input') as HTMLInputElement;
    const type = async (typed: string) => {
      field.value = typed;
      field.dispatchEvent(new Event('input'));
      await fixture.whenStable();
    };
    return { fixture, heard, field, type };
  }

  it('shows the units of the user and takes them to SI, with a point or a comma', async () => {
    const { heard, field, type } = await quantity(10);
    expect(field.value).toBe('50');
    await type('59');
    await type('51,8');
    expect(heard[0]).toBeCloseTo(15, 9);
    expect(heard[1]).toBeCloseTo(11, 9);
    expect(field.value).toBe('51,8');
  });

  it('steps with its buttons and the arrow keys, in whole steps of the user', async () => {
    const { fixture, field } = await quantity(10, 'metric');
    const [less, more] = [...element(fixture).querySelectorAll('button')];
    more?.click();
    await fixture.whenStable();
    expect(field.value).toBe('11');
    less?.click();
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown' }));
    await fixture.whenStable();
    expect(field.value).toBe('9');
  });

  it('says what it cannot read, changes nothing, and is empty where emptied', async () => {
    const { fixture, heard, type } = await quantity(10);
    await type('warm');
    expect(text(fixture)).toContain('Expected a number, got "warm".');
    expect(heard).toEqual([]);
    await type('');
    expect(heard).toEqual([undefined]);
  });

  it('is named for those who do not see it', async () => {
    const { field } = await quantity(10);
    expect(field.getAttribute('aria-label')).toBe('Water temperature, °F');
    expect(field.getAttribute('aria-valuetext')).toBe('50 °F');
  });
});

describe('how far something has come', () => {
  it('is heard from one element alone, with what a bar may say and no more', async () => {
    const fixture = await shown(ProgressComponent, { share: 0.333, label: 'Read' });
    const bar = element(fixture);
    const told = Object.fromEntries([...bar.attributes].map(({ name, value }) => [name, value]));
    expect(told).toMatchObject({
      role: 'progressbar',
      'aria-valuemin': '0',
      'aria-valuenow': '33',
      'aria-valuemax': '100',
      'aria-label': 'Read',
    });
    expect(bar.hasAttribute('aria-level')).toBe(false);
    expect(bar.querySelector('p-progressbar')?.getAttribute('aria-hidden')).toBe('true');
  });
});

describe('the sentence', () => {
  const sentence = (input: Draft['input'] = CONDITIONS) =>
    shown(SentenceComponent, { draft: { ...DRAFT, input }, planned: planDay(CONDITIONS) });

  it('says what was said, and what is assumed', async () => {
    const said = text(await sentence());
    expect(said).toContain('Saturday March 13, 2027');
    expect(said).toContain('Water 50 °F, up 0.5 °F a day.');
    expect(said).toContain('Clarity 6 ft');
    expect(said).toContain('Sky partly cloudy');
    expect(said).toContain('Places ditch, flat.');
    expect(said).toContain('Bait not seen');
    expect(said).not.toContain('Tide');
  });

  it('tells more of what is told: the length of the bait once there is some, the slope once it is known', async () => {
    const bare = await sentence();
    expect(text(bare)).not.toContain('any length');
    const hidden = () => [...element(bare).querySelectorAll('.seldom')].map(({ textContent }) => textContent?.trim());
    expect(hidden().join(' ')).toMatch(/Inflow.*thermocline.*Over it.*banks of.*So far/s);
    const forage = [{ kind: 'shad' as const, lengthMm: 76.2, seen: ['flicking' as const] }];
    const told = await sentence({ ...CONDITIONS, forage, bankSlopeDeg: 30, inflow: 'colder' });
    expect(text(told)).toMatch(/Bait shad, of 3 in, it is flicking,/);
    expect(text(told)).toContain('banks of 30°.');
    const left = [...element(told).querySelectorAll('.seldom')].map(({ textContent }) => textContent).join(' ');
    expect(left).not.toMatch(/Inflow|banks of/);
  });

  it('asks of the salt and the fish of the coast there alone', async () => {
    const coast = text(await sentence({ ...CONDITIONS, discipline: 'inshore' }));
    expect(coast).toContain('salinity not known');
    expect(text(await sentence())).not.toContain('salinity');
  });

  it('has the tide on the coast', async () => {
    expect(text(await sentence({ ...CONDITIONS, discipline: 'inshore', tide: { stage: 'falling' } }))).toContain(
      'Tide falling.',
    );
  });

  it('flags the word that is wrong, in the units of the user', async () => {
    TestBed.inject(DayService).open({ ...DRAFT, input: { ...CONDITIONS, surfaceTempC: 100 } });
    const fixture = await sentence({ ...CONDITIONS, surfaceTempC: 100 });
    const wrong = element(fixture).querySelector('.wrong');
    expect(wrong?.getAttribute('aria-label')).toBe('Water temperature: 212 °F. Expected 28 to 104 °F, got 212 °F.');
  });

  it('stands short on a phone until the rest is asked for', async () => {
    const fixture = await sentence();
    const paragraph = element(fixture).querySelector('.sentence');
    expect(paragraph?.classList).toContain('short');
    (element(fixture).querySelector('.toggle') as HTMLButtonElement).click();
    await fixture.whenStable();
    expect(paragraph?.classList).not.toContain('short');
  });
});

describe('the advice', () => {
  const plan = makePlan(CONDITIONS);
  const [first, second] = plan.windows;

  it('says what, where, how deep, how moved and on what, with reasons', async () => {
    const fixture = await shown(AdviceComponent, { plan, window: first, units: 'us', conditions: CONDITIONS });
    const terms = [...element(fixture).querySelectorAll('dt')].map(({ textContent }) => textContent);
    expect(terms).toEqual(['Where', 'Depth', 'Move', 'Approach', 'Colour', 'Rig']);
    expect(element(fixture).querySelectorAll('.reasons li').length).toBeGreaterThan(2);
    // How to come to the place and cast at it stands in two lines; the rest is a press away.
    const [approach] = [...element(fixture).querySelectorAll('dt')].filter(
      ({ textContent }) => textContent === 'Approach',
    );
    expect(approach?.nextElementSibling?.querySelectorAll('li')).toHaveLength(2);
    expect((await unfold(fixture, 'Every reason')).textContent).toContain('Weights are judgement');
  });

  it('reads another of the window when it is pressed, and the first again in another window', async () => {
    const fixture = await shown(AdviceComponent, { plan, window: first, units: 'us', conditions: CONDITIONS });
    const heading = () => element(fixture).querySelector('h2')?.textContent;
    const before = heading();
    (element(fixture).querySelector('.others button') as HTMLButtonElement).click();
    await fixture.whenStable();
    expect(heading()).not.toBe(before);
    fixture.componentRef.setInput('window', second);
    await fixture.whenStable();
    expect(element(fixture).querySelector('.quiet')?.textContent).not.toContain('First light');
    expect(element(fixture).querySelectorAll('.others button')).toHaveLength((second?.presentations.length ?? 0) - 1);
  });

  it('tells what others would do, and what would tip it once that is asked', async () => {
    const fixture = await shown(AdviceComponent, { plan, window: first, units: 'us', conditions: CONDITIONS });
    await new Promise((resolve) => setTimeout(resolve, 400));
    await fixture.whenStable();
    expect(text(fixture)).toMatch(/Others would do it otherwise: \d+ schools?/);
    const others = await unfold(fixture, 'Others would do it otherwise');
    expect(others.querySelector('a.beside')?.getAttribute('href')).toMatch(/^\/sheet\/beside\/[a-z-]+\/[a-z-]+$/);
    const tip = await unfold(fixture, 'What would tip it');
    await new Promise((resolve) => setTimeout(resolve, 400));
    await fixture.whenStable();
    expect(tip.querySelectorAll('li').length).toBeGreaterThan(0);
  });

  it('never hides a severe caution behind a press', async () => {
    const cold = makePlan({ ...CONDITIONS, surfaceTempC: 6 });
    const fixture = await shown(AdviceComponent, {
      plan: cold,
      window: cold.windows[0],
      units: 'us',
      conditions: CONDITIONS,
    });
    const severe = element(fixture).querySelector('.caution.severe');
    expect(severe?.textContent).toContain('life jacket');
    expect(severe?.closest('inky-fold')).toBeNull();
  });
});
