import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

export default tseslint.config(
    { ignores: ['resources/ts/api/wire.d.ts'] },
    ...tseslint.configs.strict,
    ...tseslint.configs.stylistic,
    ...vue.configs['flat/recommended'],
    { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: tseslint.parser } } },
    {
        rules: {
            '@typescript-eslint/no-non-null-assertion': 'error',
            'vue/html-indent': ['error', 4],
            'vue/max-attributes-per-line': 'off',
            'vue/html-closing-bracket-newline': ['error', { singleline: 'never', multiline: 'never' }],
            // White space inside SVG text is drawn.
            'vue/multiline-html-element-content-newline': 'off',
            'vue/singleline-html-element-content-newline': 'off',
            'vue/multi-word-component-names': 'off',
            'vue/require-default-prop': 'off',
            'vue/html-self-closing': ['error', { html: { void: 'always', normal: 'always', component: 'always' }, svg: 'always' }],
            'no-console': 'error',
            // A list made anew is never the one before: such a watch runs at every change of the map and takes away what is being typed.
            'no-restricted-syntax': ['error', {
                selector: 'CallExpression[callee.name="watch"] > ArrowFunctionExpression:first-child:matches([body.type="ArrayExpression"], [body.expression.type="ArrayExpression"])',
                message: 'Watch a list of functions, not a function that makes a list.',
            }],
        },
    },
)
