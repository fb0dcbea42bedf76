export { readingOf, type Reading } from './reading'
