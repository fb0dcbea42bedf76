import type { DrinkingFault } from '../network'

/** What keeps water from being fit to drink, as the first thing that is missing or out of order. */
export const DRINKING_FAULTS: Record<DrinkingFault, string> = {
  'no-fine-filter': 'no filter of 5 µm or finer stands on its way',
  'no-lamp': 'no ultraviolet lamp stands on its way',
  'no-sensor': 'its lamp has no sensor that shuts the water off, and is a polish only',
  'lamp-first': 'its lamp stands before the fine filter, where what clouds the water hides germs from the light',
  'no-carbon': 'no carbon stands on its way',
  'carbon-last': 'its carbon stands behind the lamp, and germs grow in carbon',
  'lamp-too-small': 'its lamp is made for less flow than the tap passes',
  'behind-lamp': 'something else than pipe, valves and checks stands behind its lamp',
}
