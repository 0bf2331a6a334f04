import { Builder, type WebDriver } from 'selenium-webdriver';
import { Options, ServiceBuilder } from 'selenium-webdriver/chrome.js';

export interface Viewport {
  readonly width: number;
  readonly height: number;
}

/** A laptop's window; `ZEST_VIEWPORT=390x844` runs journeys on a phone's instead. */
function usual(): Viewport {
  const [, width = '1280', height = '800'] = /^(\d+)x(\d+)$/.exec(process.env['ZEST_VIEWPORT'] ?? '') ?? [];
  return { width: Number(width), height: Number(height) };
}

/** Headless Chromium with a viewport of exactly this size; with a profile's folder one that keeps what it kept there before. Paths are given, so nothing is looked for or fetched. */
export async function openBrowser({ width, height }: Viewport = usual(), profile?: string): Promise<WebDriver> {
  const options = new Options();
  options.setChromeBinaryPath(process.env['CHROME_BIN'] ?? '/usr/bin/chromium');
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--disable-dev-shm-usage',
    `--window-size=${width},${height}`,
    '--force-device-scale-factor=1',
    '--hide-scrollbars',
    // A laptop has a pointer that can hover; a headless browser says that it has none.
    '--blink-settings=primaryHoverType=2,availableHoverTypes=2',
    ...(profile === undefined ? [] : [`--user-data-dir=${profile}`]),
  );
  const service = new ServiceBuilder(process.env['CHROMEDRIVER'] ?? '/usr/bin/chromedriver');
  const driver = await new Builder().forBrowser('chrome').setChromeOptions(options).setChromeService(service).build();
  // A busy machine takes longer; what is waited for are conditions.
  await driver.manage().setTimeouts({ script: 240_000, pageLoad: 240_000 });
  await resized(driver, width, height);
  return driver;
}

/** One command of the DevTools protocol; the typings of selenium-webdriver lack it. */
export function devTools(driver: WebDriver, command: string, parameters: object): Promise<unknown> {
  return (driver as unknown as { sendAndGetDevToolsCommand(name: string, values: object): Promise<unknown> }).sendAndGetDevToolsCommand(
    command,
    parameters,
  );
}

/** Gives the window another size, in px. */
export const resized = (driver: WebDriver, width: number, height = 800): Promise<unknown> =>
  devTools(driver, 'Emulation.setDeviceMetricsOverride', { width, height, deviceScaleFactor: 1, mobile: false });
