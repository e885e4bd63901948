import { useNow } from '@vueuse/core';
import { computed } from 'vue';
import { NBSP } from './units';

const SECOND = 1_000;
const MINUTE = 60 * SECOND;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;

/** A span of time in its largest sensible unit: "12 s", "7 min", "5 h", "2 d". */
export function span(millis: number): string {
  if (millis < MINUTE) return `${Math.max(0, Math.floor(millis / SECOND))}${NBSP}s`;
  if (millis < HOUR) return `${Math.floor(millis / MINUTE)}${NBSP}min`;
  if (millis < 2 * DAY) return `${Math.floor(millis / HOUR)}${NBSP}h`;
  return `${Math.floor(millis / DAY)}${NBSP}d`;
}

const two = (value: number) => String(value).padStart(2, '0');

/** Hour and minute, with the day where it is another: who reads 20:40 in the morning would take it for the evening to come. */
export function clock(time: string | Date, now: Date): string {
  const at = new Date(time);
  const hourMinute = `${two(at.getHours())}:${two(at.getMinutes())}`;
  if (at.toDateString() === now.toDateString()) return hourMinute;
  const day = at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short' });
  return `${day}, ${hourMinute}`;
}

/** Day, hour and minute, as records have them; with the year where it is not this one. */
export function dated(time: string | Date): string {
  const at = new Date(time);
  const isThisYear = at.getFullYear() === new Date().getFullYear();
  const day = at.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    ...(!isThisYear && { year: 'numeric' }),
  });
  return `${day}, ${two(at.getHours())}:${two(at.getMinutes())}`;
}

/** A day of the calendar, `2026-03-02`, as people write it; it is the same day wherever it is read. */
export function calendarDay(on: string): string {
  return new Date(`${on}T12:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
    timeZone: 'UTC',
  });
}

/** The present moment, moving on every five seconds. */
export function useClock() {
  const now = useNow({ interval: 5_000 });
  return {
    now,
    age: (time: string | null | undefined) =>
      time ? span(now.value.getTime() - new Date(time).getTime()) : 'never',
    at: (time: string | Date) => clock(time, now.value),
    today: computed(() => now.value.toDateString()),
  };
}
