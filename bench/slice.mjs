import { spawn } from 'node:child_process';
import { get } from 'node:http';
import { launchBrowser } from '../scripts/lib/browser.mjs';
import { startServer } from '../scripts/lib/server.mjs';
import { ROOT } from '../scripts/lib/workspace.mjs';
import { planMs } from './judgement.mjs';

/** From a changed word to the picture drawn again, in the page. */
async function pagePlanMs(page) {
  const samples = [];
  await page.getByRole('button', { name: /^Water temperature:/ }).click();
  const field = page.getByRole('spinbutton');
  for (let run = 0; run < 40; run++) {
    const elapsed = await field.evaluate(
      (input, value) =>
        new Promise((resolve) => {
          const start = performance.now();
          const watch = new PerformanceObserver((list) => {
            const drawn = list.getEntriesByName('inky:drawn').find(({ startTime }) => startTime >= start);
            if (!drawn) return;
            watch.disconnect();
            resolve(drawn.startTime - start);
          });
          watch.observe({ entryTypes: ['mark'] });
          input.value = value;
          input.dispatchEvent(new Event('input', { bubbles: true }));
        }),
      String(45 + (run % 20)),
    );
    if (run >= 5) samples.push(elapsed);
  }
  return samples;
}

/** What the first page transfers, compressed: every file that it and its worker ask for, as sent on the wire. */
async function firstTransferKb(browser, address) {
  const context = await browser.newContext();
  const page = await context.newPage();
  const urls = new Set();
  page.on('request', (request) => request.url().startsWith(address) && urls.add(request.url()));
  page.on('worker', (worker) => urls.add(worker.url()));
  await page.goto(`${address}/sheet`);
  await page.locator('.note').waitFor();
  await page.waitForTimeout(1500);
  await context.close();
  let bytes = 0;
  for (const url of urls) bytes += await compressedSize(url);
  return bytes / 1000;
}

/** Bytes on the wire of an answer in Brotli. */
function compressedSize(url) {
  return new Promise((resolve, reject) => {
    get(url, { headers: { 'accept-encoding': 'br' } }, (response) => {
      let size = 0;
      response.on('data', (chunk) => (size += chunk.length));
      response.on('end', () => resolve(size));
    }).on('error', reject);
  });
}

/** `npm start` with nothing changed, until it answers. */
async function restartMs(dataDir) {
  const start = performance.now();
  const child = spawn('npm', ['start', '--silent'], {
    cwd: ROOT,
    env: { ...process.env, INKY_PORT: '0', INKY_DATA: dataDir, INKY_LOG: 'silent' },
    stdio: ['ignore', 'pipe', 'ignore'],
    detached: true,
  });
  const address = await new Promise((resolve) => {
    child.stdout.on('data', (chunk) => {
      const found = /http:\S+/.exec(String(chunk));
      if (found) resolve(found[0]);
    });
  });
  await fetch(`${address}/sheet`);
  const elapsed = performance.now() - start;
  process.kill(-child.pid, 'SIGTERM');
  await new Promise((resolve) => child.once('exit', resolve));
  return elapsed;
}

export async function* rows() {
  yield { figure: 'planMs', unit: 'ms', samples: planMs(), how: '52 days of the year in Node, 12 runs after warm-up' };
  const server = await startServer();
  const browser = await launchBrowser();
  try {
    const page = await browser.newPage();
    await page.goto(`${server.address}/sheet`);
    await page.locator('.note').waitFor();
    yield {
      figure: 'pagePlanMs',
      unit: 'ms',
      samples: await pagePlanMs(page),
      how: 'a typed temperature to the drawn sheet',
    };
    yield {
      figure: 'firstTransferKb',
      unit: 'kB',
      samples: [await firstTransferKb(browser, server.address)],
      how: 'the sheet with its worker, fonts and data, compressed, nothing cached; other views fetched ahead later not counted',
    };
  } finally {
    await browser.close();
    await server.stop();
  }
  const samples = [];
  for (let run = 0; run < 5; run++) samples.push(await restartMs(server.dataDir));
  yield { figure: 'restartMs', unit: 'ms', samples, how: 'npm start with nothing changed, to the first answer' };
}
