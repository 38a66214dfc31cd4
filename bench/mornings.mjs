import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { CATEGORIES, Conditions, conditionsOn, dateOf, dayNumber, seasonYear } from '@inky-shoal/core';
import { lurePreset } from '@inky-shoal/core/tackle';
import { normalDeviate, seededNumbers } from '@inky-shoal/core/numbers';
import {
  answerMorning,
  forecastErrorsOf,
  MORNING_FIELDS,
  cardAnswer,
  morningsOf,
  deckFor,
  packFor,
  usualForecastErrors,
  visibilityDoubt,
} from '@inky-shoal/core/mornings';
import { changeOverGain } from '@inky-shoal/demo/competition';
import {
  DEMO,
  DEMO_NOW,
  demoReadings,
  demoTruth,
  FERROW_CLIMATE,
  forecastsUntil,
  trueDayC,
  weatherDays,
} from '@inky-shoal/demo';

const DAY_MS = 86_400_000;
const [FERROW] = DEMO.waters;
/** The zone that is measured most often, by its place among the true ones. */
const ZONE = 0;
const { timeZone } = FERROW.place;
const WEATHER_FROM_MS = Date.parse('2025-07-01T00:00:00Z');
/** One plans in the evening. */
const EVENING = 'T01:00:00Z';
const FIRST_DAY = dayNumber('2026-02-10');
const MORNINGS = 200;
const LEADS = [1, 3];
const STEP_DAYS = 4;
const DRAWS = 128;
const PIECES = 5;
const BAIT_CHANCE = 0.15;
const LONG_MS = 50;
const COMPETITION_DAYS = 500;
const COMPETITION_SEED = 1;

const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** The demo's rods, reels and lines. */
const RODS = DEMO.tackle.filter(({ kind }) => ['rod', 'reel', 'line', 'leader'].includes(kind));

/** One lure of every kind, as it usually is. */
const everything = CATEGORIES.map((category, at) => ({
  id: `00000000-0000-4000-8000-${String(at).padStart(12, '0')}`,
  ...lurePreset(category),
  families: [],
}));

/** Forecasts of the weeks up to an evening, beside what came. */
function comparedUntil(evening) {
  const came = new Map(
    weatherDays(
      FERROW_CLIMATE,
      Date.parse(`${dateOf(evening - 60)}T00:00:00Z`),
      Date.parse(`${dateOf(evening)}T12:00:00Z`),
      timeZone,
    )
      .filter(({ kind }) => kind === 'observed')
      .map((day) => [day.date, day]),
  );
  return forecastsUntil(FERROW_CLIMATE, timeZone, evening - 1).flatMap(({ leadDays, day }) => {
    const observed = came.get(day.date);
    return observed ? [{ leadDays, forecast: day, observed }] : [];
  });
}

/** Bait as it is met: the demo's truth knows none, so it is as often as the planner supposes it of a day. */
function baitOf(random) {
  const dice = random();
  const seen = dice < BAIT_CHANCE ? 'chased' : dice < 2 * BAIT_CHANCE ? 'schooled-deep' : null;
  return seen ? [{ kind: 'shad', seen: [seen] }] : undefined;
}

/** A day as it is planned so many evenings before, and as it truly came. */
function morning(day, leadDays, truth, readings, random) {
  const now = `${dateOf(day - leadDays + 1)}${EVENING}`;
  const nowMs = Date.parse(now);
  const known = readings.filter(({ at }) => Date.parse(at) <= nowMs);
  const weather = weatherDays(FERROW_CLIMATE, WEATHER_FROM_MS, nowMs, timeZone);
  const year = seasonYear({ water: FERROW, readings: known, weather, gauge: [], now, units: 'us' });
  const zone = year.zones[ZONE];
  const seen = known.findLast(({ visibilityM }) => visibilityM !== undefined)?.visibilityM;
  const { discipline, place, waterKind, normalVisibilityM, structures, covers } = FERROW;
  const given = Conditions.parse({
    discipline,
    date: dateOf(day),
    place,
    waterKind,
    normalVisibilityM,
    maxDepthM: FERROW.zones[ZONE].maxDepthM,
    structures,
    covers,
    visibilityM: seen,
    ...conditionsOn(year, zone, day, weather),
  });
  const sdOn = (on) => zone.sdC[on - year.firstDay];
  const doubts = {
    leadDays,
    surfaceSdC: sdOn(day),
    surfaceSdNowC: Math.min(sdOn(day), sdOn(year.today)),
    weather: weather.filter(({ date }) => Math.abs(dayNumber(date) - day) <= 12),
    errors: forecastErrorsOf(comparedUntil(day - leadDays)),
    visibility: visibilityDoubt(known, day, timeZone, weather),
    fixed: [],
  };
  // As it came: the weather as it was observed, the water as it truly was.
  const after = `${dateOf(day + 1)}T12:00:00Z`;
  const came = weatherDays(FERROW_CLIMATE, WEATHER_FROM_MS, Date.parse(after), timeZone);
  const seenThen = seasonYear({ water: FERROW, readings: known, weather: came, gauge: [], now: after, units: 'us' });
  const { sky, windMps, windFromDeg, front } = conditionsOn(seenThen, seenThen.zones[ZONE], day, came);
  const trueC = (on) => trueDayC(truth[ZONE], on * DAY_MS);
  const change = {
    surfaceTempC: trueC(day),
    tempTrendCPerDay: (trueC(day) - trueC(day - 5)) / 5,
    visibilityM: FERROW.normalVisibilityM * Math.exp(0.12 * normalDeviate(random)),
    sky,
    windMps,
    windFromDeg,
    front,
    level: given.level ?? 'stable',
    forage: baitOf(random),
  };
  const found = morningsOf(given, doubts, { count: DRAWS });
  return { found, doubts, truly: answerMorning(found.day, change), change };
}

