import type { Site } from './schema'
import { chamberLength } from '../sums'
import { flushDrumsSold, STANDPIPE_MOST_M, standpipesSold } from '../catalog'

/** A first flush of so many litres in a pipe or a drum that is sold, and what it comes to. */
export interface FlushForm {
  id: string
  form: 'standpipe' | 'drum'
  innerDiameterMm: number
  /** How tall those litres stand in it, and what a metre of it holds. */
  heightM: number
  litresPerM: number
  /** What a drum holds to its rim; it takes its water in lower down where less is wanted. */
  holdsL: number | undefined
  /** Whole lengths of pipe that it takes, and the length they are sold in; a drum is one. */
  lengths: number
  soldInM: number | undefined
  /** Price of a length, or of the drum; of its cap, ball and tee; and of all together. */
  price: number
  endsPrice: number
  comesTo: number
  /** True where the price is what a person said, and no guess. */
  said: boolean
  /** True where it stands taller than one piece of pipe, and is held to the wall. */
  held: boolean
}

/** Whole lengths are cut from whole lengths: less than this is not another one. */
const OVER_M = 0.005
/** Drums are offered that hold it, the next two sizes. */
const [NEARLY, DRUMS_SHOWN] = [0.98, 2]
/** A pipe that stands wants its cap, ball and tee priced under an id of its own. */
export const endsOf = (id: string): string => `${id}-ends`

/** The pipes and drums that a first flush of a volume could be made of, by what is sold where the site stands. */
export function flushForms(site: Site, volumeL: number): FlushForm[] {
  const { units } = site.standards
  const said = (id: string) => site.prices?.find(price => price.id === id)
  const tall = (innerDiameterMm: number) => chamberLength({ volumeL, innerDiameterMm }).lengthM
  const measures = (innerDiameterMm: number) => ({
    innerDiameterMm,
    heightM: tall(innerDiameterMm),
    litresPerM: volumeL / tall(innerDiameterMm),
  })
  const pipes = standpipesSold(units).map((pipe): FlushForm => {
    const [own, ends] = [said(pipe.id), said(endsOf(pipe.id))]
    const soldInM = own?.soldInM ?? pipe.soldInM
    const price = own?.price ?? (pipe.price * soldInM) / pipe.soldInM
    const endsPrice = ends?.price ?? pipe.endsPrice
    const size = measures(pipe.innerDiameterMm)
    const lengths = Math.max(1, Math.ceil((size.heightM - OVER_M) / soldInM))
    return {
      id: pipe.id,
      form: 'standpipe',
      ...size,
      holdsL: undefined,
      lengths,
      soldInM,
      price,
      endsPrice,
      comesTo: lengths * price + endsPrice,
      said: own?.price !== undefined,
      held: size.heightM > STANDPIPE_MOST_M,
    }
  })
  const drums = flushDrumsSold(units)
    .filter(drum => tall(drum.innerDiameterMm) * NEARLY <= drum.heightM)
    .slice(0, DRUMS_SHOWN)
    .map((drum): FlushForm => {
      const own = said(drum.id)
      const price = own?.price ?? drum.price
      return {
        id: drum.id,
        form: 'drum',
        ...measures(drum.innerDiameterMm),
        holdsL: measures(drum.innerDiameterMm).litresPerM * drum.heightM,
        lengths: 1,
        soldInM: undefined,
        price,
        endsPrice: 0,
        comesTo: price,
        said: own?.price !== undefined,
        held: false,
      }
    })
  return [...pipes, ...drums]
}
