import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { DEMO_PHOTOS, PHOTO_PX } from '../demo/cooks-blouse'
import { openBrowser } from './browser'

// npx tsx scripts/demo-photographs.ts: draws the made-up photographs of the demo's fittings into public/demo-photographs.

const OUT = 'public/demo-photographs'
const { width, height } = PHOTO_PX

/** What is to be seen in each of them. */
const SCENES: Record<
  (typeof DEMO_PHOTOS)[number]['id'],
  { back: boolean; slants: boolean; folds: boolean; pools: boolean; hemDips: boolean }
> = {
  'demo-mock-up-front': { back: false, slants: true, folds: true, pools: false, hemDips: false },
  'demo-mock-up-back': { back: true, slants: true, folds: false, pools: true, hemDips: true },
  'demo-second-front': { back: false, slants: false, folds: false, pools: false, hemDips: false },
  'demo-second-back': { back: true, slants: false, folds: false, pools: false, hemDips: true },
}

const fold = (d: string, strength = 1) =>
  `<path d="${d}" fill="none" stroke="#6f6450" stroke-width="${9 * strength}" opacity="0.28" stroke-linecap="round" filter="url(#soft)"/>
   <path d="${d}" fill="none" stroke="#fffaf0" stroke-width="${4 * strength}" opacity="0.6" stroke-linecap="round" transform="translate(3 -5)" filter="url(#soft)"/>`

/** A person in a blouse of sheeting, as a lamp from the left shows it. */
function draw(id: (typeof DEMO_PHOTOS)[number]['id']): string {
  const { back, slants, folds, pools, hemDips } = SCENES[id]
  const hem = hemDips && back ? 'Q300 668 408 622' : 'Q300 634 408 622'
  const seamEnd = slants ? (back ? 176 : 150) : 162
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 0 600 800">
  <defs>
    <linearGradient id="wall" x1="0" x2="1"><stop offset="0" stop-color="#cfd8d6"/><stop offset="1" stop-color="#8fa0a2"/></linearGradient>
    <linearGradient id="cloth" x1="0" x2="1"><stop offset="0" stop-color="#f4ecd9"/><stop offset="0.55" stop-color="#e3d7bb"/><stop offset="1" stop-color="#b9ab8b"/></linearGradient>
    <linearGradient id="skin" x1="0" x2="1"><stop offset="0" stop-color="#d9a883"/><stop offset="1" stop-color="#a9775a"/></linearGradient>
    <filter id="soft"><feGaussianBlur stdDeviation="4"/></filter>
    <filter id="shade"><feGaussianBlur stdDeviation="22"/></filter>
  </defs>
  <rect width="600" height="800" fill="url(#wall)"/>
  <rect y="690" width="600" height="110" fill="#7b6f61"/><rect y="690" width="600" height="6" fill="#6a5f52"/>
  <ellipse cx="400" cy="480" rx="150" ry="290" fill="#4d5a5c" opacity="0.4" filter="url(#shade)"/>
  <path d="M214 610L388 610L420 800L180 800Z" fill="#4b5563"/>
  <path d="M270 70Q300 50 330 70L334 150L266 150Z" fill="url(#skin)"/>
  <ellipse cx="300" cy="70" rx="48" ry="58" fill="${back ? '#5b4636' : 'url(#skin)'}"/>
  <path d="M252 62Q252 8 300 10Q348 8 348 62Q330 30 300 32Q270 30 252 62Z" fill="#5b4636"/>
  <path d="M196 170L132 440L166 452L222 300Z" fill="url(#cloth)"/><path d="M404 170L468 440L434 452L378 300Z" fill="url(#cloth)"/>
  <path d="M132 440Q140 482 152 486Q168 482 166 452Z" fill="url(#skin)"/><path d="M468 440Q460 482 448 486Q432 482 434 452Z" fill="url(#skin)"/>
  <path d="M${back ? '252 146Q300 158 348 146' : '254 146Q300 212 346 146'}L404 170Q398 240 384 290L396 430L408 622${hem.replace('408 622', '192 622')}L204 430L216 290Q202 240 196 170Z" fill="url(#cloth)" stroke="#8a7d62" stroke-width="2"/>
  <path d="M254 146L196 ${seamEnd}M346 146L404 ${seamEnd}" stroke="#7a6d54" stroke-width="3" stroke-dasharray="7 5" fill="none"/>
  <path d="M204 168Q214 240 216 292M396 168Q386 240 384 292" stroke="#8a7d62" stroke-width="2.5" fill="none"/>
  ${slants ? fold('M258 156Q232 174 214 214', 0.7) + fold('M342 156Q368 174 386 214', 0.7) : ''}
  ${folds ? fold('M232 338Q262 356 284 346') + fold('M228 362Q258 384 286 368') + fold('M368 338Q338 356 316 346') + fold('M372 362Q342 384 314 368') : ''}
  ${pools ? fold('M214 382Q300 420 386 382', 1.2) + fold('M210 408Q300 452 390 408', 1.3) + fold('M216 356Q300 388 384 356') : ''}
  ${fold('M248 470Q240 540 236 610', 0.8)}${fold('M352 470Q360 540 366 610', 0.8)}
  <path d="M204 430Q300 ${back ? 440 : 448} 396 430" stroke="#7a6d54" stroke-width="2" stroke-dasharray="3 6" fill="none" opacity="0.7"/>
</svg>`
}

mkdirSync(OUT, { recursive: true })
const { driver, close } = await openBrowser(width, height)
try {
  await driver.get('about:blank')
  for (const { id } of DEMO_PHOTOS) {
    const data = await driver.executeAsyncScript<string>(
      `const done = arguments[arguments.length - 1]; const img = new Image(); img.onload = () => { const c = document.createElement('canvas'); c.width = ${width}; c.height = ${height}; c.getContext('2d').drawImage(img, 0, 0); done(c.toDataURL('image/jpeg', 0.8)) }; img.src = 'data:image/svg+xml;utf8,' + encodeURIComponent(arguments[0])`,
      draw(id),
    )
    const bytes = Buffer.from(data.slice(data.indexOf(',') + 1), 'base64')
    writeFileSync(join(OUT, `${id}.jpg`), bytes)
    console.log(id, bytes.length)
  }
} finally {
  await close()
}
