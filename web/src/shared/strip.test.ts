import { mount } from '@vue/test-utils';
import { describe, expect, it } from 'vitest';
import AxleStrip from './AxleStrip.vue';
import { layOut, stripText, teeth, wheelText, type StripVehicle, type StripWheelState } from './strip';
import { NBSP } from './units';

function wheel(position: string, more: Partial<StripWheelState> = {}): StripWheelState {
  return {
    position,
    condition: 'OK',
    sensor: 'A1B2C3',
    at: '2026-11-20T06:31:07Z',
    pressureAt20Kpa: 780,
    temperatureC: 38,
    deviation: 0,
    ...more,
  };
}

function tractorUnit(...wheels: StripWheelState[]): StripVehicle {
  const positions = ['1L', '1R', '2LO', '2LI', '2RI', '2RO', 'S1'];
  return {
    ref: 'GX-05',
    axles: [
      { role: 'STEER', wheels: 'SINGLE', liftable: false },
      { role: 'DRIVE', wheels: 'TWIN', liftable: false },
    ],
    wheels: positions.map((position) => wheels.find((own) => own.position === position) ?? wheel(position)),
  };
}

const celsius = (value: number) => `${value}${NBSP}°C`;

describe('the axle strip', () => {
  it('puts the front at the left, left wheels above, outer twins farther from the spine', () => {
    const strip = layOut(tractorUnit(), 'page');
    const at = (position: string) => strip.wheels.find((drawn) => drawn.state.position === position);

    expect(at('1L')?.x).toBeLessThan(at('2LO')?.x ?? 0);
    expect(at('1L')?.y).toBeLessThan(strip.spineY);
    expect(at('1R')?.y).toBeGreaterThan(strip.spineY);
    expect(at('2LO')?.y).toBeLessThan(at('2LI')?.y ?? 0);
    expect(at('2RO')?.y).toBeGreaterThan(at('2RI')?.y ?? 0);
    expect(at('S1')?.x).toBeGreaterThan(at('2LO')?.x ?? 0);
  });

  it('keeps everything inside its frame at every size', () => {
    for (const size of ['row', 'page'] as const) {
      const strip = layOut(tractorUnit(), size);
      for (const drawn of strip.wheels) {
        expect(drawn.x).toBeGreaterThanOrEqual(0);
        expect(drawn.y).toBeGreaterThanOrEqual(0);
        expect(drawn.x).toBeLessThan(strip.width);
        expect(drawn.y).toBeLessThan(strip.height);
      }
    }
  });

  it('shows a tooth for every eight degrees above the siblings', () => {
    const hot = wheel('2LO', { temperatureC: 38 + 25 });
    const vehicle = tractorUnit(hot);
    expect(teeth(hot, vehicle.wheels)).toBe(3);
    expect(teeth(vehicle.wheels[0] as StripWheelState, vehicle.wheels)).toBe(0);
    expect(teeth(wheel('1L', { temperatureC: null }), vehicle.wheels)).toBe(0);
    expect(teeth(hot, [hot])).toBe(0);
  });

  it('says a wheel in words', () => {
    const low = wheel('2LO', { deviation: -0.07, condition: 'OK', urgency: 'NEXT_STOP' });
    expect(wheelText(low, celsius)).toBe(`Axle 2 left outer: 7${NBSP}% under, 38${NBSP}°C, next safe stop`);
    expect(wheelText(low, celsius, '743')).toContain('outer: 743, 7');
    const bare = wheel('2LO', { condition: 'NO_SENSOR', deviation: null, temperatureC: null });
    expect(wheelText(bare, celsius)).toBe('Axle 2 left outer: no sensor');
  });

  it('says of a whole vehicle only the exceptions and how many are well', () => {
    const low = wheel('1R', { deviation: -0.2, condition: 'LOW_CRITICAL', urgency: 'STOP_NOW' });
    const asleep = wheel('1L', { condition: 'ASLEEP' });
    const words = stripText(tractorUnit(low, asleep).wheels, celsius);
    expect(words).toContain('Axle 1 right: 20');
    expect(words).toContain(`5${NBSP}wheels in band`);
    expect(words).toContain(`1${NBSP}asleep`);
  });

  it('is a picture with a text, or a group of buttons where wheels can be chosen', async () => {
    const picture = mount(AxleStrip, { props: { vehicle: tractorUnit() } });
    expect(picture.attributes('role')).toBe('img');
    expect(picture.attributes('aria-label')).toContain('GX-05');

    const choice = mount(AxleStrip, { props: { vehicle: tractorUnit(), size: 'page', isInteractive: true } });
    const buttons = choice.findAll('[role="button"]');
    expect(buttons).toHaveLength(7);
    await buttons[2]?.trigger('keydown', { key: 'Enter' });
    await buttons[0]?.trigger('click');
    expect(choice.emitted('choose')).toEqual([['2LO'], ['1L']]);
  });

  it('marks urgency by shape as well as by hue', () => {
    const shapes = (['STOP_NOW', 'NEXT_STOP', 'BEFORE_NEXT_TRIP', 'PLAN'] as const).map((urgency) =>
      mount(AxleStrip, { props: { vehicle: tractorUnit(wheel('2LO', { urgency })) } })
        .html()
        .replace(/var\(--\w+\)/g, ''),
    );
    expect(new Set(shapes).size).toBe(4);
  });
});
