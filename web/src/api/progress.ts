import { answer, http, type Schemas } from './client';

/** How far the longest work under way is, in words; empty where nobody knows. */
export async function howFar(): Promise<string> {
  const { items } = await answer(http.GET('/api/v1/progress'));
  return items[0] ? standWords(items[0]) : '';
}

/** Such as "412 of 2,000 vehicles, 21 %", or "12 MB so far". */
export function standWords({ unit, done, all }: Schemas['Stand']): string {
  const count = (value: number) =>
    unit === 'BYTES' ? (value / 1e6).toFixed(1) : Math.round(value).toLocaleString('en-GB');
  const name = unit === 'BYTES' ? 'MB' : 'vehicles';
  // What was only guessed may be passed.
  if (!all || done > all) return `${count(done)} ${name} so far`;
  return `${count(done)} of ${unit === 'BYTES' ? 'about ' : ''}${count(all)} ${name}, ${Math.floor((100 * done) / all)} %`;
}
