import { readdirSync, readFileSync } from 'node:fs'
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
  'wishes',
  'body',
  'moves',
  'darts',
  'measure',
  'seams',
  'size',
  'match',
  'changes',
  'advice',
  'tissue',
  'fittings',
  'paper',
  'cloth',
  'formats',
  'writing',
  'photograph',
  'import',
  'many',
]

/** Sizes of nothing belong in tolerances.ts, with unit and reason; other small figures have a name where they are used. */
const TOLERANCE = { selector: 'Literal[raw=/^[0-9.]*e-[0-9]+$/]', message: 'Name this tolerance in core/tolerances.ts.' }
const SMALL = [
  TOLERANCE,
  {
    selector: 'Literal[raw=/^0?\\.0[0-9]*[1-9]/]:not(VariableDeclarator[id.name=/^[A-Z][A-Z0-9_]*$/] *)',
    message: 'Give this figure a name, with its unit and its reason.',
  },
]

/** What an event came from is looked at, not claimed. */
const TARGET = { selector: "TSAsExpression > MemberExpression[property.name='target']", message: 'Read it with app/typed.ts.' }

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
    'no-restricted-syntax': ['error', ...SMALL],
  },
}))

/** Names of the kinds of change, read from where each says its own. */
const KINDS = readdirSync('core/changes', { withFileTypes: true })
  .filter((entry) => entry.isDirectory() && entry.name !== 'shared')
  .flatMap(({ name }) => {
    const own = readFileSync(`core/changes/${name}/index.ts`, 'utf8')
    return [...own.matchAll(/^ {2}kind: '([a-z-]+)',$/gm)].map(([, kind]) => ({ kind, folder: name }))
  })
const FOLDERS = [...new Set(KINDS.map((k) => k.folder))]

/** A hyphen tells a kind from a word; the few of one word are words of the trade as well, and are looked for where a kind is named. */
const isWord = (kind) => !kind.includes('-')
const NAMED = [
  ...KINDS.filter(({ kind }) => !isWord(kind)).map(({ kind }) => `Literal[value='${kind}']`),
  ...KINDS.filter(({ kind }) => isWord(kind)).flatMap(({ kind }) => [
    `CallExpression[callee.name=/^(findKind|newStop)$/] > Literal[value='${kind}']`,
    `Property[key.name='kind'] > Literal[value='${kind}']`,
    `BinaryExpression:has(MemberExpression[property.name='kind']) > Literal[value='${kind}']`,
  ]),
].map((selector) => ({ selector, message: 'Only its own folder names a kind of change: ask for what it can do (core/changes/types.ts).' }))

const kindRules = [
  {
    // A kind is known in its folder, and listed in the registry; migrations read what was once written.
    files: ['core/**/*.ts'],
    ignores: ['core/changes/*/**', 'core/formats/migrations.ts', 'core/tolerances.ts', '**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...SMALL, ...NAMED] },
  },
  {
    files: ['app/**/*.ts', 'app/**/*.vue', 'server/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', TOLERANCE, ...NAMED, TARGET], 'vue/no-restricted-syntax': ['error', TARGET] },
  },
  // A table of the trade: each part of a grade stands beside the point that moves by it.
  { files: ['core/changes/grade/rules.ts'], rules: { 'no-restricted-syntax': ['error', TOLERANCE] } },
  ...FOLDERS.map((folder) => ({
    files: [`core/changes/${folder}/**/*.ts`],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: OUTSIDE, message: 'core imports no interface, storage or Node code: adapt it in app, server or scripts.' },
            { group: ['../../advice', '../../paper', '../../formats', '../../import'], message: 'core/changes lies below this folder.' },
            {
              regex: `^\\.\\.(/(index|registry|${FOLDERS.filter((other) => other !== folder).join('|')})(/.*)?)?$`,
              message: 'No kind imports another: what several need stands in core/changes/shared.',
            },
          ],
        },
      ],
    },
  })),
]

export default withNuxt({ ignores: ['.output/**', '.nuxt/**', 'node_modules/**', 'docs/**'] }, ...layerRules, ...kindRules, {
  rules: {
    'vue/multi-word-component-names': 'off',
    'vue/require-default-prop': 'off',
    'vue/html-self-closing': 'off',
    '@typescript-eslint/no-explicit-any': 'error',
    '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
  },
})
