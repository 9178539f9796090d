import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { encode, Image } from 'image-js'
import { makePhotograph, type Scene } from './photographs/make-photograph'
import { CROTCH_SCENE, LEG_SCENES, SAVED, SCENE } from './photographs/scenes'

// npx tsx scripts/paper-photographs.ts: makes the photographs of paper pieces that the demo and the browser tests read, into public/demo-photographs.

const OUT = 'public/demo-photographs'
const SCENES: Record<string, Scene> = {
  'paper-crotch': CROTCH_SCENE,
  'paper-front': SCENE,
  'paper-leg-upper': LEG_SCENES[0],
  'paper-leg-lower': LEG_SCENES[1],
}
mkdirSync(OUT, { recursive: true })
for (const [name, scene] of Object.entries(SCENES)) {
  const { width, height, data } = makePhotograph({ ...scene, ...SAVED })
  const image = new Image(width, height, { data, colorModel: 'RGBA' })
  writeFileSync(
    join(OUT, `${name}.jpg`),
    encode(image.convertColor('RGB').convertColor('RGBA'), { format: 'jpeg', encoderOptions: { quality: 82 } }),
  )
  console.log(name)
}
