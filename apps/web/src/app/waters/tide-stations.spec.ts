import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { WaterDraftInput } from '@inky-shoal/core';
import { firstValueFrom } from 'rxjs';
import { of } from 'rxjs';
import type { Water } from '@inky-shoal/core';
import type { TideStream } from '@inky-shoal/core/tide';
import { TideStationsService } from './tide-stations.service';
import { TideStreamComponent } from './tide-stream.component';

const BAY: WaterDraftInput = {
  name: 'Bay',
  discipline: 'inshore',
  waterKind: 'estuary',
  place: { latitude: 30.1, longitude: -88.9, timeZone: 'America/Chicago' },
};
const near = (distanceKm: number) => ({
  id: 'a/1',
  name: 'Gull Bar',
  latitude: 30,
  longitude: -89,
  distanceKm,
  source: 'A survey',
  licence: 'free',
});
const STATION = {
  name: 'Gull Bar',
  latitude: 30,
  longitude: -89,
  constituents: [{ name: 'M2', amplitudeM: 0.4, phaseDeg: 120 }],
  meanLevelM: 0.5,
  datum: 'mean lower low water',
};

let service: TideStationsService;
let http: HttpTestingController;
beforeEach(() => {
  TestBed.configureTestingModule({ providers: [provideHttpClient(), provideHttpClientTesting()] });
  service = TestBed.inject(TideStationsService);
  http = TestBed.inject(HttpTestingController);
});
const askedNear = () => http.expectOne('/api/tide-stations?latitude=30.1&longitude=-88.9');

it('gives a new coast the tide of a station that is near', async () => {
  const whole = firstValueFrom(service.withStation(BAY));
  askedNear().flush([near(12)]);
  http.expectOne('/api/tide-station?id=a%2F1').flush(STATION);
  expect((await whole).tideStation).toMatchObject(STATION);
});

it('waits for a small server that reads the stations of the world first', async () => {
  jest.useFakeTimers();
  const whole = firstValueFrom(service.withStation(BAY));
  const asked = askedNear();
  await jest.advanceTimersByTimeAsync(25_000);
  asked.flush([near(12)]);
  jest.useRealTimers();
  http.expectOne('/api/tide-station?id=a%2F1').flush(STATION);
  expect((await whole).tideStation).toMatchObject(STATION);
});

it('never takes one by itself that is far off', async () => {
  const whole = firstValueFrom(service.withStation(BAY));
  askedNear().flush([near(400)]);
  expect(await whole).toBe(BAY);
});

it('makes the water all the same where the server does not answer', async () => {
  jest.useFakeTimers();
  const whole = firstValueFrom(service.withStation(BAY));
  for (let attempt = 0; attempt < 3; attempt++) {
    askedNear().flush('away', { status: 503, statusText: 'Away' });
    await jest.advanceTimersByTimeAsync(600);
  }
  jest.useRealTimers();
  expect(await whole).toBe(BAY);
});

it('asks nothing for a lake, nor for a coast whose tide is said day by day', async () => {
  const lake: WaterDraftInput = { ...BAY, discipline: 'bass', waterKind: 'pond' };
  expect(await firstValueFrom(service.withStation(lake))).toBe(lake);
  const said: WaterDraftInput = { ...BAY, tideStation: null };
  expect(await firstValueFrom(service.withStation(said))).toBe(said);
  http.verify();
});

describe('when the stream turns', () => {
  const CURRENT = { name: 'The cut', constituents: [{ name: 'M2', amplitudeMps: 1, phaseDeg: 10 }], meanMps: 0 };
  const shown = async (stream?: TideStream) => {
    TestBed.resetTestingModule();
    const stations = { currentsNear: () => of([near(3), near(60)]), current: () => of(CURRENT) };
    TestBed.configureTestingModule({ providers: [{ provide: TideStationsService, useValue: stations }] });
    const fixture = TestBed.createComponent(TideStreamComponent);
    fixture.componentRef.setInput('water', { ...BAY, tideStation: { ...STATION, stream } } as unknown as Water);
    const said: TideStream[] = [];
    fixture.componentInstance.changed.subscribe((each) => said.push(each));
    await fixture.whenStable();
    return { fixture, said, host: fixture.nativeElement as HTMLElement };
  };
  const button = (host: HTMLElement, words: string) =>
    [...host.querySelectorAll('button')].find(({ textContent }) => textContent?.includes(words));

  it('is said in minutes after high and low water, within four hours', async () => {
    const { fixture, said, host } = await shown({ slackAfterLowMin: 20 });
    const high = host.querySelector<HTMLInputElement>('#slack-high')!;
    high.value = '45';
    high.dispatchEvent(new Event('change'));
    expect(said).toEqual([{ slackAfterLowMin: 20, slackAfterHighMin: 45 }]);
    high.value = '900';
    high.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(said).toHaveLength(1);
    expect([...host.querySelectorAll('p.problem')].at(-1)?.textContent).toContain('from -240 to 240, got "900"');
    expect(high.value).toBe('0');
  });

  it('is that of a station of currents near, which can be left again', async () => {
    const { said, host } = await shown({ slackAfterHighMin: 30 });
    expect(host.querySelectorAll('button')).toHaveLength(1);
    button(host, 'As at Gull Bar')!.click();
    expect(said).toEqual([{ slackAfterHighMin: 30, current: CURRENT }]);
    const taken = await shown({ slackAfterHighMin: 30, current: CURRENT });
    expect(taken.host.textContent).toContain('The cut');
    button(taken.host, 'By minutes')!.click();
    expect(taken.said).toEqual([{ slackAfterHighMin: 30 }]);
  });
});
