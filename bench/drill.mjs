import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { learnersPool, questionsNeeded } from '@inky-shoal/demo/drill';
import { cycleOf, cycleSound, strokesBetween } from '@inky-shoal/core/drill';

const TEN_MINUTES_S = 600;
const SAMPLES_PER_S = 44_100;
/** A stroke is heard where it is louder than this after so long a silence. */
const HEARD = 0.3;
const SILENT_S = 0.2;

const LEARNERS = 200;
const EVENINGS = { questions: 12, skill: 0.7 };
const EVENINGS_LOOKED_AT = 4;

const mean = (values) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Answers every question of an evening in the page: from each press until it is graded and the next one is asked, ms. */
const pressThrough = (page) =>
  page.evaluate(async () => {
    const until = (holds) =>
      new Promise((done) => {
        const look = () => (holds() ? done() : requestAnimationFrame(look));
        look();
      });
    const next = () =>
      [...document.querySelectorAll('button')].find(({ textContent }) => textContent.trim() === 'Next');
    const listed = () => document.querySelectorAll('.options button');
    const named = (name) =>
      [...document.querySelectorAll('main button')].find(({ textContent }) => textContent.trim() === name);
    /** Has an answer ready, so that one press gives it. */
    const ready = async () => {
      if (document.querySelector('inky-band-picture svg.open')) {
        [...document.querySelectorAll('main button')]
          .find(({ textContent }) => textContent.trim().startsWith('Without drawing'))
          ?.click();
        await until(() => document.querySelector('#depth-1'));
        const down = document.querySelector('#depth-1');
        down.value = '12';
        down.dispatchEvent(new Event('input'));
        await until(() => !named('There').disabled);
        return named('There');
      }
      if (document.querySelector('inky-tap-wait')) return named('It never lies still');
      await until(() => listed().length && !listed()[0].disabled);
      return listed()[0];
    };
    const told = [];
    for (;;) {
      await until(() => document.querySelector('#asked'));
      // The last part is a whole day.
      if (/A whole day|It is coming/.test(document.querySelector('main').textContent)) return told;
      const answer = await ready();
      const from = performance.now();
      answer.click();
      await until(() => next());
      const graded = performance.now() - from;
      await new Promise((done) => setTimeout(done, 700));
      const nextFrom = performance.now();
      next().click();
      await until(() => document.querySelector('#asked') && !document.querySelector('inky-answered'));
      told.push(graded + performance.now() - nextFrom);
    }
  });

async function nextMs(browser) {
  const server = await startServer();
  try {
    const page = await browser.newPage();
    const samples = [];
    for (let evening = 0; evening < EVENINGS_LOOKED_AT; evening++) {
      await page.goto(`${server.address}/drill/evening`);
      samples.push(...(await pressThrough(page)));
    }
    await page.close();
    return samples;
  } finally {
    await server.stop();
  }
}

/**
 * When the strokes of a cadence sound over ten minutes, as Chromium's audio renders the loop that the page plays: how far
 * each is off the time that it should have.
 */
async function offsMs(page, cycle) {
  const sound = cycleSound(cycle, SAMPLES_PER_S);
  const heard = await page.evaluate(
    async ([samples, seconds, samplesPerS, loud, silentS]) => {
      const context = new window.OfflineAudioContext(1, seconds * samplesPerS, samplesPerS);
      const buffer = context.createBuffer(1, samples.length, samplesPerS);
      buffer.copyToChannel(Float32Array.from(samples), 0);
      const source = context.createBufferSource();
      source.buffer = buffer;
      source.loop = true;
      source.connect(context.destination);
      source.start(0);
      const rendered = (await context.startRendering()).getChannelData(0);
      const found = [];
      let silent = silentS * samplesPerS;
      for (let at = 0; at < rendered.length; at++) {
        if (Math.abs(rendered[at]) < 0.02) silent++;
        else if (Math.abs(rendered[at]) > loud) {
          if (silent >= silentS * samplesPerS) found.push(at / samplesPerS);
          silent = 0;
        }
      }
      return found;
    },
    [Array.from(sound), TEN_MINUTES_S, SAMPLES_PER_S, HEARD, SILENT_S],
  );
  const wanted = strokesBetween(cycle, 0, TEN_MINUTES_S);
  if (heard.length !== wanted.length)
    throw new Error(`${heard.length} strokes were heard, ${wanted.length} belong there`);
  return heard.map((at, index) => 1000 * (at - wanted[index].atS));
}

export async function* rows() {
  const browser = await launchBrowser();
  try {
    const page = await browser.newPage();
    const offs = [];
    for (const pauseS of [0.7137, 3.3371, 8.0191, 21.7043]) {
      offs.push(await offsMs(page, cycleOf({ style: 'twitch-pause', pauseS: null }, { pauseS })));
    }
    const drift = Math.max(...offs.map((each) => Math.abs(each.at(-1) - each[0])));
    // Against the straight line through its own drift.
    const jitter = Math.max(
      ...offs.map((each) => {
        const slope = (each.at(-1) - each[0]) / Math.max(1, each.length - 1);
        return Math.max(...each.map((off, at) => Math.abs(off - each[0] - slope * at)));
      }),
    );
    const how = 'four cadences over ten minutes, as the audio renders them';
    yield { figure: 'cadenceDriftMs', unit: 'ms', samples: [drift], how: `${how}; wanted at most 5` };
    yield { figure: 'cadenceJitterMs', unit: 'ms', samples: [jitter], how: `${how}; wanted at most 3` };
    yield {
      figure: 'drillNextMs',
      unit: 'ms',
      samples: await nextMs(browser),
      how: `an answer graded and the next question asked in the page, over ${EVENINGS_LOOKED_AT} evenings; wanted under 100`,
    };
  } finally {
    await browser.close();
  }
  const learners = Array.from({ length: LEARNERS }, (_, at) => 1000 + at);
  const { chosen, random } = questionsNeeded(learnersPool(), learners, EVENINGS);
  yield {
    figure: 'drillQuestionsRatio',
    unit: '',
    samples: [mean(chosen) / mean(random)],
    how: `${LEARNERS} learners who forget, ${EVENINGS.questions} questions an evening, until ${100 * EVENINGS.skill} % is known: ${Math.round(mean(chosen))} chosen, ${Math.round(mean(random))} at random; wanted at most 0.75`,
  };
}
