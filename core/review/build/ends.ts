import { defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { length, say, type Phrase } from '../../words'
import { moveOf, setField } from '../../moves'
import { graphOf, nameOf, portId, runName, tanksOf, type Run, type Site } from '../../site'
import { closedLoops, holesOf, mainPipe, MATERIALS, portChains, sizeOf } from '../../build'
import { boreMm } from '../../network'
import { endWords } from '../../catalog'
import { rowOf } from '../../kinds'

export const endsDoNotMeet = defineCheck({
  id: 'ends-do-not-meet',
  step: 'build',
  harms: 'season',
  needs: ['site'],
  sound: 'Every tank’s own end comes to its line’s pipe',
  find: ({ site }) =>
    portChains(site).flatMap(({ none, tankId, port, runId, from, at }): Finding[] => {
      if (!none) return []
      const tank = tanksOf(site).find(({ id }) => id === tankId)!
      const run = graphOf(site).run(runId)!
      return [
        {
          id: `ends-do-not-meet:${at}`,
          check: 'ends-do-not-meet',
          severity: 'wrong',
          subject: nodeSubject(tank),
          sentence: say`No adapters bring the ${endWords(from)} of ${tank.name} to ${sizeOf(mainPipe(site, run))} pipe.`,
          why: say`Nobody sells what would stand between. People change the valve for one with a thread, or cut a hole of
            their own beside it.`,
          numbers: { adapters: 0 },
          mend: { label: 'Cut a hole for a bulkhead', move: setField('port', portId(tankId, port), 'end', undefined) },
        },
      ]
    }),
})

/** What turning it round the wall mends. */
const BY_BEARING = ['too near', 'on a seam', 'within reach', 'in the way']
/** What the order of work sees to, or another finding tells. */
const LEFT_TO_WORK = ['no arm reaches', 'the overflow is to lie']
export const holeFaults = defineCheck({
  id: 'hole-amiss',
  step: 'build',
  harms: 'season',
  needs: ['site'],
  sound: 'Every hole has its own place in the wall',
  find: ({ site }) =>
    holesOf(site).flatMap((hole): Finding[] => {
      const words = hole.faults.find(each => !LEFT_TO_WORK.some(begins => each.startsWith(begins)))
      const tank = tanksOf(site).find(({ id }) => id === hole.tankId)!
      // What nobody has placed yet stands where it was guessed, and can be moved.
      if (!words || (hole.guessed && BY_BEARING.some(begins => words.startsWith(begins)))) return []
      return [
        {
          id: `hole-amiss:${hole.id}`,
          check: 'hole-amiss',
          severity: 'look',
          subject: nodeSubject(tank),
          sentence: say`The hole for the ${hole.words} of ${tank.name} is ill placed: ${words}.`,
          why: say`It is sawn ${length(hole.sawMm / 1000)} wide, ${length(hole.heightM)} above the floor. A wall between two
            holes that is too thin tears, and a ring at an edge does not seal.`,
          numbers: { sawMm: hole.sawMm, heightM: hole.heightM },
        },
      ]
    }),
})

const unionIn = (run: Run, before?: string) =>
  moveOf('insertPart', { run: run.id, ...(before ? { before } : {}), part: { kind: 'union', boreMm: boreMm(run) } })
const toUnion = (site: Site, run: Run): Phrase => say`Fit a union in “${runName(site, run)}”`

export const loopGluedShut = defineCheck({
  id: 'loop-glued-shut',
  step: 'build',
  harms: 'season',
  needs: ['site'],
  sound: 'No ring of glued lines is closed by a last joint that cannot be made',
  find: ({ site }) =>
    closedLoops(site).map((run): Finding => ({
      id: `loop-glued-shut:${run.id}`,
      check: 'loop-glued-shut',
      severity: 'look',
      subject: subjectOfRun(site, run),
      sentence: say`“${runName(site, run)}” closes a ring of glued lines: its last joint cannot be pushed home.`,
      why: say`Both ${nameOf(site, run.from.node)} and ${nameOf(site, run.to.node)} are held fast by other lines, and a pipe
        must be moved by what goes into its socket to be put together. A union lets the last joint be made.`,
      numbers: { lines: 1 },
      mend: { label: toUnion(site, run), move: unionIn(run) },
    })),
})

export const partWithoutUnion = defineCheck({
  id: 'part-without-union',
  step: 'build',
  harms: 'cost',
  needs: ['site'],
  sound: 'What wears in a glued line comes out by a union',
  find: ({ site }) =>
    site.runs.flatMap((run): Finding[] => {
      const { joint } = MATERIALS[mainPipe(site, run).material]
      const worn = run.parts.find(part => rowOf(part).wears)
      const opens = run.parts.some(({ kind }) => kind === 'union' || kind === 'flexible')
      if (!worn || opens || (joint !== 'cement' && joint !== 'solder')) return []
      return [
        {
          id: `part-without-union:${run.id}`,
          check: 'part-without-union',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`The ${rowOf(worn).name ?? worn.kind} in “${runName(site, run)}” can only be sawn out.`,
          why: say`It wears and will be changed one day, and the line is ${joint === 'cement' ? 'glued' : 'soldered'} from end
            to end. A union before it costs less than the afternoon.`,
          numbers: { parts: 1 },
          mend: { label: toUnion(site, run), move: unionIn(run, worn.id) },
        },
      ]
    }),
})

const FAMILY: Record<string, string> = { 'pe-100': 'PE', 'plastic-40': 'glued', 'plastic-80': 'glued' }
export const glueDoesNotJoin = defineCheck({
  id: 'glue-does-not-join',
  step: 'build',
  harms: 'season',
  needs: ['site'],
  sound: 'Pipes that meet can be joined, or have what parts them',
  find: ({ site }) =>
    site.nodes.flatMap((node): Finding[] => {
      if (node.kind !== 'joint') return []
      const runs = graphOf(site).at(node.id)
      const pe = runs.find(run => FAMILY[mainPipe(site, run).material] === 'PE')
      const glued = runs.find(run => FAMILY[mainPipe(site, run).material] === 'glued')
      if (!pe || !glued) return []
      return [
        {
          id: `glue-does-not-join:${node.id}`,
          check: 'glue-does-not-join',
          severity: 'look',
          subject: nodeSubject(node),
          sentence: say`At ${nameOf(site, node.id)} PE pipe meets a plastic that is glued; cement does not hold PE.`,
          why: say`“${runName(site, pe)}” is ${sizeOf(mainPipe(site, pe))}, “${runName(site, glued)}”
            ${sizeOf(mainPipe(site, glued))}. A compression fitting with a thread, and a threaded adapter, join them.`,
          numbers: { lines: runs.length },
        },
      ]
    }),
})

export const metalIntoPlastic = defineCheck({
  id: 'metal-into-plastic',
  step: 'build',
  harms: 'season',
  needs: ['site'],
  sound: 'No metal thread is screwed into plastic',
  find: ({ site }) =>
    site.nodes.flatMap((node): Finding[] => {
      if (node.kind !== 'joint') return []
      const runs = graphOf(site).at(node.id)
      const steel = runs.find(run => mainPipe(site, run).material === 'steel-40')
      const plastic = runs.find(run => MATERIALS[mainPipe(site, run).material].joint === 'cement')
      if (!steel || !plastic) return []
      return [
        {
          id: `metal-into-plastic:${node.id}`,
          check: 'metal-into-plastic',
          severity: 'look',
          subject: nodeSubject(node),
          sentence: say`At ${nameOf(site, node.id)} a steel thread comes to plastic: screwed too tight, it splits the socket,
            often days later.`,
          why: say`Let plastic go into metal and not metal into plastic, by hand and a turn, with paste rather than much
            tape.`,
          numbers: { lines: runs.length },
        },
      ]
    }),
})

export const fumesIndoors = defineCheck({
  id: 'fumes-indoors',
  step: 'build',
  harms: 'people',
  needs: ['site'],
  sound: 'Nothing is glued in a closed room',
  find: ({ site }) =>
    site.runs.flatMap((run): Finding[] => {
      if (run.frostProof !== 'indoors' || MATERIALS[mainPipe(site, run).material].joint !== 'cement') return []
      return [
        {
          id: `fumes-indoors:${run.id}`,
          check: 'fumes-indoors',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`“${runName(site, run)}” is glued indoors, and primer and cement give off fumes that burn and stupefy.`,
          why: say`Glue what can be glued outside, open both doors and windows for the rest, and keep flames and pilot lights
            away.`,
          numbers: { lines: 1 },
          mend: { label: 'Lay it in PE', move: moveOf('layPipe', { run: run.id, series: 'pe-100', size: '25' }) },
        },
      ]
    }),
})

export const arrowAgainstFlow = defineCheck({
  id: 'arrow-against-flow',
  step: 'build',
  harms: 'cost',
  needs: ['site'],
  sound: 'Every check valve’s arrow points the way the water comes',
  find: ({ site }) =>
    site.runs.flatMap((run): Finding[] => {
      const check = run.parts.find(({ kind }) => kind === 'check')
      if (!check || !gives(site, run.to) || isFed(site, run)) return []
      const [source, far] = [nameOf(site, run.to.node), nameOf(site, run.from.node)]
      return [
        {
          id: `arrow-against-flow:${run.id}`,
          check: 'arrow-against-flow',
          severity: 'wrong',
          subject: subjectOfRun(site, run),
          sentence: say`The arrow of the check valve in “${runName(site, run)}” points towards ${source}, which gives the water.`,
          why: say`Nothing else feeds ${far}, so that no water ever passes: the valve shuts against ${source}. Turn it round
            with its line, arrow towards ${far}.`,
          numbers: { lines: 1 },
          mend: { label: 'Turn the line round', move: moveOf('turnLine', { run: run.id }) },
        },
      ]
    }),
})
/** True where water comes from: a draw-off, a well, the main. */
function gives(site: Site, end: Run['to']): boolean {
  const node = graphOf(site).node(end.node)
  if (node?.kind === 'well' || node?.kind === 'main') return true
  const role = node?.kind === 'tank' ? node.ports.find(({ name }) => name === end.port)?.role : undefined
  return role === 'outlet' || role === 'fire'
}
/** True where water comes to a line’s beginning some other way than through it. */
function isFed(site: Site, line: Run): boolean {
  const graph = graphOf(site)
  const seen = new Set<string>()
  const fed = (id: string): boolean => {
    if (seen.has(id)) return false
    seen.add(id)
    const node = graph.node(id)
    if (node && ['tank', 'well', 'main', 'spout', 'pressureTank'].includes(node.kind)) return true
    return graph.into(id).some(run => run !== line && fed(run.from.node))
  }
  return fed(line.from.node)
}
