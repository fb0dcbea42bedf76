// @ts-check
import prettier from 'eslint-config-prettier'
import withNuxt from './.nuxt/eslint.config.mjs'

/**
 * The floors of the house, lowest first. A floor may use those under it, through their door (`index.ts`), never one
 * above or beside.
 */
const FLOORS = [
  ['answers'],
  ['units'],
  ['words', 'sums', 'catalog'],
  ['kinds'],
  ['site'],
  ['moves', 'climate', 'network'],
  ['balance', 'section', 'build'],
  ['review', 'plant'],
  ['options', 'keep'],
  ['questions', 'exchange'],
]

const floorRules = FLOORS.flatMap((rooms, level) =>
  rooms.map(room => ({
    files: [`core/${room}/**/*.ts`],
    // Tests build their sites by moves, whatever floor they stand on.
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              group: ['**/app/**', '**/server/**', '~/**', 'vue', 'pinia', 'nuxt', 'dexie', 'node:*'],
              message: 'The core knows no interface and no machine.',
            },
            ...FLOORS.slice(level)
              .flat()
              .filter(other => other !== room)
              .map(other => ({
                group: [`../${other}`, `../../${other}`],
                message: `${room} stands under or beside ${other}: imports go one way.`,
              })),
            ...FLOORS.flat()
              .filter(other => other !== room)
              .map(other => ({
                group: [`../${other}/*`, `../../${other}/*`],
                message: "Come in by the door: import from the module's index.",
              })),
          ],
        },
      ],
    },
  })),
)

/** The app's rooms, lowest first, held to the same rule. */
const APP_FLOORS = [
  ['db', 'engine', 'print'],
  ['stores'],
  ['fields'],
  ['charts'],
  ['section', 'year'],
  ['steps'],
  ['frame'],
  ['yard'],
  ['pages'],
]

const appRules = APP_FLOORS.flatMap((rooms, level) =>
  rooms.map(room => ({
    files: [`app/${room}/**/*.{ts,vue}`],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['**/core/*/*', '#core/*/*'], message: "Come in by the door: import from the module's index." },
            ...APP_FLOORS.slice(level)
              .flat()
              .filter(other => other !== room)
              .map(other => ({
                group: [`~/${other}/**`],
                message: `${room} stands under or beside ${other}: imports go one way.`,
              })),
          ],
        },
      ],
    },
  })),
)

export default withNuxt(
  { ignores: ['docs/**', '.demo/**'] },
  ...floorRules,
  ...appRules,
  {
    files: ['server/**/*.ts', 'bench/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: ['**/core/*/*', '#core/*/*'], message: "Come in by the door: import from the module's index." },
          ],
        },
      ],
    },
  },
  {
    // What comes from elsewhere may be anything; of our own kinds every one is named, and the compiler says which is not.
    files: ['core/**/*.ts', 'app/**/*.{ts,vue}'],
    ignores: ['core/answers/ownWords.ts', 'core/exchange/outlineFile.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'SwitchCase[test=null]',
          message: 'Name every kind, or keep a table: a new one is else forgotten.',
        },
      ],
    },
  },
  prettier,
  // Which names are used the compiler knows, and is asked anyhow.
  { files: ['**/*.{ts,vue}'], rules: { '@typescript-eslint/no-unused-vars': 'off' } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      'max-len': ['error', { code: 140, ignoreUrls: true, ignoreRegExpLiterals: true }],
    },
  },
)
