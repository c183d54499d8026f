'use client';
import type { Assessment } from '@/core/assess';
import { BOLTS, type Bolt, type BoxHold } from '@/core/build';
import { formatQuantity, type UnitSystem } from '@/core/quantities';
import { ruleSetOf } from '@/core/rules';
import { restraintAsked } from '@/core/stations/pack';
import { type Masses, massesOf } from '@/core/vehicle';
import { useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { FigureRow } from '@/ui/figure-row';
import { Caution, Panel } from '@/ui/panel';
import { QuantityField } from '@/ui/quantity-field';
import { type Column, DataTable } from '../shell/data-table';
import { FigureSetting } from '../shell/figure-setting';

interface Loads {
  readonly label: string;
  readonly loads: NonNullable<Masses['loaded']>;
}

/** Without a track the sides are not known. */
function loadColumns(system: UnitSystem, sides: boolean): readonly Column<Loads>[] {
  const one = (id: string, head: string, of: (loads: Loads['loads']) => number | null): Column<Loads> => ({
    id,
    head,
    unit: 'kg',
    figure: true,
    value: ({ loads }) => of(loads),
    cell: ({ loads }) => {
      const value = of(loads);
      return (
        <span className="font-semibold">
          {value === null ? '–' : formatQuantity({ value, dimension: 'mass' }, system, 3).text}
        </span>
      );
    },
  });
  return [
    { id: 'state', head: 'Vehicle', value: ({ label }) => label, cell: ({ label }) => label },
    one('front', 'Front', ({ frontKg }) => frontKg),
    one('rear', 'Rear', ({ rearKg }) => rearKg),
    one('left', 'Left', ({ leftKg }) => (sides ? leftKg : null)),
    one('right', 'Right', ({ rightKg }) => (sides ? rightKg : null)),
    one('all', 'In all', ({ totalKg }) => totalKg),
  ];
}

/** What the vehicle carries where: axles, sides, and what everything weighs. */
export function AxlesPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { vehicle, build } = assessment;
  const masses = massesOf(vehicle);
  const system = build.units;
  const heavy = [...masses.devices].sort((p, q) => q.massKg - p.massKg).slice(0, 8);
  return (
    <Panel title="On the axles" about="from where everything sits; places are set in Cables, on the plan">
      {masses.loaded && masses.empty ? (
        <div data-axles="">
          <DataTable<Loads>
            label="Loads on the axles"
            idOf={({ label }) => label}
            columns={loadColumns(system, build.chassis?.trackM !== undefined)}
            rows={[
              { label: 'Empty', loads: masses.empty },
              { label: 'With a usual load', loads: masses.loaded },
            ]}
          />
        </div>
      ) : (
        <p className="text-soft">Needs {masses.missing.join(', ')}: Survey, On its wheels.</p>
      )}
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        {heavy.map(({ id, name, massKg, from }) => (
          <QuantityField
            key={id}
            label={name}
            value={Math.round(massKg * 10) / 10}
            dimension="mass"
            system={system}
            note={from === 'weighed' ? 'weighed; empty it to assume' : from === 'part' ? 'from its part' : 'assumed'}
            onCommit={(value) => dispatch({ edit: 'setMass', input: { deviceId: id, massKg: value } })}
            {...(from === 'weighed'
              ? { onClear: () => dispatch({ edit: 'setMass', input: { deviceId: id, massKg: null } }) }
              : {})}
          />
        ))}
      </div>
    </Panel>
  );
}

const REACHES: readonly (readonly [keyof BoxHold, string])[] = [
  ['reachCells', 'A hand gets to its cells'],
  ['reachFuse', 'A hand gets to its fuse'],
  ['reachDisconnect', 'A hand gets to its disconnect'],
  ['vent', 'It vents to the outside'],
  ['drain', 'It drains'],
];

/** Each box as a thing: its fixings, and whether hands, air and water get where they must. */
export function HoldPanel({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const { vehicle, build } = assessment;
  const asked = restraintAsked(build, ruleSetOf(build.ruleSet, build.ownLimits));
  const boxes = vehicle.devices.filter(({ device }) => device.kind === 'box');
  const { luggageBeforeL, luggageNowL } = build.chassis ?? {};
  return (
    <Panel title="How the boxes are held" about="fixings against the accelerations of the vehicle’s category">
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        {boxes.map(({ id, device }) => {
          const hold = device.hold ?? {};
          const set = (part: BoxHold) => dispatch({ edit: 'setHold', input: { deviceId: id, ...part } });
          return (
            <div key={id} className="mb-3">
              <p className="font-semibold">{device.name}</p>
              <QuantityField
                label="Fixings"
                value={hold.fixings ?? null}
                dimension="count"
                system={build.units}
                onCommit={(fixings) => set({ fixings })}
              />
              <ChoiceField
                label="Bolts"
                value={hold.bolt ? `${hold.bolt} ${hold.boltClass ?? '8.8'}` : null}
                empty="not entered"
                choices={BOLTS.flatMap((bolt) =>
                  (['8.8', '10.9'] as const).map((grade) => ({
                    value: `${bolt} ${grade}`,
                    label: `${bolt}, class ${grade}`,
                  })),
                )}
                onChoose={(value) => {
                  const [bolt, boltClass] = value.split(' ') as [Bolt, '8.8' | '10.9'];
                  set({ bolt, boltClass });
                }}
              />
              {REACHES.map(([key, label]) => (
                <ChoiceField
                  key={key}
                  label={label}
                  value={hold[key] === undefined ? null : hold[key] ? 'yes' : 'no'}
                  empty="not entered"
                  choices={[
                    { value: 'yes', label: 'yes' },
                    { value: 'no', label: 'no' },
                  ]}
                  onChoose={(value) => set({ [key]: value === 'yes' })}
                />
              ))}
            </div>
          );
        })}
      </div>
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <FigureSetting
          build={build}
          figure="restraintForward"
          note={build.restraint?.forwardG === undefined ? `by ${asked.by} ${asked.forwardG}` : 'your own'}
        />
        <FigureSetting
          build={build}
          figure="restraintSide"
          note={build.restraint?.sideG === undefined ? `by ${asked.by} ${asked.sideG}` : 'your own'}
        />
        <FigureSetting
          build={build}
          figure="restraintUp"
          note={build.restraint?.upG === undefined ? `by the rules ${asked.upG}` : 'your own'}
        />
        <FigureSetting build={build} figure="luggageBefore" />
        <FigureSetting build={build} figure="luggageNow" />
        {luggageBeforeL !== undefined && luggageNowL !== undefined && luggageBeforeL > 0 && (
          <FigureRow
            label="Luggage space left"
            value={luggageNowL / luggageBeforeL}
            dimension="ratio"
            system={build.units}
          />
        )}
      </div>
      <div className="mt-2">
        <Caution>
          Bolts are one half of it: the sheet, frame and spreader plates that they pull at are inspected by a licensed
          person before the road.
        </Caution>
      </div>
    </Panel>
  );
}
