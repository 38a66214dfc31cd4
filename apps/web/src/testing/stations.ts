import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';

/** Answers who asks for tide stations that none is near. */
export function noStationNear(): void {
  const http = TestBed.inject(HttpTestingController);
  http.expectOne(({ url }) => url.startsWith('/api/tide-stations?')).flush([]);
}
