import { expose } from 'comlink'
import { manyJobs } from './many-jobs'

expose(manyJobs)
