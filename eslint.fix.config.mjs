import base from '/work/main/eslint.config.mjs';
export default [
  ...base,
  {
    rules: {
      'one-var': ['error', 'never'],
      curly: ['error', 'all'],
      'max-statements-per-line': ['error', { max: 1 }],
      'no-nested-ternary': 'error',
      'max-len': [
        'error',
        {
          code: 120,
          ignoreStrings: true,
          ignoreTemplateLiterals: true,
          ignoreRegExpLiterals: true,
          ignoreUrls: true,
        },
      ],
      'no-sequences': 'error',
    },
  },
];
