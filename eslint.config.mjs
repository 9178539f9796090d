import withNuxt from './.nuxt/eslint.config.mjs'

// @nuxt/eslint groups with Object.groupBy, which Node 20 does not have yet.
Object.groupBy ??= (items, keyOf) => {
  const groups = {}
  for (const [i, item] of [...items].entries()) (groups[keyOf(item, i)] ??= []).push(item)
  return groups
}

/** Folders of core from the ground up; a folder may import only from itself and from those before it. */
const LAYERS = [
  'units',
  'geometry',
  'pattern',
  'body',
  'moves',
  'measure',
  'size',
  'match',
  'changes',
  'advice',
  'paper',
  'formats',
  'import',
]

const OUTSIDE = [
  'vue',
  'vue-*',
  '@vue/*',
  '@vueuse/*',
  'nuxt',
  'nuxt/*',
  '#*',
  '~/**',
  '~~/**',
  'pinia',
  'dexie',
  'comlink',
  'node:*',
  '**/app/**',
  '**/server/**',
  '**/scripts/**',
  '**/demo/**',
]

const layerRules = LAYERS.map((folder, i) => ({
  files: [`core/${folder}/**/*.ts`],
  ignores: ['**/*.test.ts'],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { group: OUTSIDE, message: 'core imports no interface, storage or Node code: adapt it in app, server or scripts.' },
          ...(i + 1 < LAYERS.length
            ? [
                {
                  group: LAYERS.slice(i + 1).flatMap((later) => [`../${later}`, `../${later}/*`, `../../${later}`, `../../${later}/*`]),
                  message: `core/${folder} lies below this folder: arrows point one way.`,
                },
              ]
            : []),
        ],
      },
    ],
    // Sizes of nothing belong in tolerances.ts, with unit and reason.
    'no-restricted-syntax': [
      'error',
      { selector: 'Literal[raw=/^[0-9.]*e-[0-9]+$/]', message: 'Name this tolerance in core/tolerances.ts.' },
    ],
  },
}))

export default withNuxt({ ignores: ['.output/**', '.nuxt/**', 'node_modules/**', 'docs/**'] }, ...layerRules, {
  rules: {
    'vue/multi-word-component-names': 'off',
    'vue/require-default-prop': 'off',
    'vue/html-self-closing': 'off',
    '@typescript-eslint/no-explicit-any': 'error',
    '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
  },
})
