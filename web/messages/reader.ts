import { speak, type Words } from './say';

interface Language {
  /** How it is written: rtl where the page is laid out from the right. */
  direction: 'ltr' | 'rtl';
  words: () => Promise<{ default: Words }>;
}

/** The languages that the page speaks. The last is of nobody: it shows what is not in the catalogue, and what a longer language needs. */
const languages: Record<string, Language> = {
  en: { direction: 'ltr', words: () => import('virtual:messages/en') },
  'en-XA': { direction: 'ltr', words: () => import('virtual:messages/en-XA') },
};

/** The first of the reader's languages that the page speaks, as the reader's region has it. */
export function chosen(wanted: readonly string[]): [language: string, locale: string] {
  for (const one of wanted) {
    for (const language of [one, one.split('-')[0] ?? one]) if (language in languages) return [language, one];
  }
  return ['en', 'en'];
}

/** Learns the reader's language, before anything is shown. */
export async function learn(wanted: readonly string[] = navigator.languages): Promise<void> {
  const [language, locale] = chosen(wanted);
  const { direction, words } = languages[language] ?? (languages.en as Language);
  speak(`${locale}-u-nu-latn`, (await words()).default);
  document.documentElement.lang = language;
  document.documentElement.dir = direction;
}
