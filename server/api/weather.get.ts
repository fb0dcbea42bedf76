import { getQuery, setResponseHeader, setResponseStatus } from 'h3'
import { chanceDevice } from '../devices/chance'
import { nowMs } from '../devices/clock'
import { weatherDevice } from '../devices/weatherService'
import { refused } from '../lib/refused'
import { route } from '../lib/route'
import { askedOver } from '../lib/workers'

const SLOW_MS = 6000
const CUT_SHARE = 0.37

/**
 * The simulated weather service. `?lat=…&lon=…` lists the stations near a point; `?station=…` gives one's daily
 * record, as JSON or, with `format=csv`, as a table. Its outages are switched at `/api/devices/weather`.
 */
export default route(async event => {
  const { outage } = weatherDevice.read()
  if (outage === 'down')
    throw refused(503, 'The weather service is down. Try again later, or load a record from a file.')
  if (outage === 'slow') await new Promise(done => setTimeout(done, SLOW_MS))
  const outside = { seed: chanceDevice.read().seed, atMs: nowMs() }
  const asked = getQuery(event)
  const { status, text } = await askedOver(event, 'weather', { outside, asked })
  setResponseStatus(event, status)
  setResponseHeader(event, 'content-type', 'application/json')
  if (status !== 200 || asked.format !== 'csv' || !('station' in asked)) return text
  setResponseHeader(event, 'content-type', 'text/csv; charset=utf-8')
  const { table } = JSON.parse(text) as { table: string }
  if (outage === 'garbled') return `<html><body>Gateway time-out</body></html>`
  return outage === 'cut-off' ? table.slice(0, Math.floor(table.length * CUT_SHARE)) : table
})
