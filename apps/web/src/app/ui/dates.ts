/** The words are English: dates are written as the reader's kind of English writes them, day first where there is none. */
const LOCALE = navigator.languages.find((language) => language.startsWith('en')) ?? 'en-GB';

/** Making a formatter takes a hundred times as long as using it, and lists have thousands of days. */
const formats = new Map<string, Intl.DateTimeFormat>();
export function format(options: Intl.DateTimeFormatOptions, locale = LOCALE): Intl.DateTimeFormat {
  const key = JSON.stringify([locale, options]);
  let known = formats.get(key);
  if (!known) formats.set(key, (known = new Intl.DateTimeFormat(locale, options)));
  return known;
}

/** A day with its weekday: `Saturday 13 March 2027`. @param date as YYYY-MM-DD; what is none is given back as it is */
export function sayDate(date: string): string {
  const at = new Date(`${date}T12:00:00Z`);
  if (Number.isNaN(at.getTime())) return date;
  return format({ weekday: 'long', day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' })
    .format(at)
    .replace(',', '');
}

/** The day of an instant: `13 Mar 2027`. @param timeZone whose clock it is; this device's where none is given */
export const sayShortDate = (at: string | number, timeZone?: string): string =>
  format({ dateStyle: 'medium', timeZone }).format(new Date(at));

/** An instant on this device's clock: `13 Mar 2027, 08:12`. */
export const sayInstant = (at: string): string =>
  format({ dateStyle: 'medium', timeStyle: 'short' }).format(new Date(at));
