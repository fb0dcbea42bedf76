import { counted } from '#core/words'
import { roofYield } from '#core/sums'
import { lossSchool, meanYearYieldInput, roofAreaM2, weatherMonths, type Site } from '#core/site'
import { LOSS_SCHOOLS } from '#core/catalog'
import { middleOfYears, type StepContext, type StepDefinition, type Subject } from '~/steps/step'

const yearRainMm = (site: Site) => weatherMonths(site).reduce((sum, month) => sum + month.rainMm, 0)

function subjects({ site, litres, show }: StepContext): Subject[] {
  return [
    ...site.roofs.map(roof => ({
      id: roof.id,
      name: roof.name,
      figure: litres(roofYield(meanYearYieldInput(site, roof)).volumeL),
      holds: [roof.id, ...roof.spouts.map(spout => spout.nodeId)],
      node: roof.id,
    })),
    { id: 'another', name: 'Another roof', figure: '+', holds: [] },
    { id: 'weather', name: 'Weather', figure: show(yearRainMm(site), 'rain'), holds: [] },
    ...(site.roofs.length
      ? [{ id: 'losses', name: 'What roofs lose', figure: LOSS_SCHOOLS[lossSchool(site)].short, holds: [] }]
      : []),
  ]
}

export const catchStep: StepDefinition = {
  id: 'catch',
  name: 'Catch',
  sheet: defineAsyncComponent(() => import('./CatchSheet.vue')),
  started: site => site.roofs.length > 0,
  subjects,
  storm: true,
  figures: context => {
    const { site, litres, show } = context
    const areaM2 = site.roofs.reduce((sum, roof) => sum + roofAreaM2(roof), 0)
    const givesL = site.roofs.reduce((sum, roof) => sum + roofYield(meanYearYieldInput(site, roof)).volumeL, 0)
    const { source, shift } = site.climate
    return [
      {
        name: 'Roofs give a year',
        value: litres(givesL),
        note: `${show(yearRainMm(site), 'rain')} of rain on ${show(areaM2, 'area')}, ${source}${shift ? ', shifted' : ''}`,
      },
      middleOfYears('Caught a year', context, year => year.caughtL, litres),
      middleOfYears('Spilled at gutters a year', context, year => year.gutterL, litres),
      middleOfYears(
        'Longest dry spell',
        context,
        year => year.longestDryDays,
        days => counted(Math.round(days), 'day'),
      ),
    ]
  },
  caution:
    'Falls from roofs and ladders kill. Lead flashing and treated roofs spoil water. Where in doubt leave the ' +
    'roof to a licensed trade.',
}
