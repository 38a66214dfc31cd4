import { launchBrowser } from '/work/main/scripts/lib/browser.mjs';
import { startServer } from '/work/main/scripts/lib/server.mjs';
const server = await startServer();
const browser = await launchBrowser();
const shots = process.argv.slice(2);
try {
  for (const [w, h, tag] of [[1280, 800, 'w'], [390, 844, 'p']]) {
    const ctx = await browser.newContext({ viewport: { width: w, height: h }, locale: 'en-GB', reducedMotion: 'reduce', serviceWorkers: 'block' });
    await ctx.addInitScript((s) => { if (!localStorage.getItem('inky.setting/units')) localStorage.setItem('inky.settings', s); }, JSON.stringify({ units: 'us', look: 'paper' }));
    const page = await ctx.newPage();
    page.on('console', (m) => m.type() === 'error' && console.log(tag, m.text()));
    page.on('pageerror', (e) => console.log(tag, e.message));
    for (const spec of shots) {
      const [name, path, full] = spec.split('=');
      await page.goto(server.address + path);
      await page.waitForTimeout(Number(process.env.WAIT ?? 4000));
      if (process.env.ACT) await eval(`(async (page) => { ${process.env.ACT} })`)(page);
      await page.screenshot({ path: `/tmp/w/${name}-${tag}.png`, fullPage: full === 'full' });
      if (tag === 'p') console.log(name, 'overflow', await page.evaluate(() => document.documentElement.scrollWidth - innerWidth));
    }
    await ctx.close();
  }
} finally { await browser.close(); await server.stop(); }
