/** Reads sites that were kept by an earlier version. */
export { readSite } from '#core/site'
