/** What the fields of a request are called on the screens. */
const FIELDS: Record<string, string> = {
  altitudeM: 'height above the sea',
  axle: 'axle',
  axles: 'axles',
  code: 'sensor code',
  coldPressureKpa: 'cold target',
  codes: 'sensor codes',
  depot: 'depot',
  depots: 'depots',
  displayName: 'name',
  duty: 'duty',
  email: 'e-mail address',
  fittedAt: 'time of fitting',
  gaugeKpa: 'hand gauge',
  kind: 'kind',
  liquidPercent: 'liquid in the tyre',
  limits: 'limits',
  loadKg: 'load',
  mount: 'way of holding',
  name: 'name',
  note: 'note',
  password: 'password',
  plate: 'plate',
  position: 'wheel',
  reason: 'reason',
  ref: 'ref',
  role: 'role',
  sensor: 'sensor',
  sensors: 'sensors',
  sparePercent: 'to spare',
  text: 'text',
  timeZone: 'time zone',
  tyreSize: 'tyre size',
  userName: 'user name',
  vehicle: 'vehicle',
  vehicles: 'vehicles',
  walk: 'walk',
  wheels: 'wheels at each end',
};
const ONE_OF: Record<string, string> = {
  vehicles: 'vehicle',
  axles: 'axle',
  sensors: 'sensor',
  depots: 'depot',
  rows: 'row',
  entries: 'entry',
};

const upper = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);

/** "coldPressureKpa" as people call it; what has no name here is taken apart into its words. */
export const fieldWords = (name: string): string =>
  FIELDS[name] ?? name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();

/** Where in a document: "$.vehicles[0].axles[1].role" is "vehicle 1, axle 2, role". */
export function whereWords(path: string): string {
  return path
    .replace(/^\$\.?/, '')
    .split('.')
    .filter(Boolean)
    .map((part) => {
      const [, name = part, index] = /^(\w*)\[(\d+)\]$/.exec(part) ?? [];
      return index === undefined
        ? fieldWords(name)
        : `${ONE_OF[name] ?? fieldWords(name)} ${Number(index) + 1}`.trim();
    })
    .join(', ');
}

/** A message of the interface for programs, in words for people: fields by their names on the screens. */
export function plain(message: string): string {
  return message
    .replace(/"(\w+)" must be a text that is not blank\./g, (_, name: string) => `"${name}" is missing.`)
    .replace(/"(\w*Kpa)" must be a number from (\S+) to ([^\s,]+)/g, '"$1" must be from $2 to $3 kPa')
    .replace(/must be an array, such as \[…\]/g, 'must be a list')
    .replace(/"(\w+)"/g, (quoted, name: string, at: number) => {
      const words = FIELDS[name];
      if (!words) return quoted;
      return at === 0 || /[.!?]\s$/.test(message.slice(0, at)) ? upper(words) : words;
    });
}
