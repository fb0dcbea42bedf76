import { endHeightM } from '../balance'
import { FLUSH_SCHOOLS } from '../catalog'
import { firstFlushVolume } from '../sums'
import { moveOf, spoutAreaM2 } from '../site'
import type { Check, Finding } from './finding'
import { length, percent, say, volume } from './phrase'

const FALL_M = 0.02

export const fedFromBelow: Check = {
  id: 'fed-from-below',
  sound: 'Every roof stands above the inlet it feeds',
  find: ({ site, lines }) => lines.flatMap(({ spout, path, tank }) => {
    const inletM = endHeightM(site, path)
    const shortM = inletM + FALL_M - spout.baseM
    if (shortM <= 0) return []
    return [{
      id: `fed-from-below:${spout.id}`, check: 'fed-from-below', severity: 'wrong', subject: { kind: 'node' as const, id: spout.id, name: spout.name },
      sentence: say`Water will not run from ${spout.name} into ${tank.name}: the inlet is higher than the gutter’s outlet.`,
      why: say`The outlet stands at ${length(spout.baseM)}, the inlet at ${length(inletM)} above the datum.`,
      numbers: { spoutM: spout.baseM, inletM },
      mend: { label: 'Lower the tank until it runs', move: moveOf('setHeight', { node: tank.id, baseM: Math.round((tank.baseM - shortM - 0.1) * 100) / 100 }) },
    }]
  }),
}

export const noFirstFlush: Check = {
  id: 'no-first-flush',
  sound: 'Every roof’s first rain is kept out',
  find: ({ site, lines }) => lines.filter(({ path, spout }) => !path.chamber && spoutAreaM2(site, spout.id) > 0).map(({ spout, tank }) => {
    const input = { planAreaM2: spoutAreaM2(site, spout.id), depthMm: FLUSH_SCHOOLS.middle.depthMm }
    const { volumeL } = firstFlushVolume(input)
    return {
      id: `no-first-flush:${spout.id}`, check: 'no-first-flush', severity: 'look' as const, subject: { kind: 'node' as const, id: spout.id, name: spout.name },
      sentence: say`The dirtiest water of every rain goes straight into ${tank.name}.`,
      why: say`${spout.name} has no first-flush chamber. Keeping back ${{ value: input.depthMm, kind: 'rain' }} takes ${volume(volumeL)}; leave it out only where nobody would clean it.`,
      numbers: { volumeL }, sum: { name: 'first-flush-volume', input },
      mend: { label: 'Fit a first-flush chamber', move: moveOf('fitFirstFlush', { spout: spout.id }) },
    }
  }),
}

export const chamberStaysFull: Check = {
  id: 'chamber-stays-full',
  sound: 'Every first-flush chamber empties between rains',
  find: ({ site }) => site.nodes.filter(node => node.kind === 'chamber').filter(chamber => chamber.orificeMm === null && chamber.emptiedEveryDays === null).map(chamber => ({
    id: `chamber-stays-full:${chamber.id}`, check: 'chamber-stays-full', severity: 'wrong', subject: { kind: 'node', id: chamber.id, name: chamber.name },
    sentence: say`${chamber.name} stays full after the first rain, so every later rain goes in dirty.`,
    why: say`It has no outlet, and nobody is down to empty it. Foul water standing in it is worse than no chamber.`,
    numbers: {},
    mend: { label: 'Fit a small outlet', move: moveOf('fitChamberOutlet', { chamber: chamber.id }) },
  })),
}

export const roofWithoutSpout: Check = {
  id: 'roof-without-spout',
  sound: 'Every roof has a spout that leads to a tank',
  find: ({ site, lines }) => site.roofs.flatMap((roof): Finding[] => {
    if (!roof.spouts.length) {
      return [{
        id: `roof-without-spout:${roof.id}`, check: 'roof-without-spout', severity: 'wrong', subject: { kind: 'roof', id: roof.id, name: roof.name },
        sentence: say`${roof.name} gives nothing: no spout leads its water anywhere.`, why: say`Its gutter needs at least one spout with a line to a tank.`, numbers: { spouts: 0 },
        mend: { label: 'Add a spout to the tank', move: moveOf('addSpout', { roof: roof.id }) },
      }]
    }
    const lost = roof.spouts.filter(spout => !lines.some(line => line.spout.id === spout.nodeId)).reduce((sum, spout) => sum + spout.share, 0)
    return lost > 0.001
      ? [{
          id: `spout-to-nowhere:${roof.id}`, check: 'roof-without-spout', severity: 'look', subject: { kind: 'roof', id: roof.id, name: roof.name },
          sentence: say`${percent(lost)} of ${roof.name} never reaches a tank.`, why: say`A spout of it leads to the ground or stops at a shut valve.`, numbers: { lostShare: lost },
        }]
      : []
  }),
}

export const sharesOff: Check = {
  id: 'shares-off',
  sound: 'The spouts’ shares of each roof add up',
  find: ({ site }) => site.roofs.filter(roof => roof.spouts.length).flatMap((roof) => {
    const sum = roof.spouts.reduce((total, spout) => total + spout.share, 0)
    if (Math.abs(sum - 1) < 0.005) return []
    return [{
      id: `shares-off:${roof.id}`, check: 'shares-off', severity: sum > 1 ? 'wrong' : 'look', subject: { kind: 'roof', id: roof.id, name: roof.name },
      sentence: sum > 1 ? say`${roof.name} gives out more water than falls on it.` : say`${percent(1 - sum)} of ${roof.name} drains to no spout.`,
      why: say`The shares of its spouts come to ${percent(sum)}; they must make 100 %.`, numbers: { sum },
      mend: { label: 'Make them add up', move: moveOf('evenShares', { roof: roof.id }) },
    }]
  }),
}
