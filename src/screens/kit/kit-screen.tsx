'use client';
import dynamic from 'next/dynamic';
import { type ReactNode, useEffect, useState } from 'react';
import { Action } from '@/ui/action';
import { Checkbox } from '@/ui/checkbox';
import { ChoiceField } from '@/ui/choice-field';
import { Drawer } from '@/ui/drawer';
import { FigureRow } from '@/ui/figure-row';
import { Fold } from '@/ui/fold';
import { Hint, Hints } from '@/ui/hint';
import { LineForm } from '@/ui/line-form';
import { Menu } from '@/ui/menu';
import { Caution, Panel } from '@/ui/panel';
import { Problems } from '@/ui/problems';
import { QuantityField } from '@/ui/quantity-field';
import { Range } from '@/ui/range';
import { Tabs } from '@/ui/tabs';
import { TextField } from '@/ui/text-field';
import { Toggles } from '@/ui/toggles';
import { VerdictMark } from '@/ui/verdict-mark';
import { CommandList } from '../shell/commands';
import { type Column, DataTable, RowOpener } from '../shell/data-table';
import { restoreTheme, switchTheme } from '../shell/theme';

const KitChart = dynamic(() => import('./kit-chart'), { ssr: false, loading: () => <div className="h-[360px]" /> });

const SHORT = ['parked', 'cruise', 'hill'].map((value) => ({ value, label: value }));
const LONG = Array.from({ length: 40 }, (_, k) => ({
  value: `f${k}`,
  label: `Fuse of ${(k + 1) * 5} A`,
  group: k < 20 ? 'small' : 'large',
}));
const ROWS = [
  { id: 'a', name: 'Heater plus', areaMm2: 4, lengthM: 2.2 },
  { id: 'b', name: 'Inverter plus', areaMm2: 70, lengthM: 1.4 },
  { id: 'c', name: 'A wire whose name is so long that it has to be broken somewhere', areaMm2: 0.5, lengthM: null },
];
type Row = (typeof ROWS)[number];

/** Every control in all its states. */
export function KitScreen() {
  useEffect(restoreTheme, []);
  return (
    <Hints>
      <main className="mx-auto max-w-[1100px] space-y-3 px-5 py-6">
        <header className="flex flex-wrap items-center gap-3">
          <h1 className="font-tight text-head font-semibold">Kit</h1>
          <Action onPress={switchTheme}>Light or dark</Action>
        </header>
        <div className="grid items-start gap-3 min-[800px]:grid-cols-2">
          <Buttons />
          <Fields />
          <Lines />
          <Choices />
          <Opening />
        </div>
        <Tables />
        <KitChart />
      </main>
    </Hints>
  );
}

function Buttons() {
  const [pressed, setPressed] = useState(0);
  const nothing = () => setPressed(pressed + 1);
  return (
    <Panel title="Buttons" about={`pressed ${pressed} times`}>
      <Row>
        <Action look="strong" onPress={nothing}>
          Strong
        </Action>
        <Action look="outline" onPress={nothing}>
          Outline
        </Action>
        <Action onPress={nothing}>Plain</Action>
        <Action look="quiet" onPress={nothing}>
          Quiet
        </Action>
        <Action onPress={nothing} disabled>
          Off
        </Action>
        <Hint text="More words about it">
          <button type="button" className="min-h-8 px-2 underline decoration-dotted">
            With a hint
          </button>
        </Hint>
      </Row>
      <Row>
        {(['holds', 'thin', 'fails', 'hollow'] as const).map((shape) => (
          <span key={shape} className="inline-flex items-center gap-1.5">
            <VerdictMark shape={shape} /> {shape}
          </span>
        ))}
      </Row>
      <div className="mt-3">
        <Caution>What happens, and what to do.</Caution>
      </div>
      <div className="mt-3">
        <Problems
          title="What was not taken"
          problems={[{ path: 'line 3', reason: 'There is no number.', remedy: 'Type one.' }]}
        />
      </div>
    </Panel>
  );
}

function Fields() {
  const [length, setLength] = useState<number | null>(2.2);
  const [name, setName] = useState('Heater plus');
  return (
    <Panel title="Fields">
      <QuantityField
        label="Length"
        value={length}
        dimension="length"
        system="metric"
        onCommit={setLength}
        onClear={() => setLength(null)}
        empty="not entered"
        note="takes 12 ft, 3/8 in"
      />
      <QuantityField label="Nothing yet" value={null} dimension="current" system="metric" onCommit={() => undefined} />
      <TextField
        label="Name"
        value={name}
        onCommit={setName}
        refuse={(text) => (text.length > 40 ? 'Too long.' : null)}
      />
      <TextField boxed label="Name, boxed in a row" value={name} onCommit={setName} />
      <FigureRow label="A figure" value={314.159} dimension="current" system="metric" />
      <FigureRow label="Not known" value={null} dimension="current" system="metric" />
      <FigureRow
        label="With its working"
        value={0.149}
        dimension="resistance"
        system="metric"
        working={{ lines: [{ formula: 'R = Σ R_i', figures: '90 · 1.65 mΩ' }], sources: ['Ohm'], assumed: [] }}
      />
    </Panel>
  );
}

