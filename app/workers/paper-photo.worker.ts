import { expose } from 'comlink'
import { joinPhotos, readPhoto } from './read-photo'
import { scalePhoto } from './scale-photo'

expose({ scalePhoto, readPhoto, joinPhotos })
