import next from 'eslint-config-next'
import typescript from 'eslint-config-next/typescript'

const TESTS = ['**/*.test.ts', 'tests/**/*.ts']
/** Longest functions, lines; a file over 400 lines says why on its first line. */
const lines = (max) => ({ 'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }] })

/** What is asked of pages is asked of pages only: one of its rules compiles every file it sees. */
const ofPages = [...next, ...typescript].flatMap(({ rules = {} }) =>
  Object.keys(rules).filter((name) => /^(react|react-hooks|jsx-a11y|@next\/next)\//.test(name)),
)
const noPages = Object.fromEntries(ofPages.map((name) => [name, 'off']))

const rules = [
  ...next,
  ...typescript,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', destructuredArrayIgnorePattern: '^_' },
      ],
      // Prettier sets the lines; what it leaves long is words.
      'max-len': [
        'error',
        { code: 120, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true },
      ],
      'max-lines': ['error', { max: 400 }],
      // Settings are read by no compiler that would say so.
      'no-dupe-keys': 'error',
    },
  },
  { ignores: ['src/{app,ui}/**'], rules: noPages },
  { files: ['src/core/**/*.ts'], ignores: TESTS, rules: lines(60) },
  { files: ['src/{ui,app,server,dto,workers,db}/**/*.{ts,tsx}', 'scripts/**/*.ts'], ignores: TESTS, rules: lines(80) },
  {
    // The core computes: the same in must give the same out.
    files: ['src/core/**/*.ts'],
    ignores: TESTS,
    rules: {
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'fetch',
        'localStorage',
        'process',
        'console',
        'performance',
        { name: 'Promise', message: 'The core answers at once.' },
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random' },
        { object: 'Date', property: 'now' },
      ],
      'no-restricted-syntax': ['error', { selector: ':function[async=true]', message: 'The core answers at once.' }],
    },
  },
  {
    files: ['src/**/*.tsx'],
    ignores: ['src/ui/link.tsx'],
    rules: { 'no-restricted-imports': ['error', { name: 'next/link', message: 'Links within Falto: ui/link' }] },
  },
  { ignores: ['.next/', 'node_modules/', '.falto/', 'next-env.d.ts', 'src/db/migrations/', '.stryker/'] },
]

export default rules
