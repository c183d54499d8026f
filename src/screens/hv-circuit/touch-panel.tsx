'use client';
import { OHM_PER_VOLT_AC, predictedReadings } from '@/core/physics/insulation';
import { type Dimension, formatQuantity, type UnitSystem } from '@/core/quantities';
import { leakageOhm, linkDischarge } from '@/core/simulate';
import type { Vehicle } from '@/core/vehicle';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { DataTable } from '../shell/data-table';

/** A common meter, Ω. */
const METER_OHM = 10e6;
/** The method wants a resistor of about 500 Ω/V: the nearest of the E12 series. */
const E12 = [1, 1.2, 1.5, 1.8, 2.2, 2.7, 3.3, 3.9, 4.7, 5.6, 6.8, 8.2];
function nearestE12(ohm: number): number {
  const decade = 10 ** Math.floor(Math.log10(ohm));
  return [...E12, 10].map((value) => value * decade).sort((p, q) => Math.abs(p - ohm) - Math.abs(q - ohm))[0]!;
}

/** No meter reads less than a millivolt or a milliohm here: it reads nothing. */
const shown = (value: number): number => (Math.abs(value) < 1e-3 ? 0 : value);

/** What hands can meet: voltage class, the link's charge, and the readings that the insulation will give. */
export function TouchPanel({
  vehicle,
  fullV,
  nominalV,
  safeV,
  system,
}: {
  vehicle: Vehicle;
  fullV: number | null;
  nominalV: number | null;
  safeV: number;
  system: UnitSystem;
}) {
  if (fullV === null || nominalV === null)
    return (
      <Panel title="Shock protection">
        <p className="text-soft">It needs cells: begin in Pack.</p>
      </Panel>
    );
  const link = linkDischarge(vehicle, fullV, safeV);
  const leak = leakageOhm(vehicle);
  const classB = fullV > safeV;
  const r0Ohm = nearestE12(OHM_PER_VOLT_AC * fullV);
  // Without knowing which side leaks: alike on both.
  const sound = leak === null ? null : predictedReadings(nominalV, 2 * leak, 2 * leak, r0Ohm, METER_OHM);
  const least = OHM_PER_VOLT_AC * fullV;
  const worst = predictedReadings(nominalV, least, 1e12, r0Ohm, METER_OHM);
  const text = (value: number, dimension: Dimension) => formatQuantity({ value, dimension }, system, 3).text;
  return (
    <>
      <Panel title="Shock protection" about={classB ? 'voltage class B: it kills' : 'voltage class A: it burns'}>
        <FigureRow label="Between the poles, full" value={fullV} dimension="voltage" system={system} />
        {link && (
          <>
            <FigureRow
              label={`Link under ${text(safeV, 'voltage')} after`}
              value={link.timeS}
              dimension="time"
              system={system}
            />
            <FigureRow label="Energy in the link" value={link.energyJ} dimension="energy" system={system} />
            <FigureRow label="Bleeds take, bus live" value={link.lossW} dimension="power" system={system} />
            <FigureRow label="a day, bus live" value={link.lossW * 86400} dimension="energy" system={system} />
          </>
        )}
        <ul className="mt-2 list-disc space-y-1 pl-5 text-small">
          {classB ? (
            <>
              <li>Covers that keep a finger out (IPXXB), in cabin and luggage space a wire (IPXXD).</li>
              <li>Orange over the whole length of every cable; the flash sign on each box, lid and device.</li>
              <li>Bodies of all devices bonded to the car, under 0.1 Ω each.</li>
            </>
          ) : (
            <li>The same covers: a spanner across the cells melts. No sign and no orange are asked.</li>
          )}
        </ul>
      </Panel>
      {classB && sound && leak !== null && (
        <Panel
          title="Readings to expect"
          about={`insulation, meter of 10 MΩ, resistor of ${text(r0Ohm, 'resistance')}`}
        >
          <DataTable
            label="Readings of the insulation to expect"
            columns={[
              {
                id: 'what',
                head: `Pack at ${text(nominalV, 'voltage')}`,
                cell: ({ label }) => label,
                value: ({ label }) => label,
              },
              {
                id: 'modelled',
                head: 'as modelled',
                figure: true,
                cell: ({ modelled, dimension }) => <b className="font-semibold">{text(shown(modelled), dimension)}</b>,
              },
              {
                id: 'limit',
                head: 'just at the limit, plus leaks',
                figure: true,
                className: 'whitespace-normal',
                cell: ({ limit, dimension }) => text(shown(limit), dimension),
              },
            ]}
            rows={(
              [
                ['To the body, all together', 'resistance', leak, least],
                ['Minus to body', 'voltage', sound.minusV, worst.minusV],
                ['Plus to body', 'voltage', sound.plusV, worst.plusV],
                [`With the resistor between ${sound.r0Between} and body`, 'voltage', sound.withR0V, worst.withR0V],
              ] as const
            ).map(([label, dimension, modelled, limit]) => ({ label, dimension, modelled, limit }))}
            idOf={({ label }) => label}
          />
          <p className="mt-2 text-note text-soft">
            UN R100, 500 Ω/V. Leakages are those of the devices (10 MΩ where none is measured), taken alike on both
            sides. Work the readings out in Quick sums, Insulation.
          </p>
        </Panel>
      )}
      <Caution>
        Measured with the pack live: rated gloves, a meter for the full voltage, one hand, never alone. One fault to the
        body is silent; the second is a short circuit through it.
      </Caution>
    </>
  );
}
