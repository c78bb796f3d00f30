import vue from 'eslint-plugin-vue'
import prettier from 'eslint-config-prettier'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['web/src/api/contract.ts', 'server/', 'vendor/', 'framework/', 'var/'] },
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
  prettier,
)
