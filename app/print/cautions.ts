/** What every paper warns of, whoever comes upon it. */
export const CAUTIONS = [
  'A full tote weighs as much as a small car, a big tank as much as several. Nobody climbs into a tank alone, nor ' +
    'without air. Water that is not treated for drinking is labelled so at every tap.',
  'What parts own water from a public main is for the water company and the local code to say.',
]
