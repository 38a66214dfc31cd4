import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { WaterDraftInput } from '@inky-shoal/core';
import { firstValueFrom } from 'rxjs';
import { TideStationsService } from './tide-stations.service';

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

it('never takes one by itself that is far off', async () => {
  const whole = firstValueFrom(service.withStation(BAY));
  askedNear().flush([near(400)]);
  expect(await whole).toBe(BAY);
});

it('makes the water all the same where the server does not answer', async () => {
  const whole = firstValueFrom(service.withStation(BAY));
  askedNear().flush('away', { status: 503, statusText: 'Away' });
  expect(await whole).toBe(BAY);
});

it('asks nothing for a lake, nor for a coast whose tide is said day by day', async () => {
  const lake: WaterDraftInput = { ...BAY, discipline: 'bass', waterKind: 'pond' };
  expect(await firstValueFrom(service.withStation(lake))).toBe(lake);
  const said: WaterDraftInput = { ...BAY, tideStation: null };
  expect(await firstValueFrom(service.withStation(said))).toBe(said);
  http.verify();
});
