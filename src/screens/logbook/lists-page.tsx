'use client';
import type { Assessment } from '@/core/assess';
import type { ChecklistRun, OwnChecklist } from '@/core/build';
import { freshId, newestBuild, useBench } from '@/store/bench';
import { Action } from '@/ui/action';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { VerdictMark } from '@/ui/verdict-mark';
import { dayText, today } from '../shell/days';

const STARTS: readonly { readonly name: string; readonly items: readonly string[] }[] = [
  {
    name: 'Inspection',
    items: [
      'Orange cables whole, held, away from edges and heat',
      'Covers on, labels readable',
      'Emergency stop and disconnect open',
      'Bonds under 0.1 Ω',
      'Insulation read and entered',
      'Brakes, steering, tyres, lamps',
      'Charge inlet whole, it can’t drive off plugged in',
      'Emergency card in the car',
    ],
  },
  {
    name: 'Competition',
    items: [
      'Emergency stop within reach of driver and marshal',
      'Isolation point marked outside',
      'Pack held, vents free',
      'Lamp that shows traction voltage',
      'Gloves, hook and extinguisher in the pit',
      'Pack temperature under its limit before the start',
    ],
  },
  {
    name: 'Before a long drive',
    items: [
      'Charge and range enough, and a place to charge on the way',
      'Tyre pressures',
      'Charging cable and its adapter',
      'No lamp on that should be off',
    ],
  },
];

/** Own lists, gone through and kept. */
export function ListsPage({ assessment }: { assessment: Assessment }) {
  const { build } = assessment;
  const dispatch = useBench((bench) => bench.dispatch);
  const lists = Object.values(build.logbook?.checklists ?? {});
  const runs = Object.values(build.logbook?.runs ?? {});
  const make = (name: string, items: readonly string[]) =>
    dispatch({ edit: 'putInLogbook', input: { list: 'checklists', entries: [{ id: freshId(), name, items }] } });
  return (
    <div className="grid gap-3">
      <Panel title="Checklists" about={`${lists.length}`}>
        <p className="flex flex-wrap items-center gap-2">
          <span className="text-soft">Begin with</span>
          {STARTS.map(({ name, items }) => (
            <Action key={name} onPress={() => make(name, items)}>
              {name}
            </Action>
          ))}
        </p>
        <TextField label="Or a list of your own" value="" makes empty="name" onCommit={(name) => make(name, [])} />
      </Panel>
      {lists.map((list) => (
        <ListPanel
          key={list.id}
          list={list}
          runs={runs.filter(({ listId }) => listId === list.id)}
          assessment={assessment}
        />
      ))}
    </div>
  );
}

function ListPanel({
  list,
  runs,
  assessment,
}: {
  list: OwnChecklist;
  runs: readonly ChecklistRun[];
  assessment: Assessment;
}) {
  const dispatch = useBench((bench) => bench.dispatch);
  const running = runs.find(({ date, ticks }) => date === today() && ticks.length === list.items.length);
  const put = (next: OwnChecklist) =>
    dispatch({ edit: 'putInLogbook', input: { list: 'checklists', entries: [next] } });
  const tick = (k: number, to: 'yes' | 'no') => {
    const known = running && (newestBuild() ?? assessment.build).logbook?.runs?.[running.id];
    const before = known ?? {
      id: freshId(),
      listId: list.id,
      date: today(),
      ticks: list.items.map(() => 'open' as const),
    };
    const ticks = before.ticks.map((one, at) => (at === k ? (one === to ? 'open' : to) : one));
    dispatch({ edit: 'putInLogbook', input: { list: 'runs', entries: [{ ...before, ticks }] } });
  };
  const older = runs.filter((run) => run !== running).sort((p, q) => (p.date < q.date ? 1 : -1));
  const count = (run: ChecklistRun, what: 'yes' | 'no') => run.ticks.filter((one) => one === what).length;
  return (
    <Panel
      title={list.name}
      about={running ? `today: ${count(running, 'yes')} of ${list.items.length}` : `${list.items.length} lines`}
    >
      <ol aria-label={list.name}>
        {list.items.map((item, k) => (
          <li key={k} className="flex flex-wrap items-center gap-2 border-t border-rule/70 py-1">
            <span className="min-w-[12rem] flex-1">{item}</span>
            {(['yes', 'no'] as const).map((to) => (
              <button
                key={to}
                type="button"
                aria-pressed={running?.ticks[k] === to}
                aria-label={`${item}: ${to}`}
                onClick={() => tick(k, to)}
                className="min-h-12 min-w-16 rounded-[3px] border border-rule bg-panel px-3 font-tight text-lead aria-pressed:border-[1.5px] aria-pressed:border-ink aria-pressed:font-semibold"
              >
                {to}
              </button>
            ))}
            <Action
              look="quiet"
              label={`Take out: ${item}`}
              onPress={() => put({ ...list, items: list.items.filter((_, at) => at !== k) })}
            >
              ×
            </Action>
          </li>
        ))}
      </ol>
      <TextField
        label="One line more"
        value=""
        makes
        empty="what is looked at"
        onCommit={(item) => put({ ...list, items: [...list.items, item] })}
      />
      {older.length > 0 && (
        <Fold
          head={
            <span className="text-soft">
              Gone through {older.length} {older.length === 1 ? 'time' : 'times'} before
            </span>
          }
        >
          <ul>
            {older.map((run) => (
              <li key={run.id} className="flex items-center gap-2">
                <VerdictMark
                  shape={count(run, 'no') > 0 ? 'fails' : count(run, 'yes') === run.ticks.length ? 'holds' : 'hollow'}
                  size={11}
                />
                {dayText(run.date)}: {count(run, 'yes')} yes, {count(run, 'no')} no of {run.ticks.length}
              </li>
            ))}
          </ul>
        </Fold>
      )}
      <p>
        <Action
          look="quiet"
          onPress={() => dispatch({ edit: 'dropFromLogbook', input: { list: 'checklists', id: list.id } })}
        >
          Drop this list
        </Action>
      </p>
    </Panel>
  );
}
