import { defineCheck, type Finding } from './finding'
import { percent, say } from '../words'
import { spoutAreaM2 } from '../site'
import { moveOf } from '../moves'

export const roofWithoutSpout = defineCheck({
  id: 'roof-without-spout',
  step: 'catch',
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
      const lost = roof.spouts
        .filter(spout => !lines.some(line => line.spout.id === spout.nodeId))
        .reduce((sum, spout) => sum + spout.share, 0)
      return lost > 0.001
        ? [
            {
              id: `spout-to-nowhere:${roof.id}`,
              check: 'roof-without-spout',
              severity: 'look',
              subject: { kind: 'roof', id: roof.id, name: roof.name },
              sentence: say`${percent(lost)} of ${roof.name} never reaches a tank.`,
              why: say`A spout of it leads to the ground or stops at a shut valve.`,
              numbers: { lostShare: lost },
            },
          ]
        : []
    }),
})

export const sharesOff = defineCheck({
  id: 'shares-off',
  step: 'catch',
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
            mend: { label: 'Make them add up', move: moveOf('evenShares', { roof: roof.id }) },
          },
        ]
      }),
})

export const spoutWithoutShare = defineCheck({
  id: 'spout-without-share',
  step: 'catch',
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
