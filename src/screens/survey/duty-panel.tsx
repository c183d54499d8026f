'use client';
import type { Assessment } from '@/core/assess';
import { formatQuantity } from '@/core/quantities';
import { UNKNOWN_COLDEST_C } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';
import { Rest } from './rest';

/** Figures that may wait. */
const REST = [
  'towedMassKg',
  'startsPerDay',
  'coldestDayC',
  'hottestDayC',
  'energyPricePerKWh',
  'formerFuelCostPerKm',
  'claimedRangeM',
  'claimedConsumptionWhPerKm',
  'claimedEnergyJ',
] as const;

/** What it has to do. */
export function DutyPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { build } = assessment;
  const { duty } = build;
  return (
    <Panel title="Duty" about="what it has to do">
      <FigureSetting build={build} figure="cruiseSpeed" />
      <FigureSetting build={build} figure="dailyDistance" />
      <FigureSetting build={build} figure="hillGrade" />
      <FigureSetting build={build} figure="hillSpeed" />
      <ChoiceField
        label="Cruise and hill power"
        value={duty.powersFrom ?? 'typed'}
        choices={[
          { value: 'vehicle', label: 'follow from the vehicle' },
          { value: 'typed', label: 'typed by hand' },
        ]}
        onChoose={(value) => dispatch({ edit: 'setPowersFrom', input: { powersFrom: value as 'vehicle' } })}
      />
      <Rest
        head="The rest of the duty: trailer, days, altitude, money, promises"
        told={REST.some((figure) => duty[figure] !== undefined)}
      >
        <FigureSetting build={build} figure="towedMass" />
        <FigureSetting build={build} figure="startsPerDay" />
        <FigureSetting build={build} figure="altitude" />
        <FigureSetting
          build={build}
          figure="coldestDay"
          note={
            duty.coldestDayC === undefined
              ? `assumed ${formatQuantity({ value: UNKNOWN_COLDEST_C, dimension: 'temperature' }, build.units).text}`
              : ''
          }
        />
        <FigureSetting build={build} figure="hottestDay" />
        <FigureSetting build={build} figure="energyPrice" note="in your own money" />
        <FigureSetting build={build} figure="fuelCost" note="in the same money" />
        <FigureSetting build={build} figure="claimedRange" note="held against the sums" />
        <FigureSetting build={build} figure="claimedConsumption" />
        <FigureSetting build={build} figure="claimedEnergy" note="gross, as sellers say it" />
      </Rest>
    </Panel>
  );
}
