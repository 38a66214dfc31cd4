import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { dateOf, dayNumber, followLake, likeliest, phasesOn, seasonYear } from '@inky-shoal/core';
import {
  DEMO,
  DEMO_NOW,
  demoReadings,
  demoTruth,
  FERROW_CLIMATE,
  TERN_CLIMATE,
  trueDayC,
  weatherDays,
} from '@inky-shoal/demo';

const DAY_MS = 86_400_000;
const LONG_MS = 50;
const [FERROW, TERN] = DEMO.waters;
const CLIMATES = new Map([
  [FERROW.id, FERROW_CLIMATE],
  [TERN.id, TERN_CLIMATE],
]);
const WEATHER_FROM_MS = Date.parse('2025-07-01T00:00:00Z');
const TRUTH_TO_MS = Date.parse('2027-08-01T00:00:00Z');
/** The forecasts begin on mornings a week apart, over a year and some weeks of the simulated season. */
const FIRST_START = dayNumber('2026-01-15');
const STARTS = 60;
const STEP_DAYS = 7;
const LEAD_DAYS = 5;
/** An angler's year is judged as it would have stood on these mornings. */
const MORNING = 'T14:00:00Z';

const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;
const weatherOf = (water, nowMs) => weatherDays(CLIMATES.get(water.id), WEATHER_FROM_MS, nowMs, water.place.timeZone);

/** Errors of the forecast five days on against water that stays as it is, and whether the band held the truth. */
function forecasts(truth, readings) {
  const found = [];
  for (let index = 0; index < STARTS; index++) {
    const day = FIRST_START + index * STEP_DAYS;
    const nowMs = Date.parse(`${dateOf(day)}${MORNING}`);
    for (const [water, courses] of [
      [FERROW, truth.ferrow],
      [TERN, truth.ternHollow],
    ]) {
      const lake = followLake({
        water,
        readings: readings.filter(({ waterId, at }) => waterId === water.id && Date.parse(at) <= nowMs),
        weather: weatherOf(water, nowMs),
        today: dateOf(day),
        daysAhead: LEAD_DAYS,
      });
      const at = lake.today - lake.firstDay;
      for (const [zone, { surfaceC, sdC }] of lake.zones.entries()) {
        const [now, then] = [0, LEAD_DAYS].map((lead) => trueDayC(courses[zone], (day + lead) * DAY_MS));
        const [said, band] = [surfaceC[at + LEAD_DAYS], 1.2816 * sdC[at + LEAD_DAYS]];
        found.push({
          day,
          water: water.name,
          zone: lake.zones[zone].zone.name,
          model: Math.abs(said - then),
          stays: Math.abs(surfaceC[at] - then),
          staysTrue: Math.abs(now - then),
          held: Math.abs(said - then) <= band,
        });
      }
    }
  }
  return found;
}

/** Days on end at 58 F and more, on the way up, with which the hidden truth lets the spawn begin. */
const SPAWN_FROM_C = (58 - 32) / 1.8;
const HELD_DAYS = 5;

/** The day on which the true water had stood at 58 F and more for five days, in a spring. */
function trueSpawn(course, year) {
  let held = 0;
  for (let day = dayNumber(`${year}-02-01`); day < dayNumber(`${year}-07-01`); day++) {
    held = trueDayC(course, day * DAY_MS) >= SPAWN_FROM_C ? held + 1 : 0;
    if (held === HELD_DAYS) return day;
  }
  throw new Error(`The simulated spring of ${year} never came`);
}

/** Changes of the likeliest phase over a year as it is seen at its end, and when the spawn began. */
function phases(truth, readings) {
  const [changes, errors] = [[], []];
  for (const [year, now] of [
    [2026, `2026-12-31${MORNING}`],
    [2027, `2027-07-20${MORNING}`],
  ]) {
    const nowMs = Date.parse(now);
    const season = seasonYear({
      water: FERROW,
      readings: readings.filter(({ waterId, at }) => waterId === FERROW.id && Date.parse(at) <= nowMs),
      weather: weatherOf(FERROW, nowMs),
      gauge: [],
      now,
      units: 'us',
    });
    for (const [index, { phases: course }] of season.zones.entries()) {
      const seen = [];
      for (let day = season.today - 364; day <= season.today; day++) seen.push(likeliest(phasesOn(course, day)));
      changes.push(seen.filter((phase, at) => at && phase !== seen[at - 1]).length);
      const spawn = course.phases.indexOf('spawn');
      const begun = seen.findIndex(
        (phase, at) => phase === spawn && dateOf(season.today - 364 + at).startsWith(String(year)),
      );
      errors.push(season.today - 364 + begun - trueSpawn(truth.ferrow[index], year));
    }
  }
  return { changes, errors };
}

