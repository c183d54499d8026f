'use client';
import type { Assessment } from '@/core/assess';
import type { Build, BusFrame, BusNode } from '@/core/build';
import { formatQuantity } from '@/core/quantities';
import type { DataLine, LineNode } from '@/core/vehicle';
import { freshId, useBench } from '@/store/bench';
import { ChoiceField } from '@/ui/choice-field';
import { Fold } from '@/ui/fold';
import { Panel } from '@/ui/panel';
import { TextField } from '@/ui/text-field';
import { YesNo } from '../shell/yes-no';
import { framesText, hex, readFrames, readIdentifiers } from './frames-text';
import { LineDrawing } from './line-drawing';

const RATES = [125e3, 250e3, 500e3, 1e6];

/** CAN buses as they are wired: ends, lengths, bit rates, who says what. */
export function LinePage({ assessment }: { assessment: Assessment }) {
  const { lines } = assessment.results.harness;
  if (lines.length === 0)
    return (
      <p className="text-soft">
        No CAN bus is wired. Where torque is asked by messages its wires come with the usual signal wires, under Wires;
        two wires that carry H and L make one in any case.
      </p>
    );
  return (
    <div className="grid gap-3">
      {lines.map((line) => (
        <One key={line.id} build={assessment.build} line={line} />
      ))}
    </div>
  );
}

function One({ build, line }: { build: Build; line: DataLine }) {
  const say = (value: number | null, dimension: 'length' | 'resistance' | 'ratio') =>
    value === null ? 'not known' : formatQuantity({ value, dimension }, build.units, 3).text;
  const nodes = line.nodes.filter(({ passes }) => !passes);
  return (
    <Panel
      title={`CAN bus of ${nodes.length} nodes`}
      about={line.bitRateBps === null ? 'bit rate not settled' : `${line.bitRateBps / 1000} kbit/s`}
    >
      <LineDrawing line={line} system={build.units} />
      <div className="mt-2 grid gap-x-8 min-[700px]:grid-cols-2">
        <Said
          label="Between H and L, everything off"
          value={line.ohm === null ? 'open' : say(line.ohm, 'resistance')}
        />
        <Said
          label="From end to end"
          value={`${say(line.trunkM, 'length')}${line.mostTrunkM === null ? '' : ` of ${say(line.mostTrunkM, 'length')}`}`}
        />
        <Said label="Bus load" value={`${say(line.load, 'ratio')}`} />
        <Said label="At rest, to the body" value="about 2.5 V on both; H and L apart mean somebody talks" />
      </div>
      {nodes.map((node) => (
        <Node key={`${node.hostId} ${node.port}`} build={build} node={node} />
      ))}
    </Panel>
  );
}

function Node({ build, node }: { build: Build; node: LineNode }) {
  const dispatch = useBench((bench) => bench.dispatch);
  const known = node.node ?? { id: freshId(), hostId: node.hostId, port: node.port };
  const put = (more: Partial<BusNode>) =>
    dispatch({ edit: 'putInHarness', input: { list: 'nodes', entries: [{ ...known, ...more }] } });
  const sends = node.node?.sends;
  return (
    <Fold
      className="border-t border-rule/70"
      head={
        <span data-node={node.hostId}>
          <b className="font-semibold">{node.name}</b>{' '}
          <span className="text-soft">
            {node.node?.terminates === undefined
              ? 'not entered whether it terminates'
              : node.node.terminates
                ? 'terminates'
                : 'does not terminate'}
            {sends && `, sends ${sends.map(({ identifier }) => hex(identifier)).join(', ') || 'nothing'}`}
            {node.stubM !== null &&
              node.stubM > 0 &&
              `, on a stub of ${formatQuantity({ value: node.stubM, dimension: 'length' }, build.units, 3).text}`}
          </span>
        </span>
      }
    >
      <div className="grid gap-x-8 pb-2 min-[700px]:grid-cols-2">
        <YesNo
          label="120 Ω in it, switched on"
          value={node.node?.terminates}
          onAnswer={(terminates) => put({ terminates })}
        />
        <ChoiceField
          label="Bit rate"
          value={node.node?.bitRateBps === undefined ? null : String(node.node.bitRateBps)}
          empty="not entered"
          choices={[...new Set([...RATES, ...(node.node?.bitRateBps ? [node.node.bitRateBps] : [])])].map((rate) => ({
            value: String(rate),
            label: `${rate / 1000} kbit/s`,
          }))}
          onChoose={(rate) => put({ bitRateBps: Number(rate) })}
        />
        <TextField
          label="Sends: identifier, bytes, every … ms"
          wide
          clears
          value={sends ? framesText(sends) : ''}
          empty="3C0 8 10; 3C1 8 100"
          refuse={(text) => {
            const read = readFrames(text);
            return 'why' in read ? read.why : null;
          }}
          onCommit={(text) => {
            const read = readFrames(text);
            if ('frames' in read) put({ sends: read.frames as readonly BusFrame[] });
          }}
        />
        <TextField
          label="Needs from others: identifiers"
          wide
          clears
          value={(node.node?.hears ?? []).map((one) => hex(one).slice(2)).join('; ')}
          empty="3C1; 3E0"
          refuse={(text) => (readIdentifiers(text) === null ? 'Identifiers are written as 3C0; 1A5.' : null)}
          onCommit={(text) => {
            const hears = readIdentifiers(text);
            if (hears) put({ hears });
          }}
        />
      </div>
    </Fold>
  );
}

const Said = ({ label, value }: { label: string; value: string }) => (
  <p className="flex items-baseline justify-between gap-3 border-b border-rule/70 py-1">
    <span className="text-soft">{label}</span>
    <b className="text-right font-semibold">{value}</b>
  </p>
);
