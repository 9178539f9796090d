import { expose } from 'comlink'

// One program for all that is worked out beside the page: what the kinds of work share is built, kept and compiled once.
const kinds = {
  fold: async () => (await import('./desk')).makeDesk(),
  many: async () => (await import('./many-jobs')).manyJobs,
  import: async () => (await import('./import-jobs')).importJobs,
  photo: async () => ({ scalePhoto: (await import('./scale-photo')).scalePhoto }),
  'paper-photo': async () => {
    const [{ scalePhoto }, { readPhoto, joinPhotos }] = await Promise.all([import('./scale-photo'), import('./read-photo')])
    return { scalePhoto, readPhoto, joinPhotos }
  },
  cloth: async () => (await import('./lay-jobs')).layJobs,
}
export type WorkerKind = keyof typeof kinds

// What the page asks for before that part is there is given to it then.
const early: MessageEvent[] = []
const keep = (event: MessageEvent) => void early.push(event)
addEventListener('message', keep)
kinds[self.name as WorkerKind]().then((jobs) => {
  removeEventListener('message', keep)
  expose(jobs)
  for (const { data, ports } of early) dispatchEvent(new MessageEvent('message', { data, ports: [...ports] }))
  // Told to the page as a script that failed is.
}, reportError)
