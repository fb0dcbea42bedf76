import { defineCheck, type Finding } from './finding'
import { monthNames, say } from '../words'
import { moveOf, setField } from '../moves'
import type { Site } from '../site'
import { MONTH_NAMES } from '../units'

const WORDS = {
  temperatures: {
    sentence: 'Nobody has told how warm it is here: the months’ temperatures are a guess from the latitude.',
    why: 'What beds drink, what lies as snow and what freezes hang on them. Type those of the nearest station at Catch.',
  },
  wetDays: {
    sentence: 'Nobody has told on how many days it rains: the wet days are a guess from the rain.',
    why: 'The same rain on fewer days spills more and leaves longer dry spells. Type those of the nearest station at Catch.',
  },
}

/** What a finding about frost adds where nobody has told how warm it is. */
export const warmthGuessed = ({ climate }: Pick<Site, 'climate'>): string =>
  climate.assumed?.includes('temperatures')
    ? ' Nobody has told how warm it is here: these months are a guess from the latitude.'
    : ''

export const weatherAssumed = defineCheck({
  id: 'weather-assumed',
  step: 'catch',
  harms: 'cost',
  needs: ['site'],
  sound: 'Nothing of the weather was guessed',
  find: ({ site }) =>
    (site.climate.assumed ?? []).map((what): Finding => {
      const left = site.climate.assumed!.filter(each => each !== what)
      const { latitudeDeg } = site.place
      return {
        id: `weather-assumed:${what}`,
        check: 'weather-assumed',
        severity: 'look',
        subject: { kind: 'site', id: site.id, name: 'The weather' },
        sentence: say`${WORDS[what].sentence}`,
        why: say`${WORDS[what].why} The latitude is ${{ value: latitudeDeg, kind: 'angle' }}.`,
        numbers: { latitudeDeg },
        answers: [
          {
            label: 'They are right so',
            move: setField('site', '', 'climate.assumed', left.length ? left : undefined),
          },
        ],
      }
    }),
})

export const monthsCrossed = defineCheck({
  id: 'months-crossed',
  step: 'catch',
  harms: 'cost',
  needs: ['site'],
  sound: 'No month’s nights are warmer than its days',
  find: ({ site }) => {
    const { months } = site.climate
    const crossed = months.flatMap(({ tMinC, tMaxC }, month) => (tMinC > tMaxC ? [month] : []))
    if (!crossed.length) return []
    const [first] = crossed
    const { tMinC, tMaxC } = months[first!]!
    const righted = months.map(month => ({
      ...month,
      tMinC: Math.min(month.tMinC, month.tMaxC),
      tMaxC: Math.max(month.tMinC, month.tMaxC),
    }))
    return [
      {
        id: 'months-crossed',
        check: 'months-crossed',
        severity: 'look',
        subject: { kind: 'site', id: site.id, name: 'The weather' },
        sentence: say`In ${monthNames(crossed.map(month => month + 1))} the lowest temperature stands above the highest.`,
        why: say`In ${MONTH_NAMES[first!]!} the nights would average ${degrees(tMinC)} and the days ${degrees(tMaxC)}.
          What beds drink hangs on how far they lie apart.`,
        numbers: { months: crossed.length, tMinC, tMaxC },
        mend: {
          label: 'Exchange the two',
          move: moveOf('setClimate', { climate: { ...site.climate, months: righted } }),
        },
      },
    ]
  },
})
const degrees = (value: number) => ({ value, kind: 'temperature' as const })
