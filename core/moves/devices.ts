import { z } from 'zod'
import { logLines } from './log'
import { defineMove, Impossible } from './move'
import { freeId, idsOf } from '../site'
import { DEVICE_KIND_IDS, DEVICE_KINDS } from '../kinds'

/** A device that tells readings by itself, at the address where it is asked. */
export const addDevice = defineMove({
  args: z.object({
    kind: z.enum(DEVICE_KIND_IDS),
    address: z.string().max(500),
    name: z.string().max(200).optional(),
    subject: z.string().max(200).optional(),
  }),
  label: ({ kind }) => `Add a ${DEVICE_KINDS[kind].name}`,
  apply(site, { kind, address, name, subject }) {
    const { name: usual, everyMinutes } = DEVICE_KINDS[kind]
    // What another told before it was taken out stays that one's own.
    const sources = logLines(site).flatMap(({ source }) => (source === undefined ? [] : [source]))
    const id = freeId(new Set([...idsOf(site), ...sources]), `device-${kind}`, 1)
    const device = { id, kind, name: name ?? usual, address, everyMinutes }
    site.devices = [...(site.devices ?? []), { ...device, ...(subject ? { subject } : {}) }]
  },
})

/** Another name, address, place, height or rhythm for a device; a height of nothing takes it away. */
export const changeDevice = defineMove({
  args: z.object({
    device: z.string(),
    name: z.string().min(1).max(200).optional(),
    address: z.string().max(500).optional(),
    subject: z.string().max(200).optional(),
    everyMinutes: z.number().min(1).max(44_640).optional(),
    hangsAtM: z.number().min(0).max(60).optional(),
  }),
  label: () => 'Change a device',
  apply(site, { device: id, hangsAtM, ...change }) {
    const device = site.devices?.find(each => each.id === id)
    if (!device) throw new Impossible('That device is no longer here.')
    Object.assign(device, Object.fromEntries(Object.entries(change).filter(([, value]) => value !== undefined)))
    if (hangsAtM === 0) delete device.hangsAtM
    else if (hangsAtM !== undefined) device.hangsAtM = hangsAtM
  },
})

/** Takes a device out; what it told stays in the log. */
export const dropDevice = defineMove({
  args: z.object({ device: z.string() }),
  label: () => 'Take a device out',
  apply(site, { device: id }) {
    const others = site.devices?.filter(each => each.id !== id)
    if (others?.length) site.devices = others
    else delete site.devices
  },
})
