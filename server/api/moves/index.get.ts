import { defineEventHandler } from 'h3'
import { listedMoves } from '#core/moves'

let listed: ReturnType<typeof listedMoves> | undefined

/** Every move there is, each with what it takes as JSON Schema. */
export default defineEventHandler(() => (listed ??= listedMoves()))
