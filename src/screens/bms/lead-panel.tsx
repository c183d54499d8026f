'use client';
import type { Assessment } from '@/core/assess';
import { FigureRow } from '@/ui/figure-row';
import { Panel } from '@/ui/panel';
import { FigureSetting } from '../shell/figure-setting';

/** Flooded lead is kept by hand: what each charge takes, and when to look. */
export function LeadPanel({ assessment: { build, results } }: { assessment: Assessment }) {
  const { upkeep } = results.bms;
  const { units } = build;
  return (
    <Panel title="Upkeep of lead cells" about="water, equalising, gas">
      <FigureSetting build={build} figure="ventArea" />
      <FigureSetting build={build} figure="chargePerKelvin" />
      <FigureSetting build={build} figure="waterReserve" />
      {upkeep && (
        <>
          <FigureRow label="Overcharged each time" value={upkeep.overchargeAh} dimension="charge" system={units} />
          <FigureRow label="Water of all cells for it" value={upkeep.waterKg} dimension="mass" system={units} />
          <FigureRow label="Hydrogen of all cells" value={upkeep.hydrogenL} dimension="volume" system={units} />
          <FigureRow
            label="Charges until half the water is gone"
            value={upkeep.chargesToWater}
            dimension="count"
            system={units}
          />
        </>
      )}
      <p className="mt-2 text-soft">
        Every tenth charge, or each month: an equalising charge to 2.58–2.65 V a cell until the acid of all cells reads
        alike. Water after charging, distilled, never acid. Goggles, gloves, water for the eyes at hand; no flame, no
        spark, no ring.
      </p>
    </Panel>
  );
}