/** Lines to type: taken, refused, late. */
function Lines() {
  const [taken, setTaken] = useState<readonly string[]>([]);
  const take = (how: string) => (text: string) => {
    setTaken([...taken, `${how} ${text}`]);
    return null;
  };
  return (
    <Panel title="Lines to type">
      <LineForm
        label="A new thing"
        placeholder="its name"
        most={30}
        button="Add it"
        refuse={(text) => (text === '' ? 'Give it a name first.' : null)}
        onTake={take('added')}
        beside={(other) => <Action onPress={() => other(take('added otherwise'))}>Add it otherwise</Action>}
      />
      <div className="mt-2">
        <LineForm
          label="A code that is asked elsewhere"
          digits
          button="Ask"
          onTake={async (text) => (text === '1' ? null : 'Nobody knows this code.')}
        />
      </div>
      <div className="mt-2">
        <LineForm label="Nothing is taken just now" start="as it was" off button="Keep it" onTake={() => null} />
      </div>
      <ul aria-label="Taken" className="mt-2">
        {taken.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </ul>
    </Panel>
  );
}

function Choices() {
  const [state, setState] = useState<string | null>('cruise');
  const [fuse, setFuse] = useState<string | null>(null);
  const [checked, setChecked] = useState(false);
  const [which, setWhich] = useState<'station' | 'whole'>('station');
  const [done, setDone] = useState<string | null>(null);
  const [part, setPart] = useState<readonly [number, number]>([20, 80]);
  return (
    <Panel title="Choices">
      <ChoiceField label="A short list" value={state} choices={SHORT} onChoose={setState} />
      <ChoiceField label="A long list" value={fuse} choices={LONG} onChoose={setFuse} empty="choose a fuse" />
      <Row>
        <Checkbox checked={checked} onChange={setChecked}>
          Yes or no
        </Checkbox>
        <Toggles
          label="Which checks"
          choices={[
            ['station', 'this station'],
            ['whole', 'whole vehicle'],
          ]}
          chosen={which}
          onChoose={setWhich}
        />
      </Row>
      <Row>
        <Menu
          label="Save the drawing"
          items={[
            { name: 'As a drawing', onPress: () => setDone('drawing') },
            { name: 'As values', onPress: () => setDone('values') },
          ]}
        >
          Save
        </Menu>
        <span role="status">{done ? `saved as ${done}` : ''}</span>
      </Row>
      <Range
        label="Speed"
        ends={[0, 120]}
        chosen={part}
        text={(value) => `${Math.round(value)} km/h`}
        onChoose={setPart}
      />
    </Panel>
  );
}

function Opening() {
  const [tab, setTab] = useState<'one' | 'two' | 'three'>('one');
  const [drawer, setDrawer] = useState(false);
  const [commands, setCommands] = useState(false);
  const [ran, setRan] = useState('nothing');
  const [panel, setPanel] = useState(true);
  return (
    <div className="space-y-3">
      <Panel title="What opens">
        <Tabs
          label="Three tabs"
          tabs={[
            ['one', 'One'],
            ['two', 'Two'],
            ['three', 'Three'],
          ]}
          chosen={tab}
          onChoose={setTab}
        >
          <p>This is {tab}.</p>
        </Tabs>
        <Fold head="A fold" className="mt-2">
          <p>What was folded.</p>
        </Fold>
        <Row>
          <Action onPress={() => setDrawer(true)}>Open the drawer</Action>
          <Action onPress={() => setCommands(true)}>Open the commands</Action>
          <span>Ran: {ran}</span>
        </Row>
        <Drawer open={drawer} onOpen={setDrawer} name="Drawer">
          <p className="p-6">Over everything, from below.</p>
        </Drawer>
        <CommandList
          open={commands}
          onOpenChange={setCommands}
          commands={[
            { name: 'Go to Pack', key: 'p', run: () => setRan('pack') },
            { name: 'Go to Cables', key: 'c', run: () => setRan('cables') },
            { name: 'Not now', run: () => setRan('not now'), disabled: true },
          ]}
        />
      </Panel>
      {panel && (
        <Panel title="A panel that closes" onClose={() => setPanel(false)}>
          <p>By its cross or Esc.</p>
        </Panel>
      )}
    </div>
  );
}

function Tables() {
  const [opened, setOpened] = useState<string | null>(null);
  const columns: readonly Column<Row>[] = [
    {
      id: 'name',
      head: 'Wire',
      value: ({ name }) => name,
      cell: ({ id, name }) => (
        <RowOpener
          open={opened === id}
          onOpen={() => setOpened(opened === id ? null : id)}
          mark={<VerdictMark shape="holds" size={11} />}
        >
          {name}
        </RowOpener>
      ),
    },
    {
      id: 'area',
      head: 'Size',
      unit: 'mm²',
      figure: true,
      value: ({ areaMm2 }) => areaMm2,
      cell: ({ areaMm2 }) => `${areaMm2} mm²`,
    },
    {
      id: 'length',
      head: 'Length',
      unit: 'm',
      figure: true,
      value: ({ lengthM }) => lengthM,
      cell: ({ lengthM }) => (lengthM === null ? '–' : `${lengthM} m`),
    },
  ];
  return (
    <Panel title="A table">
      <DataTable
        label="Wires"
        rows={ROWS}
        columns={columns}
        idOf={({ id }) => id}
        openId={opened}
        detail={({ name }) => <p>More about {name}.</p>}
      />
    </Panel>
  );
}

const Row = ({ children }: { children: ReactNode }) => (
  <div className="mt-2 flex flex-wrap items-center gap-3">{children}</div>
);
