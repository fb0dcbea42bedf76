import type { Site } from '#core/site'
import type { DeviceKind } from '#core/kinds'

/** The stand-ins for devices that ship with the app: where they are asked, and what they can be made to do. */
const PATH = /^\/api\/devices\/([a-z]+)\/readings\?/

/** The address of a stand-in that stands somewhere in a site. */
export function standInAddress(site: Site, kind: DeviceKind, of: string | undefined): string {
  const query = new URLSearchParams({ site: site.id, ...(of ? { of } : {}) })
  return `/api/devices/${kind}/readings?${query.toString()}`
}
/** Which stand-in an address asks; none where it is a real one. */
export const standInOf = (address: string): string | undefined => PATH.exec(address)?.[1]

const post = (path: string, body: string): Promise<Response> =>
  fetch(path, { method: 'POST', headers: { 'content-type': 'application/json' }, body })
/** Puts the stand-ins up at a site, without what is no part of the plan. */
export async function putUpStandIn({ log: _log, build: _build, ...site }: Site): Promise<boolean> {
  return (await post('/api/devices/place', JSON.stringify({ site }))).ok
}

/** What a stand-in can be made to do, in words. */
export const FAILURE_CHOICES = [
  { value: 'none', name: 'works' },
  { value: 'gone', name: 'does not answer' },
  { value: 'garbled', name: 'answers nonsense' },
  { value: 'silent', name: 'has fallen silent' },
  { value: 'stuck', name: 'is stuck' },
  { value: 'spikes', name: 'tells spikes' },
  { value: 'drift', name: 'drifts' },
  { value: 'wrong-unit', name: 'tells another unit' },
  { value: 'clock-off', name: 'has a wrong clock' },
  { value: 'out-of-order', name: 'tells out of order' },
  { value: 'twice', name: 'tells all twice' },
] as const
export type Failure = (typeof FAILURE_CHOICES)[number]['value']

/** How a stand-in does at present; works where nobody can say. */
export async function failureOf(standIn: string): Promise<Failure> {
  const answer = await fetch(`/api/devices/${standIn}`).catch(() => undefined)
  return answer?.ok ? ((await answer.json()) as { failure: Failure }).failure : 'none'
}
export const setFailure = (standIn: string, failure: Failure): Promise<Response> =>
  post(`/api/devices/${standIn}`, JSON.stringify({ failure }))
