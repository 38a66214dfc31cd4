import { launchBrowser } from './lib/browser.mjs';
import { startServer } from './lib/server.mjs';
const server = await startServer();
const browser = await launchBrowser();
try {
  for (let i = 0; i < 5; i++) {
  if (i == 3) console.log('----');const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
  const page = await context.newPage();
  const t0 = Date.now();
  if (i == 3) { page.on("request", (r) => r.url().includes("api") && console.log(Date.now() - t0, "REQ", r.url().slice(-30))); page.on('response', (r) => console.log(Date.now() - t0, r.url().replace(server.address, ''), r.headers()['content-length'])); page.on('worker', (w) => console.log(Date.now() - t0, 'worker', w.url())); page.on('console', (m) => console.log(Date.now() - t0, m.text())); }
  await page.addInitScript(() => { new PerformanceObserver((l) => l.getEntries().forEach((e) => console.log('LONG', Math.round(e.startTime), Math.round(e.duration)))).observe({ type: 'longtask', buffered: true }); }); await page.goto(server.address + '/water');
  await page.locator('.list li button').first().waitFor();
  console.log('list after', Date.now() - t0);
  await context.close();
  }
} finally { await browser.close(); await server.stop(); }
