import { expose } from 'comlink'
import { makeDesk } from './desk'

expose(makeDesk())
