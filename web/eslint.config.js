import { defineConfigWithVueTs, vueTsConfigs } from '@vue/eslint-config-typescript'
import prettier from 'eslint-config-prettier/flat'
import vue from 'eslint-plugin-vue'

export default defineConfigWithVueTs(
  { ignores: ['dist', 'src/shared/api-types.ts'] },
  vue.configs['flat/recommended'],
  vueTsConfigs.recommended,
  prettier,
  { files: ['src/**'], rules: { '@typescript-eslint/no-non-null-assertion': 'error' } },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
    },
  },
)