/** Ten years of a reading a day in six zones, and weather for two of them. */
function tenYears() {
  const nowMs = Date.parse(DEMO_NOW);
  const readings = FERROW.zones.flatMap(({ id }, zone) =>
    Array.from({ length: 3652 }, (_, back) => {
      const atMs = nowMs - back * DAY_MS - 3_600_000;
      const angle = ((atMs / DAY_MS - 28) / 365.25) * 2 * Math.PI;
      return {
        id: `${zone}-${back}`,
        waterId: FERROW.id,
        zoneId: id,
        at: new Date(atMs).toISOString(),
        surfaceTempC: 16 - 12 * Math.cos(angle) + Math.sin(back * 1.3 + zone),
      };
    }),
  );
  const input = {
    water: FERROW,
    readings,
    weather: weatherOf(FERROW, nowMs),
    today: DEMO_NOW.slice(0, 10),
    daysAhead: 10,
  };
  const samples = [];
  for (let run = 0; run < 14; run++) {
    const start = performance.now();
    followLake(input);
    if (run >= 3) samples.push(performance.now() - start);
  }
  return samples;
}

/** How long the page is held up at most, from pressing Season in a page that is there to the drawn year. */
async function pageBlockedMs() {
  const server = await startServer();
  const browser = await launchBrowser();
  const samples = [];
  try {
    for (let run = 0; run < 5; run++) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      await page.goto(`${server.address}/season`);
      await page.locator('inky-year-chart canvas[role=img]').waitFor();
      await page.waitForTimeout(1500);
      const longest = await page.evaluate(
        () =>
          new Promise((resolve) => {
            let most = 0;
            new PerformanceObserver((list) => {
              for (const { duration } of list.getEntries()) most = Math.max(most, duration);
            }).observe({ entryTypes: ['longtask'] });
            // Another water and back: the season is fetched, worked out and drawn anew, twice.
            const select = document.querySelector('#season-water');
            const go = (at) => {
              select.selectedIndex = at;
              select.dispatchEvent(new Event('change'));
            };
            go(1);
            setTimeout(() => go(0), 2500);
            setTimeout(() => resolve(most), 5500);
          }),
      );
      samples.push(longest);
      await context.close();
    }
  } finally {
    await browser.close();
    await server.stop();
  }
  return samples;
}

export async function* rows() {
  const truth = demoTruth(TRUTH_TO_MS);
  const readings = demoReadings(TRUTH_TO_MS, truth);
  const found = forecasts(truth, readings);
  const starts = `${STARTS} starts, ${found.length} forecasts`;
  yield {
    figure: 'forecastErrorRatio5d',
    unit: 'of persistence',
    samples: [mean(found.map(({ model }) => model)) / mean(found.map(({ stays }) => stays))],
    how: `mean absolute error five days on, ${starts}; wanted 0.70 or less`,
  };
  yield {
    figure: 'forecastErrorC5d',
    unit: 'C',
    samples: [mean(found.map(({ model }) => model))],
    how: starts,
  };
  yield {
    figure: 'bandCoverage80',
    unit: 'of the truths',
    samples: [mean(found.map(({ held }) => Number(held)))],
    how: `within the 80 % band five days on, ${starts}; wanted 0.72 to 0.88`,
  };
  const { changes, errors } = phases(truth, readings);
  yield {
    figure: 'phaseChangesPerYearMax',
    unit: 'changes',
    samples: [Math.max(...changes)],
    how: `${changes.length} zones and years of Ferrow; wanted at most 12`,
  };
  yield {
    figure: 'spawnDateErrorDaysMedian',
    unit: 'days',
    samples: errors.map(Math.abs),
    how: `${errors.filter((days) => Math.abs(days) <= 6).length} of ${errors.length} zones and springs within 6`,
  };
  yield { figure: 'tenYearsMs', unit: 'ms', samples: tenYears(), how: 'ten years, six zones: fit, filter, forecast' };
  if (process.argv.includes('--skill')) return;
  yield {
    figure: 'seasonBlockedMs',
    unit: 'ms',
    samples: await pageBlockedMs(),
    how: `longest task of the page while two seasons are worked out and drawn; wanted at most ${LONG_MS}, 0 where none was as long`,
  };
}
