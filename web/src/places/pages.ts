import type { RouteRecordRaw } from 'vue-router';
import type { Role } from '@/api/team';

/** Who may see a page; the server checks the same at every call. */
export const MANAGER_ONLY: readonly Role[] = ['MANAGER'];
export const DRIVERS: readonly Role[] = ['DRIVER'];
export const NOT_DRIVERS: readonly Role[] = ['MANAGER', 'TECHNICIAN', 'VIEWER'];

/** A page of a place: for its address, the place's index, its heading and the jump box. */
export interface PlacePage {
  name: string;
  path: string;
  title: string;
  /** What it answers, in one sentence. */
  answers: string;
  /** Who may change what stands there; nothing where whoever sees it may. */
  rights?: string;
  /** What else people call it, for whoever looks for it. */
  alsoCalled: string;
  /** Everybody if absent. */
  roles?: readonly Role[];
  component: NonNullable<RouteRecordRaw['component']>;
}

const MANAGERS_CHANGE = 'Managers change it; others read.';

export const OFFICE_PAGES: PlacePage[] = [
  {
    name: 'limits',
    path: '/office/limits',
    title: 'Limits',
    answers: 'How much pressure and heat each axle may have before somebody is told.',
    rights: MANAGERS_CHANGE,
    alsoCalled:
      'low high hot temperature per cent policy ruler thresholds alarms compensation gauge basis reference winter season',
    roles: NOT_DRIVERS,
    component: () => import('./office/limits/LimitsPlace.vue'),
  },
  {
    name: 'targets',
    path: '/office/targets',
    title: 'Targets and load tables',
    answers: 'What cold pressure a weighed axle needs, by what the makers of the tyres say.',
    rights: MANAGERS_CHANGE,
    alsoCalled: 'load tables cold pressure placard weight tyre size maker speed',
    roles: NOT_DRIVERS,
    component: () => import('./office/tables/LoadTablesPage.vue'),
  },
  {
    name: 'tyre-rules',
    path: '/office/tyres-and-gauges',
    title: 'Tyres and hand gauges',
    answers:
      'What a tyre must have to be fitted, when wheel nuts are tightened again, how far a hand gauge may differ.',
    rights: MANAGERS_CHANGE,
    alsoCalled:
      'rules gauge tolerance least tread depth age date code retread workshop rules wheel nuts retorque',
    roles: NOT_DRIVERS,
    component: () => import('./office/TyreRulesPage.vue'),
  },
  {
    name: 'alert-health',
    path: '/office/alert-health',
    title: 'Alert health',
    answers: 'Whether the alerts are good for anything, week by week, and what causes most of them.',
    alsoCalled: 'statistics figures flood chatter precision false alarms worst wheels how good',
    roles: NOT_DRIVERS,
    component: () => import('./office/health/AlertHealthPage.vue'),
  },
  {
    name: 'month',
    path: '/office/month',
    title: 'Monthly report',
    answers: 'A month of the fleet to be handed over: alerts, how fast they were settled, exposure, work.',
    alsoCalled: 'report month print hand over exposure hours work done time to acknowledge statistics',
    roles: NOT_DRIVERS,
    component: () => import('./office/MonthPage.vue'),
  },
  {
    name: 'logbook',
    path: '/office/logbook',
    title: 'Logbook',
    answers: 'What was done, by whom, when and why. Nothing in it is ever changed or taken out.',
    alsoCalled: 'history audit who did record proof changes',
    roles: MANAGER_ONLY,
    component: () => import('./office/logbook/LogbookPage.vue'),
  },
  {
    name: 'team',
    path: '/office/team',
    title: 'Team',
    answers: 'Who may come in, what each may do, and which vehicles a driver sees.',
    alsoCalled: 'who may people accounts users invite somebody drivers technicians roles rights passwords',
    roles: MANAGER_ONLY,
    component: () => import('./office/TeamList.vue'),
  },
  {
    name: 'duty',
    path: '/office/duty',
    title: 'Duty list',
    answers: 'Who is on duty when, and who is called when nobody acknowledges a Stop now.',
    rights: MANAGERS_CHANGE,
    alsoCalled: 'escalation on call rota roster shifts who is called standby night',
    roles: NOT_DRIVERS,
    component: () => import('./office/duty/DutyPage.vue'),
  },
  {
    name: 'mail',
    path: '/office/mail',
    title: 'Mail',
    answers: 'What was written to whom, and whether it left.',
    alsoCalled: 'outbox e-mail letters invitations sent mail server mail that was written',
    roles: MANAGER_ONLY,
    component: () => import('./office/OutboxPage.vue'),
  },
  {
    name: 'texts',
    path: '/office/texts',
    title: 'Text messages',
    answers: 'Which service sends text messages for us, what was written to whom, and whether it left.',
    alsoCalled: 'sms texts webhook messages secret phone service gateway',
    roles: MANAGER_ONLY,
    component: () => import('./office/TextsPage.vue'),
  },
  {
    name: 'depots',
    path: '/office/depots',
    title: 'Depots',
    answers: 'Where vehicles are at home: time zone, and height above the sea, which gauges follow.',
    alsoCalled: 'yards sites time zone altitude height places',
    roles: MANAGER_ONLY,
    component: () => import('./office/DepotList.vue'),
  },
  {
    name: 'receivers',
    path: '/office/receivers',
    title: 'Receivers and tokens',
    answers: 'Which receivers and programs may send readings or ask, and how they are let in.',
    alsoCalled: 'tokens api keys programs machines gateways interface send readings make a token',
    roles: MANAGER_ONLY,
    component: () => import('./office/TokenList.vue'),
  },
  {
    name: 'fleet',
    path: '/office/fleet',
    title: 'Fleet in and out',
    answers:
      'The whole fleet as one file, tables of what it has, in and out, and readings that were kept elsewhere.',
    rights: 'Managers bring in; others take out.',
    alsoCalled:
      'import export json csv table fleet document bring a fleet in take the fleet out readings ndjson can log bus',
    roles: NOT_DRIVERS,
    component: () => import('./office/FleetExchange.vue'),
  },
  {
    name: 'backups',
    path: '/office/backups',
    title: 'Backups',
    answers: 'Copies of everything, from when, and how one is brought back.',
    alsoCalled: 'backup restore copy database make a backup',
    roles: MANAGER_ONLY,
    component: () => import('./office/BackupList.vue'),
  },
  {
    name: 'reading',
    path: '/office/reading',
    title: 'My reading',
    answers: 'In which units and by which light you read, and your own password.',
    alsoCalled:
      'sound tones notification alarm units psi bar kpa celsius fahrenheit theme night paper dark password sign out sessions',
    component: () => import('./office/MyReading.vue'),
  },
];

