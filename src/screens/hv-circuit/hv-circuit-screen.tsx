'use client';
import { cornersOf, STATES } from '@/core/vehicle';
import { Panel } from '@/ui/panel';
import { Select } from '@/ui/select';
import { Tabs } from '@/ui/tabs';
import { SheetHead, useSheet } from '../shell/shell';
import { CircuitSheet } from './circuit-sheet';
import { LookPanels } from './look-panels';
import { type CircuitView, LOOKS, useCircuitView } from './use-circuit-view';

const STATE_TABS = STATES.map(({ id, name }) => [id, name] as const);

export function HvCircuitScreen() {
  const { assessment, openCheck } = useSheet();
  const view = useCircuitView(assessment);
  if (assessment.vehicle.devices.length === 0)
    return (
      <>
        <SheetHead station="hv-circuit" />
        <Panel title="No circuit yet">
          <p className="text-soft">
            This station draws the traction circuit and solves it in every state. It needs cells and an inverter: begin
            in Pack, or open the sample Firn 9 from All builds.
          </p>
        </Panel>
      </>
    );
  const sheet = <CircuitSheet assessment={assessment} view={view} />;
  const told = toldBy(view);
  return (
    <>
      <SheetHead station="hv-circuit" />
      {told === null ? (
        <Tabs
          label="Operating state"
          dense
          tabs={STATE_TABS}
          chosen={view.state}
          onChoose={view.onState}
          beside={
            <span className="flex items-center gap-1 text-small text-soft">
              Pack
              <Select
                label="Corner"
                value={view.corner}
                choices={cornersOf(assessment.build).map(({ id, name }) => ({ value: id, label: name }))}
                onChoose={(corner) => view.onCorner(corner as CircuitView['corner'])}
              />
            </span>
          }
        >
          {sheet}
        </Tabs>
      ) : (
        <>
          <p className="mb-3 flex min-h-10 items-center border-b border-rule text-soft">{told}</p>
          {sheet}
        </>
      )}
      <div className="mt-2">
        <Tabs label="Look at" tabs={LOOKS} chosen={view.look} onChoose={view.onLook}>
          <LookPanels assessment={assessment} view={view} openCheck={openCheck} />
        </Tabs>
      </div>
    </>
  );
}

/** What the drawing shows instead of an operating state. */
function toldBy({ look }: CircuitView): string | null {
  if (look === 'loop') return 'The 12-volt side: what feeds the coils. Press a thing to open it, a wire to change it.';
  if (look === 'short') return 'Every contactor closed, loads off: what a short drives through each wire.';
  if (look === 'live') return 'Full charge, loads off: what is still joined to cells.';
  return null;
}
