import { defineCheck, nodeSubject, subjectOfRun, type Finding } from '../finding'
import { say, type Phrase } from '../../words'
import { graphOf, nameOf, runName, type Site } from '../../site'

/** What comes of a chore that nobody will ever do, for those that somebody is hurt or left dry without; by its stem. */
const NEVER: Record<string, { severity: Finding['severity']; what: string; why: Phrase }> = {
  chamber: {
    severity: 'wrong',
    what: 'is never emptied or rinsed',
    why: say`A chamber that nobody cleans turns foul, and is worse than none: the next rain stirs it into the tank. If it
      cannot be cleaned, take it out.`,
  },
  'chamber-outlet': {
    severity: 'look',
    what: 'is never looked at between rains',
    why: say`Its outlet clogs unseen; then it stays full, and every rain goes into the tank unflushed.`,
  },
  lamp: {
    severity: 'wrong',
    what: 'never gets a new lamp',
    why: say`A lamp shines long after it has stopped killing what it should: what is drunk is then untreated, and nobody
      sees it.`,
  },
  filter: {
    severity: 'look',
    what: 'never gets a new cartridge',
    why: say`It closes, and carbon that is spent lets taste and more through, all of what it held in one go.`,
  },
  relief: {
    severity: 'wrong',
    what: 'never has its relief valve lifted',
    why: say`One that is stuck is no relief: a switch that fails then bursts the weakest part.`,
  },
  float: {
    severity: 'look',
    what: 'never has its float valve tried',
    why: say`One that does not shut sends the main’s or the pump’s water out of the overflow, night after night.`,
  },
  meshes: {
    severity: 'look',
    what: 'never has its lid and meshes looked at',
    why: say`Larvae come within two weeks of a torn mesh, and algae within a month of a loose lid; children and animals
      fall in where a lid is off.`,
  },
  base: {
    severity: 'look',
    what: 'never has its base looked at',
    why: say`A full tote weighs as much as a small car, a big tank as much as several: what sinks or rots
          under it tips it.`,
  },
}

export const choreNeverDone = defineCheck({
  id: 'chore-never-done',
  step: 'keep',
  harms: 'season',
  needs: ['site'],
  sound: 'Every chore that matters comes round',
  find: ({ site }) =>
    (site.chores ?? []).flatMap(({ id, never }): Finding[] => {
      const [stem, at] = [id.slice(0, id.indexOf(':')), id.slice(id.indexOf(':') + 1)]
      const of = NEVER[stem]
      const subject = never && of ? subjectOf(site, at) : undefined
      if (!of || !subject) return []
      return [
        {
          id: `chore-never-done:${id}`,
          check: 'chore-never-done',
          severity: of.severity,
          subject,
          sentence: say`${subject.name} ${of.what}.`,
          why: of.why,
          numbers: {},
          mend: { label: 'Let the chore come after all', move: { name: 'putChore', args: { chore: id } } },
        },
      ]
    }),
})

/** What a chore is at: a node by its id, a part by the line that it sits in; nothing once that is gone. */
function subjectOf(site: Site, id: string): Finding['subject'] | undefined {
  const node = graphOf(site).node(id)
  if (node) return nodeSubject({ id, name: nameOf(site, id) })
  const run = graphOf(site).runWith(id)
  return run && { ...subjectOfRun(site, run), name: `“${runName(site, run)}”` }
}
