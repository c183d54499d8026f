import type { StationId } from '@/core/checks';

export interface StationInfo {
  readonly id: StationId;
  readonly name: string;
  readonly question: string;
  /** Null: still to come. */
  readonly path: string | null;
  readonly key?: string;
}

export const STATIONS: readonly StationInfo[] = [
  {
    id: 'survey',
    name: 'Survey',
    question: 'What is the vehicle, what will it do, and what is lost with the engine?',
    path: '/survey',
    key: 'y',
  },
  {
    id: 'pack',
    name: 'Pack',
    question: 'Which cells, how many, and does every device live with that voltage?',
    path: '/pack',
    key: 'p',
  },
  {
    id: 'drive',
    name: 'Drive',
    question: 'Will this motor move it, how far, at what current?',
    path: '/drive',
    key: 'd',
  },
  {
    id: 'hv-circuit',
    name: 'HV circuit',
    question: 'Is it safe to close, to carry, to break and to touch?',
    path: '/hv-circuit',
    key: 'v',
  },
  { id: 'cables', name: 'Cables', question: 'Which conductor, how thick, how long, where?', path: '/cables', key: 'c' },
  {
    id: 'low-voltage',
    name: '12 V',
    question: 'What feeds the car’s own circuits now?',
    path: '/low-voltage',
    key: 'e',
  },
  { id: 'bms', name: 'BMS', question: 'How is every cell kept inside its limits?', path: null },
  { id: 'charging', name: 'Charging', question: 'How, from which supply, how long, to what voltage?', path: null },
  {
    id: 'ancillaries',
    name: 'Ancillaries',
    question: 'How are braking, steering, heating and cooling replaced?',
    path: null,
  },
  { id: 'interlocks', name: 'Interlocks', question: 'Can it move when it should not?', path: null },
  { id: 'harness', name: 'Harness', question: 'Which wire goes where, and which are still open?', path: null },
  { id: 'plan', name: 'Plan', question: 'What can be done now, and what waits?', path: null },
  { id: 'commission', name: 'Commission', question: 'Does it do what the design says?', path: null },
  { id: 'logbook', name: 'Logbook', question: 'What has been done and measured, and what is due?', path: null },
];

export const stationHref = (station: StationInfo, buildId: string): string =>
  `${station.path}?build=${encodeURIComponent(buildId)}`;
