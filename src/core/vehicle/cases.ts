import type { Build, ContactorRole, StateId } from '../build';

/** Operating states, the corners between which the pack lives, and how long a state lasts. */
export type CornerId = 'cold-old-empty' | 'nominal' | 'warm-new-full';
export type DurationId = 'sustained' | 'seconds';
export type CaseId = `${StateId}/${CornerId}/${DurationId}`;

export interface State {
  readonly id: StateId;
  readonly name: string;
  readonly duration: DurationId;
  /** Roles of the contactors that are closed. */
  readonly closed: readonly ContactorRole[];
}

export const STATES: readonly State[] = [
  { id: 'parked', name: 'Parked', duration: 'sustained', closed: [] },
  { id: 'precharge', name: 'Precharge', duration: 'seconds', closed: ['main-minus', 'precharge'] },
  { id: 'cruise', name: 'Cruise', duration: 'sustained', closed: ['main-plus', 'main-minus', 'branch'] },
  {
    id: 'hard-acceleration',
    name: 'Hard acceleration',
    duration: 'seconds',
    closed: ['main-plus', 'main-minus', 'branch'],
  },
];

export const stateOf = (id: StateId): State => STATES.find((state) => state.id === id)!;

export interface Corner {
  readonly id: CornerId;
  readonly name: string;
  readonly soc: number;
  readonly cellTemperatureC: number;
  readonly health: number;
  /** True: the charge voltage instead of the rest voltage (regeneration or just unplugged). */
  readonly atChargeVoltage: boolean;
}

export const CORNER_IDS: readonly CornerId[] = ['cold-old-empty', 'nominal', 'warm-new-full'];

export function cornersOf(build: Build): readonly Corner[] {
  const { socEmpty, coldestCellC, warmestCellC, agedHealth } = build.packLimits;
  return [
    {
      id: 'cold-old-empty',
      name: 'cold, aged, empty',
      soc: socEmpty,
      cellTemperatureC: coldestCellC,
      health: agedHealth,
      atChargeVoltage: false,
    },
    { id: 'nominal', name: 'nominal', soc: 0.5, cellTemperatureC: 25, health: 1, atChargeVoltage: false },
    {
      id: 'warm-new-full',
      name: 'warm, new, full',
      soc: 1,
      cellTemperatureC: warmestCellC,
      health: 1,
      atChargeVoltage: true,
    },
  ];
}

export const caseId = (state: State, corner: Corner): CaseId => `${state.id}/${corner.id}/${state.duration}`;

/** Battery power of the inverter in a state: assumed by the owner until Drive computes it. W. */
export function inverterPowerW(build: Build, state: StateId): number {
  const override = build.states[state]?.inverterPowerW;
  if (override !== undefined) return override;
  if (state === 'cruise') return build.duty.cruisePowerW;
  return state === 'hard-acceleration' ? build.duty.hardAccelerationPowerW : 0;
}
