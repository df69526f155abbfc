import { seededRandom } from '@toplens/core/stats';

interface Device {
  userAgent: string;
  /** as resources of spans tell it */
  told: Readonly<Record<string, string>>;
  /** how much slower than a good desktop */
  slowness: number;
  share: number;
  isOld?: boolean;
}

const DEVICES: readonly Device[] = [
  {
    share: 0.3,
    slowness: 1,
    told: { 'user_agent.name': 'Chrome', 'user_agent.version': '141.0', 'os.name': 'Windows' },
    userAgent:
      'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/141.0.0.0 Safari/537.36',
  },
  {
    share: 0.14,
    slowness: 1.1,
    told: { 'user_agent.name': 'Firefox', 'user_agent.version': '143.0', 'os.name': 'Windows' },
    userAgent: 'Mozilla/5.0 (Windows NT 10.0; Win64; x64; rv:143.0) Gecko/20100101 Firefox/143.0',
  },
  {
    share: 0.12,
    slowness: 0.9,
    told: { 'user_agent.name': 'Safari', 'user_agent.version': '18.4', 'os.name': 'macOS' },
    userAgent:
      'Mozilla/5.0 (Macintosh; Intel Mac OS X 10_15_7) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.4 Safari/605.1.15',
  },
  {
    share: 0.24,
    slowness: 1.9,
    told: {
      'user_agent.name': 'Chrome',
      'user_agent.version': '141.0',
      'os.name': 'Android',
      'browser.mobile': 'true',
    },
    userAgent:
      'Mozilla/5.0 (Linux; Android 10; K) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/141.0.0.0 Mobile Safari/537.36',
  },
  {
    share: 0.14,
    slowness: 1.3,
    told: { 'user_agent.name': 'Safari', 'user_agent.version': '18.4', 'os.name': 'iOS', 'browser.mobile': 'true' },
    userAgent:
      'Mozilla/5.0 (iPhone; CPU iPhone OS 18_4 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/18.4 Mobile/15E148 Safari/604.1',
  },
  {
    share: 0.06,
    slowness: 2.2,
    isOld: true,
    told: { 'user_agent.name': 'Safari', 'user_agent.version': '15.6', 'os.name': 'iOS', 'browser.mobile': 'true' },
    userAgent:
      'Mozilla/5.0 (iPhone; CPU iPhone OS 15_8 like Mac OS X) AppleWebKit/605.1.15 (KHTML, like Gecko) Version/15.6 Mobile/15E148 Safari/604.1',
  },
];
const CONNECTIONS = [
  { type: '4g', share: 0.86, slowness: 1 },
  { type: '3g', share: 0.12, slowness: 2.4 },
  { type: '2g', share: 0.02, slowness: 5 },
] as const;

const byShare = <One extends { share: number }>(all: readonly One[], at: number): One => {
  let sum = 0;
  return all.find(({ share }) => (sum += share) > at) ?? (all[0] as One);
};

/** Parts of countries (ISO 3166-2). */
const AREAS: Readonly<Record<string, readonly string[]>> = {
  GB: ['GB-ENG', 'GB-SCT', 'GB-WLS', 'GB-NIR'],
  IE: ['IE-L', 'IE-M', 'IE-C', 'IE-U'],
  NL: ['NL-NH', 'NL-ZH', 'NL-NB'],
  BE: ['BE-VLG', 'BE-WAL', 'BE-BRU'],
  FR: ['FR-IDF', 'FR-HDF', 'FR-NOR'],
  DE: ['DE-NW', 'DE-NI', 'DE-HH'],
};

/** Where in their country a person lives; '' where no parts of it are known. */
export function areaOf(person: string, country: string): string {
  const areas = AREAS[country] ?? [''];
  // The first is the one where most live.
  return areas[Math.floor(seededRandom(Number(person.replace(/\D/g, '')) + 53)() ** 1.6 * areas.length)] as string;
}

export interface Outfit {
  device: Device;
  connection: (typeof CONNECTIONS)[number];
}

/** One person has one device and one line; shares are invented. */
export function outfitOf(person: string): Outfit {
  const own = seededRandom(Number(person.replace(/\D/g, '')) + 17);
  return { device: byShare(DEVICES, own()), connection: byShare(CONNECTIONS, own()) };
}
