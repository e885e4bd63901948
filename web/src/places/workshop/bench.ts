import type { JobItem } from '@/api/jobs';
import { plainCode } from '@/shared/sensorCode';

export interface BenchLine {
  position: string;
  words: string;
  code: string;
}

/** The wheels of a job that have no sensor yet, in the order of its walk. */
export function bareLines(job: JobItem): BenchLine[] {
  return job.wheels
    .filter((wheel) => !wheel.code && !wheel.leftOut)
    .map((wheel) => ({ position: wheel.position, words: wheel.words, code: '' }));
}

/**
 * Fills a list from pasted text: "position, code" a row each, or codes alone in the order of the walk.
 *
 * @returns the filled lines, and the rows that fit none of them
 */
export function fillFrom(text: string, lines: BenchLine[]): { lines: BenchLine[]; strange: string[] } {
  const filled = lines.map((line) => ({ ...line }));
  const strange: string[] = [];
  for (const row of text.split(/\r?\n/).map((one) => one.trim())) {
    if (!row) continue;
    const parts = row.split(/[,;\t]+|\s+/).filter(Boolean);
    const named = filled.find((line) => line.position === parts[0]?.toUpperCase());
    const next = parts.length === 1 ? filled.find((line) => !line.code) : undefined;
    const target = parts.length === 2 ? named : next;
    const code = plainCode(parts[parts.length - 1] ?? '');
    if (target && code) target.code = code;
    else strange.push(row);
  }
  return { lines: filled, strange };
}

/** Codes that stand at two wheels of the list. */
export function twice(lines: BenchLine[]): Set<string> {
  const codes = lines.map((line) => plainCode(line.code)).filter(Boolean);
  return new Set(codes.filter((code, index) => codes.indexOf(code) !== index));
}
