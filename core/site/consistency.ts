import type { Site } from './schema'
import { roofAreaM2, ROOF_MOST_M2 } from './roofs'
import type { Problem } from '../answers'
import { showQuantity } from '../units'

const showLength = (site: Site, valueM: number) => showQuantity(valueM, 'length', site.standards.units).text

/** Figures that are each possible and together are not: a roof of nothing, an outlet wider than what it empties. */
export function inconsistencies(site: Site): Problem[] {
  const problems: Problem[] = []
  const say = (path: string, sentence: string) => problems.push({ path, sentence })
  site.roofs.forEach((roof, index) => {
    const areaM2 = roofAreaM2(roof)
    if (areaM2 <= 0)
      say(
        `roofs[${index}]`,
        roof.pieces.some(piece => piece.cut) && roof.measuredBy !== 'area'
          ? `The cut-outs take away all of ${roof.name}; leave some of it.`
          : `${roof.name} has no area; give it a length and a width, an outline, or an area.`,
      )
    else if (areaM2 >= ROOF_MOST_M2)
      say(
        `roofs[${index}]`,
        `${roof.name} would be ${Math.round(areaM2)} m², a hectare or more; that is not one roof. Check the units.`,
      )
  })
  site.nodes.forEach((node, index) => {
    if (node.kind === 'chamber' && node.orificeMm !== null && node.orificeMm > node.innerDiameterMm) {
      say(
        `nodes[${index}].orificeMm`,
        `The outlet of ${node.name} would be ${node.orificeMm} mm in a pipe of ${node.innerDiameterMm} mm; it ` +
          'must be smaller than its pipe.',
      )
    }
    if (node.kind === 'well' && node.stillWaterDepthM >= node.depthM)
      say(
        `nodes[${index}].stillWaterDepthM`,
        `Depth to water of ${node.name} must be less than its depth, ${showLength(site, node.depthM)}; a well that is ` +
          'shallower than its water is dry.',
      )
    if (node.kind === 'pressureTank' && node.cutInKPa >= node.cutOutKPa)
      say(
        `nodes[${index}].cutInKPa`,
        `Cut-in of ${node.name} must lie under its cut-out: the pump starts low and stops high.`,
      )
  })
  return problems
}
