import { defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { say } from '../../words'
import { graphOf, nameOf, type Site } from '../../site'
import { forIdsOf, takeOffVessels } from '../../build'

export const itemWithoutPrice = defineCheck({
  id: 'item-without-price',
  step: 'build',
  harms: 'cost',
  needs: ['site'],
  sound: 'Everything on the list has a price, or a guess of one',
  find: ({ site }) =>
    takeOffVessels(site).flatMap((item): Finding[] => {
      const of = item.price === undefined ? subjectOf(site, forIdsOf(item)[0]!) : undefined
      if (!of) return []
      return [
        {
          id: `item-without-price:${item.id}`,
          check: 'item-without-price',
          severity: 'look',
          subject: of,
          sentence: [
            ...say`Nobody has said what this costs, and it cannot be guessed: ${item.what}, `,
            ...item.size,
            '.',
          ],
          why: say`The sum at Build leaves it out, so that the plan looks cheaper than it is. Ask who makes it, and type the
            price in the list.`,
          numbers: { count: item.count },
        },
      ]
    }),
})
function subjectOf(site: Site, id: string): Finding['subject'] | undefined {
  const node = graphOf(site).node(id)
  if (node) return nodeSubject({ id, name: nameOf(site, id) })
  const run = graphOf(site).run(id)
  return run && subjectOfRun(site, run)
}
