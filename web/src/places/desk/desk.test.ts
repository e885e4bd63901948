import { beforeEach, describe, expect, it } from 'vitest';
import { forgetLastAct } from '@/api/alertActs';
import type { AlertItem } from '@/api/live';
import { alertDetail, alertItem, vehicleItem, vehicleLines } from '@/test/fleet';
import { field, fill, key, mountPage, named, press, settled, words } from '@/test/page';
import { answered, asked, askedFor, Refused, type Asked } from '@/test/server';
import DeskPlace from './DeskPlace.vue';

const STOP = alertItem('1', { urgency: 'STOP_NOW', vehicle: 'GX-05', kind: 'FAST_LEAK' });
const LEAK = alertItem('2', { urgency: 'NEXT_STOP', vehicle: 'LM-24' });
const LOW = alertItem('3', { kind: 'UNDER_PRESSURE', vehicle: 'GT-16', position: '1L' });
const PEOPLE = {
  items: [
    { userName: 'wren', displayName: 'A. Wren', handlesAlerts: true },
    { userName: 'quill', displayName: 'B. Quill', handlesAlerts: true },
    { userName: 'sedge', displayName: 'P. Sedge', handlesAlerts: false },
  ],
};

const STATES: Record<string, AlertItem['state']> = {
  ACKNOWLEDGE: 'ACKNOWLEDGED',
  TAKE_IN_HAND: 'IN_HAND',
  SHELVE: 'SHELVED',
  CLOSE: 'CLOSED',
  REOPEN: 'NEW',
};

/** A server that does what it is asked to. */
function desk(...alerts: AlertItem[]): void {
  const now = new Map(alerts.map((alert) => [alert.id, alert]));
  answered({
    'GET /api/v1/alerts': () => ({ items: [...now.values()].filter((one) => one.state !== 'CLOSED') }),
    'GET /api/v1/alerts/{id}': ({ path }: Asked) => {
      const item = now.get(path.split('/').at(-1) ?? '');
      return item ? alertDetail(item) : new Refused(404, 'There is no such alert.');
    },
    'GET /api/v1/alerts/{id}/instructions': {
      drivers: [
        {
          userName: 'tansley',
          displayName: 'O. Tansley',
          language: 'EN',
          text: 'Stop now.\nDo not inflate it.',
          hasEmail: true,
          hasPhone: false,
        },
        {
          userName: 'finch',
          displayName: 'R. Finch',
          language: 'DE',
          text: 'Sofort anhalten.',
          hasEmail: false,
          hasPhone: false,
        },
      ],
      told: [],
    },
    'GET /api/v1/vehicles/{ref}': ({ path }: Asked) => vehicleItem(path.split('/').at(-1) ?? ''),
    'GET /api/v1/vehicle-lines': vehicleLines('GX-05', 'LM-24', 'GT-16'),
    'GET /api/v1/people': PEOPLE,
    'POST /api/v1/alert-acts': ({ body }: Asked) => {
      const {
        act,
        alerts: meant,
        assignee,
      } = body as { act: string; alerts: { id: string }[]; assignee?: string };
      const done = meant.map(({ id }) => {
        const before = now.get(id) as AlertItem;
        const after = {
          ...before,
          state: STATES[act] ?? before.state,
          version: before.version + 1,
          assignee: assignee ?? before.assignee ?? null,
        };
        now.set(id, after);
        return after;
      });
      return { done, refused: [] };
    },
    'POST /api/v1/alerts/{id}/instructions': { drivers: [], told: [] },
  });
}

const acts = () => askedFor('POST', '/alert-acts').map(({ body }) => (body as { act: string }).act);
const focused = () => document.activeElement as HTMLElement;
const isOpen = () => document.querySelector('[role=dialog]') !== null;

beforeEach(() => {
  forgetLastAct();
  desk(STOP, LEAK, LOW);
});

/** Every key that does something on the Desk. */
const KEYS = [
  'a',
  't',
  'g',
  'i',
  'j',
  'h',
  'm',
  's',
  'o',
  'x',
  'u',
  'n',
  'f',
  'c',
  'ArrowDown',
  'ArrowUp',
  '?',
  '/',
];
/** What can lie above it, by how it is opened, and what has the focus then. */
const ABOVE: [name: string, open: string, focus: string][] = [
  ['close', 'c', 'TEXTAREA'],
  ['defer', 'h', 'TEXTAREA'],
  ['give', 'g', 'BUTTON'],
  ['instruct', 'i', 'SELECT'],
];

