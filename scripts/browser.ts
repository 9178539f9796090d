import { spawn, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Browser, Builder, By, until, type WebDriver, type WebElement } from 'selenium-webdriver'
import { Options, ServiceBuilder, type Driver as ChromeDriver } from 'selenium-webdriver/chrome.js'

/** A free port of this machine. */
export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = createServer()
    server.once('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const address = server.address()
      server.close(() => resolve(typeof address === 'object' && address ? address.port : 0))
    })
  })
}

/** Serves the built application on a free port; `stop` ends just that process. @param built where another was built */
export async function serve(built = '.output'): Promise<{ url: string; stop: () => void }> {
  const port = await freePort()
  const child: ChildProcess = spawn(process.execPath, [`${built}/server/index.mjs`], {
    env: { ...process.env, HOST: '127.0.0.1', PORT: String(port), NODE_ENV: 'production' },
    stdio: 'ignore',
  })
  const url = `http://127.0.0.1:${port}`
  for (let i = 0; i < 100; i++) {
    const up = await fetch(url).then(
      (r) => r.ok,
      () => false,
    )
    if (up) return { url, stop: () => child.kill() }
    await new Promise((r) => setTimeout(r, 100))
  }
  child.kill()
  throw new Error('the built application did not start')
}

export interface Opened {
  driver: ChromeDriver
  /** Where downloads arrive. */
  downloads: string
  close: () => Promise<void>
  /** Ends it as a power cut does: nothing is written any more. */
  kill: () => Promise<void>
}

/**
 * Headless Chromium with a window of the given inner size.
 * @param kept a profile: where it keeps what pages store; a fresh place, thrown away at the end, when left out
 */
export async function openBrowser(width = 1280, height = 800, kept?: string): Promise<Opened> {
  const profile = kept ?? mkdtempSync(join(tmpdir(), 'tidal-seam-'))
  const downloads = join(profile, 'downloads')
  const options = new Options()
  options.addArguments(
    '--headless=new',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--hide-scrollbars',
    '--force-device-scale-factor=1',
    `--user-data-dir=${profile}`,
  )
  options.setChromeBinaryPath('/usr/bin/chromium')
  options.setUserPreferences({ 'download.default_directory': downloads, 'download.prompt_for_download': false })
  const driver = (await new Builder()
    .forBrowser(Browser.CHROME)
    .setChromeOptions(options)
    .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
    .build()) as ChromeDriver
  await resizeTo(driver, width, height)
  return {
    driver,
    downloads,
    close: async () => {
      await driver.quit()
      if (kept === undefined) rmSync(profile, { recursive: true, force: true })
    },
    kill: async () => {
      process.kill((await driver.getCapabilities()).get('goog:processID') as number, 'SIGKILL')
      // Its driver has nothing left to speak to, and ends with it.
      await driver.quit().catch(() => undefined)
    },
  }
}

/** Makes the page itself (not the window frame) this large. */
export async function resizeTo(driver: WebDriver, width: number, height: number): Promise<void> {
  await driver.manage().window().setRect({ width, height })
  const [w, h] = (await driver.executeScript('return [innerWidth, innerHeight]')) as [number, number]
  await driver
    .manage()
    .window()
    .setRect({ width: 2 * width - w, height: 2 * height - h })
}

/** Nothing is timed: what is awaited comes, and how late depends on who else uses the machine. Only what never comes takes so long, ms. */
export const WAIT_MS = 90_000
/** The same for work that takes its time. */
export const LONG_WAIT_MS = 300_000

/** The element with this test name, once it is on the page. */
export async function byTest(driver: WebDriver, name: string): Promise<WebElement> {
  return driver.wait(until.elementLocated(By.css(`[data-test="${name}"]`)), WAIT_MS, `nothing called “${name}” on the page`)
}

/** A real click, scrolled to where a hand could reach it. */
export async function click(driver: WebDriver, name: string): Promise<void> {
  const element = await byTest(driver, name)
  await driver.executeScript('arguments[0].scrollIntoView({ block: "center", inline: "nearest" })', element)
  await driver.wait(until.elementIsVisible(element), WAIT_MS)
  await element.click()
}
