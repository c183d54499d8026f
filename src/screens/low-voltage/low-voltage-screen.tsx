'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import type { Assessment } from '@/core/assess';
import { fuseBoxOf, hasTrait } from '@/core/build';
import { BATTERY_PRESETS, CONVERTER_POWERS, lowBase } from '@/core/parts';
import { fusesAtC, lowVoltage } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { ChoiceField } from '@/ui/choice-field';
import { Caution, Panel } from '@/ui/panel';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { FeedDrawing } from './feed-drawing';
import { FeedPanel } from './feed-panel';
import { FuseBoxPanel } from './fuse-box-panel';
import { SchedulePanel } from './schedule-panel';
import { WiresPanel } from './wires-panel';

const HoldUpPanel = dynamic(() => import('./hold-up-panel'), { ssr: false });
const TimelinePanel = dynamic(() => import('./timeline-panel'), { ssr: false });

const TABS = [
  ['schedule', 'Loads'],
  ['feed', 'Battery and converter'],
  ['box', 'Fuse box'],
  ['wires', 'Wires and earths'],
  ['timeline', 'Scenarios'],
  ['hold-up', 'Converter dies'],
] as const;

export function LowVoltageScreen() {
  return <LowVoltageSheet assessment={useSheet().assessment} />;
}

function LowVoltageSheet({ assessment }: { assessment: Assessment }) {
  const [look, setLook] = useState<(typeof TABS)[number][0]>('schedule');
  const [picked, setPicked] = useState<string | null>(null);
  const { build, vehicle } = assessment;
  if (!fuseBoxOf(build))
    return (
      <>
        <SheetHead station="low-voltage" />
        <Begin assessment={assessment} />
      </>
    );
  const low = lowVoltage(vehicle);
  return (
    <>
      <SheetHead station="low-voltage" />
      <Panel className="overflow-x-auto px-2! py-1! print:hidden">
        <FeedDrawing
          assessment={assessment}
          picked={picked}
          onPick={(id) => {
            setPicked(id);
            if (id !== null) setLook('schedule');
          }}
        />
      </Panel>
      <div className="mt-3">
        <Tabs label="12 V" tabs={TABS} chosen={look} onChoose={setLook}>
          {look === 'schedule' && <SchedulePanel assessment={assessment} opened={picked} onOpen={setPicked} />}
          {look === 'feed' && <FeedPanel assessment={assessment} />}
          {look === 'box' && <FuseBoxPanel assessment={assessment} />}
          {look === 'wires' && <WiresPanel assessment={assessment} />}
          {look === 'timeline' && low.loads.length > 0 && <TimelinePanel assessment={assessment} />}
          {look === 'hold-up' && low.loads.length > 0 && <HoldUpPanel assessment={assessment} />}
          {(look === 'timeline' || look === 'hold-up') && low.loads.length === 0 && (
            <Panel title="No loads yet">
              <p className="text-soft">Add what the car has under Loads: lamps, wipers, pumps, control units.</p>
            </Panel>
          )}
        </Tabs>
      </div>
    </>
  );
}

/** A first feed: battery, fuse box, and the converter’s cable to it. */
function Begin({ assessment }: { assessment: Assessment }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const [battery, setBattery] = useState('agm-60');
  const [power, setPower] = useState('1000');
  const converter = assessment.vehicle.devices.find(({ device }) => hasTrait(device.kind, 'feeds-12-v'));
  return (
    <Panel
      title="Begin with the feed"
      about="auxiliary battery, fuse box, and the converter’s cable to it, each source with its fuse"
    >
      <div className="grid gap-x-8 min-[700px]:grid-cols-2">
        <ChoiceField
          label="Auxiliary battery"
          value={battery}
          choices={BATTERY_PRESETS.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={setBattery}
        />
        <ChoiceField
          label="Converter"
          value={power}
          choices={CONVERTER_POWERS.map((watts) => ({ value: String(watts), label: `${watts} W` }))}
          onChoose={setPower}
        />
      </div>
      {!converter && (
        <p className="mt-2 text-thin">
          There is no converter on the traction bus yet: add one in HV circuit, and come back; the battery alone is laid
          out until then.
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Action
          look="strong"
          onPress={() =>
            dispatch({
              edit: 'layOutLow',
              input: lowBase(
                BATTERY_PRESETS.find(({ id }) => id === battery)!.data,
                Number(power),
                1.2,
                freshId(),
                fusesAtC(assessment.vehicle),
              ),
            })
          }
        >
          Lay out the feed
        </Action>
      </div>
      <div className="mt-3">
        <Caution>
          Twelve volts burn too: isolate the auxiliary battery before you work, and put its negative on last. A shorted
          strap glows within a second.
        </Caution>
      </div>
    </Panel>
  );
}
