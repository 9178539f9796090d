import { expose } from 'comlink'
import { scalePhoto } from './scale-photo'

expose({ scalePhoto })