/** What is told of 200 mornings of the demo's hidden truth, and what they brought. */
function told() {
  const lastMs = Date.parse(`${dateOf(FIRST_DAY + (MORNINGS / LEADS.length) * STEP_DAYS)}T00:00:00Z`) + 5 * DAY_MS;
  const truth = demoTruth(lastMs);
  const readings = demoReadings(lastMs, truth)
    .filter(({ waterId }) => waterId === FERROW.id)
    .sort((a, b) => a.at.localeCompare(b.at));
  const random = seededNumbers(41);
  const odds = [];
  const agrees = [];
  const missed = { single: 0, mornings: 0, windows: 0 };
  for (const leadDays of LEADS) {
    for (let index = 0; index < MORNINGS / LEADS.length; index++) {
      const { found, doubts, truly, change } = morning(
        FIRST_DAY + index * STEP_DAYS,
        leadDays,
        truth.ferrow,
        readings,
        random,
      );
      truly.windows.forEach((window, at) => {
        const sure = found.sureness.windows[at];
        if (window && sure) odds.push({ told: sure.stands, stands: window.first === sure.first });
      });
      const own = found.card && truly.windows[found.card.window];
      if (own) {
        const { category } = cardAnswer(found.card.root, change);
        agrees.push(category === own.first || category === own.second);
      }
      const one = morningsOf(found.day.given, { ...doubts, fixed: MORNING_FIELDS }, { count: 1 });
      const aboard = (wanted) =>
        new Set(packFor(wanted, everything, { most: PIECES, units: 'us' }).aboard.map(({ lure }) => lure.category));
      const [single, all] = [aboard(one.wanted), aboard(found.wanted)];
      for (const window of truly.windows) {
        if (!window) continue;
        missed.windows++;
        if (!single.has(window.first)) missed.single++;
        if (!all.has(window.first)) missed.mornings++;
      }
    }
  }
  return { odds, agrees, missed };
}

/** How far the told odds are from what came, by fifths of the odds, weighed by how many lie in each. */
function reliability(odds) {
  let off = 0;
  for (let fifth = 0; fifth < 5; fifth++) {
    const own = odds.filter(({ told: share }) => Math.min(4, Math.floor(5 * share)) === fifth);
    if (!own.length) continue;
    const gap = mean(own.map(({ told: share }) => share)) - mean(own.map(({ stands }) => Number(stands)));
    off += (own.length / odds.length) * Math.abs(gap);
  }
  return off;
}

function speeds() {
  const day = dayNumber(DEMO_NOW.slice(0, 10));
  const now = `${dateOf(day)}T02:00:00Z`;
  const weather = weatherDays(FERROW_CLIMATE, WEATHER_FROM_MS, Date.parse(now), timeZone);
  const [{ draft }] = DEMO.plans;
  const given = Conditions.parse({ ...draft.conditions, date: dateOf(day + 1) });
  const doubts = {
    leadDays: 1,
    surfaceSdC: 1.2,
    surfaceSdNowC: 0.9,
    weather: weather.slice(-20),
    errors: usualForecastErrors,
    visibility: { daysSince: 4, logPerDay: 0.08, logPerRainMm: 0.012 },
    fixed: [],
  };
  const samples = Array.from({ length: 9 }, () => {
    const start = performance.now();
    morningsOf(given, doubts);
    return performance.now() - start;
  }).slice(1);
  const { wanted } = morningsOf(given, doubts);
  const owned = Array.from({ length: 200 }, (_, at) => ({
    id: `00000000-0000-4000-8000-${String(at).padStart(12, '0')}`,
    ...lurePreset(CATEGORIES[at % CATEGORIES.length]),
    lengthMm: 60 + (at % 50),
  }));
  const packs = Array.from({ length: 8 }, () => {
    const start = performance.now();
    packFor(wanted, owned, { most: 10, units: 'us' });
    return performance.now() - start;
  });
  const rods = Array.from({ length: 8 }, () => {
    const start = performance.now();
    deckFor(wanted, [...owned, ...RODS], { most: 6, units: 'us' });
    return performance.now() - start;
  });
  return { samples, packs, rods };
}

