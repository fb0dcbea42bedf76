import { trade, type List } from './items'
import { shelfSize, type Joint } from './lines'
import { MATERIALS } from '../materials'
import type { Piece } from '../pieces'
import { frostMonths, type Site } from '../../site'

/** Threaded joints to a roll of tape; millilitres of cement to a joint of 25 mm, and in a tin; primer is half of it. */
const [JOINTS_PER_ROLL, CEMENT_ML, TIN_ML] = [25, 2.2, 250]
/** Clips at each end of a line besides those between. */
const MORE_CLIPS = 1

/** What joints ask for and what holds lines: by how many there are, how wide, and where. */
export function takeOffSundries(site: Site, list: List, joints: readonly Joint[], pieces: readonly Piece[]): void {
  const tell = (id: string, what: string, more: Partial<Parameters<List['add']>[0]>, count: number, forId: string) =>
    list.add({ id, what, group: 'sundries', ...more }, count, forId)
  for (const { by, outerMm, runId } of joints) {
    const joint = by === 'threaded' ? undefined : MATERIALS[by].joint
    if (by === 'threaded') tell('tape', 'thread tape', { unit: 'roll', guess: 2 }, 1 / JOINTS_PER_ROLL, runId)
    else if (joint === 'cement') {
      const tins = (CEMENT_ML * (outerMm / 25) ** 2) / TIN_ML
      tell('cement', 'solvent cement', { unit: 'tin', size: trade(site, '250 mL', '8 oz'), guess: 9 }, tins, runId)
      tell(
        'primer',
        'primer or cleaner',
        { unit: 'tin', size: trade(site, '250 mL', '8 oz'), guess: 8 },
        tins / 2,
        runId,
      )
    } else if (joint === 'ring') tell('soap', 'pipe soap', { unit: 'tin', guess: 5 }, 0.02, runId)
    else if (joint === 'solder') tell('solder', 'lead-free solder and flux', { unit: 'roll', guess: 14 }, 0.03, runId)
  }
  for (const { run, bought, betweenM, goes } of pieces) {
    const held = run.frostProof !== 'buried' && goes !== 'along'
    if (held) {
      const { clipsM } = MATERIALS[bought.material]
      const size = shelfSize(bought)
      const id = `clip:${Math.round(bought.outerMm)}`
      tell(
        id,
        'pipe clip',
        { size, guess: twentieths(0.4 + bought.outerMm / 60) },
        betweenM / clipsM(bought.outerMm) + MORE_CLIPS,
        run.id,
      )
    }
    if (run.frostProof === 'insulated' || (run.frostProof === undefined && held && frostMonths(site).length > 0))
      tell(
        `lagging:${Math.round(bought.outerMm)}`,
        'foam insulation',
        { size: shelfSize(bought), unit: 'm', guess: twentieths(1 + bought.outerMm / 25) },
        betweenM,
        run.id,
      )
  }
}

const twentieths = (price: number): number => Math.round(20 * price) / 20
