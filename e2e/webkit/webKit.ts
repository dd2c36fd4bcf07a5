import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, readdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';
import type { Point } from '../support/pen';

/** Where Debian keeps the small browser that comes with the engine, whatever the machine's kind. */
function browserPath(): string {
  const found = readdirSync('/usr/lib')
    .map((kind) => join('/usr/lib', kind, 'webkit2gtk-4.1', 'MiniBrowser'))
    .find(existsSync);
  if (!found) throw new Error('The engine is not installed: apt-get install webkit2gtk-driver');
  return found;
}

const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const server = createServer();
    server.once('error', reject);
    server.listen(0, () => {
      const address = server.address();
      const port = typeof address === 'object' && address ? address.port : 0;
      server.close(() => resolve(port));
    });
  });

/** A screen nobody sees; its number. */
function openScreen(): Promise<{ screen: ChildProcess; display: string }> {
  const screen = spawn('Xvfb', ['-displayfd', '1', '-screen', '0', '1400x1000x24'], {
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  return new Promise((resolve, reject) => {
    screen.once('error', reject);
    screen.once('exit', (code) => reject(new Error(`Xvfb ended with ${code}.`)));
    screen.stdout?.once('data', (text: Buffer) =>
      resolve({ screen, display: `:${text.toString().trim()}` }),
    );
  });
}

const PAUSE = 12;

/** A browser with the engine of most tablets, driven by W3C WebDriver requests. */
export class WebKit {
  private constructor(
    private readonly session: string,
    private readonly processes: readonly ChildProcess[],
  ) {}

  static async open(): Promise<WebKit> {
    const { screen, display } = await openScreen();
    const port = await freePort();
    const driver = spawn('WebKitWebDriver', [`--port=${port}`], {
      stdio: 'ignore',
      env: {
        ...process.env,
        DISPLAY: display,
        LIBGL_ALWAYS_SOFTWARE: '1',
        // Its sandbox needs rights that a container does not give.
        WEBKIT_DISABLE_SANDBOX_THIS_IS_DANGEROUS: '1',
      },
    });
    const root = `http://127.0.0.1:${port}/session`;
    const capabilities = {
      alwaysMatch: {
        'webkitgtk:browserOptions': { binary: browserPath(), args: ['--automation'] },
      },
    };
    for (let tries = 0; ; tries++) {
      try {
        const { sessionId } = await send<{ sessionId: string }>('POST', root, { capabilities });
        const browser = new WebKit(`${root}/${sessionId}`, [driver, screen]);
        await browser.ask('POST', '/window/rect', { x: 0, y: 0, width: 1280, height: 860 });
        return browser;
      } catch (e) {
        if (tries > 50) {
          driver.kill();
          screen.kill();
          throw e;
        }
        await new Promise((resolve) => setTimeout(resolve, 200));
      }
    }
  }

  private ask<T>(method: string, path: string, body?: unknown): Promise<T> {
    return send<T>(method, this.session + path, body);
  }

  async close(): Promise<void> {
    await this.ask('DELETE', '').catch(() => undefined);
    for (const child of this.processes) child.kill();
  }

  go = (url: string): Promise<void> => this.ask('POST', '/url', { url });
  reload = (): Promise<void> => this.ask('POST', '/refresh', {});

  /** What a function gives that runs in the page. */
  run<A extends unknown[], T>(does: (...args: A) => T, ...args: A): Promise<T> {
    return this.ask('POST', '/execute/sync', {
      script: `return (${does.toString()}).apply(null, arguments);`,
      args,
    });
  }

  /** Waits until a function in the page gives something true, and gives that. */
  async until<A extends unknown[], T>(
    what: string,
    does: (...args: A) => T,
    ...args: A
  ): Promise<NonNullable<T>> {
    const end = Date.now() + 60_000;
    for (;;) {
      const value = await this.run(does, ...args);
      if (value) return value;
      if (Date.now() > end) throw new Error(`Waited in vain for ${what}.`);
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }

  /** Presses the button whose name begins like this, with the mouse, once it has come to rest where nothing lies above it. */
  async press(name: string): Promise<void> {
    const placeOf = (): Promise<Point> => this.placeOf(name);
    let at = await placeOf();
    for (;;) {
      await new Promise((resolve) => setTimeout(resolve, 100));
      const now = await placeOf();
      if (now[0] === at[0] && now[1] === at[1]) break;
      at = now;
    }
    await this.draw([at, at]);
  }

  private placeOf(name: string): Promise<Point> {
    return this.until(
      `the button ${name}`,
      (wanted: string) => {
        const all = document.querySelectorAll('button, [role=button], [role=menuitem]');
        for (const e of all) {
          const label = e.getAttribute('aria-label') ?? e.textContent ?? '';
          const r = e.getBoundingClientRect();
          if (!label.trim().startsWith(wanted) || r.width === 0) continue;
          const [x, y] = [r.left + r.width / 2, r.top + r.height / 2];
          if (e.contains(document.elementFromPoint(x, y))) return [x, y] as [number, number];
        }
        return null;
      },
      name,
    );
  }

  /** Chooses one of several by its name, wherever a sheet has scrolled to. */
  async choose(name: string): Promise<void> {
    await this.until(
      `the choice ${name}`,
      (wanted: string) => {
        const all = [...document.querySelectorAll<HTMLElement>('[role=radio]')];
        const choice = all.find((e) => (e.getAttribute('aria-label') ?? '') === wanted);
        choice?.click();
        return choice !== undefined;
      },
      name,
    );
  }

  /** Draws with the mouse. */
  async draw(points: readonly Point[]): Promise<void> {
    const move = ([x, y]: Point, duration: number) => ({
      type: 'pointerMove',
      x: Math.round(x),
      y: Math.round(y),
      duration,
      origin: 'viewport',
    });
    await this.ask('POST', '/actions', {
      actions: [
        {
          type: 'pointer',
          id: 'mouse',
          parameters: { pointerType: 'mouse' },
          actions: [
            move(points[0], 0),
            { type: 'pointerDown', button: 0 },
            ...points.slice(1).map((p) => move(p, PAUSE)),
            { type: 'pointerUp', button: 0 },
          ],
        },
      ],
    });
  }

  /** The window as a PNG. */
  async picture(): Promise<Buffer> {
    return Buffer.from(await this.ask<string>('GET', '/screenshot'), 'base64');
  }
}

async function send<T>(method: string, url: string, body?: unknown): Promise<T> {
  const response = await fetch(url, {
    method,
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  });
  const { value } = (await response.json()) as { value: T & { error?: string; message?: string } };
  if (!response.ok) throw new Error(`${method} ${url}: ${value.error}: ${value.message}`);
  return value;
}
