// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { marks, requestOf, toMakeRoom, vehiclesOf, withOffAndOn, withStep, type Step } from './steps';

const wheel = (position: string, vehicle = 'LM-21') => ({ vehicle, position });
const step = (from: string, to: string): Step => ({ from: wheel(from), to: wheel(to) });

describe('the steps of a move', () => {
  it('ask for where the tyre goes that has to make room, until the circle is closed', () => {
    let steps = withStep([], step('1L', '1R'));
    expect(toMakeRoom(steps)).toEqual(wheel('1R'));
    steps = withStep(steps, step('1R', '2L'));
    expect(toMakeRoom(steps)).toEqual(wheel('2L'));
    steps = withStep(steps, step('2L', '1L'));
    expect(toMakeRoom(steps)).toBeUndefined();
  });

  it('let a tyre go to one place and a wheel take one tyre: what was said last counts', () => {
    expect(withStep([step('1L', '1R')], step('1L', '2L'))).toEqual([step('1L', '2L')]);
    expect(withStep([step('1L', '1R')], step('2L', '1R'))).toEqual([step('2L', '1R')]);
    expect(withStep([step('1L', '1R')], step('1L', '1L'))).toEqual([]);
  });

  it('keep wheels of two vehicles apart', () => {
    const steps = [{ from: wheel('1L'), to: wheel('1L', 'LM-22') }];
    expect(toMakeRoom(steps)).toEqual(wheel('1L', 'LM-22'));
    expect(marks(steps, 'LM-21', ['1L', '1R'])).toEqual({ '1L': 'bare', '1R': '1R' });
    expect(marks(steps, 'LM-22', ['1L'])).toEqual({ '1L': 'LM-21 ›' });
  });

  it('write into each wheel where its tyre comes from', () => {
    const steps: Step[] = [
      step('1L', '1R'),
      { from: wheel('1R'), to: { kind: 'STORE' } },
      { from: { tyre: '7', words: 'a tyre' }, to: wheel('1L') },
    ];
    expect(marks(steps, 'LM-21', ['1L', '1R'])).toEqual({ '1R': '1L ›', '1L': 'store ›' });
    expect(toMakeRoom(steps)).toBeUndefined();
  });

  it('take a wheel off and on again where it is, and nothing else of it moves', () => {
    const swap = withStep(withStep([], { from: wheel('1L'), to: wheel('1R') }), {
      from: wheel('1R'),
      to: wheel('1L'),
    });
    const both = withOffAndOn(withOffAndOn(swap, wheel('2L')), wheel('2L'));
    expect(both.slice(2)).toEqual([{ from: wheel('2L'), to: wheel('2L') }]);
    expect(marks(both, 'LM-21', ['1L', '1R', '2L'])['2L']).toBe('off, on');
    expect(toMakeRoom(both)).toBeUndefined();
    expect(withOffAndOn(swap, wheel('1L'))).toEqual([{ from: wheel('1L'), to: wheel('1L') }]);
  });

  it('become a request that says of sensors only what was chosen', () => {
    const steps: Step[] = [
      { ...step('1L', '1R'), fate: 'OFF' },
      {
        from: { tyre: '7', words: 'a tyre' },
        to: { kind: 'REPAIRER', name: ' Marle Road ' },
        reason: 'WORN',
      },
    ];
    expect(requestOf(steps, null, '  ')).toEqual({
      at: null,
      note: null,
      steps: [
        { vehicle: 'LM-21', position: '1L', to: wheel('1R'), sensor: 'OFF', went: 'WHOLE_WHEEL' },
        { tyre: '7', to: { kind: 'REPAIRER', name: 'Marle Road' }, reason: 'WORN', went: 'WHOLE_WHEEL' },
      ],
    });
  });

  it('say how far those vehicles had run that are concerned, and no other', () => {
    const steps: Step[] = [
      { from: { vehicle: 'GX-01', position: '1L' }, to: { vehicle: 'GX-02', position: '1L' } },
    ];

    expect(vehiclesOf(steps)).toEqual(['GX-01', 'GX-02']);
    expect(requestOf(steps, null, '', { 'GX-01': 1200, 'GX-02': null, 'LM-21': 7 }).distances).toEqual([
      { vehicle: 'GX-01', km: 1200 },
    ]);
    expect(requestOf(steps, null, '')).not.toHaveProperty('distances');
  });
});
