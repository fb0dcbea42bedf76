import { sum } from 'd3-array'
import { defineCheck, type Finding, type Mend } from './finding'
import { listed, percent, say } from '../words'
import { lineFrom, nameOf, spoutAreaM2, tanksOf, type Roof, type Site } from '../site'
import { moveOf } from '../moves'

export const roofWithoutSpout = defineCheck({
  id: 'roof-without-spout',
  step: 'catch',
  harms: 'loss',
  needs: ['site', 'lines'],
  sound: 'Every roof has a spout that leads to a tank',
  find: ({ site, lines }) =>
    site.roofs.flatMap((roof): Finding[] => {
      if (!roof.spouts.length) {
        return [
          {
            id: `roof-without-spout:${roof.id}`,
            check: 'roof-without-spout',
            severity: 'wrong',
            subject: { kind: 'roof', id: roof.id, name: roof.name },
            sentence: say`${roof.name} gives nothing: no spout leads its water anywhere.`,
            why: say`Its gutter needs at least one spout with a line to a tank.`,
            numbers: { spouts: 0 },
            mend: { label: 'Add a spout to the tank', move: moveOf('addSpout', { roof: roof.id }) },
          },
        ]
      }
      const stray = roof.spouts.filter(spout => !lines.some(line => line.spout.id === spout.nodeId))
      const lost = sum(stray, spout => spout.share)
      return lost > 0.001
        ? [
            {
              id: `spout-to-nowhere:${roof.id}`,
              check: 'roof-without-spout',
              severity: 'look',
              subject: { kind: 'roof', id: roof.id, name: roof.name },
              sentence: say`${percent(lost)} of ${roof.name} never reaches a tank.`,
              why: say`${listed(stray.map(({ nodeId }) => nameOf(site, nodeId)))} ${stray.length > 1 ? 'lead' : 'leads'}
                to no tank.`,
              numbers: { lostShare: lost },
              ...leadings(site, stray),
            },
          ]
        : []
    }),
})

const MOST_OFFERED = 3

/** What brings a stray spout's water to a tank: the shut valve on its way opened, or its line led there. */
function leading(site: Site, spoutId: string): Mend | undefined {
  const line = lineFrom(site, spoutId)
  const shut = line.flatMap(run => run.parts).find(part => part.kind === 'valve' && !part.open)
  if (shut) return { label: 'Open the valve', move: moveOf('turnValve', { part: shut.id, open: true }) }
  const tank = tanksOf(site).find(({ id, ports }) => id !== line.at(-1)?.to.node && ports.some(isInlet))
  return (
    tank && {
      label: `Lead ${nameOf(site, spoutId)} to ${tank.name}`,
      move: moveOf('leadSpout', { spout: spoutId, to: tank.id }),
    }
  )
}
const isInlet = ({ role }: { role: string }) => role === 'inlet'

/** The first of them to press, the others to choose from. */
function leadings(site: Site, stray: Roof['spouts']): Pick<Finding, 'mend' | 'answers'> {
  const [mend, ...answers] = stray.slice(0, MOST_OFFERED).flatMap(({ nodeId }) => leading(site, nodeId) ?? [])
  return { mend, answers }
}

export const sharesOff = defineCheck({
  id: 'shares-off',
  step: 'catch',
  harms: 'loss',
  needs: ['site'],
  sound: 'The spouts’ shares of each roof add up',
  find: ({ site }) =>
    site.roofs
      .filter(roof => roof.spouts.length)
      .flatMap(roof => {
        const sum = roof.spouts.reduce((total, spout) => total + spout.share, 0)
        if (Math.abs(sum - 1) < 0.005) return []
        return [
          {
            id: `shares-off:${roof.id}`,
            check: 'shares-off',
            severity: sum > 1 ? 'wrong' : 'look',
            subject: { kind: 'roof', id: roof.id, name: roof.name },
            sentence:
              sum > 1
                ? say`${roof.name} gives out more water than falls on it.`
                : say`${percent(1 - sum)} of ${roof.name} drains to no spout.`,
            why: say`The shares of its spouts come to ${percent(sum)}; they must make 100 %.`,
            numbers: { sum },
            answers: [{ label: 'Make them add up', move: moveOf('evenShares', { roof: roof.id }) }],
          },
        ]
      }),
})

export const spoutWithoutShare = defineCheck({
  id: 'spout-without-share',
  step: 'catch',
  harms: 'loss',
  follows: ['roof-without-spout'],
  needs: ['site'],
  sound: 'Every spout has a share of a gutter',
  find: ({ site }) =>
    site.nodes
      .filter(node => node.kind === 'spout')
      .filter(spout => spoutAreaM2(site, spout.id) === 0)
      .map((spout): Finding => ({
        id: `spout-without-share:${spout.id}`,
        check: 'spout-without-share',
        severity: 'look',
        subject: { kind: 'node', id: spout.id, name: spout.name },
        sentence: say`${spout.name} hangs dry: no gutter leads to it.`,
        why: say`None of the ${site.roofs.length} roofs gives it a share.`,
        numbers: { roofs: site.roofs.length },
        mend: site.roofs.length
          ? {
              label: `Give it a share of ${site.roofs[0]!.name}`,
              move: moveOf('giveShare', { spout: spout.id, roof: site.roofs[0]!.id }),
            }
          : { label: 'Take it out', move: moveOf('remove', { id: spout.id }) },
      })),
})
