import { createI18n } from 'vue-i18n';

/** The texts of a place by key. A text may hold {name}; `@`, `|` and braces mean something to the library and are quoted. */
type Texts = Record<string, string>;

/** One file a place and language: `places/workshop/words.en.json` holds what is read as `workshop.key`. */
const files = import.meta.glob<Texts>('../places/*/words.*.json', { eager: true, import: 'default' });
const FILE = /places\/([^/]+)\/words\.([a-z]{2})\.json$/;

/** Texts by language and place. */
export const texts: Record<string, Record<string, Texts>> = {};
for (const [path, own] of Object.entries(files)) {
  const [, place = '', language = ''] = FILE.exec(path) ?? [];
  (texts[language] ??= {})[place] = own;
}

/** What is read of every page that people of the fleet see; drivers' texts come with their page, from the server. */
export const words = createI18n({ legacy: false, locale: 'en', fallbackLocale: 'en', messages: texts });