/** The longest time for which the page was held up while the mornings were worked out and shown. */
async function longestTaskMs() {
  const server = await startServer();
  const browser = await launchBrowser();
  try {
    const page = await browser.newPage();
    await page.goto(`${server.address}/sheet`);
    await page.locator('inky-sheet footer').evaluate((footer) => footer.scrollIntoView());
    await page.locator('inky-how-sure a').waitFor();
    // What the first visit brings here besides, as the notes of all trips, is not its own.
    await page.waitForTimeout(8000);
    await page.evaluate(() => {
      window.__long = [];
      new PerformanceObserver((list) => {
        for (const { duration } of list.getEntries()) window.__long.push(duration);
      }).observe({ entryTypes: ['longtask'] });
    });
    const before = await page.locator('inky-how-sure').textContent();
    await page.getByRole('button', { name: /^Water temperature:/ }).click();
    const field = page.getByRole('spinbutton');
    await field.fill('70');
    await field.press('Enter');
    await page.waitForFunction((was) => document.querySelector('inky-how-sure')?.textContent !== was, before);
    await page.waitForTimeout(500);
    const long = await page.evaluate(() => window.__long);
    return Math.max(0, ...long);
  } finally {
    await browser.close();
    await server.stop();
  }
}

export async function* rows() {
  const { samples, packs, rods } = speeds();
  yield {
    figure: 'mornings256Ms',
    unit: 'ms',
    samples,
    how: '256 draws of the demo day, all its windows, in Node; wanted under 1000',
  };
  yield { figure: 'packMs', unit: 'ms', samples: packs, how: '10 of 200 owned lures, 256 mornings; wanted under 300' };
  yield {
    figure: 'deckMs',
    unit: 'ms',
    samples: rods,
    how: `6 rods of the demo's, each with one of 200 lures, 256 mornings; with packMs wanted under 300`,
  };
  yield {
    figure: 'morningsBlockMs',
    unit: 'ms',
    samples: [await longestTaskMs()],
    how: `the page's longest task over ${LONG_MS} ms while the sheet asks its mornings, 0 where there is none; wanted at most ${LONG_MS}`,
  };
  const { odds, agrees, missed } = told();
  const how = `${MORNINGS} mornings of the demo's hidden truth, ${LEADS.join(' and ')} days ahead`;
  yield {
    figure: 'sureBrier',
    unit: 'off',
    samples: [reliability(odds)],
    how: `${how}, ${odds.length} windows: told odds that the first choice stands against how often it did, by fifths; wanted at most 0.05`,
  };
  yield {
    figure: 'sureToldMean',
    unit: 'told',
    samples: [mean(odds.map(({ told: share }) => share))],
    how: `and ${mean(odds.map(({ stands }) => Number(stands))).toFixed(3)} came; Brier score ${mean(odds.map(({ told: share, stands }) => (share - Number(stands)) ** 2)).toFixed(3)}`,
  };
  yield {
    figure: 'cardAgrees',
    unit: 'of the mornings',
    samples: [mean(agrees.map(Number))],
    how: `${how}: the card's answer is the planner's first or second choice with the true readings; wanted 0.85 or more`,
  };
  const share = (count) => 1 - count / missed.windows;
  yield {
    figure: 'aboardSingle',
    unit: 'of the windows',
    samples: [share(missed.single)],
    how: `the truly first lure is aboard, ${PIECES} pieces packed from the one plan`,
  };
  yield {
    figure: 'aboardMornings',
    unit: 'of the windows',
    samples: [share(missed.mornings)],
    how: `the same packed from all mornings: ${(100 * (1 - missed.mornings / Math.max(1, missed.single))).toFixed(0)} % fewer misses; wanted 33 % or more`,
  };
  const gain = changeOverGain(COMPETITION_DAYS, COMPETITION_SEED);
  const beside = ({ meanG, atMin }) =>
    `${(meanG / 1000).toFixed(2)} kg at ${Math.floor(atMin / 60)}:${String(atMin % 60).padStart(2, '0')}`;
  yield {
    figure: 'changeOverGain',
    unit: 'times',
    samples: [gain.workedOutG / gain.fixed.limit.meanG],
    how: `${gain.days} simulated competition days, ${(gain.workedOutG / 1000).toFixed(2)} kg of five beside the best fixed hour, a limit first: ${beside(gain.fixed.limit)}; wanted 1.05 or more. A big one first: ${beside(gain.fixed.big)}`,
  };
  yield {
    figure: 'changeOverCoverage80',
    unit: 'of the days',
    samples: [gain.coverage80],
    how: 'the total lay in the range that was told at the start for eight days of ten',
  };
}
