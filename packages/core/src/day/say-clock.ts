import { minutesOf } from './windows.js';

/** A time of day as it is said: `6:40 am`. */
export function sayClock(clock: string): string {
  const minutes = minutesOf(clock);
  const hour = Math.floor(minutes / 60);
  const rest = String(minutes % 60).padStart(2, '0');
  return `${hour % 12 || 12}${rest === '00' ? '' : `:${rest}`} ${hour < 12 ? 'am' : 'pm'}`;
}

/** A stretch of the day: `6 to 8:30 am`. */
export function sayHours(from: string, to: string): string {
  const [a, b] = [sayClock(from), sayClock(to)];
  return a.slice(-2) === b.slice(-2) && from < to ? `${a.slice(0, -3)} to ${b}` : `${a} to ${b}`;
}
