import { dateOf, nameOf, phasesOn, toShown, type SeasonYear, type SeasonZone, type UnitSystem } from '@inky-shoal/core';

/** A stretch of one row under the temperatures. */
export interface Band {
  readonly from: number;
  readonly to: number;
  readonly text: string;
  /** 0 to 1. */
  readonly strength: number;
}

export interface Row {
  readonly name: string;
  readonly bands: readonly Band[];
}

/** What is drawn of a year; temperatures in the user's units, days as day numbers. */
export interface YearPicture {
  readonly firstDay: number;
  readonly lastDay: number;
  readonly today: number;
  /** Last day of the forecast; today where there is none. */
  readonly forecastTo: number;
  readonly least: number;
  readonly most: number;
  /** The zone chosen: a temperature a day, and half the width of its band. */
  readonly temps: readonly number[];
  readonly spread: readonly number[];
  readonly others: readonly { readonly name: string; readonly temps: readonly number[] }[];
  readonly lastYear: readonly number[] | null;
  readonly readings: readonly { readonly day: number; readonly temp: number; readonly doubt: string | null }[];
  /** For each phase, its probability day by day. */
  readonly phases: readonly { readonly name: string; readonly shares: Float32Array }[];
  readonly phaseNames: readonly Band[];
  readonly rows: readonly Row[];
  readonly moon: SeasonYear['moon'];
  readonly months: readonly { readonly day: number; readonly name: string }[];
}

/** An 80 % band reaches so many standard deviations to each side. */
export const BAND_SD = 1.2816;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
/** An overlay at this strength or more is drawn. */
const THERE = 0.45;

/** Stretches over which a series stands at or over a bound. */
function stretches(series: ArrayLike<number>, firstDay: number, text: string): Band[] {
  const bands: { from: number; to: number; text: string; strength: number }[] = [];
  for (let at = 0; at < series.length; at++) {
    const strength = series[at] as number;
    if (strength < THERE) continue;
    const open = bands.at(-1);
    if (open?.to === firstDay + at - 1) {
      open.to++;
      open.strength = Math.max(open.strength, strength);
    } else bands.push({ from: firstDay + at, to: firstDay + at, text, strength });
  }
  return bands;
}

function rowsOf(zone: SeasonZone, firstDay: number): Row[] {
  const kinds = [...new Set(zone.food.map(({ kind }) => kind))].sort();
  const food = kinds.map((kind) => ({
    name: nameOf(kind),
    bands: zone.food
      .filter((band) => band.kind === kind)
      .map(({ from, to, stage, activity }) => ({ from, to, text: stage, strength: activity })),
  }));
  const row = (name: string, bands: Band[]): Row[] => (bands.length ? [{ name, bands }] : []);
  const { turnover, 'run-off': runOff, 'cold-front': front } = zone.overlays;
  return [
    ...food,
    ...row('water', [...stretches(turnover, firstDay, 'turnover'), ...stretches(runOff, firstDay, 'run-off')]),
    ...row('fronts', stretches(front, firstDay, '')),
  ];
}

/** Turns the season of one zone, among the others, into what is drawn. */
export function yearPicture(year: SeasonYear, zone: SeasonZone, units: UnitSystem, withLastYear: boolean): YearPicture {
  const { firstDay, lastDay, today, forecastTo, moon } = year;
  const shown = (tempC: number) => toShown('temp', tempC, units);
  const change = (tempC: number) => toShown('tempChange', tempC, units);
  const temps = Array.from(zone.surfaceC, shown);
  const spread = Array.from(zone.sdC, (sd) => change(sd * BAND_SD));
  const readings = zone.readings.map(({ day, tempC, doubt }) => ({ day, temp: shown(tempC), doubt }));
  const lastYear = withLastYear && zone.lastYear ? Array.from(zone.lastYear.surfaceC, shown) : null;
  const others = year.zones
    .filter(({ id }) => id !== zone.id)
    .map(({ name, surfaceC }) => ({ name, temps: Array.from(surfaceC, shown) }));
  const all = [
    ...temps.map((temp, at) => temp + (spread[at] as number)),
    ...others.flatMap(({ temps: own }) => own),
    ...readings.map(({ temp }) => temp),
  ];
  const low = Math.min(
    ...temps.map((temp, at) => temp - (spread[at] as number)),
    ...others.flatMap(({ temps: own }) => own),
    ...readings.map(({ temp }) => temp),
  );
  const step = units === 'us' ? 10 : 5;
  const { phases } = zone.phases;
  const days = Array.from({ length: lastDay - firstDay + 1 }, (_, at) => phasesOn(zone.phases, firstDay + at));
  return {
    firstDay,
    lastDay,
    today,
    forecastTo: forecastTo ?? today,
    least: Math.floor(low / step) * step,
    most: Math.ceil(Math.max(...all) / step) * step,
    temps,
    spread,
    others,
    lastYear,
    readings,
    phases: phases.map((phase, index) => ({
      name: nameOf(phase),
      shares: Float32Array.from(days, (shares) => shares[index] as number),
    })),
    phaseNames: zone.spans.map(({ phase, from, to }) => ({
      from: Math.max(firstDay, from),
      to: Math.min(lastDay, to),
      text: nameOf(phase),
      strength: 1,
    })),
    rows: rowsOf(zone, firstDay),
    moon,
    months: Array.from({ length: lastDay - firstDay + 1 }, (_, at) => firstDay + at)
      .filter((day) => dateOf(day).endsWith('-01'))
      .map((day) => ({ day, name: MONTHS[Number(dateOf(day).slice(5, 7)) - 1] as string })),
  };
}
