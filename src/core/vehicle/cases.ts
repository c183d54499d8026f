import type { Build, ContactorRole, StateId } from '../build';
import { followsVehicle, motorOf, steadyPowerW } from './demand';

/** Operating states, the corners between which the pack lives, and how long a state lasts. */
export type CornerId = 'cold-old-empty' | 'nominal' | 'warm-new-full';
/** Steady checks read sustained cases only; what lasts minutes or seconds never settles. */
export type DurationId = 'sustained' | 'minutes' | 'seconds';
export type CaseId = `${StateId}/${CornerId}/${DurationId}`;

export interface State {
  readonly id: StateId;
  readonly name: string;
  readonly duration: DurationId;
  /** Roles of the contactors that are closed. */
  readonly closed: readonly ContactorRole[];
  /** Hand-operated disconnects are out. */
  readonly disconnected?: true;
  /** Cells stand at their rest voltage even in the full corner: nothing charges them, or the current itself does. */
  readonly atRest?: true;
}

const DRIVE: readonly ContactorRole[] = ['main-plus', 'main-minus', 'branch'];

export const STATES: readonly State[] = [
  { id: 'parked', name: 'Parked', duration: 'sustained', closed: [] },
  { id: 'service', name: 'Service', duration: 'sustained', closed: [], disconnected: true },
  { id: 'precharge', name: 'Precharge', duration: 'seconds', closed: ['main-minus', 'precharge'] },
  { id: 'ready', name: 'Ready', duration: 'sustained', closed: DRIVE },
  { id: 'cruise', name: 'Cruise', duration: 'sustained', closed: DRIVE },
  { id: 'hard-acceleration', name: 'Hard acceleration', duration: 'seconds', closed: DRIVE },
  { id: 'hill', name: 'Hill', duration: 'minutes', closed: DRIVE },
  { id: 'regeneration', name: 'Regeneration', duration: 'seconds', closed: DRIVE, atRest: true },
  { id: 'charging', name: 'Charging', duration: 'sustained', closed: [...DRIVE, 'charge'], atRest: true },
  { id: 'heating', name: 'Heating', duration: 'sustained', closed: DRIVE },
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

/** A series motor does not brake, and none does that nobody asks to. */
const brakesByMotor = (build: Build): boolean =>
  build.regeneration?.asked !== 'none' && motorOf(build)?.part?.motorKind !== 'series-dc';

/** Battery power of the inverter in a state, W: the owner's own; from the vehicle where the build says so; typed otherwise. */
export function inverterPowerW(build: Build, state: StateId): number {
  const override = build.states[state]?.inverterPowerW;
  if (override !== undefined) return override;
  const { duty } = build;
  const { hardAccelerationPowerW, hillPowerW, regenerationPowerW } = duty;
  const follows = followsVehicle(build);
  const steady = (speedMPerS: number | undefined, grade: number): number | null => {
    const asked = follows && speedMPerS !== undefined ? steadyPowerW(build, speedMPerS, grade)?.powerW : undefined;
    // Downhill the brakes and the inverter's limit decide; uphill the limit does.
    return asked === undefined ? null : Math.min(Math.max(asked, 0), Math.max(hardAccelerationPowerW, 0));
  };
  const cruisePowerW = steady(duty.cruiseSpeedMPerS, 0) ?? duty.cruisePowerW;
  switch (state) {
    case 'cruise':
      return cruisePowerW;
    case 'hard-acceleration':
      return hardAccelerationPowerW;
    case 'hill':
      return (
        steady(duty.hillSpeedMPerS, duty.hillGrade ?? 0) ?? hillPowerW ?? (cruisePowerW + hardAccelerationPowerW) / 2
      );
    case 'regeneration':
      return brakesByMotor(build) ? -(regenerationPowerW ?? 0.4 * hardAccelerationPowerW) : 0;
    default:
      return 0;
  }
}
