import type { AlertHealth, HealthWeek } from '@/api/health';
import { span } from '@/shared/time';
import { URGENCIES } from '@/shared/urgency';
import { NBSP } from '@/shared/units';

/** A figure of every week, and what would be well. */
export interface FigureRow {
  words: string;
  cells: { text: string; isBad: boolean }[];
  bound: string;
}

const MINUTE_MILLIS = 60_000;
const percent = (share: number) =>
  `${share > 0 && share < 0.001 ? '<0.1' : (share * 100).toFixed(1)}${NBSP}%`;
const waited = (minutes: number | null | undefined) =>
  minutes === null || minutes === undefined ? '–' : span(minutes * MINUTE_MILLIS);

/** The figures of the weeks, in the order in which somebody reads them. */
export function rowsOf({ weeks, bounds }: AlertHealth): FigureRow[] {
  const row = (
    words: string,
    bound: string,
    text: (week: HealthWeek) => string,
    isBad: (week: HealthWeek) => boolean = () => false,
  ): FigureRow => ({ words, bound, cells: weeks.map((week) => ({ text: text(week), isBad: isBad(week) })) });
  const mix = (week: HealthWeek) => {
    const counts = URGENCIES.map((urgency) => week.byUrgency[urgency] ?? 0);
    return counts.some(Boolean) ? counts.join(' / ') : '–';
  };
  const count = (number: number | undefined) => String(number ?? 0);
  return [
    row('Calls', '', (week) => String(week.calls)),
    row(
      'Calls an hour',
      `up to ${bounds.finePerHour}; ${bounds.mostPerHour} is the most`,
      (week) => week.perHour.toFixed(1),
      (week) => week.perHour > bounds.finePerHour,
    ),
    row(
      'Time in flood',
      `below ${percent(bounds.mostFlood)}`,
      (week) => percent(week.floodShare),
      (week) => week.floodShare >= bounds.mostFlood,
    ),
    row(
      'Chattering alerts',
      'none',
      (week) => String(week.chattering),
      (week) => week.chattering > 0,
    ),
    row(
      'Open longer than a day',
      `at most ${bounds.mostStanding}`,
      (week) => String(week.standing),
      (week) => week.standing > bounds.mostStanding,
    ),
    row('Stop / next stop / before trip / plan', '', mix),
    row('Until seen, middle one', '', (week) => waited(week.minutesToSeen)),
    row('Until somebody acted', '', (week) => waited(week.minutesToAct)),
    row('Until proof', '', (week) => waited(week.minutesToProof)),
    row('Closed on proof', '', (week) => String((week.closed.READINGS ?? 0) + (week.closed.INSPECTION ?? 0))),
    row('Closed without proof', 'few', (week) => count(week.closed.WORD)),
    row('Withdrawn', '', (week) => count(week.closed.WITHDRAWN)),
    row('Closed with a tyre that left', '', (week) => count(week.closed.TYRE_LEFT)),
    row('Closed as a report corrected', '', (week) => count(week.closed.CORRECTION)),
    row('Called right', '', (week) => count(week.verdicts.RIGHT)),
    row('Right, but not worth it', '', (week) => count(week.verdicts.NOT_WORTH_IT)),
    row('Nothing was found', 'few', (week) => count(week.verdicts.NOTHING_FOUND)),
  ];
}
