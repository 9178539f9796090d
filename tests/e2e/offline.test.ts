import { createServer, request, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { byTest, click, WAIT_MS } from '../../scripts/browser'
import { useApplication } from './session'

const app = useApplication()
const { ask, soon, card, all } = app

/** What stands between browser and server: it can be down, and give the service worker as a newer version has it. */
const between = { isDown: false, isNewer: false }
let server: Server
let url: string

beforeAll(async () => {
  const to = new URL(app.url())
  server = createServer((asked, answer) => {
    if (between.isDown) return void asked.socket.destroy()
    const { 'accept-encoding': _, 'if-none-match': __, 'if-modified-since': ___, ...headers } = asked.headers
    request({ host: to.hostname, port: to.port, path: asked.url, method: asked.method, headers }, (got) => {
      if (asked.url !== '/sw.js' || !between.isNewer) {
        answer.writeHead(got.statusCode!, got.headers)
        return void got.pipe(answer)
      }
      const { 'content-length': _, etag: __, ...rest } = got.headers
      answer.writeHead(200, rest)
      got.on('data', (data) => answer.write(data))
      got.on('end', () => answer.end('\n// newer\n'))
    })
      .on('error', () => answer.destroy())
      .end()
  })
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
})

describe('after the first visit', () => {
  it('it opens without a network, and what is done then is kept', async () => {
    const driver = app.driver()
    await driver.get(url)
    await click(driver, 'open-demo-first')
    await card('demo-blouse')
    await byTest(driver, 'opens-offline')
    between.isDown = true
    await driver.get(url)
    await card('demo-blouse')
    await driver.get(`${url}/garment/demo-blouse/reshape`)
    await byTest(driver, 'table')
    await ask('shorten the body by 3/4', 'lengthen')
    await soon('stored', async () => (await app.textOf('status')) === 'saved')
    for (const [station, sign] of [
      ['match', 'match-summary'],
      ['paper', 'page-count'],
      ['size', 'worksheet'],
    ] as const) {
      await driver.get(`${url}/garment/demo-blouse/${station}`)
      await byTest(driver, sign)
    }
    await driver.get(`${url}/garment/demo-blouse/reshape`)
    await expect.poll(async () => (await byTest(driver, 'stop-0')).getText()).toContain('Shorten the body')
  })

  it('a newer version says that it is there, and loses nothing when it is loaded', async () => {
    const driver = app.driver()
    between.isDown = false
    await driver.get(`${url}/garment/demo-blouse/reshape`)
    await byTest(driver, 'opens-offline')
    expect(await all('new-version')).toHaveLength(0)
    // What was done before has to be there: one stop more is counted.
    await byTest(driver, 'stop-0')
    await ask('lengthen the sleeve by 1/2', 'lengthen')
    await soon('stored', async () => (await app.textOf('status')) === 'saved')
    between.isNewer = true
    await driver.navigate().refresh()
    await byTest(driver, 'new-version')
    // It waits until one asks for it.
    await expect.poll(async () => (await byTest(driver, 'stop-1')).getText()).toMatch(/sleeve/i)
    // Another tab goes on as it is, and is told.
    const here = await driver.getWindowHandle()
    await driver.switchTo().newWindow('tab')
    await driver.get(url)
    await byTest(driver, 'new-version')
    const there = await driver.getWindowHandle()
    await driver.switchTo().window(here)
    await driver.executeScript('window.isOld = true')
    await click(driver, 'load-version')
    const isAnew = async () => (await driver.executeScript('return window.isOld').catch(() => true)) !== true
    await driver.wait(isAnew, WAIT_MS, 'the page is loaded anew')
    await byTest(driver, 'table')
    // The browser lets the version before finish what it is asked, however long that takes a busy machine: then one asks again.
    await soon('the newer version', async () => {
      const again = await all('load-version')
      await again[0]?.click()
      return again.length === 0
    })
    await byTest(driver, 'table')
    await expect.poll(async () => (await byTest(driver, 'stop-0')).getText()).toContain('Shorten the body')
    await expect.poll(async () => (await byTest(driver, 'stop-1')).getText()).toMatch(/sleeve/i)
    expect(await all('new-version')).toHaveLength(0)
    await driver.switchTo().window(there)
    await soon('told', async () => (await app.textOf('new-version')).includes('was loaded in another tab'))
    await click(driver, 'load-version')
    await soon('loaded there', async () => (await all('new-version')).length === 0)
  })
})
