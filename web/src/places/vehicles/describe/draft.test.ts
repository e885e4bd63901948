// @vitest-environment node
import { describe, expect, it } from 'vitest';
import {
  added,
  changed,
  draftOf,
  EMPTY,
  entryOf,
  faultsByAxle,
  moved,
  positions,
  removed,
  type Draft,
} from './draft';

const steer = { role: 'STEER', wheels: 'SINGLE', liftable: false, coldPressureKpa: 850 } as const;
const drive = { role: 'DRIVE', wheels: 'TWIN', liftable: false, coldPressureKpa: 780 } as const;
const draft: Draft = { ...EMPTY, ref: 'LM-60', axles: [steer, drive], spares: 1 };

describe('a vehicle being described', () => {
  it('has the positions its axles make', () => {
    expect(positions(draft)).toEqual(['1L', '1R', '2LO', '2LI', '2RI', '2RO', 'S1']);
  });

  it('gets a driven axle behind a steered one, and never a thirteenth', () => {
    expect(added(draft, 0).axles.map((axle) => axle.role)).toEqual(['STEER', 'DRIVE', 'DRIVE']);
    const long = { ...draft, axles: Array.from({ length: 12 }, () => drive) };
    expect(added(long, 3)).toBe(long);
  });

  it('keeps its last axle', () => {
    expect(removed(draft, 0).axles).toEqual([drive]);
    expect(removed(removed(draft, 0), 0).axles).toEqual([drive]);
  });

  it('lets axles change places, and nothing happens at its ends', () => {
    expect(moved(draft, 1, -1).axles).toEqual([drive, steer]);
    expect(moved(draft, 0, -1)).toBe(draft);
    expect(moved(draft, 1, 1)).toBe(draft);
  });

  it('says only what was said', () => {
    const entry = entryOf(changed({ ...draft, plate: ' ' }, 1, { tyreSize: '', rimInches: 22.5 }));
    expect(entry.plate).toBeNull();
    expect(entry.axles[1]).toEqual({ ...drive, rimInches: 22.5 });
    expect(draftOf(entry)).toEqual({ ...draft, axles: entry.axles });
  });

  it('shows the server’s faults at their axles', () => {
    const faults = faultsByAxle([
      { field: '$.axles[1].limits.highPct', message: 'too high' },
      { field: '$.ref', message: 'taken' },
    ]);
    expect(faults.get(1)?.get('highPct')).toBe('too high');
    expect(faults.get(-1)?.get('ref')).toBe('taken');
  });
});
