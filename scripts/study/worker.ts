// One worker of `npm run study`: studies the bodies that it is sent, one after the other.
import { parentPort } from 'node:worker_threads'
import type { School } from '../../core/size'
import { studiedGarments } from './garments'
import { studyBody } from './study-body'

const garments = studiedGarments()

parentPort!.on('message', ({ garment, school, seed }: { garment: string; school: School; seed: number }) => {
  try {
    parentPort!.postMessage({
      studied: studyBody(
        garments.find((g) => g.id === garment)!,
        school,
        seed,
      ),
    })
  } catch (error) {
    parentPort!.postMessage({ failed: `${garment}, ${school}, seed ${seed}: ${error instanceof Error ? error.message : String(error)}` })
  }
})
