// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { reportOf } from './repair';

describe('the report of a repair', () => {
  it('needs what was found and done, or words of one’s own', () => {
    expect(reportOf({ found: [], done: [], words: ' ' })).toBeUndefined();
    expect(reportOf({ found: ['valve'], done: [], words: '' })).toBeUndefined();
    expect(reportOf({ found: ['valve', 'rim'], done: ['valve changed'], words: 'rim cleaned' })).toEqual({
      reason: 'Found: valve, rim. Done: valve changed. rim cleaned',
      isTyreChanged: false,
    });
    expect(reportOf({ found: [], done: [], words: 'nothing to be seen' })?.reason).toBe('nothing to be seen');
  });

  it('says that another tyre was put on', () => {
    expect(reportOf({ found: ['cut or bulge'], done: ['tyre changed'], words: '' })?.isTyreChanged).toBe(
      true,
    );
    const inspection = { by: 'B. Quill', inside: 'cords bare', decision: 'SCRAPPED' as const };
    expect(
      reportOf({ found: ['bead'], done: ['tyre changed'], words: '', inspection })?.closes?.isTyreChanged,
    ).toBe(true);
  });

  it('closes what was run soft only with a name and what was seen inside', () => {
    const answers = { found: ['bead'], done: ['repaired'], words: '' };
    const inspection = { by: 'B. Quill', inside: '', decision: 'REPAIRED' as const };
    expect(reportOf({ ...answers, inspection })).toBeUndefined();
    expect(reportOf({ ...answers, inspection: { ...inspection, inside: 'liner sound' } })?.closes).toEqual({
      reason: 'Found: bead. Done: repaired. Inside: liner sound. Decision: repaired.',
      inspectedBy: 'B. Quill',
      isScrapped: false,
      isTyreChanged: false,
    });
    expect(
      reportOf({ ...answers, inspection: { by: 'B. Quill', inside: 'cords bare', decision: 'SCRAPPED' } })
        ?.closes?.isScrapped,
    ).toBe(true);
  });
});
