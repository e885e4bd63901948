// @vitest-environment node
import { describe, expect, it } from 'vitest';
import { nextTick, ref } from 'vue';
import { useZoom, type Range } from './zoom';

describe('looking closer', () => {
  it('halves the time around a point and goes back to all of it', () => {
    const zoom = useZoom(ref<Range>([0, 40_000]));
    zoom.closer(10_000);
    expect(zoom.range.value).toEqual([5_000, 25_000]);
    zoom.wider(10_000);
    expect(zoom.range.value).toEqual([0, 40_000]);
    expect(zoom.isZoomed.value).toBe(false);
  });

  it('never leaves what there is and never comes closer than ten minutes', () => {
    const zoom = useZoom(ref<Range>([0, 40_000]));
    zoom.show([39_900, 40_100]);
    expect(zoom.range.value).toEqual([39_400, 40_000]);
  });

  it('stays where it is while time moves on, and forgets it when another span is chosen', async () => {
    const whole = ref<Range>([0, 40_000]);
    const zoom = useZoom(whole);
    zoom.show([10_000, 20_000]);
    whole.value = [60, 40_060];
    await nextTick();
    expect(zoom.range.value).toEqual([10_000, 20_000]);
    whole.value = [0, 400_000];
    await nextTick();
    expect(zoom.isZoomed.value).toBe(false);
  });
});
