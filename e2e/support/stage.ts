import type { Browser, BrowserContext, Locator, Page } from 'playwright-core';
import { launchTestBrowser } from '../../scripts/lib/browser.mjs';
import { startServer } from '../../scripts/lib/server.mjs';

export const WIDE = { width: 1280, height: 800 };
export const PHONE = { width: 390, height: 844 };

/** Longer than this nothing takes that is on its way, on the slowest machine. */
export const WAIT_MS = 60_000;

/** An address of the server at which no program begins. */
const NO_PROGRAM = '/api/health';

type Server = Awaited<ReturnType<typeof startServer>>;

/** What a browser says of a server that is not there, itself or by the worker that keeps the page. */
const OFFLINE =
  /ERR_CONNECTION_REFUSED|ERR_CONNECTION_RESET|ERR_EMPTY_RESPONSE|ERR_SOCKET_NOT_CONNECTED|ERR_INTERNET_DISCONNECTED|ERR_INCOMPLETE_CHUNKED|net::ERR_FAILED|status of 504/;

export interface PageOptions {
  readonly size?: typeof WIDE;
  readonly look?: string;
  readonly units?: string;
  /** Another server than the stage's own. */
  readonly address?: string;
  /** The book that is open: the demo's where none is named. */
  readonly book?: 'own';
  /** The page may be kept in the browser, to start with no server. */
  readonly keeps?: boolean;
  /** It has a part of the browser to itself, which is thrown away after it: for what changes more than what is kept. */
  readonly apart?: boolean;
  /** Days are planned by what the demo's trips taught, too: else by the planner alone. */
  readonly byRecord?: boolean;
  /** Trips open on the ramp card: else on the plan as it is. */
  readonly atRamp?: boolean;
  /** Where the browser says that it is; without one it may not tell. */
  readonly position?: readonly [longitude: number, latitude: number];
}

/** A browser and a server of its own with fresh demo data, for one test file. */
export class Stage {
  /** What the page complained of: errors on its console, refusals of its policy, exceptions. */
  readonly complaints: string[] = [];
  /** Parts of the browser that are thrown away with their pages. */
  private contexts: BrowserContext[] = [];
  /** The part that goes on from test to test with what it has fetched and read of the program, and nothing else. */
  private lasting: BrowserContext | null = null;
  /** Its page, which goes on, too: in a new one the program is made ready anew, which takes a third more of a core. */
  private lastingPage: Page | null = null;
  private lastingIsTaken = false;

  private constructor(
    readonly browser: Browser,
    public server: Server,
    private readonly pastTrips: boolean,
  ) {}

  /** @param pastTrips whether the demo's book has its trips of the past: each page fetches them and learns from them, which takes seconds */
  static async set({ pastTrips = false } = {}): Promise<Stage> {
    return new Stage(await launchTestBrowser(), await startServer({ demoTrips: pastTrips }), pastTrips);
  }

  /** A page that finds nothing kept: no other page of its test shares its storage, and none before it has left anything. */
  async page(path: string, options: PageOptions = {}): Promise<Page> {
    const { size = WIDE, look = 'paper', units = 'us', byRecord = false, atRamp = false, book } = options;
    const page = await this.pageIn(await this.context(options));
    await page.setViewportSize(size);
    const address = options.address ?? this.server.address;
    const kept = {
      'inky.settings': JSON.stringify({ units, look }),
      'inky.by-record': String(byRecord),
      'inky.ask-at-ramp': String(atRamp),
      ...(book && { 'inky.book': JSON.stringify(book) }),
    };
    // Kept at the address before the program begins there.
    await page.goto(address + NO_PROGRAM);
    await page.evaluate((items) => {
      sessionStorage.clear();
      for (const [name, value] of Object.entries(items)) localStorage.setItem(name, value);
    }, kept);
    await page.goto(address + path);
    return page;
  }

