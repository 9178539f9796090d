import { readFile } from 'node:fs/promises'
import { problemSentence, type Problem } from '../../core/result'
import { writeLengths, type Ruler } from '../../core/units'

/** Bad input: a plain sentence on standard error, exit 1. */
export class BadInput extends Error {}

/** Hears a line for people; `status` where the command has not done all that it was asked for. */
export type Tell = (line: string, status?: 1) => void

export const sentence = (problem: Problem, ruler: Ruler = 'cm'): string => writeLengths(problemSentence(problem), ruler)

export async function readBytes(file: string): Promise<Uint8Array> {
  return readFile(file).catch((error: NodeJS.ErrnoException) => {
    throw new BadInput(error.code === 'ENOENT' ? `There is no file ${file}.` : `${file} cannot be read: ${error.message}.`)
  })
}
