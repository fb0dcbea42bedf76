import { z } from 'zod'
import { defineMove, freshId, Impossible } from './move'
import { pinName, readableAt } from '../site'

/** Writes down what was found on a line of the commissioning card; nothing wipes it. */
export const noteFound = defineMove({
  args: z.object({ line: z.string().max(200), value: z.number().optional(), well: z.boolean().optional() }),
  label: () => 'Write down what was found',
  apply(site, { line, value, well }) {
    const others = (site.found ?? []).filter(each => each.line !== line)
    const noted = { line, ...(value === undefined ? {} : { value }), ...(well === undefined ? {} : { well }) }
    site.found = value === undefined && well === undefined ? others : [...others, noted]
    if (!site.found.length) delete site.found
  },
})

/** Pins a reading to a tank, a tap, a joint, a pressure tank or a line. */
export const pinReading = defineMove({
  args: z.object({ at: z.string() }),
  label: ({ at }, site) => {
    const reads = readableAt(site, at)
    return reads ? `Pin “${pinName(site, { reads, at })}”` : 'Pin a reading'
  },
  apply(site, { at }) {
    const reads = readableAt(site, at)
    if (!reads)
      throw new Impossible('There is nothing to read there; pick a line, a tap, a joint, a tank or a pressure tank.')
    const pins = site.pins ?? []
    if (pins.some(pin => pin.at === at)) throw new Impossible(`“${pinName(site, { reads, at })}” is pinned already.`)
    if (pins.length >= 100) throw new Impossible('A hundred readings are the most that can be pinned.')
    site.pins = [...pins, { id: freshId(site, 'pin'), reads, at }]
  },
})

/** Keeps what a pinned reading should show, in SI; nothing takes it back. */
export const keepReading = defineMove({
  args: z.object({ pin: z.string(), shows: z.number().min(-1e4).max(1e6).optional() }),
  label: ({ shows }) => (shows === undefined ? 'Forget what it should show' : 'Keep what it should show'),
  apply(site, { pin: id, shows }) {
    const pin = site.pins?.find(each => each.id === id)
    if (!pin) throw new Impossible('That reading is no longer pinned.')
    if (shows === undefined) delete pin.shows
    else pin.shows = shows
  },
})

export const dropPin = defineMove({
  args: z.object({ pin: z.string() }),
  label: () => 'Take the pin out',
  apply(site, { pin: id }) {
    const others = site.pins?.filter(each => each.id !== id)
    if (others?.length) site.pins = others
    else delete site.pins
  },
})
