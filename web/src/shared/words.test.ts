// @vitest-environment node
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { texts, words } from './words';

const root = join(import.meta.dirname, '..');

/** Every `$t('place.key')` and `t('place.key')` of the sources. */
function asked(): string[] {
  return readdirSync(root, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(vue|ts)$/.test(file) && !file.endsWith('.test.ts'))
    .flatMap((file) => [
      ...readFileSync(join(root, file), 'utf8').matchAll(/(?:\$?\bt\(|keypath=)['"]([a-z]+\.[A-Za-z]+)['"]/g),
    ])
    .map(([, key = '']) => key);
}

describe('the words of the pages', () => {
  it('have a text for each key that a page asks for, and no text that none asks for', () => {
    const known = Object.entries(texts.en ?? {}).flatMap(([place, own]) =>
      Object.keys(own).map((key) => `${place}.${key}`),
    );
    expect([...new Set(asked())].toSorted()).toEqual(known.toSorted());
  });

  it('say in every language what English says, with the same figures in them', () => {
    const places = (text: string) => [...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name).toSorted();
    for (const [language, own] of Object.entries(texts)) {
      for (const [place, english] of Object.entries(texts.en ?? {})) {
        const here = own[place] ?? {};
        expect(Object.keys(here).toSorted(), `${language} ${place}`).toEqual(Object.keys(english).toSorted());
        for (const [key, text] of Object.entries(english)) {
          expect(places(here[key] ?? ''), `${language} ${place}.${key}`).toEqual(places(text));
        }
      }
    }
  });

  it('are filled in', () => {
    const { t } = words.global;
    expect(t('vehicles.nutsAfter', { km: 80, day: 'Fri 27 Nov' })).toBe('after 80 km or by Fri 27 Nov');
    expect(t('vehicles.coldFigures', { unit: 'kPa' })).toMatch(/^Pressures cold, in kPa\. Never bleed/);
  });
});
