export { findWriting, type Writing } from './find-writing'
export { drawWriting, stack, type Drawn, type GreyPicture } from './draw-writing'
export { readWriting, type ReadLine, type ReadWriting, type WordReader } from './read-writing'
export { greyFile } from './grey-file'
