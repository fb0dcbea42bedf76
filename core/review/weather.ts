import { defineCheck, type Finding } from './finding'
import { say } from '../words'
import { setField } from '../moves'

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

export const weatherAssumed = defineCheck({
  id: 'weather-assumed',
  step: 'catch',
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
