// @ts-check
import withNuxt from './.nuxt/eslint.config.mjs'

/** The floors of the house, lowest first. A floor may use those under it, through their door (`index.ts`), never one above or beside. */
const FLOORS = [['units'], ['sums'], ['catalog'], ['site'], ['climate', 'network'], ['section', 'balance'], ['review', 'plant'], ['build', 'keep'], ['exchange']]

const floorRules = FLOORS.flatMap((rooms, level) => rooms.map(room => ({
  files: [`core/${room}/**/*.ts`],
  rules: {
    'no-restricted-imports': ['error', {
      patterns: [
        { group: ['**/app/**', '**/server/**', '~/**', 'vue', 'pinia', 'nuxt', 'dexie', 'node:*'], message: 'The core knows no interface and no machine.' },
        ...FLOORS.slice(level).flat().filter(other => other !== room)
          .map(other => ({ group: [`../${other}`, `../../${other}`], message: `${room} stands under or beside ${other}: imports go one way.` })),
        ...FLOORS.flat().filter(other => other !== room).map(other => ({ group: [`../${other}/*`, `../../${other}/*`], message: 'Come in by the door: import from the module\'s index.' })),
      ],
    }],
  },
})))

export default withNuxt(
  { ignores: ['docs/**', '.demo/**'] },
  ...floorRules,
  {
    files: ['app/**/*.{ts,vue}', 'server/**/*.ts', 'bench/**/*.ts'],
    rules: { 'no-restricted-imports': ['error', { patterns: [{ group: ['**/core/*/*', '#core/*/*'], message: 'Come in by the door: import from the module\'s index.' }] }] },
  },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
    },
  },
)
