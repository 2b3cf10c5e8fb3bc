/** The languages most asked for, by their own names, and the one the story has. */
export function languages(own: string): [string, string][] {
  const tags = [
    'ar',
    'cs',
    'de',
    'el',
    'en',
    'es',
    'fa',
    'fi',
    'fr',
    'he',
    'hi',
    'hu',
    'it',
    'ja',
    'ko',
    'nb',
    'nl',
    'pl',
    'pt',
    'ro',
    'ru',
    'sv',
    'sw',
    'th',
    'tr',
    'uk',
    'ur',
    'vi',
    'zh',
  ];
  return [...new Set([...tags, own])].map((tag) => {
    let name = tag;
    try {
      name = new Intl.DisplayNames([tag], { type: 'language' }).of(tag) ?? tag;
    } catch {
      // A tag that nobody knows stands for itself.
    }
    return [tag, name];
  });
}
