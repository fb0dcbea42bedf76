import { LINE_FAULTS } from './faultyLines'
import { build, put } from './sites'
import { moveOf, setField, standInClimate } from '../core/moves'
import { lineFrom, type Site } from '../core/site'
import { set, portField, pipeOf, linkOf, without, gutter, thirstyHerd } from './soundSite'

/** For each check, how a sound site comes to fail it. */
export const FAULTS: Record<string, (site: Site) => Site> = {
  'weather-assumed': site => build(site, setField('site', '', 'climate.assumed', ['temperatures', 'wetDays'])),
  'months-crossed': site => build(site, put(['climate', 'months', 0, 'tMinC'], 40)),
  'roof-without-spout': site => build(site, moveOf('remove', { id: 'spout-1' })),
  'shares-off': site => build(site, put(['roofs', 0, 'spouts', 0, 'share'], 0.6)),
  'fed-from-below': site => build(site, moveOf('setHeight', { node: 'tank-1', baseM: 1.5 })),
  'no-first-flush': site => build(site, moveOf('takeOutChamber', { chamber: 'chamber-1' })),
  'chamber-stays-full': site => build(site, set(site, 'chamber-1', 'orificeMm', null)),
  'no-overflow': site => build(site, moveOf('remove', { id: 'outfall-1' })),
  'overflow-too-small': site => build(site, moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm: 50 })),
  'overflow-above-inlet': site => build(site, moveOf('setPort', { tank: 'tank-1', port: 'inlet', heightM: 1.4 })),
  'rims-differ': site => build(site, moveOf('setHeight', { node: 'tank-2', baseM: 0.4 })),
  'joins-nothing': site => build(site, moveOf('setHeight', { node: 'tank-2', baseM: 4 })),
  'link-without-valve': site => without(site, part => part.kind === 'valve'),
  'no-vent': site => build(site, set(site, 'tank-1', 'ventMm', 0)),
  'light-in-sun': site => build(site, set(site, 'tank-2', 'lightTight', false)),
  'base-ragged': site => build(site, set(site, 'tank-2', 'baseRagged', true)),
  'bare-soil': site => build(site, set(site, 'tank-2', 'base', 'bare-soil')),
  'use-without-supply': site => build(site, moveOf('setHeight', { node: site.uses[1]!.at, baseM: 4 })),
  'asks-more-than-comes': site => build(site, moveOf('addUse', { preset: 'cattle', count: 30 })),
  'untreated-drinking': site => without(site, part => part.kind === 'lamp'),
  'roof-unfit': site => build(site, put(['roofs', 0, 'material'], 'asphalt-shingle')),
  'storm-missing': site => build(site, put(['climate', 'storm'], { minutes: 5 })),
  'spout-without-share': site =>
    build(site, moveOf('addSpout', { roof: 'roof-1' }), put(['roofs', 0, 'spouts'], [{ nodeId: 'spout-1', share: 1 }])),
  'gutter-unknown': site => build(site, put(['roofs', 0, 'spouts', 0, 'gutter'], undefined)),
  'gutter-too-small': site => build(site, gutter({ profile: 'half-round', widthMm: 75 })),
  'downpipe-too-small': site => build(site, set(site, 'spout-1', 'boreMm', 40)),
  'spill-over-door': site => build(site, gutter({ profile: 'half-round', widthMm: 75, below: 'door' })),
  'line-climbs': site => {
    const dipped = build(site, moveOf('dipLine', { spout: 'spout-1', lowM: 0.2 }))
    return build(dipped, moveOf('setHeight', { node: 'joint-2', baseM: 4 }))
  },
  'line-too-slow': site =>
    build(site, moveOf('setBore', { runs: lineFrom(site, 'spout-1').map(run => run.id), boreMm: 25 })),
  'wet-line-undrained': site => {
    const dipped = build(site, moveOf('dipLine', { spout: 'spout-1', lowM: -0.4 }))
    return build(dipped, moveOf('remove', { id: dipped.nodes.at(-1)!.id }))
  },
  'wet-line-freezes': site => ({
    ...build(site, moveOf('dipLine', { spout: 'spout-1', lowM: -0.4 })),
    climate: standInClimate('cold-upland'),
  }),
  'unequal-join': site => {
    const joined = build(
      site,
      moveOf('addSpout', { roof: 'roof-1' }),
      moveOf('joinSpouts', { spout: 'spout-2', into: 'spout-1' }),
    )
    return build(joined, moveOf('setBore', { runs: [lineFrom(joined, 'spout-2')[0]!.id], boreMm: 25 }))
  },
  'mosquito-mesh': site => without(site, part => part.kind === 'screen'),
  'chamber-too-small': site => build(site, set(site, 'chamber-1', 'wantedMm', 2)),
  'outlet-too-slow': site => build(site, set(site, 'chamber-1', 'orificeMm', 0.3)),
  'outlet-wasteful': site => build(site, set(site, 'chamber-1', 'orificeMm', 3)),
  'chamber-not-cleanable': site => build(site, set(site, 'chamber-1', 'cleanable', false)),
  'bypass-in-filling': site =>
    build(
      { ...site, climate: standInClimate('dry-summer-hill') },
      moveOf('setBypass', { spout: 'spout-1', months: [11, 12] }),
    ),
  'shared-overflow': site => build(site, moveOf('setHeight', { node: 'tank-2', baseM: 0.15 - 0.5 })),
  'overflow-below-storm': site =>
    build(site, moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm: 50, heightM: 1.86 })),
  'overflow-siphons': site => build(site, portField(site, 'tank-1', 'overflow', 'ending', 'skimming')),
  'overflow-open': site => build(site, portField(site, 'tank-1', 'overflow', 'ending', 'plain')),
  'inlet-siphons': site => build(site, moveOf('setInlet', { tank: 'tank-1', style: 'calmed', airHole: false })),
  'overflow-harms': site => build(site, moveOf('leadTo', { outfall: 'outfall-1', near: 'footing' })),
  'soakaway-fails': site =>
    build(
      site,
      moveOf('leadTo', {
        outfall: 'outfall-1',
        to: 'soakaway',
        soil: 'sand',
        pit: { lengthM: 0.5, widthM: 0.5, depthM: 0.5, voidShare: 0.4 },
      }),
    ),
  'link-too-slow': site => build(site, moveOf('widenLink', { run: linkOf(site).id, boreMm: 12 })),
  'no-spare': site => ({
    ...site,
    nodes: site.nodes.map(node =>
      node.kind === 'tank' ? { ...node, ports: node.ports.filter(port => !port.spare) } : node,
    ),
  }),
  'drain-missing': site => ({
    ...site,
    nodes: site.nodes.map(node =>
      node.kind === 'tank'
        ? { ...node, ports: node.ports.map(port => (port.heightM < 0.15 ? { ...port, heightM: 0.3 } : port)) }
        : node,
    ),
  }),
  'float-missing': site => {
    const stepped = build(site, moveOf('addTank', { kind: 'upright', how: 'stepped', to: 'tank-1' }))
    return without(stepped, part => part.kind === 'float')
  },
  'feeder-too-low': site => {
    const small = build(site, moveOf('addTank', { kind: 'pump', how: 'pump', to: 'tank-1' }))
    return build(small, moveOf('setHeight', { node: 'tank-3', baseM: 2.5 }))
  },
  'supply-unfitted': site => ({
    ...site,
    runs: site.runs.map(run =>
      run.from.port === 'outlet' ? { ...run, parts: run.parts.filter(part => part.kind !== 'valve') } : run,
    ),
  }),
  'drawn-from-floor': site =>
    build(site, ...['tank-1', 'tank-2'].map(tank => moveOf('setPort', { tank, port: 'outlet', heightM: 0.01 }))),
  'intake-fouls': site =>
    build(
      site,
      ...['tank-1', 'tank-2'].map(tank => moveOf('floatDrawOff', { tank, port: 'outlet', hoseM: 1, stopM: 0 })),
    ),
  'top-up-too-low': site =>
    build(
      site,
      moveOf('addSource', { kind: 'well', tank: 'tank-1' }),
      moveOf('setTrigger', { source: 'well-1', startShare: 0.01 }),
    ),
  'top-up-too-high': site =>
    build(
      site,
      moveOf('addSource', { kind: 'main', tank: 'tank-1' }),
      moveOf('setTrigger', { source: 'main-1', startShare: 0.9 }),
    ),
  'reserve-not-kept': site => build(site, set(site, 'tank-1', 'reserveL', 2500)),
  'vent-too-small': site => build(site, set(site, 'tank-1', 'ventMm', 25)),
  'base-over-soil': site => build(site, set(site, 'tank-1', 'soil', 'fill')),
  'stand-unsound': site => {
    const raised = build(site, moveOf('standOn', { tank: 'tank-1', base: 'stand' }))
    return build(raised, set(raised, 'tank-1', 'stand', { posts: 4, footingAreaM2: 0.2, braced: false }))
  },
  'stand-for-engineer': site => build(site, moveOf('standOn', { tank: 'tank-1', base: 'stand', heightM: 3 })),
  'spills-more-than-keeps': site =>
    build(
      site,
      ...['tank-1', 'tank-2'].map(tank => moveOf('setKind', { tank, kind: 'drum' })),
      moveOf('addUse', { preset: 'sheep', count: 40 }),
    ),
  'never-fills': site =>
    build(
      { ...site, climate: standInClimate('dry-summer-hill') },
      moveOf('setKind', { tank: 'tank-1', kind: 'steel', volumeL: 90000 }),
      moveOf('levelRims', { tanks: ['tank-1', 'tank-2'] }),
      moveOf('addUse', { preset: 'cattle', count: 3 }),
    ),
  'zone-over-flow': site => {
    const dripped = build(site, moveOf('fitDrip', { use: 'use-2', mostLph: 60 }))
    return build(dripped, put(['uses', 1, 'amount', 'drip', 'zones'], 1))
  },
  'drip-short': site => {
    const dripped = build(site, moveOf('fitDrip', { use: 'use-2' }))
    return build(dripped, put(['uses', 1, 'amount', 'drip', 'minutesPerRun'], 2))
  },
  'fails-more-than-accepted': site => build(thirstyHerd(site), put(['uses', 2, 'acceptShortDays'], 3)),
  'short-too-often': site => thirstyHerd(site),
  'dead-water': site => build(site, moveOf('setPort', { tank: 'tank-2', port: 'outlet', heightM: 0.7 })),
  'overflow-cannot-run': site => build(site, moveOf('setHeight', { node: 'outfall-1', baseM: 5 })),
  'outfall-in-the-ground': site => build(site, moveOf('setHeight', { node: 'outfall-1', baseM: -1 })),
  'overflow-ring': site => {
    const second = build(site, moveOf('addTank', { kind: 'upright', how: 'spill', to: 'tank-1' }))
    const round = build(second, moveOf('leadOverflow', { tank: 'tank-3', to: 'tank-1' }))
    return build(round, moveOf('setHeight', { node: 'tank-3', baseM: 0.15 }))
  },
  'soakaway-unsaid': site => build(site, set(site, 'outfall-1', 'to', 'soakaway')),
  'tank-off-its-base': site => build(site, moveOf('setHeight', { node: 'tank-2', baseM: -3 })),
  'wall-not-for-earth': site => build(site, moveOf('standOn', { tank: 'tank-1', base: 'buried' })),
  'tank-floats': site => build(site, moveOf('standOn', { tank: 'tank-2', base: 'buried' })),
  'tank-freezes': site => ({ ...site, climate: standInClimate('cold-upland') }),
  'line-freezes': site => ({ ...site, climate: standInClimate('cold-upland') }),
  'line-too-short': site => build(site, setField('part', pipeOf(site, 'spout-1').id, 'lengthM', 0.05)),
  ...LINE_FAULTS,
}