  /** The page of the lasting part where that is meant, else a new one. */
  private async pageIn(context: BrowserContext): Promise<Page> {
    const lasts = context === this.lasting;
    if (lasts && this.lastingPage && !this.lastingPage.isClosed()) return this.lastingPage;
    const page = await context.newPage();
    if (lasts) this.lastingPage = page;
    page.on('console', (message) => {
      // The browser looks for it where no program names an icon.
      const isNoIcon = message.location().url.endsWith('/favicon.ico');
      const offline = OFFLINE.test(message.text());
      if (message.type() === 'error' && !offline && !isNoIcon) this.complaints.push(message.text());
    });
    page.on('pageerror', (error) => this.complaints.push(error.message));
    return page;
  }

  /** The lasting part of the browser where nothing else is in it and it will do, else one of its own. */
  private async context({ keeps = false, apart = false, position }: PageOptions): Promise<BrowserContext> {
    const lasts = !keeps && !apart && !position;
    if (lasts && this.lasting && !this.lastingIsTaken) {
      this.lastingIsTaken = true;
      return this.lasting;
    }
    const context = await this.browser.newContext({
      locale: 'en-GB',
      reducedMotion: 'reduce',
      serviceWorkers: keeps ? 'allow' : 'block',
      ...(position && { geolocation: { longitude: position[0], latitude: position[1] }, permissions: ['geolocation'] }),
    });
    // What hangs fails, what is slow does not: how fast things are is the bench's to say.
    context.setDefaultTimeout(WAIT_MS);
    if (lasts && !this.lasting) {
      this.lasting = context;
      this.lastingIsTaken = true;
    } else this.contexts.push(context);
    return context;
  }

  /** Ends the server at once and starts another on the same data, at the same address. */
  async restart(between?: () => Promise<void>): Promise<void> {
    const { dataDir, address } = this.server;
    await this.server.kill('SIGKILL');
    try {
      await between?.();
    } finally {
      this.server = await startServer({ dataDir, port: Number(new URL(address).port), demoTrips: this.pastTrips });
    }
  }

  async closePages(): Promise<void> {
    await Promise.all(this.contexts.map((context) => context.close()));
    this.contexts = [];
    if (!this.lasting) return;
    const others = this.lasting.pages().filter((page) => page !== this.lastingPage);
    await Promise.all(others.map((page) => page.close()));
    this.lastingIsTaken = false;
    const page = await this.pageIn(this.lasting);
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await page.emulateMedia({ media: null });
    await page.goto('about:blank');
    // Nothing holds what is kept now, and all of it goes.
    const devtools = await this.lasting.newCDPSession(page);
    const kept = { origin: this.server.address, storageTypes: 'local_storage,indexeddb,cookies' };
    await devtools.send('Storage.clearDataForOrigin', kept);
    await devtools.detach();
  }

  async strike(): Promise<void> {
    await this.browser.close();
    await this.server.stop();
  }
}

/** Text of an element, once it is there. */
export const textOf = async (locator: Locator): Promise<string> =>
  ((await locator.textContent()) ?? '').replace(/\s+/g, ' ').trim();

/** Has a part of the page before one's eyes: what takes long to work out is worked out when one comes to read it. */
export const lookAt = (locator: Locator): Promise<void> => locator.evaluate((part) => part.scrollIntoView());

/** Waits until a condition about the page holds. */
export async function until(what: string, holds: () => Promise<boolean>, withinMs = WAIT_MS): Promise<void> {
  const end = Date.now() + withinMs;
  while (Date.now() < end) {
    if (await holds()) return;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error(`Waited in vain until ${what}`);
}

/** So much of a page is told where it did not come to say something. */
const MAX_TOLD = 1500;

/** Waits until an element says certain words; fails with what it and the page said instead. */
export async function says(locator: Locator, words: string | RegExp): Promise<void> {
  let said = '';
  const holds = async () => {
    said = await textOf(locator);
    return typeof words === 'string' ? said.includes(words) : words.test(said);
  };
  await until(`"${String(words)}" was said`, holds).catch(async (error: Error) => {
    const page = await textOf(locator.page().locator('main')).catch(() => 'nothing');
    throw new Error(`${error.message}; it said "${said}", and all of the page "${page.slice(0, MAX_TOLD)}"`);
  });
}
