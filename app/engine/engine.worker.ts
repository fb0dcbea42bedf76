import { expose, releaseProxy, transfer, type Remote } from 'comlink'
import { z } from 'zod'
import { files } from './faces/files'
import { logs } from './faces/logs'
import { section } from './faces/picture'
import { plants } from './faces/plants'
import { record } from './faces/record'
import { answerTo, QUESTION_ROWS, type ArgsOf, type QuestionName, type QuestionRow, type Tell } from '#core/questions'
import type { LogReading } from '#core/kinds'
import type { Site } from '#core/site'

z.config({ jitless: true })

/** The document as far as it was sent. A part that has not changed stays the very same: what is known of it holds. */
let held: Partial<Site> = {}

/** The columns of an answer, and of what it holds. */
const columnsIn = (answer: object): ArrayBufferLike[] =>
  Object.values(answer).flatMap((value: unknown) => {
    if (value instanceof Float64Array) return [value.buffer]
    return typeof value === 'object' && value !== null && !Array.isArray(value) ? columnsIn(value) : []
  })

/** Takes a part of an answer by its name. */
export type PutPart = (name: string, part: unknown) => void

/** What every thread does: it holds a document and is asked about it; and what keeps a state of its own. */
const face = {
  hold(parts: Partial<Site>): void {
    held = { ...held, ...parts }
  },
  /** The log from a line on; what stood there before is forgotten. */
  holdLog(from: number, lines: LogReading[]): void {
    held = { ...held, log: [...(held.log?.slice(0, from) ?? []), ...lines] }
  },
  async ask<Name extends QuestionName>(name: Name, args: ArgsOf<Name>, tell?: Tell) {
    const answer = await answerTo(name, held as Site, args, tell)
    const row: QuestionRow = QUESTION_ROWS[name]
    return row.handsOver ? transfer(answer as object, columnsIn(answer as object) as ArrayBuffer[]) : answer
  },
  /** Tells an answer part by part. */
  async askInParts<Name extends QuestionName>(name: Name, args: ArgsOf<Name>, put: Remote<PutPart>): Promise<void> {
    const answer = (await answerTo(name, held as Site, args)) as object
    for (const [part, value] of Object.entries(answer)) await put(part, value)
    put[releaseProxy]()
  },
  files,
  logs: logs(() => held as Site),
  plants,
  record,
  section,
}

export type EngineFace = typeof face
expose(face)
