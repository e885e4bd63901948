import type { KitPlanRequest } from '@/api/stores';

export type Mount = NonNullable<KitPlanRequest['preference']>[number];

/** One step up in the order of preference; the first stays. */
export function moveUp<T>(order: T[], one: T): T[] {
  const index = order.indexOf(one);
  if (index < 1) return order;
  const moved = [...order];
  moved.splice(index, 1);
  moved.splice(index - 1, 0, one);
  return moved;
}

/** Takes one into the order at its end, or out of it. */
export function toggle<T>(order: T[], one: T): T[] {
  return order.includes(one) ? order.filter((other) => other !== one) : [...order, one];
}

/** "3 h 20 min", "45 min". */
export function hours(minutes: number): string {
  const whole = Math.floor(minutes / 60);
  const rest = minutes % 60;
  return [whole ? `${whole} h` : '', rest || !whole ? `${rest} min` : ''].filter(Boolean).join(' ');
}
