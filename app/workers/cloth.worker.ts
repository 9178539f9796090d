import { expose } from 'comlink'
import { layJobs } from './lay-jobs'

expose(layJobs)
