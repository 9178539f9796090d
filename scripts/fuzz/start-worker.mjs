// A worker thread does not inherit the reading of TypeScript from the process that starts it.
import { register } from 'tsx/esm/api'

register()
await import('./worker.ts')
