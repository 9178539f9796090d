import { availableParallelism } from 'node:os'
import program from '#many-worker'
import { Batches } from '../many/batches'
import { Crew } from '../many/crew'

/** The batches of this server: one core stays free for pages. */
export const batches = new Batches(new Crew(() => program, availableParallelism() - 1))
