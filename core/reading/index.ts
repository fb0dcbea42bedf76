export { spellsFrom } from './spells'
export { readingOf, type Reading } from './reading'