describe('the keys of the Desk', () => {
  it.each(ABOVE)('act on nothing while "%s" is open, wherever the focus fell', async (_, open) => {
    const { router } = await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    key(open);
    await settled();
    expect(isOpen()).toBe(true);
    const here = router.currentRoute.value.fullPath;
    const before = asked.length;
    for (const at of [focused(), document.body, document.querySelector('[data-alert]') as HTMLElement]) {
      for (const name of KEYS) {
        at.dispatchEvent(new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true }));
      }
      await settled();
    }
    expect(asked.slice(before).filter(({ method }) => method !== 'GET')).toEqual([]);
    expect(router.currentRoute.value.fullPath).toBe(here);
    expect(document.querySelectorAll('[role=dialog]')).toHaveLength(1);
  });

  it.each(ABOVE)(
    '"%s" has the focus where an answer is expected, each time that it opens',
    async (_, open, kind) => {
      await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
      for (let time = 0; time < 3; time++) {
        document.querySelector<HTMLElement>('[data-alert="2"]')?.focus();
        key(open);
        await settled();
        expect(focused().tagName).toBe(kind);
        expect(focused().closest('[role=dialog]')).not.toBeNull();
        key('Escape');
        await settled();
        expect(isOpen()).toBe(false);
        expect(focused().dataset.alert).toBe('2');
      }
    },
  );

  it('are dead from the key that asks something until the question is there', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    let go: () => void = () => undefined;
    answered({
      'POST /api/v1/alert-acts': () =>
        new Promise((resolve) => (go = () => resolve({ done: [], refused: [] }))),
    });
    key('a');
    await settled();
    expect(acts()).toEqual(['ACKNOWLEDGE']);
    // The first answer is slow; what is typed meanwhile was meant for the reason.
    for (const letter of 'ctah') key(letter);
    go();
    await settled();
    expect(acts()).toEqual(['ACKNOWLEDGE']);
    expect(isOpen()).toBe(true);
    expect(words()).toContain('Close this alert');
  });

  it('do not act from a field, with Ctrl, or on what another part took', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    field('Vehicle, wheel or word').focus();
    key('a');
    document.body.focus();
    field('Vehicle, wheel or word').blur();
    key('a', { ctrlKey: true });
    key('a', { isComposing: true });
    await settled();
    expect(acts()).toEqual([]);
    key('a');
    await settled();
    expect(acts()).toEqual(['ACKNOWLEDGE']);
  });

  it('go back to the alert’s heading where the row that was left is gone', async () => {
    await mountPage(DeskPlace, { at: '/desk/3', props: { id: '3' } });
    document.querySelector<HTMLElement>('[data-alert="3"]')?.focus();
    key('c');
    await settled();
    await fill('What was found or done?', 'valve core changed');
    document.querySelector<HTMLElement>('[data-alert="3"]')?.remove();
    await press('Close the alert');
    expect(acts()).toEqual(['CLOSE']);
    expect(isOpen()).toBe(false);
    expect(focused().tagName).toBe('H2');
  });

  it('walk the queue up and down and stay within it', async () => {
    const { router } = await mountPage(DeskPlace, { at: '/desk/1', props: { id: '1' } });
    key('ArrowDown');
    await settled();
    expect(router.currentRoute.value.params.id).toBe('2');
    key('ArrowUp');
    await settled();
    // The page's own choice is given by its address, which the test holds still.
    expect(['1', '2']).toContain(router.currentRoute.value.params.id);
  });
});

