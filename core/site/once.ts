import { isDraft } from 'immer'
import type { Site } from './schema'

type Laid = Pick<Site, 'nodes' | 'runs'>

/**
 * What is worked out from what stands and how it is joined, once a document: nodes and runs never change once made,
 * and every reader asks again. A draft that a move is changing is read as it stands.
 */
export function onceLaid<Document extends Laid, Answer>(
  workOut: (site: Document) => Answer,
): (site: Document) => Answer {
  const known = new WeakMap<object, { runs: Site['runs']; answer: Answer }>()
  return site => {
    if (isDraft(site) || isDraft(site.nodes)) return workOut(site)
    const last = known.get(site.nodes)
    if (last?.runs === site.runs) return last.answer
    const answer = workOut(site)
    known.set(site.nodes, { runs: site.runs, answer })
    return answer
  }
}

/** The same for a question about one thing of the document, a tank or a spout by its id: once for each. */
export function onceEach<Thing, Answer>(
  workOut: (site: Site, thing: Thing) => Answer,
): (site: Site, thing: Thing) => Answer {
  const answers = onceLaid((_site: Site) => new Map<Thing, Answer>())
  return (site, thing) => {
    const known = answers(site)
    const answer = known.get(thing) ?? workOut(site, thing)
    known.set(thing, answer)
    return answer
  }
}