export const STORES_PAGES: PlacePage[] = [
  {
    name: 'stores',
    path: '/stores',
    title: 'Stock',
    answers: 'What lies in the store, what of it is put aside for a plan, and what is short.',
    rights: 'Managers and technicians count; others read.',
    alsoCalled: 'stock inventory count short in the store',
    roles: NOT_DRIVERS,
    component: () => import('./stores/StockTable.vue'),
  },
  {
    name: 'kit-plans',
    path: '/stores/plans',
    title: 'Kit plans',
    answers: 'What equipping some vehicles takes, and the plans that were kept.',
    rights: 'Managers and technicians plan; others read.',
    alsoCalled: 'plan a kit pick list equip parts',
    roles: NOT_DRIVERS,
    component: () => import('./stores/KitPlansPage.vue'),
  },
  {
    name: 'tyres',
    path: '/stores/tyres',
    title: 'Tyres',
    answers: 'Which tyres there are and where, which are worn, old or marked, and when they are due.',
    rights: 'Managers and technicians write; others read.',
    alsoCalled: 'tread wear depth date code retread casing scrap marked run soft',
    roles: NOT_DRIVERS,
    component: () => import('./stores/tyres/TyresPage.vue'),
  },
  {
    name: 'batteries',
    path: '/stores/batteries',
    title: 'Batteries',
    answers: 'When the cells of our sensors end, and which visits change them, depot by depot.',
    alsoCalled: 'battery cells voltage year plan winter runs out when replace batch',
    roles: NOT_DRIVERS,
    component: () => import('./stores/BatteriesPage.vue'),
  },
  {
    name: 'receivers-heard',
    path: '/stores/receivers',
    title: 'Receivers',
    answers: 'Which receivers and repeaters hear our sensors, where each is, and what it lives on.',
    rights: 'Managers and technicians write; others read.',
    alsoCalled: 'receivers repeaters gateways antennas boxes power mains 12 V 24 V where heard by',
    roles: NOT_DRIVERS,
    component: () => import('./stores/ReceiversPage.vue'),
  },
  {
    name: 'every-sensor',
    path: '/stores/every-sensor',
    title: 'Every sensor',
    answers: 'Where each sensor is and was, from the box to its end, and which are heard that are not ours.',
    roles: NOT_DRIVERS,
    alsoCalled: 'sensors in stock codes strangers unknown lost retired out of use scan box take in claim',
    component: () => import('./stores/EverySensorPage.vue'),
  },
  {
    name: 'hand-gauges',
    path: '/stores/gauges',
    title: 'Hand gauges',
    answers: 'Which hand gauges there are, and when each is to be calibrated again.',
    rights: 'Managers and technicians write; others read.',
    alsoCalled: 'gauge calibration calibrated check due pressure gauge manometer tools',
    roles: NOT_DRIVERS,
    component: () => import('./stores/GaugesPage.vue'),
  },
  {
    name: 'sensor-kinds',
    path: '/stores/sensors',
    title: 'Sensor kinds',
    answers: 'How far our sensors measure, and whether they follow height and weather.',
    rights: MANAGERS_CHANGE,
    alsoCalled: 'vented range sensor makes caps straps data sheet',
    roles: NOT_DRIVERS,
    component: () => import('./stores/SensorMakes.vue'),
  },
];

/** Those of a place's pages that somebody of that role may see. */
export const pagesFor = (pages: PlacePage[], role: Role | undefined): PlacePage[] =>
  pages.filter((page) => !page.roles || !role || page.roles.includes(role));

/** As the router takes them. */
export const routesOf = (pages: PlacePage[]): RouteRecordRaw[] =>
  pages.map(({ name, path, title, roles, component }) => ({
    name,
    path,
    component,
    meta: roles ? { title, roles } : { title },
  })) as RouteRecordRaw[];