describe('what is asked before an act', () => {
  it('a close needs words, and says what was decided about the alert', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    key('c');
    await settled();
    expect((named('Close the alert') as HTMLButtonElement).disabled).toBe(true);
    await fill('What was found or done?', 'nail out, plugged');
    await press('It was right');
    await press('Close the alert');
    expect(askedFor('POST', '/alert-acts')[0]?.body).toEqual({
      act: 'CLOSE',
      alerts: [{ id: '2', version: 1 }],
      reason: 'nail out, plugged',
      inspectedBy: null,
      isScrapped: false,
      verdict: 'RIGHT',
    });
  });

  it('a tyre that was run soft is only closed by its inspection or its end', async () => {
    answered({ 'GET /api/v1/alerts/{id}': alertDetail(LEAK, { isRunSoft: true, hasToBeInspected: true }) });
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    key('c');
    await settled();
    await fill('What was found or done?', 'looked at');
    const close = named('Close the alert') as HTMLButtonElement;
    expect(close.disabled).toBe(true);
    await fill('Inspected off the vehicle by', 'R. Tansley');
    expect(close.disabled).toBe(false);
  });

  it('what a person saw is closed with the name of who inspected it, and is not deferred', async () => {
    const seen = alertItem('2', { kind: 'REPORTED_FAULT', urgency: 'BEFORE_NEXT_TRIP', vehicle: 'LM-24' });
    answered({ 'GET /api/v1/alerts/{id}': alertDetail(seen, { hasToBeInspected: true }) });
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    expect(words()).toContain('A fault that a person saw cannot be deferred');
    key('c');
    await settled();
    await fill('What was found or done?', 'dirt');
    expect((named('Close the alert') as HTMLButtonElement).disabled).toBe(true);
    await fill('Inspected by', 'B. Quill');
    await press('Close the alert');
    expect(askedFor('POST', '/alert-acts')[0]?.body).toMatchObject({ act: 'CLOSE', inspectedBy: 'B. Quill' });
  });

  it('a report of the wrong wheel is corrected, and nothing else can be', async () => {
    const seen = alertItem('2', { kind: 'REPORTED_FAULT', vehicle: 'LM-24', position: '1L' });
    answered({ 'GET /api/v1/alerts/{id}': alertDetail(seen) });
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    await press('Correct report');
    expect((named('Save correction') as HTMLButtonElement).disabled).toBe(true);
    await fill('Wheel', '1R');
    await press('Save correction');
    expect(askedFor('POST', '/alert-acts')[0]?.body).toMatchObject({
      act: 'CORRECT',
      alerts: [{ id: '2' }],
      position: '1R',
      point: null,
    });
  });

  it('readings are not corrected like a report', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    expect(words()).not.toContain('Correct report');
  });

  it('what says stop now is never put aside, by key or by button', async () => {
    await mountPage(DeskPlace, { at: '/desk/1', props: { id: '1' } });
    key('h');
    await settled();
    expect(isOpen()).toBe(false);
    expect(words()).toContain('Stop now cannot be deferred.');
  });

  it('an alert is given to somebody who handles alerts, and to nobody else', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    key('g');
    await settled();
    const dialog = document.querySelector('[role=dialog]') as HTMLElement;
    expect(dialog.textContent).toContain('B. Quill');
    expect(dialog.textContent).not.toContain('P. Sedge');
    await press('B. Quill');
    expect(askedFor('POST', '/alert-acts')[0]?.body).toMatchObject({ act: 'ASSIGN', assignee: 'quill' });
    expect(isOpen()).toBe(false);
  });

  it('a driver is told in the words that are shown, by the ways that there are', async () => {
    await mountPage(DeskPlace, { at: '/desk/1', props: { id: '1' } });
    key('i');
    await settled();
    expect(words()).toContain('Stop now.Do not inflate it.');
    expect(words()).toContain('on their page, by mail');
    await fill('Who drives it?', 'finch');
    expect(words()).toContain('Sofort anhalten.');
    expect(document.querySelector('blockquote')?.lang).toBe('de');
    await press('Tell R. Finch');
    expect(askedFor('POST', '/instructions')[0]?.body).toEqual({ driver: 'finch' });
    expect(isOpen()).toBe(false);
  });

  it('a refusal stands in the dialog, and nothing that was typed is lost', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    answered({
      'POST /api/v1/alert-acts': {
        done: [],
        refused: [{ id: '2', message: 'B. Quill has taken it in hand meanwhile.' }],
      },
    });
    key('c');
    await settled();
    await fill('What was found or done?', 'nothing found');
    await press('Close the alert');
    expect(isOpen()).toBe(true);
    expect(words()).toContain('B. Quill has taken it in hand meanwhile.');
    expect(field('What was found or done?').value).toBe('nothing found');
  });
});

describe('several alerts at once', () => {
  it('are chosen and acknowledged together, each with the version that was seen', async () => {
    await mountPage(DeskPlace, { at: '/desk/1', props: { id: '1' } });
    for (const at of [1, 2]) {
      document.querySelectorAll<HTMLInputElement>('nav [type=checkbox]')[at]?.click();
      await settled();
    }
    expect(words()).toContain('2 chosen');
    key('a');
    await settled();
    expect(askedFor('POST', '/alert-acts')[0]?.body).toEqual({
      act: 'ACKNOWLEDGE',
      alerts: [
        { id: '2', version: 1 },
        { id: '3', version: 1 },
      ],
    });
    expect(words()).toContain('Acknowledged: LM-24 2LO and 1 more.');
  });

  it('what was done is taken back with the key that is offered', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' } });
    key('t');
    await settled();
    expect(words()).toContain('Taken in hand: LM-24 2LO.');
    key('u');
    await settled();
    expect(acts()).toEqual(['TAKE_IN_HAND', 'TAKE_BACK']);
  });

  it('narrowing hides all but what says stop now, and says how much is hidden', async () => {
    await mountPage(DeskPlace, { at: '/desk/1', props: { id: '1' } });
    await fill('Vehicle, wheel or word', 'GT-16');
    expect(
      [...document.querySelectorAll('[data-alert]')].map((row) => (row as HTMLElement).dataset.alert),
    ).toEqual(['1', '3']);
    expect(words()).toContain('1 alert is not shown. A stop now always is.');
  });
});

describe('who may what', () => {
  it('a viewer reads and does nothing, by key neither', async () => {
    await mountPage(DeskPlace, { at: '/desk/2', props: { id: '2' }, role: 'VIEWER' });
    expect(words()).toContain('Your role reads alerts');
    for (const name of KEYS.filter((one) => one !== '/' && one !== '?')) {
      key(name);
      await settled();
    }
    expect(asked.filter(({ method }) => method !== 'GET')).toEqual([]);
    expect(isOpen()).toBe(false);
  });

  it('with nothing open it says so and leads to the vehicles', async () => {
    desk();
    await mountPage(DeskPlace);
    expect(words()).toContain('Nothing needs you now.');
    expect(named('See how every vehicle is').getAttribute('href')).toBe('/vehicles');
  });
});
