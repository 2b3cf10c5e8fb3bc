import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The folders of the page, each of which may use what stands left of it. A place (a page of its own) never uses another place.
 * Only App, which knows the way to each place, uses them all.
 */
const shared = ['theme', 'messages', 'api', 'parts', 'microphone', 'story', 'assets', 'mend', 'stage'];
const places = ['account', 'booth', 'classroom', 'desk', 'film', 'print', 'school', 'script'];
const held = (folder, others) => ({
  files: [`web/${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { regex: `^(\\.\\./)+(${others.join('|')})(/|$)`, message: `web/${folder} does not know that folder.` },
        ],
      },
    ],
  },
});

export default tseslint.config(
  { ignores: ['web/api/schema.d.ts', 'public', 'vendor', 'build', 'var'] },
  ...tseslint.configs.strict,
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'TemplateElement[value.raw=/(margin|padding|border)-(left|right)\\b|text-align: (left|right)/]',
          message: 'Say start and end: what is read from the right is laid out from the right.',
        },
      ],
    },
  },
  { rules: { '@typescript-eslint/no-non-null-assertion': 'error', eqeqeq: 'error' } },
  ...shared.map((folder, n) => held(folder, [...shared.slice(n + 1), ...places])),
  ...places.map((folder) =>
    held(
      folder,
      places.filter((other) => other !== folder),
    ),
  ),
);
