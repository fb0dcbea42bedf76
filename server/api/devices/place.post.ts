import { setResponseStatus } from 'h3'
import { handedOver } from '../../lib/workers'
import { route } from '../../lib/route'
import { dayOfPlaces, putUp, type StandsAt } from '../../devices/place'

/** Puts the stand-ins for devices up at a site, which the body holds: from then on they tell what happens there. */
export default route(async event => {
  const { status, text } = await handedOver(event, 'lived', body => `{"onDay":${dayOfPlaces()},"asked":${body}}`)
  const answer = JSON.parse(text) as StandsAt
  if (status === 200) putUp(answer)
  setResponseStatus(event, status)
  return status === 200 ? { site: answer.site } : answer
})
