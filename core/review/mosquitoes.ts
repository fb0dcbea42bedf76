import { defineCheck, type Finding } from './finding'
import { subjectOf } from './roofLines'
import { boreText, say } from '../words'
import { nameOf, type Run } from '../site'
import { moveOf } from '../moves'
import { MOSQUITO_MESH_MM } from '../catalog'

const finestMm = (runs: Run[]) =>
  Math.min(
    Infinity,
    ...runs
      .flatMap(run => run.parts)
      .filter(part => part.kind === 'screen')
      .map(part => part.meshMm),
  )

export const mosquitoMesh = defineCheck({
  id: 'mosquito-mesh',
  step: 'clean',
  harms: 'people',
  costsWater: true,
  needs: ['site', 'roofLines'],
  sound: 'No mosquito can get from a gutter to standing water',
  find: ({ site, roofLines }) =>
    roofLines.flatMap((line): Finding[] => {
      const runs = line.stretches.map(({ run }) => run)
      // A wet line that nothing empties is standing water itself, open to its gutter.
      const stands = line.wet && !line.drainedByChamber
      const guarded = stands ? runs.slice(0, 1) : runs
      const meshMm = finestMm(guarded)
      if (meshMm <= MOSQUITO_MESH_MM) return []
      return [
        {
          id: `mosquito-mesh:${line.spout.id}`,
          check: 'mosquito-mesh',
          severity: 'look',
          subject: subjectOf(line),
          sentence: stands
            ? say`Mosquitoes will breed in the water that stands in the line from ${line.spout.name}.`
            : say`Mosquitoes get into ${nameOf(site, line.tankId)} by way of ${line.spout.name}.`,
          why:
            meshMm === Infinity
              ? say`Nothing ${stands ? 'before it' : 'in its way'} is meshed; ${boreText(MOSQUITO_MESH_MM)} or finer keeps them out.`
              : say`The finest screen in its way has a mesh of ${boreText(meshMm)}; ${boreText(MOSQUITO_MESH_MM)} or finer
                keeps them out.`,
          numbers: { meshMm: meshMm === Infinity ? 0 : meshMm },
          mend: stands
            ? {
                label: 'Fit a screen head at the spout',
                move: moveOf('fitScreen', { spout: line.spout.id, type: 'spout' }),
              }
            : {
                label: 'Fit a basket at the tank’s inlet',
                move: moveOf('fitScreen', { spout: line.spout.id, type: 'inlet' }),
              },
        },
      ]
    }),
})
