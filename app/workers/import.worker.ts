import { expose } from 'comlink'
import { importJobs } from './import-jobs'

expose(importJobs)
