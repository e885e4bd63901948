const NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** Months up to now, the latest first. */
export function monthsBack(now: Date, count: number): { value: string; words: string }[] {
  return Array.from({ length: count }, (_, back) => {
    const first = new Date(now.getFullYear(), now.getMonth() - back, 1);
    const number = String(first.getMonth() + 1).padStart(2, '0');
    return {
      value: `${first.getFullYear()}-${number}`,
      words: `${NAMES[first.getMonth()]} ${first.getFullYear()}`,
    };
  });
}

/** A span as people say it: minutes, hours, days. */
export function spanWords(minutes: number | null | undefined): string {
  if (typeof minutes !== 'number') return 'nothing known';
  if (minutes < 1) return 'under a minute';
  if (minutes < 120) return `${minutes} min`;
  if (minutes < 48 * 60) return `${Math.round(minutes / 60)} h`;
  return `${Math.round(minutes / (24 * 60))} days`;
}
