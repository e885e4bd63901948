import type { Act } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { span } from '@/shared/time';
import { kindWords, rank } from '@/shared/urgency';

/** A fuse this long is drawn full. */
const FULL_MINUTES = 12 * 60;

const isWeather = (alert: AlertItem) => alert.kind === 'WEATHER_LOW';

const TEN_MINUTES = 10 * 60_000;
/** More than so many in ten minutes are a flood, until there are fewer than {@link FEW}: ISA-18.2, from memory. */
const MANY = 10;
const FEW = 5;

/** How many alerts called in the last ten minutes: opened, came back or grew. */
export const callsLately = (alerts: AlertItem[], now: Date): number =>
  alerts.filter((alert) => {
    const last = alert.history.at(-1)?.at ?? alert.openedAt;
    return now.getTime() - new Date(last).getTime() < TEN_MINUTES;
  }).length;

/** Whether more come than anybody can look at one by one. */
export const isFlood = (calls: number, wasFlood: boolean): boolean =>
  wasFlood ? calls >= FEW : calls > MANY;

/** Alerts that stand together in a part of the queue. */
export interface Together {
  title: string;
  alerts: AlertItem[];
}

/**
 * Takes out of a part of the queue what stands together: notes about the weather, which one round of a depot puts right,
 * and in a flood whatever is of one kind at one depot. What says stop now always stands by itself.
 */
export function together(
  alerts: AlertItem[],
  depotOf: (vehicle: string) => string | null | undefined,
  isInFlood: boolean,
): { alerts: AlertItem[]; groups: Together[] } {
  const byTitle = new Map<string, AlertItem[]>();
  for (const alert of alerts) {
    const depot = alert.vehicle ? depotOf(alert.vehicle) : undefined;
    const stands = alert.urgency === 'STOP_NOW' || !(isWeather(alert) ? depot : isInFlood);
    if (stands) continue;
    const what = isWeather(alert) ? 'Cold weather' : capital(kindWords(alert.kind));
    const title = depot ? `${what} at ${depot}` : what;
    byTitle.set(title, [...(byTitle.get(title) ?? []), alert]);
  }
  const groups = [...byTitle]
    .filter(([, own]) => own.length > 1)
    .map(([title, own]) => ({ title, alerts: own }));
  const taken = new Set(groups.flatMap((group) => group.alerts));
  return { alerts: alerts.filter((alert) => !taken.has(alert)), groups };
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** Whether a driver asked for help, or sees smoke, and nobody deals with it yet: that goes before what sensors say. */
export const needsSomebody = (alert: AlertItem) =>
  alert.driver?.isUrgent === true && (alert.state === 'NEW' || alert.state === 'ACKNOWLEDGED');

/** Whether an act makes sense on an alert, as far as its line tells; the server knows more. */
export function fits(act: Act, alert: AlertItem): boolean {
  const isOpen = alert.state !== 'CLOSED';
  switch (act) {
    case 'ACKNOWLEDGE':
      return alert.state === 'NEW';
    case 'TAKE_IN_HAND':
      return alert.state === 'NEW' || alert.state === 'ACKNOWLEDGED';
    case 'SHELVE':
      return fits('TAKE_IN_HAND', alert) && alert.urgency !== 'STOP_NOW';
    case 'STAND_ALONE':
      return isOpen && Boolean(alert.sameCauseAs);
    case 'RAISE_JOB':
      return isOpen && !alert.hasJob;
    case 'END_JOB':
      return isOpen && alert.hasJob;
    case 'CORRECT':
      return isOpen && alert.kind === 'REPORTED_FAULT';
    case 'REOPEN':
      return !isOpen;
    default:
      return isOpen;
  }
}

/** An alert that stands for others too, and those others. */
export interface Folded {
  /** What stands in the queue by itself. */
  alerts: AlertItem[];
  /** What stands behind an alert, by its identity. */
  behind: Map<string, AlertItem[]>;
}

/** Takes out of a queue what is counted with another that stands there too. A stop now is never behind anything. */
export function byCause(alerts: AlertItem[]): Folded {
  const here = new Map(alerts.map((alert) => [alert.id, alert]));
  const behind = new Map<string, AlertItem[]>();
  const leads = (alert: AlertItem): AlertItem => {
    const leading = alert.sameCauseAs ? here.get(alert.sameCauseAs) : undefined;
    return !leading || alert.urgency === 'STOP_NOW' ? alert : leads(leading);
  };
  for (const alert of alerts) {
    const leading = leads(alert).id;
    if (leading !== alert.id) behind.set(leading, [...(behind.get(leading) ?? []), alert]);
  }
  const hidden = new Set([...behind.values()].flat());
  return { alerts: alerts.filter((alert) => !hidden.has(alert)), behind };
}

/** The order of the queue: who needs somebody, then by instruction, then weather last, then what is new, then what has the least time left, then the oldest. */
export function inOrder(alerts: AlertItem[]): AlertItem[] {
  const isNew = (alert: AlertItem) => (alert.state === 'NEW' ? 0 : 1);
  const left = (alert: AlertItem) => alert.minutesToCritical ?? Number.POSITIVE_INFINITY;
  return [...alerts].sort(
    (a, b) =>
      Number(needsSomebody(b)) - Number(needsSomebody(a)) ||
      rank(a.urgency) - rank(b.urgency) ||
      Number(isWeather(a)) - Number(isWeather(b)) ||
      isNew(a) - isNew(b) ||
      (left(a) === left(b) ? 0 : left(a) - left(b)) ||
      a.openedAt.localeCompare(b.openedAt),
  );
}

/** The time left to the second limit as words and as a bar, counted down from the newest reading. */
export function fuse(alert: AlertItem, now: Date): { words: string; percent: number } | undefined {
  if (!alert.criticalAt || alert.state === 'RECOVERED') return undefined;
  const left = (new Date(alert.criticalAt).getTime() - now.getTime()) / 60_000;
  return left <= 0
    ? { words: 'now', percent: 100 }
    : {
        words: `${span(left * 60_000)} left`,
        percent: Math.max(3, Math.min(100, (left / FULL_MINUTES) * 100)),
      };
}

export interface QueueFilter {
  text: string;
  depot: string;
  /** Which states are shown: everything, what nobody has dealt with, or what was put aside. */
  show: 'OPEN' | 'NEW' | 'ASIDE';
}

export const NO_FILTER: QueueFilter = { text: '', depot: '', show: 'OPEN' };

/** Whether a filter lets an alert through. A stop now is always shown: no filter may hide it. */
export function passes(alert: AlertItem, filter: QueueFilter, depot: string | null | undefined): boolean {
  if (alert.urgency === 'STOP_NOW') return true;
  const isAside = alert.state === 'SHELVED';
  if (filter.show === 'ASIDE' ? !isAside : isAside) return false;
  if (filter.show === 'NEW' && alert.state !== 'NEW') return false;
  if (filter.depot && depot !== filter.depot) return false;
  const wanted = filter.text.trim().toLowerCase();
  return (
    !wanted ||
    [alert.vehicle, alert.position, alert.summary].some((text) => text?.toLowerCase().includes(wanted))
  );
}
