import { describe, expect, it } from 'vitest';
import { hours, moveUp, toggle } from './mounts';

describe('the order of preference', () => {
  it('moves one up, and leaves the first where it is', () => {
    expect(moveUp(['STRAP', 'BELT', 'CAP'], 'CAP')).toEqual(['STRAP', 'CAP', 'BELT']);
    expect(moveUp(['STRAP', 'BELT'], 'STRAP')).toEqual(['STRAP', 'BELT']);
    expect(moveUp(['STRAP'], 'GLUED')).toEqual(['STRAP']);
  });

  it('takes one in at the end and out again', () => {
    expect(toggle(['STRAP'], 'CAP')).toEqual(['STRAP', 'CAP']);
    expect(toggle(['STRAP', 'CAP'], 'STRAP')).toEqual(['CAP']);
  });

  it('says hours as people do', () => {
    expect(hours(45)).toBe('45 min');
    expect(hours(120)).toBe('2 h');
    expect(hours(200)).toBe('3 h 20 min');
    expect(hours(0)).toBe('0 min');
  });
});
