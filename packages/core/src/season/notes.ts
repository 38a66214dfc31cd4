import type { WeatherDay } from '../contract/outside.js';
import type { Water } from '../contract/records.js';
import type { Lake } from './heat/lake.js';
import { dayNumber } from '../day/calendar.js';

/** What the figures of a water rest on, in sentences, where they rest on less than they might. */
export function notesOf(water: Water, weather: readonly WeatherDay[], lake: Lake): string[] {
  const notes: string[] = [];
  const count = lake.readings.length;
  if (!count) notes.push('No reading yet: temperatures are the usual ones of the latitude, and the doubt is wide.');
  else if (count === 1) notes.push('One reading only: the doubt is wide.');
  const unread = lake.zones.filter(({ fit }) => !fit.readings).map(({ zone }) => zone.name);
  if (count > 1 && lake.zones.length > 1 && unread.length) {
    notes.push(`Too few readings to know ${unread.join(' and ')} by: worked out from the weather and the other zones.`);
  }
  if (!weather.length) notes.push('No weather is known: the usual year of the latitude stands in for it.');
  else if (!weather.some(({ kind, date }) => kind === 'forecast' && dayNumber(date) > lake.today)) {
    notes.push('No forecast is known: the days ahead follow the usual year.');
  }
  if (!water.zones?.length) notes.push('This water has no zones yet: it is taken as one.');
  return notes;
}
