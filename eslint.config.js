import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import ts from 'typescript-eslint'

/** What the files must not import. */
const knows = (files, group, message) => ({
  files,
  rules: { 'no-restricted-imports': ['error', { patterns: [{ group, message }] }] },
})

export default ts.config(
  { ignores: ['web/src/shared/api/contract.ts', 'server/', 'vendor/', 'framework/', 'var/'] },
  ...ts.configs.strict,
  ...ts.configs.stylistic,
  ...vue.configs['flat/recommended'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    files: ['**/*.ts', '**/*.vue'],
    rules: {
      'no-undef': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      'max-lines': ['error', { max: 260, skipBlankLines: true }],
    },
  },
  // Who may know whom. That no features know each other in a circle, web/src/app/features.test.ts sees to.
  knows(
    ['web/src/shared/**'],
    ['@/ui/*', '@/features/*', '@/app/*'],
    'what is shared knows only what is shared',
  ),
  knows(['web/src/ui/**'], ['@/features/*', '@/app/*'], 'the kit knows only what is shared'),
  knows(
    ['web/src/features/**'],
    ['@/app/*', '@/features/*/*', '../*'],
    'a feature knows another one by its index.ts: @/features/name',
  ),
  prettier,
)
