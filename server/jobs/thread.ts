/** What a thread runs; it is bundled into one file of its own, beside the server. */
export { answerOf as default } from './jobs'
